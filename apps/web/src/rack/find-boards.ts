import type { BoardRecord } from '@spare-knot/core/api';
import type { Ticks } from '@spare-knot/core/measure';
import { materialById } from '@spare-knot/core/wood';

export const BOARD_ORDERS = {
  put: 'as they were put there',
  longest: 'the longest first',
  shortest: 'the shortest first',
  widest: 'the widest first',
  thickest: 'the thickest first',
  name: 'by name',
} as const;
export type BoardOrder = keyof typeof BOARD_ORDERS;

/** What somebody looks for on the rack; nothing said is no limit. */
export interface BoardWish {
  /** Words that all stand in its name or its wood. */
  words: string;
  material: string | null;
  thickness: Ticks | null;
  /** Long enough for something so long, and wide enough for something so wide. */
  length: Ticks;
  width: Ticks;
  kind: 'all' | 'offcuts' | 'whole';
  order: BoardOrder;
}

export const NO_WISH: BoardWish = {
  words: '',
  material: null,
  thickness: null,
  length: 0,
  width: 0,
  kind: 'all',
  order: 'put',
};

/** Thicknesses nearer to each other than this are one (half a millimetre). */
const ALIKE: Ticks = 160;

function isWished(board: BoardRecord, wish: BoardWish): boolean {
  const said =
    `${board.name} ${materialById(board.material)?.name ?? board.material}`.toLowerCase();
  const words = wish.words.toLowerCase().split(/\s+/).filter(Boolean);
  return (
    words.every((word) => said.includes(word)) &&
    (wish.material === null || board.material === wish.material) &&
    (wish.thickness === null || Math.abs(board.thickness - wish.thickness) <= ALIKE) &&
    board.length >= wish.length &&
    board.width >= wish.width &&
    (wish.kind === 'all' || board.offcut === (wish.kind === 'offcuts'))
  );
}

const ORDER: Readonly<Record<BoardOrder, (a: BoardRecord, b: BoardRecord) => number>> = {
  put: () => 0,
  longest: (a, b) => b.length - a.length,
  shortest: (a, b) => a.length - b.length,
  widest: (a, b) => b.width - a.width,
  thickest: (a, b) => b.thickness - a.thickness,
  name: (a, b) => a.name.localeCompare(b.name),
};

/** Boards of a rack that are looked for, in the order that is liked. */
export const findBoards = (boards: readonly BoardRecord[], wish: BoardWish): BoardRecord[] =>
  boards.filter((board) => isWished(board, wish)).sort(ORDER[wish.order]);

/** Thicknesses that lie on the rack, thin first, those alike once. */
export function thicknessesOf(boards: readonly BoardRecord[]): Ticks[] {
  const sorted = boards.map(({ thickness }) => thickness).sort((a, b) => a - b);
  return sorted.filter((each, index) => index === 0 || each - (sorted[index - 1] ?? 0) > ALIKE);
}
