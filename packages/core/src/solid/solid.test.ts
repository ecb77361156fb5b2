import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { at, must } from '../lists/index.js';
import {
  clip,
  common,
  cornersOf,
  faceArea,
  sectionOf,
  sharedFaceArea,
  solidInside,
  volumeOf,
} from './convex-solid.js';
import { atMost, behind, between, opposite } from './half-space.js';
import { cross, dot, subtract, type Vec3 } from './vector.js';

const brick = (
  x: readonly [number, number],
  y: readonly [number, number],
  z: readonly [number, number],
) =>
  must(
    solidInside([...between('x', ...x), ...between('y', ...y), ...between('z', ...z)]),
    'solidInside',
  );

const whole = fc.integer({ min: -5000, max: 5000 });
const size = fc.integer({ min: 10, max: 5000 });
const direction = fc
  .tuple(
    fc.integer({ min: -9, max: 9 }),
    fc.integer({ min: -9, max: 9 }),
    fc.integer({ min: -9, max: 9 }),
  )
  .filter((v) => v.some((part) => part !== 0));

describe('convex solids', () => {
  test('a brick has six faces, eight corners and its volume', () => {
    const solid = brick([0, 20], [0, 30], [0, 40]);
    expect(solid.faces).toHaveLength(6);
    expect(cornersOf(solid)).toHaveLength(8);
    expect(volumeOf(solid)).toBeCloseTo(24_000, 6);
  });

  test('cutting in two loses no volume, and both halves are closed, convex and look outwards', () => {
    fc.assert(
      fc.property(size, size, size, direction, whole, whole, whole, (a, b, c, normal, x, y, z) => {
        const solid = brick([0, a], [0, b], [0, c]);
        const plane = behind(normal as Vec3, [x % a, y % b, z % c]);
        const halves = [clip(solid, plane), clip(solid, opposite(plane))].filter(
          (half) => half !== null,
        );
        const sum = halves.reduce((total, half) => total + volumeOf(half), 0);
        expect(Math.abs(sum - a * b * c) / (a * b * c)).toBeLessThan(1e-4);
        for (const half of halves) {
          const corners = cornersOf(half);
          let edges = 0;
          for (const face of half.faces) {
            edges += face.corners.length;
            for (const corner of corners)
              expect(dot(face.plane.normal, corner)).toBeLessThanOrEqual(face.plane.offset + 1e-3);
            const turn = cross(
              subtract(at(face.corners, 1), at(face.corners, 0)),
              subtract(at(face.corners, 2), at(face.corners, 1)),
            );
            expect(dot(turn, face.plane.normal)).toBeGreaterThanOrEqual(-1e-3);
          }
          expect(corners.length - edges / 2 + half.faces.length).toBe(2); // Euler
        }
      }),
    );
  });

  test('bricks that touch share a face but no volume; bricks a kerf apart share neither', () => {
    const left = brick([0, 100], [0, 100], [0, 100]);
    const right = brick([100, 200], [50, 150], [0, 100]);
    const apart = brick([1124, 2000], [50, 150], [0, 100]);
    expect(common(left, right)).toBeNull();
    expect(sharedFaceArea(left, right)).toBeCloseTo(5000);
    expect(sharedFaceArea(left, apart)).toBe(0);
    expect(
      volumeOf(must(common(left, brick([50, 150], [0, 100], [0, 100])), 'common')),
    ).toBeCloseTo(500_000);
  });

  test('a section has the area of the slice', () => {
    expect(faceArea(sectionOf(brick([0, 20], [0, 30], [0, 40]), atMost('x', 10)))).toBeCloseTo(
      1200,
    );
    expect(sectionOf(brick([0, 20], [0, 30], [0, 40]), atMost('x', 50))).toHaveLength(0);
  });
});
