import type { LayoutJob, PinnedPlacement } from '../job/index.js';
import { ofPanel, type Text, text } from '../text/index.js';
import { checkLayout } from './checker/check.js';
import type { LaidBoard, Layout } from './layout.js';

/** A pin that cannot be kept, and why. */
export interface BrokenPin {
  pin: PinnedPlacement;
  reason: Text;
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
const brokenBy = (job: LayoutJob, pins: readonly PinnedPlacement[]): Text | null =>
  checkLayout({ ...job, pinned: [] }, onlyPins(pins)).find(
    (violation) => violation.rule <= 7 || violation.path.startsWith('boards'),
  )?.message ?? null;

type Piece = Pick<PinnedPlacement, 'stock' | 'piece'>;
const isOneBoard = (a: Piece, b: Piece): boolean => a.stock === b.stock && a.piece === b.piece;

/** Whether a pin's panel and board are still there. */
const isThere = (job: LayoutJob, { part, copy, stock, piece }: PinnedPlacement): boolean =>
  job.parts.some((each) => each.id === part && copy < each.quantity) &&
  job.stock.some((each) => each.id === stock && piece < each.quantity);

/** Why a pin cannot be kept beside those that are; null where it can. */
function whyBroken(
  job: LayoutJob,
  kept: readonly PinnedPlacement[],
  pin: PinnedPlacement,
): Text | null {
  const part = job.parts.find((each) => each.id === pin.part);
  if (!part) return text`there is no panel “${ofPanel(pin.part)}” any more`;
  if (pin.copy >= part.quantity)
    return text`there are only ${part.quantity} of “${ofPanel(pin.part)}” now`;
  const stock = job.stock.find((each) => each.id === pin.stock);
  if (!stock || pin.piece >= stock.quantity) return text`its board is not there any more`;
  if (kept.some((other) => other.part === pin.part && other.copy === pin.copy))
    return text`“${ofPanel(pin.part)}” ${pin.copy} is pinned twice`;
  // Pins of other boards have no say in it.
  return brokenBy(job, [...kept.filter((other) => isOneBoard(other, pin)), pin]);
}

/**
 * The job with those of its pins that hold together, in their order, and those that contradict the boards, the saw or an earlier pin, each with the
 * rule in words.
 */
export function sortPins(job: LayoutJob): { job: LayoutJob; broken: BrokenPin[] } {
  // Nearly always all of them hold: one look at all together then does.
  if (job.pinned.every((pin) => isThere(job, pin)) && brokenBy(job, job.pinned) === null)
    return { job, broken: [] };
  const kept: PinnedPlacement[] = [];
  const broken: BrokenPin[] = [];
  for (const pin of job.pinned) {
    const reason = whyBroken(job, kept, pin);
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
): Text | null => brokenBy(job, [...others.filter((other) => isOneBoard(other, pin)), pin]);

/**
 * A layout made for other pins, with every pinned piece moved to where its pin says, to look at until the search has answered: the rest
 * has not flowed round it yet. Kept offcuts of boards that a piece left or came to are gone, since they may lie under it.
 */
export function movedToPins(layout: Layout, pins: readonly PinnedPlacement[]): Layout {
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
    layout.boards.some((board) => isOneBoard(board, pin) && !isAt(board, pin)),
  );
  if (moved.length === 0) return layout;
  const boards = layout.boards.map((board) => {
    const staying = board.placements.filter(
      (each) => !moved.some((pin) => pin.part === each.part && pin.copy === each.copy),
    );
    const coming = moved.filter((pin) => isOneBoard(board, pin));
    return staying.length === board.placements.length && coming.length === 0
      ? board
      : { ...board, placements: [...staying, ...coming], offcuts: [] };
  });
  return { ...layout, boards };
}
