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
        at(values, part) > NOTHING &&
        at(copies, part) > 0 &&
        measures.every(
          (measure, index) => at(measure.weights, part) <= at(capacity, index) + NOTHING,
        ),
    )
    // Dearest for the room it takes in its scarcest measure first.
    .sort((a, b) => at(values, b) / load(b) - at(values, a) / load(a));
  function load(part: number): number {
    return Math.max(
      NOTHING,
      ...measures.map(
        (measure, index) => at(measure.weights, part) / Math.max(NOTHING, at(capacity, index)),
      ),
    );
  }
  const sorted = measures.map((measure) =>
    [...order].sort(
      (a, b) =>
        at(values, b) / Math.max(NOTHING, at(measure.weights, b)) -
        at(values, a) / Math.max(NOTHING, at(measure.weights, a)),
    ),
  );
  const position = new Map(order.map((part, index) => [part, index]));
  /** Value that the parts from `from` on can add at most, filled by fractions in each measure alone. */
  const bound = (from: number, rest: readonly number[]): number => {
    let least = Number.POSITIVE_INFINITY;
    for (const [index, measure] of measures.entries()) {
      let room = at(rest, index);
      let sum = 0;
      for (const part of at(sorted, index)) {
        if (entry(position, part) < from) continue;
        const weight = at(measure.weights, part);
        if (weight <= NOTHING) {
          sum += at(values, part) * at(copies, part);
          continue;
        }
        const taken = Math.min(at(copies, part), room / weight);
        sum += at(values, part) * taken;
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
  const descend = (where: number, value: number, rest: readonly number[]): void => {
    nodes += 1;
    if (value > bestValue + NOTHING) {
      bestValue = value;
      best = [...current];
    }
    if (where === order.length) return;
    const promise = value + bound(where, rest);
    if (promise <= bestValue + NOTHING) return;
    if (nodes > MOST_NODES) {
      open = Math.max(open, promise);
      return;
    }
    const part = at(order, where);
    const fits = Math.min(
      at(copies, part),
      ...measures.map((measure, index) =>
        at(measure.weights, part) <= NOTHING
          ? at(copies, part)
          : Math.floor(at(rest, index) / at(measure.weights, part) + 1e-7),
      ),
    );
    for (let count = fits; count >= 0; count -= 1) {
      current[part] = count;
      descend(
        where + 1,
        value + count * at(values, part),
        rest.map((room, index) => room - count * at(at(measures, index).weights, part)),
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
  const parts = copies.map((_count, part) => part).filter((part) => at(copies, part) > 0);
  const room = (rest: readonly number[], part: number) =>
    Math.min(
      ...measures.map((measure, index) =>
        at(measure.weights, part) <= NOTHING
          ? Number.POSITIVE_INFINITY
          : Math.floor(at(rest, index) / at(measure.weights, part) + 1e-7),
      ),
    );
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
