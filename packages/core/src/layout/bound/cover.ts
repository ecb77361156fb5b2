import { priceOf, type Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import type { Demand, DualWeights } from './dual-weights.js';

/** The least total weight of all but `left` copies. */
export function least(
  demands: readonly Demand[],
  weights: readonly number[],
  left: number,
): number {
  const order = demands
    .map((demand, index) => ({ weight: at(weights, index), copies: demand.copies }))
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
      const holds = at(measure.capacities, kind);
      const taken = Math.min(at(stock, kind).quantity, rest / holds);
      rest -= taken * holds;
      cost += taken * at(price, kind);
    }
    return rest > NOTHING ? Number.POSITIVE_INFINITY : cost;
  };
  const byWorth = (measure: DualWeights) =>
    stock
      .map((_kind, index) => index)
      .sort(
        (a, b) =>
          at(price, a) / at(measure.capacities, a) - at(price, b) / at(measure.capacities, b),
      );
  const relaxed = Math.max(
    0,
    ...measures.map((measure, index) => fractional(0, byWorth(measure), measure, at(needs, index))),
  );
  const floor = Math.ceil(relaxed - 1e-6);
  if (!Number.isFinite(relaxed)) return 0;
  const order = byWorth(at(measures, 0));
  let best = Number.POSITIVE_INFINITY;
  let nodes = 0;
  const descend = (where: number, cost: number, rest: readonly number[]): void => {
    nodes += 1;
    if (nodes > MOST_NODES || cost >= best) return;
    if (rest.every((need) => need <= NOTHING)) {
      best = cost;
      return;
    }
    if (where === order.length) return;
    if (
      measures.some(
        (measure, index) => cost + fractionalFree(where, measure, at(rest, index)) >= best,
      )
    )
      return;
    const kind = at(order, where);
    const most = Math.min(
      at(stock, kind).quantity,
      Math.ceil(
        Math.max(...rest.map((need, index) => need / at(at(measures, index).capacities, kind))) -
          1e-9,
      ),
    );
    for (let taken = Math.max(0, most); taken >= 0; taken -= 1) {
      descend(
        where + 1,
        cost + taken * at(price, kind),
        rest.map((need, index) => need - taken * at(at(measures, index).capacities, kind)),
      );
    }
  };
  const fractionalFree = (index: number, measure: DualWeights, need: number): number => {
    const left = order
      .slice(index)
      .sort(
        (a, b) =>
          at(price, a) / at(measure.capacities, a) - at(price, b) / at(measure.capacities, b),
      );
    return fractional(0, left, measure, need) - 1e-6;
  };
  descend(0, 0, needs);
  return nodes > MOST_NODES || !Number.isFinite(best) ? floor : Math.max(floor, best);
}
