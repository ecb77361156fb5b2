import { ringPairs } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { crossing, type Point } from '../../plane/index.js';
import type { Shape } from '../search/shapes.js';

/** Rows may be this much longer than they are reckoned, in ticks, so that rounding forbids nothing. */
export const LEEWAY: Ticks = 4;

/** One face of a part where it lies. */
export interface Face {
  points: readonly Point[];
  /** Heights of its corners. */
  levels: readonly Ticks[];
  low: Ticks;
  high: Ticks;
  /** How steep its sides are: the sines of their angles to the line across the board. */
  sines: readonly number[];
  /** Where it begins and ends, where it does so square to the board from its lowest to its highest point. */
  squareLeft: Ticks | null;
  squareRight: Ticks | null;
  /** Where it begins and ends on lines along the board that were asked for, by their height. */
  chords: Map<Ticks, Chord>;
}

/** Both faces of a part in one place across the board. */
export interface Place {
  /** What it is known by. */
  id: number;
  a: Face;
  b: Face;
}

type Chord = ReturnType<typeof crossing>;
const NEVER = Number.NEGATIVE_INFINITY;

/** Where a face begins and ends on a line along the board; null where it does not reach it. */
function chordOf(face: Face, level: Ticks): Chord {
  const known = face.chords.get(level);
  if (known !== undefined) return known;
  const chord = crossing(face.points, 0, level);
  face.chords.set(level, chord);
  return chord;
}

export const heights = (face: readonly Point[]) => face.map((point) => point[1]);

export function endsOf(face: readonly Point[]): { left: Ticks; right: Ticks; isSquare: boolean } {
  const along = face.map((point) => point[0]);
  const [left, right] = [Math.min(...along), Math.max(...along)];
  return { left, right, isSquare: along.every((x) => x === left || x === right) };
}

export const raised = (face: readonly Point[], up: Ticks): Face =>
  sighted(face.map(([x, y]): Point => [x, y + up]));

const cornersOf = (face: readonly Point[]): string =>
  face.map((point) => point.map(Math.round).join(' ')).join();

/** How far apart parts lie one behind the other, reckoned once for all that look alike. Both in ticks: the kerf, and how thick they are. */
export class Distances {
  private readonly places = new Map<string, Place>();
  private readonly known = new Map<number, Ticks>();
  /** The same by how wide a board the cut between them crosses. */
  private readonly across = new Map<Ticks, Map<number, Ticks>>();

  constructor(
    private readonly kerf: number,
    private readonly depth: Ticks,
  ) {}

  /** A shape so far from the lower edge of its board. */
  place({ a, b, lean }: Shape, up: Ticks): Place {
    const name = `${up}|${cornersOf(a)}|${lean > 0 ? cornersOf(b) : ''}`;
    const known = this.places.get(name);
    if (known) return known;
    const faceA = raised(a, up);
    const place = { id: this.places.size, a: faceA, b: lean > 0 ? raised(b, up) : faceA };
    this.places.set(name, place);
    return place;
  }

  /** How much further along a part must stand in its place than one before it. */
  between(one: Place, other: Place): Ticks {
    const key = one.id * MOST_PLACES + other.id;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const found = between(one, other, this.kerf, this.depth);
    this.known.set(key, found);
    return found;
  }

  /**
   * The same where the cut between them runs right across a board so wide, clear of what stands square before the first and behind the next: as
   * rows are laid. No bound: what stands there may leave more room.
   */
  betweenAcross(one: Place, other: Place, width: Ticks): Ticks {
    const known = this.across.get(width) ?? new Map<number, Ticks>();
    this.across.set(width, known);
    const key = one.id * MOST_PLACES + other.id;
    const found =
      known.get(key) ?? Math.max(this.between(one, other), across(one, other, width, this.kerf));
    known.set(key, found);
    return found;
  }
}

/** How far a cut along each side of a face leans back along the board for a step across it; none for sides that run along the board. */
const leansOf = ({ points }: Face): number[] =>
  ringPairs(points).flatMap(([from, to]) =>
    Math.abs(to[1] - from[1]) < LEEWAY ? [] : [(from[0] - to[0]) / (to[1] - from[1])],
  );

/** How much further along the next must stand for a straight cut across the board, square or along a side of either. */
function across(first: Place, next: Place, width: Ticks, kerf: number): Ticks {
  const faces = [
    [first.a, next.a],
    [first.b, next.b],
  ] as const;
  const reach = (points: readonly Point[], lean: number) => points.map(([x, y]) => x + lean * y);
  const leans = new Set([0, ...faces.flatMap((pair) => pair.flatMap(leansOf))]);
  let least = Number.POSITIVE_INFINITY;
  for (const lean of leans) {
    const [low, high] = [Math.min(0, lean * width), Math.max(0, lean * width)];
    const taken = kerf * Math.hypot(1, lean);
    const apart = faces.map(([before, behind]) => {
      const ends = Math.max(...reach(before.points, lean));
      const starts = Math.min(...reach(behind.points, lean));
      const wallBefore = Math.min(...before.points.map(([x]) => x)) - kerf + high;
      const wallBehind = Math.max(...behind.points.map(([x]) => x)) + kerf + low;
      return taken + Math.max(ends - starts, wallBefore - starts, ends - wallBehind);
    });
    least = Math.min(least, Math.max(...apart));
  }
  return least;
}

