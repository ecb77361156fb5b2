import type { JobQuestion, LayoutJob, ReadyPieces, Stock } from '../job/index.js';
import { facesSeen, woodRefused } from '../wood/index.js';
import type { BatchRecord, LayoutWishes } from './batches.js';
import type { BoardRecord } from './boards.js';
import { boardOffered, type OfferRecord } from './yard.js';

/** A board as stock, its id the board’s; nothing is laid out for the roughness of a face that nobody has looked at. */
export const stockOf = (board: BoardRecord): Stock => {
  const { id, quantity, material, thickness, width, length, price, offcut, grained } = board;
  return {
    id,
    quantity,
    material,
    thickness,
    width,
    length,
    ...facesSeen(board),
    price,
    offcut,
    grained,
    defects: board.defects,
  };
};

/** Whether a board may be used: fit for a box, not forbidden by the maker, and where nothing is ripped no wider than the saw cuts across. */
const mayUse = (board: BoardRecord, { forbidden, crosscut }: LayoutWishes, rip: boolean): boolean =>
  board.quantity > 0 &&
  woodRefused(board) === null &&
  !forbidden.includes(board.id) &&
  (rip || crosscut === null || board.width <= crosscut);

/** Boards that are on the rack have been paid: beside what must be bought they cost nothing, so that they are used first. */
const paid = (board: BoardRecord): BoardRecord => ({ ...board, price: 0 });

/**
 * The wood that a batch may use: by its wish the boards of the rack, those and what the yard offers, or what the yard offers alone; what has
 * no price cannot be bought.
 */
export function woodAsked(
  { saw, wishes }: Pick<BatchRecord, 'saw' | 'wishes'>,
  rack: readonly BoardRecord[],
  yard: readonly OfferRecord[],
): Required<Pick<JobQuestion, 'stock' | 'yard'>> {
  const used = (boards: readonly BoardRecord[]) =>
    boards.filter((board) => mayUse(board, wishes, saw.rip)).map(stockOf);
  const priced = yard.filter(({ price }) => price !== null).map(boardOffered);
  switch (wishes.supply) {
    case 'rack':
      return { stock: used(rack), yard: [] };
    case 'rack-first':
      return { stock: used(rack.map(paid)), yard: used(priced) };
    case 'bought':
      return { stock: [], yard: used(priced) };
  }
}

/** What need not be sawn for a batch: what is set aside from the bin, and what stays on boxes that are mended. */
export const liesReady = ({
  ready,
  mends,
}: Pick<BatchRecord, 'ready' | 'mends'>): readonly ReadyPieces[] =>
  mends ? [...ready, ...mends.sound] : ready;

/** What is to be laid out for a batch on this wood: the question whose answer is `layoutJob`. */
export const batchQuestion = (
  batch: Pick<BatchRecord, 'name' | 'plan' | 'boxes' | 'saw' | 'wishes'> & {
    liesReady: readonly ReadyPieces[];
  },
  rack: readonly BoardRecord[],
  yard: readonly OfferRecord[] = [],
): JobQuestion => ({
  name: batch.name,
  plan: batch.plan,
  boxes: batch.boxes,
  saw: { ...batch.saw, handMin: batch.wishes.handHeld },
  ...woodAsked(batch, rack, yard),
  seconds: batch.wishes.seconds,
  pinned: batch.wishes.pinned,
  ready: batch.liesReady,
});

/** The job with every board at its own price, paid or not: what the wood of the boxes is worth. */
export const atFullPrice = (job: LayoutJob, boards: readonly BoardRecord[]): LayoutJob => ({
  ...job,
  stock: job.stock.map((kind) => ({
    ...kind,
    price: boards.find(({ id }) => id === kind.id)?.price ?? null,
  })),
});
