import { describe, expect, test } from '@jest/globals';
import { ANIMALS, animalById } from '@spare-knot/core/animals';
import { buildBox, FAMILIES, type Family } from '@spare-knot/core/families';
import { must } from '@spare-knot/core/lists';
import { behindSection, frontView, middleSection } from '@spare-knot/core/sheets';
import { planFor } from '../../../../packages/core/test/boxes.js';
import { extentOf, FIELD, layOutDimensions } from './dimension-layout';

function laidOut(family: Family, animal: string, width: number, height: number) {
  const plan = planFor(family, must(animalById(animal), 'animalById'));
  const built = buildBox(plan);
  if (!built.ok) return null;
  const [a, b] = [
    extentOf(frontView(built.box)),
    extentOf([...middleSection(built.box), ...behindSection(built.box)]),
  ];
  return {
    a,
    b,
    plan,
    ...layOutDimensions(family.dimensions(plan, built.box), a, b, width, height),
  };
}

describe('sizes on the drawing', () => {
  test('no field covers another, and all of them stand on the sheet, for every family at every width of the page', () => {
    for (const family of FAMILIES)
      for (const width of [330, 360, 480, 560, 690, 730, 960]) {
        const drawn = must(laidOut(family, family.example, width, 380), 'drawn');
        expect(drawn.scale).toBeGreaterThan(0);
        drawn.dimensions.forEach(({ at: [x, y], size }, index) => {
          expect([
            family.id,
            size,
            x > 40 && x < width - 40 && y > 10 && y < drawn.height - 10,
          ]).toEqual([family.id, size, true]);
          for (const other of drawn.dimensions.slice(0, index)) {
            const covered =
              Math.abs(other.at[0] - x) < FIELD.wide - 6 &&
              Math.abs(other.at[1] - y) < FIELD.high - 4;
            expect([family.id, width, other.size, size, covered]).toEqual([
              family.id,
              width,
              other.size,
              size,
              false,
            ]);
          }
        });
      }
  });

  test('both views are drawn to one scale inside the sheet, the higher one under the upper margin', () => {
    for (const animal of ANIMALS) {
      const family = must(
        FAMILIES.find((each) => each.id === animal.family),
        'family',
      );
      const drawn = laidOut(family, animal.id, 690, 380);
      if (!drawn) continue;
      const { a, b, frontX, frontY, acrossX, acrossY, scale } = drawn;
      expect(frontX(a.right) - frontX(a.left)).toBeCloseTo((a.right - a.left) * scale, 6);
      expect(acrossX(b.right) - acrossX(b.left)).toBeCloseTo((b.right - b.left) * scale, 6);
      expect(frontX(a.right)).toBeLessThan(acrossX(b.left));
      expect(acrossX(b.right)).toBeLessThan(690);
      expect(Math.min(frontY(a.high), acrossY(b.high))).toBeGreaterThan(40);
      expect(Math.max(frontY(a.low), acrossY(b.low))).toBeLessThan(380);
      // Heights can be read across from one view to the other.
      expect(frontY(0)).toBe(acrossY(0));
    }
  });

  test('on a phone the section stands under the front view, to the same scale, and nothing is turned inside out', () => {
    for (const family of FAMILIES) {
      const { a, b, frontX, frontY, acrossX, acrossY, scale, height } = must(
        laidOut(family, family.example, 350, 320),
        'a',
      );
      expect(scale).toBeGreaterThan(0);
      expect(frontY(a.low)).toBeLessThan(acrossY(b.high));
      expect(acrossY(b.low)).toBeLessThan(height);
      for (const x of [frontX(a.left), frontX(a.right), acrossX(b.left), acrossX(b.right)])
        expect(x > 0 && x < 350).toBe(true);
    }
  });
});