/** More places than there ever are. */
const MOST_PLACES = 2 ** 26;

/** How much further along a part must stand in its place than one before it. */
const between = (one: Place, other: Place, kerf: number, depth: Ticks): Ticks =>
  one.a === one.b && other.a === other.b
    ? apart(one.a, other.a, kerf)
    : Math.max(
        apart(one.a, other.a, kerf),
        apart(one.b, other.b, kerf),
        apartWithin(one, other, kerf, depth),
      );

/** The same between their faces, where bevels come near one another: a kerf square to a tilted cut is more along the board. */
function apartWithin(first: Place, next: Place, kerf: number, depth: Ticks): Ticks {
  let most = NEVER;
  for (const level of [...first.a.levels, ...next.a.levels]) {
    const [ends, starts] = [first, next].map(({ a, b }) =>
      [a, b].map((face) => chordOf(face, level)),
    ) as [Chord[], Chord[]];
    const [endA, endB, startA, startB] = [
      ends[0]?.[1],
      ends[1]?.[1],
      starts[0]?.[0],
      starts[1]?.[0],
    ];
    if (endA === undefined || endB === undefined || startA === undefined || startB === undefined)
      continue;
    for (const lean of [endB - endA, startB - startA]) {
      const deep = (kerf * Math.abs(lean)) / Math.hypot(lean, depth);
      if (deep > depth) continue;
      const end = (at: Ticks) => endA + ((endB - endA) * at) / depth;
      const start = (at: Ticks) => startA + ((startB - startA) * at) / depth;
      const along = Math.sqrt(kerf * kerf - deep * deep);
      most = Math.max(
        most,
        along + Math.max(end(deep) - start(0), end(0) - start(deep)),
        along + Math.max(end(depth) - start(depth - deep), end(depth - deep) - start(depth)),
      );
    }
  }
  return most;
}

/** A face with what is asked of it over and over. */
export const sighted = (points: readonly Point[]): Face => {
  const steep = ringPairs(points).flatMap(([from, to]) => {
    const [along, across] = [Math.abs(to[0] - from[0]), Math.abs(to[1] - from[1])];
    return along < LEEWAY || across < LEEWAY ? [] : [along / Math.hypot(along, across)];
  });
  const levels = [...new Set(heights(points))];
  const [low, high] = [Math.min(...levels), Math.max(...levels)];
  const { left, right } = endsOf(points);
  const isSquareAt = (x: Ticks) =>
    [low, high].every((level) => points.some((point) => point[0] === x && point[1] === level));
  return {
    points,
    levels,
    chords: new Map(),
    low,
    high,
    squareLeft: isSquareAt(left) ? left : null,
    squareRight: isSquareAt(right) ? right : null,
    sines: [...new Set(steep.map((sine) => Math.round(sine * 1000) / 1000))],
  };
};

/**
 * How much further along the next must stand so that no point of it comes nearer than a kerf to the first: on lines at corners' heights, and
 * from each of them to as far above and below as a kerf square to one of their sides reaches.
 */
export function apart(first: Face, next: Face, kerf: number): Ticks {
  const shareLine = first.low <= next.high && next.low <= first.high;
  if (shareLine && first.squareRight !== null && next.squareLeft !== null)
    return first.squareRight - next.squareLeft + kerf;
  const along = (onFirst: Ticks, onNext: Ticks): Ticks => {
    const across = Math.abs(onFirst - onNext);
    if (across > kerf || onFirst < first.low || onFirst > first.high) return NEVER;
    if (onNext < next.low || onNext > next.high) return NEVER;
    const [ends, starts] = [chordOf(first, onFirst), chordOf(next, onNext)];
    return ends && starts ? ends[1] - starts[0] + Math.sqrt(kerf * kerf - across * across) : NEVER;
  };
  // Where they cross no line in common, their nearest edges.
  let most = Math.max(along(first.high, next.low), along(first.low, next.high));
  const steps = new Set([0, ...[...first.sines, ...next.sines].map((sine) => sine * kerf)]);
  for (const step of steps)
    for (const sign of step === 0 ? [1] : [1, -1]) {
      for (const level of first.levels) most = Math.max(most, along(level, level + sign * step));
      for (const level of next.levels) most = Math.max(most, along(level + sign * step, level));
    }
  return most;
}
