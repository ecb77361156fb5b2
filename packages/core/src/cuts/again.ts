import type { LayoutJob, Stock } from '../job/index.js';
import type { CutTree, Layout, TreeCut, TreePiece, Wood } from '../layout/index.js';
import { at, must } from '../lists/index.js';
import { boundsOf } from '../plane/index.js';
import { type CutPlan, type CutProblem, planCuts, type Shop } from './plan-cuts.js';
import {
  type Copy,
  copyKey,
  lostParts,
  type NamedBoard,
  type NamedPlan,
  named,
  type Progress,
  partsIn,
  pieceName,
  sawCutOf,
} from './progress.js';
import { type KeptPiece, type Left, leftOf, type RemainFacts } from './remain.js';

/** What is being sawn: the job with all that is wanted, the plan that is followed, and how far it is. */
export interface Sawing {
  job: LayoutJob;
  plan: Pick<NamedPlan, 'boards'>;
  progress: Progress;
}

/**
 * What is left to be laid out when something went wrong in the middle of the sawing. What is made stays made, what is sawn half stays as
 * it is; wood that is there costs nothing any more.
 */
export function leftToSaw({ job, plan, progress }: Sawing, facts: RemainFacts): Left {
  const begun = new Set(job.kept ?? []);
  const left = leftOf(job, plan.boards, progress, {
    ...facts,
    offcutsOnRack: true,
    isBegun: (board, index) => begun.has(board.stock) || (facts.isBegun?.(board, index) ?? false),
  });
  const stock = left.job.stock.map((each) => ({ ...each, price: 0 }));
  return { ...left, job: { ...left.job, stock, pinned: [] } };
}

/** The wood of a piece, or what it was freed from. */
function woodOf(board: NamedBoard, id: string): Wood {
  const known = board.pieces.find((each) => each.id === id)?.wood;
  if (known) return known;
  const giver = board.cuts.find(({ gives }) => gives.includes(id));
  return woodOf(board, must(giver, `what gives ${id}`).of);
}

/** The panels that are wanted and neither made nor planned: what lies in a ruined piece, and what no layout placed. */
export function wantedParts(
  { job, plan, progress }: Sawing,
  { made = [] }: Pick<RemainFacts, 'made'> = {},
): Copy[] {
  const lost = new Set(lostParts(plan.boards, progress).map(copyKey));
  const planned = plan.boards.flatMap((board) => partsIn(board, 'p0'));
  const stand = planned.filter((each) => !lost.has(copyKey(each)));
  const there = new Set([...made, ...stand].map(copyKey));
  return job.parts.flatMap(({ id, quantity }) =>
    Array.from({ length: quantity }, (_none, copy) => ({ part: id, copy })).filter(
      (each) => !there.has(copyKey(each)),
    ),
  );
}

/** The cuts that are still to be made in a piece, the piece first, and which piece of the board each of its pieces is. */
function treeFrom(board: NamedBoard, root: string): { tree: CutTree; ids: readonly string[] } {
  const numbers = new Map([[root, 0]]);
  const pieces: TreePiece[] = [{ wood: woodOf(board, root), is: null }];
  const add = (id: string): number => {
    const { wood, is } = must(
      board.pieces.find((each) => each.id === id),
      `the piece ${id}`,
    );
    numbers.set(id, pieces.length);
    return pieces.push({ wood, is }) - 1;
  };
  const cuts = board.cuts.flatMap((cut): TreeCut[] => {
    const of = numbers.get(cut.of);
    if (of === undefined) return [];
    const [first, second] = cut.gives;
    const on = add(must(first, 'what a cut gives'));
    const off = second === null ? null : add(second);
    return cut.line
      ? [{ kind: 'through', of, cut: sawCutOf(cut.line, cut.shift), gives: [on, off] }]
      : [{ kind: 'free', of, gives: [on, must(off, 'what a part is freed from')] }];
  });
  return { tree: { pieces, cuts, stuck: [], unmade: [] }, ids: [...numbers.keys()] };
}

