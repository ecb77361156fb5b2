import { type LayoutJob, type Part, priceOf, type Stock, suits } from '@spare-knot/core/job';
import { entry } from '@spare-knot/core/lists';
import type { Cents } from '@spare-knot/core/measure';

import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';

/** What a simpler method pays for the same job; null when it finds no place for some part. Boards with defects are left alone by both. */
export type Rival = Cents | null;

const sizeOf = (part: Part): { length: number; width: number } => {
  const points = [...part.outline, ...part.underside];
  const extent = (axis: 0 | 1) =>
    Math.max(...points.map((point) => point[axis])) -
    Math.min(...points.map((point) => point[axis]));
  return { length: extent(0), width: extent(1) };
};
const carries = (part: Part, stock: Stock): boolean => {
  const { length, width } = sizeOf(part);
  const faced = [stock.faceA, stock.faceB];
  return (
    stock.defects.length === 0 &&
    suits(part, stock) &&
    length <= stock.length &&
    width <= stock.width &&
    (part.inside === 'any' || faced.includes(part.inside))
  );
};
const byValue = (stock: readonly Stock[]) =>
  [...stock].sort((a, b) => priceOf(a) / (a.length * a.width) - priceOf(b) / (b.length * b.width));
const copiesOf = (job: LayoutJob) =>
  job.parts
    .flatMap((part) => Array.from({ length: part.quantity }, () => ({ part, ...sizeOf(part) })))
    .sort((a, b) => b.width - a.width || b.length - a.length);

/** First fit decreasing on shelves: each piece goes on the first shelf of the first board that takes it, else on a new shelf, else a new board. */
export function firstFitDecreasing(job: LayoutJob): Rival {
  const { kerf, rip } = job.saw;
  const boards: { stock: Stock; used: number; shelves: { height: number; used: number }[] }[] = [];
  const left = new Map(job.stock.map((stock) => [stock.id, stock.quantity]));
  const place = (
    board: (typeof boards)[number],
    piece: { length: number; width: number },
  ): boolean => {
    for (const shelf of board.shelves) {
      if (piece.width <= shelf.height && shelf.used + piece.length <= board.stock.length) {
        shelf.used += piece.length + kerf;
        return true;
      }
    }
    if ((!rip && board.shelves.length > 0) || board.used + piece.width > board.stock.width)
      return false;
    board.shelves.push({ height: piece.width, used: piece.length + kerf });
    board.used += piece.width + kerf;
    return true;
  };
  for (const piece of copiesOf(job)) {
    if (
      boards.some(
        (board) =>
          carries(piece.part, board.stock) &&
          (rip || Math.abs(board.stock.width - piece.width) <= 160) &&
          place(board, piece),
      )
    )
      continue;
    const stock = byValue(job.stock).find(
      (each) =>
        entry(left, each.id) > 0 &&
        carries(piece.part, each) &&
        (rip || Math.abs(each.width - piece.width) <= 160),
    );
    if (!stock) return null;
    left.set(stock.id, entry(left, stock.id) - 1);
    const board = { stock, used: 0, shelves: [] };
    boards.push(board);
    place(board, piece);
  }
  return boards.reduce((sum, board) => sum + priceOf(board.stock), 0);
}

/** A general-purpose rectangle packer, a kerf between bounding boxes: each part on the kind of board that is cheapest for its area. */
export function rectanglePacker(job: LayoutJob): Rival {
  if (!job.saw.rip) return null;
  let cost = 0;
  const groups = new Map<Stock, { length: number; width: number }[]>();
  for (const piece of copiesOf(job)) {
    const stock = byValue(job.stock).find((each) => carries(piece.part, each));
    if (!stock) return null;
    groups.set(stock, [...(groups.get(stock) ?? []), piece]);
  }
  for (const [stock, pieces] of groups) {
    const packer = new MaxRectsPacker(stock.length, stock.width, job.saw.kerf, {
      smart: false,
      pot: false,
      square: false,
      allowRotation: false,
    });
    for (const piece of pieces) packer.add(piece.length, piece.width, null);
    if (packer.bins.length > stock.quantity) return null;
    cost += packer.bins.length * priceOf(stock);
  }
  return cost;
}
