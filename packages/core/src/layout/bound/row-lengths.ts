import type { Saw, Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { crossing, type Point } from '../../plane/index.js';
import { type Shape, shapesOf } from '../search/shapes.js';
import type { Counts } from './relaxed-patterns.js';
import { type Demand, kerfOf, usable } from './weights.js';

/** A part lying in a row on one face of its board: its outline there, against the lower or the upper edge. */
interface Way {
  part: number;
  polygon: readonly Point[];
  left: Ticks;
  right: Ticks;
}

/** Rows may be this much longer than they are reckoned, in ticks, so that rounding forbids nothing. */
const LEEWAY: Ticks = 4;
/** Rows that are remembered; beyond that none is forbidden. */
const MOST_ROWS = 60_000;
/** Ways of lying beyond which rows are not reckoned. */
const MOST_WAYS = 96;

/**
 * How long a row of parts is at least that all cross the middle of their board: whatever order they lie in, which way round, and how far
 * across. One behind the other they keep a kerf on every line along the board that both cross; how far apart that is, is concave in how far
 * across they lie, and so is their sum: the least is reached with each against an edge. Then it is a dynamic programme over how many of
 * each lie there and what lies last. True on each face by itself.
 */
export class RowLengths {
  private readonly known = new Map<string, Float64Array | null>();
  private readonly advance: Float64Array;

  private constructor(
    private readonly ways: readonly Way[],
    private readonly parts: number,
    kerf: number,
  ) {
    const size = ways.length;
    this.advance = new Float64Array(size * size);
    for (const [i, first] of ways.entries())
      for (const [j, next] of ways.entries())
        this.advance[i * size + j] = apart(first.polygon, next.polygon) + kerf;
  }

  /** Rows on both faces of a kind of board; none where fewer than two copies cross its middle for certain, or too many ways are open. */
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
      return enough && ways.length <= MOST_WAYS
        ? [new RowLengths(ways, demands.length, kerfOf(saw))]
        : [];
    });
  }

  /** The least length of a row of so many copies of each part; those that need not cross the middle are left out. */
  least(counts: Counts): Ticks {
    const row = this.row(counts.map((count, part) => (this.isIn(part) ? count : 0)));
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

  private isIn(part: number): boolean {
    return this.ways.some((way) => way.part === part);
  }

  /** Where the last part stands at least, by its way of lying; null where nothing lies, or too much has been asked. */
  private row(counts: Counts): Float64Array | null {
    const key = counts.join();
    const known = this.known.get(key);
    if (known !== undefined) return known;
    if (this.known.size >= MOST_ROWS) return null;
    const size = this.ways.length;
    const found = new Float64Array(size).fill(Number.POSITIVE_INFINITY);
    let any = false;
    for (let part = 0; part < this.parts; part += 1) {
      if (at(counts, part) === 0) continue;
      any = true;
      const before = counts.map((count, index) => (index === part ? count - 1 : count));
      const isFirst = before.every((count) => count === 0);
      const row = isFirst ? null : this.row(before);
      if (!isFirst && !row) return null;
      this.ways.forEach((way, last) => {
        if (way.part !== part) return;
        let least = Number.POSITIVE_INFINITY;
        if (!row) least = -way.left;
        else
          for (let index = 0; index < size; index += 1)
            least = Math.min(
              least,
              (row[index] as number) + (this.advance[index * size + last] as number),
            );
        found[last] = Math.max(-way.left, least);
      });
    }
    this.known.set(key, any ? found : null);
    return any ? found : null;
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
  return places.map((up) => ({
    part,
    polygon: face.map(([x, y]): Point => [x, y + up]),
    left,
    right,
  }));
}

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
