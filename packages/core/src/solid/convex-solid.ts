import { at } from '../lists/index.js';
import { distanceTo, type HalfSpace, opposite } from './half-space.js';
import { add, cross, dot, scale, subtract, unit, type Vec3 } from './vector.js';

/** One flat face: its plane (normal outwards) and its corners, anticlockwise as seen from outside. */
export interface SolidFace {
  plane: HalfSpace;
  corners: readonly Vec3[];
}

/** A closed convex body, not rounded: rounding to ticks happens once, when a panel's vertices are made. */
export interface ConvexSolid {
  faces: readonly SolidFace[];
}

/** Larger than any box, in ticks (30 m). */
const WORLD = 1e7;
/** Distances below this many ticks are rounding of floating point, not geometry. */
const EPSILON = 1e-4;

function worldCube(): ConvexSolid {
  const faces: SolidFace[] = [];
  const axes: Vec3[] = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ];
  for (let axis = 0; axis < 3; axis += 1) {
    for (const sign of [1, -1]) {
      const normal = scale(at(axes, axis), sign);
      const u = at(axes, (axis + 1) % 3);
      const v = cross(normal, u);
      const corner = (a: number, b: number): Vec3 =>
        add(scale(normal, WORLD), add(scale(u, a * WORLD), scale(v, b * WORLD)));
      faces.push({
        plane: { normal, offset: WORLD },
        corners: [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)],
      });
    }
  }
  return { faces };
}

function withoutRepeats(corners: readonly Vec3[]): Vec3[] {
  const same = (a: Vec3, b: Vec3) =>
    Math.abs(a[0] - b[0]) < EPSILON &&
    Math.abs(a[1] - b[1]) < EPSILON &&
    Math.abs(a[2] - b[2]) < EPSILON;
  const kept: Vec3[] = [];
  for (const corner of corners) if (!kept.some((other) => same(other, corner))) kept.push(corner);
  return kept;
}

/** The part of a flat convex polygon inside the half-space, in the same order; fewer than three corners when nothing is left. */
export function clipFace(corners: readonly Vec3[], space: HalfSpace): Vec3[] {
  const kept: Vec3[] = [];
  corners.forEach((from, index) => {
    const to = at(corners, (index + 1) % corners.length);
    const before = distanceTo(space, from);
    const after = distanceTo(space, to);
    if (before <= EPSILON) kept.push(from);
    if ((before < -EPSILON && after > EPSILON) || (before > EPSILON && after < -EPSILON)) {
      kept.push(add(from, scale(subtract(to, from), before / (before - after))));
    }
  });
  return withoutRepeats(kept);
}

/** Corners on one plane put in order, anticlockwise seen from where the normal points. */
function inOrder(corners: readonly Vec3[], normal: Vec3): Vec3[] {
  const centre = scale(
    corners.reduce((sum, corner) => add(sum, corner), [0, 0, 0] as Vec3),
    1 / corners.length,
  );
  const u = unit(subtract(at(corners, 0), centre));
  const v = cross(normal, u);
  const angle = (corner: Vec3) =>
    Math.atan2(dot(subtract(corner, centre), v), dot(subtract(corner, centre), u));
  return [...corners].sort((a, b) => angle(a) - angle(b));
}

/** The part of the solid inside the half-space; null when nothing (or only a face, an edge or a corner) is left. */
export function clip(solid: ConvexSolid, space: HalfSpace): ConvexSolid | null {
  const everyCorner = solid.faces.flatMap((face) => face.corners);
  if (everyCorner.every((corner) => distanceTo(space, corner) <= EPSILON)) return solid;
  if (everyCorner.every((corner) => distanceTo(space, corner) >= -EPSILON)) return null;
  const faces: SolidFace[] = [];
  const onPlane: Vec3[] = [];
  for (const face of solid.faces) {
    const corners = clipFace(face.corners, space);
    onPlane.push(...corners.filter((corner) => Math.abs(distanceTo(space, corner)) <= EPSILON));
    if (
      corners.length >= 3 &&
      !corners.every((corner) => Math.abs(distanceTo(space, corner)) <= EPSILON)
    )
      faces.push({ plane: face.plane, corners });
  }
  const cap = withoutRepeats(onPlane);
  if (cap.length >= 3) faces.push({ plane: space, corners: inOrder(cap, space.normal) });
  return { faces };
}

/** The solid inside every half-space; null when they leave none. */
export function solidInside(spaces: readonly HalfSpace[]): ConvexSolid | null {
  let solid: ConvexSolid | null = worldCube();
  for (const space of spaces) solid = solid && clip(solid, space);
  return solid;
}

/** Corners without repeats. */
export const cornersOf = (solid: ConvexSolid): Vec3[] =>
  withoutRepeats(solid.faces.flatMap((face) => face.corners));

