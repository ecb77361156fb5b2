import type { Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import type { Piece } from './filling.js';

type Axis = 0 | 1;

const from = ({ x, y }: Piece, axis: Axis): Ticks => (axis === 0 ? x : y);
const to = ({ shape, x, y }: Piece, axis: Axis): Ticks =>
  axis === 0 ? x + shape.length : y + shape.width;

/** Pieces in groups between which a straight cut goes right across; axis 0: across the board's length, 1: along it. */
function parted(pieces: readonly Piece[], axis: Axis): Piece[][] {
  const groups: Piece[][] = [];
  let reach = Number.NEGATIVE_INFINITY;
  for (const piece of [...pieces].sort((a, b) => from(a, axis) - from(b, axis))) {
    if (from(piece, axis) > reach) groups.push([piece]);
    else at(groups, -1).push(piece);
    reach = Math.max(reach, to(piece, axis));
  }
  return groups;
}

/** Stages when the first cuts go this way. */
function stagesFrom(pieces: readonly Piece[], axis: Axis): number {
  if (pieces.length <= 1) return 0;
  const groups = parted(pieces, axis);
  if (groups.length === 1) return Number.POSITIVE_INFINITY;
  return 1 + Math.max(...groups.map((group) => within(group, axis === 0 ? 1 : 0)));
}

/** What no cut of the one way parts: parted the other way, or along its slopes. */
const within = (pieces: readonly Piece[], axis: Axis): number => {
  const stages = stagesFrom(pieces, axis);
  return Number.isFinite(stages) ? stages : 1;
};

/**
 * In how many stages pieces come off a board: all cuts of a stage go one way, right across what the stage before left, and stages turn
 * by a quarter (Gilmore and Gomory, Operations Research 13 (1965), from memory [M]). A board is ripped its long way first where that parts
 * anything, as it is sawn. The last trim of a piece by itself is not counted; pieces that lie with their slopes against one another are
 * parted in one stage.
 */
export function stagesOf(pieces: readonly Piece[], { length, width }: Size): number {
  const long: Axis = length >= width ? 1 : 0;
  const short: Axis = long === 1 ? 0 : 1;
  const stages = stagesFrom(pieces, long);
  return Number.isFinite(stages) ? stages : within(pieces, short);
}

/** Of a board. */
type Size = Pick<Stock, 'length' | 'width'>;
