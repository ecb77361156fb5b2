import { type CutTree, chordOf, type SawCut, type TreeCut, type Wood } from '../layout/index.js';
import { at, must } from '../lists/index.js';
import type { Ticks } from '../measure/index.js';
import type { Point } from '../plane/index.js';
import { plainText } from '../text/index.js';
import type { Defect } from '../wood/index.js';
import type { CutPlan, Step, StepCut } from './plan-cuts.js';

/** A panel of a job by its name and number. */
export interface Copy {
  readonly part: string;
  readonly copy: number;
}

/** What tells copies apart. */
export const copyKey = ({ part, copy }: Copy): string => `${copy} ${part}`;

/** A piece of a board under the name that progress and files give it. */
export interface NamedPiece {
  id: string;
  /** Null for what a free cut leaves. */
  wood: Wood | null;
  is: Copy | 'offcut' | 'waste' | null;
}

export interface NamedCut {
  id: string;
  of: string;
  /** Where it enters the piece in hand and where it leaves it, on face A; null for a part that is freed. */
  line: readonly [Point, Point] | null;
  /** How far the line on face B lies to its left. */
  shift: number;
  gives: readonly [string | null, string | null];
}

/** A board with its tree, by names. */
export interface NamedBoard {
  stock: string;
  piece: number;
  pieces: readonly NamedPiece[];
  cuts: readonly NamedCut[];
}

/** A step with its cuts by their names. */
export interface NamedStep extends Omit<Step, 'cuts' | 'before'> {
  cuts: readonly (Omit<StepCut, 'cut'> & { cut: string })[];
  /** In words, as a file keeps them. */
  before: readonly string[];
}

/** A cut plan by the names that its file gives, which is how it is kept and what its progress speaks of. */
export interface NamedPlan extends Pick<CutPlan, 'boardAfterBoard' | 'lowerBound' | 'minutes'> {
  boards: readonly NamedBoard[];
  steps: readonly NamedStep[];
}

export const pieceName = (index: number): string => `p${index}`;
export const cutName = (index: number): string => `c${index + 1}`;

/** The boards of a plan by the names that its file gives to pieces and cuts. */
export const namedBoards = ({ boards }: Pick<CutPlan, 'boards'>): NamedBoard[] =>
  boards.map(({ stock, piece, tree }) => ({
    stock,
    piece,
    pieces: tree.pieces.map(({ wood, is }, index) => ({ id: pieceName(index), wood, is })),
    cuts: tree.cuts.map((each, index) => ({
      id: cutName(index),
      of: pieceName(each.of),
      line: lineOf(tree, each),
      shift: each.kind === 'free' ? 0 : each.cut.shift,
      gives: [givenName(each.gives[0]), givenName(each.gives[1])],
    })),
  }));

const givenName = (index: number | null): string | null =>
  index === null ? null : pieceName(index);

function lineOf(tree: CutTree, each: TreeCut): NamedCut['line'] {
  if (each.kind === 'free') return null;
  const wood = must(tree.pieces[each.of]?.wood, 'wood in hand');
  return must(chordOf(each.cut, wood), 'a cut through the wood in hand');
}

/** The cut of a line on face A, as it is sawn. */
export function sawCutOf([from, to]: readonly [Point, Point], shift: number): SawCut {
  const run = Math.hypot(to[0] - from[0], to[1] - from[1]);
  return { point: from, along: [(to[0] - from[0]) / run, (to[1] - from[1]) / run], shift };
}

/** A cut plan as it is kept. */
export const namedPlan = (plan: CutPlan): NamedPlan => ({
  boards: namedBoards(plan),
  steps: plan.steps.map(({ cuts, before, ...step }) => ({
    ...step,
    cuts: cuts.map(({ cut, ...rest }) => ({ ...rest, cut: cutName(cut) })),
    before: before.map(plainText),
  })),
  boardAfterBoard: plan.boardAfterBoard,
  lowerBound: plan.lowerBound,
  minutes: plan.minutes,
});

export type Rect = readonly [x: Ticks, y: Ticks, length: Ticks, width: Ticks];

/** A piece that went wrong: what is left of it, and what was found in it, in the board's frame. */
export interface Ruined {
  /** `board:piece`. */
  piece: string;
  left: readonly Rect[];
  defects: readonly Defect[];
}

/** How far the sawing is. */
export interface Progress {
  /** Cuts made, as `board:cut`. */
  done: readonly string[];
  ruined: readonly Ruined[];
}

export const NO_PROGRESS: Progress = { done: [], ruined: [] };

/** Why a progress is not of these boards: where it says so, and what. */
export interface ProgressProblem {
  path: string;
  message: string;
}

/** A board as far as it is sawn. */
export interface SawnBoard {
  index: number;
  board: NamedBoard;
  /** Pieces that are there and not cut yet, ruined ones too. */
  inHand: readonly NamedPiece[];
  ruined: ReadonlyMap<string, Ruined>;
  /** Whether nothing was done to it. */
  untouched: boolean;
}

/**
 * The boards as far as they are sawn. Takes a progress without problems; `isBegun` names boards that are no whole boards any more,
 * whatever was done to them since.
 */
