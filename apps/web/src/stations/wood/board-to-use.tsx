import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import { HOLDS_IN_EDGE } from '@spare-knot/core/panels';
import { type Defect, isSheet, woodRefused } from '@spare-knot/core/wood';

import { Length } from '../../measure/length';
import { BoardEditor } from '../../rack/board-editor';
import { BoardRow } from '../../rack/board-row';

/** Sheet that takes no screw in its edge by itself. */
const isThinSheet = (board: BoardRecord): boolean =>
  isSheet(board.material) && woodRefused(board) === null && board.thickness < HOLDS_IN_EDGE;

/** A board on the rack, to be used for the chosen panels or to have its knots marked. */
export function BoardToUse({
  board,
  scale,
  using,
  useFor,
  screws,
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
  /** Screws that press two of it together in the chosen panels of one box. */
  screws: number;
  locked: boolean;
  isOpen: boolean;
  onOpen: (isOpen: boolean) => void;
  /** Cuts the chosen panels from it, or each from two of it, one on the other. */
  onUse: (doubled: boolean) => void;
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
          onClick={() => onUse(false)}
        >
          Use for {useFor ?? 'no panel'}
        </button>
      </BoardRow>
      {isThinSheet(board) && !locked && useFor !== null && (
        <p className="mt-1 text-sm">
          <button type="button" className="link min-h-7" onClick={() => onUse(true)}>
            Two of it, glued into one <Length ticks={2 * board.thickness} unit />, for {useFor}
          </button>{' '}
          <span className="text-soft">
            Each panel is then sawn twice; {screws === 0 ? 'clamps' : `${screws} screws a box`} hold
            the sheets while the glue sets.
          </span>
        </p>
      )}
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
