import type { LayoutJob, PinnedPlacement, Saw, Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Cents, Ticks } from '../../measure/index.js';
import { cutsToFree } from '../cuts-to-free.js';
import { type Goals, woodWorth } from '../goals.js';
import type { BoardFiller, Filling, Piece, Wanted } from './fill-board.js';
import { type Lying, lyingOf, offcutsOf } from './offcuts.js';

/** A board of the answer: which pile it comes from and what is cut from it. */
export interface FilledBoard {
  pile: Pile;
  filling: Filling;
  /** Wood used up: the board's worth less that of what goes back to the rack, in square ticks of the best class. */
  used: number;
  longest: Ticks;
  cuts: number;
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

const sum = (counts: ArrayLike<number>): number => {
  let total = 0;
  for (let index = 0; index < counts.length; index += 1) total += at(counts, index);
  return total;
};

const rectOf = ({ x, y, shape }: Piece) => ({
  left: x,
  bottom: y,
  right: x + shape.length,
  top: y + shape.width,
});

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
  return {
    pile,
    filling,
    used: woodWorth(stock.length, stock.width, goals) - back,
    longest: Math.max(0, ...offcuts.map((offcut) => offcut.length)),
    cuts: cutsToFree(
      filling.pieces.map(rectOf),
      { left: 0, bottom: 0, right: stock.length, top: stock.width },
      saw.kerf,
    ),
  };
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
  const copies = Int32Array.from({ length: wanted.copies.length }, (_unused, part) =>
    at(wanted.copies, part),
  );
  const left = piles.map((pile) => pile.left);
  const boards: FilledBoard[] = [];
  const known: (Filling | null)[] = piles.map(() => null);
  const fits = (filling: Filling) => filling.used.every((count, part) => count <= at(copies, part));
  while (sum(copies) > 0 && !stopped()) {
    let choice: { pile: number; filling: Filling; score: number } | null = null;
    let ending: { pile: number; filling: Filling; price: Cents; size: number } | null = null;
    const rest = sum(copies);
    for (const [index, pile] of piles.entries()) {
      if (at(left, index) <= 0) continue;
      let filling = known[index];
      if (!filling || !fits(filling)) {
        filling = pile.filler.fill({ copies, values: wanted.values }, beam, pile.ends);
        known[index] = filling;
      }
      if (filling.value <= 0) continue;
      const size = pile.stock.length * pile.stock.width;
      const score = pile.price > 0 ? filling.value / pile.price : 1e18 + filling.value / size;
      if (!choice || score > choice.score) choice = { pile: index, filling, score };
      if (
        sum(filling.used) === rest &&
        (!ending ||
          pile.price < ending.price ||
          (pile.price === ending.price && size < ending.size))
      ) {
        ending = { pile: index, filling, price: pile.price, size };
      }
    }
    if (!choice) break;
    const taken = ending && ending.price <= at(piles, choice.pile).price ? ending : choice;
    const { filling } = taken;
    const alike = Math.min(
      at(left, taken.pile),
      ...filling.used.map((count, part) =>
        count > 0 ? Math.floor(at(copies, part) / count) : Number.POSITIVE_INFINITY,
      ),
    );
    const board = weigh(at(piles, taken.pile), filling, job.saw, goals);
    for (let repeat = 0; repeat < alike; repeat += 1) boards.push(board);
    left[taken.pile] = at(left, taken.pile) - alike;
    filling.used.forEach((count, part) => {
      copies[part] = at(copies, part) - count * alike;
    });
  }
  return { boards, missing: copies };
}
