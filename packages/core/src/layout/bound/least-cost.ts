import { priceOf, type Saw, type Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import type { LinearSolver } from '../solver/linear.js';
import { cheapestCover, least } from './cover.js';
import { type Demand, type DualWeights, dualWeightsFor } from './dual-weights.js';
import { nextSum } from './next-sum.js';
import { bestRelaxed, type Counts, maximalPatterns } from './relaxed-patterns.js';

export interface Bound {
  cost: Cents;
  proof: 'area' | 'lp' | 'exact';
}

/** What a bound is asked: parts with copies, kinds of boards, the saw, how many copies may stay unplaced, and which part fits which kind. */
export interface BoundQuestion {
  demands: readonly Demand[];
  stock: readonly Stock[];
  saw: Saw;
  left: number;
  fits: (demand: number, kind: number) => boolean;
}

/**
 * The least that boards for these parts can cost, whatever the layout. A real bound: by area with kerfs and by length of parts that
 * cannot lie side by side, over all boards together.
 */
export function leastCost({ demands, stock, saw, left }: Omit<BoundQuestion, 'fits'>): Cents {
  if (demands.length === 0 || stock.length === 0) return 0;
  const measures = dualWeightsFor(demands, stock, saw);
  return cheapestCover(
    stock,
    measures,
    measures.map((measure) => least(demands, measure.weights, left)),
  );
}

const MOST_ROUNDS = 200;
/** Rounding of floating point in a sum of cents. */
const SLACK = 1e-4;
/** Patterns of one kind of board up to which all are listed. */
const MOST_PATTERNS = 4000;
/** Copies up to which the whole-number programme is worth its time. */
const MOST_COPIES = 140;

/** What may lie on one board of a kind, as far as the measures see: a relaxation of the real patterns. */
interface RelaxedKind {
  stock: Stock;
  price: Cents;
  measures: readonly DualWeights[];
  capacity: readonly number[];
  copies: Counts;
}

/** A board and what a relaxed pattern puts on it. */
export interface RelaxedBoard {
  kind: number;
  counts: Counts;
}

/** The parts that must be placed and the kinds of boards, each with measures of its own. */
function relax({ demands, stock, saw, fits }: BoundQuestion): {
  wanted: readonly (Demand & { index: number })[];
  kinds: readonly RelaxedKind[];
} {
  const wanted = demands
    .map((demand, index) => ({ ...demand, index }))
    .filter((demand) => demand.copies > 0);
  const kinds = stock.map((of, kind): RelaxedKind => {
    const copies = wanted.map((demand) => (fits(demand.index, kind) ? demand.copies : 0));
    const measures = dualWeightsFor(
      wanted.map((demand, part) => ({ ...demand, copies: at(copies, part) })),
      [of],
      saw,
    );
    return {
      stock: of,
      price: priceOf(of),
      measures,
      capacity: measures.map((measure) => at(measure.capacities, 0)),
      copies,
    };
  });
  return { wanted, kinds };
}

function programme(
  wanted: readonly Demand[],
  kinds: readonly RelaxedKind[],
  columns: readonly RelaxedBoard[],
  penalty: number,
  whole: boolean,
) {
  return {
    columns: [
      ...columns.map((column) => ({
        cost: at(kinds, column.kind).price,
        most: at(kinds, column.kind).stock.quantity,
        whole,
      })),
      ...wanted.map((demand) => ({ cost: penalty, most: demand.copies, whole })),
    ],
    rows: [
      ...wanted.map((demand, part) => ({
        terms: [
          ...columns.flatMap((column, index) =>
            at(column.counts, part) > 0 ? [[index, at(column.counts, part)] as const] : [],
          ),
          [columns.length + part, 1] as const,
        ],
        sense: 'at least' as const,
        limit: demand.copies,
      })),
      ...kinds.map((kind, index) => ({
        terms: columns.flatMap((column, at) => (column.kind === index ? [[at, 1] as const] : [])),
        sense: 'at most' as const,
        limit: kind.stock.quantity,
      })),
    ],
  };
}

/**
 * The bound by column generation over relaxed patterns: a board holds whatever no measure forbids. The bound that counts is Lagrange's,
 * which holds for any prices of the parts, so that rounding in the solver cannot make it too high: price of the demand less what the
 * boards could gain. Farley (1990) and Gilmore and Gomory (1961) describe the scheme, from memory [M].
 */
export function leastCostByColumns(
  question: BoundQuestion,
  solver: LinearSolver,
  halted: () => boolean,
): Bound {
  const area = leastCost(question);
  const { wanted, kinds } = relax(question);
  if (wanted.length === 0 || kinds.length === 0) return { cost: area, proof: 'area' };
  // A part left over costs more than any board, so that only as many are left as must be.
  const penalty = 4 * (1 + Math.max(...kinds.map((kind) => kind.price)));
  const columns: RelaxedBoard[] = kinds.map(({ copies, measures, capacity }, kind) => ({
    kind,
    counts: bestRelaxed(
      copies.map(() => 1),
      copies,
      measures,
      capacity,
    ).counts,
  }));
  let best = 0;
  for (let round = 0; round < MOST_ROUNDS && !halted(); round += 1) {
    const solved = solver(programme(wanted, kinds, columns, penalty, false), 5);
    if (!solved) break;
    const values = wanted.map((_demand, part) =>
      Math.max(0, Math.min(penalty, at(solved.duals, part))),
    );
    const quota = kinds.map((_kind, index) => Math.min(0, at(solved.duals, wanted.length + index)));
    let lagrange =
      wanted.reduce((sum, demand, part) => sum + at(values, part) * demand.copies, 0) -
      question.left * Math.max(...values);
    let grown = false;
    for (const [kind, { stock, price, measures, capacity, copies }] of kinds.entries()) {
      const { counts, value, most } = bestRelaxed(values, copies, measures, capacity);
      lagrange += stock.quantity * Math.min(0, price - most);
      if (value > price - at(quota, kind) + 1e-6) {
        columns.push({ kind, counts });
        grown = true;
      }
    }
    best = Math.max(best, lagrange);
    if (!grown) break;
  }
  const rounded = nextSum(Math.ceil(best - SLACK), question.stock);
  return rounded > area ? { cost: rounded, proof: 'lp' } : { cost: area, proof: 'area' };
}

/**
 * All relaxed patterns of a job with few enough of them, chosen among in whole numbers. What it costs is a bound as good as the
 * measures can give, and its patterns are a proposal of what to lay on which board. A pattern that could not be laid can be forbidden:
 * from then on what it proposes is no bound any more.
 */
export class RelaxedMaster {
  private constructor(
    private readonly question: BoundQuestion,
    private readonly wanted: readonly (Demand & { index: number })[],
    private readonly kinds: readonly RelaxedKind[],
    private columns: RelaxedBoard[],
  ) {}

  /** Null when there are too many patterns or copies to list them all. */
  static of(question: BoundQuestion): RelaxedMaster | null {
    const { wanted, kinds } = relax(question);
    if (wanted.length === 0 || wanted.reduce((sum, demand) => sum + demand.copies, 0) > MOST_COPIES)
      return null;
    const columns: RelaxedBoard[] = [];
    for (const [kind, { copies, measures, capacity }] of kinds.entries()) {
      const patterns = maximalPatterns(copies, measures, capacity, MOST_PATTERNS);
      if (!patterns || columns.length + patterns.length > 3 * MOST_PATTERNS) return null;
      columns.push(...patterns.map((counts) => ({ kind, counts })));
    }
    return new RelaxedMaster(question, wanted, kinds, columns);
  }

  /** The cheapest choice, its boards as counts by the question's parts; null when the solver could not prove one in time. */
  solve(solver: LinearSolver, seconds: number): { cost: Cents; boards: RelaxedBoard[] } | null {
    const penalty =
      4 *
      (1 +
        this.kinds.reduce(
          (sum, kind) => sum + kind.price * Math.min(kind.stock.quantity, MOST_COPIES),
          0,
        ));
    const solved = solver(programme(this.wanted, this.kinds, this.columns, penalty, true), seconds);
    if (!solved?.proven) return null;
    let cost = 0;
    const boards: RelaxedBoard[] = [];
    this.columns.forEach(({ kind, counts }, index) => {
      for (let copy = Math.round(at(solved.values, index)); copy > 0; copy -= 1) {
        cost += at(this.kinds, kind).price;
        const full = new Array<number>(this.question.demands.length).fill(0);
        counts.forEach((count, part) => {
          full[at(this.wanted, part).index] = count;
        });
        boards.push({ kind, counts: full });
      }
    });
    const missing = this.wanted.reduce(
      (sum, _demand, part) => sum + Math.round(at(solved.values, this.columns.length + part)),
      0,
    );
    // Fewer copies may be left over than really are: then the choice is no bound for what is asked.
    return missing > this.question.left || this.question.left > 0 ? null : { cost, boards };
  }

  /** Takes a pattern, and all that hold more, out of the choice; what it holds less one copy comes in. */
  forbid(kind: number, full: Counts): void {
    const counts = this.wanted.map((demand) => at(full, demand.index));
    const holds = (column: RelaxedBoard) =>
      column.kind === kind && column.counts.every((count, part) => count >= at(counts, part));
    const smaller = this.columns.filter(holds).flatMap((column) =>
      counts.flatMap((count, part) => {
        if (count === 0) return [];
        const less = [...column.counts];
        less[part] = count - 1;
        return [{ kind, counts: less }];
      }),
    );
    const seen = new Set(
      this.columns
        .filter((column) => !holds(column))
        .map((column) => `${column.kind}|${column.counts.join()}`),
    );
    const fresh = smaller.filter((column) => {
      const key = `${column.kind}|${column.counts.join()}`;
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    });
    this.columns = [...this.columns.filter((column) => !holds(column)), ...fresh];
  }
}
