import type { Text } from '../text/index.js';

/** Why a plan gives no sound box, at the field that would have to change. */
export interface Refusal {
  field: string;
  message: Text;
}
