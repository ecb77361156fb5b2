import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { at } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { areaOf } from '../plane/index.js';
import { lengthOf, subtract, type Vec3 } from '../solid/index.js';
import { clearRound, cutAwayOf, holeSize, rim } from './features.js';
import type { Feature } from './panel-set.js';

const shapes = fc.constantFrom(
  'round' as const,
  'oval' as const,
  'arch' as const,
  'square' as const,
);
const flat = (corners: readonly Vec3[]) => corners.map(([x, , z]) => [x, z] as const);

describe('holes', () => {
  test('a rim is a simple convex polygon as wide and as high as the hole, without repeated corners, a little inside the round', () => {
    fc.assert(
      fc.property(
        shapes,
        fc.integer({ min: 3000, max: 40_000 }),
        fc.integer({ min: 3000, max: 40_000 }),
        (shape, across, up) => {
          const [width, height] =
            shape === 'round'
              ? [across, across]
              : shape === 'arch'
                ? [across, Math.max(up, across)]
                : [across, up];
          const corners = rim(shape, [100, 0, 200], [1, 0, 0], [0, 0, 1], width, height);
          for (const [index, corner] of corners.entries())
            expect(lengthOf(subtract(corner, at(corners, index - 1)))).toBeGreaterThan(1);
          const span = (axis: 0 | 1) => {
            const values = flat(corners).map((corner) => corner[axis]);
            return [Math.min(...values), Math.max(...values)] as const;
          };
          for (const [axis, middle, size] of [
            [0, 100, width],
            [1, 200, height],
          ] as const) {
            expect(span(axis)[0]).toBeCloseTo(middle - size / 2, 3);
            expect(span(axis)[1]).toBeCloseTo(middle + size / 2, 3);
          }
          // Areas: two half circles and what is between them; a rectangle with a half circle on it.
          const radius = Math.min(width, height) / 2;
          const area = {
            square: width * height,
            arch: width * (height - width / 2) + (Math.PI * (width / 2) ** 2) / 2,
            round: Math.PI * radius ** 2,
            oval: Math.PI * radius ** 2 + 2 * radius * (Math.max(width, height) - 2 * radius),
          }[shape];
          expect(areaOf(flat(corners)) / area).toBeGreaterThan(0.985);
          expect(areaOf(flat(corners)) / area).toBeLessThanOrEqual(1 + 1e-9);
        },
      ),
    );
  });

  test('what an entrance takes out is cut away; small holes for screws and pivots leave the wood sound, but no knot comes near them', () => {
    const round = (kind: Extract<Feature, { shape: 'round' }>['kind'], mm: number): Feature => ({
      kind,
      shape: 'round',
      centre: [fromMm(100), fromMm(50)],
      diameter: fromMm(mm),
      depth: 'through',
    });
    expect(cutAwayOf(round('entrance', 32))).toEqual([
      { kind: 'circle', centre: [fromMm(100), fromMm(50)], radius: fromMm(16) },
    ]);
    expect(cutAwayOf(round('pilot', 3))).toEqual([]);
    // Common practice, no source: no knot within about 12 mm of an entrance's rim or of a screw.
    expect(clearRound(round('entrance', 32))).toEqual([
      { kind: 'circle', centre: [fromMm(100), fromMm(50)], radius: fromMm(28) },
    ]);
    expect(clearRound(round('pilot', 3))).toEqual([
      { kind: 'circle', centre: [fromMm(100), fromMm(50)], radius: fromMm(12) },
    ]);
    expect(holeSize(round('entrance', 32))).toEqual({ width: fromMm(32), height: fromMm(32) });
  });
});
