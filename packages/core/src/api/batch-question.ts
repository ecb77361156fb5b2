import type { JobQuestion, Stock } from '../job/index.js';
import type { BatchRecord, LayoutWishes } from './batches.js';
import type { BoardRecord } from './boards.js';

/** Boards of the rack as stock; a stock’s id is its board’s. */
const stockOf = (boards: readonly BoardRecord[]): Stock[] =>
  boards
    .filter((board) => board.quantity > 0)
    .map(({ version: _version, fromBatch: _fromBatch, name: _name, ...board }) => board);

/** Whether the maker lets a board be used: not forbidden, and where nothing is ripped no wider than the saw cuts across. */
const mayUse = (
  board: Pick<BoardRecord, 'id' | 'width'>,
  { forbidden, crosscut }: LayoutWishes,
  rip: boolean,
): boolean =>
  !forbidden.includes(board.id) && (rip || crosscut === null || board.width <= crosscut);

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
  stock: stockOf(boards.filter((board) => mayUse(board, wishes, saw.rip))),
  seconds: wishes.seconds,
  pinned: wishes.pinned,
});
