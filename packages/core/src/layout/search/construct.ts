import type { LayoutJob, PinnedPlacement, Saw, Stock } from '../../job/index.js';
import { at, maxBy, must, sum } from '../../lists/index.js';
import type { Cents, Ticks } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';
import { type Goals, woodWorth } from '../goals.js';
import { offcutTarget, wholeBoard } from '../separation/board-tree.js';
import { separate } from '../separation/separate.js';
import type { Target } from '../separation/target.js';
import { treeStages } from '../separation/tree-stages.js';
import type { BoardFiller } from './fill-board.js';
import type { Filling, Piece, Wanted } from './filling.js';
import { type Lying, lyingOf, offcutsOf } from './offcuts.js';

/** A board of the answer: which pile it comes from and what is cut from it. */
export interface FilledBoard {
  pile: Pile;
  filling: Filling;
  /** Wood used up: the board's worth less that of what goes back to the rack, in square ticks of the best class. */
  used: number;
  longest: Ticks;
  cuts: number;
  /** In how many stages it comes apart as its cuts are planned; not counted where any number will do. */
  stages: number;
}

/** Boards of one kind that can still be taken. */
export interface Pile {
  kind: number;
  stock: Stock;
  filler: BoardFiller;
  left: number;
  /** Price that taking one more of them adds; a board with pinned pieces is paid for already. */
  price: Cents;
  /** Free stretches of the board, between pieces fixed by hand. */
  ends: readonly (readonly [Ticks, Ticks])[];
  /** The board that the maker pinned pieces on, which is used whatever the rest does. */
  pinned: { piece: number; pins: readonly PinnedPlacement[]; lying: readonly Lying[] } | null;
}

export interface Construction {
  boards: FilledBoard[];
  /** Copies that found no place, by part index. */
  missing: Int32Array;
}

/** A piece as it is to come out of its board. */
function targetOf({ x, y, shape }: Piece): Target {
  const moved = (face: readonly Point[]) => face.map(([px, py]): Point => [px + x, py + y]);
  const [faceA, faceB] = [moved(shape.a), moved(shape.b)];
  return {
    wood: shape.flipped ? { faceA: faceA.reverse(), faceB: faceB.reverse() } : { faceA, faceB },
    part: { id: String(shape.part), copy: 0 },
  };
}

/** A filling with what it leaves and costs in cuts. */
export function weigh(pile: Pile, filling: Filling, saw: Saw, goals: Goals): FilledBoard {
  const { stock } = pile;
  const offcuts = offcutsOf(
    [...(pile.pinned?.lying ?? []), ...filling.pieces.map(lyingOf)],
    stock,
    saw,
    goals,
  );
  const back = offcuts.reduce(
    (total, offcut) => total + woodWorth(offcut.length, offcut.width, goals),
    0,
  );
  const tree = separate(
    wholeBoard(stock),
    [...filling.pieces.map(targetOf), ...offcuts.map(offcutTarget)],
    { saw, depth: stock.thickness },
  );
  return {
    pile,
    filling,
    used: woodWorth(stock.length, stock.width, goals) - back,
    longest: Math.max(0, ...offcuts.map((offcut) => offcut.length)),
    cuts: tree.cuts.length,
    stages: goals.stages ? treeStages(tree) : 0,
  };
}

/** Whether a board comes apart in no more stages than are wanted. */
export const keepsStages = (board: FilledBoard, { stages }: Goals): boolean =>
  !stages || board.stages <= stages;

/** A board that could be filled next. */
interface Choice {
  pile: number;
  filling: Filling;
  price: Cents;
  size: number;
  /** Value for its price; boards that cost nothing come before all others. */
  score: number;
}

/** Piles that are looked at for the next board. */
const MOST_PILES = 48;

/** The next board of every pile that still has one and can take anything. */
class NextBoards {
  private readonly known: (Filling | null)[];
  /** Indexes of the piles, those first whose boards cost least for their size. */
  private readonly order: readonly number[];

