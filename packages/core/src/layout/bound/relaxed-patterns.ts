import { at, entry } from '../../lists/index.js';
import type { DualWeights } from './dual-weights.js';

/** How many copies of each part lie on one board, by part index. */
export type Counts = readonly number[];

export interface RelaxedBest {
  counts: Counts;
  value: number;
  /** No pattern is worth more than this, whether or not the search was cut short. */
  most: number;
}

const MOST_NODES = 60_000;
const NOTHING = 1e-9;

/** How many copies of a part fit into what is left of every measure; `free` where none of them weighs it. */
const roomFor = (
  part: number,
  measures: readonly DualWeights[],
  rest: readonly number[],
  free: number,
): number =>
  Math.min(
    ...measures.map(({ weights }, index) => {
      const weight = at(weights, part);
      return weight <= NOTHING ? free : Math.floor(at(rest, index) / weight + 1e-7);
    }),
  );

const without = (
  rest: readonly number[],
  measures: readonly DualWeights[],
  part: number,
  count: number,
): number[] => rest.map((room, index) => room - count * at(at(measures, index).weights, part));

/** A knapsack with as many constraints as measures, searched by branch and bound. */
class Knapsack {
  best: number[];
  bestValue = 0;
  /** The greatest promise that was left open when the nodes were used up. */
  open = 0;
  private nodes = 0;
  private readonly order: readonly number[];
  private readonly position: ReadonlyMap<number, number>;
  /** The same parts by worth for their weight in each measure. */
  private readonly sorted: readonly (readonly number[])[];
  private readonly current: number[];

  constructor(
    private readonly values: Counts,
    private readonly copies: Counts,
    private readonly measures: readonly DualWeights[],
    capacity: readonly number[],
  ) {
    this.best = values.map(() => 0);
    this.current = values.map(() => 0);
    const fits = (part: number) =>
      measures.every(({ weights }, index) => at(weights, part) <= at(capacity, index) + NOTHING);
    const load = (part: number) =>
      Math.max(
        NOTHING,
        ...measures.map(
          ({ weights }, index) => at(weights, part) / Math.max(NOTHING, at(capacity, index)),
        ),
      );
    this.order = values
      .map((_value, part) => part)
      .filter((part) => at(values, part) > NOTHING && at(copies, part) > 0 && fits(part))
      // Dearest for the room it takes in its scarcest measure first.
      .sort((a, b) => at(values, b) / load(b) - at(values, a) / load(a));
    this.position = new Map(this.order.map((part, index) => [part, index]));
    this.sorted = measures.map(({ weights }) => {
      const worth = (part: number) => at(values, part) / Math.max(NOTHING, at(weights, part));
      return [...this.order].sort((a, b) => worth(b) - worth(a));
    });
  }

  /** Value that the parts from `depth` on can add at most, filled by fractions in each measure alone. */
  private bound(depth: number, rest: readonly number[]): number {
    return Math.min(
      ...this.measures.map((measure, index) =>
        this.fractional(depth, measure, at(this.sorted, index), at(rest, index)),
      ),
    );
  }

  private fractional(
    depth: number,
    { weights }: DualWeights,
    parts: readonly number[],
    capacity: number,
  ): number {
    let room = capacity;
    let sum = 0;
    for (const part of parts) {
      if (entry(this.position, part) < depth) continue;
      const weight = at(weights, part);
      const copies = at(this.copies, part);
      const taken = weight <= NOTHING ? copies : Math.min(copies, room / weight);
      sum += at(this.values, part) * taken;
      if (weight <= NOTHING) continue;
      room -= taken * weight;
      if (room <= NOTHING) break;
    }
    return sum;
  }

  /** Tries every count of the part at `depth`, the greatest first, and goes on to the next part. */
  descend(depth: number, value: number, rest: readonly number[]): void {
    this.nodes += 1;
    if (value > this.bestValue + NOTHING) {
      this.bestValue = value;
      this.best = [...this.current];
    }
    const part = this.order[depth];
    if (part === undefined) return;
    const promise = value + this.bound(depth, rest);
    if (promise <= this.bestValue + NOTHING) return;
    if (this.nodes > MOST_NODES) {
      this.open = Math.max(this.open, promise);
      return;
    }
    const copies = at(this.copies, part);
    const most = Math.min(copies, roomFor(part, this.measures, rest, copies));
    for (let count = most; count >= 0; count -= 1) {
      this.current[part] = count;
      this.descend(
        depth + 1,
        value + count * at(this.values, part),
        without(rest, this.measures, part, count),
      );
    }
    this.current[part] = 0;
  }
}

/**
 * The most valuable set of copies that every measure allows on one board. What lies on a board is never worth more, whatever its shape,
 * so the result prices a relaxation of the real patterns. `values` per copy, `copies` at most so many, `capacity` of the board in each
 * measure.
 */
export function bestRelaxed(
  values: Counts,
  copies: Counts,
  measures: readonly DualWeights[],
  capacity: readonly number[],
): RelaxedBest {
  const knapsack = new Knapsack(values, copies, measures, capacity);
  knapsack.descend(0, 0, capacity);
  const { best, bestValue, open } = knapsack;
  return { counts: best, value: bestValue, most: Math.max(bestValue, open) };
}

/**
 * Every pattern that every measure allows and to which no copy can be added; null when there are more than `most`. What is left out
 * of a maximal pattern is free, so these are all that a covering programme needs.
 */
export function maximalPatterns(
  copies: Counts,
  measures: readonly DualWeights[],
  capacity: readonly number[],
  most: number,
): Counts[] | null {
  const parts = copies.map((_count, part) => part).filter((part) => at(copies, part) > 0);
  const room = (rest: readonly number[], part: number) =>
    roomFor(part, measures, rest, Number.POSITIVE_INFINITY);
  const found: Counts[] = [];
  const current = new Array<number>(copies.length).fill(0);
  let nodes = 0;
  const descend = (where: number, rest: readonly number[]): boolean => {
    nodes += 1;
    if (nodes > 40 * most) return false;
    if (where === parts.length) {
      // Maximal when no part, also of those decided before, still fits.
      if (parts.every((part) => at(current, part) >= at(copies, part) || room(rest, part) < 1))
        found.push([...current]);
      return found.length <= most;
    }
    const part = at(parts, where);
    const fits = Math.min(at(copies, part), room(rest, part));
    // The last part takes all that fits: less would not be maximal.
    for (let count = fits; count >= (where === parts.length - 1 ? fits : 0); count -= 1) {
      current[part] = count;
      const ok = descend(
        where + 1,
        rest.map((space, index) => space - count * at(at(measures, index).weights, part)),
      );
      if (!ok) return false;
    }
    current[part] = 0;
    return true;
  };
  return descend(0, capacity) ? found : null;
}
