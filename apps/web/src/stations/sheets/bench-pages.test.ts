import { describe, expect, test } from '@jest/globals';
import { animalById } from '@spare-knot/core/animals';
import { byBit, planBuild, type Side, sidesOf } from '@spare-knot/core/building';
import { buildBox, FAMILIES } from '@spare-knot/core/families';
import { must, sum } from '@spare-knot/core/lists';
import { startPlan } from '@spare-knot/core/plan';
import { STANDARD_WOOD } from '../../wood/standard-wood';
import { holeName, sideName, sidePages, stepName, stepPages } from './bench-pages';
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
      const sides = sidesOf(build.holes, box.panels);
      const heights = new Map(build.steps.map((_step, index) => [stepName(index), 60]));
      for (const side of sides) {
        heights.set(sideName(side), 12 + 9 * side.holes.length);
        for (const index of side.holes.keys()) heights.set(holeName(side, index), 9);
      }
      for (const size of Object.values(PAPERS)) {
        const pages = stepPages(build, size, heights);
        expect(pages.flat()).toEqual(build.steps.map((_step, index) => index));
        for (const page of pages) expect(60 * page.length).toBeLessThan(size.height);
        const charts = sidePages(sides, size, heights);
        for (const chart of charts)
          expect(sum(chart.map((part) => 12 + 9 * part.side.holes.length))).toBeLessThan(
            size.height,
          );
        const parts = charts.flat();
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
