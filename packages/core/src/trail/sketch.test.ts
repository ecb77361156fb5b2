import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { must } from '../lists/index.js';
import { metresBetween } from './near.js';
import { fitSketch, type KnownSpot } from './sketch.js';

const START = { latitude: 44.9, longitude: -75.2 };
const degrees = (metres: number) => metres / 111_195;
/** A place so many metres from the start. */
const placeAt = (east: number, north: number) => ({
  latitude: START.latitude + degrees(north),
  longitude: START.longitude + degrees(east) / Math.cos((START.latitude * Math.PI) / 180),
});
const spot = (x: number, y: number, east: number, north: number): KnownSpot => ({
  x,
  y,
  ...placeAt(east, north),
});

describe('a sketch of the place with two known spots', () => {
  test('a worked example: north up, one pixel a metre', () => {
    const fit = must(fitSketch([spot(100, 500, 0, 0), spot(400, 100, 300, 400)]), 'a fit');
    expect(fit.metresPerPixel).toBeCloseTo(1, 3);
    const { x, y } = fit.toPicture(placeAt(300, 0));
    expect([x, y].map(Math.round)).toEqual([400, 500]);
  });

  test('a sketch that lies on its side is turned: east is up', () => {
    const fit = must(fitSketch([spot(0, 0, 0, 0), spot(0, -200, 100, 0)]), 'a fit');
    expect(fit.metresPerPixel).toBeCloseTo(0.5, 3);
    const { x, y } = fit.toPicture(placeAt(0, 50));
    expect(x).toBeCloseTo(-100, 1);
    expect(y).toBeCloseTo(0, 1);
  });

  test('known spots lie where they were told, every place comes back, and distances are true to one in five hundred', () => {
    const metres = fc.integer({ min: -2000, max: 2000 });
    const pixel = fc.integer({ min: 0, max: 2000 });
    const known = fc.tuple(pixel, pixel, metres, metres).map((of) => spot(...of));
    fc.assert(
      fc.property(known, known, metres, metres, (one, other, east, north) => {
        const fit = fitSketch([one, other]);
        if (!fit) {
          const near = Math.hypot(one.x - other.x, one.y - other.y) < 5;
          expect(near || metresBetween(one, other) < 1).toBe(true);
          return;
        }
        const far = Math.hypot(one.x - other.x, one.y - other.y);
        for (const { x, y, ...place } of [one, other]) {
          const found = fit.toPicture(place);
          expect(Math.hypot(found.x - x, found.y - y)).toBeLessThan(1e-6 * far);
        }
        const place = placeAt(east, north);
        const back = fit.toPlace(fit.toPicture(place));
        expect(metresBetween(back, place)).toBeLessThan(0.01);
        const [a, b] = [fit.toPicture(one), fit.toPicture(place)];
        const drawn = Math.hypot(a.x - b.x, a.y - b.y) * fit.metresPerPixel;
        const real = metresBetween(one, place);
        expect(Math.abs(drawn - real)).toBeLessThan(Math.max(0.05, real / 500));
      }),
      { numRuns: 300 },
    );
  });

  test('two spots that are one, or two places that are one, fit nothing', () => {
    expect(fitSketch([spot(10, 10, 0, 0), spot(12, 10, 500, 0)])).toBeNull();
    expect(fitSketch([spot(10, 10, 0, 0), spot(400, 10, 0, 0)])).toBeNull();
  });
});
