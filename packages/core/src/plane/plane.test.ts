import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { at, sum } from '../lists/index.js';
import { areaOf } from './area.js';
import { boundsOf } from './bounds.js';
import { chordAt, crossing } from './chord.js';
import { band, intersectPolygons, leftOf, subtractPolygon } from './clip.js';
import { containsAll } from './contains.js';
import { type Point, rectangleAt } from './point.js';
import { type Turn, turnPoint } from './turn.js';
import { inscribed, moveZone, transformZone, type Zone, zoneBounds, zoneOutline } from './zone.js';

const coordinate = fc.integer({ min: -50_000, max: 50_000 });
const size = fc.integer({ min: 200, max: 40_000 });
/** Convex polygons: regular ones of three to nine corners, anywhere. */
const convex: fc.Arbitrary<Point[]> = fc
  .record({ x: coordinate, y: coordinate, radius: size, corners: fc.integer({ min: 3, max: 9 }) })
  .map(({ x, y, radius, corners }) => inscribed([x, y], radius, corners));
const rectangle = fc
  .record({ x: coordinate, y: coordinate, length: size, height: size })
  .map(({ x, y, length, height }) => rectangleAt(x, y, length, height));
const close = (a: number, b: number, share = 1e-6) =>
  expect(Math.abs(a - b)).toBeLessThanOrEqual(share * Math.max(1, Math.abs(a), Math.abs(b)));

describe('areas and bounds', () => {
  test('a regular polygon has n/2 · r² · sin(360°/n), negative the other way round', () => {
    for (const corners of [3, 4, 6, 12]) {
      const wanted = (corners / 2) * 1000 ** 2 * Math.sin((2 * Math.PI) / corners);
      close(areaOf(inscribed([70, -30], 1000, corners)), wanted);
      close(areaOf([...inscribed([70, -30], 1000, corners)].reverse()), -wanted);
    }
  });

  test('the box round a polygon holds all its corners and touches it on all four sides', () => {
    fc.assert(
      fc.property(convex, (polygon) => {
        const [left, bottom, right, top] = boundsOf(polygon);
        const [xs, ys] = [polygon.map(([x]) => x), polygon.map(([, y]) => y)];
        expect([Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)]).toEqual([
          left,
          bottom,
          right,
          top,
        ]);
      }),
    );
  });
});

describe('cutting polygons', () => {
  test('what two share and what the first has alone make up the first', () => {
    fc.assert(
      fc.property(convex, rectangle, (a, b) => {
        const common = intersectPolygons(a, b);
        const alone = subtractPolygon(a, b);
        const shared = common.length < 3 ? 0 : areaOf(common);
        close(shared + sum(alone.map(areaOf)), areaOf(a), 1e-5);
      }),
    );
  });

  test('sharing is the same either way round, and no more than either has', () => {
    fc.assert(
      fc.property(convex, rectangle, (a, b) => {
        const [one, other] = [intersectPolygons(a, b), intersectPolygons(b, a)];
        const area = (of: Point[]) => (of.length < 3 ? 0 : areaOf(of));
        close(area(one), area(other), 1e-5);
        expect(area(one)).toBeLessThanOrEqual(Math.min(areaOf(a), areaOf(b)) * (1 + 1e-9));
      }),
    );
  });

  test('both sides of a line make up the whole', () => {
    fc.assert(
      fc.property(convex, coordinate, coordinate, coordinate, (polygon, x, y, run) => {
        const [from, to]: [Point, Point] = [
          [x, y],
          [x + run + 1, y + 77],
        ];
        const area = (of: Point[]) => (of.length < 3 ? 0 : areaOf(of));
        close(area(leftOf(polygon, from, to)) + area(leftOf(polygon, to, from)), areaOf(polygon));
      }),
    );
  });

  test('a band of a polygon lies between its two heights', () => {
    fc.assert(
      fc.property(convex, fc.double({ min: 0.1, max: 0.9, noNaN: true }), (polygon, share) => {
        const [, bottom, , top] = boundsOf(polygon);
        const [low, high] = [bottom, bottom + (top - bottom) * share].map(Math.round) as [
          number,
          number,
        ];
        for (const [, y] of band(polygon, low, high)) {
          expect(y).toBeGreaterThanOrEqual(low);
          expect(y).toBeLessThanOrEqual(high);
        }
      }),
    );
  });
});

