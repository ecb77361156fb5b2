import type { BoardRecord } from '@spare-knot/core/api';
import { firstCuts } from '@spare-knot/core/cuts';
import type { LayoutJob, PinnedPlacement, Placement } from '@spare-knot/core/job';
import { type LaidBoard, type Layout, placePart, whyNot } from '@spare-knot/core/layout';
import { entry, must } from '@spare-knot/core/lists';
import type { Ticks } from '@spare-knot/core/measure';
import { partName } from '@spare-knot/core/panels';
import type { Turn } from '@spare-knot/core/plane';

import { Ban, FlipHorizontal2, Pin, PinOff, RotateCw } from 'lucide-react';
import { type PointerEvent, useMemo, useRef, useState } from 'react';
import { BoardDrawing, type PieceInHand } from '../board/board-drawing';
import { useWidth } from '../board/use-width';
import { Length, usePrintedText } from '../measure/length';
import { useNotice } from '../ui/notice';

interface Props {
  job: LayoutJob;
  layout: Layout;
  boards: readonly BoardRecord[];
  names: ReadonlyMap<string, string>;
  locked: boolean;
  /** Puts a piece where it was laid by hand; null lets it go. */
  onPins: (change: (pins: readonly PinnedPlacement[]) => readonly PinnedPlacement[]) => void;
  onForbid: (board: string) => void;
}

/** Boards cut alike from this many on are drawn once. */
const ALIKE = 12;
/** A piece dropped within so many pixels of a place a kerf away from its neighbour goes there. */
const SNAP = 10;

const keyOf = (placement: Pick<Placement, 'part' | 'copy'>): string =>
  `${placement.part}/${placement.copy}`;
const samePiece = (
  a: Pick<Placement, 'part' | 'copy'>,
  b: Pick<Placement, 'part' | 'copy'>,
): boolean => a.part === b.part && a.copy === b.copy;

interface Held {
  placement: Placement;
  from: LaidBoard;
  start: readonly [number, number];
  shift: readonly [number, number];
  /** Where inside the piece it was taken, in ticks from its lower-left corner. */
  grip: readonly [number, number];
}

