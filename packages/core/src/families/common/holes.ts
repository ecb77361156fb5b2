import type { Ticks } from '../../measure/index.js';
import { type Draft, type Feature, type Opening, rim } from '../../panels/index.js';
import type { Vec3 } from '../../solid/index.js';

type ToFrame = Parameters<NonNullable<Draft['features']>>[0];

/** Round holes through a panel, as its features. */
export const roundHoles = (
  kind: 'vent' | 'drain',
  holes: readonly Vec3[],
  diameter: Ticks,
  toFrame: ToFrame,
): Feature[] =>
  holes.map((hole) => ({
    kind,
    shape: 'round',
    centre: toFrame(hole),
    diameter,
    depth: 'through',
  }));

/** The same holes as what is open, in the plane of `u` and `v`. */
export const roundOpenings = (
  kind: 'vent-hole' | 'drain',
  holes: readonly Vec3[],
  diameter: Ticks,
  [u, v]: readonly [Vec3, Vec3],
): Opening[] =>
  holes.map((hole) => ({ kind, polygon: rim('round', hole, u, v, diameter, diameter) }));

/** Planes of holes: in a wall across the box, in a wall from front to back, in a floor. */
export const ACROSS: readonly [Vec3, Vec3] = [
  [1, 0, 0],
  [0, 0, 1],
];
export const FRONT_TO_BACK: readonly [Vec3, Vec3] = [
  [0, 1, 0],
  [0, 0, 1],
];
export const LEVEL: readonly [Vec3, Vec3] = [
  [1, 0, 0],
  [0, 1, 0],
];
