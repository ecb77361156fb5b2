import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, planFor } from '../../test/boxes.js';
import { ANIMALS, animalById } from '../animals/index.js';
import { buildBox, FAMILIES, type Family } from '../families/index.js';
import { must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { plainText } from '../text/index.js';
import { planFaults } from './conform.js';
import { applying } from './declaration.js';
import type { BoxPlan } from './plan.js';
import { changeFamily, startPlan } from './start-plan.js';

const of = (family: Family) => planFor(family, must(animalById(family.example), family.example));
const fieldsOf = (family: Family, plan: BoxPlan) =>
  planFaults(family, plan).map(({ field }) => field);
const without = (record: Readonly<Record<string, unknown>>, key: string) =>
  Object.fromEntries(Object.entries(record).filter(([each]) => each !== key));
const families = FAMILIES.map((family) => [family.id, family] as const);

describe.each(families)('a plan of %s', (_, family) => {
  const plan = of(family);

  test('as it begins has no fault, whoever it is for', () => {
    for (const animal of ANIMALS.filter((each) => each.family === family.id))
      expect([animal.id, fieldsOf(family, planFor(family, animal))]).toEqual([animal.id, []]);
    expect(fieldsOf(family, plan)).toEqual([]);
  });

  test('with an answer that is none is named by its question', () => {
    for (const { id, words } of family.choices.filter((each) => each.words === undefined)) {
      const wrong = { ...plan, choices: { ...plan.choices, [id]: 'upside-down' } };
      expect([id, words, fieldsOf(family, wrong)]).toEqual([id, words, [`choices.${id}`]]);
    }
  });

  test('with a key that is not its own, or without one that is, is named by that key', () => {
    const stray = { ...plan, sizes: { ...plan.sizes, chimney: fromMm(100) } };
    expect(fieldsOf(family, stray)).toEqual(['sizes.chimney']);
    const [fault] = planFaults(family, stray);
    expect(fault && plainText(fault.message)).toContain(`${family.name} has`);
    const [size] = Object.keys(plan.sizes);
    const missing = { ...plan, sizes: without(plan.sizes, must(size, 'a size')) };
    expect(fieldsOf(family, missing as BoxPlan)).toEqual([`sizes.${size}`]);
    const odd = { ...plan, choices: { ...plan.choices, weathercock: 'yes' } };
    expect(fieldsOf(family, odd)).toEqual(['choices.weathercock']);
  });

  test('with a size beyond its range is named by that size, and within it is not', () => {
    for (const { id, kind, min, max } of applying(family.parameters, plan.choices)) {
      const at = (value: number): BoxPlan => ({
        ...plan,
        sizes: kind === 'length' ? { ...plan.sizes, [id]: value } : plan.sizes,
        angles: kind === 'angle' ? { ...plan.angles, [id]: value } : plan.angles,
      });
      expect(fieldsOf(family, at(max + 1))).toEqual([id]);
      expect(fieldsOf(family, at(min - 1))).toEqual([id]);
      expect(fieldsOf(family, at(Number.NaN))).toEqual([id]);
      expect(fieldsOf(family, at(min))).toEqual([]);
      expect(fieldsOf(family, at(max))).toEqual([]);
    }
  });

  test('with a panel that has no board, or a board for no panel, is named by that panel', () => {
    for (const role of applying(family.roles, plan.choices).filter((each) => !each.offBoard)) {
      const bare = { ...plan, wood: without(plan.wood, role.id) };
      expect(fieldsOf(family, bare as BoxPlan)).toEqual([`wood.${role.id}`]);
    }
    const stray = { ...plan, wood: { ...plan.wood, gargoyle: board(19) } };
    expect(fieldsOf(family, stray)).toEqual(['wood.gargoyle']);
  });

  test('that no schema would pass is refused, never thrown', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.string()), (choices) => {
        const built = buildBox({ ...plan, choices });
        expect(built.ok).toBe(false);
      }),
      { numRuns: 25 },
    );
  });
});

describe('changing the kind of box', () => {
  const wood = board(19);
  test('keeps whom it is for, the wood of roles that both have, its place and its finish', () => {
    for (const before of FAMILIES.filter(({ guests }) => guests === 'birds'))
      for (const after of FAMILIES.filter(({ guests }) => guests === 'birds')) {
        const animal = must(animalById(before.example), before.example);
        const thin = board(15, { material: 'spruce' });
        const start = startPlan(before, animal, wood);
        const plan: BoxPlan = {
          ...start,
          wood: Object.fromEntries(Object.keys(start.wood).map((role) => [role, thin])),
          finish: [{ where: 'outside', what: 'oil', base: 'oil', shade: null }],
        };
        const changed = changeFamily(plan, after, animal, wood);
        expect(changed.animals).toEqual(plan.animals);
        expect(changed.finish).toEqual(plan.finish);
        // A size that the other kind cannot have is refused at its field; no key is a stray, none is missing.
        expect(fieldsOf(after, changed).filter((field) => field.includes('.'))).toEqual([]);
        if (after.startWood) continue;
        for (const [role, own] of Object.entries(changed.wood))
          if (plan.wood[role]) expect(own).toEqual(thin);
      }
  });
});
