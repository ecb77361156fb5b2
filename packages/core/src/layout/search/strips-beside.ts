import type { Saw, Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { type Obstacle, slideClear } from './defects.js';
import type { Piece } from './filling.js';
import type { Shape } from './shapes.js';

/** A board on which a row lies, and where it may end. */
interface Bed {
  stock: Stock;
  saw: Saw;
  obstacles: readonly Obstacle[];
  end: Ticks;
  /** How far along the next of two shapes lies when both stand on one edge. */
  follow: (first: Shape, next: Shape) => Ticks;
}

/** Pieces one behind the other with room along one edge of the board, that straight cuts part from those before and behind. */
interface Run {
  left: Ticks;
  right: Ticks;
  /** Whether the room is along the upper edge. */
  isAbove: boolean;
}

const endOf = ({ x, shape }: Piece): Ticks => x + shape.length;

/** Whether a strip of this width has room above a piece, or below it; null where neither. */
function roomBeside({ y, shape }: Piece, width: Ticks, { stock, saw }: Bed): boolean | null {
  if (stock.width - y - shape.width >= saw.kerf + width) return true;
  return y >= saw.kerf + width ? false : null;
}

/** The runs of a row over which a strip of this width has room. */
function runsFor(row: readonly Piece[], width: Ticks, bed: Bed): Run[] {
  const { kerf } = bed.saw;
  const sides = row.map((piece) => roomBeside(piece, width, bed));
  // Whether a straight cut parts what comes before a piece from it and all behind it.
  const isFree = row.map((_piece, index) => {
    const before = Math.max(Number.NEGATIVE_INFINITY, ...row.slice(0, index).map(endOf));
    return before + kerf <= Math.min(...row.slice(index).map(({ x }) => x));
  });
  const runs: Run[] = [];
  for (let from = 0; from < row.length; ) {
    const side = at(sides, from);
    let to = from + 1;
    while (to < row.length && at(sides, to) === side) to += 1;
    let [first, behind] = [from, to];
    while (first < behind && !at(isFree, first)) first += 1;
    while (behind > first && behind < row.length && !at(isFree, behind)) behind -= 1;
    if (side !== null && first < behind)
      runs.push({
        left: at(row, first).x,
        right: Math.max(...row.slice(first, behind).map(endOf)),
        isAbove: side,
      });
    from = to;
  }
  return runs;
}

/** Where strips lie one behind the other: from one edge of the board or the other, or `y` up. */
interface Lane {
  left: Ticks;
  right: Ticks;
  placed: (strip: Shape) => Ticks;
  /** No more than so many. */
  most: number;
}

/** As many strips as have room in a lane, in their order; they are taken out of those that are left. */
function inLane({ left: start, right, placed, most }: Lane, left: Shape[], bed: Bed): Piece[] {
  const laid: Piece[] = [];
  for (let strip = left[0]; strip && laid.length < most; strip = left[0]) {
    const last = laid.at(-1);
    const y = placed(strip);
    const from = last ? last.x + bed.follow(last.shape, strip) : start;
    const x = slideClear(strip, bed.obstacles, from, y, right);
    if (x === null) break;
    laid.push({ shape: strip, x, y });
    left.shift();
  }
  return laid;
}

/** As many strips as have room over the runs, taken out of those that are left. */
function overRuns(runs: readonly Run[], left: Shape[], bed: Bed): Piece[] {
  return runs.flatMap(({ left: start, right, isAbove }) => {
    const placed = (strip: Shape) => (isAbove ? bed.stock.width - strip.width : 0);
    return inLane({ left: start, right, placed, most: left.length }, left, bed);
  });
}

/** All strips in lanes from one edge of the board to the other, so many in each at most; null where they do not all find room. The widest come first. */
function inLanes(strips: readonly Shape[], start: Ticks, most: number, bed: Bed): Piece[] | null {
  const left = [...strips];
  const laid: Piece[] = [];
  for (let y = 0; left[0]; ) {
    const { width } = left[0];
    if (y + width > bed.stock.width) return null;
    const up = y;
    laid.push(...inLane({ left: start, right: bed.end, placed: () => up, most }, left, bed));
    y += width + bed.saw.kerf;
  }
  return laid;
}

/**
 * Strips laid beside the pieces of a row, each parted from them by a rip as long as the pieces that it lies over, and what is left of them
 * behind the row in lanes as short as can be; the row and the strips together, or null where they do not all find room.
 */
export function withStripsBeside(
  row: readonly Piece[],
  strips: readonly Shape[],
  bed: Bed,
): Piece[] | null {
  const left = [...strips].sort((a, b) => b.width - a.width);
  const laid = left[0] ? overRuns(runsFor(row, left[0].width, bed), left, bed) : [];
  const from = Math.max(0, ...row.map((piece) => endOf(piece) + bed.saw.kerf));
  for (let most = left.length > 0 ? 1 : 0; most <= left.length; most += 1) {
    const behind = inLanes(left, from, most, bed);
    if (behind) return [...row, ...laid, ...behind];
  }
  return null;
}
