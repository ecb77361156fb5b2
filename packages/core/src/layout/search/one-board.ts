import { endTrimOf, type LayoutJob } from '../../job/index.js';
import { at } from '../../lists/index.js';
import { meanArea } from '../area.js';
import { STANDARD_GOALS } from '../goals.js';
import type { LaidBoard } from '../layout.js';
import { obstaclesOf } from './defects.js';
import { BoardFiller } from './fill-board.js';
import { lyingOf, offcutsOf } from './offcuts.js';
import { suitedShapes } from './suited-shapes.js';

/** Beam of a quick look. */
const QUICK = 1;

/**
 * As much as a quick look finds for the first board of a job’s stock, by area: what one scrap could become, asked hundreds of times. Null
 * where nothing lies on it. No bound is proven and no other board is looked at.
 */
export function fillOne(job: LayoutJob): LaidBoard | null {
  const stock = at(job.stock, 0);
  const ways = at(suitedShapes(job).shapes, 0);
  if (ways.length === 0) return null;
  const filler = new BoardFiller(
    stock,
    ways,
    obstaclesOf(stock.defects),
    job.saw,
    job.parts.length,
  );
  const trim = endTrimOf(stock, job.saw);
  const wanted = {
    copies: job.parts.map(({ quantity }) => quantity),
    values: job.parts.map(meanArea),
  };
  const { pieces } = filler.fill(wanted, QUICK, [[trim, stock.length - trim]]);
  if (pieces.length === 0) return null;
  const next = job.parts.map(() => 0);
  const placements = [...pieces]
    .sort((a, b) => a.y - b.y || a.x - b.x)
    .map(({ shape, x, y }) => {
      const copy = at(next, shape.part);
      next[shape.part] = copy + 1;
      const part = at(job.parts, shape.part).id;
      return { part, copy, x, y, turn: shape.turn, flipped: shape.flipped };
    });
  return {
    stock: stock.id,
    piece: 0,
    placements,
    offcuts: offcutsOf(pieces.map(lyingOf), stock, job.saw, STANDARD_GOALS),
  };
}
