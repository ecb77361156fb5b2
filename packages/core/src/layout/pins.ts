import type { LayoutJob, PinnedPlacement } from '../job/index.js';
import { checkLayout } from './checker/check.js';
import type { LaidBoard, Layout } from './layout.js';

/** A pin that cannot be kept, and why. */
export interface BrokenPin {
  pin: PinnedPlacement;
  reason: string;
}

/** The layout in which nothing but these pins lies on the boards. */
const onlyPins = (pins: readonly PinnedPlacement[]): Layout => {
  const boards = new Map<string, { stock: string; piece: number; placements: PinnedPlacement[] }>();
  for (const pin of pins) {
    const key = `${pin.stock}/${pin.piece}`;
    const board = boards.get(key) ?? { stock: pin.stock, piece: pin.piece, placements: [] };
    board.placements.push(pin);
    boards.set(key, board);
  }
  return {
    boards: [...boards.values()].map((board) => ({ ...board, offcuts: [] })),
    unplaced: [],
    cost: 0,
    lowerBound: 0,
    boundProof: 'area',
    optimal: false,
    yield: 0,
    seconds: 0,
  };
};

/** Rules that a placement breaks by itself or with the other pins; counts and the rest of the layout are not asked. */
const brokenBy = (job: LayoutJob, pins: readonly PinnedPlacement[]): string | null =>
  checkLayout({ ...job, pinned: [] }, onlyPins(pins)).find(
    (violation) => violation.rule <= 7 || violation.path.startsWith('boards'),
  )?.message ?? null;

/**
 * The job with those of its pins that hold together, in their order, and those that contradict the boards, the saw or an earlier pin, each with the
 * rule in words.
 */
export function sortPins(job: LayoutJob): { job: LayoutJob; broken: BrokenPin[] } {
  const kept: PinnedPlacement[] = [];
  const broken: BrokenPin[] = [];
  for (const pin of job.pinned) {
    const part = job.parts.find((each) => each.id === pin.part);
    const stock = job.stock.find((each) => each.id === pin.stock);
    const reason = !part
      ? `there is no panel “${pin.part}” any more`
      : pin.copy >= part.quantity
        ? `there are only ${part.quantity} of “${pin.part}” now`
        : !stock || pin.piece >= stock.quantity
          ? 'its board is not there any more'
          : kept.some((other) => other.part === pin.part && other.copy === pin.copy)
            ? `“${pin.part}” ${pin.copy} is pinned twice`
            : brokenBy(job, [...kept, pin]);
    if (reason === null) kept.push(pin);
    else broken.push({ pin, reason });
  }
  return { job: { ...job, pinned: kept }, broken };
}

/** Why a pin cannot lie where it is asked to, beside the pins that are there; null when it can. */
export const whyNot = (
  job: LayoutJob,
  others: readonly PinnedPlacement[],
  pin: PinnedPlacement,
): string | null => brokenBy(job, [...others, pin]);

/**
 * A layout made for other pins, with every pinned piece moved to where its pin says, to look at until the search has answered: the rest
 * has not flowed round it yet. Kept offcuts of boards that a piece left or came to are gone, since they may lie under it.
 */
export function movedToPins(layout: Layout, pins: readonly PinnedPlacement[]): Layout {
  const isBoardOf = (board: LaidBoard, pin: PinnedPlacement) =>
    board.stock === pin.stock && board.piece === pin.piece;
  const isAt = (board: LaidBoard, pin: PinnedPlacement) =>
    board.placements.some(
      (each) =>
        each.part === pin.part &&
        each.copy === pin.copy &&
        each.x === pin.x &&
        each.y === pin.y &&
        each.turn === pin.turn &&
        each.flipped === pin.flipped,
    );
  const moved = pins.filter((pin) =>
    layout.boards.some((board) => isBoardOf(board, pin) && !isAt(board, pin)),
  );
  if (moved.length === 0) return layout;
  const boards = layout.boards.map((board) => {
    const staying = board.placements.filter(
      (each) => !moved.some((pin) => pin.part === each.part && pin.copy === each.copy),
    );
    const coming = moved.filter((pin) => isBoardOf(board, pin));
    return staying.length === board.placements.length && coming.length === 0
      ? board
      : { ...board, placements: [...staying, ...coming], offcuts: [] };
  });
  return { ...layout, boards };
}
