import { describe, expect, test } from '@jest/globals';
import { outOfBounds } from './bounds.js';

const deep = (levels: number): unknown => (levels === 0 ? 1 : [deep(levels - 1)]);

describe('what is beyond all measure', () => {
  test('is named before it is read: too many values, too deep, half a character', () => {
    expect(outOfBounds({ boards: Array.from({ length: 200_000 }, () => 1) })?.message).toMatch(
      /more is sent/,
    );
    expect(outOfBounds(deep(31))?.message).toMatch(/too deep/);
    expect(outOfBounds({ boards: [{ name: 'a' }, { name: '\ud800' }] })).toEqual({
      path: 'boards[1].name',
      message: 'has half a character in it',
    });
    expect(outOfBounds({ 'x\udfff': 1 })?.message).toMatch(/half a character/);
  });

  test('and what a page sends is not', () => {
    expect(outOfBounds(deep(29))).toBeNull();
    expect(outOfBounds({ csv: '🦉 nest box\n'.repeat(100_000) })).toBeNull();
    expect(outOfBounds(Array.from({ length: 20_000 }, () => ({ x: 1, y: 2, turn: 0 })))).toBeNull();
    expect(outOfBounds(null)).toBeNull();
  });
});
