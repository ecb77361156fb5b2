import type { Animal } from '../animals/index.js';
import { bySeverity, type Check, GRAVITY } from '../checks/index.js';
import type { BuiltBox, PanelSet } from '../panels/index.js';
import { type BoxPlan, completePlan } from '../plan/index.js';
import { colonyHouse } from './colony/family.js';
import { creviceBat } from './crevice-bat/family.js';
import type { Family } from './family.js';
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

export const familyById = (id: string): Family | undefined =>
  FAMILIES.find((family) => family.id === id);

/** Whether a remedy gives a box that can be built, in which its rule is broken no worse than before. */
function helps(family: Family, check: Check, after: BoxPlan, animal: Animal | undefined): boolean {
  const plan = completePlan(family, after);
  const built = family.build(plan);
  if (!built.ok) return false;
  const again = family
    .checks(plan, built.box, animal)
    .find(({ id, role }) => id === check.id && role === check.role);
  if (!again || GRAVITY[again.severity] < GRAVITY[check.severity]) return true;
  // A warning that then concerns fewer panels is a step; a stop that stays one is none.
  return check.severity === 'warn' && again.severity === 'warn' && again.text !== check.text;
}

/** How many rules a box breaks so that it must not be built, and how many so that the maker should think again. */
export function brokenRules(
  plan: BoxPlan,
  box: PanelSet,
  animal: Animal | undefined,
): { stops: number; warnings: number } {
  const family = familyById(plan.family);
  const checks = family ? family.checks(completePlan(family, plan), box, animal) : [];
  const count = (severity: Check['severity']) =>
    checks.filter((check) => check.severity === severity).length;
  return { stops: count('stop'), warnings: count('warn') };
}

/** Every rule that a box is held against, broken ones first, with those remedies that help; none for a family that is not known. */
export function checkBox(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] {
  const family = familyById(plan.family);
  if (!family) return [];
  const complete = completePlan(family, plan);
  return bySeverity(family.checks(complete, box, animal)).map((check) =>
    check.remedies.length === 0
      ? check
      : {
          ...check,
          remedies: check.remedies.filter(({ apply }) =>
            helps(family, check, apply(complete), animal),
          ),
        },
  );
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
