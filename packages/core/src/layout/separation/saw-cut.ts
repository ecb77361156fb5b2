import { ringPairs } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';

/** Wood on a board, by its outline on each of the board's faces; a face that it does not reach is empty. Anticlockwise seen from face A. */
export interface Wood {
  faceA: readonly Point[];
  faceB: readonly Point[];
}

/**
 * A flat cut. On face A it runs through `point` along `along`, a unit vector; on face B along the same line moved by `shift` to its
 * left. What is wanted lies to the left of both lines, the kerf to the right of them.
 */
export interface SawCut {
  point: Point;
  along: Point;
  shift: number;
}

/** How far a point of face A lies to the left of a cut; for face B, less the shift. */
export const leftOfCut = ({ point, along }: SawCut, [x, y]: Point): number =>
  along[0] * (y - point[1]) - along[1] * (x - point[0]);

/** The width that a cut takes on each face of a board so thick. */
export const kerfOnFace = ({ shift }: SawCut, kerf: Ticks, depth: Ticks): number =>
  kerf * Math.hypot(1, shift / depth);

/** The least of how far these corners lie to the left of a line, and the most. */
function reachOnFace(
  { point, along }: SawCut,
  face: readonly Point[],
  moved: number,
): readonly [least: number, most: number] {
  const [x0, y0] = point;
  const [dx, dy] = along;
  let [least, most] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  // Asked for every edge against every other part: a plain loop.
  for (const corner of face) {
    const left = dx * (corner[1] - y0) - dy * (corner[0] - x0) - moved;
    if (left < least) least = left;
    if (left > most) most = left;
  }
  return [least, most];
}

/** How far wood reaches to the left of a cut: the least and the most over both faces. */
export function reachOf(
  cut: SawCut,
  { faceA, faceB }: Wood,
): readonly [least: number, most: number] {
  const onA = reachOnFace(cut, faceA, 0);
  if (faceB === faceA && cut.shift === 0) return onA;
  const onB = reachOnFace(cut, faceB, cut.shift);
  return [Math.min(onA[0], onB[0]), Math.max(onA[1], onB[1])];
}

/** The part of a convex polygon that is farther than `from` on a scale that is straight over the plane. Sutherland & Hodgman, 1974. */
function beyond(
  polygon: readonly Point[],
  scaleAt: (point: Point) => number,
  from: number,
): Point[] {
  const kept: Point[] = [];
  for (const [current, next] of ringPairs(polygon)) {
    const here = scaleAt(current) - from;
    const there = scaleAt(next) - from;
    if (here >= 0) kept.push(current);
    if ((here > 0 && there < 0) || (here < 0 && there > 0)) {
      const share = here / (here - there);
      kept.push([
        current[0] + share * (next[0] - current[0]),
        current[1] + share * (next[1] - current[1]),
      ]);
    }
  }
  return kept.length < 3 ? [] : kept;
}

/** Less than this is no wood: 0.05 mm. */
export const NOTHING: Ticks = 16;

/** What a cut leaves to its left, and beyond its kerf to its right; null where less than 0.05 mm is left on both faces. */
export function cutWood(
  cut: SawCut,
  wood: Wood,
  kerf: Ticks,
  depth: Ticks,
): readonly [left: Wood | null, right: Wood | null] {
  const width = kerfOnFace(cut, kerf, depth);
  const toLeft = (point: Point) => leftOfCut(cut, point);
  const toRight = (point: Point) => -leftOfCut(cut, point);
  const left: Wood = {
    faceA: beyond(wood.faceA, toLeft, 0),
    faceB: beyond(wood.faceB, toLeft, cut.shift),
  };
  const right: Wood = {
    faceA: beyond(wood.faceA, toRight, width),
    faceB: beyond(wood.faceB, toRight, width - cut.shift),
  };
  const [least, most] = reachOf(cut, wood);
  return [most > NOTHING ? left : null, -least - width > NOTHING ? right : null];
}

/** Where a cut enters a convex face and where it leaves it; null where it misses it or only touches a corner. */
function chordOn(
  { point, along }: SawCut,
  face: readonly Point[],
  moved: number,
): readonly [enters: Point, leaves: Point] | null {
  const [x0, y0] = [point[0] - along[1] * moved, point[1] + along[0] * moved];
  let [first, last] = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
  for (const [[px, py], [qx, qy]] of ringPairs(face)) {
    const [ex, ey] = [qx - px, qy - py];
    const run = Math.hypot(ex, ey);
    if (run < 1) continue;
    // Inside is to the left of every edge.
    const start = ex * (y0 - py) - ey * (x0 - px);
    const rate = ex * along[1] - ey * along[0];
    if (Math.abs(rate) < 1e-9 * run) {
      if (start < -NOTHING * run) return null;
      continue;
    }
    if (rate > 0) first = Math.max(first, -start / rate);
    else last = Math.min(last, -start / rate);
  }
  if (!(last - first > 1)) return null;
  return [
    [x0 + along[0] * first, y0 + along[1] * first],
    [x0 + along[0] * last, y0 + along[1] * last],
  ];
}

/** Where a cut enters the piece in hand and leaves it, on face A; where it meets wood on face B only, the same run moved to face A. */
export function chordOf(
  cut: SawCut,
  { faceA, faceB }: Wood,
): readonly [enters: Point, leaves: Point] | null {
  const onA = chordOn(cut, faceA, 0);
  if (onA) return onA;
  const onB = chordOn(cut, faceB, cut.shift);
  if (!onB) return null;
  const back = ([x, y]: Point): Point => [
    x + cut.along[1] * cut.shift,
    y - cut.along[0] * cut.shift,
  ];
  return [back(onB[0]), back(onB[1])];
}

/** The cut that makes one edge of a solid: its interior to the left. Null for an edge that is a point on both faces. */
export function cutAlongEdge({ faceA, faceB }: Wood, index: number): SawCut | null {
  const next = (index + 1) % faceA.length;
  const [a, b] = [faceA[index], faceA[next]];
  const [c, d] = [faceB[index], faceB[next]];
  if (!a || !b || !c || !d) return null;
  const [onA, onB] = [Math.hypot(b[0] - a[0], b[1] - a[1]), Math.hypot(d[0] - c[0], d[1] - c[1])];
  const run = Math.max(onA, onB);
  if (run < NOTHING) return null;
  const [from, to] = onA >= onB ? [a, b] : [c, d];
  const along: Point = [(to[0] - from[0]) / run, (to[1] - from[1]) / run];
  const cut: SawCut = { point: a, along, shift: 0 };
  // Corners are rounded to the tick: an edge that is there on both faces has two readings.
  const shift =
    onB < NOTHING || onA < NOTHING
      ? leftOfCut(cut, c)
      : (leftOfCut(cut, c) + leftOfCut({ ...cut, point: b }, d)) / 2;
  return { ...cut, shift: Math.abs(shift) < 1.5 ? 0 : shift };
}
