import type { BoardRecord } from '@spare-knot/core/api';
import { type BoardCut, boardCuts, type NamedPlan } from '@spare-knot/core/cuts';
import type { LayoutJob } from '@spare-knot/core/job';
import type { LaidBoard } from '@spare-knot/core/layout';
import { cutWords, type Panel } from '@spare-knot/core/panels';
import { joinTexts, plainText } from '@spare-knot/core/text';
import { isSheet } from '@spare-knot/core/wood';

import { type Block, type Page, paginate } from './pages';

/** Paper, in millimetres. */
export const PAPERS = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;
export type PaperSize = (typeof PAPERS)[Paper];

/** A margin that every printer can keep; heading and footer of a sheet; head and foot of the cut list. Millimetres. */
export const MARGIN = 12;
const HEADING = 26;
const LIST_HEAD = 18;
const LIST_FOOT = 20;
/** Millimetres kept free on a sheet: heights are reckoned by letters, and a line may break where that does not tell. */
export const IN_HAND = 5;
/** A line of the cut list, what stands round it, and how many letters its widest column holds. */
const LINE = 4.7;
const ROUND_LINE = 3.2;
const LETTERS = 66;
/** Letters of what stands after the cuts: the face and the wood. */
const AFTER_CUTS = 36;
/** Heading and tape of a board, its numbers in two rows; a line that names what is kept. */
const ROUND_BOARD = 20.5;
const KEPT_LINE = 4.5;
/** A line of a board's name; letters that stand beside its sizes, and the widest letters that a line holds. */
const NAME_LINE = 5.8;
const SHORT_NAME = 30;
const WIDE_LETTERS = 48;

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

/** Millimetres of paper that one board takes: heading, drawing, marks. */
function boardHeight({ laid, board, title, cuts }: BoardOnPaper, scale: number): number {
  const isListed = isSheet(board.material) && cuts.length > 0;
  const marks = isListed ? (cuts.length + 1) * LINE : Math.ceil(laid.placements.length / 2) * LINE;
  const name = title.length > SHORT_NAME ? NAME_LINE * Math.ceil(title.length / WIDE_LETTERS) : 0;
  const kept = laid.offcuts.length > 0 ? KEPT_LINE : 0;
  return ROUND_BOARD + name + board.width * scale + marks + kept;
}

/** Millimetres of paper that a line of the cut list takes: rows for its words, and one for each kind of hole. */
function lineHeight(panel: Panel): number {
  const kinds = new Set(
    panel.features.map((feature) =>
      feature.kind === 'groove' ? `groove ${feature.purpose}` : feature.kind,
    ),
  );
  const words = plainText(joinTexts(cutWords(panel), '; '));
  const rows = Math.ceil((words.length + AFTER_CUTS) / LETTERS);
  return ROUND_LINE + LINE * (rows + kinds.size);
}

/** What stands on each sheet of a paper: the cut list, then the boards. */
export function sheetsOf(
  panels: readonly Panel[],
  boards: readonly BoardOnPaper[],
  { width, height }: PaperSize,
): Page<Panel, BoardOnPaper>[] {
  const scale = (width - 2 * MARGIN) / longestOf(boards);
  const lines = panels.map((of): Block<Panel> => ({ of, height: lineHeight(of) }));
  const drawings = boards.map(
    (of): Block<BoardOnPaper> => ({ of, height: boardHeight(of, scale) }),
  );
  const room = {
    height: height - 2 * MARGIN - HEADING - IN_HAND,
    listHead: LIST_HEAD,
    listFoot: LIST_FOOT,
  };
  return paginate(lines, drawings, room);
}
