import { type LayoutJob, type Placement, priceOf } from '../../job/index.js';
import { at, must, sum } from '../../lists/index.js';
import { yieldOf } from '../area.js';
import type { Goals } from '../goals.js';
import type { LaidBoard, Layout, Unplaced } from '../layout.js';
import type { FilledBoard } from './construct.js';
import type { Piece } from './filling.js';
import type { Group } from './group.js';
import { lyingOf, offcutsOf } from './offcuts.js';
import { lyingPins, type PinnedBoards } from './pinned-boards.js';
import { reasonFor } from './reasons.js';
import type { Misfit } from './shapes.js';
import { patternOf } from './standing.js';

/** What every layout of one search is put together from. */
export interface Assembly {
  job: LayoutJob;
  goals: Goals;
  pinned: PinnedBoards;
  groups: readonly Group[];
  misfits: readonly (readonly (Misfit | null)[])[];
}

/** Copies of each part that no pin takes, handed out one after another. */
class Copies {
  private readonly free: number[][];

  constructor(private readonly job: LayoutJob) {
    this.free = job.parts.map((part) => {
      const pins = job.pinned.filter((pin) => pin.part === part.id);
      const taken = new Set(pins.map((pin) => pin.copy));
      return Array.from({ length: part.quantity }, (_unused, copy) => copy).filter(
        (copy) => !taken.has(copy),
      );
    });
  }

  left(part: number): number {
    return at(this.free, part).length;
  }

  place({ shape, x, y }: Piece): Placement {
    const { id } = at(this.job.parts, shape.part);
    const copy = must(at(this.free, shape.part).shift(), `a copy of “${id}”`);
    return { part: id, copy, x, y, turn: shape.turn, flipped: shape.flipped };
  }
}

const chosenOf = (groups: readonly Group[]): FilledBoard[] =>
  groups.flatMap((group) => group.best.boards);

/** Boards with pins, each with what was laid beside them. */
function pinnedBoards({ job, goals, pinned, groups }: Assembly, copies: Copies): LaidBoard[] {
  const chosen = chosenOf(groups);
  return [...pinned].map(({ kind, piece, pins }) => {
    const stock = at(job.stock, kind);
    const beside = chosen.find(
      ({ pile }) => pile.kind === kind && pile.pinned?.piece === piece,
    )?.filling;
    const rest = beside?.pieces ?? [];
    const fixed = pins.map(({ stock: _stock, piece: _piece, ...placement }) => placement);
    const lying = [...lyingPins(pins, job), ...rest.map(lyingOf)];
    return {
      stock: stock.id,
      piece,
      placements: [...fixed, ...rest.map((each) => copies.place(each))],
      offcuts: offcutsOf(lying, stock, job.saw, goals),
    };
  });
}

const inOrder = (a: string, b: string): number => {
  if (a === b) return 0;
  return a < b ? -1 : 1;
};

/** All other boards, those cut alike together. */
function freeBoards({ job, goals, pinned, groups }: Assembly, copies: Copies): LaidBoard[] {
  const next = job.stock.map(() => 0);
  const alike = chosenOf(groups)
    .filter((board) => !board.pile.pinned)
    .map((board) => ({ board, pattern: patternOf(board) }))
    .sort((a, b) => a.board.pile.kind - b.board.pile.kind || inOrder(a.pattern, b.pattern));
  return alike.map(({ board }) => {
    const { kind, stock } = board.pile;
    let piece = at(next, kind);
    while (pinned.has(stock, piece)) piece += 1;
    next[kind] = piece + 1;
    const pieces = [...board.filling.pieces].sort((a, b) => a.y - b.y || a.x - b.x);
    return {
      stock: stock.id,
      piece,
      placements: pieces.map((each) => copies.place(each)),
      offcuts: offcutsOf(pieces.map(lyingOf), stock, job.saw, goals),
    };
  });
}

function unplacedOf({ job, misfits }: Assembly, copies: Copies): Unplaced[] {
  return job.parts.flatMap((part, index) => {
    const count = copies.left(index);
    if (count === 0) return [];
    return [{ part: part.id, count, reason: reasonFor(part, job, at(misfits, index)) }];
  });
}

/** The best of every group together as one layout, with what is proven of it. */
export function assembleLayout(assembly: Assembly, seconds: number): Layout {
  const { job, pinned, groups } = assembly;
  const copies = new Copies(job);
  const boards = [...pinnedBoards(assembly, copies), ...freeBoards(assembly, copies)];
  const free = chosenOf(groups).filter((board) => !board.pile.pinned);
  const cost = pinned.paid + sum(free.map(({ pile }) => priceOf(pile.stock)));
  const bound = pinned.paid + sum(groups.map((group) => group.leastCost));
  const lowerBound = Math.min(cost, bound);
  const proofs = new Set(groups.map((group) => group.provenBy));
  return {
    boards,
    unplaced: unplacedOf(assembly, copies),
    cost,
    lowerBound,
    boundProof: (['exact', 'lp'] as const).find((proof) => proofs.has(proof)) ?? 'area',
    optimal: groups.every((group) => group.laysMost) && cost === lowerBound,
    yield: yieldOf(job, boards),
    seconds,
  };
}
