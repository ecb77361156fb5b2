import { at, sum } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import { meanArea } from '../area.js';
import type { LinearModel, LinearSolver } from '../solver/linear.js';
import { BoardByBoard } from './board-by-board.js';
import type { OrderedRow, Relaxation, RelaxedBoard, RelaxedKind, Wanted } from './relaxed.js';
import { type Counts, maximalPatterns, type RelaxedBest, worth } from './relaxed-patterns.js';
import { RelaxedProgramme } from './relaxed-programme.js';
import type { InRow } from './row-lengths.js';
import { tightestPrices } from './tightest-prices.js';
import type { Demand } from './weights.js';

/** Patterns of one kind of board up to which all are listed. */
const MOST_PATTERNS = 4000;
/** Copies up to which the whole-number programme is worth its time. */
const MOST_COPIES = 140;

/** Patterns tried at most to fill boards one after the other. */
const MOST_TRIES = 2_000_000;

/** What is asked of the patterns: how many boards of each kind at most, what counts, and what may stay out at most. */
interface Asked {
  most: Counts;
  price: (kind: number) => number;
  /** What a copy that stays out counts. */
  penalty: (part: number) => number;
  out?: LeastOut;
}

/** What stays out of a layout, where that is as little as can be: copies, and the area of those, in square ticks. */
export interface LeastOut {
  copies: number;
  area: number;
}

/** Rounding of floating point in a sum of areas. */
const SAME_AREA = 1 + 1e-9;
/** Whether more stays out of one than of another: copies, then area. */
export const isMore = (one: LeastOut, other: LeastOut): boolean =>
  one.copies > other.copies || (one.copies === other.copies && one.area > other.area * SAME_AREA);
/** What a copy counts, so that areas beside it are far above what the solver takes for nothing. */
const COPY = 1e4;

function programme(
  wanted: readonly Demand[],
  kinds: readonly RelaxedKind[],
  columns: readonly RelaxedBoard[],
  { most, price, penalty, out }: Asked,
): LinearModel {
  const whole = true;
  const staying = (weight: (part: number) => number) =>
    wanted.map((_demand, part) => [columns.length + part, weight(part)] as const);
  const area = sum(wanted.map(({ part, copies }) => meanArea(part) * copies));
  const limits = out
    ? [
        { terms: staying(() => 1), sense: 'at most' as const, limit: out.copies },
        {
          terms: staying((part) => (COPY * meanArea(at(wanted, part).part)) / area),
          sense: 'at most' as const,
          limit: (COPY * out.area * SAME_AREA) / area,
        },
      ]
    : [];
  return {
    columns: [
      ...columns.map((column) => ({
        cost: price(column.kind),
        most: at(most, column.kind),
        whole,
      })),
      ...wanted.map((demand, part) => ({ cost: penalty(part), most: demand.copies, whole })),
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
      ...kinds.map((_kind, index) => ({
        terms: columns.flatMap((column, at) => (column.kind === index ? [[at, 1] as const] : [])),
        sense: 'at most' as const,
        limit: at(most, index),
      })),
      ...limits,
    ],
  };
}

/** What a master chooses: boards, their price, and what stays out. */
export interface Choice {
  cost: Cents;
  boards: RelaxedBoard[];
  out: LeastOut;
}

/**
 * All relaxed patterns of a job with few enough of them, chosen among in whole numbers. What it costs is a bound as good as the
 * measures can give, and its patterns are a proposal of what to lay on which board. A pattern that could not be laid can be forbidden:
 * from then on what it proposes is no bound any more.
 */
export class RelaxedMaster {
  private readonly wanted: readonly Wanted[];
  private readonly kinds: readonly RelaxedKind[];

  private constructor(
    private readonly relaxation: Relaxation,
    private columns: RelaxedBoard[],
  ) {
    this.wanted = relaxation.wanted;
    this.kinds = relaxation.kinds;
  }

  /** Null when there are too many patterns or copies to list them all, or it was halted. */
  static of(relaxation: Relaxation, halted: () => boolean = () => false): RelaxedMaster | null {
    const { wanted, kinds } = relaxation;
    if (sum(wanted.map(({ copies }) => copies)) > MOST_COPIES) return null;
    if (wanted.length === 0) return null;
    const columns: RelaxedBoard[] = [];
    for (const [kind, each] of kinds.entries()) {
      // Of very many kinds each has few patterns, and rows of its own that take their time.
      if (halted()) return null;
      const allows = (counts: Counts) => each.allows(counts) && each.apart(counts);
      const patterns = maximalPatterns(each.copies, { ...each, allows }, MOST_PATTERNS, halted);
      if (!patterns || columns.length + patterns.length > 3 * MOST_PATTERNS) return null;
      columns.push(...patterns.map((counts) => ({ kind, counts })));
    }
    return new RelaxedMaster(relaxation, columns);
  }

