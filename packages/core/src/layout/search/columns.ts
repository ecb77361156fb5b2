import type { LayoutJob } from '../../job/index.js';
import { at, entry } from '../../lists/index.js';
import { meanArea } from '../area.js';
import type { Goals } from '../goals.js';
import type { LinearModel, LinearSolver } from '../solver/linear.js';
import { type Construction, type FilledBoard, keepsStages, type Pile, weigh } from './construct.js';
import { THOROUGH_FROM_BEAM } from './fill-board.js';
import { fillingOf, type Piece } from './filling.js';

/** What a master programme chooses among: boards as they may be cut. */
interface Column {
  board: FilledBoard;
  key: string;
}

/** What parts are worth, by part of the job, and what is paid besides for a board of each pile because there are no more of them: nothing, or less. */
export interface Prices {
  values: Float64Array;
  quota: readonly number[];
}

const isSimpler = (one: FilledBoard, other: FilledBoard): boolean =>
  one.cuts < other.cuts || (one.cuts === other.cuts && one.used < other.used);

/** Seconds that one linear, and one whole-number, programme may take. */
const LINEAR_SECONDS = 2;

/**
 * Patterns found so far for one group of parts and boards, and the programmes over them. A column is a board cut so; the linear master
 * prices the parts, the board filler finds boards that are worth more than they cost at those prices, and the whole-number master
 * chooses how many boards to cut like which. Gilmore and Gomory (1961) for the scheme, from memory [M].
 */
export class ColumnPool {
  private readonly columns = new Map<string, Column>();
  /** For the same copies on the same kind of board, the way with the fewest cuts that was ever learnt. */
  private readonly simplest = new Map<string, FilledBoard>();
  private readonly pileIndex: Map<Pile, number>;

  constructor(
    private readonly job: LayoutJob,
    private readonly piles: readonly Pile[],
    private readonly parts: readonly number[],
    private readonly copies: ArrayLike<number>,
    private readonly goals: Goals,
    /** Boards that can still be taken of each pile. */
    private readonly left: readonly number[] = piles.map((pile) => pile.left),
  ) {
    this.pileIndex = new Map(piles.map((pile, index) => [pile, index]));
  }

  /** A pool for what is still to be laid: the patterns of this one that do not lay more of a part than that. */
  rest(copies: ArrayLike<number>, left: readonly number[]): ColumnPool {
    const pool = new ColumnPool(this.job, this.piles, this.parts, copies, this.goals, left);
    for (const { board } of this.columns.values())
      if (
        at(left, entry(this.pileIndex, board.pile)) > 0 &&
        board.filling.used.every((used, part) => used <= at(copies, part))
      )
        pool.add(board);
    return pool;
  }

  /**
   * Boards to settle on next by the linear master: those of which it takes whole ones, or else the one that it takes most of. `chance`
   * turns the choice a little. Empty when it takes none.
   */
  settle(
    solver: LinearSolver,
    chance: () => number,
  ): { pile: number; board: FilledBoard; times: number }[] {
    const { model, columns } = this.model(false);
    const solved = solver(model, LINEAR_SECONDS);
    if (!solved) return [];
    const copies = Int32Array.from({ length: this.job.parts.length }, (_unused, part) =>
      at(this.copies, part),
    );
    const left = [...this.left];
    const take = (column: Column, most: number) => {
      const { board } = column;
      const pile = entry(this.pileIndex, board.pile);
      const times = Math.min(
        most,
        at(left, pile),
        ...board.filling.used.map((used, part) =>
          used > 0 ? Math.floor(at(copies, part) / used) : Number.POSITIVE_INFINITY,
        ),
      );
      if (times < 1) return [];
      left[pile] = at(left, pile) - times;
      for (const [part, used] of board.filling.used.entries())
        copies[part] = at(copies, part) - used * times;
      return [{ pile, board, times }];
    };
    const shares = columns
      .map((column, index) => ({ column, share: at(solved.values, index) }))
      .filter(({ share }) => share > 1e-6);
    const whole = shares.flatMap(({ column, share }) => take(column, Math.floor(share + 1e-6)));
    if (whole.length > 0) return whole;
    const order = shares
      .map((each) => ({ ...each, key: each.share * (0.7 + 0.6 * chance()) }))
      .sort((a, b) => b.key - a.key);
    for (const { column } of order) {
      const taken = take(column, 1);
      if (taken.length > 0) return taken;
    }
    return [];
  }