/** Volume in cubic ticks. */
export function volumeOf(solid: ConvexSolid): number {
  const apex = at(at(solid.faces, 0).corners, 0);
  let sixfold = 0;
  for (const { corners } of solid.faces) {
    for (let i = 1; i + 1 < corners.length; i += 1) {
      sixfold += dot(
        subtract(at(corners, 0), apex),
        cross(subtract(at(corners, i), apex), subtract(at(corners, i + 1), apex)),
      );
    }
  }
  return sixfold / 6;
}

/** A flat polygon’s normal, twice as long as its area is large: outwards where its corners run anticlockwise from outside. */
export function areaVector(corners: readonly Vec3[]): Vec3 {
  let sum: Vec3 = [0, 0, 0];
  for (let i = 1; i + 1 < corners.length; i += 1) {
    sum = add(
      sum,
      cross(subtract(at(corners, i), at(corners, 0)), subtract(at(corners, i + 1), at(corners, 0))),
    );
  }
  return sum;
}

/** Area of a face in square ticks. */
export const faceArea = (corners: readonly Vec3[]): number =>
  Math.hypot(...areaVector(corners)) / 2;

/** What two solids have in common; null when they only touch or are apart. */
export function common(a: ConvexSolid, b: ConvexSolid): ConvexSolid | null {
  // Most pairs are apart, and one face of the second says so: nothing is clipped for them.
  const apart = ({ plane }: SolidFace) =>
    a.faces.every(({ corners }) =>
      corners.every((corner) => distanceTo(plane, corner) >= -EPSILON),
    );
  if (b.faces.some(apart)) return null;
  let rest: ConvexSolid | null = a;
  for (const face of b.faces) rest = rest && clip(rest, face.plane);
  return rest;
}

/** Corners rounded to the tick turn a narrow face by up to this much (1 − cosine). */
const TURNED_BY_ROUNDING = 1e-6;

/** Where two solids lie face to face: corners in order, and the normal that points out of the first. */
export interface Contact {
  corners: readonly Vec3[];
  normal: Vec3;
}

/** The regions in which two solids lie face to face, planes no further apart than `gap` ticks (0.1 mm, far less than a kerf). */
export function contactsOf(a: ConvexSolid, b: ConvexSolid, gap = 32): Contact[] {
  const found: Contact[] = [];
  for (const face of a.faces) {
    for (const other of b.faces) {
      if (dot(face.plane.normal, other.plane.normal) > -1 + TURNED_BY_ROUNDING) continue;
      let corners: Vec3[] = [...face.corners];
      for (const side of b.faces)
        if (side !== other && corners.length >= 3) corners = clipFace(corners, side.plane);
      // Judged where they meet: a plane read off rounded corners of a narrow face strays far from there.
      if (
        corners.length >= 3 &&
        corners.every((corner) => Math.abs(distanceTo(other.plane, corner)) <= gap)
      )
        found.push({ corners, normal: face.plane.normal });
    }
  }
  return found;
}

/** Area in square ticks in which two solids lie face to face. */
export const sharedFaceArea = (a: ConvexSolid, b: ConvexSolid, gap = 32): number =>
  contactsOf(a, b, gap).reduce((sum, contact) => sum + faceArea(contact.corners), 0);

/** Where a line enters and leaves what lies behind some planes, measured from a point along a direction of length 1; null where it misses. */
export function chordThrough(
  planes: readonly HalfSpace[],
  from: Vec3,
  direction: Vec3,
): readonly [enter: number, leave: number] | null {
  let [enter, leave] = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
  for (const plane of planes) {
    const rate = dot(plane.normal, direction);
    const distance = distanceTo(plane, from);
    if (Math.abs(rate) < 1e-9) {
      if (distance > EPSILON) return null;
    } else if (rate > 0) leave = Math.min(leave, -distance / rate);
    else enter = Math.max(enter, -distance / rate);
  }
  return leave > enter ? [enter, leave] : null;
}

/** How far a ray from `from` along `direction` (length 1) runs inside the solid, in ticks; 0 when it misses. */
export function depthAlong(solid: ConvexSolid, from: Vec3, direction: Vec3): number {
  const chord = chordThrough(
    solid.faces.map(({ plane }) => plane),
    from,
    direction,
  );
  return chord ? Math.max(0, chord[1] - Math.max(0, chord[0])) : 0;
}

/** The solid's cross-section with a plane, in order, seen from where the normal points; empty when the plane misses it. */
export function sectionOf(solid: ConvexSolid, plane: HalfSpace): readonly Vec3[] {
  const half = clip(solid, plane);
  const cap = half && half !== solid ? half.faces.find((face) => face.plane === plane) : undefined;
  if (cap) return cap.corners;
  return (
    solid.faces.find(
      (face) =>
        dot(face.plane.normal, opposite(plane).normal) > 1 - 1e-9 &&
        Math.abs(face.plane.offset + plane.offset) < EPSILON,
    )?.corners ?? []
  );
}
