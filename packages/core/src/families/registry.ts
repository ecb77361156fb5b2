import { type Animal, animalById } from '../animals/index.js';
import {
  brokenRules as brokenRulesOf,
  type Check,
  checkBox as holdAgainstRules,
} from '../checks/index.js';
import type { BuiltBox, PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { text } from '../text/index.js';
import type { Family } from './family.js';
import { FAMILIES } from './list.js';

export const familyById = (id: string): Family | undefined =>
  FAMILIES.find((family) => family.id === id);

/** The animals that a plan is for, as far as they are known. */
export const animalsOf = ({ animals }: Pick<BoxPlan, 'animals'>): readonly Animal[] =>
  animals.flatMap((id) => animalById(id) ?? []);

/**
 * From plan to panel set. Refusals name the field that would have to change; nothing is thrown and nothing put right in silence.
 *
 * @example const built = buildBox(plan); if (built.ok) built.box.panels
 */
export function buildBox(plan: BoxPlan): BuiltBox {
  const family = familyById(plan.family);
  if (family) return family.build(plan);
  const known = FAMILIES.map(({ id }) => id).join(', ');
  const message = text`The family “${plan.family}” is not known; known are ${known}.`;
  return { ok: false, refusals: [{ field: 'family', message }] };
}

/** Every rule that a box is held against, broken ones first; none for a family that is not known. */
export function checkBox(plan: BoxPlan, box: PanelSet): Check[] {
  const family = familyById(plan.family);
  return family ? holdAgainstRules(family, plan, box, animalsOf(plan)) : [];
}

/** How many rules a box breaks so that it must not be built, and how many so that the maker should think again. */
export function brokenRules(plan: BoxPlan, box: PanelSet): { stops: number; warnings: number } {
  const family = familyById(plan.family);
  return family ? brokenRulesOf(family, plan, box, animalsOf(plan)) : { stops: 0, warnings: 0 };
}
