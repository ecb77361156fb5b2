import { EDGE_LEEWAY, endTrimOf, type Part, type Saw, type Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import {
  boundsOf,
  type Point,
  type Turn,
  transformZone,
  turnPoint,
  type Zone,
} from '../../plane/index.js';

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
  /** How far its faces lie apart where they are furthest, for what a bevel's cut takes. */
  lean: Ticks;
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

const faceSuits = (wanted: Part['inside'], face: Stock['faceA']): boolean =>
  wanted === 'any' || wanted === face;

/** Two ways of lying are one when their corners, and where it matters their holes, are. */
function likeness({ a, b, cutAway, clear }: Shape, withZones: boolean): string {
  const list = (points: readonly Point[]) =>
    points
      .map((point) => point.join())
      .sort()
      .join(' ');
  const zones = withZones ? JSON.stringify([cutAway, clear]) : '';
  return `${list(a)}|${list(b)}|${zones}`;
}

/** How far corners that belong together lie apart on the two faces, at most. */
export const leanOf = (a: readonly Point[], b: readonly Point[]): Ticks =>
  Math.max(0, ...a.map(([x, y], index) => Math.hypot(at(b, index)[0] - x, at(b, index)[1] - y)));

/** One way of lying on a kind of board, or what stands against it. */
function shapeOf(
  part: Part,
  index: number,
  { stock, saw }: { stock: Stock; saw: Saw },
  { turn, flipped }: { turn: Turn; flipped: boolean },
): Shape | Misfit {
  const rotate: Turner = ([x, y]) => turnPoint([x, y], turn, flipped);
  const [upper, lower] = flipped ? [part.underside, part.outline] : [part.outline, part.underside];
  const [left, bottom, right, top] = boundsOf([...upper, ...lower].map(rotate));
  const move: Turner = (point) => {
    const [x, y] = rotate(point);
    return [x - left, y - bottom];
  };
  const [length, width] = [right - left, top - bottom];
  if (length > stock.length - 2 * endTrimOf(stock, saw) || width > stock.width) return 'too large';
  const [a, b] = [upper.map(move), lower.map(move)];
  if (!saw.rip && !(reaches(a, stock.width) && reaches(b, stock.width))) return 'no rip';
  const edges = edgesOf(a, b, part.thickness, flipped);
  if (!canSaw(edges, saw)) return 'saw';
  const slopes = (sign: 1 | -1): Point[] =>
    edges
      .filter(
        ({ normal, mitre }) => normal[0] * sign > 1e-6 && mitre > 0.01 && mitre <= saw.maxMitre,
      )
      .map(({ normal }): Point => [normal[0] * sign, normal[1] * sign]);
  return {
    part: index,
    turn,
    flipped,
    a,
    b,
    length,
    width,
    lean: leanOf(a, b),
    leftSlopes: slopes(-1),
    rightSlopes: slopes(1),
    clear: part.clear.map((zone) => transformZone(zone, move)),
    cutAway: part.cutAway.map((zone) => transformZone(zone, move)),
    takesKnots: part.knots === 'sound',
  };
}

/** Every different way in which a part may lie on a kind of board, or what stands against all of them. */
export function shapesOf(part: Part, index: number, stock: Stock, saw: Saw): Shape[] | Misfit {
  const shapes = new Map<string, Shape>();
  let misfit: Misfit = 'face';
  const turns: readonly Turn[] =
    part.grain === 'along' && stock.grained ? [0, 180] : [0, 90, 180, 270];
  for (const flipped of [false, true]) {
    const [outside, inside] = flipped ? [stock.faceB, stock.faceA] : [stock.faceA, stock.faceB];
    if (!faceSuits(part.outside, outside) || !faceSuits(part.inside, inside)) continue;
    for (const turn of turns) {
      const shape = shapeOf(part, index, { stock, saw }, { turn, flipped });
      if (typeof shape === 'string') {
        misfit = shape;
        continue;
      }
      const key = likeness(shape, stock.defects.length > 0);
      if (!shapes.has(key)) shapes.set(key, shape);
    }
  }
  return shapes.size > 0 ? [...shapes.values()] : misfit;
}
