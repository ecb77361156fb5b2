import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import { printMoney } from '@spare-knot/core/measure';
import { woodRefused } from '@spare-knot/core/wood';

import type { ReactNode } from 'react';
import { BoardDrawing } from '../board/board-drawing';
import { Length, Sentence } from '../measure/length';
import { facesWords, woodWords } from '../wood/wood-words';
import { Assumptions } from './assumptions';

/** A kind of board as it lies on the rack: drawn to scale, with what is known of it. */
export function BoardRow({
  board,
  scale,
  onAnswer,
  children,
}: {
  board: BoardRecord;
  scale: number;
  /** Settles what is assumed of the board. */
  onAnswer: (change: Partial<NewBoard>) => void;
  children?: ReactNode;
}) {
  const refused = woodRefused(board);
  return (
    <div>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="font-sans text-base font-bold">
          {board.quantity > 1 && <span className="mono">{board.quantity} × </span>}
          {board.name}
          {board.offcut && !/offcut/i.test(board.name) && (
            <span className="ml-2 rounded bg-moss-pale px-1.5 text-sm font-semibold text-moss">
              offcut
            </span>
          )}
        </h2>
        <p className="text-[0.92rem] text-soft">
          <Length ticks={board.thickness} /> × <Length ticks={board.width} /> ×{' '}
          <Length ticks={board.length} unit />, {woodWords(board)}, {facesWords(board)}
          {board.planed && (
            <>
              , planed by {board.planed.by} from <Length ticks={board.planed.from} unit />
            </>
          )}
          {board.price === null ? ', no price' : `, ${printMoney(board.price)} each`}
        </p>
        <div className="ml-auto flex items-center gap-1">{children}</div>
      </div>
      <Assumptions board={board} onAnswer={onAnswer} />
      {refused && (
        <p className="text-sm font-semibold text-danger">
          Not for boxes, and never laid out. <Sentence text={refused} />
        </p>
      )}
      <div className="mt-1 overflow-hidden">
        <BoardDrawing
          board={board}
          scale={scale}
          label={`${board.name}: ${board.defects.length === 0 ? 'no defects' : `${board.defects.length} defects`}`}
        />
      </div>
    </div>
  );
}
