import { at, sum } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import type { LinearModel, LinearSolver } from '../solver/linear.js';
import { least } from './cover.js';
import type { BoundQuestion, Relaxation, RelaxedBoard, RelaxedKind, Wanted } from './relaxed.js';
import { bestRelaxed, type Counts, type RelaxedBest } from './relaxed-patterns.js';

/** Boards of each kind: at least and at most so many. */
export interface Limits {
  least: Counts;
  most: Counts;
}

export interface RelaxedAnswer {
  /** No layout within the limits costs less. Not rounded. */
  cost: number;
  /** Boards of each kind that the programme takes; null when it ended before, or some copy finds no place. */
  counts: Counts | null;
}

/** The pattern of a kind of board that is worth most at values of the parts. */
type Pricing = (values: Counts, kind: number) => RelaxedBest;

const MOST_ROUNDS = 200;
const PROGRAMME_SECONDS = 5;
const NOTHING = 1e-6;
/** Rounding of floating point in a sum of cents. */
const SLACK = 1e-4;
/** How often a penalty that still leaves copies out is raised, and by how much. */
const RAISES = 3;
const RAISE = 12;

/**
 * Column generation over relaxed patterns: a board holds whatever no measure forbids. The bound that counts is Lagrange's, which
 * holds for any prices of the parts, so that rounding in the solver cannot make it too high: price of the demand less what the boards
 * could gain. Farley (1990) and Gilmore and Gomory (1961) describe the scheme, from memory [M]. Patterns are kept from one question
 * to the next.
 */
export class RelaxedProgramme {
  private readonly question: BoundQuestion;
  private readonly wanted: readonly Wanted[];
  private readonly kinds: readonly RelaxedKind[];
  private readonly columns: RelaxedBoard[];
  /** A part left over costs more than any board, so that only as many are left as must be. */
  private readonly penalty: number;
  private readonly best: Pricing;

  constructor(
    { question, wanted, kinds }: Relaxation,
    private readonly solver: LinearSolver,
    /** Asked between rounds: true ends a question with what is known by then. */
    readonly halted: () => boolean,
    /** By a knapsack where its patterns are not listed. */
    best?: Pricing,
  ) {
    this.best =
      best ?? ((values, kind) => bestRelaxed(values, at(kinds, kind).copies, at(kinds, kind)));
    this.question = question;
    this.wanted = wanted;
    this.kinds = kinds;
    this.penalty = 4 * (1 + Math.max(0, ...kinds.map((kind) => kind.price)));
    this.columns = kinds.map((each, kind) => ({
      kind,
      counts: this.best(
        each.copies.map(() => 1),
        kind,
      ).counts,
    }));
  }

  /** Takes in patterns of the question's parts that are known to be laid, so that they need not be found. */
  learn(patterns: readonly RelaxedBoard[]): void {
    for (const { kind, counts } of patterns)
      this.columns.push({
        kind,
        counts: this.wanted.map(({ members }) => sum(members.map((member) => at(counts, member)))),
      });
  }

  get isEmpty(): boolean {
    return this.wanted.length === 0 || this.kinds.length === 0;
  }

  /** As many boards of each kind as there are. */
  get allBoards(): Limits {
    return {
      least: this.kinds.map(() => 0),
      most: this.kinds.map(({ stock }) => stock.quantity),
    };
  }

  /** The least that boards within the limits can cost; ends early once that is known to be `enough`. Yields between its rounds. */
  *under(limits: Limits, enough: Cents): Generator<void, RelaxedAnswer, void> {
    let penalty = this.penalty;
    let best = 0;
    for (let raised = 0; raised <= RAISES && !this.halted(); raised += 1, penalty *= RAISE) {
      let counts: Counts | null = null;
      for (let round = 0; round < MOST_ROUNDS && !this.halted(); round += 1) {
        const solved = this.solver(this.programme(limits, penalty), PROGRAMME_SECONDS);
        if (!solved) return { cost: best, counts: null };
        const { bound, grown } = this.priced(solved.duals, limits, penalty);
        best = Math.max(best, bound);
        if (best >= enough) return { cost: best, counts: null };
        if (!grown) {
          const out = sum(
            this.wanted.map((_demand, part) => at(solved.values, this.columns.length + part)),
          );
          if (out <= NOTHING) counts = this.countsOf(solved.values);
          break;
        }
        yield;
      }
      if (counts) return { cost: best, counts };
    }
    return { cost: best, counts: null };
  }

