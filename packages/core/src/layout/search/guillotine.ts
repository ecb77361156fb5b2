import type { Saw } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { type Obstacle, slideClear } from './defects.js';
import type { Piece } from './filling.js';
import type { Free } from './free-shapes.js';
import { noise } from './noise.js';
import type { Shape } from './shapes.js';

/** Which part comes when, by a key that is turned at random, and how what is left beside a piece is divided. */
interface Order {
  keys: Float64Array;
  split: number;
}

/** Tries for one sheet grow fewer as there are more pieces. */
const MOST_WORK = 800_000;
/** Ways of lying whose sizes differ by no more than this are one. */
const ALIKE: Ticks = 3;

/**
 * Fills a sheet by cuts that run right across the piece in hand: each piece goes into the corner of the free rectangle that it fits
 * best, and what is left beside it is cut into two (best short side fit with guillotine splits; Jylänki 2010, from memory [M]), in an order
 * and with splits that are changed at random as long as that helps. Pieces are taken by their bounding boxes.
 */
export class GuillotineFiller {
  private readonly ways: readonly (readonly Shape[])[];

  constructor(
    shapes: readonly Shape[],
    private readonly obstacles: readonly Obstacle[],
    private readonly saw: Saw,
    private readonly partCount: number,
  ) {
    const ways: Shape[][] = Array.from({ length: partCount }, () => []);
    for (const shape of shapes) {
      const known = at(ways, shape.part);
      const alike = known.some(
        (other) =>
          Math.abs(other.length - shape.length) <= ALIKE &&
          Math.abs(other.width - shape.width) <= ALIKE,
      );
      // Beside defects it matters which way a hole lies; elsewhere one way of each size will do.
      if (!alike || obstacles.length > 0) known.push(shape);
    }
    this.ways = ways;
  }

  /** The most valuable set of pieces found in about `tries` orders; `copies` at most so many and `values` of each, by part index. */
  fill(
    free: Free,
    copies: ArrayLike<number>,
    values: ArrayLike<number>,
    tries: number,
  ): { pieces: Piece[]; value: number } {
    const wanted = this.ways.flatMap((ways, part) =>
      ways.length > 0 && at(copies, part) > 0 && at(values, part) > 0 ? [part] : [],
    );
    let best: { pieces: Piece[]; value: number } = { pieces: [], value: 0 };
    if (wanted.length === 0) return best;
    const all = wanted.reduce((sum, part) => sum + at(copies, part) * at(values, part), 0);
    const count = wanted.reduce((sum, part) => sum + at(copies, part), 0);
    const random = noise(count * 6151 + 29);
    const by = (of: (part: number) => number): Float64Array => {
      const keys = new Float64Array(this.partCount);
      for (const part of wanted) keys[part] = of(part);
      const most = Math.max(...keys);
      return keys.map((key) => key / most);
    };
    const first = (part: number) => at(at(this.ways, part), 0);
    const starts = [
      by((part) => at(values, part)),
      by((part) => Math.max(first(part).length, first(part).width)),
      by((part) => Math.min(first(part).length, first(part).width)),
    ].flatMap((keys) => [0, 1].map((split): Order => ({ keys, split })));
    const most = Math.max(
      2,
      Math.min(starts.length + tries * 24, Math.floor(MOST_WORK / (count * 8))),
    );
    let order = at(starts, 0);
    for (let attempt = 0; attempt < most && best.value < all - 1e-9; attempt += 1) {
      const next = starts[attempt] ?? {
        keys: order.keys.map((key) => key * (0.75 + 0.5 * random())),
        split: random() < 0.3 ? random() : order.split,
      };
      const pieces = this.layInOrder(free, wanted, copies, next, random);
      const value = pieces.reduce((sum, piece) => sum + at(values, piece.shape.part), 0);
      if (value < best.value) continue;
      order = next;
      best = { pieces, value };
    }
    return best;
  }

  private layInOrder(
    whole: Free,
    wanted: readonly number[],
    copies: ArrayLike<number>,
    order: Order,
    random: () => number,
  ): Piece[] {
    let free: Free[] = [whole];
    const pieces: Piece[] = [];
    for (const part of [...wanted].sort((a, b) => at(order.keys, b) - at(order.keys, a))) {
      for (let copy = 0; copy < at(copies, part); copy += 1) {
        const best = this.bestPlace(part, free);
        if (!best) break;
        const { piece, region } = best;
        pieces.push(piece);
        const rests = restsBeside(piece, region, this.saw.kerf, isAlongFirst(order, random));
        free = [...free.filter((each) => each !== region), ...rests];
      }
    }
    return pieces;
  }

  /** The free rectangle and the way of lying that leave least beside a piece. */
  private bestPlace(part: number, free: readonly Free[]): Place | null {
    let best: Place | null = null;
    for (const region of free)
      for (const shape of at(this.ways, part)) {
        const spareX = region.right - region.left - shape.length;
        const spareY = region.top - region.bottom - shape.width;
        if (spareX < 0 || spareY < 0) continue;
        const score = Math.min(spareX, spareY);
        if (best && score >= best.score) continue;
        const x = this.clearX(shape, region);
        if (x === null || x + shape.length > region.right) continue;
        best = { region, piece: { shape, x, y: region.bottom }, score };
      }
    return best;
  }

  private clearX(shape: Shape, { left, right, bottom }: Free): Ticks | null {
    if (this.obstacles.length === 0) return left;
    return slideClear(shape, this.obstacles, left, bottom, right);
  }
}

interface Place {
  region: Free;
  piece: Piece;
  /** What is left beside it the narrower way. */
  score: number;
}

const isAlongFirst = ({ split }: Order, random: () => number): boolean => {
  if (split === 0 || split === 1) return split === 0;
  return random() < split;
};

/** What is left of a free rectangle beside a piece, divided along the board first or across it first. */
function restsBeside(piece: Piece, region: Free, kerf: Ticks, alongFirst: boolean): Free[] {
  const { left: start, right: end, bottom, top: high } = region;
  const right = Math.ceil(piece.x + piece.shape.length + kerf);
  const top = Math.ceil(piece.y + piece.shape.width + kerf);
  const left = piece.x;
  // Past a defect: what lies before the piece is parted from it first.
  const before = left - kerf > start ? [{ ...region, right: left - kerf }] : [];
  const beside: Free[] = alongFirst
    ? [
        { left, right: end, bottom: top, top: high },
        { left: right, right: end, bottom: piece.y, top: top - kerf },
      ]
    : [
        { left: right, right: end, bottom, top: high },
        { left, right: right - kerf, bottom: top, top: high },
      ];
  return [...before, ...beside].filter((each) => each.right > each.left && each.top > each.bottom);
}