  constructor(
    private readonly piles: readonly Pile[],
    private readonly values: ArrayLike<number>,
    private readonly beam: number,
  ) {
    this.known = piles.map(() => null);
    const rate = ({ price, stock }: Pile) => price / (stock.length * stock.width);
    this.order = piles
      .map((_pile, index) => index)
      .sort((a, b) => rate(at(piles, a)) - rate(at(piles, b)) || a - b);
  }

  /** In the order of the piles; of very many those that cost least for their size. */
  choices(copies: Int32Array, left: readonly number[]): Choice[] {
    const choices: Choice[] = [];
    for (const index of this.order) {
      if (choices.length === MOST_PILES) break;
      const pile = at(this.piles, index);
      if (at(left, index) <= 0) continue;
      const filling = this.filling(index, pile, copies);
      if (filling.value <= 0) continue;
      const { price, stock } = pile;
      const size = stock.length * stock.width;
      const score = price > 0 ? filling.value / price : 1e18 + filling.value / size;
      choices.push({ pile: index, filling, price, size, score });
    }
    return choices.sort((a, b) => a.pile - b.pile);
  }

  /** The filling of the last time where copies are still there for it. */
  private filling(index: number, pile: Pile, copies: Int32Array): Filling {
    const known = this.known[index];
    if (known?.used.every((count, part) => count <= at(copies, part))) return known;
    const filling = pile.filler.fill({ copies, values: this.values }, this.beam, pile.ends);
    this.known[index] = filling;
    return filling;
  }
}

/** The one that gives most value for its price, or the cheapest that takes all the rest where it costs no more. */
function bestOf(choices: readonly Choice[], rest: number): Choice | undefined {
  const best = maxBy(choices, ({ score }) => score);
  const ending = choices
    .filter(({ filling }) => sum(filling.used) === rest)
    .reduce<Choice | undefined>((known, each) => {
      if (!known) return each;
      return each.price < known.price || (each.price === known.price && each.size < known.size)
        ? each
        : known;
    }, undefined);
  return ending && best && ending.price <= best.price ? ending : best;
}

/** The board where it comes apart in no more stages than are wanted, else one of strips alone, else one row. */
function inStages(
  board: FilledBoard,
  { saw }: LayoutJob,
  { values }: Wanted,
  copies: Int32Array,
  goals: Goals,
): FilledBoard {
  if (keepsStages(board, goals)) return board;
  const { pile } = board;
  const [strips, row] = [{ strips: true }, { plain: true }].map((simply) =>
    weigh(pile, pile.filler.fill({ copies, values, ...simply }, 1, pile.ends), saw, goals),
  );
  return strips && keepsStages(strips, goals) ? strips : must(row, 'a row');
}

/**
 * Fills board after board: each time the pile whose next board gives most value for its price, offcuts first; the cheapest board
 * that takes all the rest ends it. The same pattern is repeated while copies and boards last.
 */
export function construct(
  job: LayoutJob,
  piles: readonly Pile[],
  wanted: Wanted,
  beam: number,
  goals: Goals,
  stopped: () => boolean,
): Construction {
  const copies = Int32Array.from(wanted.copies);
  const left = piles.map((pile) => pile.left);
  const boards: FilledBoard[] = [];
  const next = new NextBoards(piles, wanted.values, beam);
  for (let rest = sum(copies); rest > 0 && !stopped(); rest = sum(copies)) {
    const taken = bestOf(next.choices(copies, left), rest);
    if (!taken) break;
    const pile = at(piles, taken.pile);
    const board = inStages(weigh(pile, taken.filling, job.saw, goals), job, wanted, copies, goals);
    const { filling } = board;
    if (filling.pieces.length === 0) break;
    const alike = Math.min(
      at(left, taken.pile),
      ...filling.used.map((count, part) =>
        count > 0 ? Math.floor(at(copies, part) / count) : Number.POSITIVE_INFINITY,
      ),
    );
    for (let repeat = 0; repeat < alike; repeat += 1) boards.push(board);
    left[taken.pile] = at(left, taken.pile) - alike;
    for (const [part, count] of filling.used.entries())
      copies[part] = at(copies, part) - count * alike;
  }
  return { boards, missing: copies };
}
