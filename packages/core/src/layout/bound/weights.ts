import { endTrimOf, type Part, type Saw, type Stock } from '../../job/index.js';
import { type Ticks, TOLERANCE } from '../../measure/index.js';

/** Copies of a part that must be placed. */
export interface Demand {
  part: Part;
  copies: number;
}

/**
 * A weight for each part and a capacity for each board such that what lies on a board never weighs more than it holds. Every weight
 * is taken on face A alone, so that it holds whichever way a part is turned, flipped or bevelled.
 */
export interface DualWeights {
  weights: readonly number[];
  capacities: readonly number[];
}

/** Ways a part may lie: along the grain, or any way where grain does not bind. Axis 0: its x lies along the board. */
export const axesOf = (part: Part, stock: readonly Stock[]): readonly (0 | 1)[] =>
  part.grain === 'any' || stock.some((kind) => !kind.grained) ? [0, 1] : [0];

/** The kerf that a checker insists on. */
export const kerfOf = (saw: Saw): number => Math.max(0, saw.kerf - TOLERANCE);

/**
 * By how much parts and boards may be grown both along a board and across it so that parts still do not overlap. A cut with the direction
 * (c, s) square to it leaves a kerf between what it parts: c · along + s · across is a kerf at least. It may run along no edge of theirs,
 * between two corners of square parts too, so that the direction is any; a kerf both ways would be too much where two lie corner to corner.
 */
export const growth = (saw: Saw): Ticks => kerfOf(saw) * Math.SQRT1_2;

/** Length and width of a board that parts may lie on, as a checker takes them. */
export const usable = (kind: Stock, saw: Saw): readonly [Ticks, Ticks] => [
  Math.max(0, kind.length - 2 * endTrimOf(kind, saw)) + 2 * TOLERANCE,
  kind.width + 2 * TOLERANCE,
];
