import type { Animal } from '../animals/animal.js';
import type { Family } from './family.js';
import type { BoxPlan, PanelWood } from './plan.js';

/** A first plan for an animal, every panel from the same wood until the maker chooses. */
export function startPlan(family: Family, animal: Animal, wood: PanelWood): BoxPlan {
  return {
    family: family.id,
    animal: animal.id,
    ...family.suit(animal),
    wood: Object.fromEntries(family.roles.map((role) => [role.id, wood])),
  };
}
