import { at, ringPairs } from '../../lists/index.js';
import { atan2, TOLERANCE } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';
import type { SawCut, Wood } from './saw-cut.js';
import { ANGLE_LEEWAY, mitreOf } from './saw-limits.js';
import type { Candidate, Sawing, Wanted } from './target.js';

interface Extent {
  wanted: Wanted;
  lowA: number;
  highA: number;
  lowB: number;
  highB: number;
}

function extentAlong(wanted: Wanted, [nx, ny]: Point): Extent {
  const project = (points: readonly Point[]) => points.map(([x, y]) => x * nx + y * ny);
  const { faceA, faceB } = wanted.target.wood;
  const [a, b] = [project(faceA), project(faceB)];
  return {
    wanted,
    lowA: Math.min(...a),
    highA: Math.max(...a),
    lowB: Math.min(...b),
    highB: Math.max(...b),
  };
}

/** What ends before a cut and what begins after it, on the two faces. */
interface Gap {
  a: number;
  b: number;
  fromA: number;
  fromB: number;
}

/** One flat cut, perhaps tilted, between what ends at (a, b) and what begins at (fromA, fromB); null where none fits. */
function cutThrough(
  { a, b, fromA, fromB }: Gap,
  normal: Point,
  { saw, depth }: Sawing,
): SawCut | null {
  const cutAt = (onA: number, onB: number): SawCut => ({
    point: [normal[0] * onA, normal[1] * onA],
    along: [-normal[1], normal[0]],
    shift: onA - onB,
  });
  let lean = 0;
  for (let round = 0; round < 8; round += 1) {
    const width = saw.kerf * Math.hypot(1, lean / depth);
    const [mostA, mostB] = [fromA - width, fromB - width];
    if (mostA < a - TOLERANCE || mostB < b - TOLERANCE) return null;
    const needed = Math.max(0, b - mostA, a - mostB);
    if (needed <= lean + 0.5) {
      if (atan2(lean, depth) > saw.maxTilt + ANGLE_LEEWAY) return null;
      if (lean <= 0.5) return cutAt(Math.max(a, b), Math.max(a, b));
      return b - mostA >= a - mostB ? cutAt(mostA, mostA + lean) : cutAt(mostB + lean, mostB);
    }
    lean = needed;
  }
  return null;
}

/** Parts what is wanted by one through cut square to direction n, if there is one. */
function partSquareTo(all: readonly Wanted[], normal: Point, sawing: Sawing): Candidate | null {
  const extents = all
    .map((wanted) => extentAlong(wanted, normal))
    .sort((p, q) => p.lowA + p.highA + p.lowB + p.highB - (q.lowA + q.highA + q.lowB + q.highB));
  const n = extents.length;
  const fromA = new Array<number>(n + 1).fill(Number.POSITIVE_INFINITY);
  const fromB = new Array<number>(n + 1).fill(Number.POSITIVE_INFINITY);
  for (let i = n - 1; i >= 0; i -= 1) {
    fromA[i] = Math.min(at(fromA, i + 1), at(extents, i).lowA);
    fromB[i] = Math.min(at(fromB, i + 1), at(extents, i).lowB);
  }
  let a = Number.NEGATIVE_INFINITY;
  let b = Number.NEGATIVE_INFINITY;
  for (let i = 0; i + 1 < n; i += 1) {
    a = Math.max(a, at(extents, i).highA);
    b = Math.max(b, at(extents, i).highB);
    const cut = cutThrough(
      { a, b, fromA: at(fromA, i + 1), fromB: at(fromB, i + 1) },
      normal,
      sawing,
    );
    if (!cut) continue;
    const side = (list: readonly Extent[]) => list.map(({ wanted }) => wanted);
    return { cut, left: side(extents.slice(0, i + 1)), right: side(extents.slice(i + 1)) };
  }
  return null;
}

function normalOf(from: Point, to: Point): Point | null {
  const run = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (run < 1) return null;
  const normal: Point = [(to[1] - from[1]) / run, -(to[0] - from[0]) / run];
  return normal[0] < -1e-12 || (Math.abs(normal[0]) <= 1e-12 && normal[1] < 0)
    ? [-normal[0], -normal[1]]
    : normal;
}

/** Directions square to the edges of the faces. */
function* edgeDirections(all: readonly Wood[]): Generator<Point | null> {
  for (const { faceA, faceB } of all)
    for (const face of [faceA, faceB])
      for (const [from, to] of ringPairs(face)) yield normalOf(from, to);
}

/** Directions square to the line between any two corners, and along it. */
function* cornerDirections(all: readonly Wood[]): Generator<Point | null> {
  const corners = all.flatMap(({ faceA, faceB }) => [...faceA, ...faceB]);
  for (const [index, from] of corners.entries())
    for (const to of corners.slice(index + 1)) {
      const normal = normalOf(from, to);
      yield normal;
      if (normal) yield normalOf([0, 0], normal);
    }
}

/** Directions in which a cut could run: the axes, the parts' own edges, and as a last resort between any two corners or square to them. */
function* directions(all: readonly Wood[], rip: boolean): Generator<Point> {
  yield [1, 0];
  if (rip) yield [0, 1];
  const seen = new Set<string>();
  for (const found of [edgeDirections(all), cornerDirections(all)])
    for (const normal of found) {
      if (!normal) continue;
      const key = `${normal[0].toFixed(7)} ${normal[1].toFixed(7)}`;
      if (seen.has(key)) continue;
      seen.add(key);
      yield normal;
    }
}

/** Any cut right across that parts what is wanted, along no edge of it where that must be; null where there is none. */
export function partAnywhere(all: readonly Wanted[], sawing: Sawing): Candidate | null {
  const { saw } = sawing;
  for (const normal of directions(
    all.map(({ target }) => target.wood),
    saw.rip,
  )) {
    if (mitreOf(normal, saw.rip) > saw.maxMitre + ANGLE_LEEWAY) continue;
    const parted = partSquareTo(all, normal, sawing);
    if (parted) return parted;
  }
  return null;
}