  get size(): number {
    return this.columns.size;
  }

  /** Every board of a pile that was learnt. */
  boardsOf(pile: Pile): FilledBoard[] {
    return [...this.columns.values()].flatMap(({ board }) => (board.pile === pile ? [board] : []));
  }

  /** Every board that was learnt, as cheap in wood as it can be cut. */
  get boards(): Iterable<FilledBoard> {
    return [...this.columns.values()].map(({ board }) => board);
  }

  /** The same boards with as few cuts as they can be cut. */
  get fewestCuts(): Iterable<FilledBoard> {
    return this.simplest.values();
  }

  /** Takes in the boards of a layout; true when one of them is new. */
  learn(boards: readonly FilledBoard[]): boolean {
    let grown = false;
    for (const board of boards) grown = this.add(board) || grown;
    return grown;
  }

  private add(board: FilledBoard): boolean {
    if (!keepsStages(board, this.goals)) return false;
    const key = `${this.pileIndex.get(board.pile)}|${board.filling.used.join()}`;
    const simplest = this.simplest.get(key);
    if (!simplest || isSimpler(board, simplest)) this.simplest.set(key, board);
    const known = this.columns.get(key);
    if (known && this.cost(known.board) <= this.cost(board) + 1e-9) return false;
    this.columns.set(key, { board, key });
    return true;
  }

  /** Cents, and a little for the wood that is used up, so that among equal prices the better offcut wins. */
  private cost(board: FilledBoard): number {
    const largest = Math.max(...this.piles.map((pile) => pile.stock.length * pile.stock.width));
    const perBoard = 0.4 / Math.max(1, this.totalBoards());
    const used = (board.used / largest) * perBoard;
    if (this.goals.first === 'cuts') return board.cuts * 100 + board.pile.price * 1e-3 + used;
    return board.pile.price + used + (board.cuts / 1000) * perBoard;
  }

  private totalBoards(): number {
    return Math.min(
      this.left.reduce((sum, left) => sum + left, 0),
      this.parts.reduce((sum, part) => sum + at(this.copies, part), 0),
    );
  }

  private model(whole: boolean): {
    model: LinearModel;
    columns: readonly Column[];
    penalty: readonly number[];
  } {
    const columns = [...this.columns.values()];
    const dearest = Math.max(1, ...columns.map((column) => this.cost(column.board)));
    // Leaving a part out costs more than any board; one copy more than however much larger those are that stay out instead.
    const areas = this.parts.map((part) => meanArea(at(this.job.parts, part)));
    const all = this.parts.reduce((total, part) => total + at(this.copies, part), 0);
    const penalty = areas.map((area) => dearest * (4 + all + area / Math.max(...areas)));
    const rowOf = (part: number) =>
      columns.flatMap((column, index) =>
        (column.board.filling.used[part] ?? 0) > 0
          ? [[index, at(column.board.filling.used, part)] as const]
          : [],
      );
    return {
      columns,
      penalty,
      model: {
        columns: [
          ...columns.map((column) => ({
            cost: this.cost(column.board),
            most: at(this.left, entry(this.pileIndex, column.board.pile)),
            whole,
          })),
          ...this.parts.map((part, index) => ({
            cost: at(penalty, index),
            most: at(this.copies, part),
            whole: false,
          })),
        ],
        rows: [
          ...this.parts.map((part, index) => ({
            terms: [...rowOf(part), [columns.length + index, 1] as const],
            sense: 'at least' as const,
            limit: at(this.copies, part),
          })),
          ...this.piles.map((pile, where) => ({
            terms: columns.flatMap((column, index) =>
              column.board.pile === pile ? [[index, 1] as const] : [],
            ),
            sense: 'at most' as const,
            limit: at(this.left, where),
          })),
        ],
      },
    };
  }

  /** Copies of a part that are to be laid. */
  wanted(part: number): number {
    return at(this.copies, part);
  }

  /** Boards that can still be taken of a pile. */
  leftOf(pile: number): number {
    return at(this.left, pile);
  }

  /** What the linear master pays; null where the solver has no answer. */
  prices(solver: LinearSolver): Prices | null {
    const solved = solver(this.model(false).model, LINEAR_SECONDS);
    if (!solved) return null;
    const values = new Float64Array(this.job.parts.length);
    for (const [index, part] of this.parts.entries())
      values[part] = Math.max(0, at(solved.duals, index));
    const quota = this.piles.map((_pile, index) =>
      Math.min(0, at(solved.duals, this.parts.length + index)),
    );
    return { values, quota };
  }

