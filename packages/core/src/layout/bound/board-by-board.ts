import { at, sum } from '../../lists/index.js';
import { type Counts, worth } from './relaxed-patterns.js';

/** A board, and what may lie on it: every pattern that is not part of another. */
export interface Fillable {
  patterns: readonly Counts[];
}

/** One pattern for each board, none where the boards are proven not to hold all, or null where that was not settled. */
export type Filled = readonly Counts[] | 'none' | null;

/** Rounding of floating point in a sum of values, of which all boards together hold 1. */
const SLACK = 1e-7;

interface Ranked {
  counts: Counts;
  /** What its copies are worth less than those of the best pattern of its board. */
  loss: number;
}

/**
 * Fills boards one after the other, each with one of its patterns, until nothing is left over. Copies are worth `values`, in which the
 * boards together may lose no more than they could hold beyond what all copies are worth: that leaves few patterns where boards
 * must be filled well. What was left over at a board once without an end that way is not tried again. Depth first (as in
 * bin completion: Fukunaga and Korf, J. Artificial Intelligence Research 28, 2007, from memory [M]).
 */
export class BoardByBoard {
  private readonly ranked: readonly (readonly Ranked[])[];
  private readonly failed: readonly Set<number>[];
  private readonly rest: number[];
  private readonly key: readonly number[];
  /** Whether what is left over can be told apart by one number: else nothing is remembered. */
  private readonly isTold: boolean;
  private readonly chosen: Counts[] = [];
  private nodes = 0;
  /** Patterns tried. */
  private tries = 0;
  /** What is laid on each board. */
  private readonly laid: readonly Int32Array[];
  private cut = false;
  /** What each board holds at most. */
  private readonly held: readonly number[];

  constructor(
    demand: Counts,
    boards: readonly Fillable[],
    private readonly values: Counts,
    private readonly mostTries: number,
    private readonly halted: () => boolean,
  ) {
    const known = new Map<readonly Counts[], readonly Ranked[]>();
    this.ranked = boards.map(({ patterns }) => {
      const best = Math.max(0, ...patterns.map((counts) => worth(counts, values)));
      const ranked =
        known.get(patterns) ??
        patterns
          .map((counts) => ({ counts, loss: best - worth(counts, values) }))
          .sort((one, other) => one.loss - other.loss);
      known.set(patterns, ranked);
      return ranked;
    });
    this.held = this.ranked.map((list) => (list[0] ? worth(list[0].counts, values) : 0));
    this.failed = boards.map(() => new Set());
    this.laid = boards.map(() => new Int32Array(demand.length));
    this.rest = [...demand];
    let next = 1;
    this.key = demand.map((count) => {
      const key = next;
      next *= count + 1;
      return key;
    });
    this.isTold = next <= Number.MAX_SAFE_INTEGER;
  }

  /** One pattern for each board, of what is still wanted of it; boards at the end that need not be filled have none. */
  fill(): Filled {
    const spare = sum(this.held) - worth(this.rest, this.values);
    if (spare < -SLACK) return 'none';
    if (this.from(0, spare + SLACK)) return [...this.chosen];
    return this.cut ? null : 'none';
  }

  /** Fills the boards from this one on so that no more than `spare` is lost. */
  private from(board: number, spare: number): boolean {
    const { rest } = this;
    const key = rest.reduce((total, count, part) => total + count * at(this.key, part), 0);
    if (key === 0) return true;
    const failed = this.failed[board];
    if (!failed || failed.has(key)) return false;
    this.nodes += 1;
    if (this.nodes % 256 === 0 && this.halted()) this.cut = true;
    const laid = at(this.laid, board);
    for (const { counts, loss } of at(this.ranked, board)) {
      this.tries += 1;
      if (this.tries > this.mostTries) this.cut = true;
      if (this.cut || loss > spare) break;
      const wasted = loss + this.take(counts, laid, spare - loss);
      if (wasted > spare) continue;
      this.move(laid, -1);
      this.chosen.push([...laid]);
      if (this.from(board + 1, spare - wasted)) return true;
      this.chosen.pop();
      this.move(laid, 1);
    }
    if (!this.cut && this.isTold) failed.add(key);
    return false;
  }

  /** Copies that were left laid, or taken back. */
  private move(laid: Int32Array, sign: 1 | -1): void {
    const { rest } = this;
    for (let part = 0; part < laid.length; part += 1)
      rest[part] = (rest[part] as number) + sign * (laid[part] as number);
  }

  /** Lays of a pattern what is left of it; the value of what is left off its board, or somewhat more than `most`. */
  private take(counts: Counts, laid: Int32Array, most: number): number {
    const { rest, values } = this;
    let off = 0;
    for (let part = 0; part < counts.length && off <= most; part += 1) {
      const count = counts[part] as number;
      const taken = Math.min(count, rest[part] as number);
      laid[part] = taken;
      if (taken < count) off += (count - taken) * (values[part] as number);
    }
    return off;
  }
}