  /** Whether so many boards of each kind may hold all: not if the least that they could cost is more than they do. */
  *holds(counts: Counts, cost: Cents): Generator<void, boolean, void> {
    const within = { least: counts.map(() => 0), most: counts };
    return (yield* this.under(within, cost + 1)).cost <= cost + SLACK;
  }

  private countsOf(values: readonly number[]): Counts {
    const counts = this.kinds.map(() => 0);
    this.columns.forEach(({ kind }, index) => {
      counts[kind] = at(counts, kind) + at(values, index);
    });
    return counts;
  }

  /** Lagrange's bound at the programme's prices, and the patterns that they call for. */
  private priced(
    duals: readonly number[],
    { least: fewest, most }: Limits,
    penalty: number,
  ): { bound: number; grown: boolean } {
    const { wanted, kinds } = this;
    const values = wanted.map((_demand, part) => Math.max(0, Math.min(penalty, at(duals, part))));
    let bound = least(wanted, values, this.question.left);
    let grown = false;
    kinds.forEach((each, kind) => {
      if (at(most, kind) === 0) return;
      const found = this.best(values, kind);
      const margin = each.price - found.most;
      bound += margin * at(margin < 0 ? most : fewest, kind);
      const quota =
        Math.min(0, at(duals, wanted.length + kind)) +
        Math.max(0, at(duals, wanted.length + kinds.length + kind));
      if (found.value > each.price - quota + NOTHING) {
        this.columns.push({ kind, counts: found.counts });
        grown = true;
      }
    });
    return { bound, grown };
  }

  /** Columns: patterns, copies left out at the penalty, copies that may stay out. Rows: parts, most and least of each kind, how many may stay out. */
  private programme({ least: fewest, most }: Limits, penalty: number): LinearModel {
    const { wanted, kinds, columns } = this;
    const [out, spared] = [columns.length, columns.length + wanted.length];
    const ofKind = kinds.map((): (readonly [number, number])[] => []);
    columns.forEach(({ kind }, index) => {
      at(ofKind, kind).push([index, 1]);
    });
    return {
      columns: [
        ...columns.map(({ kind }) => ({
          cost: at(kinds, kind).price,
          most: at(most, kind),
          whole: false,
        })),
        ...wanted.map((demand) => ({ cost: penalty, most: demand.copies, whole: false })),
        ...wanted.map((demand) => ({
          cost: 0,
          most: Math.min(demand.copies, this.question.left),
          whole: false,
        })),
      ],
      rows: [
        ...wanted.map((demand, part) => ({
          terms: [
            ...columns.flatMap(({ counts }, index) =>
              at(counts, part) > 0 ? [[index, at(counts, part)] as const] : [],
            ),
            [out + part, 1] as const,
            [spared + part, 1] as const,
          ],
          sense: 'at least' as const,
          limit: demand.copies,
        })),
        ...kinds.map((_kind, kind) => ({
          terms: at(ofKind, kind),
          sense: 'at most' as const,
          limit: at(most, kind),
        })),
        ...kinds.map((_kind, kind) => ({
          terms: at(ofKind, kind),
          sense: 'at least' as const,
          limit: at(fewest, kind),
        })),
        {
          terms: wanted.map((_demand, part) => [spared + part, 1] as const),
          sense: 'at most' as const,
          limit: this.question.left,
        },
      ],
    };
  }
}
