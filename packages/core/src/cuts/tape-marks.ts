import type { LayoutJob } from '../job/index.js';
import { type LaidBoard, placePart } from '../layout/index.js';
import type { Ticks } from '../measure/index.js';
import type { Point } from '../plane/index.js';

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

/** Running tape marks, each computed from the end of the board, so that rounding never adds up. Lengths in ticks. */
export function boardMarks(job: LayoutJob, board: LaidBoard): BoardMarks {
  const parts = new Map(job.parts.map((part) => [part.id, part]));
  const width = job.stock.find((stock) => stock.id === board.stock)?.width ?? 0;
  const marks: TapeMark[] = [];
  const rips = new Set<Ticks>();
  for (const placement of board.placements) {
    const part = parts.get(placement.part);
    if (!part) continue;
    const { faceA, bounds } = placePart(part, placement);
    const [, bottom, right, top] = bounds;
    const square = part.outline.length !== 4;
    marks.push({
      near: square ? right : endAt(faceA, bottom),
      far: square ? right : endAt(faceA, top),
      part: placement.part,
      copy: placement.copy,
      row: bottom <= EDGE ? 'near' : 'far',
    });
    if (top - bottom < width - EDGE) rips.add(top - bottom);
  }
  return {
    marks: marks.sort((a, b) => Math.max(a.near, a.far) - Math.max(b.near, b.far)),
    rips: [...rips].sort((a, b) => a - b),
  };
}