export function sawnBoards(
  boards: readonly NamedBoard[],
  progress: Progress,
  isBegun: (board: NamedBoard, index: number) => boolean = () => false,
): SawnBoard[] {
  const done = new Set(progress.done);
  return boards.map((board, index) => {
    const ruined = new Map(
      progress.ruined.flatMap((each) => {
        const { index: at, id } = named(boards, each.piece);
        return at === index ? [[id, each] as const] : [];
      }),
    );
    const there = new Set(['p0', board.pieces[0]?.id]);
    const cut = new Set<string>();
    for (const each of board.cuts)
      if (done.has(`${index}:${each.id}`)) {
        cut.add(each.of);
        for (const id of each.gives) if (id !== null) there.add(id);
      }
    return {
      index,
      board,
      inHand: board.pieces.filter(({ id }) => there.has(id) && !cut.has(id)),
      ruined,
      untouched: cut.size === 0 && ruined.size === 0 && !isBegun(board, index),
    };
  });
}

/** What a progress names by `board:cut` or `board:piece`: the board by its place, undefined where there is none. */
export function named(boards: readonly NamedBoard[], key: string) {
  const colon = key.indexOf(':');
  const index = Number(key.slice(0, colon));
  return { index, board: boards[index], id: key.slice(colon + 1) };
}

/** The cut that gives a piece, as a progress names it; undefined for a whole board. */
function giverOf(board: NamedBoard, index: number, piece: string): string | undefined {
  const cut = board.cuts.find(({ gives }) => gives.includes(piece));
  return cut && `${index}:${cut.id}`;
}

function cutProblem(
  boards: readonly NamedBoard[],
  made: ReadonlySet<string>,
  key: string,
): string | null {
  const { index, board, id } = named(boards, key);
  const cut = board?.cuts.find((each) => each.id === id);
  if (!board || !cut) return `there is no cut “${key}”`;
  const first = giverOf(board, index, cut.of);
  return first && !made.has(first)
    ? `“${key}” cuts a piece that “${first}” has not given yet`
    : null;
}

function ruinedProblem(
  boards: readonly NamedBoard[],
  made: ReadonlySet<string>,
  key: string,
): string | null {
  const { index, board, id } = named(boards, key);
  if (!board?.pieces.some((each) => each.id === id)) return `there is no piece “${key}”`;
  const first = giverOf(board, index, id);
  if (first && !made.has(first)) return `“${key}” is not there yet: “${first}” gives it`;
  const next = board.cuts.find(({ of }) => of === id);
  return next && made.has(`${index}:${next.id}`)
    ? `“${key}” was cut by “${index}:${next.id}”: report what came of it`
    : null;
}

/** What a progress says that cannot be: cuts and pieces that are not there, cuts before the ones that give their piece, pieces ruined twice. */
export function progressProblems(
  boards: readonly NamedBoard[],
  { done, ruined }: Progress,
): ProgressProblem[] {
  const made = new Set(done);
  const pieces = ruined.map(({ piece }) => piece);
  const problemOf = (keys: readonly string[], index: number, own: typeof cutProblem) => {
    const key = at(keys, index);
    return keys.indexOf(key) < index ? `“${key}” is reported twice` : own(boards, made, key);
  };
  return [
    ...done.map((_key, index) => ({
      path: `done[${index}]`,
      message: problemOf(done, index, cutProblem),
    })),
    ...pieces.map((_key, index) => ({
      path: `ruined[${index}].piece`,
      message: problemOf(pieces, index, ruinedProblem),
    })),
  ].flatMap(({ path, message }) => (message ? [{ path, message }] : []));
}

/** Everything that comes of a piece in the end. */
export function leavesOf(board: NamedBoard, id: string): NamedPiece[] {
  const piece = must(
    board.pieces.find((each) => each.id === id),
    `the piece ${id}`,
  );
  const cut = board.cuts.find(({ of }) => of === id);
  if (!cut) return [piece];
  return cut.gives.flatMap((each) => (each === null ? [] : leavesOf(board, each)));
}

/** The parts that lie in a piece by cuts that still stand. */
export const partsIn = (board: NamedBoard, id: string): Copy[] =>
  leavesOf(board, id).flatMap(({ is }) => (is && typeof is === 'object' ? [is] : []));

/** The panels that are made: given by a cut that is made, and not ruined since. */
export const madeParts = (boards: readonly NamedBoard[], progress: Progress): Copy[] =>
  sawnBoards(boards, progress).flatMap(({ inHand, ruined }) =>
    inHand.flatMap(({ id, is }) => (is && typeof is === 'object' && !ruined.has(id) ? [is] : [])),
  );

/** The panels that lie in pieces that went wrong. */
export const lostParts = (
  boards: readonly NamedBoard[],
  { ruined }: Pick<Progress, 'ruined'>,
): Copy[] =>
  ruined.flatMap(({ piece }) => {
    const { board, id } = named(boards, piece);
    return board ? partsIn(board, id) : [];
  });

/** Cuts that are not made any more, since a piece that they belong to is ruined: `board:cut`. */
export function lostCuts(
  boards: readonly NamedBoard[],
  { done, ruined }: Pick<Progress, 'done' | 'ruined'>,
): Set<string> {
  const made = new Set(done);
  const lost = new Set<string>();
  const lose = (board: NamedBoard, index: number, piece: string): void => {
    const cut = board.cuts.find(({ of }) => of === piece);
    const key = cut && `${index}:${cut.id}`;
    if (!key || made.has(key)) return;
    lost.add(key);
    for (const id of cut.gives) if (id !== null) lose(board, index, id);
  };
  for (const { piece } of ruined) {
    const { index, board, id } = named(boards, piece);
    if (board) lose(board, index, id);
  }
  return lost;
}
