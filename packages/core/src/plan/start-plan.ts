import type { Animal } from '../animals/index.js';
import { fromMm } from '../measure/index.js';
import type { PanelRole, PlanDeclaration } from './declaration.js';
import type { BoxPlan, PanelWood } from './plan.js';

const stickOf = (
  [thickness, width]: NonNullable<PanelRole['stick']>,
  wood: PanelWood,
): PanelWood => ({
  ...wood,
  material: wood.material === 'plywood' ? 'spruce' : wood.material,
  thickness: fromMm(thickness),
  width: fromMm(width),
});

/** A first plan for an animal, every panel from the same wood, sticks from the usual ones, until the maker chooses. */
export function startPlan(family: PlanDeclaration, animal: Animal, wood: PanelWood): BoxPlan {
  const boards = Object.fromEntries(
    family.roles
      .filter((role) => !role.offBoard)
      .map((role) => [role.id, role.stick ? stickOf(role.stick, wood) : wood]),
  );
  const choices = family.suit(animal);
  // A kind of box has a least size, whoever it is for; one that is too small for an animal is refused at its field.
  const sizes = Object.fromEntries(
    Object.entries(choices.sizes).map(([id, size]) => [
      id,
      Math.max(size, family.parameters.find((each) => each.id === id)?.least ?? size),
    ]),
  );
  return {
    family: family.id,
    animal: animal.id,
    ...choices,
    sizes,
    wood: family.startWood?.(animal, boards) ?? boards,
  };
}

/** The plan in another family: sizes that suit its animal, and the wood of each role that both families have. */
export function changeFamily(
  plan: BoxPlan,
  family: PlanDeclaration,
  animal: Animal,
  wood: PanelWood,
): BoxPlan {
  const start = startPlan(family, animal, wood);
  const common = Object.fromEntries(
    Object.entries(plan.wood).filter(([role]) => start.wood[role] && !family.startWood),
  );
  const kept = ['fastening', 'finish', 'wide', 'gripBy', 'palletStamp'].filter(
    (id) => plan.schools[id],
  );
  return {
    ...start,
    schools: { ...start.schools, ...Object.fromEntries(kept.map((id) => [id, plan.schools[id]!])) },
    wood: { ...start.wood, ...common },
  };
}
