import type { Degrees, Ticks } from '../../measure/index.js';
import type { HoleShape } from '../../plan/index.js';
import type { Point } from '../../plane/index.js';
import type { Vec3 } from '../../solid/index.js';

export const HOLE_USES = [
  'entrance',
  'vent',
  'drain',
  'pivot',
  'latch',
  'pilot',
  'clearance',
  'counterbore',
  'insert',
  'mount',
  'hinge',
] as const;
export type HoleUse = (typeof HOLE_USES)[number];

/** Where a hole is bored: into a broad face, or into an edge of the outline by its index. */
export type BoredFace = 'outside' | 'inside' | { edge: number };

/** A square distance from something real: an edge of the face that it is bored in; along an edge from its corner; from a face. */
export type FromEdge =
  | { edge: number; distance: Ticks }
  | { corner: number; distance: Ticks }
  | { face: 'outside'; distance: Ticks };

export type HoleSize =
  | { shape: 'round'; diameter: Ticks }
  | { shape: HoleShape; width: Ticks; height: Ticks };

/** One hole of one copy of a panel. Lengths in ticks. */
export interface Hole {
  panel: string;
  instance: number;
  for: HoleUse;
  face: BoredFace;
  /** In the panel’s frame; in an edge: along it from its first corner, and square from the outside face. */
  at: Point;
  size: HoleSize;
  depth: 'through' | Ticks;
  /** In box space, from where the bit enters into the wood, of length 1. */
  axis: Vec3;
  /** Where the bit enters, in box space. */
  point: Vec3;
  from: readonly [FromEdge, FromEdge];
  /** Angle between the bit and square to the face. */
  lean: Degrees;
  /** Panels that have a hole in line with this one. */
  drillWith: readonly string[];
  /** Wood between its rim and the nearest edge of its face. */
  cover: Ticks;
  /** What is driven into it. */
  fastener?: string;
  /** A screw’s head sinks so wide into the face. */
  countersink?: Ticks;
}
