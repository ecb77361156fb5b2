import type { Animal } from '../animals/animal.js';
import type { Degrees } from '../measure/angle.js';
import type { Ticks } from '../measure/ticks.js';
import type { Check } from './checks.js';
import type { PanelSet } from './panel-set.js';
import type { BoxPlan, PanelWood } from './plan.js';

/** A size the maker may set. Lengths in ticks, angles in degrees. */
export interface Parameter {
  id: string;
  label: string;
  kind: 'length' | 'angle';
  least: number;
  greatest: number;
  standard: number;
  help: string;
  /** False when a school makes the parameter meaningless; then it is neither shown nor read. */
  applies?: (schools: Readonly<Record<string, string>>) => boolean;
}

/** A question on which makers differ. The first option is the standard one. */
export interface School {
  id: string;
  label: string;
  options: readonly { id: string; label: string; reason: string }[];
  applies?: (schools: Readonly<Record<string, string>>) => boolean;
  /** The option that plans from before the question was asked meant, where it is not the standard one. */
  before?: string;
  /** The view in which the options differ, drawn small beside each; none where it cannot be seen. */
  picture?: 'section' | 'front' | 'plan';
}

export interface PanelRole {
  id: string;
  label: string;
  /** Sticks (battens, posts, strips) take both measures of their cross-section from the wood; the usual ones, thickness × width in millimetres, are common practice, no source. */
  stick?: readonly [thickness: number, width: number];
  /** True for what comes off a log or a sheet of its own and is not laid out on boards. */
  offBoard?: boolean;
  applies?: (schools: Readonly<Record<string, string>>) => boolean;
}

/** Why a plan gives no sound box, at the field that would have to change. */
export interface Refusal {
  field: string;
  message: string;
}

/** A number the program worked out, with its derivation in words. */
export interface Derived {
  id: string;
  label: string;
  value: Ticks | Degrees;
  kind: 'length' | 'angle';
  why: string;
}

export type BuiltBox = { ok: true; box: PanelSet; derived: readonly Derived[] } | { ok: false; refusals: readonly Refusal[] };

/** A size on a drawing: where it is measured, in ticks of box space, and on which side of the view its line stands. */
export interface DrawnDimension {
  /** The parameter that it edits. */
  size: string;
  /** Front: x to the right, z up. Section: y to the right, z up. */
  view: 'front' | 'section';
  /** Below and above measure across; left and right measure upwards; a leader points at a height. */
  side: 'below' | 'above' | 'left' | 'right' | 'leader';
  from: number;
  to: number;
  /** Where the thing measured is, square to the measure: its witness lines begin there. */
  start: number;
}

/** A box family: a short declaration on the solid kernel. */
export interface Family {
  id: string;
  name: string;
  summary: string;
  /** Words for the handbook: what it is for and what to mind. */
  about: string;
  parameters: readonly Parameter[];
  schools: readonly School[];
  roles: readonly PanelRole[];
  /** What to know before opening, hanging or building one, said where it matters. */
  cautions: readonly string[];
  build(plan: BoxPlan): BuiltBox;
  /** Sizes to edit on the drawings. */
  dimensions(plan: BoxPlan, box: PanelSet): DrawnDimension[];
  /** The rules that the box is held against, in no order. `animal` may be unknown. */
  checks(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[];
  /** Sizes, angles and schools that suit an animal. */
  suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'>;
  /** The wood to begin with where boards' widths matter to the family; otherwise every panel begins with the same. */
  startWood?(animal: Animal, wood: Readonly<Record<string, PanelWood>>): Readonly<Record<string, PanelWood>>;
  /** Roles that come from one kind of board, when the family has more to say than body, roof and sticks. */
  woodFrom?(plan: BoxPlan, boards: readonly PanelWood[]): Readonly<Record<string, PanelWood>> | null;
}
