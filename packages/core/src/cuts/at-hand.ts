import { at } from '../lists/index.js';
import {
  lostCuts,
  type NamedCut,
  type NamedPiece,
  type NamedPlan,
  type NamedStep,
  type Progress,
} from './progress.js';

/** The cut that comes next, where it stands, and what it is about. */
export interface CutAtHand {
  key: string;
  /** The step by its place in the plan, the cut by its place in the step. */
  step: number;
  place: number;
  board: number;
  how: NamedStep['cuts'][number];
  cut: NamedCut;
  piece: NamedPiece;
  /** What lies to the left of the cut, and beyond its kerf. */
  gives: readonly (NamedPiece | null)[];
}

export const cutKey = ({ board, cut }: { board: number; cut: string }): string => `${board}:${cut}`;

/** Every cut of a plan by its name, in the order in which they are made. */
export const cutsInOrder = ({ steps }: Pick<NamedPlan, 'steps'>): string[] =>
  steps.flatMap(({ cuts }) => cuts.map(cutKey));

/** One cut of a plan with all that a maker has to know to make it. */
export function cutAt(plan: NamedPlan, step: number, place: number): CutAtHand {
  const how = at(at(plan.steps, step).cuts, place);
  const board = at(plan.boards, how.board);
  const cut = board.cuts.find(({ id }) => id === how.cut);
  const named = (id: string | null) =>
    id === null ? null : (board.pieces.find((each) => each.id === id) ?? null);
  const piece = cut && named(cut.of);
  if (!cut || !piece) throw new RangeError(`there is no cut ${cutKey(how)} in this plan`);
  return {
    key: cutKey(how),
    step,
    place,
    board: how.board,
    how,
    cut,
    piece,
    gives: cut.gives.map(named),
  };
}

/** Cuts that are made or will not be made any more. */
const over = (plan: NamedPlan, progress: Progress): Set<string> =>
  new Set([...progress.done, ...lostCuts(plan.boards, progress)]);

/** The first cut in the order of the steps that is still to be made; null when there is none. */
export function cutAtHand(plan: NamedPlan, progress: Progress): CutAtHand | null {
  const made = over(plan, progress);
  for (const [step, { cuts }] of plan.steps.entries()) {
    const place = cuts.findIndex((each) => !made.has(cutKey(each)));
    if (place >= 0) return cutAt(plan, step, place);
  }
  return null;
}

/** Which of the cuts of its step that are made alike this one is, from 1, and how many there are. */
export function inStack(plan: NamedPlan, hand: CutAtHand): { number: number; of: number } {
  const keyOf = ({ how, cut, piece }: CutAtHand) => {
    const corners = [
      ...(cut.line ?? []),
      ...(piece.wood?.faceA ?? []),
      ...(piece.wood?.faceB ?? []),
    ];
    const near = corners.map(([x, y]) => `${Math.round(x / 8)},${Math.round(y / 8)}`).join(' ');
    return [how.faceUp, how.fence, how.end, near].join('|');
  };
  const own = keyOf(hand);
  const alike = at(plan.steps, hand.step).cuts.flatMap((_cut, place) =>
    keyOf(cutAt(plan, hand.step, place)) === own ? [place] : [],
  );
  return { number: alike.indexOf(hand.place) + 1, of: alike.length };
}

/** The last cut in the order of the steps that is made: the one to take back; null where none is. */
export function lastCut(plan: NamedPlan, { done }: Pick<Progress, 'done'>): string | null {
  const made = new Set(done);
  return cutsInOrder(plan).findLast((key) => made.has(key)) ?? null;
}
