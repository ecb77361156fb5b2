import {
  endTrimOf,
  type LayoutJob,
  type PinnedPlacement,
  priceOf,
  type Saw,
  type Stock,
} from '../../job/index.js';
import { at, must } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { boundsOf } from '../../plane/index.js';
import type { Pile } from './construct.js';
import type { BoardFiller } from './fill-board.js';
import type { Lying } from './offcuts.js';
import { leanOf } from './shapes.js';

/** A board on which the maker fixed pieces by hand, by its index among the kinds and its own number. */
export interface PinnedBoard {
  kind: number;
  piece: number;
  pins: readonly PinnedPlacement[];
}

const keyOf = (stock: string, piece: number): string => `${stock}/${piece}`;

/** The boards with pins, in the order of the pins. */
export class PinnedBoards {
  private readonly boards = new Map<string, PinnedBoard>();

  constructor(private readonly job: LayoutJob) {
    for (const pin of job.pinned) {
      const key = keyOf(pin.stock, pin.piece);
      const pins = [...(this.boards.get(key)?.pins ?? []), pin];
      const kind = job.stock.findIndex((stock) => stock.id === pin.stock);
      this.boards.set(key, { kind, piece: pin.piece, pins });
    }
  }

  [Symbol.iterator](): IterableIterator<PinnedBoard> {
    return this.boards.values();
  }

  has(stock: Stock, piece: number): boolean {
    return this.boards.has(keyOf(stock.id, piece));
  }

  /** What these boards cost: they are used whatever the rest does. */
  get paid(): number {
    return [...this].reduce((total, { kind }) => total + priceOf(at(this.job.stock, kind)), 0);
  }

  /** Boards of one kind to fill: each with pins by itself, and the pile of the others. */
  pilesOf(kind: number, filler: BoardFiller): Pile[] {
    const { job } = this;
    const stock = at(job.stock, kind);
    const shared = { kind, stock, filler };
    const pinned = [...this].filter((board) => board.kind === kind);
    const piles = pinned.map(({ piece, pins }): Pile => {
      const lying = lyingPins(pins, job);
      const ends = freeEnds(stock, lying, job.saw);
      return { ...shared, left: 1, price: 0, ends, pinned: { piece, pins, lying } };
    });
    const left = stock.quantity - pinned.length;
    if (left <= 0) return piles;
    const trim = endTrimOf(stock, job.saw);
    const ends = [[trim, stock.length - trim]] as const;
    return [...piles, { ...shared, left, price: priceOf(stock), ends, pinned: null }];
  }
}

/** Where pieces fixed by hand lie. */
export const lyingPins = (pins: readonly PinnedPlacement[], job: LayoutJob): Lying[] =>
  pins.map((pin) => {
    const part = must(
      job.parts.find((each) => each.id === pin.part),
      `the part “${pin.part}”`,
    );
    const [left, bottom, right, top] = boundsOf([...part.outline, ...part.underside]);
    const [along, across] = [right - left, top - bottom];
    const [length, width] = pin.turn % 180 === 0 ? [along, across] : [across, along];
    return { x: pin.x, y: pin.y, length, width, lean: leanOf(part.outline, part.underside) };
  });

/** Free stretches of a board along its length, a kerf from pieces fixed by hand. */
function freeEnds(stock: Stock, pins: readonly Lying[], saw: Saw): [Ticks, Ticks][] {
  const { kerf } = saw;
  const endTrim = endTrimOf(stock, saw);
  const ends: [Ticks, Ticks][] = [];
  let from = endTrim;
  for (const { x, length } of [...pins].sort((a, b) => a.x - b.x)) {
    if (x - kerf > from) ends.push([from, x - kerf]);
    from = Math.max(from, x + length + kerf);
  }
  if (from < stock.length - endTrim) ends.push([from, stock.length - endTrim]);
  return ends;
}
