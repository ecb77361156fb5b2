import type { Degrees, Ticks } from '../measure/index.js';
import type { Refusal } from '../plan/index.js';
import { ofLength, type Text, text } from '../text/index.js';
import type { PanelSet } from './panel-set.js';

/** A number the program worked out, with its derivation in words. */
export interface Derived {
  id: string;
  label: string;
  value: Ticks | Degrees;
  kind: 'length' | 'angle';
  why: Text;
}

export type BuiltBox =
  | { ok: true; box: PanelSet; derived: readonly Derived[] }
  | { ok: false; refusals: readonly Refusal[] };

/** A length that was worked out: its sum, and what it comes to. */
export const derivedLength = (id: string, label: string, value: Ticks, sum: Text): Derived => ({
  id,
  label,
  kind: 'length',
  value: Math.round(value),
  why: text`${sum} = ${ofLength(value)}.`,
});
