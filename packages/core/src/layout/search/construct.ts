import type { Cents } from '../../measure/money.js';
import type { Ticks } from '../../measure/ticks.js';
import { type LayoutJob, priceOf, type Stock } from '../job.js';
import type { BoardFiller, Filling, Piece, Wanted } from './fill-board.js';
import { offcutsOf, offcutWorth } from './offcuts.js';

/** A board of the answer: which kind (index in the job's stock) and what is cut from it. */
export interface FilledBoard {
  kind: number;
  filling: Filling;
  worth: number;
}

/** Boards of one kind that can still be taken. */
export interface Pile {
  kind: number;
  stock: Stock;
  filler: BoardFiller;
  left: number;
  /** Free stretches of the board, between pieces fixed by hand. */
  ends: readonly (readonly [Ticks, Ticks])[];
}

export interface Construction {
  boards: FilledBoard[];
  /** Copies that found no place, by part index. */
  missing: Int32Array;
}

const sum = (counts: ArrayLike<number>): number => Array.from(counts).reduce((total, count) => total + count, 0);

/** Worth of what is left of a board for the rack. */
export const restWorth = (pieces: readonly Piece[], stock: Stock, job: LayoutJob): number =>
  offcutsOf(pieces, stock, job.saw).reduce((total, offcut) => total + offcutWorth(offcut), 0);

/**
 * Fills board after board: each time the pile whose next board gives most value for its price, offcuts first; the cheapest board
 * that takes all the rest ends it. The same pattern is repeated while copies and boards last.
 */
export function construct(job: LayoutJob, piles: readonly Pile[], wanted: Wanted, beam: number, stopped: () => boolean): Construction {
  const copies = Int32Array.from({ length: wanted.copies.length }, (_unused, part) => wanted.copies[part]!);
  const left = piles.map((pile) => pile.left);
  const boards: FilledBoard[] = [];
  const known: (Filling | null)[] = piles.map(() => null);
  const fits = (filling: Filling) => filling.used.every((count, part) => count <= copies[part]!);
  while (sum(copies) > 0 && !stopped()) {
    let choice: { pile: number; filling: Filling; score: number } | null = null;
    let ending: { pile: number; filling: Filling; price: Cents; size: number } | null = null;
    const rest = sum(copies);
    for (const [index, pile] of piles.entries()) {
      if (left[index]! <= 0) continue;
      let filling = known[index];
      if (!filling || !fits(filling)) {
        filling = pile.filler.fill({ copies, values: wanted.values }, beam, pile.ends);
        known[index] = filling;
      }
      if (filling.value <= 0) continue;
      const price = priceOf(pile.stock);
      const size = pile.stock.length * pile.stock.width;
      const score = price > 0 ? filling.value / price : 1e18 + filling.value / size;
      if (!choice || score > choice.score) choice = { pile: index, filling, score };
      if (sum(filling.used) === rest && (!ending || price < ending.price || (price === ending.price && size < ending.size))) {
        ending = { pile: index, filling, price, size };
      }
    }
    if (!choice) break;
    const taken = ending && ending.price <= priceOf(piles[choice.pile]!.stock) ? ending : choice;
    const { filling } = taken;
    const alike = Math.min(
      left[taken.pile]!,
      ...filling.used.map((count, part) => (count > 0 ? Math.floor(copies[part]! / count) : Number.POSITIVE_INFINITY)),
    );
    const worth = restWorth(filling.pieces, piles[taken.pile]!.stock, job);
    for (let repeat = 0; repeat < alike; repeat += 1) boards.push({ kind: piles[taken.pile]!.kind, filling, worth });
    left[taken.pile]! -= alike;
    filling.used.forEach((count, part) => {
      copies[part]! -= count * alike;
    });
  }
  return { boards, missing: copies };
}
