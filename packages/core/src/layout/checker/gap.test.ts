import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { at } from '../../lists/index.js';
import type { Point } from '../../plane/index.js';
import { areApart, type LyingSolid } from './gap.js';

const DEPTH = 6000;
/** A box with one end sloped on its face and bevelled through its thickness. */
const piece = fc
  .record({
    x: fc.integer({ min: 0, max: 60_000 }),
    y: fc.integer({ min: 0, max: 20_000 }),
    length: fc.integer({ min: 6000, max: 30_000 }),
    width: fc.integer({ min: 4000, max: 16_000 }),
    slope: fc.integer({ min: -3000, max: 3000 }),
    bevel: fc.integer({ min: -2500, max: 2500 }),
  })
  .map(({ x, y, length, width, slope, bevel }): LyingSolid => {
    const face = (end: number): Point[] => [
      [x, y],
      [x + length + end, y],
      [x + length + end + slope, y + width],
      [x, y + width],
    ];
    return { faceA: face(0), faceB: face(bevel), depth: DEPTH };
  });

/** Points on a piece's skin: along its edges on both faces and in between. */
function skin({ faceA, faceB, depth }: LyingSolid): [number, number, number][] {
  const steps = [0, 0.25, 0.5, 0.75];
  return faceA.flatMap((_corner, index) => {
    const next = (index + 1) % faceA.length;
    return steps.flatMap((along) =>
      [0, 0.5, 1].map((down): [number, number, number] => {
        const mix = (axis: 0 | 1) => {
          const on = (face: readonly Point[]) =>
            at(face, index)[axis] * (1 - along) + at(face, next)[axis] * along;
          return on(faceA) * (1 - down) + on(faceB) * down;
        };
        return [mix(0), mix(1), down * depth];
      }),
    );
  });
}
const moved = ({ faceA, faceB, depth }: LyingSolid, dx: number, dy: number): LyingSolid => {
  const shift = (face: readonly Point[]) => face.map(([x, y]): Point => [x + dx, y + dy]);
  return { faceA: shift(faceA), faceB: shift(faceB), depth };
};

describe('the gap between two pieces', () => {
  test('is not a kerf where any two points of their skins are nearer, and is the same either way', () => {
    fc.assert(
      fc.property(piece, piece, fc.integer({ min: 0, max: 3000 }), (a, b, kerf) => {
        const apart = areApart(a, b, kerf);
        expect(areApart(b, a, kerf)).toBe(apart);
        if (!apart) return;
        for (const p of skin(a))
          for (const q of skin(b))
            expect(Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2])).toBeGreaterThan(kerf - 40);
      }),
      { numRuns: 60 },
    );
  });

  test('more kerf is never easier to keep', () => {
    fc.assert(
      fc.property(piece, piece, fc.integer({ min: 1, max: 3000 }), (a, b, kerf) => {
        if (areApart(a, b, kerf)) expect(areApart(a, b, Math.floor(kerf / 2))).toBe(true);
      }),
    );
  });

  test('is there when one is moved clear of the other, and not when it lies on itself', () => {
    fc.assert(
      fc.property(piece, (a) => {
        expect(areApart(a, moved(a, 80_000, 0), 1000)).toBe(true);
        expect(areApart(a, moved(a, 0, 40_000), 1000)).toBe(true);
        expect(areApart(a, a, 0)).toBe(false);
        expect(areApart(a, moved(a, 1500, 900), 0)).toBe(false);
      }),
    );
  });
});
