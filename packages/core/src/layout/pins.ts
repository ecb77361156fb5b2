import { checkLayout } from './checker/check.js';
import type { LayoutJob, PinnedPlacement } from './job.js';
import type { Layout } from './layout.js';

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
  checkLayout({ ...job, pinned: [] }, onlyPins(pins)).find((violation) => violation.rule <= 7 || violation.path.startsWith('boards'))
    ?.message ?? null;

/**
 * The pins of a job that hold together, in their order, and those that contradict the boards, the saw or an earlier pin, each with the
 * rule in words.
 */
export function sortPins(job: LayoutJob): { kept: PinnedPlacement[]; broken: BrokenPin[] } {
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
  return { kept, broken };
}

/** Why a pin cannot lie where it is asked to, beside the pins that are there; null when it can. */
export const whyNot = (job: LayoutJob, others: readonly PinnedPlacement[], pin: PinnedPlacement): string | null =>
  brokenBy(job, [...others, pin]);
