import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, circle, job, knot, part, points, rectangle } from '../../../test/layouts.js';
import { fromMm } from '../../measure/index.js';
import { clashAt, obstaclesOf, slideClear } from './defects.js';
import { shapesOf } from './shapes.js';

const END = fromMm(2000);

/** The shape of a part as it lies unturned, and the obstacles of a board. */
function lying(of: ReturnType<typeof part>, ...defects: ReturnType<typeof knot>[]) {
  const kind = board(2000, 145, { defects });
  const shapes = shapesOf(of, 0, kind, job([of], [kind]).saw);
  const shape = typeof shapes === 'string' ? undefined : shapes.find(({ turn }) => turn === 0);
  if (!shape) throw new Error('it lies in no way');
  return { shape, obstacles: obstaclesOf(defects) };
}

describe('sliding clear of defects', () => {
  test('a slope slides no further than to where it touches the defect', () => {
    const sloped = part('sloped', points([60, 0], [240, 0], [240, 120], [0, 120]));
    const { shape, obstacles } = lying(sloped, knot(30, 5, 5, 'knot-loose'));
    // Below its overhang the knot is in nobody's way.
    expect(slideClear(shape, obstacles, 0, 0, END)).toBe(0);
    const nearer = lying(sloped, knot(60, 60, 5, 'knot-loose'));
    const x = slideClear(nearer.shape, nearer.obstacles, 0, 0, END) as number;
    // Half way up it begins at 30, square to a slope of one in two.
    expect(x / fromMm(1)).toBeCloseTo(60 - 30 + 5 * Math.hypot(1, 0.5), 0);
  });

  test('a hole takes a defect in by its middle, and a screw is slid past a sound knot alone', () => {
    const front = part('front', rectangle(300, 120), { cutAway: [circle(100, 60, 20)] });
    const loose = lying(front, knot(150, 60, 5, 'knot-loose'));
    expect((slideClear(loose.shape, loose.obstacles, 0, 0, END) as number) / fromMm(1)).toBeCloseTo(
      50,
      1,
    );
    const screwed = part('screwed', rectangle(300, 120), { clear: [circle(50, 60, 10)] });
    const sound = lying(screwed, knot(60, 60, 5));
    expect((slideClear(sound.shape, sound.obstacles, 0, 0, END) as number) / fromMm(1)).toBeCloseTo(
      25,
      0,
    );
  });

  test('whatever it slides past, it lies clear, and one tick before a lone defect it does not', () => {
    const corner = fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }));
    const defect = fc
      .record({
        x: fc.integer({ min: 0, max: 900 }),
        y: fc.integer({ min: 0, max: 145 }),
        r: fc.integer({ min: 2, max: 30 }),
      })
      .map(({ x, y, r }) => knot(x, y, r, 'knot-loose'));
    fc.assert(
      fc.property(
        fc.tuple(corner, corner),
        fc.array(defect, { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 0, max: 900 }),
        ([[left], [right]], defects, from) => {
          const of = part('p', points([left, 0], [300 - right, 0], [300, 100], [0, 100]));
          const { shape, obstacles } = lying(of, ...defects);
          const x = slideClear(shape, obstacles, fromMm(from), 0, END);
          expect(x).not.toBeNull();
          if (x === null) return;
          expect(clashAt(shape, obstacles, x, 0)).toBeUndefined();
          if (defects.length === 1 && x > fromMm(from))
            expect(clashAt(shape, obstacles, x - 1, 0)).toBeDefined();
        },
      ),
      { numRuns: 200 },
    );
  });

  test('a screw is slid past a sound knot to the tick, knots and screws being round', () => {
    fc.assert(
      fc.property(
        fc.record({ x: fc.integer({ min: 0, max: 300 }), y: fc.integer({ min: 0, max: 145 }) }),
        fc.record({ x: fc.integer({ min: 20, max: 280 }), y: fc.integer({ min: 20, max: 80 }) }),
        fc.integer({ min: 2, max: 30 }),
        (at, screw, radius) => {
          const of = part('p', rectangle(300, 100), { clear: [circle(screw.x, screw.y, 8)] });
          const { shape, obstacles } = lying(of, knot(at.x, at.y, radius));
          const x = slideClear(shape, obstacles, 0, 0, END) as number;
          const apart = (from: number) =>
            Math.hypot(at.x - screw.x - from / fromMm(1), at.y - screw.y) - radius - 8;
          expect(apart(x)).toBeGreaterThanOrEqual(-1e-9);
          if (x > 0) expect(apart(x - 1)).toBeLessThan(1e-9);
        },
      ),
      { numRuns: 200 },
    );
  });
});
