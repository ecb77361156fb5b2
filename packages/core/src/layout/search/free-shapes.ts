import type { Saw, Stock } from '../../job/index.js';
import { at, entry } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';
import { clashAt, holesFor, type Obstacle } from './defects.js';
import type { Piece } from './filling.js';
import { noise } from './noise.js';
import { reachAlong, type Shape } from './shapes.js';

/** A rectangle of a board in which pieces may lie. */
export interface Free {
  left: Ticks;
  right: Ticks;
  bottom: Ticks;
  top: Ticks;
}

/** A part whose turn it is, in one way of lying or in the best. */
interface Turn {
  part: number;
  way: Shape | null;
}

/** What is laid after what, and whether each goes as low as it can, or to where it reaches least far along the board. */
interface Order {
  queue: readonly Turn[];
  lowest: boolean;
}

/** Values of x at which a piece would lie too near to another: everything between the two. */
type Barred = readonly [after: number, before: number];

/** Heights of one shape against another that are remembered. */
const MOST_RISES = 4000;
/** Orders tried for one board grow fewer as its pieces and their ways grow more. */
const MOST_WORK = 24_000;
/** Steps past defects before a level is given up. */
const MOST_SLIDES = 40;

/**
 * Fills a board for a saw that turns inside the wood (a jigsaw): no cut has to run through, pieces need only be a kerf from one
 * another. Piece after piece goes as low, or as far to the left, as it can (bottom-left: Baker, Coffman and Rivest 1980, from memory
 * [M]), in an order that is changed at random as long as that helps.
 */
export class FreeFiller {
  private readonly ways: readonly (readonly Shape[])[];
  /** By the pair of shapes, then by how much higher the first lies. */
  private readonly barredBy = new Map<number, Map<number, Barred | null>>();
  private readonly numbers: ReadonlyMap<Shape, number>;

  constructor(
    private readonly stock: Stock,
    shapes: readonly Shape[],
    private readonly obstacles: readonly Obstacle[],
    private readonly saw: Saw,
    partCount: number,
  ) {
    const ways: Shape[][] = Array.from({ length: partCount }, () => []);
    for (const shape of shapes) at(ways, shape.part).push(shape);
    this.ways = ways;
    this.numbers = new Map(shapes.map((shape, index) => [shape, index]));
  }

  /** The most valuable set of pieces found in about `tries` orders; `copies` at most so many and `values` of each, by part index. */
  fill(
    free: Free,
    copies: ArrayLike<number>,
    values: ArrayLike<number>,
    tries: number,
  ): { pieces: Piece[]; value: number } {
    const area = (free.right - free.left) * (free.top - free.bottom);
    const queue: Turn[] = [];
    this.ways.forEach((ways, part) => {
      const first = ways[0];
      if (!first || !(at(values, part) > 0)) return;
      const most = Math.min(
        at(copies, part),
        Math.floor((1.2 * area) / (first.length * first.width)) + 1,
      );
      for (let copy = 0; copy < most; copy += 1) queue.push({ part, way: null });
    });
    let best: { pieces: Piece[]; value: number } = { pieces: [], value: 0 };
    if (queue.length === 0) return best;
    const wanted = queue.reduce((sum, { part }) => sum + at(values, part), 0);
    const measure = (of: (shape: Shape) => number) => (a: Turn, b: Turn) =>
      of(at(at(this.ways, b.part), 0)) - of(at(at(this.ways, a.part), 0));
    const orders: Order[] = [
      { queue: [...queue].sort(measure((shape) => shape.length * shape.width)), lowest: false },
      {
        queue: [...queue].sort(measure((shape) => Math.max(shape.length, shape.width))),
        lowest: true,
      },
      { queue: [...queue].sort(measure((shape) => shape.width)), lowest: false },
    ];
    const ways = queue.reduce((sum, { part }) => sum + at(this.ways, part).length, 0);
    const most = Math.max(1, Math.min(tries * 3, Math.floor(MOST_WORK / (queue.length * ways))));
    const random = noise(queue.length * 7919 + 17);
    let order = at(orders, 0);
    for (let attempt = 0; attempt < most && best.value < wanted - 1e-9; attempt += 1) {
      const next = orders[attempt] ?? this.changed(order, random);
      const pieces = this.layInOrder(free, next);
      const value = pieces.reduce((sum, piece) => sum + at(values, piece.shape.part), 0);
      if (value < best.value) continue;
      order = next;
      best = { pieces, value };
    }
    return best;
  }

