import type { Degrees } from '../measure/angle.js';
import type { Ticks } from '../measure/ticks.js';
import type { Vec3 } from '../solid/vector.js';
import type { Face, Point, Zone } from '../wood/board.js';

/** One copy of a panel where it stands in the box: corners rounded to the tick, faces anticlockwise from outside. */
export interface PanelInstance {
  solid: { vertices: readonly Vec3[]; faces: readonly (readonly number[])[] };
  outsideNormal: Vec3;
  /** The panel's own frame in box space: x is the grain, y = outsideNormal × x, the origin lies in the outside face. */
  frame: { origin: Vec3; x: Vec3 };
}

/** One edge of the outline, in order. */
export interface PanelEdge {
  from: number;
  to: number;
  /** Blade tilt, positive when the inside face reaches further out. */
  tilt: Degrees;
  /** Angle from square to the grain, 0 to 90; 0 for edges along the grain. */
  mitre: Degrees;
  length: Ticks;
}

/** Holes and grooves, in the panel's frame: width along y, height along x. */
export type Feature =
  | { kind: 'entrance'; shape: 'round'; centre: Point; diameter: Ticks; depth: 'through' }
  | { kind: 'entrance'; shape: 'oval'; centre: Point; width: Ticks; height: Ticks; depth: 'through' }
  | { kind: 'vent' | 'drain'; shape: 'round'; centre: Point; diameter: Ticks; depth: 'through' }
  | { kind: 'groove'; from: Point; to: Point; face: 'inside' | 'outside'; width: Ticks; depth: Ticks };

/** One different panel of the box. A mirror image is another panel. */
export interface Panel {
  id: string;
  role: string;
  thickness: Ticks;
  instances: readonly PanelInstance[];
  /** The outside face, anticlockwise as seen from outside. */
  outline: readonly Point[];
  /** The inside face in the same frame, corner for corner. */
  underside: readonly Point[];
  edges: readonly PanelEdge[];
  features: readonly Feature[];
  grain: 'along' | 'any';
  outside: Face | 'any';
  inside: Face | 'any';
  knots: 'none' | 'sound';
  clear: readonly Zone[];
  cutAway: readonly Zone[];
}

/** A room of the box. Heights run from the floor's upper face to the roof. */
export interface Cavity {
  origin: Vec3;
  width: Ticks;
  depth: Ticks;
  heightFront: Ticks;
  heightBack: Ticks;
  /** Lowest point of the entrance above the floor. */
  sill: Ticks;
}

export interface Joint {
  between: readonly [panel: string, panel: string];
  kind: 'butt';
}

/** Where a room is open on purpose. */
export interface Opening {
  kind: 'entrance' | 'crevice' | 'open-front' | 'vent-gap' | 'vent-hole' | 'drain';
  polygon: readonly Vec3[];
}

/** What a plan turns into. */
export interface PanelSet {
  cavities: readonly Cavity[];
  panels: readonly Panel[];
  joints: readonly Joint[];
  openings: readonly Opening[];
}
