import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { loadedHighs } from '../../test/solver.js';
import { at } from '../lists/index.js';
import { shortWalk } from './walk.js';

type Places = readonly (readonly [number, number])[];

const wayOf = (places: Places) => (a: number, b: number) => {
  const [[x0, y0], [x1, y1]] = [at(places, a), at(places, b)];
  return Math.hypot(x1 - x0, y1 - y0);
};

/** berlin52 of TSPLIB (G. Reinelt, ORSA Journal on Computing 3, 1991), from memory; its shortest round is 7542 long, ways rounded. */
const BERLIN: Places = [
  [565, 575],
  [25, 185],
  [345, 750],
  [945, 685],
  [845, 655],
  [880, 660],
  [25, 230],
  [525, 1000],
  [580, 1175],
  [650, 1130],
  [1605, 620],
  [1220, 580],
  [1465, 200],
  [1530, 5],
  [845, 680],
  [725, 370],
  [145, 665],
  [415, 635],
  [510, 875],
  [560, 365],
  [300, 465],
  [520, 585],
  [480, 415],
  [835, 625],
  [975, 580],
  [1215, 245],
  [1320, 315],
  [1250, 400],
  [660, 180],
  [410, 250],
  [420, 555],
  [575, 665],
  [1150, 1160],
  [700, 580],
  [685, 595],
  [685, 610],
  [770, 610],
  [795, 645],
  [720, 635],
  [760, 650],
  [475, 960],
  [95, 260],
  [875, 920],
  [700, 500],
  [555, 815],
  [830, 485],
  [1170, 65],
  [830, 610],
  [605, 625],
  [595, 360],
  [1340, 725],
  [1740, 245],
];

const drawn = (count: number, seed: number): Places => {
  let state = seed;
  const next = () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return state / 2_147_483_648;
  };
  return Array.from({ length: count }, () => [1000 * next(), 1000 * next()] as const);
};

describe('a walk', () => {
  test('of the published places of berlin52 is the shortest, 7542', () => {
    const way = wayOf(BERLIN);
    const { metres, bound } = shortWalk(BERLIN.length, (a, b) => Math.round(way(a, b)));
    expect(metres).toBe(7542);
    expect(bound).toBeLessThanOrEqual(7542);
    expect(bound).toBeGreaterThan(0.99 * 7542);
  });

  test.each([1, 2, 3])('of 200 boxes is proven within 2 % of the shortest (draw %d)', (seed) => {
    const { order, metres, bound } = shortWalk(200, wayOf(drawn(200, seed)));
    expect([...order].sort((a, b) => a - b)).toEqual(
      Array.from({ length: 200 }, (_unused, index) => index),
    );
    expect(metres / bound).toBeLessThan(1.02);
  });

  test('goes to every place once, begins at the first, is as long as it says and never under its bound', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 })), {
          maxLength: 40,
        }),
        (places) => {
          const way = wayOf(places);
          const { order, metres, bound } = shortWalk(places.length, way);
          expect([...order].sort((a, b) => a - b)).toEqual(places.map((_place, index) => index));
          if (places.length > 0) expect(order[0]).toBe(0);
          const walked = order.reduce(
            (sum, place, index) => sum + way(place, at(order, (index + 1) % order.length)),
            0,
          );
          expect(Math.abs(metres - walked)).toBeLessThan(1e-6);
          expect(bound).toBeLessThanOrEqual(metres + 1e-6);
        },
      ),
    );
  });

  test('is as short as an independent solver finds for ten places, and its bound is under that', async () => {
    const highs = await loadedHighs();
    for (const seed of [4, 5, 6]) {
      const places = drawn(10, seed);
      const way = wayOf(places);
      const { metres, bound } = shortWalk(10, way);
      const pairs = places.flatMap((_a, a) =>
        places.flatMap((_b, b) => (a === b ? [] : [[a, b] as const])),
      );
      const each = [...places.keys()];
      // Miller, Tucker and Zemlin, J. ACM 7, 1960.
      const model = [
        'Minimize',
        ` way: ${pairs.map(([a, b]) => `${way(a, b).toFixed(9)} x${a}_${b}`).join(' + ')}`,
        'Subject To',
        ...each.map(
          (a) =>
            ` out${a}: ${pairs
              .filter(([from]) => from === a)
              .map(([, b]) => `x${a}_${b}`)
              .join(' + ')} = 1`,
        ),
        ...each.map(
          (b) =>
            ` in${b}: ${pairs
              .filter(([, to]) => to === b)
              .map(([a]) => `x${a}_${b}`)
              .join(' + ')} = 1`,
        ),
        ...pairs
          .filter(([a, b]) => a > 0 && b > 0)
          .map(([a, b]) => ` ring${a}_${b}: u${a} - u${b} + 10 x${a}_${b} <= 9`),
        'Bounds',
        ...each.slice(1).map((a) => ` 1 <= u${a} <= 9`),
        'Binary',
        ` ${pairs.map(([a, b]) => `x${a}_${b}`).join(' ')}`,
        'End',
      ].join('\n');
      const { ObjectiveValue: shortest } = highs.solve(model);
      expect(metres).toBeCloseTo(shortest, 4);
      expect(bound).toBeLessThanOrEqual(shortest + 1e-6);
    }
  });
});