  /** The same patterns, of which some may be forbidden without this one forgetting them. */
  copy(): RelaxedMaster {
    return new RelaxedMaster(this.relaxation, [...this.columns]);
  }

  /**
   * The cheapest choice of those that leave out fewest copies, out of at most so many boards of each kind, its boards as counts by the
   * question's parts; null when the solver could not prove one in time.
   */
  solve(solver: LinearSolver, seconds: number, most?: Counts): Choice | null {
    const boards = most ?? this.allBoards;
    // A copy left out costs more than all boards together.
    const penalty =
      4 *
      (1 +
        sum(this.kinds.map(({ price }, kind) => price * Math.min(at(boards, kind), MOST_COPIES))));
    const price = (kind: number) => at(this.kinds, kind).price;
    return this.choice(solver, seconds, { most: boards, price, penalty: () => penalty });
  }

  private get allBoards(): Counts {
    return this.kinds.map(({ stock }) => stock.quantity);
  }

  private choice(solver: LinearSolver, seconds: number, asked: Asked): Choice | null {
    const solved = solver(programme(this.wanted, this.kinds, this.columns, asked), seconds);
    if (!solved?.proven) return null;
    const chosen = this.columns.flatMap((column, index) =>
      Array.from({ length: Math.round(at(solved.values, index)) }, () => column),
    );
    const out = this.wanted.map((_demand, part) =>
      Math.round(at(solved.values, this.columns.length + part)),
    );
    return {
      cost: sum(chosen.map(({ kind }) => at(this.kinds, kind).price)),
      boards: this.ofQuestion(chosen),
      out: {
        copies: sum(out),
        area: sum(out.map((count, part) => count * meanArea(at(this.wanted, part).part))),
      },
    };
  }

  /** A choice that leaves out as few copies, then as little area, as any can; null when the solver could not prove it in time. */
  fewestOut(solver: LinearSolver, seconds: number): Choice | null {
    const areas = this.wanted.map(({ part }) => meanArea(part));
    const all = sum(areas.map((area, part) => area * at(this.wanted, part).copies));
    return this.choice(solver, seconds, {
      most: this.allBoards,
      price: () => 0,
      penalty: (part) => COPY * (1 + at(areas, part) / (2 * all)),
    });
  }

  /** What a layout that leaves out no more than that must cost; null when the solver could not prove it in time. */
  leastCostWithout(out: LeastOut, solver: LinearSolver, seconds: number): Cents | null {
    const choice = this.choice(solver, seconds, {
      most: this.allBoards,
      price: (kind) => at(this.kinds, kind).price,
      penalty: () => 0,
      out,
    });
    return choice?.cost ?? null;
  }

  /**
   * One pattern for each board of so many of each kind, so that nothing is left out: board by board, at prices under which the boards
   * have least to spare.
   */
  fillBoards(
    solver: LinearSolver,
    most: Counts,
    halted: () => boolean,
  ): RelaxedBoard[] | 'none' | null {
    const copies = this.wanted.map((demand) => demand.copies);
    const kinds = this.kinds
      .map((_kind, kind) => ({
        kind,
        boards: at(most, kind),
        patterns: this.columns.flatMap((column) => (column.kind === kind ? [column.counts] : [])),
      }))
      .filter(({ boards }) => boards > 0)
      .sort((one, other) => one.patterns.length - other.patterns.length);
    const values = tightestPrices(copies, kinds, solver);
    if (!values) return null;
    const boards = kinds.flatMap((each) => Array.from({ length: each.boards }, () => each));
    const filled = new BoardByBoard(copies, boards, values, MOST_TRIES, halted).fill();
    if (filled === null || filled === 'none') return filled;
    return this.ofQuestion(
      filled.map((counts, board) => ({ kind: at(boards, board).kind, counts })),
    );
  }

  /** Boards by the question's parts: of those taken for one another those that a board's row is made of, as far as they are left, then any. */
  private ofQuestion(boards: readonly RelaxedBoard[]): RelaxedBoard[] {
    const left = this.relaxation.question.demands.map(({ copies }) => copies);
    return boards.map(({ kind, counts }) => {
      const full = this.membersOf(kind, counts, left);
      full.forEach((count, index) => {
        left[index] = Math.max(0, at(left, index) - count);
      });
      return { kind, counts: full };
    });
  }

