import type { BoardRecord } from '@spare-knot/core/api';
import { boxNumber, type LayoutJob, type Placement } from '@spare-knot/core/job';
import { type LaidBoard, type Layout, snapToNeighbours } from '@spare-knot/core/layout';
import { partName } from '@spare-knot/core/panels';
import { type PointerEvent, useRef, useState } from 'react';
import { useCopyWord } from '../../board/copy-word';
import type { PieceInHand } from '../../board/piece';
import { usePrintedText } from '../../measure/length';
import { useNotice } from '../../ui/notice';
import { type ChangePins, keyOf, PieceActs } from './piece-acts';

/** A piece dropped within so many pixels of a place a kerf away from its neighbour goes there. */
const SNAP = 10;
/** A piece moved by fewer pixels than this was only pressed. */
const PRESSED = 4;
/** A piece dropped this far beside a board, in pixels, is still dropped on it. */
const BESIDE = { across: 20, above: 12 };

export interface HandSetting {
  job: LayoutJob;
  layout: Layout;
  boards: readonly BoardRecord[];
  names: ReadonlyMap<string, string>;
  /** Pixels for a tick. */
  scale: number;
  onPins: ChangePins;
}

/** A piece that is being dragged. */
interface Held {
  placement: Placement;
  start: readonly [number, number];
  shift: readonly [number, number];
  /** Where inside the piece it was taken, in ticks from its lower-left corner. */
  grip: readonly [number, number];
}

/** The boards as they are drawn, by `stock/piece`. */
export type Drawings = ReadonlyMap<string, HTMLElement>;

const woodIn = (element: Element | null | undefined): DOMRect | undefined =>
  element?.querySelector('[data-wood]')?.getBoundingClientRect();

const isOver = ({ clientX, clientY }: PointerEvent, wood: DOMRect): boolean =>
  clientX >= wood.left - BESIDE.across &&
  clientX <= wood.right + BESIDE.across &&
  clientY >= wood.top - BESIDE.above &&
  clientY <= wood.bottom + BESIDE.above;

/** Where the pointer is on a drawn board, in ticks from its lower-left corner. */
function onBoard({ clientX, clientY }: PointerEvent, wood: DOMRect, length: number) {
  const drawn = wood.width / length;
  return [(clientX - wood.left) / drawn, (wood.bottom - clientY) / drawn] as const;
}

/** The board that the pointer is over, with how it is drawn. */
function boardUnder(event: PointerEvent, drawings: Drawings, { layout, boards }: HandSetting) {
  for (const laid of layout.boards) {
    const wood = woodIn(drawings.get(`${laid.stock}/${laid.piece}`));
    const stock = boards.find(({ id }) => id === laid.stock);
    if (stock && wood && isOver(event, wood)) return { laid, stock, wood };
  }
  return undefined;
}

/** What a hand does on the layout: takes hold of a piece, drags it, drops it, or moves it by keys. */
export function useHand(setting: HandSetting, drawings: Drawings) {
  const { job, layout, names, scale, onPins } = setting;
  const word = useCopyWord();
  const [selected, select] = useState<string | null>(null);
  const say = useNotice();
  const print = usePrintedText();
  const acts = new PieceActs({
    job,
    onPins,
    select,
    refuse: (reason) => say(`It cannot lie there: ${print(reason)}.`, { tone: 'danger' }),
  });
  const drop = (event: PointerEvent<SVGGElement>, { placement, shift, grip }: Held) => {
    if (Math.hypot(...shift) < PRESSED) {
      select(keyOf(placement));
      return;
    }
    const under = boardUnder(event, drawings, setting);
    if (!under) {
      say('It was dropped beside the boards, so it stays where it was.', {});
      return;
    }
    const { laid, stock, wood } = under;
    const [x, y] = onBoard(event, wood, stock.length);
    const place = [x - grip[0], y - grip[1]] as const;
    const [left, low] = snapToNeighbours(job, { laid, stock }, placement, place, SNAP / scale);
    acts.lay({ ...placement, x: left, y: low }, laid);
  };
  const drag = useDrag(drop);
  const chosen = layout.boards
    .flatMap((laid) => laid.placements.map((placement) => ({ laid, placement })))
    .find(({ placement }) => keyOf(placement) === selected);
  const handOn =
    (laid: LaidBoard, { length }: BoardRecord) =>
    (placement: Placement): PieceInHand => {
      const isPinned = acts.isPinned(placement);
      const name = `${partName(names, placement.part)}, ${word} ${boxNumber(job, placement)}`;
      return {
        label: `${name}${isPinned ? ', pinned' : ''}. Arrow keys move it, P pins it, T turns it, F turns it over.`,
        pinned: isPinned,
        selected: selected === keyOf(placement),
        on: {
          onFocus: () => select(keyOf(placement)),
          ...drag.on(placement, length),
          onKeyDown: (event) => {
            if (acts.press(event.key, event.shiftKey, laid, placement)) event.preventDefault();
          },
        },
      };
    };
  return { acts, chosen, handOn };
}

/**
 * A piece follows the pointer that took hold of it: its group alone is moved, at most once a frame, and nothing else is drawn anew until
 * it is dropped.
 */
function useDrag(drop: (event: PointerEvent<SVGGElement>, held: Held) => void) {
  const held = useRef<Held | null>(null);
  const frame = useRef(0);
  const follow = (element: SVGGElement, [x, y]: readonly [number, number]) => {
    cancelAnimationFrame(frame.current);
    frame.current = requestAnimationFrame(() => {
      element.setAttribute('transform', `translate(${x} ${y})`);
      element.setAttribute('opacity', '0.75');
    });
  };
  const putBack = (element: SVGGElement): Held | null => {
    cancelAnimationFrame(frame.current);
    element.removeAttribute('transform');
    element.removeAttribute('opacity');
    const was = held.current;
    held.current = null;
    return was;
  };
  const shifted = ({ clientX, clientY }: PointerEvent, from: Held): Held => ({
    ...from,
    shift: [clientX - from.start[0], clientY - from.start[1]],
  });
  const on = (placement: Placement, length: number): PieceInHand['on'] => ({
    onPointerDown: (event) => {
      const wood = woodIn(event.currentTarget.ownerSVGElement);
      if (event.button !== 0 || !wood) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      const [x, y] = onBoard(event, wood, length);
      const grip = [x - placement.x, y - placement.y] as const;
      held.current = { placement, start: [event.clientX, event.clientY], shift: [0, 0], grip };
    },
    onPointerMove: (event) => {
      if (!held.current) return;
      held.current = shifted(event, held.current);
      follow(event.currentTarget, held.current.shift);
    },
    onPointerUp: (event) => {
      const was = putBack(event.currentTarget);
      if (was) drop(event, shifted(event, was));
    },
    onPointerCancel: (event) => {
      putBack(event.currentTarget);
    },
  });
  return { on };
}
