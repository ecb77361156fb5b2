import { sum } from '../lists/index.js';
import { type Part, type Stock, suits } from './job.js';

/**
 * What a yard offers as stock of a job: of each kind one board for every copy of a part that may lie on it, so that it never runs out, or
 * as many as there are to be had. Kinds that no part suits are left away.
 */
export const asManyAsNeeded = (parts: readonly Part[], yard: readonly Stock[]): Stock[] =>
  yard.flatMap((kind) => {
    const copies = sum(parts.filter((part) => suits(part, kind)).map((part) => part.quantity));
    const quantity = Math.min(kind.quantity, copies);
    return quantity > 0 ? [{ ...kind, quantity }] : [];
  });
