import type { Cents } from '../measure/money.js';
import type { Ticks } from '../measure/ticks.js';
import { cutsToFree } from './cuts.js';
import { type LayoutJob, priceOf } from './job.js';
import type { Layout } from './layout.js';
import { placePart } from './placed.js';

/** Saw strokes that free every panel of a layout, as a maker counts them. */
export function countCuts(job: LayoutJob, layout: Layout): number {
  const parts = new Map(job.parts.map((part) => [part.id, part]));
  return layout.boards.reduce((sum, board) => {
    const stock = job.stock.find((each) => each.id === board.stock);
    if (!stock) return sum;
    const pieces = board.placements.flatMap((placement) => {
      const part = parts.get(placement.part);
      if (!part) return [];
      const [left, bottom, right, top] = placePart(part, placement).bounds;
      return [{ left, bottom, right, top }];
    });
    return sum + cutsToFree(pieces, { left: 0, bottom: 0, right: stock.length, top: stock.width }, job.saw.kerf);
  }, 0);
}

/** What the boards cost when what goes back to the rack is not counted: each board's price by the share of it that is used up. */
export function usedCost(job: LayoutJob, layout: Layout): Cents {
  return Math.round(
    layout.boards.reduce((sum, board) => {
      const stock = job.stock.find((each) => each.id === board.stock);
      if (!stock) return sum;
      const back = board.offcuts.reduce((area, offcut) => area + offcut.length * offcut.width, 0);
      return sum + priceOf(stock) * (1 - back / (stock.length * stock.width));
    }, 0),
  );
}

/** Panels shorter than what is held by hand at the saw, by part. Lengths in ticks. */
export function shortPieces(job: LayoutJob, handHeld: Ticks): { part: string; quantity: number; length: Ticks }[] {
  return job.parts.flatMap((part) => {
    const xs = [...part.outline, ...part.underside].map((point) => point[0]);
    const length = Math.max(...xs) - Math.min(...xs);
    return length < handHeld ? [{ part: part.id, quantity: part.quantity, length }] : [];
  });
}