  /** An order with two in each other's place or one brought to the front, one lying in another way, or laid by the other rule. */
  private changed({ queue, lowest }: Order, random: () => number): Order {
    const next = [...queue];
    const any = () => Math.floor(random() * next.length);
    const [i, j] = [any(), any()];
    const kind = random();
    if (kind < 0.35) next.unshift(...next.splice(i, 1));
    else if (kind < 0.7) [next[i], next[j]] = [at(next, j), at(next, i)];
    for (let turned = Math.floor(random() * 3); turned > 0; turned -= 1) {
      const index = any();
      const ways = at(this.ways, at(next, index).part);
      next[index] = {
        part: at(next, index).part,
        way: ways[Math.floor(random() * (ways.length + 1))] ?? null,
      };
    }
    return { queue: next, lowest: random() < 0.25 ? !lowest : lowest };
  }

  private layInOrder(free: Free, { queue, lowest }: Order): Piece[] {
    const laid: Piece[] = [];
    const hopeless = new Set<Shape | number>();
    for (const { part, way } of queue) {
      if (hopeless.has(way ?? part)) continue;
      const best = this.bestPlace(way ? [way] : at(this.ways, part), laid, free, lowest);
      if (best) laid.push(best);
      else hopeless.add(way ?? part);
    }
    return laid;
  }

  /** The lowest place, or the one that reaches least far, of all these ways of lying; null when none is left. */
  private bestPlace(
    ways: readonly Shape[],
    laid: readonly Piece[],
    free: Free,
    lowest: boolean,
  ): Piece | null {
    let best: Piece | null = null;
    let bestReach = free.right;
    const isBetter = (y: number, reach: number): boolean => {
      if (!best) return true;
      return lowest ? y < best.y || reach < bestReach : reach < bestReach || y < best.y;
    };
    for (const shape of ways) {
      if (shape.width > free.top - free.bottom) continue;
      for (const y of this.levels(shape, laid, free)) {
        if (lowest && best && y > best.y) break;
        const most = (lowest && best && y < best.y ? free.right : bestReach) - shape.length;
        const x = this.leastX(shape, y, laid, free, most);
        if (x === null || !isBetter(y, x + shape.length)) continue;
        best = { shape, x, y };
        bestReach = x + shape.length;
      }
    }
    return best;
  }

  /** Heights worth trying: on an edge of the board, on or under another piece, and where a hole would take a defect away. */
  private levels(shape: Shape, laid: readonly Piece[], free: Free): number[] {
    const { kerf } = this.saw;
    const high = free.top - shape.width;
    const found = new Set([free.bottom, high]);
    for (const { shape: other, y } of laid) {
      found.add(Math.ceil(y + other.width + kerf));
      found.add(Math.floor(y - kerf - shape.width));
    }
    for (const obstacle of this.obstacles) {
      found.add(Math.ceil(obstacle.top));
      found.add(Math.floor(obstacle.bottom - shape.width));
      for (const centre of holesFor(shape, obstacle))
        found.add(Math.round((obstacle.bottom + obstacle.top) / 2 - centre[1]));
    }
    return [...found].filter((y) => y >= free.bottom && y <= high).sort((a, b) => a - b);
  }

