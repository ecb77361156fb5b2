import type { JobQuestion, Stock } from '../job/index.js';
import { isAssumed, woodRefused } from '../wood/index.js';
import type { BatchRecord, LayoutWishes } from './batches.js';
import type { BoardRecord } from './boards.js';

/** A board as stock, its id the board’s. A face that nobody has looked at counts as planed: nothing is laid out for its roughness. */
const stockOf = (board: BoardRecord): Stock => {
  const { id, quantity, material, thickness, width, length, price, offcut, grained } = board;
  const looked = !isAssumed(board, 'faces');
  return {
    id,
    quantity,
    material,
    thickness,
    width,
    length,
    faceA: looked ? board.faceA : 'planed',
    faceB: looked ? board.faceB : 'planed',
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

/** What is to be laid out for a batch on these boards: the question whose answer is `layoutJob`. */
export const batchQuestion = (
  {
    name,
    plan,
    boxes,
    saw,
    wishes,
  }: Pick<BatchRecord, 'name' | 'plan' | 'boxes' | 'saw' | 'wishes'>,
  boards: readonly BoardRecord[],
): JobQuestion => ({
  name,
  plan,
  boxes,
  saw,
  stock: boards.filter((board) => mayUse(board, wishes, saw.rip)).map(stockOf),
  seconds: wishes.seconds,
  pinned: wishes.pinned,
});
