import type { BoardRecord } from '@spare-knot/core/api';
import { type BoardCut, boardCuts, type NamedPlan } from '@spare-knot/core/cuts';
import type { LayoutJob } from '@spare-knot/core/job';
import type { LaidBoard } from '@spare-knot/core/layout';
import type { Panel } from '@spare-knot/core/panels';

import { type Page, paginate } from './pages';

/** Paper, in millimetres. */
export const PAPERS = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;
export type PaperSize = (typeof PAPERS)[Paper];

/** Pixels that a browser prints to a millimetre. */
export const PER_MM = 96 / 25.4;

/** A margin that every printer can keep; how far from the lower edge the footer ends. Millimetres. */
export const MARGIN = 12;
export const FOOT = 6;
/** Millimetres kept free over the footer: a line on paper may break where none does on the screen. */
const IN_HAND = 6;

/** Millimetres of paper that what stands on sheets takes, by the names under which it is drawn. */
export type Heights = ReadonlyMap<string, number>;

/** Millimetres of something on paper; of what is still to be measured, or has not been drawn, none. */
export const heightOf = (heights: Heights | null, name: string): number => heights?.get(name) ?? 0;

/** Millimetres between header and footer of a sheet; without end while all that stands on it is measured. */
export const roomOn = ({ height }: PaperSize, heights: Heights | null): number =>
  heights === null
    ? Number.POSITIVE_INFINITY
    : height - MARGIN - heightOf(heights, 'header') - heightOf(heights, 'footer') - FOOT - IN_HAND;

/** A board of the layout, its number there, and the one on the rack. */
export interface BoardOnPaper {
  laid: LaidBoard;
  board: BoardRecord;
  title: string;
  /** How it is cut; empty where no plan is for it. */
  cuts: readonly BoardCut[];
}

/** Boards of a layout with what they are called: by number where there are several of a kind. */
export function boardsOnPaper(
  laid: readonly LaidBoard[],
  boards: readonly BoardRecord[],
): BoardOnPaper[] {
  const seen = new Map<string, number>();
  return laid.flatMap((each) => {
    const board = boards.find(({ id }) => id === each.stock);
    if (!board) return [];
    const number = (seen.get(board.id) ?? 0) + 1;
    seen.set(board.id, number);
    return [
      {
        laid: each,
        board,
        title: board.quantity > 1 ? `${board.name} ${number}` : board.name,
        cuts: [],
      },
    ];
  });
}

/** The boards with the cuts that a plan of the same layout makes in them. */
export function withCuts(
  boards: readonly BoardOnPaper[],
  plan: NamedPlan,
  { saw }: LayoutJob,
): BoardOnPaper[] {
  let index = -1;
  return boards.map((of) => {
    if (of.laid.placements.length === 0) return of;
    index += 1;
    if (plan.boards[index]?.stock !== of.laid.stock) return of;
    const { thickness } = of.board;
    return { ...of, cuts: boardCuts(plan, index, { kerf: saw.kerf, thickness }) };
  });
}

/** The longest board in use: all boards are drawn to its scale. */
export const longestOf = (boards: readonly BoardOnPaper[]): number =>
  Math.max(1, ...boards.map(({ board }) => board.length));

/** The names under which a board and a line of the cut list are measured. */
export const boardName = ({ laid }: BoardOnPaper): string => `board ${laid.stock}/${laid.piece}`;
export const lineName = ({ id }: Panel): string => `panel ${id}`;

/** What stands on each sheet of a paper: the cut list, then the boards. */
export function sheetsOf(
  panels: readonly Panel[],
  boards: readonly BoardOnPaper[],
  size: PaperSize,
  heights: Heights | null,
): Page<Panel, BoardOnPaper>[] {
  const height = (name: string) => heightOf(heights, name);
  return paginate(
    panels.map((of) => ({ of, height: height(lineName(of)) })),
    boards.map((of) => ({ of, height: height(boardName(of)) })),
    {
      height: roomOn(size, heights),
      listHead: height('list title') + height('list columns'),
      listFoot: height('list foot'),
    },
  );
}
