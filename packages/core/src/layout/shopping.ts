import { sum } from '../lists/index.js';
import type { Cents } from '../measure/index.js';
import type { LaidBoard, Layout } from './layout.js';

/** So many boards of one kind, to be bought. */
export interface Purchase {
  stock: string;
  count: number;
  each: Cents;
  cost: Cents;
}

/** What a layout has to buy: the boards of it that are of these kinds, in the order of the kinds. */
export const shoppingList = (
  { boards }: Pick<Layout, 'boards'>,
  offered: readonly { id: string; price: Cents | null }[],
): Purchase[] =>
  offered.flatMap(({ id, price }) => {
    const count = boards.filter(({ stock }) => stock === id).length;
    const each = price ?? 0;
    return count > 0 ? [{ stock: id, count, each, cost: each * count }] : [];
  });

export const totalOf = (purchases: readonly Purchase[]): Cents =>
  sum(purchases.map(({ cost }) => cost));

/** Where a board lies: so many of its kind are counted from 0. */
export type Piece = Pick<LaidBoard, 'stock' | 'piece'>;

/**
 * Bought boards take the places of those that were offered: gives for a piece of an offer the piece on the rack, and for any other the same.
 * Of each offer the pieces that the layout uses are the boards that were bought, in their order.
 *
 * @param boardOf the board on the rack by the offer that it was
 */
export function piecesBought(
  { boards }: Pick<Layout, 'boards'>,
  boardOf: ReadonlyMap<string, string>,
): <P extends Piece>(piece: P) => P {
  const used = new Map<string, number[]>();
  for (const { stock, piece } of boards)
    if (boardOf.has(stock)) used.set(stock, [...(used.get(stock) ?? []), piece]);
  return (piece) => {
    const board = boardOf.get(piece.stock);
    const index = used.get(piece.stock)?.indexOf(piece.piece) ?? -1;
    return board === undefined || index < 0 ? piece : { ...piece, stock: board, piece: index };
  };
}

/** The layout once its boards are bought: the same panels on the same wood, and nothing left to pay. */
export const layoutBought = (layout: Layout, boardOf: ReadonlyMap<string, string>): Layout => ({
  ...layout,
  boards: layout.boards.map(piecesBought(layout, boardOf)),
  cost: 0,
  lowerBound: 0,
  optimal: layout.unplaced.length === 0,
});