  /** The smallest x, no greater than `most`, at which a shape lies clear of all pieces and defects; null when there is none. */
  private leastX(
    shape: Shape,
    y: Ticks,
    laid: readonly Piece[],
    free: Free,
    most: number,
  ): Ticks | null {
    const barred: Barred[] = [];
    for (const piece of laid) {
      const between = this.barred(shape, piece.shape, y - piece.y);
      if (between) barred.push([piece.x + between[0], piece.x + between[1]]);
    }
    barred.sort((a, b) => a[0] - b[0]);
    let x = free.left;
    for (let slide = 0; slide < MOST_SLIDES; slide += 1) {
      x = pastBars(barred, x);
      if (x > most || x + shape.length > free.right) return null;
      const clash = clashAt(shape, this.obstacles, x, y);
      if (!clash) return x;
      const past = Math.ceil(clash.right);
      const middle = (clash.left + clash.right) / 2;
      const holes = holesFor(shape, clash).map((centre) => Math.round(middle - centre[0]));
      x = Math.min(past, ...holes.filter((at) => at > x && !clashAt(shape, this.obstacles, at, y)));
    }
    return null;
  }

  /** Where the shape may not begin, from the other's x, when it lies `rise` above it; null where they pass each other. */
  private barred(shape: Shape, other: Shape, rise: number): Barred | null {
    const { kerf } = this.saw;
    if (rise >= other.width + kerf || -rise >= shape.width + kerf) return null;
    const pair = entry(this.numbers, shape) * this.numbers.size + entry(this.numbers, other);
    const byRise = this.barredBy.get(pair) ?? new Map<number, Barred | null>();
    this.barredBy.set(pair, byRise);
    let found = byRise.get(rise);
    if (found === undefined) {
      found = this.barBetween(shape, other, rise);
      if (byRise.size >= MOST_RISES) byRise.clear();
      byRise.set(rise, found);
    }
    return found;
  }

  /**
   * Two pieces are a kerf apart when a flat cut, square to some direction and tilted as either is bevelled, passes between them; it
   * takes kerf / cos tilt on each face. Directions worth trying are those of their edges.
   */
  private barBetween(shape: Shape, other: Shape, rise: number): Barred | null {
    const { kerf } = this.saw;
    const depth = this.stock.thickness;
    let after = Number.NEGATIVE_INFINITY;
    let before = Number.POSITIVE_INFINITY;
    for (const normal of directionsOf(shape, other)) {
      const endA = reachAlong(other.a, normal, 0, 0, true);
      const endB = reachAlong(other.b, normal, 0, 0, true);
      const startA = reachAlong(shape.a, normal, 0, rise, false);
      const startB = reachAlong(shape.b, normal, 0, rise, false);
      for (const lean of [0, endB - endA, startB - startA]) {
        const width = kerf * Math.hypot(1, lean / depth);
        const onA = Math.max(endA, endB - lean);
        // How far along the direction the shape must be moved by its x.
        const need = Math.max(onA + width - startA, onA + lean + width - startB);
        if (Math.abs(normal[0]) < 1e-9) {
          if (need <= 0) return null;
        } else if (normal[0] > 0) before = Math.min(before, need / normal[0]);
        else after = Math.max(after, need / normal[0]);
      }
    }
    return after < before - 1e-6 ? [after + 1e-6, before - 1e-6] : null;
  }
}

/** The smallest x from here on that no bar takes in; bars in the order of where they begin. */
function pastBars(barred: readonly Barred[], from: Ticks): Ticks {
  let x = from;
  for (let moved = true; moved; ) {
    moved = false;
    for (const [after, before] of barred) {
      if (after >= x) break;
      if (x >= before) continue;
      x = Math.ceil(before);
      moved = true;
    }
  }
  return x;
}

/** Unit directions square to the edges of either shape, and those of the board. */
function directionsOf(shape: Shape, other: Shape): Point[] {
  const found = new Map<string, Point>();
  const add = (x: number, y: number) => found.set(`${x.toFixed(6)},${y.toFixed(6)}`, [x, y]);
  for (const [x, y] of [
    [1, 0],
    [-1, 0],
    [0, 1],
    [0, -1],
  ] as const)
    add(x, y);
  for (const polygon of [shape.a, shape.b, other.a, other.b]) {
    polygon.forEach((from, index) => {
      const to = at(polygon, (index + 1) % polygon.length);
      const run = Math.hypot(to[0] - from[0], to[1] - from[1]);
      if (run < 1) return;
      const [x, y] = [(to[1] - from[1]) / run, (from[0] - to[0]) / run];
      add(x, y);
      add(-x, -y);
    });
  }
  return [...found.values()];
}
