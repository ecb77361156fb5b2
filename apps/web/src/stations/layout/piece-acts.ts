import type { LayoutJob, PinnedPlacement, Placement } from '@spare-knot/core/job';
import { isSamePiece, type LaidBoard, whyNot } from '@spare-knot/core/layout';
import type { Turn } from '@spare-knot/core/plane';
import type { Text } from '@spare-knot/core/text';

import { ARROW_KEYS } from '../../ui/arrow-keys';

export type ChangePins = (
  change: (pins: readonly PinnedPlacement[]) => readonly PinnedPlacement[],
) => void;

/** What the acts need: the job, how pins are changed, and who is told of a refusal or a choice. */
export interface Bench {
  job: LayoutJob;
  onPins: ChangePins;
  refuse: (reason: Text) => void;
  select: (key: string) => void;
}

export const keyOf = ({ part, copy }: Pick<Placement, 'part' | 'copy'>): string =>
  `${part}/${copy}`;

/** One millimetre, and ten with the shift key, in ticks. */
const STEP = 320;
const LARGE_STEP = 3200;

/** What can be done with a piece on its board by hand. Nothing is laid where it cannot be: the reason is said. */
export class PieceActs {
  constructor(private readonly bench: Bench) {}

  isPinned(piece: Placement): boolean {
    return this.bench.job.pinned.some((pin) => isSamePiece(pin, piece));
  }

  /** Pins a piece where it lies now, or says why it cannot lie there. */
  lay(piece: Placement, { stock, piece: number }: LaidBoard): void {
    const { job, onPins, refuse, select } = this.bench;
    const pin = { ...piece, stock, piece: number };
    const others = job.pinned.filter((each) => !isSamePiece(each, pin));
    const reason = whyNot(job, others, pin);
    if (reason) {
      refuse(reason);
      return;
    }
    onPins((pins) => [...pins.filter((each) => !isSamePiece(each, pin)), pin]);
    select(keyOf(pin));
  }

  letGo(piece: Placement): void {
    this.bench.onPins((pins) => pins.filter((each) => !isSamePiece(each, piece)));
  }

  togglePin(laid: LaidBoard, piece: Placement): void {
    if (this.isPinned(piece)) this.letGo(piece);
    else this.lay(piece, laid);
  }

  /** A quarter turn; half a turn where the panel's grain must follow the board's. */
  turn(laid: LaidBoard, piece: Placement): void {
    const { job } = this.bench;
    const grain = job.parts.find(({ id }) => id === piece.part)?.grain;
    const isGrained = job.stock.find(({ id }) => id === laid.stock)?.grained === true;
    const by = grain === 'along' && isGrained ? 180 : 90;
    this.lay({ ...piece, turn: ((piece.turn + by) % 360) as Turn }, laid);
  }

  flip(laid: LaidBoard, piece: Placement): void {
    this.lay({ ...piece, flipped: !piece.flipped }, laid);
  }

  /** What a key does with a piece; false for a key that does nothing. */
  press(key: string, isLarge: boolean, laid: LaidBoard, piece: Placement): boolean {
    const move = ARROW_KEYS[key];
    const step = isLarge ? LARGE_STEP : STEP;
    if (move)
      this.lay({ ...piece, x: piece.x + move[0] * step, y: piece.y + move[1] * step }, laid);
    else if (key.toLowerCase() === 't') this.turn(laid, piece);
    else if (key.toLowerCase() === 'f') this.flip(laid, piece);
    else if (['p', 'P', 'Enter', ' '].includes(key)) this.togglePin(laid, piece);
    else return false;
    return true;
  }
}
