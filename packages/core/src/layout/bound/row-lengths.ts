import type { Saw, Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { crossing, type Point } from '../../plane/index.js';
import { type Shape, shapesOf } from '../search/shapes.js';
import type { Counts } from './relaxed-patterns.js';
import { type Demand, kerfOf, usable } from './weights.js';

/** A part lying in a row on one face of its board. */
interface Way {
  part: number;
  /** Its outline there, against the lower and against the upper edge: both only where its ends are square, so that it makes little difference. */
  polygons: readonly (readonly Point[])[];
  left: Ticks;
  right: Ticks;
}

/** Rows may be this much longer than they are reckoned, in ticks, so that rounding forbids nothing. */
const LEEWAY: Ticks = 4;
/** Steps of reckoning for boards of one width; beyond that no row is forbidden that is not yet known. */
const MOST_STEPS = 30_000_000;
/** Ways of lying beyond which rows are not reckoned. */
const MOST_WAYS = 96;

/**
 * How long a row of parts is at least that all cross the middle of their board: whatever order they lie in, which way round, and how far
 * across. One behind the other they keep a kerf on every line along the board that both cross; how far apart that is, is concave in how far
 * across they lie, and so is their sum: the least is reached with each against an edge. Then it is a dynamic programme over how many of
 * each lie there and what lies last. True on each face by itself.
 */
export class RowLengths {
  private readonly known = new Map<number, Float64Array | null>();
  private readonly advance: Float64Array;
  /** Ways of lying of each part that crosses the middle, by part. */
  private readonly waysOf = new Map<number, number[]>();
  /** What one copy of each part adds to the number by which a row is known. */
  private readonly key: readonly number[];
  private steps = 0;

  private constructor(
    private readonly ways: readonly Way[],
    demands: readonly Demand[],
    kerf: number,
  ) {
    const size = ways.length;
    for (const [index, { part }] of ways.entries())
      this.waysOf.set(part, [...(this.waysOf.get(part) ?? []), index]);
    let next = 1;
    this.key = demands.map(({ copies }, part) => {
      if (!this.waysOf.has(part)) return 0;
      const key = next;
      next *= copies + 1;
      return key;
    });
    this.advance = new Float64Array(size * size);
    for (const [i, first] of ways.entries())
      for (const [j, after] of ways.entries())
        this.advance[i * size + j] = nearest(first, after) + kerf;
    // Rows that could not be told from one another are not reckoned.
    if (next > Number.MAX_SAFE_INTEGER) this.steps = MOST_STEPS;
  }

  /** Rows on both faces of a kind of board, and of shorter ones like it; none where fewer than two copies cross its middle for certain, or too many ways are open. */
  static of(demands: readonly Demand[], kind: Stock, saw: Saw): RowLengths[] {
    const [, width] = usable(kind, saw);
    const shapes = demands.map(({ part, copies }, index) => {
      const found = copies > 0 ? shapesOf(part, index, kind, saw) : [];
      return typeof found === 'string' ? [] : found;
    });
    const faces = (['a', 'b'] as const).filter(
      (face) => face === 'a' || shapes.some((list) => list.some((shape) => shape.a !== shape.b)),
    );
    return faces.flatMap((face) => {
      const crossingMiddle = shapes.filter((list) =>
        list.every((shape) => isAcross(shape[face], shape, width)),
      );
      const ways = crossingMiddle.flatMap((list) =>
        list.flatMap((shape) => waysOf(shape, shape[face], width)),
      );
      const copies = demands.filter((_demand, part) => ways.some((way) => way.part === part));
      const enough = copies.reduce((sum, demand) => sum + demand.copies, 0) >= 2;
      return enough && ways.length <= MOST_WAYS ? [new RowLengths(ways, demands, kerfOf(saw))] : [];
    });
  }

  /** The least length of a row of so many copies of each part; those that need not cross the middle are left out. */
  least(counts: Counts): Ticks {
    const own = counts.map((count, part) => (this.waysOf.has(part) ? count : 0));
    const row = this.row(
      own,
      own.reduce((key, count, part) => key + count * at(this.key, part), 0),
    );
    if (!row) return 0;
    return this.ways.reduce(
      (least, way, index) => Math.min(least, at(row, index) + way.right),
      Number.POSITIVE_INFINITY,
    );
  }

  /** Whether such a row may have room on a board of this length. */
  allows(counts: Counts, length: Ticks): boolean {
    const least = this.least(counts);
    return !Number.isFinite(least) || least <= length + LEEWAY;
  }

  /** Where the last part stands at least, by its way of lying; null where nothing lies, or too much has been asked. */
  private row(counts: number[], key: number): Float64Array | null {
    if (key === 0) return null;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    if (this.steps >= MOST_STEPS) return null;
    const found = new Float64Array(this.ways.length).fill(Number.POSITIVE_INFINITY);
    for (const [part, lying] of this.waysOf) {
      const count = at(counts, part);
      if (count === 0) continue;
      const before = key - at(this.key, part);
      counts[part] = count - 1;
      const row = this.row(counts, before);
      counts[part] = count;
      if (!row && before > 0) return null;
      for (const last of lying)
        found[last] = row ? this.after(row, last) : -at(this.ways, last).left;
    }
    this.known.set(key, found);
    return found;
  }

  /** Where a part lying so stands at least behind a row. */
  private after(row: Float64Array, last: number): Ticks {
    const size = this.ways.length;
    this.steps += size;
    let least = Number.POSITIVE_INFINITY;
    for (let index = 0; index < size; index += 1)
      least = Math.min(
        least,
        (row[index] as number) + (this.advance[index * size + last] as number),
      );
    return Math.max(-at(this.ways, last).left, least);
  }
}

const heights = (face: readonly Point[]) => face.map((point) => point[1]);

/** Whether a face crosses the middle line however far across the board its part lies. */
function isAcross(face: readonly Point[], { width: own }: Shape, width: Ticks): boolean {
  const [low, high] = [Math.min(...heights(face)), Math.max(...heights(face))];
  return high > width / 2 + LEEWAY && width - own + low < width / 2 - LEEWAY;
}

/** A shape's face against the lower edge of the board and against the upper. */
function waysOf({ part, width: own }: Shape, face: readonly Point[], width: Ticks): Way[] {
  const along = face.map((point) => point[0]);
  const [left, right] = [Math.min(...along), Math.max(...along)];
  const places = width - own > 1 ? [0, width - own] : [0];
  const polygons = places.map((up) => face.map(([x, y]): Point => [x, y + up]));
  const isSquare = along.every((x) => x === left || x === right);
  return isSquare
    ? [{ part, polygons, left, right }]
    : polygons.map((polygon) => ({ part, polygons: [polygon], left, right }));
}

/** How much further along the next must stand, whichever of their places across they take. */
const nearest = (first: Way, next: Way): Ticks =>
  Math.min(...first.polygons.flatMap((one) => next.polygons.map((other) => apart(one, other))));

/** How much further along the next must stand so that it only touches the first on some line that both cross; the most is at a corner's height. */
function apart(first: readonly Point[], next: readonly Point[]): Ticks {
  const low = Math.max(Math.min(...heights(first)), Math.min(...heights(next)));
  const high = Math.min(Math.max(...heights(first)), Math.max(...heights(next)));
  const levels = [low, high, ...heights(first), ...heights(next)].filter(
    (level) => level >= low && level <= high,
  );
  return Math.max(
    ...levels.map((level) => {
      const [ends, starts] = [crossing(first, 0, level), crossing(next, 0, level)];
      return ends && starts ? ends[1] - starts[0] : Number.NEGATIVE_INFINITY;
    }),
  );
}
