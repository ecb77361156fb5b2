import { type BatchRecord, type BoardRecord, batchQuestion, liesReady } from '@spare-knot/core/api';
import {
  type Copy,
  madeParts,
  type NamedBoard,
  named,
  type Rect,
  type Sawing,
  sawnBoards,
  woodInUse,
} from '@spare-knot/core/cuts';
import { type LayoutJob, layoutJob, type Stock } from '@spare-knot/core/job';
import type { KeptOffcut } from '@spare-knot/core/layout';
import { at, must } from '@spare-knot/core/lists';
import { boundsOf } from '@spare-knot/core/plane';
import type { Round } from '../batches/sawing.repository.js';

/** Where the wood of a plan comes from: a board of the rack, whole or a piece of it. */
export interface Origin {
  board: BoardRecord;
  isPiece: boolean;
}

/** A batch that is being sawn: the plan that it follows, with what earlier rounds made. */
export interface SawnBatch extends Sawing {
  batch: BatchRecord;
  round: Round;
  made: readonly Copy[];
  cutsBefore: number;
  /** Of every kind of wood of this round. */
  origins: ReadonlyMap<string, Origin>;
}

/** Boards that come from the rack in a later round are named by their id there and the round. */
export const fromRack = (id: string, round: number): string => `${id}@${round}`;
export const isOfRound = (stock: string, round: number): boolean => stock.endsWith(`@${round}`);
export const idOnRack = (stock: string): string => stock.split('@')[0] ?? stock;

export const originName = ({ board, isPiece }: Origin): string =>
  isPiece ? `${board.name}, a piece of it` : board.name;

/**
 * The job that a batch was accepted for. A box that is refused by now, by a rule that came later, is sawn on by its plan: then nothing is
 * known of what else was wanted.
 */
function acceptedJob(batch: BatchRecord): LayoutJob {
  const { boards, layout } = must(batch.accepted, 'an accepted layout');
  const question = batchQuestion({ ...batch, liesReady: liesReady(batch) }, boards);
  const made = layoutJob(question);
  const { name, saw, stock, seconds } = question;
  const job = made.ok ? made.job : { name, saw, parts: [], stock, pinned: [], effort: { seconds } };
  return { ...job, stock: woodInUse(job.stock, layout).stock };
}

function originsOf(
  rounds: readonly { job: LayoutJob; boards: readonly NamedBoard[] }[],
  taken: readonly BoardRecord[],
): Map<string, Origin> {
  const boards = new Map(taken.map((board) => [board.id, board]));
  let before = new Map<string, Origin>();
  let plan: readonly NamedBoard[] = [];
  for (const { job, boards: planned } of rounds) {
    const now = new Map<string, Origin>();
    for (const { id, from } of job.stock) {
      const board = boards.get(idOnRack(id));
      const carried = id.startsWith('kept ') ? undefined : before.get(id);
      const cut = from && before.get(named(plan, from.piece).board?.stock ?? '');
      const origin = board
        ? { board, isPiece: false }
        : (carried ?? (cut && { ...cut, isPiece: true }));
      if (origin) now.set(id, origin);
    }
    before = now;
    plan = planned;
  }
  return before;
}

/** What a batch's rounds say together. `taken` are all boards that were taken for it, as they were. */
export function sawnBatch(
  batch: BatchRecord,
  rounds: readonly Round[],
  taken: readonly BoardRecord[],
): SawnBatch {
  const jobs = rounds.map(({ job, plan }) => ({
    job: job ?? acceptedJob(batch),
    boards: plan.boards,
  }));
  const round = at(rounds, rounds.length - 1);
  const earlier = rounds.slice(0, -1);
  return {
    batch,
    round,
    job: at(jobs, jobs.length - 1).job,
    plan: round.plan,
    progress: round.progress,
    made: earlier.flatMap(({ plan, progress }) => madeParts(plan.boards, progress)),
    cutsBefore: earlier.reduce((sum, { progress }) => sum + progress.done.length, 0),
    origins: originsOf(jobs, taken),
  };
}

/** Wood of a plan as the maker knows it. */
export const namedStock = (
  stock: readonly Stock[],
  origins: ReadonlyMap<string, Origin>,
): { id: string; name: string; thickness: number }[] =>
  stock.map(({ id, thickness }) => {
    const origin = origins.get(id);
    return { id, name: origin ? originName(origin) : 'a board', thickness };
  });

/** The piece of a board that a kept offcut comes off by: a leaf round it, or what free cuts leave. */
export function offcutPiece(board: NamedBoard, offcut: KeptOffcut): string | null {
  const leaves = board.pieces.filter(({ is }) => is === 'offcut');
  const [x, y, right, top]: Rect = [
    offcut.x,
    offcut.y,
    offcut.x + offcut.length,
    offcut.y + offcut.width,
  ];
  const round = leaves.find(({ wood }) => {
    if (!wood) return false;
    const [left, bottom, end, upper] = boundsOf([...wood.faceA, ...wood.faceB]);
    return left <= x + 1 && bottom <= y + 1 && end >= right - 1 && upper >= top - 1;
  });
  return (round ?? leaves.find(({ wood }) => wood === null))?.id ?? null;
}

/** Pieces that came off and are there: `board:piece`. */
export const piecesThere = ({ plan, progress }: Sawing): Set<string> =>
  new Set(
    sawnBoards(plan.boards, progress).flatMap(({ index, inHand, ruined }) =>
      inHand.flatMap(({ id }) => (ruined.has(id) ? [] : [`${index}:${id}`])),
    ),
  );
