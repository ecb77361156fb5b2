import type { Animal } from '../../animals/animal.js';
import { bySeverity, type Check } from '../checks.js';
import type { BuiltBox, Family } from '../family.js';
import type { PanelSet } from '../panel-set.js';
import type { BoxPlan } from '../plan.js';
import { creviceBat } from './crevice-bat/family.js';
import { openFront } from './open-front/family.js';
import { slantRoof } from './slant-roof/family.js';

/** Every family that can be built. A new one is a folder beside this file and a name in this list. */
export const FAMILIES: readonly Family[] = [slantRoof, openFront, creviceBat];

export const familyById = (id: string): Family | undefined => FAMILIES.find((family) => family.id === id);

/** Every rule that a box is held against, broken ones first; none for a family that is not known. */
export const checkBox = (plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] =>
  bySeverity(familyById(plan.family)?.checks(plan, box, animal) ?? []);

/** From plan to panel set. Refusals name the field that would have to change. */
export function buildBox(plan: BoxPlan): BuiltBox {
  const family = familyById(plan.family);
  if (!family) {
    return {
      ok: false,
      refusals: [
        {
          field: 'family',
          message: `The family “${plan.family}” is not known; known are ${FAMILIES.map((known) => known.id).join(', ')}.`,
        },
      ],
    };
  }
  return family.build(plan);
}
