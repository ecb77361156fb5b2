import { at } from '../../lists/index.js';
import { dot, negate, type Vec3 } from '../../solid/index.js';
import type { Bench, Shot } from './bench.js';
import type { Held } from './units.js';

/** A side of the box, by the way that it looks. */
export type BoxSide = 'top' | 'bottom' | 'front' | 'back' | 'left' | 'right';

/** The side that looks a given way. */
export function sideTowards([x, y, z]: Vec3): BoxSide {
  const [ax, ay, az] = [Math.abs(x), Math.abs(y), Math.abs(z)];
  if (az >= ax && az >= ay) return z > 0 ? 'top' : 'bottom';
  if (ay >= ax) return y > 0 ? 'back' : 'front';
  return x > 0 ? 'right' : 'left';
}

export const OPPOSITE: Readonly<Record<BoxSide, BoxSide>> = {
  top: 'bottom',
  bottom: 'top',
  front: 'back',
  back: 'front',
  left: 'right',
  right: 'left',
};

/** What happens when a unit is put to those that are there. */
export interface Putting {
  unit: number;
  /** Joints that are made now: their second panel comes. */
  held: readonly Held[];
  shots: readonly Shot[];
  /** Sides that have to lie up for the driver. */
  ups: readonly BoxSide[];
  /** Fasteners whose heads something covers, and those that only a short driver reaches. */
  covered: readonly Shot[];
  cramped: readonly Shot[];
  /** The way that it comes, of length 1; null where something is in the way whichever way it comes. */
  comes: Vec3 | null;
  /** Units that it touches. */
  touches: readonly number[];
}

/** A unit’s ways past nothing. */
const ALL_WAYS = -1;

/** The direction along which it is free to be drawn out; where there are several, the one most against a way that its fasteners are driven, else upwards. */
function wayOut(
  bench: Bench,
  unit: number,
  there: readonly number[],
  driven: readonly Vec3[],
): Vec3 | null {
  const open = there.reduce((ways, other) => ways & bench.freeWays(unit, other), ALL_WAYS);
  const all = at(bench.directions, unit);
  const [first] = driven;
  // Straight off the wood that it is fastened to, of equals from above as it lies for its first fastener, and from below last.
  const lift = (way: number): number => {
    const out = at(all, way);
    if (!first) return out[2];
    return Math.max(...driven.map((direction) => -dot(direction, out))) - dot(first, out) / 10;
  };
  const liked = all.map((_way, index) => index).sort((a, b) => lift(b) - lift(a));
  const free = liked.find((way) => (open & (1 << way)) !== 0);
  return free === undefined ? null : at(all, free);
}

/** Puts a unit to those that are there (`isThere` by unit), and says what is in the way. */
export function putTo(bench: Bench, unit: number, there: readonly boolean[]): Putting {
  const { unitOf } = bench;
  const isMade = (body: number): boolean => {
    const own = at(unitOf, body);
    return own === unit || there[own] === true;
  };
  const held = at(bench.heldBy, unit).filter(({ pair }) => pair.every(isMade));
  const shots = at(bench.shotsBy, unit).filter(
    ({ through, into }) => isMade(through) && isMade(into),
  );
  const own = (body: number): boolean => at(unitOf, body) === unit;
  // What sits on a panel alone is put on while that lies on the bench: only its own parts can stand in a driver’s way.
  const onBench = ({ through, into }: Shot): boolean => own(through) && own(into);
  const covered = shots.filter(({ near }) => [...near].some(isMade));
  const cramped = shots.filter(
    (shot) => !covered.includes(shot) && [...shot.far].some(onBench(shot) ? own : isMade),
  );
  const outer = shots.filter((shot) => !onBench(shot));
  const present = there.flatMap((is, index) => (is ? [index] : []));
  const directions = outer.map(({ driven }) => driven.direction);
  return {
    unit,
    held,
    shots,
    ups: [...new Set(directions.map((way) => sideTowards(negate(way))))],
    covered,
    cramped,
    comes: wayOut(bench, unit, present, directions),
    touches: [...new Set(held.flatMap(({ pair }) => pair.map((body) => at(unitOf, body))))].filter(
      (other) => other !== unit,
    ),
  };
}