/** The boards with every panel on them, to take hold of: drag one and the rest flows round it. */
export function LaidOut({ job, layout, boards, names, locked, onPins, onForbid }: Props) {
  const [ref, width] = useWidth<HTMLOListElement>();
  const [held, setHeld] = useState<Held | null>(null);
  const [selected, setSelected] = useState<string | null>(null);
  const drawings = useRef(new Map<string, HTMLElement>());
  const say = useNotice();
  const print = usePrintedText();
  const used = layout.boards.flatMap((laid) => boards.filter((board) => board.id === laid.stock));
  const scale = (width - 4) / Math.max(1, ...used.map((board) => board.length));
  const groups = useMemo(() => groupAlike(layout.boards), [layout]);
  const jigsaw = useMemo(
    () => new Map(groups.map(({ laid }) => [laid, firstCuts(job, laid).jigsaw])),
    [groups, job],
  );
  const partOf = (id: string) => job.parts.find((part) => part.id === id);
  const pinned = (placement: Placement) => job.pinned.some((pin) => samePiece(pin, placement));
  const chosen = layout.boards
    .flatMap((laid) => laid.placements.map((placement) => ({ laid, placement })))
    .find(({ placement }) => keyOf(placement) === selected);

  const lay = (pin: PinnedPlacement) => {
    const others = job.pinned.filter((each) => !samePiece(each, pin));
    const reason = whyNot(job, others, pin);
    if (reason) {
      say(`It cannot lie there: ${print(reason)}.`, { tone: 'danger' });
      return;
    }
    onPins((pins) => [...pins.filter((each) => !samePiece(each, pin)), pin]);
    setSelected(keyOf(pin));
  };
  const letGo = (placement: Placement) =>
    onPins((pins) => pins.filter((each) => !samePiece(each, placement)));

  /** The place nearest to where it was dropped at which it lies a kerf from its neighbours, or flush with an edge. */
  const snapped = (
    laid: LaidBoard,
    board: BoardRecord,
    placement: Placement,
    x: Ticks,
    y: Ticks,
  ): readonly [Ticks, Ticks] => {
    const part = must(partOf(placement.part), 'part');
    const [left, bottom, right, top] = placePart(part, { ...placement, x: 0, y: 0 }).bounds;
    const [long, wide] = [right - left, top - bottom];
    const { kerf, endTrim } = job.saw;
    const rims = laid.placements
      .filter((other) => !samePiece(other, placement))
      .flatMap((other) => {
        const of = partOf(other.part);
        return of ? [placePart(of, other).bounds] : [];
      });
    const near = (value: number, places: readonly number[]) => {
      const best = places.reduce(
        (found, each) => (Math.abs(each - value) < Math.abs(found - value) ? each : found),
        Number.POSITIVE_INFINITY,
      );
      return Math.abs(best - value) * scale <= SNAP ? best : Math.round(value);
    };
    return [
      near(x, [
        endTrim,
        board.length - endTrim - long,
        ...rims.flatMap((rim) => [rim[2] + kerf, rim[0] - kerf - long]),
      ]),
      near(y, [
        0,
        board.width - wide,
        ...rims.flatMap((rim) => [rim[3] + kerf, rim[1] - kerf - wide]),
      ]),
    ];
  };

  const drop = (event: PointerEvent<SVGGElement>, from: Held) => {
    setHeld(null);
    if (Math.hypot(...from.shift) < 4) {
      setSelected(keyOf(from.placement));
      return;
    }
    for (const laid of layout.boards) {
      const wood = drawings.current
        .get(`${laid.stock}/${laid.piece}`)
        ?.querySelector('[data-wood]')
        ?.getBoundingClientRect();
      const board = boards.find((each) => each.id === laid.stock);
      if (!board) continue;
      if (
        !wood ||
        event.clientX < wood.left - 20 ||
        event.clientX > wood.right + 20 ||
        event.clientY < wood.top - 12 ||
        event.clientY > wood.bottom + 12
      )
        continue;
      const drawn = wood.width / board.length;
      const x = (event.clientX - wood.left) / drawn - from.grip[0];
      const y = (wood.bottom - event.clientY) / drawn - from.grip[1];
      const [at, up] = snapped(laid, board, from.placement, x, y);
      lay({ ...from.placement, x: at, y: up, stock: laid.stock, piece: laid.piece });
      return;
    }
    say('It was dropped beside the boards, so it stays where it was.', {});
  };

  const turn = (laid: LaidBoard, placement: Placement) => {
    const along =
      partOf(placement.part)?.grain === 'along' &&
      boards.find((board) => board.id === laid.stock)?.grained;
    lay({
      ...placement,
      turn: ((placement.turn + (along ? 180 : 90)) % 360) as Turn,
      stock: laid.stock,
      piece: laid.piece,
    });
  };
  const flip = (laid: LaidBoard, placement: Placement) =>
    lay({ ...placement, flipped: !placement.flipped, stock: laid.stock, piece: laid.piece });
  const togglePin = (laid: LaidBoard, placement: Placement) =>
    pinned(placement)
      ? letGo(placement)
      : lay({ ...placement, stock: laid.stock, piece: laid.piece });

  const hand =
    (laid: LaidBoard, board: BoardRecord) =>
    (placement: Placement): PieceInHand => {
      const mine = held && samePiece(held.placement, placement) ? held : null;
      const box =
        Math.floor(
          placement.copy / Math.max(1, (partOf(placement.part)?.quantity ?? 1) / boxesOf(job)),
        ) + 1;
      return {
        label: `${partName(names, placement.part)}, box ${box}${pinned(placement) ? ', pinned' : ''}. Arrow keys move it, P pins it, T turns it, F turns it over.`,
        pinned: pinned(placement),
        selected: selected === keyOf(placement),
        shift: mine?.shift ?? null,
        on: {
          onFocus: () => setSelected(keyOf(placement)),
          onPointerDown: (event) => {
            if (event.button !== 0) return;
            const wood = event.currentTarget.ownerSVGElement
              ?.querySelector('[data-wood]')
              ?.getBoundingClientRect();
            if (!wood) return;
            event.currentTarget.setPointerCapture(event.pointerId);
            const drawn = wood.width / board.length;
            const grip = [
              (event.clientX - wood.left) / drawn - placement.x,
              (wood.bottom - event.clientY) / drawn - placement.y,
            ] as const;
            setHeld({
              placement,
              from: laid,
              start: [event.clientX, event.clientY],
              shift: [0, 0],
              grip,
            });
          },
          onPointerMove: (event) => {
            if (mine)
              setHeld({
                ...mine,
                shift: [event.clientX - mine.start[0], event.clientY - mine.start[1]],
              });
          },
          onPointerUp: (event) => mine && drop(event, mine),
          onPointerCancel: () => setHeld(null),
          onKeyDown: (event) => {
            const step = event.shiftKey ? 10 * 320 : 320;
            const move: Record<string, readonly [number, number]> = {
              ArrowLeft: [-step, 0],
              ArrowRight: [step, 0],
              ArrowUp: [0, step],
              ArrowDown: [0, -step],
            };
            const by = move[event.key];
            const key = event.key.toLowerCase();
            if (!by && !['p', 't', 'f', 'enter', ' '].includes(key)) return;
            event.preventDefault();
            if (by)
              lay({
                ...placement,
                x: placement.x + by[0],
                y: placement.y + by[1],
                stock: laid.stock,
                piece: laid.piece,
              });
            else if (key === 't') turn(laid, placement);
            else if (key === 'f') flip(laid, placement);
            else togglePin(laid, placement);
          },
        },
      };
    };

  return (
    <>
      {!locked && (
        <div
          className="mb-2 flex min-h-11 flex-wrap items-center gap-1.5 rounded-md bg-card px-2 py-1"
          role="toolbar"
          aria-label="The piece in hand"
        >
          {chosen ? (
            <>
              <strong className="mr-1">{partName(names, chosen.placement.part)}</strong>
              <button
                type="button"
                className="btn btn-quiet !min-h-8"
                onClick={() => togglePin(chosen.laid, chosen.placement)}
              >
                {pinned(chosen.placement) ? (
                  <PinOff size={16} aria-hidden />
                ) : (
                  <Pin size={16} aria-hidden />
                )}{' '}
                {pinned(chosen.placement) ? 'Let go' : 'Pin here'}
              </button>
              <button
                type="button"
                className="btn btn-quiet !min-h-8"
                onClick={() => turn(chosen.laid, chosen.placement)}
              >
                <RotateCw size={16} aria-hidden /> Turn
              </button>
              <button
                type="button"
                className="btn btn-quiet !min-h-8"
                onClick={() => flip(chosen.laid, chosen.placement)}
              >
                <FlipHorizontal2 size={16} aria-hidden /> Turn over
              </button>
            </>
          ) : (
            <span className="text-sm text-soft">
              Drag a panel where you want it: it is pinned there, and the rest flows round it. By
              keyboard: Tab to a panel, then the arrow keys.
            </span>
          )}
          {job.pinned.length > 0 && (
            <button
              type="button"
              className="btn btn-quiet ml-auto !min-h-8"
              onClick={() => onPins(() => [])}
            >
              <PinOff size={16} aria-hidden />{' '}
              {job.pinned.length === 1
                ? 'Let the pinned one go'
                : `Let all ${job.pinned.length} go`}
            </button>
          )}
        </div>
      )}
      <ol ref={ref} className="grid gap-2.5">
        {width > 0 &&
          groups.map(({ laid, number, count }) => {
            const board = boards.find((each) => each.id === laid.stock);
            if (!board) return null;
            const title =
              count > 1 ? board.name : board.quantity > 1 ? `${board.name} ${number}` : board.name;
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
                <p className="mb-0.5 flex flex-wrap items-baseline gap-x-3 text-sm">
                  <strong>{title}</strong>
                  {count > 1 && (
                    <span className="rounded bg-tape px-1.5 font-semibold">
                      cut {count} boards like this
                    </span>
                  )}
                  <span className="text-soft">
                    <Length ticks={board.thickness} /> × <Length ticks={board.width} /> ×{' '}
                    <Length ticks={board.length} unit />, face A up ({board.faceA})
                  </span>
                  {entry(jigsaw, laid).length > 0 && (
                    <span className="rounded bg-warn-pale px-1.5 font-semibold text-warn">
                      jigsaw for{' '}
                      {entry(jigsaw, laid)
                        .map((id) => partName(names, id).toLowerCase())
                        .join(', ')}
                    </span>
                  )}
                  {!locked && (
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
                  laid={{ job, board: laid }}
                  names={names}
                  tape
                  label={`${title}: ${laid.placements.length} panels, ${laid.offcuts.length} offcuts to keep`}
                  {...(!locked && count === 1 && { hand: hand(laid, board) })}
                />
              </li>
            );
          })}
      </ol>
    </>
  );
}

/** Every part of a job for boxes comes once a box or more: the greatest common number of boxes. */
const boxesOf = (job: LayoutJob): number =>
  Math.max(1, Math.min(...job.parts.map((part) => part.quantity)));

/** Boards in order; in large layouts those cut alike stand together once, with how many they are. */
function groupAlike(
  boards: readonly LaidBoard[],
): { laid: LaidBoard; number: number; count: number }[] {
  const numbers = new Map<string, number>();
  const groups = new Map<string, { laid: LaidBoard; number: number; count: number }>();
  for (const laid of boards) {
    const number = (numbers.get(laid.stock) ?? 0) + 1;
    numbers.set(laid.stock, number);
    const pattern =
      boards.length > ALIKE
        ? JSON.stringify([
            laid.stock,
            laid.placements.map(({ part, x, y, turn, flipped }) => [part, x, y, turn, flipped]),
          ])
        : `${laid.stock}/${laid.piece}`;
    const known = groups.get(pattern);
    if (known) known.count += 1;
    else groups.set(pattern, { laid, number, count: 1 });
  }
  return [...groups.values()];
}
