import type { BoardRecord, OfferRecord } from '@spare-knot/core/api';
import { firstCuts } from '@spare-knot/core/cuts';
import type { LayoutJob, Placement } from '@spare-knot/core/job';
import type { Layout } from '@spare-knot/core/layout';
import { partName } from '@spare-knot/core/panels';

import { Ban } from 'lucide-react';
import { useMemo, useRef } from 'react';
import { BoardDrawing } from '../../board/board-drawing';
import type { PieceInHand } from '../../board/piece';
import { useWidth } from '../../board/use-width';
import { Length } from '../../measure/length';
import { type AlikeBoards, groupAlike } from './group-alike';
import { HandTools } from './hand-tools';
import type { ChangePins } from './piece-acts';
import { useHand } from './use-hand';

interface Props {
  job: LayoutJob;
  layout: Layout;
  boards: readonly BoardRecord[];
  /** Those of the boards that are not on the rack but at a yard. */
  offers: readonly OfferRecord[];
  names: ReadonlyMap<string, string>;
  locked: boolean;
  /** Changes the pieces that are pinned where they were laid by hand. */
  onPins: ChangePins;
  onForbid: (board: string) => void;
}

/** The boards with every panel on them, to take hold of: drag one and the rest flows round it. */
export function LaidOut(props: Props) {
  const { job, layout, boards, offers, names, locked, onPins, onForbid } = props;
  const [ref, width] = useWidth<HTMLOListElement>();
  const drawings = useRef(new Map<string, HTMLElement>());
  const used = layout.boards.flatMap((laid) => boards.filter((board) => board.id === laid.stock));
  const scale = (width - 4) / Math.max(1, ...used.map((board) => board.length));
  const groups = useMemo(() => groupAlike(layout.boards), [layout]);
  const setting = { job, layout, boards, names, scale, onPins };
  const { acts, chosen, handOn } = useHand(setting, drawings.current);
  return (
    <>
      {!locked && (
        <HandTools
          acts={acts}
          chosen={chosen}
          names={names}
          pinned={job.pinned.length}
          onLetAllGo={() => onPins(() => [])}
        />
      )}
      <ol ref={ref} className="grid gap-2.5">
        {width > 0 &&
          groups.map((alike) => {
            const { laid, count } = alike;
            const board = boards.find((each) => each.id === laid.stock);
            if (!board) return null;
            const key = `${laid.stock}/${laid.piece}`;
            return (
              <li
                key={key}
                data-laid={key}
                ref={(element) => {
                  if (element) drawings.current.set(key, element);
                  else drawings.current.delete(key);
                }}
              >
                <LaidBoardDrawing
                  job={job}
                  board={board}
                  yard={offers.find(({ id }) => id === board.id)?.yard ?? null}
                  alike={alike}
                  names={names}
                  scale={scale}
                  hand={!locked && count === 1 ? handOn(laid, board) : null}
                  onForbid={locked ? null : onForbid}
                />
              </li>
            );
          })}
      </ol>
    </>
  );
}

/** One board, or several that are cut alike, with what is said of it over the drawing. */
function LaidBoardDrawing({
  job,
  board,
  yard,
  alike: { laid, number, count },
  names,
  scale,
  hand,
  onForbid,
}: {
  job: LayoutJob;
  board: BoardRecord;
  /** The yard that sells it; null for a board on the rack. */
  yard: string | null;
  alike: AlikeBoards;
  names: ReadonlyMap<string, string>;
  scale: number;
  hand: ((placement: Placement) => PieceInHand) | null;
  onForbid: ((board: string) => void) | null;
}) {
  const jigsaw = useMemo(() => firstCuts(job, laid).jigsaw, [job, laid]);
  const drawn = useMemo(() => ({ job, board: laid }), [job, laid]);
  const title = count === 1 && board.quantity > 1 ? `${board.name} ${number}` : board.name;
  return (
    <>
      <p className="mb-0.5 flex flex-wrap items-baseline gap-x-3 text-sm">
        <strong>{title}</strong>
        {yard && (
          <span className="rounded bg-chalk-pale px-1.5 font-semibold text-chalk">
            to buy at {yard}
          </span>
        )}
        {count > 1 && (
          <span className="rounded bg-tape px-1.5 font-semibold">cut {count} boards like this</span>
        )}
        <span className="text-soft">
          <Length ticks={board.thickness} /> × <Length ticks={board.width} /> ×{' '}
          <Length ticks={board.length} unit />, face A up ({board.faceA})
        </span>
        {jigsaw.length > 0 && (
          <span className="rounded bg-warn-pale px-1.5 font-semibold text-warn">
            jigsaw for {jigsaw.map((id) => partName(names, id).toLowerCase()).join(', ')}
          </span>
        )}
        {onForbid && (
          <button
            type="button"
            className="ml-auto flex min-h-6 items-center gap-1 whitespace-nowrap text-chalk"
            title={`Leave ${board.name} alone: nothing is laid on it`}
            onClick={() => onForbid(board.id)}
          >
            <Ban size={14} aria-hidden /> leave it alone
          </button>
        )}
      </p>
      <BoardDrawing
        board={board}
        scale={scale}
        laid={drawn}
        names={names}
        tape
        label={`${title}: ${laid.placements.length} panels, ${laid.offcuts.length} offcuts to keep`}
        {...(hand && { hand })}
      />
    </>
  );
}
