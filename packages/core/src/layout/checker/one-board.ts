import { EDGE_LEEWAY, type LayoutJob, type Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import { TOLERANCE } from '../../measure/index.js';
import { joinTexts, ofLength, text } from '../../text/index.js';
import type { KeptOffcut, LaidBoard } from '../layout.js';
import { offcutTarget, wholeBoard } from '../separation/board-tree.js';
import { separate } from '../separation/separate.js';
import type { Target } from '../separation/target.js';
import { areApart, type LyingSolid } from './gap.js';
import { neighbours } from './neighbours.js';
import { outlineOf } from './polygons.js';
import type { Lying, Report } from './violation.js';

/** What lies on one board, judged together. */
export interface JudgedBoard {
  board: LaidBoard;
  all: readonly Lying[];
  stock: Stock;
  job: LayoutJob;
  path: string;
}

const solidOf = ({ placed }: Lying, { thickness }: Stock): LyingSolid => ({
  faceA: placed.faceA,
  faceB: placed.faceB,
  depth: thickness,
});

/** Rule 3: any two parts a kerf apart at every depth. */
export function checkGaps({ all, stock, job }: JudgedBoard, report: Report): void {
  const { kerf } = job.saw;
  const solids = all.map((lying) => solidOf(lying, stock));
  for (const [one, other] of neighbours(solids, kerf)) {
    const [first, second] = [at(all, one), at(all, other)];
    if (!areApart(at(solids, one), at(solids, other), kerf))
      report(
        3,
        second.path,
        text`${first.name} and ${second.name} are less than a kerf (${ofLength(kerf)}) apart`,
      );
  }
}

/** Rule 6 without a rip: every part reaches both long edges of the board. */
export function checkReach({ all, stock, job }: JudgedBoard, report: Report): void {
  if (job.saw.rip) return;
  for (const { placed, name, path } of all) {
    const short = [placed.faceA, placed.faceB].some((face) => {
      const ys = face.map((point) => point[1]);
      return Math.min(...ys) > EDGE_LEEWAY || Math.max(...ys) < stock.width - EDGE_LEEWAY;
    });
    if (short)
      report(
        6,
        path,
        text`${name} does not reach both long edges of the board, and there is no rip`,
      );
  }
}

/** Rule 6: straight cuts right across the piece in hand part everything, and with offcuts that are sound, those too. */
export function checkThroughCuts(
  { board, all, stock, job, path }: JudgedBoard,
  withOffcuts: boolean,
  report: Report,
): void {
  if (!job.saw.throughCuts && job.saw.rip) return;
  const parts = all.map(
    ({ part, placement, placed }): Target => ({
      wood: placed,
      part: { id: part.id, copy: placement.copy },
    }),
  );
  const offcuts = withOffcuts ? board.offcuts.map(offcutTarget) : [];
  const { stuck } = separate(wholeBoard(stock), [...parts, ...offcuts], {
    saw: { ...job.saw, throughCuts: true },
    depth: stock.thickness,
  });
  if (stuck.length === 0) return;
  const names = stuck.map(
    (target) => all[parts.indexOf(target)]?.name ?? text`offcut ${offcuts.indexOf(target)}`,
  );
  const listed = joinTexts(names, ', ');
  report(6, path, text`no through cut separates ${listed}`);
}

const isOver = ({ x, y, length, width }: KeptOffcut, stock: Stock): boolean =>
  x < -TOLERANCE ||
  y < -TOLERANCE ||
  x + length > stock.length + TOLERANCE ||
  y + width > stock.width + TOLERANCE;

const offcutSolid = ({ x, y, length, width }: KeptOffcut, stock: Stock): LyingSolid => {
  const face = outlineOf({ kind: 'rect', corner: [x, y], width: length, height: width });
  return { faceA: face, faceB: face, depth: stock.thickness };
};

/** Rule 9: kept offcuts lie on the board, a kerf from everything, and are worth keeping. */
export function checkOffcuts({ board, all, stock, job, path }: JudgedBoard, report: Report): void {
  const { kerf, keep } = job.saw;
  const where = (index: number) => `${path}.offcuts[${index}]`;
  board.offcuts.forEach((offcut, index) => {
    if (isOver(offcut, stock))
      report(9, where(index), text`the offcut reaches over the edge of the board`);
    if (offcut.length < keep.length - TOLERANCE || offcut.width < keep.width - TOLERANCE)
      report(
        9,
        where(index),
        text`the offcut of ${ofLength(offcut.length)} × ${ofLength(offcut.width)} is smaller than what is kept`,
      );
  });
  const parts = all.map((lying) => solidOf(lying, stock));
  const solids = [...parts, ...board.offcuts.map((offcut) => offcutSolid(offcut, stock))];
  for (const [one, other] of neighbours(solids, kerf)) {
    // Two parts are another rule's.
    if (other < parts.length || areApart(at(solids, one), at(solids, other), kerf)) continue;
    const near = all[one]?.name ?? text`offcut ${one - parts.length}`;
    report(9, where(other - parts.length), text`the offcut is less than a kerf from ${near}`);
  }
}
