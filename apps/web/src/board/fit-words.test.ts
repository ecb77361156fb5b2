import { describe, expect, test } from '@jest/globals';
import { at } from '@spare-knot/core/lists';
import fc from 'fast-check';
import {
  clearWidth,
  fitWords,
  LETTER,
  labelRows,
  rowsOf,
  SMALLER,
  SMALLEST,
  spanOf,
} from './fit-words';

const region = fc.record({
  x: fc.double({ min: 0, max: 500, noNaN: true }),
  y: fc.double({ min: 0, max: 200, noNaN: true }),
  width: fc.double({ min: 4, max: 400, noNaN: true }),
  height: fc.double({ min: 4, max: 200, noNaN: true }),
});
const words = fc.array(fc.string({ minLength: 1, maxLength: 18 }), { minLength: 1, maxLength: 3 });

describe('words in a region', () => {
  test('stay inside it, and are never smaller than can be read', () => {
    fc.assert(
      fc.property(region, words, (place, lines) => {
        const set = fitWords(place, lines);
        if (!set) return;
        expect(set.size).toBeGreaterThanOrEqual(SMALLEST);
        const long = Math.max(
          ...set.lines.map((line, index) => line.length * (index === 0 ? 1 : SMALLER)),
        );
        const [along, across] = set.turned
          ? [place.height, place.width]
          : [place.width, place.height];
        expect(long * set.size * LETTER).toBeLessThanOrEqual(along);
        expect(set.lines.length * set.size).toBeLessThanOrEqual(across);
      }),
    );
  });

  test('keep off a hole, beside it or above it', () => {
    fc.assert(
      fc.property(
        region,
        words,
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        (place, lines, share) => {
          const cx = place.x - place.width / 2 + share * place.width;
          const hole = [cx - 2, place.y - 2, cx + 2, place.y + 2] as const;
          const set = fitWords(place, lines, [hole]);
          if (!set) return;
          const { x, y, width, height } = set.region;
          const isBeside = x + width / 2 <= hole[0] || x - width / 2 >= hole[2];
          const isOver = y + height / 2 <= hole[1] || y - height / 2 >= hole[3];
          expect(isBeside || isOver).toBe(true);
        },
      ),
    );
  });

  test('the name alone where more would not be legible, and nothing where not even that is', () => {
    const place = { x: 50, y: 10, width: 100, height: 14 };
    expect(fitWords(place, ['Front', 'box 1'])?.lines).toEqual(['Front']);
    expect(fitWords({ ...place, height: 40 }, ['Front', 'box 1'])?.lines).toHaveLength(2);
    expect(fitWords({ ...place, width: 12, height: 9 }, ['Front'])).toBeNull();
  });

  test('a panel with slanted ends is clear between them, one that tapers to nothing nowhere', () => {
    const slanted = [
      [0, 0],
      [100, 0],
      [80, 40],
      [20, 40],
    ] as const;
    expect(clearWidth(slanted, 0, 40)).toEqual([15, 85]);
    expect(
      clearWidth(
        [
          [0, 0],
          [10, 0],
          [100, 40],
        ],
        0,
        40,
      ),
    ).toBeNull();
  });
});

describe('numbers on the tape', () => {
  test('never lie on each other, however close the marks and however narrow the board', () => {
    const labels = fc.array(
      fc.record({
        x: fc.double({ min: 0, max: 330, noNaN: true }),
        text: fc.constantFrom('8', '11 7/8', '23 3/16', '1204'),
        size: fc.constant(11),
      }),
      { maxLength: 20 },
    );
    fc.assert(
      fc.property(labels, (asked) => {
        const found = labelRows(asked);
        expect(found).toHaveLength(asked.length);
        found.forEach((a, index) => {
          for (const b of found.slice(index + 1)) {
            if (a.row !== b.row) continue;
            const [[fromA, toA], [fromB, toB]] = [spanOf(a), spanOf(b)];
            expect(toA <= fromB || toB <= fromA).toBe(true);
          }
          expect(at(spanOf(a), 0)).toBeGreaterThanOrEqual(0);
        });
        expect(rowsOf(found)).toBeLessThanOrEqual(asked.length);
      }),
    );
  });

  test('stand in one row where there is room', () => {
    const far = labelRows([100, 200, 300].map((x) => ({ x, text: '11 7/8', size: 11 })));
    expect(rowsOf(far)).toBe(1);
    expect(rowsOf(labelRows([]))).toBe(0);
  });
});
