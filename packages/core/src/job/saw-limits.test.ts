import { describe, expect, test } from '@jest/globals';
import { board, job, part, points, rectangle } from '../../test/layouts.js';
import { startFor } from '../../test/plans.js';
import { buildBox, FAMILIES, familyById } from '../families/index.js';
import { type Layout, searchSteps } from '../layout/index.js';
import { must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import type { BoxPlan } from '../plan/index.js';
import { partsFor, STANDARD_SAW } from './job-for-boxes.js';
import { beyondSaw } from './saw-limits.js';

/** A panel 200 long whose upper end leans inwards by so many millimetres over 16. */
const leaning = (lean: number) =>
  part('p', rectangle(200, 80), {
    underside: points([0, 0], [200 - lean, 0], [200 - lean, 80], [0, 80]),
  });
const sloped = part('s', points([0, 0], [200, 0], [100, 80], [0, 80]));
const partsOf = (plan: BoxPlan) => {
  const built = buildBox(plan);
  return built.ok ? partsFor(plan, built.box, 1) : [];
};

describe('what a saw cannot cut', () => {
  test('a tilt beyond the blade, a mitre beyond the fence, each with its angle', () => {
    expect(beyondSaw([leaning(16)], STANDARD_SAW)).toEqual([]);
    const [found] = beyondSaw([leaning(20)], STANDARD_SAW);
    expect(found?.part).toBe('p');
    // atan(20/16)
    expect(found?.tilt).toBeCloseTo(51.34, 2);
    expect(found?.mitre).toBeNull();
    // atan(100/80) from square is 51.34°, and 38.66° from along the board, which a saw that rips can take.
    const chop = { ...STANDARD_SAW, rip: false };
    expect(beyondSaw([sloped], STANDARD_SAW)).toEqual([]);
    expect(beyondSaw([sloped], chop)[0]?.mitre).toBeCloseTo(51.34, 2);
    expect(beyondSaw([sloped], { ...chop, maxMitre: 52 })).toEqual([]);
  });

  test('agrees with the layout: what it names finds no place on a board large enough, what it does not name does', () => {
    for (const family of FAMILIES) {
      const parts = partsOf(startFor(family)).map((each) => ({
        ...each,
        quantity: 1,
        materials: null,
        inside: 'any' as const,
        outside: 'any' as const,
      }));
      for (const each of parts) {
        const large = board(6000, 2500, { thickness: each.thickness, grained: false });
        const steps = searchSteps(job([each], [large], STANDARD_SAW, 3600), { clock: () => 0 });
        const laid: Layout = steps.next().value;
        expect([family.id, each.id, beyondSaw([each], STANDARD_SAW).length]).toEqual([
          family.id,
          each.id,
          laid.unplaced.length,
        ]);
      }
    }
  });

  test('a pole bat box as steep as its makers build it: bevelled sides are beyond a blade that tilts to 45°, square ones are not', () => {
    const pole = must(familyById('pole-bat'), 'the pole bat box');
    const start = startFor(pole);
    const steep = { ...start, sizes: { ...start.sizes, rise: fromMm(140) } };
    const named = (sideTops: string) =>
      beyondSaw(partsOf({ ...steep, choices: { ...steep.choices, sideTops } }), STANDARD_SAW).map(
        (each) => each.part,
      );
    expect(named('bevelled')).toEqual(expect.arrayContaining(['side-left', 'side-right']));
    expect(named('square').filter((id) => id.startsWith('side'))).toEqual([]);
  });
});
