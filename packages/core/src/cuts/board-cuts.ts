import { kerfOnFace } from '../layout/index.js';
import { at, must } from '../lists/index.js';
import type { Ticks } from '../measure/index.js';
import type { Point } from '../plane/index.js';
import { cutKey } from './at-hand.js';
import { type NamedPlan, sawCutOf } from './progress.js';

/** One cut as it is marked on its board, face A up. */
export interface BoardCut {
  id: string;
  /** In the order in which this board is cut, from 1, and the step that it is made in, from 1. */
  number: number;
  step: number;
  runs: 'along' | 'across' | 'slanted';
  /** The finished side of the kerf, from edge to edge of the piece in hand. */
  line: readonly [Point, Point];
  /** What the saw takes of the face, and on which side of the line it lies. */
  kerf: readonly Point[];
  beyond: 'left' | 'right' | 'near' | 'far';
  isTilted: boolean;
}

/** A line that leaves its direction by less than this share is straight along or across. */
const STRAIGHT = 1e-3;

const runOf = ([x, y]: Point): BoardCut['runs'] => {
  if (Math.abs(y) < STRAIGHT) return 'along';
  return Math.abs(x) < STRAIGHT ? 'across' : 'slanted';
};

/** Where the kerf lies, by the direction across the line. */
function beyondOf([x, y]: Point): BoardCut['beyond'] {
  if (Math.abs(x) > Math.abs(y)) return x > 0 ? 'right' : 'left';
  return y > 0 ? 'far' : 'near';
}

/**
 * The through cuts of a board as they are marked before it is sawn, in the order in which it is cut: both coordinates of each from the
 * board's left end and near edge, in ticks. What is sawn out along its lines is not among them.
 */
export function boardCuts(
  plan: NamedPlan,
  board: number,
  { kerf, thickness }: { kerf: Ticks; thickness: Ticks },
): BoardCut[] {
  const { cuts } = at(plan.boards, board);
  const steps = new Map(
    plan.steps.flatMap((step, index) => step.cuts.map((cut) => [cutKey(cut), index + 1] as const)),
  );
  const order = plan.steps.flatMap((step) =>
    step.cuts.flatMap((cut) => (cut.board === board ? [cut.cut] : [])),
  );
  return order.flatMap((id, index): BoardCut[] => {
    const cut = must(
      cuts.find((each) => each.id === id),
      `the cut ${id}`,
    );
    if (!cut.line) return [];
    const [from, to] = cut.line;
    const sawCut = sawCutOf(cut.line, cut.shift);
    const width = kerfOnFace(sawCut, kerf, thickness);
    const aside: Point = [sawCut.along[1] * width, -sawCut.along[0] * width];
    const moved = ([x, y]: Point): Point => [x + aside[0], y + aside[1]];
    return [
      {
        id,
        number: index + 1,
        step: must(steps.get(`${board}:${id}`), `the step of ${id}`),
        runs: runOf(sawCut.along),
        line: cut.line,
        kerf: [from, to, moved(to), moved(from)],
        beyond: beyondOf(aside),
        isTilted: cut.shift !== 0,
      },
    ];
  });
}
