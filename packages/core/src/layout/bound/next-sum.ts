import { priceOf, type Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';

const MOST_SUMS = 2_000_000;

/** How many boards there are of each price; those that cost nothing are left out. */
function boardsByPrice(stock: readonly Stock[]): Map<Cents, number> {
  const boards = new Map<Cents, number>();
  for (const kind of stock) {
    const price = priceOf(kind);
    if (price > 0) boards.set(price, (boards.get(price) ?? 0) + kind.quantity);
  }
  return boards;
}

/** Marks the sums that are reached with up to `quantity` more boards of a price. */
function reachFurther(reached: Uint8Array, price: Cents, quantity: number): void {
  // Fewest boards of this price by which each sum is reached; −1 where it is not.
  const used = new Int32Array(reached.length).fill(-1);
  for (let sum = 0; sum < reached.length; sum += 1) {
    const before = sum >= price ? at(used, sum - price) : -1;
    if (reached[sum]) used[sum] = 0;
    else if (before >= 0 && before < quantity) used[sum] = before + 1;
  }
  for (const [sum, boards] of used.entries()) if (boards >= 0) reached[sum] = 1;
}

/** The least sum of board prices, each board taken at most as often as there are, that is no less than `lowest`. */
export function nextSum(lowest: Cents, stock: readonly Stock[]): Cents {
  const boards = boardsByPrice(stock);
  const limit = lowest + Math.max(0, ...boards.keys());
  if (lowest <= 0 || boards.size === 0 || limit > MOST_SUMS) return Math.max(0, lowest);
  const reached = new Uint8Array(limit + 1);
  reached[0] = 1;
  for (const [price, quantity] of boards) reachFurther(reached, price, quantity);
  const found = reached.indexOf(1, lowest);
  return found < 0 ? lowest : found;
}
