import type { LayoutJob, Stock } from '../../job/index.js';
import type { Ticks } from '../../measure/index.js';
import { rectangleAt } from '../../plane/index.js';
import type { KeptOffcut, LaidBoard } from '../layout.js';
import { placePart } from '../placed.js';
import type { Wood } from './saw-cut.js';
import { type CutTree, separate } from './separate.js';
import type { Target } from './target.js';

const square = (x: Ticks, y: Ticks, length: Ticks, width: Ticks): Wood => {
  const face = rectangleAt(x, y, length, width);
  return { faceA: face, faceB: face };
};

/** A board before its first cut. */
export const wholeBoard = ({ length, width }: Stock): Wood => square(0, 0, length, width);

/** An offcut as it is to stay whole. */
export const offcutTarget = ({ x, y, length, width }: KeptOffcut): Target => ({
  wood: square(x, y, length, width),
  part: null,
});

/** What a laid board is to give: its parts, then its offcuts. Placements of parts that the job does not know are left out. */
export function targetsOf(job: LayoutJob, board: LaidBoard): Target[] {
  const parts = board.placements.flatMap((placement): Target[] => {
    const part = job.parts.find((each) => each.id === placement.part);
    if (!part) return [];
    const { faceA, faceB } = placePart(part, placement);
    return [{ wood: { faceA, faceB }, part: { id: part.id, copy: placement.copy } }];
  });
  return [...parts, ...board.offcuts.map(offcutTarget)];
}

/** How one laid board is cut. */
export function boardTree(job: LayoutJob, stock: Stock, board: LaidBoard): CutTree {
  return separate(wholeBoard(stock), targetsOf(job, board), {
    saw: job.saw,
    depth: stock.thickness,
  });
}
