import { describe, expect, test } from '@jest/globals';
import type { LaidBoard } from '@spare-knot/core/layout';
import { sum } from '@spare-knot/core/lists';
import fc from 'fast-check';
import { groupAlike } from './group-alike';

const laid = (stock: string, piece: number, x: number): LaidBoard => ({
  stock,
  piece,
  placements: [{ part: 'front', copy: piece, x, y: 0, turn: 0, flipped: false }],
  offcuts: [],
});
const boards = fc.array(
  fc.record({ stock: fc.constantFrom('a', 'b'), x: fc.integer({ min: 0, max: 2 }) }),
  { maxLength: 40 },
);

describe('boards cut alike', () => {
  test('stand together once in large layouts, and every board is counted', () => {
    fc.assert(
      fc.property(boards, (asked) => {
        const all = asked.map(({ stock, x }, piece) => laid(stock, piece, x));
        const groups = groupAlike(all);
        expect(sum(groups.map(({ count }) => count))).toBe(all.length);
        const patterns = new Set(asked.map(({ stock, x }) => `${stock} ${x}`));
        expect(groups).toHaveLength(all.length > 12 ? patterns.size : all.length);
      }),
    );
  });

  test('in small ones each stands by itself, numbered among its kind', () => {
    const groups = groupAlike([laid('a', 0, 0), laid('b', 0, 0), laid('a', 1, 0)]);
    expect(groups.map(({ laid: { stock }, number }) => [stock, number])).toEqual([
      ['a', 1],
      ['b', 1],
      ['a', 2],
    ]);
  });
});
