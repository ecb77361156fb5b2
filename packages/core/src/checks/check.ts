import { type Animal, type Range, spokenName } from '../animals/index.js';
import { type Evidence, fromMm, type Ticks } from '../measure/index.js';
import type { PanelSet } from '../panels/index.js';
import type { BoxPlan, PanelRole, PanelWood } from '../plan/index.js';
import { ofLength, type Text, text } from '../text/index.js';

/** One press that mends a broken rule. */
export interface Remedy {
  label: string;
  apply(plan: BoxPlan): BoxPlan;
}

/** A rule held against a box. */
export interface Check {
  id: string;
  /** stop: do not build it; warn: think again; kept: fine. */
  severity: 'stop' | 'warn' | 'kept';
  /** The panel it concerns, if one. */
  role: string | null;
  text: Text;
  evidence: Evidence;
  source: string;
  remedies: readonly Remedy[];
  /** What the maker may answer in words where no remedy fits. */
  ask?: { prompt: string; answer(plan: BoxPlan, text: string): BoxPlan };
}

/** What a rule may know of the kind of box. */
export interface Kind {
  guests: 'birds' | 'bats';
  roles: readonly PanelRole[];
}

/** What a rule is held against. `animals` are those the box is for, as far as they are known. */
export interface Held<P = BoxPlan> {
  plan: P;
  box: PanelSet;
  animals: readonly Animal[];
  kind: Kind;
}

/** One rule: what it finds in a box, one check for each thing it looks at. */
export type Rule<P = BoxPlan> = (held: Held<P>) => Check[];

export const COMMON = { evidence: 'C', source: 'common practice, no source' } as const;

/** Rounding between inch and millimetre editions of one figure. */
export const LEEWAY_MM = 0.6;

export const within = (mm: number, [min, max]: Range): boolean =>
  mm >= min - LEEWAY_MM && mm <= max + LEEWAY_MM;

export const ofMm = (mm: number) => ofLength(fromMm(mm));

export const ofRange = ([min, max]: Range): Text =>
  min === max ? text`${ofMm(min)}` : text`${ofMm(min)} to ${ofMm(max)}`;

export const setSize =
  (id: string, value: Ticks) =>
  (plan: BoxPlan): BoxPlan => ({ ...plan, sizes: { ...plan.sizes, [id]: value } });

export const setChoice =
  (id: string, option: string) =>
  (plan: BoxPlan): BoxPlan => ({ ...plan, choices: { ...plan.choices, [id]: option } });

/** A rule of which an animal has its own figures: once for each it is for, later ones named beside the rule. */
export const forEachAnimal =
  <P>(rule: (held: Held<P>, animal: Animal) => Check[]): Rule<P> =>
  (held) =>
    held.animals.flatMap((animal, index) =>
      rule(held, animal).map((check) => ({
        ...check,
        ...(index > 0 && { id: `${check.id}/${animal.id}` }),
        // Of several animals each sentence says whom it speaks of.
        ...(held.animals.length > 1 && { text: text`For ${spokenName(animal)}: ${check.text}` }),
      })),
    );

/** The plan with something changed in the wood of some roles. */
export const setWood =
  (roles: readonly string[], change: (wood: PanelWood) => PanelWood) =>
  (plan: BoxPlan): BoxPlan => ({
    ...plan,
    wood: Object.fromEntries(
      Object.entries(plan.wood).map(([role, wood]) => [
        role,
        roles.includes(role) ? change(wood) : wood,
      ]),
    ),
  });
