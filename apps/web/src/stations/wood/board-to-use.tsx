import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import { type Defect, woodRefused } from '@spare-knot/core/wood';

import { BoardEditor } from '../../rack/board-editor';
import { BoardRow } from '../../rack/board-row';

/** A board on the rack, to be used for the chosen panels or to have its knots marked. */
export function BoardToUse({
  board,
  scale,
  using,
  useFor,
  locked,
  isOpen,
  onOpen,
  onUse,
  onDefects,
  onAnswer,
}: {
  board: BoardRecord;
  scale: number;
  /** Panels planned in this wood; the empty word for none. */
  using: string;
  /** The chosen panels; null where none are. */
  useFor: string | null;
  locked: boolean;
  isOpen: boolean;
  onOpen: (isOpen: boolean) => void;
  onUse: () => void;
  onDefects: (defects: readonly Defect[], what: string) => Promise<void>;
  onAnswer: (change: Partial<NewBoard>) => void;
}) {
  return (
    <li
      className={`card p-3 ${using === '' ? '' : '!border-2 !border-moss'}`}
      data-board={board.name}
    >
      <BoardRow board={board} scale={scale} onAnswer={onAnswer}>
        <button
          type="button"
          className="btn btn-quiet"
          aria-expanded={isOpen}
          onClick={() => onOpen(!isOpen)}
        >
          {isOpen ? 'Close' : 'Knots…'}
        </button>
        <button
          type="button"
          className="btn"
          disabled={locked || useFor === null || woodRefused(board) !== null}
          onClick={onUse}
        >
          Use for {useFor ?? 'no panel'}
        </button>
      </BoardRow>
      {using !== '' && (
        <p className="mt-1 text-sm font-semibold text-moss">
          <span aria-hidden>✓ </span>May be used for {using}
        </p>
      )}
      {isOpen && (
        <BoardEditor key={`${board.id} ${board.version}`} board={board} onDefects={onDefects} />
      )}
    </li>
  );
}
