import type { Degrees, Ticks } from '../measure/index.js';
import type { Refusal } from '../plan/index.js';
import type { PanelSet } from './panel-set.js';

/** A number the program worked out, with its derivation in words. */
export interface Derived {
  id: string;
  label: string;
  value: Ticks | Degrees;
  kind: 'length' | 'angle';
  why: string;
}

export type BuiltBox =
  | { ok: true; box: PanelSet; derived: readonly Derived[] }
  | { ok: false; refusals: readonly Refusal[] };
