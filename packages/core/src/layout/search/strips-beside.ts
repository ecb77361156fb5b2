import type { Saw, Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { type Obstacle, slideClear } from './defects.js';
import type { Piece } from './fill-board.js';
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

/** As many strips as have room over the runs, in their order; they are taken out of those that are left. */
function overRuns(runs: readonly Run[], left: Shape[], bed: Bed): Piece[] {
  const laid: Piece[] = [];
  for (const run of runs) {
    let last: Piece | null = null;
    for (let strip = left[0]; strip; strip = left[0]) {
      const y = run.isAbove ? bed.stock.width - strip.width : 0;
      const from: Ticks = last ? last.x + bed.follow(last.shape, strip) : run.left;
      const x = slideClear(strip, bed.obstacles, from, y, run.right);
      if (x === null || x + strip.length > run.right) break;
      last = { shape: strip, x, y };
      laid.push(last);
      left.shift();
    }
  }
  return laid;
}

/** Strips stacked from one edge of the board to the other, as many as find room, taken out of those that are left; none where one is in the way of a defect. */
function stack(left: Shape[], start: Ticks, { stock, saw, obstacles, end }: Bed): Piece[] {
  const column: Piece[] = [];
  let from = start;
  for (let y = 0; left[0] && y + left[0].width <= stock.width; ) {
    const strip = at(left, 0);
    const x = slideClear(strip, obstacles, from, y, end);
    // Those above the first begin where it does.
    if (x === null || (column.length > 0 && x !== from)) return [];
    from = x;
    column.push({ shape: strip, x, y });
    left.shift();
    y += strip.width + saw.kerf;
  }
  return column;
}

/**
 * Strips laid beside the pieces of a row, each parted from them by a rip as long as the pieces that it lies over, and what is left of them
 * stacked behind the row; the row and the strips together, or null where they do not all find room.
 */
export function withStripsBeside(
  row: readonly Piece[],
  strips: readonly Shape[],
  bed: Bed,
): Piece[] | null {
  const left = [...strips].sort((a, b) => b.width - a.width);
  const laid = left[0] ? overRuns(runsFor(row, left[0].width, bed), left, bed) : [];
  let from = Math.max(0, ...row.map((piece) => endOf(piece) + bed.saw.kerf));
  while (left.length > 0) {
    const column = stack(left, from, bed);
    if (column.length === 0) return null;
    laid.push(...column);
    from = Math.max(...column.map(endOf)) + bed.saw.kerf;
  }
  return [...row, ...laid];
}
