import { describe, expect, test } from '@jest/globals';
import { fromMm } from '@spare-knot/core/measure';
import fc from 'fast-check';
import { rackScale } from './rack-scale';

const board = fc.record({
  length: fc.integer({ min: 300, max: 5000 }).map(fromMm),
  width: fc.integer({ min: 20, max: 1300 }).map(fromMm),
});

describe('boards drawn beside each other', () => {
  test('all have one scale, the longest fills the room; only sheets are drawn smaller, never larger', () => {
    fc.assert(
      fc.property(
        fc.array(board, { minLength: 1 }),
        fc.integer({ min: 200, max: 1400 }),
        (boards, room) => {
          const scaleOf = rackScale(boards, room);
          const narrow = boards.filter(({ width }) => width <= fromMm(450));
          const scales = new Set(narrow.map(scaleOf));
          expect(scales.size).toBeLessThanOrEqual(1);
          const longest = Math.max(...boards.map(({ length }) => length));
          for (const each of boards) {
            expect(scaleOf(each)).toBeLessThanOrEqual(room / longest);
            expect(each.length * scaleOf(each)).toBeLessThanOrEqual(room * (1 + 1e-9));
            if (each.width > fromMm(450))
              expect(each.width * scaleOf(each)).toBeLessThanOrEqual(190.001);
          }
        },
      ),
    );
  });
});
