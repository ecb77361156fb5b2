import { priceOf, type Stock } from '../../job/index.js';
import type { Cents } from '../../measure/index.js';
import type { Demand, DualWeights } from './dual-weights.js';

/** The least total weight of all but `left` copies. */
export function least(
  demands: readonly Demand[],
  weights: readonly number[],
  left: number,
): number {
  const order = demands
    .map((demand, index) => ({ weight: weights[index]!, copies: demand.copies }))
    .sort((a, b) => b.weight - a.weight);
  let spare = left;
  let sum = 0;
  for (const { weight, copies } of order) {
    const skipped = Math.min(spare, copies);
    spare -= skipped;
    sum += weight * (copies - skipped);
  }
  return sum;
}

const MOST_NODES = 20_000;
/** A billionth of the largest board. */
const NOTHING = 1e-9;

/** The cheapest choice of boards that holds every measure's need; with too many choices, the best that was proven on the way. */
export function cheapestCover(
  stock: readonly Stock[],
  measures: readonly DualWeights[],
  needs: readonly number[],
): Cents {
  const price = stock.map(priceOf);
  const fractional = (
    from: number,
    order: readonly number[],
    measure: DualWeights,
    need: number,
  ): number => {
    let rest = need;
    let cost = 0;
    for (const kind of order.slice(from)) {
      if (rest <= NOTHING) break;
      const holds = measure.capacities[kind]!;
      const taken = Math.min(stock[kind]!.quantity, rest / holds);
      rest -= taken * holds;
      cost += taken * price[kind]!;
    }
    return rest > NOTHING ? Number.POSITIVE_INFINITY : cost;
  };
  const byWorth = (measure: DualWeights) =>
    stock
      .map((_kind, index) => index)
      .sort((a, b) => price[a]! / measure.capacities[a]! - price[b]! / measure.capacities[b]!);
  const relaxed = Math.max(
    0,
    ...measures.map((measure, index) => fractional(0, byWorth(measure), measure, needs[index]!)),
  );
  const floor = Math.ceil(relaxed - 1e-6);
  if (!Number.isFinite(relaxed)) return 0;
  const order = byWorth(measures[0]!);
  let best = Number.POSITIVE_INFINITY;
  let nodes = 0;
  const descend = (at: number, cost: number, rest: readonly number[]): void => {
    nodes += 1;
    if (nodes > MOST_NODES || cost >= best) return;
    if (rest.every((need) => need <= NOTHING)) {
      best = cost;
      return;
    }
    if (at === order.length) return;
    if (measures.some((measure, index) => cost + fractionalFree(at, measure, rest[index]!) >= best))
      return;
    const kind = order[at]!;
    const most = Math.min(
      stock[kind]!.quantity,
      Math.ceil(
        Math.max(...rest.map((need, index) => need / measures[index]!.capacities[kind]!)) - 1e-9,
      ),
    );
    for (let taken = Math.max(0, most); taken >= 0; taken -= 1) {
      descend(
        at + 1,
        cost + taken * price[kind]!,
        rest.map((need, index) => need - taken * measures[index]!.capacities[kind]!),
      );
    }
  };
  const fractionalFree = (at: number, measure: DualWeights, need: number): number => {
    const left = order
      .slice(at)
      .sort((a, b) => price[a]! / measure.capacities[a]! - price[b]! / measure.capacities[b]!);
    return fractional(0, left, measure, need) - 1e-6;
  };
  descend(0, 0, needs);
  return nodes > MOST_NODES || !Number.isFinite(best) ? floor : Math.max(floor, best);
}
