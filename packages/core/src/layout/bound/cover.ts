import { priceOf, type Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import type { Demand, DualWeights } from './weights.js';

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

/** Depth-first search over how many boards of each kind to take. */
class CoverSearch {
  /** What the cheapest choice found costs. */
  best = Number.POSITIVE_INFINITY;
  private nodes = 0;
  private readonly price: readonly Cents[];
  private readonly order: readonly number[];
  /** Where each kind stands in that order. */
  private readonly depthOf: Int32Array;
  /** Kinds by what they cost for what they hold, by measure. */
  private readonly sorted: readonly (readonly number[])[];

  constructor(
    private readonly stock: readonly Stock[],
    private readonly measures: readonly DualWeights[],
  ) {
    this.price = stock.map(priceOf);
    this.sorted = measures.map((measure) => this.byWorth(measure));
    this.order = at(this.sorted, 0);
    this.depthOf = new Int32Array(stock.length);
    this.order.forEach((kind, depth) => {
      this.depthOf[kind] = depth;
    });
  }

  get isComplete(): boolean {
    return this.nodes <= MOST_NODES;
  }

  /** Kinds of boards, those first that cost least for what they hold in a measure. */
  private byWorth({ capacities }: DualWeights): number[] {
    const cost = (kind: number) => at(this.price, kind) / at(capacities, kind);
    return this.stock.map((_kind, index) => index).sort((a, b) => cost(a) - cost(b));
  }

  /** What holding a need costs at least, of the kinds from a depth on, when boards may be taken in parts; infinite where all of them do not hold it. */
  fractional(depth: number, index: number, need: number): number {
    const measure = at(this.measures, index);
    let rest = need;
    let cost = 0;
    for (const kind of at(this.sorted, index)) {
      if (rest <= NOTHING) break;
      if (at(this.depthOf, kind) < depth) continue;
      const holds = at(measure.capacities, kind);
      const taken = Math.min(at(this.stock, kind).quantity, rest / holds);
      rest -= taken * holds;
      cost += taken * at(this.price, kind);
    }
    return rest > NOTHING ? Number.POSITIVE_INFINITY : cost;
  }

  /** Tries every number of the kind at `depth`, the greatest first, and goes on to the next kind. */
  descend(depth: number, cost: number, rest: readonly number[]): void {
    this.nodes += 1;
    if (!this.isComplete || cost >= this.best) return;
    if (rest.every((need) => need <= NOTHING)) {
      this.best = cost;
      return;
    }
    const kind = this.order[depth];
    if (kind === undefined || this.isHopeless(depth, cost, rest)) return;
    const holds = this.measures.map((measure) => at(measure.capacities, kind));
    const wanted = Math.max(...rest.map((need, index) => need / at(holds, index)));
    const most = Math.min(at(this.stock, kind).quantity, Math.ceil(wanted - 1e-9));
    for (let taken = Math.max(0, most); taken >= 0; taken -= 1)
      this.descend(
        depth + 1,
        cost + taken * at(this.price, kind),
        rest.map((need, index) => need - taken * at(holds, index)),
      );
  }

  private isHopeless(depth: number, cost: number, rest: readonly number[]): boolean {
    return this.measures.some(
      (_measure, index) =>
        cost + this.fractional(depth, index, at(rest, index)) - 1e-6 >= this.best,
    );
  }
}

/** The cheapest choice of boards that holds every measure's need; with too many choices, the best that was proven on the way. */
export function cheapestCover(
  stock: readonly Stock[],
  measures: readonly DualWeights[],
  needs: readonly number[],
): Cents {
  const search = new CoverSearch(stock, measures);
  const relaxed = Math.max(
    0,
    ...measures.map((_measure, index) => search.fractional(0, index, at(needs, index))),
  );
  if (!Number.isFinite(relaxed)) return 0;
  const floor = Math.ceil(relaxed - 1e-6);
  search.descend(0, 0, needs);
  return search.isComplete && Number.isFinite(search.best) ? Math.max(floor, search.best) : floor;
}
