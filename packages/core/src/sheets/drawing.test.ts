import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sum } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { areaOf, intersectPolygons } from '../plane/index.js';
import {
  cornersOfText,
  type Drawing,
  type DrawnText,
  extentOf,
  LETTER_WIDE,
  line,
  moved,
  note,
  stacked,
} from './drawing.js';
import { WordsAmongLines } from './fit-words.js';

const place = fc.tuple(
  fc.integer({ min: -60_000, max: 60_000 }),
  fc.integer({ min: -60_000, max: 60_000 }),
);
const words = fc
  .record({
    at: place,
    text: fc.string({ minLength: 1, maxLength: 24 }),
    height: fc.integer({ min: 600, max: 4000 }),
    turn: fc.constantFrom(-90, -30, 0, 45, 90),
    align: fc.constantFrom<DrawnText['align']>('middle', 'start'),
  })
  .map(({ at, text, ...more }) => note(at, text, more));

describe('letters on a drawing', () => {
  test('take up as much whichever way they are turned', () => {
    fc.assert(
      fc.property(words, (each) => {
        const long = each.text.length * each.height * LETTER_WIDE;
        expect(areaOf(cornersOfText(each)) / (long * each.height * 1.25)).toBeCloseTo(1, 6);
      }),
    );
  });

  test('lie within the extent of their drawing, with all its lines', () => {
    fc.assert(
      fc.property(
        fc.array(words, { minLength: 1, maxLength: 6 }),
        place,
        place,
        (texts, from, to) => {
          const drawing: Drawing = { name: 'any', shapes: [...texts, line(from, to)] };
          const [left, bottom, right, top] = extentOf(drawing);
          const points = [...texts.flatMap(cornersOfText), from, to];
          for (const [x, y] of points) {
            expect(x >= left && x <= right).toBe(true);
            expect(y >= bottom && y <= top).toBe(true);
          }
        },
      ),
    );
  });

  test('placed among lines lie on none of them, nor on each other', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(place, place), { maxLength: 5 }),
        fc.array(words, { maxLength: 12 }),
        (ends, asked) => {
          const lines = ends.map(([from, to]) => line(from, to));
          const among = new WordsAmongLines(lines);
          const found = asked.flatMap((each) => among.place([each]) ?? []);
          found.forEach((each, index) => {
            for (const other of found.slice(index + 1)) {
              const common = intersectPolygons(cornersOfText(each), cornersOfText(other));
              expect(common.length < 3 || areaOf(common) < fromMm(0.2) ** 2).toBe(true);
            }
          });
          if (asked[0] && lines.length === 0) expect(found[0]).toBe(asked[0]);
        },
      ),
    );
  });
});

describe('drawings on one sheet', () => {
  const drawing = (high: number): Drawing => ({
    name: `${high}`,
    shapes: [line([100, 200], [5000, 200 + high])],
  });

  test('stand one under the other, none on another, and are as large as they were', () => {
    const drawings = [3000, 9000, 1].map(drawing);
    const [left, bottom, right, top] = extentOf(stacked('all', drawings));
    expect([left, right]).toEqual([0, 4900]);
    const heights = sum(drawings.map((each) => extentOf(each)[3] - extentOf(each)[1]));
    expect(top - bottom).toBe(heights + 2 * fromMm(30));
  });

  test('moved, everything on them moves alike', () => {
    const one: Drawing = {
      name: 'one',
      shapes: [
        line([0, 0], [10, 10]),
        note([5, 5], 'here'),
        { kind: 'circle', layer: 'hole', centre: [3, 4], radius: 2 },
      ],
    };
    const before = extentOf(one);
    const after = extentOf(moved(one, 70, -30));
    const shifted = [before[0] + 70, before[1] - 30, before[2] + 70, before[3] - 30];
    for (const [index, value] of after.entries())
      expect(value).toBeCloseTo(shifted[index] ?? Number.NaN, 6);
  });
});
