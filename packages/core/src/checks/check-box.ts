import type { Animal } from '../animals/index.js';
import type { BuiltBox, PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { plainText } from '../text/index.js';
import type { Check, Kind, Rule } from './check.js';

/** A kind of box as far as it is held against rules. */
export interface Checkable extends Kind {
  build(plan: BoxPlan): BuiltBox;
  rules: readonly Rule[];
}

/** The graver the greater. */
export const GRAVITY = { kept: 0, warn: 1, stop: 2 } as const;

const held = (
  family: Checkable,
  plan: BoxPlan,
  box: PanelSet,
  animals: readonly Animal[],
): Check[] => family.rules.flatMap((rule) => rule({ plan, box, animals, kind: family }));

const isSame = (a: Check, b: Check): boolean => a.id === b.id && a.role === b.role;

/** Whether a remedy gives a box that can be built, in which its rule is broken less, and that is a danger in no other way than before. */
function helps(
  family: Checkable,
  check: Check,
  before: readonly Check[],
  after: BoxPlan,
  animals: readonly Animal[],
): boolean {
  const built = family.build(after);
  if (!built.ok) return false;
  const now = held(family, after, built.box, animals);
  const worse = now.some(
    (each) =>
      each.severity === 'stop' &&
      !before.some((known) => known.severity === 'stop' && isSame(known, each)),
  );
  if (worse) return false;
  const again = now.find((each) => isSame(each, check));
  if (!again || GRAVITY[again.severity] < GRAVITY[check.severity]) return true;
  // A warning that then concerns fewer panels is a step; a stop that stays one is none.
  const changed = plainText(again.text) !== plainText(check.text);
  return check.severity === 'warn' && again.severity === 'warn' && changed;
}

/**
 * Every rule that a box is held against, broken ones first, with those remedies that help.
 *
 * @example checkBox(family, plan, built.box, animalsOf(plan))
 */
export function checkBox(
  family: Checkable,
  plan: BoxPlan,
  box: PanelSet,
  animals: readonly Animal[],
): Check[] {
  const found = held(family, plan, box, animals);
  return [...found]
    .sort((a, b) => GRAVITY[b.severity] - GRAVITY[a.severity])
    .map((check) => ({
      ...check,
      remedies: check.remedies.filter(({ apply }) =>
        helps(family, check, found, apply(plan), animals),
      ),
    }));
}

/** How many rules a box breaks so that it must not be built, and how many so that the maker should think again. */
export function brokenRules(
  family: Checkable,
  plan: BoxPlan,
  box: PanelSet,
  animals: readonly Animal[],
): { stops: number; warnings: number } {
  const checks = held(family, plan, box, animals);
  const count = (severity: Check['severity']) =>
    checks.filter((check) => check.severity === severity).length;
  return { stops: count('stop'), warnings: count('warn') };
}
