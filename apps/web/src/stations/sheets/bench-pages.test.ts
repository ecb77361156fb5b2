import { describe, expect, test } from '@jest/globals';
import { animalById } from '@spare-knot/core/animals';
import { byBit, planBuild, type Side, sidesOf } from '@spare-knot/core/building';
import { buildBox, FAMILIES } from '@spare-knot/core/families';
import { must, sum } from '@spare-knot/core/lists';
import { startPlan } from '@spare-knot/core/plan';
import { STANDARD_WOOD } from '../../wood/standard-wood';
import { sidePages, stepPages } from './bench-pages';
import { PAPERS } from './paper';

const built = FAMILIES.flatMap((family) => {
  const plan = startPlan(family, must(animalById(family.example), family.example), STANDARD_WOOD);
  const made = buildBox(plan);
  return made.ok ? [{ id: family.id, box: made.box, build: planBuild(plan, made.box, 2) }] : [];
});

describe.each(built.map((each) => [each.id, each] as const))(
  '%s on paper',
  (_id, { box, build }) => {
    test('every hole stands on the chart once, by panel and by bit', () => {
      const copies = (sides: readonly Side[]) =>
        sum(sides.map((side) => side.holes.length * side.copies.length));
      expect(copies(sidesOf(build.holes, box.panels))).toBe(build.holes.length);
      const bits = byBit(build.holes, box.panels);
      expect(sum(bits.map(({ count }) => count))).toBe(build.holes.length);
      for (const { sides, count } of bits) expect(copies(sides)).toBe(count);
    });

    test('every step and every side stands on a sheet, in its order', () => {
      for (const size of Object.values(PAPERS)) {
        expect(stepPages(build, size).flat()).toEqual(build.steps.map((_step, index) => index));
        const sides = sidesOf(build.holes, box.panels);
        const parts = sidePages(sides, size).flat();
        for (const side of sides) {
          const own = parts.filter((part) => part.side.key === side.key);
          expect(own.flatMap((part) => part.side.holes)).toEqual(side.holes);
          expect(own.map(({ from }) => from)).toEqual(
            [...own.keys()].map((index) =>
              sum(own.slice(0, index).map((part) => part.side.holes.length)),
            ),
          );
        }
      }
    });
  },
);

test('all families are there to be printed', () => {
  expect(built.length).toBeGreaterThan(8);
});
