import { at } from '../../lists/index.js';
import type { DualWeights } from './weights.js';

/** What one board holds: as much as its capacity in each measure, and nothing that is known not to lie on it. */
export interface Holding {
  measures: readonly DualWeights[];
  capacity: readonly number[];
  /** Never true of more where it is false of less. */
  allows: (counts: Counts) => boolean;
}

/** How many copies of each part lie on one board, by part index. */
export type Counts = readonly number[];

export interface RelaxedBest {
  counts: Counts;
  value: number;
  /** No pattern is worth more than this, whether or not the search was cut short. */
  most: number;
}

/** What copies are worth together, at values of the parts. */
export const worth = (counts: Counts, values: readonly number[]): number => {
  let total = 0;
  for (let part = 0; part < counts.length; part += 1)
    total += (counts[part] as number) * (values[part] as number);
  return total;
};

const MOST_NODES = 60_000;
const NOTHING = 1e-9;

/** Nodes of a list for each pattern that it may have: what takes longer is not listed. */
const NODES_FOR_EACH = 16;
/** Patterns that a list seems to come to, for those that it may have, at which it is given up early. */
const HOPELESS = 5;

/**
 * A knapsack with as many constraints as measures, searched by branch and bound. Its numbers stand in flat arrays, a row for each depth
 * or measure: it is asked some thousand times in a search.
 */
class Knapsack {
  readonly best: number[];
  bestValue = 0;
  /** The greatest promise that was left open when the nodes were used up. */
  open = 0;
  private nodes = 0;
  private readonly size: number;
  /** Parts worth taking, the dearest for the room they take first: by depth. */
  private readonly order: readonly number[];
  private readonly value: Float64Array;
  private readonly most: Float64Array;
  /** Weights by depth and measure. */
  private readonly weight: Float64Array;
  /** Depths by measure, by worth for their weight in it. */
  private readonly sorted: Int32Array;
  /** What is left of each measure, by depth. */
  private readonly rest: Float64Array;
  private readonly current: Int32Array;
  /** The same by part. */
  private readonly counts: number[];

  constructor(
    values: Counts,
    copies: Counts,
    measures: readonly DualWeights[],
    capacity: readonly number[],
    private readonly allows: (counts: Counts) => boolean,
  ) {
    this.best = values.map(() => 0);
    this.counts = values.map(() => 0);
    this.size = measures.length;
    const fits = (part: number) =>
      measures.every(({ weights }, index) => at(weights, part) <= at(capacity, index) + NOTHING);
    const load = (part: number) =>
      Math.max(
        NOTHING,
        ...measures.map(
          ({ weights }, index) => at(weights, part) / Math.max(NOTHING, at(capacity, index)),
        ),
      );
    const loads = values.map((_value, part) => load(part));
    this.order = values
      .map((_value, part) => part)
      .filter((part) => at(values, part) > NOTHING && at(copies, part) > 0 && fits(part))
      // Dearest for the room it takes in its scarcest measure first.
      .sort((a, b) => at(values, b) / at(loads, b) - at(values, a) / at(loads, a));
    const depths = this.order.length;
    this.value = Float64Array.from(this.order, (part) => at(values, part));
    this.most = Float64Array.from(this.order, (part) => at(copies, part));
    this.weight = Float64Array.from({ length: depths * this.size }, (_unused, index) => {
      const { weights } = at(measures, index % this.size);
      return at(weights, at(this.order, Math.floor(index / this.size)));
    });
    this.sorted = Int32Array.from(
      measures.flatMap(({ weights }) => {
        const worth = (depth: number) =>
          at(this.value, depth) / Math.max(NOTHING, at(weights, at(this.order, depth)));
        return this.order.map((_part, depth) => depth).sort((a, b) => worth(b) - worth(a));
      }),
    );
    this.rest = new Float64Array((depths + 1) * this.size);
    this.rest.set(capacity);
    this.current = new Int32Array(depths);
  }

  /** Value that the parts from `depth` on can add at most, filled by fractions in each measure alone; ends once it is below `enough`. */
  private promise(depth: number, enough: number): number {
    let best = Number.POSITIVE_INFINITY;
    for (let measure = 0; measure < this.size && best > enough; measure += 1)
      best = Math.min(best, this.fractional(depth, measure));
    return best;
  }

  private fractional(depth: number, measure: number): number {
    const { value, most, weight, sorted, size } = this;
    const depths = value.length;
    let room = this.rest[depth * size + measure] as number;
    let total = 0;
    for (let index = measure * depths; index < (measure + 1) * depths; index += 1) {
      const where = sorted[index] as number;
      if (where < depth) continue;
      const each = weight[where * size + measure] as number;
      const copies = most[where] as number;
      if (each <= NOTHING) {
        total += (value[where] as number) * copies;
        continue;
      }
      const taken = Math.min(copies, room / each);
      total += (value[where] as number) * taken;
      room -= taken * each;
      if (room <= NOTHING) break;
    }
    return total;
  }

  /** How many copies of the part at `depth` fit into what is left of every measure. */
  private roomAt(depth: number): number {
    const { weight, rest, size } = this;
    let room = this.most[depth] as number;
    for (let measure = 0; measure < size; measure += 1) {
      const each = weight[depth * size + measure] as number;
      if (each <= NOTHING) continue;
      room = Math.min(room, Math.floor((rest[depth * size + measure] as number) / each + 1e-7));
    }
    return Math.max(0, room);
  }

