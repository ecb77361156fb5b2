import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, job, layout, part, placed, rectangle } from '../../test/layouts.js';
import { at } from '../lists/index.js';
import { fromMm, toMm } from '../measure/index.js';
import { checkLayout } from './checker/check.js';
import { snapToNeighbours } from './snap.js';

const KERF = 3;
const of = job(
  [part('a', rectangle(200, 80)), part('b', rectangle(300, 140))],
  [board(1800, 140)],
  { kerf: fromMm(KERF), endTrim: fromMm(10) },
);
const stock = at(of.stock, 0);
const laid = at(layout([placed('b', 500, 0), placed('a', 20, 0)]).boards, 0);
const piece = placed('a', 20, 0);
const drop = (x: number, y: number, reach: number) =>
  snapToNeighbours(of, { laid, stock }, piece, [fromMm(x), fromMm(y)], fromMm(reach)).map(toMm);

describe('a piece dropped by hand', () => {
  test.each([
    ['a kerf past its neighbour', [806, 2], [803, 0]],
    ['a kerf before its neighbour', [295, 0], [297, 0]],
    ['at the trimmed end', [14, 0], [10, 0]],
    ['flush with the upper edge', [1000, 57], [1000, 60]],
    ['at the other end', [1588, 0], [1590, 0]],
    ['where it was dropped, far from everything', [1200, 30], [1200, 30]],
  ])('lies %s', (_, [x = 0, y = 0], wanted) => {
    expect(drop(x, y, 6)).toEqual(wanted);
  });

  test('never moves farther than it may, and lies in whole ticks', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1600, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.integer({ min: 0, max: 30 }),
        (x, y, reach) => {
          const at = [fromMm(x) + 0.4, fromMm(y) + 0.4] as const;
          const [u, v] = snapToNeighbours(of, { laid, stock }, piece, at, fromMm(reach));
          expect(Math.abs(u - at[0])).toBeLessThanOrEqual(fromMm(reach) + 0.5);
          expect(Math.abs(v - at[1])).toBeLessThanOrEqual(fromMm(reach) + 0.5);
          expect([Number.isInteger(u), Number.isInteger(v)]).toEqual([true, true]);
        },
      ),
    );
  });

  test('what it snaps to beside a neighbour is a layout that the checker passes', () => {
    const [x, y] = snapToNeighbours(of, { laid, stock }, piece, [fromMm(806), 0], fromMm(6));
    const next = layout([placed('b', 500, 0), { ...piece, x, y }]);
    expect(checkLayout(of, next)).toEqual([]);
  });
});