/** A piece that is kept, as stock of the plan that follows: it lies in no layout. */
function keptStock({ key, board, piece }: KeptPiece, id: string, kinds: readonly Stock[]): Stock {
  const kind = must(
    kinds.find((each) => each.id === board.stock),
    `the stock “${board.stock}”`,
  );
  const { faceA, faceB } = woodOf(board, piece.id);
  const [x, y, right, top] = boundsOf([...faceA, ...faceB]);
  const [length, width] = [right - x, top - y].map(Math.ceil);
  const rect = [Math.floor(x), Math.floor(y), length ?? 0, width ?? 0] as const;
  return { ...kind, id, quantity: 1, price: 0, from: { piece: key, rect } };
}

/** Only as many boards of a kind as a layout uses, numbered anew, except for pieces of boards, which lie there anyway. */
export function woodInUse(
  stock: readonly Stock[],
  layout: Layout,
): { stock: Stock[]; layout: Layout } {
  const used = new Map<string, number[]>();
  for (const { stock: id, piece } of layout.boards)
    used.set(
      id,
      [...(used.get(id) ?? []), piece].sort((a, b) => a - b),
    );
  return {
    stock: stock.flatMap((kind) => {
      const quantity = kind.from ? kind.quantity : (used.get(kind.id)?.length ?? 0);
      return quantity > 0 ? [{ ...kind, quantity }] : [];
    }),
    layout: {
      ...layout,
      boards: layout.boards.map((board) => ({
        ...board,
        piece: used.get(board.stock)?.indexOf(board.piece) ?? board.piece,
      })),
    },
  };
}

/** A plan that takes the place of the one before. */
export type PlannedAgain =
  | {
      ok: true;
      /** With all that is wanted, and the wood that is there. */
      job: LayoutJob;
      plan: CutPlan;
      /** The layout by the numbers that copies have in the batch. */
      layout: Layout;
      /** What pieces that stay as they are were called in the plan before, `board:piece`, and what they are called now. */
      renamed: ReadonlyMap<string, string>;
    }
  | { ok: false; problems: readonly CutProblem[] };

/**
 * The plan after something went wrong: what was kept goes on by its own cuts, together with the layout of what was left. The layout is
 * one of `left.job`, which may have been given more stock since; copies come back under the numbers they have in the batch.
 */
export function planAgain(
  { job, plan }: Pick<Sawing, 'job' | 'plan'>,
  left: Left,
  found: Layout,
  shop: Omit<Shop, 'begun'> = {},
): PlannedAgain {
  const boards = found.boards.filter(({ placements }) => placements.length > 0);
  const { stock, layout } = woodInUse(left.job.stock, { ...found, boards });
  const laid: Layout = {
    ...layout,
    boards: layout.boards.map((board) => ({
      ...board,
      placements: board.placements.map((placement) => ({
        ...placement,
        copy: at(left.copies.get(placement.part) ?? [], placement.copy),
      })),
    })),
  };
  const ids = left.kept.map(({ key }) => `kept ${key}`);
  const next: LayoutJob = {
    ...job,
    stock: [
      ...stock,
      ...left.kept.map((kept, index) => keptStock(kept, at(ids, index), job.stock)),
    ],
    pinned: [],
    kept: ids,
  };
  const trees = left.kept.map(({ board, piece }) => treeFrom(board, piece.id));
  const begun = trees.map(({ tree }, index) => ({ stock: at(ids, index), tree }));
  const planned = planCuts(next, laid, { ...shop, begun });
  if (!planned.ok) return planned;
  const renamed = new Map(
    trees.flatMap(({ ids: before }, index) => {
      const { index: board } = named(plan.boards, at(left.kept, index).key);
      return before.map((id, piece) => [`${board}:${id}`, `${index}:${pieceName(piece)}`] as const);
    }),
  );
  return { ok: true, job: next, plan: planned.plan, layout: laid, renamed };
}
