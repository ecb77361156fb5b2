import { describe, expect, test } from '@jest/globals';
import { fromInches } from '@spare-knot/core/measure';
import type { Bounds } from '@spare-knot/core/plane';
import { readPart } from './good-part';

const inch = (...values: number[]) => values.map(fromInches);
/** A piece 20 by 5 1/2, ten inches along its board. */
const piece = inch(10, 0, 30, 5.5) as unknown as Bounds;
const read = (line: string) => readPart(line, piece, 'inch');

describe('what of a piece is meant, in one line', () => {
  test.each([
    ['12 x 5 1/2 at the left', [10, 0, 12, 5.5]],
    ['12 at the right', [18, 0, 12, 5.5]],
    ['12" × 3 at left, near', [10, 0, 12, 3]],
    ['12 x 3 at the right far', [18, 2.5, 12, 3]],
    ['4 x 2 at 3 1/2, 1', [13.5, 1, 4, 2]],
    ['20 x 5 1/2', [10, 0, 20, 5.5]],
    ['20 x 2 at the far edge', [10, 3.5, 20, 2]],
  ])('%s', (line, rect) => {
    expect(read(line)).toEqual({ ok: true, rect: inch(...rect) });
  });

  test('where it lies is asked for, and what cannot be is said', () => {
    const said = (line: string) => {
      const result = read(line);
      return result.ok ? result.rect : result.message;
    };
    expect(said('12')).toContain('at the left');
    expect(said('12 x 3 at left')).toContain('near');
    expect(said('21 at the left')).toContain('larger');
    expect(said('15 at 6')).toContain('beyond');
    expect(said('some')).toContain('not a length');
    expect(said('0 at left')).toContain('nothing');
  });
});
