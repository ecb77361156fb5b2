import type { Animal } from '../animals/index.js';
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

/** What a plan of one kind of box may say, and what it says to begin with. */
export interface PlanDeclaration {
  id: string;
  parameters: readonly Parameter[];
  schools: readonly School[];
  roles: readonly PanelRole[];
  /** Sizes, angles and schools that suit an animal. */
  suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'>;
  /** The wood to begin with where boards' widths matter to the family; otherwise every panel begins with the same. */
  startWood?(
    animal: Animal,
    wood: Readonly<Record<string, PanelWood>>,
  ): Readonly<Record<string, PanelWood>>;
}
