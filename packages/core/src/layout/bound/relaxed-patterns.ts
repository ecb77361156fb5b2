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

/**
 * The most valuable set of copies that every measure allows on one board: a knapsack with as many constraints as measures, searched
 * by branch and bound. What lies on a board is never worth more, whatever its shape, so the result prices a relaxation of the real
 * patterns. `values` per copy, `copies` at most so many, `capacity` of the board in each measure.
 */
export function bestRelaxed(
  values: Counts,
  copies: Counts,
  measures: readonly DualWeights[],
  capacity: readonly number[],
): RelaxedBest {
  const n = values.length;
  const order = values
    .map((_value, part) => part)
    .filter(
      (part) =>
        values[part]! > NOTHING &&
        copies[part]! > 0 &&
        measures.every((measure, index) => measure.weights[part]! <= capacity[index]! + NOTHING),
    )
    // Dearest for the room it takes in its scarcest measure first.
    .sort((a, b) => values[b]! / load(b) - values[a]! / load(a));
  function load(part: number): number {
    return Math.max(
      NOTHING,
      ...measures.map(
        (measure, index) => measure.weights[part]! / Math.max(NOTHING, capacity[index]!),
      ),
    );
  }
  const sorted = measures.map((measure) =>
    [...order].sort(
      (a, b) =>
        values[b]! / Math.max(NOTHING, measure.weights[b]!) -
        values[a]! / Math.max(NOTHING, measure.weights[a]!),
    ),
  );
  const position = new Map(order.map((part, index) => [part, index]));
  /** Value that the parts from `from` on can add at most, filled by fractions in each measure alone. */
  const bound = (from: number, rest: readonly number[]): number => {
    let least = Number.POSITIVE_INFINITY;
    for (const [index, measure] of measures.entries()) {
      let room = rest[index]!;
      let sum = 0;
      for (const part of sorted[index]!) {
        if (position.get(part)! < from) continue;
        const weight = measure.weights[part]!;
        if (weight <= NOTHING) {
          sum += values[part]! * copies[part]!;
          continue;
        }
        const taken = Math.min(copies[part]!, room / weight);
        sum += values[part]! * taken;
        room -= taken * weight;
        if (room <= NOTHING) break;
      }
      least = Math.min(least, sum);
    }
    return least;
  };
  let best: number[] = new Array<number>(n).fill(0);
  let bestValue = 0;
  let nodes = 0;
  let open = 0;
  const current = new Array<number>(n).fill(0);
  const descend = (at: number, value: number, rest: readonly number[]): void => {
    nodes += 1;
    if (value > bestValue + NOTHING) {
      bestValue = value;
      best = [...current];
    }
    if (at === order.length) return;
    const promise = value + bound(at, rest);
    if (promise <= bestValue + NOTHING) return;
    if (nodes > MOST_NODES) {
      open = Math.max(open, promise);
      return;
    }
    const part = order[at]!;
    const fits = Math.min(
      copies[part]!,
      ...measures.map((measure, index) =>
        measure.weights[part]! <= NOTHING
          ? copies[part]!
          : Math.floor(rest[index]! / measure.weights[part]! + 1e-7),
      ),
    );
    for (let count = fits; count >= 0; count -= 1) {
      current[part] = count;
      descend(
        at + 1,
        value + count * values[part]!,
        rest.map((room, index) => room - count * measures[index]!.weights[part]!),
      );
    }
    current[part] = 0;
  };
  descend(0, 0, capacity);
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
  const parts = copies.map((_count, part) => part).filter((part) => copies[part]! > 0);
  const room = (rest: readonly number[], part: number) =>
    Math.min(
      ...measures.map((measure, index) =>
        measure.weights[part]! <= NOTHING
          ? Number.POSITIVE_INFINITY
          : Math.floor(rest[index]! / measure.weights[part]! + 1e-7),
      ),
    );
  const found: Counts[] = [];
  const current = new Array<number>(copies.length).fill(0);
  let nodes = 0;
  const descend = (at: number, rest: readonly number[]): boolean => {
    nodes += 1;
    if (nodes > 40 * most) return false;
    if (at === parts.length) {
      // Maximal when no part, also of those decided before, still fits.
      if (parts.every((part) => current[part]! >= copies[part]! || room(rest, part) < 1))
        found.push([...current]);
      return found.length <= most;
    }
    const part = parts[at]!;
    const fits = Math.min(copies[part]!, room(rest, part));
    // The last part takes all that fits: less would not be maximal.
    for (let count = fits; count >= (at === parts.length - 1 ? fits : 0); count -= 1) {
      current[part] = count;
      const ok = descend(
        at + 1,
        rest.map((space, index) => space - count * measures[index]!.weights[part]!),
      );
      if (!ok) return false;
    }
    current[part] = 0;
    return true;
  };
  return descend(0, capacity) ? found : null;
}
