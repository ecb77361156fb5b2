import {
  endTrimOf,
  type LayoutJob,
  type Part,
  priceOf,
  type Stock,
  suits,
} from '../../job/index.js';
import { at, sum } from '../../lists/index.js';
import { boundsOf } from '../../plane/index.js';
import { text } from '../../text/index.js';
import { meanArea, yieldOf } from '../area.js';
import type { LaidBoard, Layout } from '../layout.js';
import { fillOne } from './one-board.js';

/** A board with what it is to become; `laid` is how it lies there. */
interface Open {
  stock: Stock;
  piece: number;
  parts: ReadonlyMap<Part, number>;
  laid: LaidBoard | null;
  /** Area that no part of it takes. */
  left: number;
}

/** Whether a part could lie on an empty board as far as its size says: a quick look before it is laid there. */
export function isLargeEnough(part: Part, { length, width, grained }: Stock): boolean {
  const [x0, y0, x1, y1] = boundsOf([...part.outline, ...part.underside]);
  const [long, wide] = [x1 - x0, y1 - y0];
  const along = long <= length && wide <= width;
  const across = wide <= length && long <= width;
  return along || (across && !(grained && part.grain === 'along'));
}

/** The board with one part more; null where they do not all lie on it. */
function withOne(job: LayoutJob, open: Open, part: Part): Open | null {
  const area = meanArea(part);
  if (!suits(part, open.stock) || area > open.left || !isLargeEnough(part, open.stock)) return null;
  const parts = new Map(open.parts).set(part, (open.parts.get(part) ?? 0) + 1);
  const wanted = [...parts].map(([each, quantity]) => ({ ...each, quantity }));
  const laid = fillOne({ ...job, parts: wanted, stock: [open.stock], pinned: [] });
  if (!laid || laid.placements.length < sum(parts.values())) return null;
  return { ...open, parts, laid, left: open.left - area };
}

/** Copies numbered over all boards, as each board counted its own. */
function numbered(boards: readonly Open[]): LaidBoard[] {
  const next = new Map<string, number>();
  return boards.flatMap(({ laid, piece }) => {
    if (!laid) return [];
    const placements = laid.placements.map((placement) => {
      const copy = next.get(placement.part) ?? 0;
      next.set(placement.part, copy + 1);
      return { ...placement, copy };
    });
    return [{ ...laid, piece, placements }];
  });
}

/**
 * The largest part first, each into the smallest board that still takes it beside what lies there already: as many parts as there is wood
 * for, where there is not enough for all. Nothing is proven. Pins are left alone.
 */
export function bestFit(job: LayoutJob): Layout {
  const boards: Open[] = job.stock
    .flatMap((stock) =>
      Array.from({ length: stock.quantity }, (_unused, piece) => ({
        stock,
        piece,
        parts: new Map<Part, number>(),
        laid: null,
        left: (stock.length - 2 * endTrimOf(stock, job.saw)) * stock.width,
      })),
    )
    .sort((a, b) => a.left - b.left);
  const missing = new Map<string, number>();
  for (const part of [...job.parts].sort((a, b) => meanArea(b) - meanArea(a))) {
    // A board that did not take one copy takes none of the next.
    let from = 0;
    for (let copy = 0; copy < part.quantity; copy += 1) {
      let taken: Open | null = null;
      for (; from < boards.length && !taken; from += taken ? 0 : 1)
        taken = withOne(job, at(boards, from), part);
      if (taken) boards[from] = taken;
      else missing.set(part.id, (missing.get(part.id) ?? 0) + 1);
    }
  }
  const laid = numbered(boards);
  const cost = sum(boards.map((board) => (board.laid ? priceOf(board.stock) : 0)));
  return {
    boards: laid,
    unplaced: [...missing].map(([part, count]) => ({
      part,
      count,
      reason: text`No board that is left takes it.`,
    })),
    cost,
    lowerBound: 0,
    boundProof: 'area',
    optimal: missing.size === 0 && cost === 0,
    yield: yieldOf(job, laid),
    seconds: 0,
  };
}
