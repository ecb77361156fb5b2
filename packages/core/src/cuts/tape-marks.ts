import type { LayoutJob } from '../job/index.js';
import { boardTree, type CutTree, type LaidBoard, type Wood } from '../layout/index.js';
import type { Ticks } from '../measure/index.js';
import { boundsOf, type Point } from '../plane/index.js';

/** Where a panel ends along the board: what to pencil on face A from its left end. The kerf lies beyond the mark. */
export interface TapeMark {
  /** On the near edge of the panel, and on its far edge; equal for a square end. */
  near: Ticks;
  far: Ticks;
  part: string;
  copy: number;
  /** Whether the panel lies along the board's near edge, or away from it. */
  row: 'near' | 'far';
}

/** Marks of one board in the order of the tape, and the different widths that its panels are ripped to. */
export interface BoardMarks {
  marks: readonly TapeMark[];
  rips: readonly Ticks[];
}

/** Half a millimetre: less than this from the edge needs no rip. */
const EDGE: Ticks = 160;

function endAt(face: readonly Point[], y: Ticks): Ticks {
  const there = face.filter((point) => Math.abs(point[1] - y) <= 2).map((point) => point[0]);
  // A corner alone is no end: a panel that is turned has its slope along the board.
  return there.length > 1 ? Math.max(...there) : Math.max(...face.map((point) => point[0]));
}

/** The panels of a board as they come off, and as they lie where no cut parts them yet. */
const panelsOn = ({ pieces, stuck }: CutTree): { wood: Wood; part: string; copy: number }[] => [
  ...pieces.flatMap(({ wood, is }) =>
    wood && is && typeof is === 'object' ? [{ wood, ...is }] : [],
  ),
  ...stuck.flatMap(({ wood, part }) => (part ? [{ wood, part: part.id, copy: part.copy }] : [])),
];

/** Running tape marks off the tree of the board, each computed from its end, so that rounding never adds up. Lengths in ticks. */
export function boardMarks(job: LayoutJob, board: LaidBoard): BoardMarks {
  const stock = job.stock.find(({ id }) => id === board.stock);
  if (!stock) return { marks: [], rips: [] };
  const marks: TapeMark[] = [];
  const rips = new Set<Ticks>();
  for (const { wood, part, copy } of panelsOn(boardTree(job, stock, board))) {
    const [, bottom, right, top] = boundsOf([...wood.faceA, ...wood.faceB]).map(Math.round);
    if (bottom === undefined || right === undefined || top === undefined) continue;
    const isCut = wood.faceA.length !== 4;
    const end = (y: Ticks): Ticks => (isCut ? right : Math.round(endAt(wood.faceA, y)));
    marks.push({
      near: end(bottom),
      far: end(top),
      part,
      copy,
      row: bottom <= EDGE ? 'near' : 'far',
    });
    if (top - bottom < stock.width - EDGE) rips.add(top - bottom);
  }
  return {
    marks: marks.sort((a, b) => Math.max(a.near, a.far) - Math.max(b.near, b.far)),
    rips: [...rips].sort((a, b) => a - b),
  };
}