  /** Takes in a board that is worth more than it costs at these prices; true when it came in. */
  offer(board: FilledBoard, { values, quota }: Prices): boolean {
    const worth = board.filling.used.reduce(
      (total, count, part) => total + count * at(values, part),
      0,
    );
    const pile = entry(this.pileIndex, board.pile);
    return worth > this.cost(board) - at(quota, pile) + 1e-6 && this.add(board);
  }

  /**
   * One round of pricing: the linear master, then for every pile the boards worth more than they cost. `beam` is how widely the board
   * filler looks; `shake` turns the prices a little, so that other boards are found. True when a column came in.
   */
  price(
    solver: LinearSolver,
    beam: number,
    shake: (part: number) => number,
    halted: () => boolean,
  ): boolean {
    const prices = this.prices(solver);
    if (!prices) return false;
    const values = prices.values.map((value, part) => value * shake(part));
    const wanted = Int32Array.from({ length: this.job.parts.length }, (_unused, part) =>
      at(values, part) > 1e-9 ? at(this.copies, part) : 0,
    );
    let grown = false;
    for (const [index, pile] of this.piles.entries()) {
      if (halted()) break;
      if (at(this.left, index) <= 0) continue;
      for (const plain of this.goals.first === 'cuts' ? [true, false] : [false]) {
        const filling = pile.filler.fill(
          { copies: wanted, values, plain, thorough: beam >= THOROUGH_FROM_BEAM },
          beam,
          pile.ends,
        );
        if (filling.pieces.length === 0) continue;
        const board = weigh(pile, filling, this.job.saw, this.goals);
        if (filling.value > this.cost(board) - at(prices.quota, index) + 1e-6)
          grown = this.add(board) || grown;
      }
    }
    return grown;
  }

  /** Boards as full as they can be, the parts weighed by their area and a hair of chance: of many that are alike full, each time another. */
  learnFull(areas: ArrayLike<number>, chance: () => number, beam: number): void {
    const values = Float64Array.from(
      { length: this.job.parts.length },
      (_unused, part) => at(areas, part) * (1 + 1e-5 * chance()),
    );
    for (const [index, pile] of this.piles.entries()) {
      if (at(this.left, index) <= 0) continue;
      const filling = pile.filler.fill(
        { copies: this.copies, values, thorough: true },
        beam,
        pile.ends,
      );
      if (filling.pieces.length > 0) this.add(weigh(pile, filling, this.job.saw, this.goals));
    }
  }

  /** How many boards to cut like which, in whole numbers; copies beyond the demand are left off their boards. */
  choose(solver: LinearSolver, seconds: number): Construction | null {
    const { model, columns } = this.model(true);
    const solved = solver(model, seconds);
    if (!solved) return null;
    const boards: FilledBoard[] = [];
    const spare = new Int32Array(this.job.parts.length);
    for (const part of this.parts) spare[part] = -at(this.copies, part);
    columns.forEach((column, index) => {
      const count = Math.round(at(solved.values, index));
      for (let repeat = 0; repeat < count; repeat += 1) {
        boards.push(column.board);
        column.board.filling.used.forEach((used, part) => {
          spare[part] = at(spare, part) + used;
        });
      }
    });
    const missing = Int32Array.from(spare, (over) => Math.max(0, -over));
    // From the last piece of the dearest boards on, so that what is left of them is long.
    const order = boards
      .map((_board, index) => index)
      .sort((a, b) => at(boards, b).pile.price - at(boards, a).pile.price);
    for (const index of order) {
      const { pile, filling } = at(boards, index);
      if (!filling.used.some((used, part) => used > 0 && at(spare, part) > 0)) continue;
      const kept: Piece[] = [];
      for (const piece of [...filling.pieces].sort((a, b) => b.x - a.x)) {
        if (at(spare, piece.shape.part) > 0)
          spare[piece.shape.part] = at(spare, piece.shape.part) - 1;
        else kept.push(piece);
      }
      boards[index] = weigh(
        pile,
        fillingOf(kept.reverse(), this.job.parts.length),
        this.job.saw,
        this.goals,
      );
    }
    return { boards: boards.filter((board) => board.filling.pieces.length > 0), missing };
  }
}
