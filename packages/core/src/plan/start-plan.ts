import type { Animal } from '../animals/index.js';
import { fromMm } from '../measure/index.js';
import { isSheet } from '../wood/index.js';
import type { PanelRole, PlanDeclaration } from './declaration.js';
import { type BoxPlan, type PanelWood, UNKNOWN_PLACE } from './plan.js';

const stickOf = (
  [thickness, width]: NonNullable<PanelRole['stick']>,
  wood: PanelWood,
): PanelWood => {
  // No stick is sawn of a sheet: which wood it is has to be chosen yet.
  const other = isSheet(wood.material);
  return {
    ...wood,
    ...(other && { material: 'spruce', assumed: ['material', 'faces'] }),
    thickness: fromMm(thickness),
    width: fromMm(width),
  };
};

/**
 * A first plan for an animal, every panel from the same wood, sticks from the usual ones, until the maker chooses.
 *
 * @example startPlan(familyById('slant-roof'), animalById('house-wren'), wood)
 */
export function startPlan(family: PlanDeclaration, animal: Animal, wood: PanelWood): BoxPlan {
  const boards = Object.fromEntries(
    family.roles
      .filter((role) => !role.offBoard)
      .map((role) => [role.id, role.stick ? stickOf(role.stick, wood) : wood]),
  );
  const suited = family.defaultsFor(animal);
  // A kind of box has a least size, whoever it is for; one that is too small for an animal is refused at its field.
  const least = (id: string) => family.parameters.find((each) => each.id === id)?.min;
  const sizes = Object.fromEntries(
    Object.entries(suited.sizes).map(([id, size]) => [id, Math.max(size, least(id) ?? size)]),
  );
  return {
    family: family.id,
    animals: [animal.id],
    ...suited,
    sizes,
    wood: family.startWood?.(animal, boards) ?? boards,
    place: UNKNOWN_PLACE,
    finish: [],
    fasteners: { default: null },
    hanging: null,
  };
}

/** Answers that mean the same whatever the kind of box. */
const COMMON = ['fastening', 'wide', 'grip'];

/** The plan in another family: sizes that suit its animal, and the wood of each role that both families have. */
export function changeFamily(
  plan: BoxPlan,
  family: PlanDeclaration,
  animal: Animal,
  wood: PanelWood,
): BoxPlan {
  const start = startPlan(family, animal, wood);
  const kept = family.choices.filter(
    ({ id, options }) =>
      COMMON.includes(id) && options.some((each) => each.id === plan.choices[id]),
  );
  const common = Object.entries(plan.wood).filter(([role]) => start.wood[role]);
  return {
    ...start,
    animals: plan.animals,
    choices: {
      ...start.choices,
      ...Object.fromEntries(kept.map(({ id }) => [id, plan.choices[id] ?? ''])),
    },
    wood: { ...start.wood, ...(family.startWood ? {} : Object.fromEntries(common)) },
    place: plan.place,
    finish: plan.finish,
    fasteners: plan.fasteners,
    hanging: plan.hanging,
  };
}
