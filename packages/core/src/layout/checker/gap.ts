import { at } from '../../lists/index.js';
import { type Ticks, TOLERANCE } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';
import { cross, dot, lengthOf, scale, subtract, type Vec3 } from '../../solid/index.js';

/** A part as a solid on its board: corners on face A at depth 0 and on face B at the board's thickness. */
export interface LyingSolid {
  faceA: readonly Point[];
  faceB: readonly Point[];
  depth: Ticks;
}

interface Hull {
  corners: readonly Vec3[];
  edges: readonly (readonly [Vec3, Vec3])[];
  faces: readonly (readonly Vec3[])[];
}

function hullOf({ faceA, faceB, depth }: LyingSolid): Hull {
  const top = faceA.map(([x, y]): Vec3 => [x, y, 0]);
  const low = faceB.map(([x, y]): Vec3 => [x, y, depth]);
  const n = top.length;
  const edges: [Vec3, Vec3][] = [];
  const faces: Vec3[][] = [top, low];
  for (let i = 0; i < n; i += 1) {
    const j = (i + 1) % n;
    edges.push([at(top, i), at(top, j)], [at(low, i), at(low, j)], [at(top, i), at(low, i)]);
    faces.push([at(top, i), at(top, j), at(low, j), at(low, i)]);
  }
  return { corners: [...top, ...low], edges, faces };
}

function faceNormal(face: readonly Vec3[]): Vec3 | null {
  for (let i = 0; i + 2 < face.length; i += 1) {
    const normal = cross(
      subtract(at(face, i + 1), at(face, i)),
      subtract(at(face, i + 2), at(face, i)),
    );
    if (lengthOf(normal) > 1e-6) return scale(normal, 1 / lengthOf(normal));
  }
  return null;
}

function separationAlong(axis: Vec3, a: Hull, b: Hull): number {
  const project = (hull: Hull) => hull.corners.map((corner) => dot(axis, corner));
  const [pa, pb] = [project(a), project(b)];
  return Math.max(Math.min(...pb) - Math.max(...pa), Math.min(...pa) - Math.max(...pb));
}

function segmentDistance([p1, q1]: readonly [Vec3, Vec3], [p2, q2]: readonly [Vec3, Vec3]): number {
  const d1 = subtract(q1, p1);
  const d2 = subtract(q2, p2);
  const r = subtract(p1, p2);
  const [a, e, f, b, c] = [dot(d1, d1), dot(d2, d2), dot(d2, r), dot(d1, d2), dot(d1, r)];
  const clamp = (value: number) => Math.max(0, Math.min(1, value));
  if (a < 1e-9 && e < 1e-9) return lengthOf(r);
  let s = 0;
  let t = 0;
  if (a < 1e-9) t = clamp(f / e);
  else if (e < 1e-9) s = clamp(-c / a);
  else {
    const denominator = a * e - b * b;
    s = denominator > 1e-9 ? clamp((b * f - c * e) / denominator) : 0;
    t = (b * s + f) / e;
    if (t < 0 || t > 1) {
      t = clamp(t);
      s = clamp((b * t - c) / a);
    }
  }
  return lengthOf(
    subtract(
      [p1[0] + d1[0] * s, p1[1] + d1[1] * s, p1[2] + d1[2] * s],
      [p2[0] + d2[0] * t, p2[1] + d2[1] * t, p2[2] + d2[2] * t],
    ),
  );
}

function cornerToFace(corner: Vec3, face: readonly Vec3[]): number {
  const normal = faceNormal(face);
  if (!normal) return Number.POSITIVE_INFINITY;
  const height = dot(normal, subtract(corner, at(face, 0)));
  const foot = subtract(corner, scale(normal, height));
  const sides = face.map((from, index) =>
    dot(normal, cross(subtract(at(face, (index + 1) % face.length), from), subtract(foot, from))),
  );
  const within = sides.every((value) => value >= 0) || sides.every((value) => value <= 0);
  return within ? Math.abs(height) : Number.POSITIVE_INFINITY;
}

const boundsApart = (a: LyingSolid, b: LyingSolid): number => {
  const range = (points: readonly Point[], axis: 0 | 1) => {
    const values = points.map((point) => point[axis]);
    return [Math.min(...values), Math.max(...values)] as const;
  };
  const gap = (axis: 0 | 1) => {
    const [lowA, highA] = range([...a.faceA, ...a.faceB], axis);
    const [lowB, highB] = range([...b.faceA, ...b.faceB], axis);
    return Math.max(lowB - highA, lowA - highB);
  };
  return Math.max(gap(0), gap(1));
};

/** Unit directions along which two convex solids that do not meet can be told apart: normals of faces, and square to an edge of each. */
function separatingAxes(a: Hull, b: Hull): Vec3[] {
  const normals = [...a.faces, ...b.faces].flatMap((face): Vec3[] => {
    const normal = faceNormal(face);
    return normal ? [normal] : [];
  });
  const crossed = a.edges.flatMap(([from, to]) =>
    b.edges.flatMap(([otherFrom, otherTo]): Vec3[] => {
      const axis = cross(subtract(to, from), subtract(otherTo, otherFrom));
      const size = lengthOf(axis);
      return size > 1e-3 ? [scale(axis, 1 / size)] : [];
    }),
  );
  return [...normals, ...crossed];
}

/** The least distance of two solids that do not meet: between two edges, or between a corner and a face. */
function isNearer(a: Hull, b: Hull, wanted: Ticks): boolean {
  const edges = a.edges.some((first) =>
    b.edges.some((second) => segmentDistance(first, second) < wanted),
  );
  const corners = (of: Hull, faces: Hull) =>
    of.corners.some((corner) => faces.faces.some((face) => cornerToFace(corner, face) < wanted));
  return edges || corners(a, b) || corners(b, a);
}

/** Whether two solids on one board are at least `kerf` apart at every depth, within the tolerance; all in ticks. */
export function areApart(a: LyingSolid, b: LyingSolid, kerf: Ticks): boolean {
  const wanted = kerf - TOLERANCE;
  if (boundsApart(a, b) >= wanted) return true;
  const [ha, hb] = [hullOf(a), hullOf(b)];
  let widest = Number.NEGATIVE_INFINITY;
  for (const axis of separatingAxes(ha, hb)) {
    widest = Math.max(widest, separationAlong(axis, ha, hb));
    if (widest >= wanted) return true;
  }
  if (widest < 0) return kerf <= 0 && widest >= -TOLERANCE;
  return !isNearer(ha, hb, wanted);
}
