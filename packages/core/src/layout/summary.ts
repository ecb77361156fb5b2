import { type LayoutJob, priceOf } from '../job/index.js';
import { at, entry, sum } from '../lists/index.js';
import type { Cents, Ticks } from '../measure/index.js';
import { meanArea } from './area.js';
import type { Layout } from './layout.js';
import { patternOf } from './pattern.js';
import { boardTree } from './separation/board-tree.js';

/** How many cuts free everything in a layout. Boards of one kind that are cut alike are counted once and multiplied. */
export function countCuts(job: LayoutJob, layout: Layout): number {
  const known = new Map<string, number>();
  return sum(
    layout.boards.map((board) => {
      const stock = job.stock.find((each) => each.id === board.stock);
      if (!stock) return 0;
      const key = patternOf(board);
      const cuts = known.get(key) ?? boardTree(job, stock, board).cuts.length;
      known.set(key, cuts);
      return cuts;
    }),
  );
}

/** What all boards of a layout are worth whole, at the prices of the job's stock. */
export const worthOf = (job: LayoutJob, { boards }: Pick<Layout, 'boards'>): Cents =>
  sum(
    boards.map(({ stock }) => {
      const kind = job.stock.find(({ id }) => id === stock);
      return kind ? priceOf(kind) : 0;
    }),
  );

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

/**
 * What each part costs in wood, all its copies together: each board's whole price shared among its panels by their area, so that waste
 * and offcuts are paid by what lies beside them. The shares add up to the layout's cost, rounding left to the largest.
 */
export function costByPart(
  job: LayoutJob,
  layout: Layout,
): { part: string; copies: number; cost: Cents }[] {
  const areas = new Map(job.parts.map((part) => [part.id, meanArea(part)]));
  const shares = new Map<string, number>();
  const copies = new Map<string, number>();
  for (const board of layout.boards) {
    const stock = job.stock.find((each) => each.id === board.stock);
    const total = board.placements.reduce((sum, { part }) => sum + (areas.get(part) ?? 0), 0);
    if (!stock || total === 0) continue;
    for (const { part } of board.placements) {
      shares.set(part, (shares.get(part) ?? 0) + (priceOf(stock) * (areas.get(part) ?? 0)) / total);
      copies.set(part, (copies.get(part) ?? 0) + 1);
    }
  }
  const rows = job.parts
    .filter((part) => copies.has(part.id))
    .map((part) => ({
      part: part.id,
      copies: entry(copies, part.id),
      cost: Math.round(entry(shares, part.id)),
    }));
  const over =
    rows.reduce((sum, row) => sum + row.cost, 0) -
    Math.round([...shares.values()].reduce((sum, share) => sum + share, 0));
  const largest = rows.reduce(
    (best, row, index) => (row.cost > at(rows, best).cost ? index : best),
    0,
  );
  return rows.map((row, index) => (index === largest ? { ...row, cost: row.cost - over } : row));
}

/** How far above the best possible a layout can be at most, as a share of the bound; null where no bound is known. */
export const aboveBest = ({
  cost,
  lowerBound,
}: Pick<Layout, 'cost' | 'lowerBound'>): number | null => {
  if (cost <= lowerBound) return 0;
  return lowerBound > 0 ? (cost - lowerBound) / lowerBound : null;
};

/** Panels shorter than what is held by hand at the saw, by part. Lengths in ticks. */
export function shortPieces(
  job: LayoutJob,
  handHeld: Ticks,
): { part: string; quantity: number; length: Ticks }[] {
  return job.parts.flatMap((part) => {
    const xs = [...part.outline, ...part.underside].map((point) => point[0]);
    const length = Math.max(...xs) - Math.min(...xs);
    return length < handHeld ? [{ part: part.id, quantity: part.quantity, length }] : [];
  });
}
