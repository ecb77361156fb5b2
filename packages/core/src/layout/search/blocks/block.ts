import type { Ticks } from '../../../measure/index.js';
import type { Packed } from './counts.js';

/** A rectangle of pieces that through cuts part; sizes with a kerf more than they have, so that no kerf stands between them. */
export interface Block {
  /** Along the board. */
  long: Ticks;
  /** Across the board. */
  wide: Ticks;
  /** Square ticks that no piece takes. */
  waste: number;
  /** Copies of each type. */
  copies: Packed;
  /** A sum of a number for each copy: others hardly ever have the same. */
  mark: number;
  pieces: number;
  /** The one piece, or what it is joined of: side by side along the board, or one above the other. */
  made: { item: number } | { first: Block; second: Block; along: boolean };
}

/** A piece in one way of lying, or two that lean against one another: types, and their size with a kerf. */
export interface BlockItem {
  types: readonly number[];
  long: Ticks;
  wide: Ticks;
}

/** Boards of one size to be filled, sizes with a kerf. */
export interface Bin {
  long: Ticks;
  wide: Ticks;
  count: number;
}

/** Where the items of a block lie, its lower-left corner at (x, y). */
export function itemsOf(block: Block, x: Ticks, y: Ticks): { item: number; x: Ticks; y: Ticks }[] {
  const { made } = block;
  if ('item' in made) return [{ item: made.item, x, y }];
  const { first, second, along } = made;
  return [
    ...itemsOf(first, x, y),
    ...itemsOf(second, along ? x + first.long : x, along ? y : y + first.wide),
  ];
}
