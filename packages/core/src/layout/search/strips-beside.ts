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
}

/** Pieces one behind the other against one edge that a straight cut parts from those before and behind, and from one another. */
interface Run {
  left: Ticks;
  right: Ticks;
  isHigh: boolean;
}

const endOf = ({ x, shape }: Piece): Ticks => x + shape.length;

/** The runs of a row over which a strip of this width has room. */
function runsFor(row: readonly Piece[], width: Ticks, { stock, saw }: Bed): Run[] {
  const runs: Run[] = [];
  let open: Run | null = null;
  let reach = Number.NEGATIVE_INFINITY;
  row.forEach((piece, index) => {
    const next = Math.min(...row.slice(index + 1).map(({ x }) => x));
    const isHigh = piece.y > 0;
    const hosts = piece.shape.width + saw.kerf + width <= stock.width;
    const [startsFree, endsFree] = [piece.x >= reach + saw.kerf, next >= endOf(piece) + saw.kerf];
    if (!hosts || !startsFree || !endsFree) open = null;
    else if (open && open.isHigh === isHigh) open.right = endOf(piece);
    else {
      open = { left: piece.x, right: endOf(piece), isHigh };
      runs.push(open);
    }
    reach = Math.max(reach, endOf(piece));
  });
  return runs;
}

/** As many strips as have room over the runs, from the widest on; they are taken out of those that are left. */
function overRuns(runs: readonly Run[], left: Shape[], { stock, saw, obstacles }: Bed): Piece[] {
  const laid: Piece[] = [];
  for (const run of runs) {
    let from = run.left;
    for (let strip = left[0]; strip; strip = left[0]) {
      const y = run.isHigh ? 0 : stock.width - strip.width;
      const x = slideClear(strip, obstacles, from, y, run.right);
      if (x === null) break;
      laid.push({ shape: strip, x, y });
      left.shift();
      from = x + strip.length + saw.kerf;
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
  const left = [...strips].sort((a, b) => b.width - a.width || b.length - a.length);
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
