import { priceOf, type Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';

const MOST_SUMS = 2_000_000;

/** The least sum of board prices, each board taken at most as often as there are, that is no less than `lowest`. */
export function nextSum(lowest: Cents, stock: readonly Stock[]): Cents {
  const prices = new Map<Cents, number>();
  for (const kind of stock)
    if (priceOf(kind) > 0)
      prices.set(priceOf(kind), (prices.get(priceOf(kind)) ?? 0) + kind.quantity);
  const limit = lowest + Math.max(0, ...prices.keys());
  if (lowest <= 0 || prices.size === 0 || limit > MOST_SUMS) return Math.max(0, lowest);
  const reached = new Uint8Array(limit + 1);
  reached[0] = 1;
  for (const [price, quantity] of prices) {
    // Fewest boards of this price by which each sum is reached; −1 where it is not.
    const used = new Int32Array(limit + 1).fill(-1);
    for (let sum = 0; sum <= limit; sum += 1) {
      if (reached[sum]) used[sum] = 0;
      else if (sum >= price && at(used, sum - price) >= 0 && at(used, sum - price) < quantity)
        used[sum] = at(used, sum - price) + 1;
    }
    for (let sum = 0; sum <= limit; sum += 1) if (at(used, sum) >= 0) reached[sum] = 1;
  }
  for (let sum = lowest; sum <= limit; sum += 1) if (reached[sum]) return sum;
  return lowest;
}
