import { fromMm, type Ticks } from '../measure/index.js';
import { crossing } from '../plane/index.js';
import { type CutAtHand, lastCut } from './at-hand.js';
import { largestRectangle } from './largest-rectangle.js';
import {
  type NamedBoard,
  type NamedPiece,
  type NamedPlan,
  named,
  type Progress,
  type Rect,
  sawnBoards,
} from './progress.js';

/** A piece that is there and may be spoken of. */
export interface PieceThere {
  key: string;
  index: number;
  board: NamedBoard;
  piece: NamedPiece;
}

/** Everything that is there of a plan, but waste and what went wrong: what came off last first, then what is at hand, then its board. */
export function piecesAtHand(
  plan: NamedPlan,
  progress: Progress,
  hand: CutAtHand | null,
): PieceThere[] {
  const key = lastCut(plan, progress);
  const last = key === null ? null : named(plan.boards, key);
  const gives = last?.board?.cuts.find(({ id }) => id === last.id)?.gives;
  const rankOf = ({ index, piece }: PieceThere): number => {
    if (index === last?.index && gives?.includes(piece.id)) return 0;
    if (hand && index === hand.board) return piece.id === hand.piece.id ? 1 : 2;
    return 3;
  };
  return sawnBoards(plan.boards, progress)
    .flatMap(({ index, board, inHand, ruined }) =>
      inHand.flatMap((piece): PieceThere[] =>
        ruined.has(piece.id) || piece.is === 'waste' || !piece.wood
          ? []
          : [{ key: `${index}:${piece.id}`, index, board, piece }],
      ),
    )
    .sort((a, b) => rankOf(a) - rankOf(b));
}

/** The largest rectangle of a piece, or all of it where it is one. */
export const wholeOf = ({ wood }: NamedPiece): Rect | null =>
  wood ? largestRectangle(wood, 0) : null;

/** A millimetre: corners that are rounded to the tick, and lengths that were read from a tape. */
const HAIR: Ticks = fromMm(1);

/** Whether a rectangle lies in the wood of a piece, on both faces. */
export function liesIn({ wood }: NamedPiece, [x, y, length, width]: Rect): boolean {
  if (!wood) return false;
  return [wood.faceA, wood.faceB].every((face) =>
    [y + HAIR, y + width - HAIR].every((at) => {
      const met = crossing(face, 0, at);
      return met !== null && met[0] <= x + HAIR && met[1] >= x + length - HAIR;
    }),
  );
}
