import type { Stock } from '../../job/index.js';
import { priceOf } from '../../job/index.js';
import { at, sum } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import { nextSum } from './next-sum.js';
import type { RelaxedBoard } from './relaxed.js';
import type { Counts } from './relaxed-patterns.js';
import type { Limits, RelaxedProgramme } from './relaxed-programme.js';

/** Numbers of boards of each kind that may be enough, for all that is proven, and what they cost. */
export interface Target {
  counts: Counts;
  cost: Cents;
  /** Patterns that hold all on these boards, as far as is proven; none where none were looked for. */
  patterns: readonly RelaxedBoard[];
}

/** By what numbers of boards are proven not to be enough; else patterns that hold all on them, where some were found. */
export type Answer =
  | { refuted: 'lp' | 'exact' }
  | { refuted: null; patterns: readonly RelaxedBoard[] };

/** Limits still to be looked into, and what boards within them cost at least. */
interface Open {
  limits: Limits;
  cost: Cents;
}

/** Rounding of floating point in a sum of cents. */
const SLACK = 1e-4;
const WHOLE = 1e-5;
/** Questions asked at most: each cuts the numbers of boards in two. */
const MOST_QUESTIONS = 1500;

/**
 * Which numbers of boards of each kind could be enough: branch and bound on how many boards of a kind are taken (Vanderbeck, Operations
 * Research 48 (2000); Belov and Scheithauer, European J. Operational Research 171 (2006); both from memory [M]), the relaxed
 * programme asked at each step, the cheapest first. What cannot be enough falls with all that holds less; what may be enough is a target.
 */
export class BoardCounts {
  /** No layout costs less. */
  bound: Cents = 0;
  /** The cheapest first. */
  readonly targets: Target[] = [];
  private open: Open[];
  private questions = 0;
  /** Something was refuted that the programme alone allowed. */
  wasRefuted = false;
  private readonly price: readonly Cents[];

  constructor(
    private readonly stock: readonly Stock[],
    /** Asked at each step: quick. */
    private readonly programme: RelaxedProgramme,
    /** Asked of whole numbers of boards, and what they cost: whether they may be enough. Sees more, and takes longer. */
    private readonly ask: (counts: Counts, cost: Cents) => Generator<void, Answer, void>,
  ) {
    this.price = stock.map(priceOf);
    this.open = [{ limits: programme.allBoards, cost: 0 }];
  }

  /**
   * Looks for targets below `best` until so many are known that no other costs less, or `halted`; yields between programmes, and can be
   * gone on with.
   */
  *search(best: () => Cents, wanted: number, halted: () => boolean): Generator<void, void, void> {
    while (!halted() && this.questions < MOST_QUESTIONS) {
      this.open = this.open.filter(({ cost }) => cost < best());
      this.raise(best());
      const next = this.cheapest();
      if (!next) break;
      const known = this.targets.filter(({ cost }) => cost <= next.cost && cost < best());
      if (known.length >= wanted) break;
      this.questions += 1;
      yield* this.lookInto(next, best);
      yield;
    }
    this.raise(best());
  }

  /** Nothing is left to be looked into. */
  get isDone(): boolean {
    return this.open.length === 0 || this.questions >= MOST_QUESTIONS;
  }

  private raise(best: Cents): void {
    this.bound = Math.max(
      this.bound,
      Math.min(best, ...this.open.map(({ cost }) => cost), ...this.targets.map(({ cost }) => cost)),
    );
  }

  private cheapest(): Open | undefined {
    return this.open.reduce<Open | undefined>(
      (known, each) => (known && known.cost <= each.cost ? known : each),
      undefined,
    );
  }

  private *lookInto(asked: Open, best: () => Cents): Generator<void, void, void> {
    const { limits } = asked;
    // It stays open while it is asked: who stops in between loses nothing of the bound.
    const { cost, counts } = yield* this.programme.under(limits, best());
    asked.cost = Math.max(asked.cost, this.roundedUp(cost, limits));
    if (!counts && this.programme.halted()) return;
    this.open = this.open.filter((each) => each !== asked);
    if (asked.cost >= best()) return;
    if (!counts) {
      // Nothing more is to be learnt here: it stands for what it costs at least.
      this.targets.push({ counts: limits.most, cost: asked.cost, patterns: [] });
      return;
    }
    const halves = this.halved(limits, counts);
    if (halves) this.open.push(...halves.map((half) => ({ limits: half, cost: asked.cost })));
    else yield* this.settle(limits, counts.map(Math.round), asked.cost);
  }

  /** A sum of prices that boards within the limits can come to. */
  private roundedUp(cost: number, { least, most }: Limits): Cents {
    const sure = sum(least.map((count, kind) => count * at(this.price, kind)));
    const rest = this.stock.map((kind, index) => ({
      ...kind,
      quantity: at(most, index) - at(least, index),
    }));
    return sure + nextSum(Math.ceil(cost - SLACK) - sure, rest);
  }

  /** Limits below and above what the programme takes of a kind, the one most in doubt; null when it takes whole boards alone. */
  private halved({ least, most }: Limits, counts: Counts): Limits[] | null {
    const doubt = (kind: number) => {
      const part = at(counts, kind) - Math.floor(at(counts, kind) + WHOLE);
      return at(this.price, kind) === 0 ? 0 : Math.min(part, 1 - part);
    };
    const kind = counts.reduce(
      (known, _count, index) => (doubt(index) > doubt(known) ? index : known),
      0,
    );
    if (doubt(kind) <= WHOLE) return null;
    const below = Math.floor(at(counts, kind));
    const change = (list: Counts, value: number) =>
      list.map((each, index) => (index === kind ? value : each));
    return [
      { least, most: change(most, below) },
      { least: change(least, below + 1), most },
    ];
  }

  /** These numbers may be enough, or are proven not to be; either way what holds one board more of some kind is looked into. */
  private *settle(limits: Limits, taken: Counts, cost: Cents): Generator<void, void, void> {
    // Boards that cost nothing are all taken.
    const counts = taken.map((count, kind) =>
      at(this.price, kind) === 0 ? at(limits.most, kind) : count,
    );
    // It stays open while it is asked about.
    const asked: Open = { limits, cost };
    this.open.push(asked);
    const boards = this.costOf(counts);
    const answer = yield* this.ask(counts, boards);
    if (this.programme.halted()) return;
    this.open = this.open.filter((each) => each !== asked);
    if (answer.refuted === null)
      this.targets.push({ counts, cost: boards, patterns: answer.patterns });
    else if (answer.refuted === 'exact') this.wasRefuted = true;
    let { most } = limits;
    counts.forEach((count, kind) => {
      if (at(this.price, kind) === 0) return;
      if (count + 1 <= at(most, kind)) {
        const least = limits.least.map((each, index) =>
          index === kind ? Math.max(each, count + 1) : each,
        );
        this.open.push({ limits: { least, most }, cost });
      }
      most = most.map((each, index) => (index === kind ? Math.min(each, count) : each));
    });
  }

  private costOf(counts: Counts): Cents {
    return sum(counts.map((count, kind) => count * at(this.price, kind)));
  }
}