  /** Tries every count of the part at `depth`, the greatest first, and goes on to the next part. */
  descend(depth: number, value: number): void {
    this.nodes += 1;
    if (value > this.bestValue + NOTHING) {
      this.bestValue = value;
      this.order.forEach((part, index) => {
        this.best[part] = index < depth ? at(this.current, index) : 0;
      });
    }
    if (depth === this.order.length) return;
    const promise = value + this.promise(depth, this.bestValue - value + NOTHING);
    if (promise <= this.bestValue + NOTHING) return;
    if (this.nodes > MOST_NODES) {
      this.open = Math.max(this.open, promise);
      return;
    }
    const { weight, rest, size } = this;
    for (let count = this.roomAt(depth); count >= 0; count -= 1) {
      this.current[depth] = count;
      this.counts[at(this.order, depth)] = count;
      // What may not lie there may not with more beside it.
      if (count > 0 && !this.allows(this.counts)) continue;
      for (let measure = 0; measure < size; measure += 1)
        rest[(depth + 1) * size + measure] =
          (rest[depth * size + measure] as number) -
          count * (weight[depth * size + measure] as number);
      this.descend(depth + 1, value + count * at(this.value, depth));
    }
    this.counts[at(this.order, depth)] = 0;
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
  { measures, capacity, allows }: Holding,
): RelaxedBest {
  const knapsack = new Knapsack(values, copies, measures, capacity, allows);
  knapsack.descend(0, 0);
  const { best, bestValue, open } = knapsack;
  return { counts: best, value: bestValue, most: Math.max(bestValue, open) };
}

/**
 * Lists the patterns to which no copy can be added. Its numbers stand in flat arrays, a row for each depth or measure: it looks at tens of thousands of
 * patterns for each list.
 */
class MaximalPatterns {
  readonly found: Counts[] = [];
  private nodes = 0;
  /** Share of the tree that was looked at, the branches of a node counted alike. */
  private done = 0;
  /** Parts with copies: by depth. */
  private readonly parts: readonly number[];
  private readonly size: number;
  /** Weights by depth and measure. */
  private readonly weight: Float64Array;
  /** What is left of each measure, by depth. */
  private readonly rest: Float64Array;
  private readonly current: number[];
  private readonly allows: (counts: Counts) => boolean;

  constructor(
    private readonly copies: Counts,
    { measures, capacity, allows }: Holding,
    private readonly most: number,
    private readonly halted: () => boolean,
  ) {
    this.allows = allows;
    this.parts = copies.map((_count, part) => part).filter((part) => at(copies, part) > 0);
    this.size = measures.length;
    this.weight = Float64Array.from({ length: this.parts.length * this.size }, (_unused, index) =>
      at(at(measures, index % this.size).weights, at(this.parts, Math.floor(index / this.size))),
    );
    this.rest = new Float64Array((this.parts.length + 1) * this.size);
    this.rest.set(capacity);
    this.current = copies.map(() => 0);
  }

  private isOver(): boolean {
    if (this.nodes > NODES_FOR_EACH * this.most) return true;
    return this.nodes % 64 === 0 && (this.isHopeless() || this.halted());
  }

  /** Those found are so many for the share of the tree that was looked at that there must be far too many. */
  private isHopeless(): boolean {
    const isTold = this.nodes > this.most / 2;
    return isTold && this.found.length > HOPELESS * this.most * this.done;
  }

  /** How many copies of the part at `depth`, of so many, fit into what is left of every measure at depth `below`. */
  private room(depth: number, below: number, copies: number): number {
    const { weight, rest, size } = this;
    let room = copies;
    for (let measure = 0; measure < size; measure += 1) {
      const each = weight[depth * size + measure] as number;
      if (each <= NOTHING) continue;
      const fits = Math.floor((rest[below * size + measure] as number) / each + 1e-7);
      if (fits < room) room = fits;
    }
    return room;
  }

  /** No further copy of the part at `depth` has room beside all that is laid. */
  private isFull(depth: number): boolean {
    const { current, parts } = this;
    const part = parts[depth] as number;
    const count = current[part] as number;
    if (count >= (this.copies[part] as number) || this.room(depth, parts.length, 1) < 1)
      return true;
    current[part] = count + 1;
    const isAllowed = this.allows(current);
    current[part] = count;
    return !isAllowed;
  }

  /** Tries every count of the part at `depth`, the greatest first, and goes on to the next; false once there are too many. */
  descend(depth: number, share: number): boolean {
    this.nodes += 1;
    if (this.isOver()) return false;
    const { current, parts, weight, rest, size } = this;
    if (depth === parts.length) {
      this.done += share;
      // Maximal when no part, also of those decided before, still fits.
      for (let each = 0; each < depth; each += 1) if (!this.isFull(each)) return true;
      this.found.push([...current]);
      return this.found.length <= this.most;
    }
    const part = parts[depth] as number;
    const room = this.room(depth, depth, this.copies[part] as number);
    const each = share / (room + 1);
    for (let count = room; count >= 0; count -= 1) {
      current[part] = count;
      if (count > 0 && !this.allows(current)) {
        this.done += each;
        continue;
      }
      for (let measure = 0; measure < size; measure += 1)
        rest[(depth + 1) * size + measure] =
          (rest[depth * size + measure] as number) -
          count * (weight[depth * size + measure] as number);
      if (!this.descend(depth + 1, each)) return false;
      // The last part takes all that fits: less would not be maximal.
      if (depth === parts.length - 1) break;
    }
    current[part] = 0;
    return true;
  }
}

/**
 * Every pattern that every measure allows and to which no copy can be added; null when there are more than `most`, or it was `halted`. What is left out
 * of a maximal pattern is free, so these are all that a covering programme needs.
 */
export function maximalPatterns(
  copies: Counts,
  holding: Holding,
  most: number,
  halted: () => boolean = () => false,
): Counts[] | null {
  const listed = new MaximalPatterns(copies, holding, most, halted);
  return listed.descend(0, 1) ? listed.found : null;
}
