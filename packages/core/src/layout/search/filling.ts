import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import type { Shape } from './shapes.js';

/** A shape with its lower-left corner at (x, y). */
export interface Piece {
  shape: Shape;
  x: Ticks;
  y: Ticks;
}

/** What is cut from one board: pieces, how many of each part that is, and what they are worth together. */
export interface Filling {
  pieces: readonly Piece[];
  /** Copies by part index. */
  used: readonly number[];
  value: number;
}

/** A rectangle of the board to be filled, freed from its neighbours by straight cuts. */
export interface Region {
  left: Ticks;
  right: Ticks;
  bottom: Ticks;
  top: Ticks;
}

/** What is to be laid on a board, and how thoroughly. */
export interface Wanted {
  /** Copies still to place, by part index. */
  copies: ArrayLike<number>;
  /** What one copy is worth, by part index. */
  values: ArrayLike<number>;
  /** One piece after the other along the board, nothing ripped off beside them: fewer cuts. */
  plain?: boolean;
  /** Strips ripped off along the board, each cut across into pieces: two stages, whatever is asked. */
  strips?: boolean;
  /** Rows are also filled exactly, and slopes laid against one another from both edges of the board, which takes its time. */
  thorough?: boolean;
  /** Sloped pieces may lie along the far edge too, so that their slopes interlock in the middle of the board. */
  interlock?: boolean;
}

/** An empty board. */
export const nothingOn = (parts: number): Filling => ({
  pieces: [],
  used: new Array<number>(parts).fill(0),
  value: 0,
});

/** What lies on a board, counted by part index. */
export function fillingOf(pieces: readonly Piece[], parts: number, value = 0): Filling {
  const used = new Array<number>(parts).fill(0);
  for (const piece of pieces) used[piece.shape.part] = at(used, piece.shape.part) + 1;
  return { pieces, used, value };
}

function minus(copies: ArrayLike<number>, used: ArrayLike<number>): Int32Array {
  return Int32Array.from(
    { length: copies.length },
    (_unused, part) => at(copies, part) - at(used, part),
  );
}

/** What is still to be laid. */
export const less = (wanted: Wanted, filling: Filling): Wanted => ({
  copies: minus(wanted.copies, filling.used),
  values: wanted.values,
});

/** Two fillings that lie beside each other. */
export const together = (a: Filling, b: Filling): Filling => ({
  pieces: [...a.pieces, ...b.pieces],
  used: a.used.map((count, part) => count + at(b.used, part)),
  value: a.value + b.value,
});
