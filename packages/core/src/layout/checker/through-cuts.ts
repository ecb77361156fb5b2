import type { Saw } from '../../job/index.js';
import { at, must, ringPairs } from '../../lists/index.js';
import { acosDegrees, atan2, type Degrees, type Ticks, TOLERANCE } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';
import type { LyingSolid } from './gap.js';

/** Angles read off corners that are rounded to the tick are this uncertain. */
export const ANGLE_LEEWAY: Degrees = 0.03;

interface Extent {
  piece: LyingSolid;
  lowA: number;
  highA: number;
  lowB: number;
  highB: number;
}

const cornersOf = (piece: LyingSolid): readonly Point[] => [...piece.faceA, ...piece.faceB];

function extentAlong(piece: LyingSolid, [nx, ny]: Point): Extent {
  const project = (points: readonly Point[]) => points.map(([x, y]) => x * nx + y * ny);
  const [a, b] = [project(piece.faceA), project(piece.faceB)];
  return {
    piece,
    lowA: Math.min(...a),
    highA: Math.max(...a),
    lowB: Math.min(...b),
    highB: Math.max(...b),
  };
}

/** How far a cut square to direction n is turned: from square to the length, or with a rip from the nearer axis. */
export function mitreOf([nx]: Point, rip: boolean): Degrees {
  const fromSquare = acosDegrees(Math.min(1, Math.abs(nx)));
  return rip ? Math.min(fromSquare, 90 - fromSquare) : fromSquare;
}

/**
 * Whether one flat cut, perhaps tilted, passes between what ends at (a, b) and what begins at (fromA, fromB) on the two faces.
 * The cut takes kerf / cos tilt on each face.
 */
function cutFits(
  a: number,
  b: number,
  fromA: number,
  fromB: number,
  depth: Ticks,
  saw: Saw,
): boolean {
  let lean = 0;
  for (let round = 0; round < 8; round += 1) {
    const width = saw.kerf * Math.hypot(1, lean / depth);
    if (fromA - width < a - TOLERANCE || fromB - width < b - TOLERANCE) return false;
    const needed = Math.max(0, b - (fromA - width), a - (fromB - width));
    if (needed <= lean + 0.5) return atan2(lean, depth) <= saw.maxTilt + ANGLE_LEEWAY;
    lean = needed;
  }
  return false;
}

/** Splits the pieces by one through cut square to direction n, if there is one. */
function splitAlong(
  pieces: readonly LyingSolid[],
  normal: Point,
  saw: Saw,
): [LyingSolid[], LyingSolid[]] | null {
  const extents = pieces
    .map((piece) => extentAlong(piece, normal))
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
    if (cutFits(a, b, at(fromA, i + 1), at(fromB, i + 1), at(extents, 0).piece.depth, saw)) {
      return [
        extents.slice(0, i + 1).map((extent) => extent.piece),
        extents.slice(i + 1).map((extent) => extent.piece),
      ];
    }
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

/** Directions square to the edges of the pieces' faces. */
function* edgeDirections(pieces: readonly LyingSolid[]): Generator<Point | null> {
  for (const piece of pieces)
    for (const face of [piece.faceA, piece.faceB])
      for (const [from, to] of ringPairs(face)) yield normalOf(from, to);
}

/** Directions square to the line between any two corners, and along it. */
function* cornerDirections(pieces: readonly LyingSolid[]): Generator<Point | null> {
  const corners = pieces.flatMap(cornersOf);
  for (const [index, from] of corners.entries())
    for (const to of corners.slice(index + 1)) {
      const normal = normalOf(from, to);
      yield normal;
      if (normal) yield normalOf([0, 0], normal);
    }
}

/** Directions in which a cut could run: the axes, the parts' own edges, and as a last resort between any two corners or square to them. */
function* directions(pieces: readonly LyingSolid[], rip: boolean): Generator<Point> {
  yield [1, 0];
  if (rip) yield [0, 1];
  const seen = new Set<string>();
  for (const found of [edgeDirections(pieces), cornerDirections(pieces)])
    for (const normal of found) {
      if (!normal) continue;
      const key = `${normal[0].toFixed(7)} ${normal[1].toFixed(7)}`;
      if (seen.has(key)) continue;
      seen.add(key);
      yield normal;
    }
}

/**
 * Pieces that no through cut separates: empty when all come apart. Taking any cut that fits is safe, since parts that come apart
 * together also come apart in every smaller group.
 */
export function stuckTogether(pieces: readonly LyingSolid[], saw: Saw): readonly LyingSolid[] {
  const waiting: (readonly LyingSolid[])[] = [pieces];
  while (waiting.length > 0) {
    const group = must(waiting.pop(), 'group');
    if (group.length < 2) continue;
    let halves: [LyingSolid[], LyingSolid[]] | null = null;
    for (const normal of directions(group, saw.rip)) {
      if (mitreOf(normal, saw.rip) > saw.maxMitre + ANGLE_LEEWAY) continue;
      halves = splitAlong(group, normal, saw);
      if (halves) break;
    }
    if (!halves) return group;
    waiting.push(...halves);
  }
  return [];
}
