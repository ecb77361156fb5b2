import fc from 'fast-check';
import { type Animal, animalById } from '../src/animals/index.js';
import { buildBox, type Family } from '../src/families/index.js';
import { at, must } from '../src/lists/index.js';
import { fromMm } from '../src/measure/index.js';
import type { BoxPlan } from '../src/plan/index.js';
import { answersOf, planFor } from './boxes.js';

export const animalFor = (family: Family): Animal =>
  must(animalById(family.example), family.example);
export const startFor = (family: Family, thickness?: number): BoxPlan =>
  planFor(family, animalFor(family), thickness);

/** Any choice of choices; sizes a little off those that suit the animal, or anywhere in their range; any thickness. */
export function anyPlan(family: Family, wild: boolean): fc.Arbitrary<BoxPlan> {
  const start = startFor(family);
  const choices = fc.record(
    Object.fromEntries(
      family.choices.map((choice) => [choice.id, fc.constantFrom(...answersOf(choice))]),
    ),
  );
  const sizes = fc.record(
    Object.fromEntries(
      family.parameters
        .filter((parameter) => parameter.kind === 'length')
        .map(({ id, min, max }) => {
          const near = start.sizes[id] ?? 0;
          const [low, high] = wild
            ? [min, max]
            : [Math.max(min, Math.floor(near * 0.8)), Math.min(max, Math.ceil(near * 1.3))];
          return [
            id,
            fc.integer({
              min: Math.ceil(Math.min(low, high)),
              max: Math.floor(Math.max(low, high)),
            }),
          ];
        }),
    ),
  );
  const angles = fc.record(
    Object.fromEntries(
      family.parameters
        .filter((parameter) => parameter.kind === 'angle')
        .map(({ id, min, max }) => [id, fc.double({ min, max, noNaN: true })]),
    ),
  );
  const wood = fc.record(
    Object.fromEntries(
      family.roles
        .filter((role) => !role.offBoard)
        .map(({ id, stick }) => {
          if (stick) return [id, fc.constant(must(start.wood[id], id))];
          return [
            id,
            fc
              .integer({ min: 90, max: 380 })
              .map((tenths) => ({ ...must(start.wood[id], id), thickness: fromMm(tenths / 10) })),
          ];
        }),
    ),
  );
  return fc
    .record({ choices, sizes, angles, wood })
    .map(
      (choice) => ({ ...start, ...choice, sizes: { ...start.sizes, ...choice.sizes } }) as BoxPlan,
    );
}

/** The plan with what is refused chosen otherwise, so that most combinations get as far as wood. */
export function mended(family: Family, plan: BoxPlan): BoxPlan {
  const start = startFor(family);
  let now = plan;
  for (let round = 0; round < 12; round += 1) {
    const built = buildBox(now);
    if (built.ok) return now;
    const { field } = at(built.refusals, 0);
    const { backAbove } = now.sizes;
    const options = family.choices
      .find((choice) => choice.id === field)
      ?.options.map((option) => option.id);
    if (options) {
      const next = at(
        options,
        (options.indexOf(must(now.choices[field], field)) + 1) % options.length,
      );
      now = { ...now, choices: { ...now.choices, [field]: next } };
    } else if (field === 'wood.batten')
      now = { ...now, choices: { ...now.choices, corners: 'edges' } };
    else if (field === 'backAbove')
      now = { ...now, sizes: { ...now.sizes, backAbove: fromMm(30) } };
    // Sizes that go with each other are put back together, and at last the choices that they go with.
    else
      now = {
        ...now,
        ...(round >= 8 && { choices: start.choices }),
        sizes:
          round < 4
            ? { ...now.sizes, [field]: start.sizes[field] ?? 0 }
            : { ...start.sizes, ...(backAbove !== undefined && { backAbove }) },
      };
  }
  return now;
}
