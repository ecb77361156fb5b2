import type { Animal } from '../animals/animal.js';
import type { Degrees } from '../measure/angle.js';
import type { Ticks } from '../measure/ticks.js';
import type { PanelSet } from './panel-set.js';
import type { BoxPlan } from './plan.js';

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
}

export interface PanelRole {
  id: string;
  label: string;
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

/** A box family: a short declaration on the solid kernel. */
export interface Family {
  id: string;
  name: string;
  summary: string;
  parameters: readonly Parameter[];
  schools: readonly School[];
  roles: readonly PanelRole[];
  build(plan: BoxPlan): BuiltBox;
  /** Sizes, angles and schools that suit an animal. */
  suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'>;
}
