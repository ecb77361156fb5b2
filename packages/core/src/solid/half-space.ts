import { dot, negate, unit, type Vec3 } from './vector.js';

/** All points p with normal · p ≤ offset. The normal has length 1 and points out of the wood; the offset is in ticks. */
export interface HalfSpace {
  normal: Vec3;
  offset: number;
}

/** The half-space behind the plane through `point`, where `normal` points out of it. */
export function behind(normal: Vec3, point: Vec3): HalfSpace {
  const direction = unit(normal);
  return { normal: direction, offset: dot(direction, point) };
}

/** The same plane seen from its other side. */
export const opposite = (space: HalfSpace): HalfSpace => ({
  normal: negate(space.normal),
  offset: -space.offset,
});

/** Signed distance of a point from the plane, in ticks; negative inside. */
export const distanceTo = (space: HalfSpace, point: Vec3): number =>
  dot(space.normal, point) - space.offset;

const AXES = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] } as const satisfies Record<string, Vec3>;
export type Axis = keyof typeof AXES;

/** All points with coordinate ≤ value. */
export const atMost = (axis: Axis, value: number): HalfSpace => ({
  normal: AXES[axis],
  offset: value,
});
/** All points with coordinate ≥ value. */
export const atLeast = (axis: Axis, value: number): HalfSpace => ({
  normal: negate(AXES[axis]),
  offset: -value,
});
/** The two half-spaces of low ≤ coordinate ≤ high. */
export const between = (axis: Axis, low: number, high: number): HalfSpace[] => [
  atLeast(axis, low),
  atMost(axis, high),
];
