import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Point } from '../../plane/index.js';
import type { LyingSolid } from './gap.js';
import { neighbours } from './neighbours.js';

const solid = fc
  .tuple(
    fc.integer({ min: 0, max: 3000 }),
    fc.integer({ min: 1, max: 900 }),
    fc.integer({ min: -200, max: 200 }),
  )
  .map(([x, long, lean]): LyingSolid => {
    const face = (from: number): Point[] => [
      [from, 0],
      [from + long, 0],
      [from + long, 100],
      [from, 100],
    ];
    return { faceA: face(x), faceB: face(x + lean), depth: 320 };
  });

/** How far apart two solids are along the board; below zero where they are not. */
function apart(a: LyingSolid, b: LyingSolid): number {
  const ends = ({ faceA, faceB }: LyingSolid) => {
    const xs = [...faceA, ...faceB].map(([x]) => x);
    return [Math.min(...xs), Math.max(...xs)] as const;
  };
  const [lowA, highA] = ends(a);
  const [lowB, highB] = ends(b);
  return Math.max(lowB - highA, lowA - highB);
}

test('every pair that may be too near is met once, and none that lies clearly apart', () => {
  fc.assert(
    fc.property(
      fc.array(solid, { maxLength: 25 }),
      fc.integer({ min: 0, max: 100 }),
      (all, gap) => {
        const met = [...neighbours(all, gap)].map(([one, other]) => `${one} ${other}`);
        expect(new Set(met).size).toBe(met.length);
        all.forEach((second, other) => {
          all.slice(0, other).forEach((first, one) => {
            const isMet = met.includes(`${one} ${other}`);
            if (apart(first, second) <= gap) expect(isMet).toBe(true);
            if (apart(first, second) > gap + 10) expect(isMet).toBe(false);
          });
        });
      },
    ),
  );
});
