import { EDGE_LEEWAY, type Part, type Saw, type Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { type Point, type Turn, transformZone, turnPoint, type Zone } from '../../plane/index.js';

/** A part in one of the ways it may lie on a kind of board, its bounding box at the origin. */
export interface Shape {
  /** Index of the part in the job. */
  part: number;
  turn: Turn;
  flipped: boolean;
  /** Polygons on the board's faces. */
  a: readonly Point[];
  b: readonly Point[];
  length: Ticks;
  width: Ticks;
  /** Directions, with x > 0, square to the sloped edges at its left and right end. */
  leftSlopes: readonly Point[];
  rightSlopes: readonly Point[];
  clear: readonly Zone[];
  cutAway: readonly Zone[];
  takesKnots: boolean;
}

/** How far points moved by (x, y) reach along a unit direction: their greatest, or their least, value. */
export function reachAlong(
  points: readonly Point[],
  normal: Point,
  x: number,
  y: number,
  far: boolean,
): number {
  let best = far ? Number.NEGATIVE_INFINITY : Number.POSITIVE_INFINITY;
  for (const point of points) {
    const value = normal[0] * (point[0] + x) + normal[1] * (point[1] + y);
    best = far ? Math.max(best, value) : Math.min(best, value);
  }
  return best;
}

type Turner = (point: Point) => Point;

interface SlopedEdge {
  /** Unit normal, outwards. */
  normal: Point;
  mitre: number;
  tilt: number;
}

function edgesOf(
  a: readonly Point[],
  b: readonly Point[],
  thickness: Ticks,
  clockwise: boolean,
): SlopedEdge[] {
  const found: SlopedEdge[] = [];
  const sign = clockwise ? -1 : 1;
  for (let i = 0; i < a.length; i += 1) {
    const j = (i + 1) % a.length;
    const onA = Math.hypot(at(a, j)[0] - at(a, i)[0], at(a, j)[1] - at(a, i)[1]);
    const onB = Math.hypot(at(b, j)[0] - at(b, i)[0], at(b, j)[1] - at(b, i)[1]);
    const [from, to, run] = onA >= onB ? [at(a, i), at(a, j), onA] : [at(b, i), at(b, j), onB];
    if (run < 1) continue;
    const normal: Point = [(sign * (to[1] - from[1])) / run, (-sign * (to[0] - from[0])) / run];
    const lean = normal[0] * (at(b, i)[0] - at(a, i)[0]) + normal[1] * (at(b, i)[1] - at(a, i)[1]);
    found.push({
      normal,
      mitre: (Math.acos(Math.min(1, Math.abs(normal[0]))) * 180) / Math.PI,
      tilt: (Math.abs(Math.atan2(lean, thickness)) * 180) / Math.PI,
    });
  }
  return found;
}

/** Whether the saw can make every edge. Edges along a board stay as bought where nothing rips. */
const canSaw = (edges: readonly SlopedEdge[], saw: Saw): boolean =>
  edges.every((edge) => {
    if (!saw.rip && edge.mitre > 89.99) return true;
    const mitre = saw.rip ? Math.min(edge.mitre, 90 - edge.mitre) : edge.mitre;
    return mitre <= saw.maxMitre + 0.01 && edge.tilt <= saw.maxTilt + 0.01;
  });

const reaches = (face: readonly Point[], width: Ticks): boolean => {
  const ys = face.map((point) => point[1]);
  return Math.min(...ys) <= EDGE_LEEWAY - 2 && Math.max(...ys) >= width - EDGE_LEEWAY + 2;
};

/** Why a part can lie on a kind of board in no way at all. */
export type Misfit = 'too large' | 'face' | 'saw' | 'no rip';

/** Every different way in which a part may lie on a kind of board, or what stands against all of them. */
export function shapesOf(part: Part, index: number, stock: Stock, saw: Saw): Shape[] | Misfit {
  const shapes: Shape[] = [];
  const seen = new Set<string>();
  let misfit: Misfit = 'face';
  const turns: readonly Turn[] =
    part.grain === 'along' && stock.grained ? [0, 180] : [0, 90, 180, 270];
  for (const flipped of [false, true]) {
    const outside = flipped ? stock.faceB : stock.faceA;
    const inside = flipped ? stock.faceA : stock.faceB;
    if (
      (part.outside !== 'any' && part.outside !== outside) ||
      (part.inside !== 'any' && part.inside !== inside)
    )
      continue;
    for (const turn of turns) {
      const rotate: Turner = ([x, y]) => turnPoint([x, y], turn, flipped);
      const [upper, lower] = flipped
        ? [part.underside, part.outline]
        : [part.outline, part.underside];
      const [rawA, rawB] = [upper.map(rotate), lower.map(rotate)];
      const xs = [...rawA, ...rawB].map((point) => point[0]);
      const ys = [...rawA, ...rawB].map((point) => point[1]);
      const [left, bottom] = [Math.min(...xs), Math.min(...ys)];
      const move: Turner = (point) => {
        const [x, y] = rotate(point);
        return [x - left, y - bottom];
      };
      const length = Math.max(...xs) - left;
      const width = Math.max(...ys) - bottom;
      if (length > stock.length - 2 * saw.endTrim || width > stock.width) {
        misfit = 'too large';
        continue;
      }
      const a = upper.map(move);
      const b = lower.map(move);
      if (!saw.rip && !(reaches(a, stock.width) && reaches(b, stock.width))) {
        misfit = 'no rip';
        continue;
      }
      const edges = edgesOf(a, b, part.thickness, flipped);
      if (!canSaw(edges, saw)) {
        misfit = 'saw';
        continue;
      }
      const cutAway = part.cutAway.map((zone) => transformZone(zone, move));
      const clear = part.clear.map((zone) => transformZone(zone, move));
      const list = (points: readonly Point[]) =>
        points
          .map((point) => point.join())
          .sort()
          .join(' ');
      const zones = stock.defects.length > 0 ? JSON.stringify([cutAway, clear]) : '';
      const key = `${list(a)}|${list(b)}|${zones}`;
      if (seen.has(key)) continue;
      seen.add(key);
      const slopes = (sign: 1 | -1): Point[] =>
        edges
          .filter(
            (edge) =>
              edge.normal[0] * sign > 1e-6 && edge.mitre > 0.01 && edge.mitre <= saw.maxMitre,
          )
          .map((edge): Point => [edge.normal[0] * sign, edge.normal[1] * sign]);
      shapes.push({
        part: index,
        turn,
        flipped,
        a,
        b,
        length,
        width,
        leftSlopes: slopes(-1),
        rightSlopes: slopes(1),
        clear,
        cutAway,
        takesKnots: part.knots === 'sound',
      });
    }
  }
  return shapes.length > 0 ? shapes : misfit;
}