describe('chords', () => {
  test('a rectangle is as long at every height inside it, and nowhere outside', () => {
    fc.assert(
      fc.property(rectangle, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (polygon, share) => {
        const [left, bottom, right, top] = boundsOf(polygon);
        const y = bottom + (top - bottom) * share;
        expect(crossing(polygon, 0, y)).toEqual([left, right]);
        close(chordAt(polygon, 0, y), right - left);
        expect(crossing(polygon, 0, top + 1)).toBeNull();
        expect(chordAt(polygon, 0, bottom - 1)).toBe(0);
      }),
    );
  });

  test('summed over thin slices they are the area', () => {
    const polygon = inscribed([0, 0], 10_000, 7);
    const [, bottom, , top] = boundsOf(polygon);
    const slices = 4000;
    const step = (top - bottom) / slices;
    const slicesOf = Array.from({ length: slices }, (_unused, index) =>
      chordAt(polygon, 0, bottom + (index + 0.5) * step),
    );
    close(sum(slicesOf) * step, areaOf(polygon), 1e-4);
  });
});

describe('holding, turning, zones', () => {
  test('a polygon holds its own middle, whichever way its corners run, and none of its corners', () => {
    fc.assert(
      fc.property(convex, (polygon) => {
        const middle: Point = [
          sum(polygon.map(([x]) => x)) / polygon.length,
          sum(polygon.map(([, y]) => y)) / polygon.length,
        ];
        expect(containsAll(polygon, [middle])).toBe(true);
        expect(containsAll([...polygon].reverse(), [middle])).toBe(true);
        expect(containsAll(polygon, [middle, at(polygon, 0)])).toBe(false);
      }),
    );
  });

  test('four quarter turns come back, two mirrorings too, and no turn changes a distance', () => {
    const point = fc.tuple(coordinate, coordinate);
    fc.assert(
      fc.property(
        point,
        fc.constantFrom<Turn>(0, 90, 180, 270),
        fc.boolean(),
        (from, turn, flipped) => {
          const back = [90, 90, 90, 90].reduce<Point>((known) => turnPoint(known, 90), from);
          expect(back.map((each) => each + 0)).toEqual(from.map((each) => each + 0));
          const turned = turnPoint(from, turn, flipped);
          close(Math.hypot(...turned), Math.hypot(...from));
          const twice = turnPoint(turnPoint(from, 0, true), 0, true);
          expect(twice.map((each) => each + 0)).toEqual(from.map((each) => each + 0));
        },
      ),
    );
  });

  test('a zone moved is as large as it was, and its outline lies within its bounds', () => {
    const zones: Zone[] = [
      { kind: 'circle', centre: [300, 400], radius: 120 },
      { kind: 'rect', corner: [10, 20], width: 700, height: 90 },
      { kind: 'polygon', points: inscribed([0, 0], 500, 5) },
    ];
    for (const zone of zones) {
      const moved = moveZone(zone, 1000, -250);
      const [left, bottom, right, top] = zoneBounds(zone);
      expect(zoneBounds(moved)).toEqual([left + 1000, bottom - 250, right + 1000, top - 250]);
      const turned = transformZone(zone, (point) => turnPoint(point, 90));
      const [l, b, r, t] = zoneBounds(turned);
      close(r - l, top - bottom);
      close(t - b, right - left);
      for (const [x, y] of zoneOutline(zone, 24)) {
        expect(x >= left - 1e-9 && x <= right + 1e-9).toBe(true);
        expect(y >= bottom - 1e-9 && y <= top + 1e-9).toBe(true);
      }
    }
  });
});
