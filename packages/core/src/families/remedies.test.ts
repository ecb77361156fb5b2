import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, planFor } from '../../test/boxes.js';
import { ANIMALS } from '../animals/index.js';
import { at, must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import type { BoxPlan } from '../plan/index.js';
import { FAMILIES } from './list.js';
import { brokenRules, buildBox, checkBox } from './registry.js';

/** Plans as makers bend them: a size or two off, other choices, wood that is thin, narrow, planed or doubtful. */
const bent = fc
  .record({
    family: fc.constantFrom(...FAMILIES),
    pick: fc.nat(),
    thickness: fc.integer({ min: 9, max: 38 }),
    width: fc.option(fc.integer({ min: 90, max: 290 }), { nil: null }),
    material: fc.constantFrom('western-red-cedar', 'plywood', 'pallet-wood', 'oak'),
    planed: fc.boolean(),
    stretch: fc.array(fc.double({ min: 0.6, max: 1.5, noNaN: true }), {
      minLength: 24,
      maxLength: 24,
    }),
    choices: fc.array(fc.nat(), { minLength: 24, maxLength: 24 }),
  })
  .map(({ family, pick, thickness, width, material, planed, stretch, choices }) => {
    const own = ANIMALS.filter((animal) => animal.family === family.id);
    const others = ANIMALS.filter(
      (animal) => animal.family === (family.id === 'pole-bat' ? 'bat' : 'slant-roof'),
    );
    const animal = at(own.length > 0 ? own : others, pick % (own.length > 0 ? own : others).length);
    const start = planFor(family, animal, thickness, {
      ...board(thickness),
      width: width === null ? null : fromMm(width),
      material,
      faceA: planed ? 'planed' : 'rough',
      faceB: 'planed',
    });
    const sizes = Object.fromEntries(
      Object.entries(start.sizes).map(([id, size], index) => [
        id,
        index % 3 === pick % 3 ? Math.round(size * at(stretch, index % 24)) : size,
      ]),
    );
    const chosen = Object.fromEntries(
      family.choices.map(({ id, options }, index) => [
        id,
        options.length > 0 && at(choices, index % 24) % 4 === 0
          ? at(options, at(choices, index % 24) % options.length).id
          : must(start.choices[id], id),
      ]),
    );
    return { plan: { ...start, sizes, choices: chosen } as BoxPlan };
  });

describe('remedies', () => {
  test('each one offered gives a box that can be built, in which its rule is kept, or at least broken less', () => {
    let offered = 0;
    let mended = 0;
    fc.assert(
      fc.property(bent, ({ plan }) => {
        const built = buildBox(plan);
        if (!built.ok) return;
        for (const check of checkBox(plan, built.box))
          for (const remedy of check.remedies) {
            offered += 1;
            expect(check.severity).not.toBe('kept');
            const next = remedy.apply(plan);
            const after = buildBox(next);
            if (!after.ok)
              throw new Error(`${plan.family}: ${remedy.label}: ${JSON.stringify(after.refusals)}`);
            const again = checkBox(next, after.box).find(
              ({ id, role }) => id === check.id && role === check.role,
            );
            if (!again || again.severity === 'kept') mended += 1;
            else expect([remedy.label, again.severity]).toEqual([remedy.label, 'warn']);
          }
      }),
      { numRuns: 110 },
    );
    expect(offered).toBeGreaterThan(40);
    expect(mended / offered).toBeGreaterThan(0.9);
  });

  test('what is counted as broken is what is shown as broken, stops before warnings', () => {
    fc.assert(
      fc.property(bent, ({ plan }) => {
        const built = buildBox(plan);
        if (!built.ok) return;
        const shown = checkBox(plan, built.box).map(({ severity }) => severity);
        const { stops, warnings } = brokenRules(plan, built.box);
        expect(shown.filter((each) => each === 'stop')).toHaveLength(stops);
        expect(shown.filter((each) => each === 'warn')).toHaveLength(warnings);
        expect(shown.slice(0, stops + warnings)).toEqual([
          ...Array(stops).fill('stop'),
          ...Array(warnings).fill('warn'),
        ]);
      }),
      { numRuns: 60 },
    );
  });
});
