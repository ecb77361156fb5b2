import type { LayoutJob } from '../../job/index.js';
import { at, sum } from '../../lists/index.js';
import type { Cents, Ticks } from '../../measure/index.js';
import { meanArea } from '../area.js';
import type { Goals } from '../goals.js';
import type { Construction, FilledBoard } from './construct.js';

/** What a construction comes to, as far as it counts. */
interface Standing {
  missing: number;
  missingArea: number;
  cost: Cents;
  used: number;
  longest: Ticks;
  patterns: number;
  cuts: number;
}

/** Differences in wood smaller than this share are no difference. */
const SAME_WOOD = 1e-6;

/** A name for how a board is cut; boards of one name are cut alike. */
export const patternOf = (board: FilledBoard): string => {
  const pieces = board.filling.pieces.map(({ shape, x, y }) => `${shape.part},${x},${y}`);
  return `${board.pile.kind}:${pieces.join(';')}`;
};

const standing = ({ boards, missing }: Construction, job: LayoutJob): Standing => ({
  missing: sum(missing),
  missingArea: missing.reduce(
    (total, count, part) => total + (count > 0 ? count * meanArea(at(job.parts, part)) : 0),
    0,
  ),
  cost: sum(boards.map((board) => board.pile.price)),
  used: sum(boards.map((board) => board.used)),
  longest: Math.max(0, ...boards.map((board) => board.longest)),
  patterns: new Set(boards.map(patternOf)).size,
  cuts: sum(boards.map((board) => board.cuts)),
});

/** Below zero when a is better. The order is that of the published objective; the first goal goes before cost when it is another. */
function compare(a: Standing, b: Standing, first: Goals['first']): number {
  const wood = a.used - b.used;
  const differs = Math.abs(wood) > SAME_WOOD * Math.max(a.used, b.used);
  return (
    a.missing - b.missing ||
    a.missingArea - b.missingArea ||
    (first === 'cuts' ? a.cuts - b.cuts : 0) ||
    a.cost - b.cost ||
    (first === 'offcut' ? b.longest - a.longest : 0) ||
    (differs ? wood : 0) ||
    a.patterns - b.patterns ||
    a.cuts - b.cuts
  );
}

/** Whether one construction is better than another by the maker's goals. */
export const isBetter = (
  one: Construction,
  other: Construction,
  job: LayoutJob,
  goals: Goals,
): boolean => compare(standing(one, job), standing(other, job), goals.first) < 0;
