import { plainText, type Text } from '../text/index.js';
import type { Refusal } from './refusal.js';

/** Thrown where a box turns out impossible while it is being cut; becomes a refusal at the field that would have to change. */
export class PlanFault extends Error {
  readonly code = 'plan-fault';
  readonly refusal: Refusal;

  constructor(field: string, message: Text) {
    super(plainText(message));
    this.refusal = { field, message };
  }
}
