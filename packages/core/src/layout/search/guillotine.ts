import type { Saw } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { type Obstacle, slideClear } from './defects.js';
import type { Piece } from './fill-board.js';
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
    const { kerf } = this.saw;
    const free: Free[] = [whole];
    const pieces: Piece[] = [];
    for (const part of [...wanted].sort((a, b) => at(order.keys, b) - at(order.keys, a))) {
      for (let copy = 0; copy < at(copies, part); copy += 1) {
        let best: { at: number; piece: Piece; score: number } | null = null;
        for (const [index, region] of free.entries())
          for (const shape of at(this.ways, part)) {
            const [spareX, spareY] = [
              region.right - region.left - shape.length,
              region.top - region.bottom - shape.width,
            ];
            if (spareX < 0 || spareY < 0) continue;
            const score = Math.min(spareX, spareY);
            if (best && score >= best.score) continue;
            const x =
              this.obstacles.length === 0
                ? region.left
                : slideClear(shape, this.obstacles, region.left, region.bottom, region.right);
            if (x === null || x + shape.length > region.right) continue;
            best = { at: index, piece: { shape, x, y: region.bottom }, score };
          }
        if (!best) break;
        const { piece, at: where } = best;
        const [region] = free.splice(where, 1) as [Free];
        pieces.push(piece);
        const [right, top] = [
          Math.ceil(piece.x + piece.shape.length + kerf),
          Math.ceil(piece.y + piece.shape.width + kerf),
        ];
        // Past a defect: what lies before the piece is parted from it first.
        if (piece.x - kerf > region.left) free.push({ ...region, right: piece.x - kerf });
        const left = piece.x;
        const alongFirst =
          order.split === 0 || order.split === 1 ? order.split === 0 : random() < order.split;
        if (alongFirst)
          free.push(
            { left, right: region.right, bottom: top, top: region.top },
            { left: right, right: region.right, bottom: piece.y, top: top - kerf },
          );
        else
          free.push(
            { left: right, right: region.right, bottom: region.bottom, top: region.top },
            { left, right: right - kerf, bottom: top, top: region.top },
          );
        for (let index = free.length - 1; index >= 0; index -= 1) {
          const each = at(free, index);
          if (each.right <= each.left || each.top <= each.bottom) free.splice(index, 1);
        }
      }
    }
    return pieces;
  }
}
