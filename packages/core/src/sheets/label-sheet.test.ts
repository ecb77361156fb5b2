import { describe, expect, test } from '@jest/globals';
import { LABEL_SHEETS, labelPlaces } from './label-sheet.js';

/** ISO 216 and ANSI/ASME Y14.1, from memory [M]. */
const PAPER = { A4: [210, 297], Letter: [215.9, 279.4] } as const;

describe('labels on their sheets', () => {
  test.each(LABEL_SHEETS.map((sheet) => [sheet.name, sheet] as const))(
    '%s: every label lies on the paper, none on another, as many on a sheet as it says',
    (_name, sheet) => {
      const [wide, high] = PAPER[sheet.paper];
      const each = sheet.across * sheet.down;
      const places = labelPlaces(sheet, 2 * each + 1);
      expect(places.filter((place) => place.sheet === 0)).toHaveLength(each);
      expect(places.filter((place) => place.sheet === 2)).toHaveLength(1);
      const first = places.slice(0, each);
      for (const { x, y } of first) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(y).toBeGreaterThanOrEqual(0);
        expect(x + sheet.width).toBeLessThanOrEqual(wide + 0.01);
        expect(y + sheet.height).toBeLessThanOrEqual(high + 0.01);
      }
      first.forEach((a, index) => {
        for (const b of first.slice(index + 1))
          expect(
            Math.abs(a.x - b.x) >= sheet.width - 0.01 || Math.abs(a.y - b.y) >= sheet.height - 0.01,
          ).toBe(true);
      });
    },
  );

  test('a sheet that is begun goes on where it was left', () => {
    const [sheet] = LABEL_SHEETS;
    if (!sheet) throw new Error('no sheet');
    expect(labelPlaces(sheet, 2, 23)).toEqual([
      { sheet: 0, x: 140, y: 0.5 + 7 * 37 },
      { sheet: 1, x: 0, y: 0.5 },
    ]);
  });
});