  /** The question's parts for counts of what is wanted, out of so many that are left: those that the row is made of, then any. */
  private membersOf(kind: number, counts: Counts, copies: Counts): number[] {
    const { demands } = this.relaxation.question;
    const full = demands.map(() => 0);
    const left = [...copies];
    const more = [...counts];
    const take = (part: number, index: number, count: number) => {
      full[index] = at(full, index) + count;
      left[index] = at(left, index) - count;
      more[part] = at(more, part) - count;
    };
    const isMerged = counts.some(
      (count, part) => count > 0 && at(this.wanted, part).members.length > 1,
    );
    const order = isMerged ? at(this.kinds, kind).order(counts) : null;
    for (const each of order ? [...order.row, ...order.strips] : []) {
      const { members } = at(this.wanted, each.part);
      const own = members.find((index) => at(demands, index).part === each.of);
      if (own !== undefined && at(left, own) > 0 && at(more, each.part) > 0)
        take(each.part, own, 1);
    }
    for (const [part, { members }] of this.wanted.entries())
      for (const [which, index] of members.entries()) {
        const rest = at(more, part);
        take(part, index, which === members.length - 1 ? rest : Math.min(rest, at(left, index)));
      }
    return full;
  }

  /** The same copies of what is wanted as a pattern's, of those that its row is made of as far as so many are left. */
  asRow({ kind, counts }: RelaxedBoard, left: Counts): number[] {
    return this.membersOf(kind, this.ownOf(counts), left);
  }

  /** Column generation over these patterns: as close as they are, and each of its steps a look along a list. */
  programme(solver: LinearSolver, halted: () => boolean): RelaxedProgramme {
    const byKind = this.kinds.map((_kind, kind) =>
      this.columns.flatMap((column) => (column.kind === kind ? [column.counts] : [])),
    );
    return new RelaxedProgramme(this.relaxation, solver, halted, (values, kind): RelaxedBest => {
      let [counts, value] = [values.map((): number => 0) as Counts, 0];
      for (const pattern of at(byKind, kind)) {
        const own = worth(pattern, values);
        if (own > value) [counts, value] = [pattern, own];
      }
      return { counts, value, most: value };
    });
  }

  /**
   * The patterns of a kind that are worth most, the dearest first: at values of the question's parts, of which so many are left, worth more than
   * `above`. Of parts taken for one another the dearest are laid. At most so many, of those that are `open`.
   */
  dearest(
    kind: number,
    { values, left, above }: { values: Counts; left: Counts; above: number },
    open: (counts: Counts) => boolean,
    most: number,
  ): Counts[] {
    // What so many copies of a class come to, from none on.
    const sums = this.wanted.map(({ members }) => {
      const sorted = [...members].sort((a, b) => at(values, b) - at(values, a));
      const each = sorted.flatMap((part) =>
        new Array<number>(at(left, part)).fill(at(values, part)),
      );
      const totals = [0];
      for (const value of each) totals.push(at(totals, totals.length - 1) + value);
      return { sorted, totals };
    });
    const full = (counts: Counts): Counts => {
      const own = values.map(() => 0);
      counts.forEach((count, part) => {
        let more = count;
        for (const member of at(sums, part).sorted) {
          own[member] = Math.min(more, at(left, member));
          more -= at(own, member);
        }
      });
      return own;
    };
    const found: { counts: Counts; value: number }[] = [];
    for (const column of this.columns) {
      if (column.kind !== kind) continue;
      let value = 0;
      for (let part = 0; part < column.counts.length; part += 1) {
        const { totals } = sums[part] as { totals: number[] };
        value += totals[Math.min(column.counts[part] as number, totals.length - 1)] as number;
      }
      const last = found[most - 1];
      if (value <= above || (last && value <= last.value)) continue;
      const counts = full(column.counts);
      if (!open(counts)) continue;
      found.push({ counts, value });
      found.sort((one, other) => other.value - one.value);
      found.splice(most);
    }
    return found.map(({ counts }) => counts);
  }

  /** Counts by what is wanted, of counts by the question's parts. */
  private ownOf(counts: Counts): number[] {
    return this.wanted.map(({ members }) => sum(members.map((index) => at(counts, index))));
  }

  /** A shortest row of those of a pattern's copies that must lie in one and what lies beside it, its parts by the question's; null where none is known. */
  order({ kind, counts }: RelaxedBoard): OrderedRow | null {
    const order = at(this.kinds, kind).order(this.ownOf(counts));
    const { demands } = this.relaxation.question;
    const left = [...counts];
    const named = (list: readonly InRow[]) =>
      list.map((each) => {
        const { members } = at(this.wanted, each.part);
        const open = members.filter((index) => at(left, index) > 0);
        const own = open.find((index) => at(demands, index).part === each.of);
        const part = own ?? open[0] ?? at(members, 0);
        left[part] = at(left, part) - 1;
        return { ...each, part };
      });
    return order && { row: named(order.row), strips: named(order.strips) };
  }

  /** Takes a pattern, and all that hold more, out of the choice; what it holds less one copy comes in. */
  forbid(kind: number, full: Counts): void {
    const counts = this.ownOf(full);
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
