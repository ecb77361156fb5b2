import type { Saw, Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { crossing, type Point } from '../../plane/index.js';
import { type Shape, shapesOf } from '../search/shapes.js';
import type { Counts } from './relaxed-patterns.js';
import { type Demand, kerfOf, usable } from './weights.js';

/** How a part lies in a row: which way round, and whether against the upper edge of the board. */
export interface InRow {
  part: number;
  turn: Shape['turn'];
  flipped: boolean;
  isHigh: boolean;
}

/** What is looked at: one face of the board, the mean of both, or both, each at its longest. */
type Sight = 'a' | 'b' | 'mean' | 'both';

/** A part lying in a row. */
interface Way extends InRow {
  /** Its outlines there, against the lower and against the upper edge: both only where its ends are square, so that it makes little difference. */
  places: readonly { a: readonly Point[]; b: readonly Point[] }[];
  left: Ticks;
  right: Ticks;
}

/** A length as it is seen: what holds on each face holds for the mean of both. */
function seen(sight: Sight, onA: Ticks, onB: Ticks): Ticks {
  if (sight === 'mean') return (onA + onB) / 2;
  if (sight === 'both') return Math.max(onA, onB);
  return sight === 'a' ? onA : onB;
}

/** Rows may be this much longer than they are reckoned, in ticks, so that rounding forbids nothing. */
const LEEWAY: Ticks = 4;
/** Steps of reckoning for boards of one width; beyond that no row is forbidden that is not yet known. */
const MOST_STEPS = 30_000_000;
/** Ways of lying beyond which rows are not reckoned. */
const MOST_WAYS = 96;

/** Rows of one kind of board. */
export interface Rows {
  /** No row is shorter than any of these says. */
  bounds: readonly RowLengths[];
  /** Rows to be laid. */
  laid: RowLengths | null;
}

/**
 * How long a row of parts is at least that all cross the middle of their board: whatever order they lie in, which way round, and how far
 * across. One behind the other they keep a kerf on every line along the board that both cross; how far apart that is, is concave in how far
 * across they lie, and so is their sum: the least is reached with each against an edge. Then it is a dynamic programme over how many of
 * each lie there and what lies last. True on each face by itself, and of the mean of both; of both at once it is the shortest row that is known,
 * and no bound.
 */
export class RowLengths {
  private readonly known = new Map<number, Float64Array>();
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
    sight: Sight,
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
        this.advance[i * size + j] = nearest(first, after, sight) + kerf;
    // Rows that could not be told from one another are not reckoned.
    if (next > Number.MAX_SAFE_INTEGER) this.steps = MOST_STEPS;
  }

  /**
   * Rows on a kind of board, and on shorter ones like it: as bounds, and as they can be laid. None where fewer than two copies cross its middle
   * for certain, or too many ways are open.
   */
  static of(demands: readonly Demand[], kind: Stock, saw: Saw): Rows {
    const [, width] = usable(kind, saw);
    const shapes = demands
      .map(({ part, copies }, index) => (copies > 0 ? shapesOf(part, index, kind, saw) : []))
      .flatMap((found) => (typeof found === 'string' ? [] : [found]))
      .filter((list) => list.every((shape) => isAcross(shape, width)))
      .flat();
    const parts = new Set(shapes.map(({ part }) => part));
    const copies = demands.reduce(
      (sum, each, part) => sum + (parts.has(part) ? each.copies : 0),
      0,
    );
    const rows = (sight: Sight): RowLengths => {
      const ways = shapes.flatMap((shape) => waysOf(shape, width, sight));
      return new RowLengths(ways, demands, kerfOf(saw), sight);
    };
    if (copies < 2 || 2 * shapes.length > MOST_WAYS) return { bounds: [], laid: null };
    const isTilted = shapes.some(({ lean }) => lean > 0);
    return isTilted
      ? { bounds: (['a', 'b', 'mean'] as const).map(rows), laid: rows('both') }
      : { bounds: [rows('a')], laid: rows('a') };
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

  /** A shortest row of so many copies, from the board's left end on; null where some need not cross the middle, or too much has been asked. */
  order(counts: Counts): InRow[] | null {
    if (counts.some((count, part) => count > 0 && !this.waysOf.has(part))) return null;
    const left = [...counts];
    const order: InRow[] = [];
    let last: number | null = null;
    for (;;) {
      const key = left.reduce((sum, count, part) => sum + count * at(this.key, part), 0);
      if (key === 0) return order.reverse();
      const row = this.row(left, key);
      if (!row) return null;
      const next: number | null = this.lastOf(row, last);
      if (next === null) return null;
      const way = at(this.ways, next);
      order.push(way);
      left[way.part] = at(left, way.part) - 1;
      last = next;
    }
  }

  /** The way in which a row ends so that what follows it stands soonest, or the row itself ends soonest. */
  private lastOf(row: Float64Array, follower: number | null): number | null {
    const size = this.ways.length;
    let [best, soonest]: [number | null, number] = [null, Number.POSITIVE_INFINITY];
    for (let index = 0; index < size; index += 1) {
      const more =
        follower === null ? at(this.ways, index).right : at(this.advance, index * size + follower);
      const end = at(row, index) + more;
      if (end < soonest) [best, soonest] = [index, end];
    }
    return best;
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

/** Whether both faces cross the middle line however far across the board their part lies. */
const isAcross = ({ a, b, width: own }: Shape, width: Ticks): boolean =>
  [a, b].every((face) => {
    const [low, high] = [Math.min(...heights(face)), Math.max(...heights(face))];
    return high > width / 2 + LEEWAY && width - own + low < width / 2 - LEEWAY;
  });

/** A shape against the lower edge of the board and against the upper. */
function waysOf(
  { part, turn, flipped, a, b, width: own }: Shape,
  width: Ticks,
  sight: Sight,
): Way[] {
  const ends = [a, b].map((face) => {
    const along = face.map((point) => point[0]);
    const [left, right] = [Math.min(...along), Math.max(...along)];
    return { left, right, isSquare: along.every((x) => x === left || x === right) };
  });
  const [onA, onB] = [at(ends, 0), at(ends, 1)];
  const raised = (face: readonly Point[], up: Ticks) => face.map(([x, y]): Point => [x, y + up]);
  const places = (width - own > 1 ? [0, width - own] : [0]).map((up) => ({
    a: raised(a, up),
    b: raised(b, up),
  }));
  const way = {
    part,
    turn,
    flipped,
    left: -seen(sight, -onA.left, -onB.left),
    right: seen(sight, onA.right, onB.right),
  };
  return onA.isSquare && onB.isSquare
    ? [{ ...way, isHigh: false, places }]
    : places.map((place, index) => ({ ...way, isHigh: index > 0, places: [place] }));
}

/** How much further along the next must stand, whichever of their places across they take. */
const nearest = (first: Way, next: Way, sight: Sight): Ticks =>
  Math.min(
    ...first.places.flatMap((one) =>
      next.places.map((other) =>
        seen(sight, apart(one.a, other.a), sight === 'a' ? 0 : apart(one.b, other.b)),
      ),
    ),
  );

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
