import type { BoardRecord } from '@spare-knot/core/api';
import { printMoney } from '@spare-knot/core/measure';
import { materialName } from '@spare-knot/core/wood';

import type { ReactNode } from 'react';
import { BoardDrawing } from '../board/board-drawing';
import { Length } from '../measure/length';

/** A kind of board as it lies on the rack: drawn to scale, with what is known of it. */
export function BoardRow({
  board,
  scale,
  children,
}: {
  board: BoardRecord;
  scale: number;
  children?: ReactNode;
}) {
  const faces =
    board.faceA === board.faceB
      ? `${board.faceA} both faces`
      : `face A ${board.faceA}, face B ${board.faceB}`;
  return (
    <div>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="font-sans text-base font-bold">
          {board.quantity > 1 && <span className="mono">{board.quantity} × </span>}
          {board.name}
          {board.offcut && !/offcut/i.test(board.name) && (
            <span className="ml-2 rounded bg-moss-pale px-1.5 text-sm font-semibold text-moss">
              offcut
            </span>
          )}
        </h3>
        <p className="text-[0.92rem] text-soft">
          <Length ticks={board.thickness} /> × <Length ticks={board.width} /> ×{' '}
          <Length ticks={board.length} unit />, {materialName(board.material)}, {faces}
          {board.price === null ? ', no price' : `, ${printMoney(board.price)} each`}
        </p>
        <div className="ml-auto flex items-center gap-1">{children}</div>
      </div>
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
