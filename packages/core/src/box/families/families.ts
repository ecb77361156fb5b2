import type { Animal } from '../../animals/animal.js';
import { bySeverity, type Check } from '../checks.js';
import { completePlan } from '../declare.js';
import type { BuiltBox, Family } from '../family.js';
import type { PanelSet } from '../panel-set.js';
import type { BoxPlan } from '../plan.js';
import { colonyHouse } from './colony/family.js';
import { creviceBat } from './crevice-bat/family.js';
import { logBox } from './log/family.js';
import { openFront } from './open-front/family.js';
import { owlBox } from './owl/family.js';
import { poleBat } from './pole-bat/family.js';
import { ridgeRoofBox } from './ridge-roof/family.js';
import { slantRoof } from './slant-roof/family.js';
import { squareCut } from './square-cut/family.js';
import { tubeEntrance } from './tube-entrance/family.js';

/** Every family that can be built. A new one is a folder beside this file and a name in this list. */
export const FAMILIES: readonly Family[] = [
  slantRoof,
  squareCut,
  openFront,
  ridgeRoofBox,
  owlBox,
  creviceBat,
  poleBat,
  colonyHouse,
  logBox,
  tubeEntrance,
];

export const familyById = (id: string): Family | undefined => FAMILIES.find((family) => family.id === id);

/** Every rule that a box is held against, broken ones first; none for a family that is not known. */
export function checkBox(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] {
  const family = familyById(plan.family);
  return family ? bySeverity(family.checks(completePlan(family, plan), box, animal)) : [];
}

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
  return family.build(completePlan(family, plan));
}
