import type { Stock } from '../job/index.js';
import { woodRefused } from '../wood/index.js';
import { stockOf } from './batch-question.js';
import type { BoardRecord, NewBoard } from './boards.js';

/** A scrap that is held up, as it was typed: not on the rack, and one of it. */
export const scrapTyped = (board: NewBoard): Stock =>
  stockOf({ ...board, id: 'scrap', version: 1, quantity: 1, fromBatch: null });

/** Offcuts of the rack that are fit for a box, all that lies there of each. */
export const offcutsOn = (rack: readonly BoardRecord[]): Stock[] =>
  rack
    .filter((board) => board.offcut && board.quantity > 0 && woodRefused(board) === null)
    .map(stockOf);
