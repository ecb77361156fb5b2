import type { Degrees, Ticks } from '../measure/index.js';
import type { HoleShape } from '../plan/index.js';
import type { Point, Zone } from '../plane/index.js';
import type { Vec3 } from '../solid/index.js';
import type { Face } from '../wood/index.js';

/** One copy of a panel where it stands in the box: corners rounded to the tick, faces anticlockwise from outside. */
export interface PanelInstance {
  solid: { vertices: readonly Vec3[]; faces: readonly (readonly number[])[] };
  outsideNormal: Vec3;
  /** The panel's own frame in box space: x is the grain, y = outsideNormal × x, the origin lies in the outside face. */
  frame: { origin: Vec3; x: Vec3 };
}

/** Which copy of which panel, numbered from 0. */
export interface PanelCopy {
  panel: string;
  instance: number;
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

export type HoleKind = 'entrance' | 'vent' | 'drain' | 'pivot' | 'latch' | 'pilot' | 'mount';

/**
 * Holes, grooves and mesh, in the panel's frame: width along y, height along x. An oval is two half circles and the rectangle between,
 * an arch a rectangle with a half circle at its upper (greater x) end. `axis` is the direction of a hole that is not square to the face.
 */
export type Feature =
  | {
      kind: HoleKind;
      shape: 'round';
      centre: Point;
      diameter: Ticks;
      depth: 'through' | Ticks;
      axis?: Vec3;
      /** A pilot of a screw: in this panel it is opened to so much, so that the screw draws the joint together. */
      clearance?: Ticks;
      /** What is driven through a pilot, and the face that its head lies on. */
      fastener?: string;
      face?: 'inside' | 'outside';
      /** A pilot’s head sits in a wider hole: so wide, so deep. */
      counterbore?: Ticks;
      counterboreDepth?: Ticks;
    }
  | {
      kind: 'entrance' | 'vent';
      shape: HoleShape;
      centre: Point;
      width: Ticks;
      height: Ticks;
      depth: 'through';
    }
  | {
      kind: 'groove';
      /** grip: to climb by; dado: takes the edge of another panel; notch: takes a stick; drip: lets rain fall off; niche: to roost in. */
      purpose: 'grip' | 'dado' | 'notch' | 'drip' | 'niche';
      from: Point;
      to: Point;
      face: 'inside' | 'outside';
      width: Ticks;
      depth: Ticks;
      /** How far the groove leans from square to the face, in degrees, towards greater x. */
      tilt?: Degrees;
    }
  | { kind: 'mesh'; corner: Point; width: Ticks; height: Ticks; face: 'inside' | 'outside' };

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
  /** Split or sawn off a round, with its bark side: outline and underside are its blank, and no board carries it. */
  fromLog?: true;
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
  /** Height of the ridge over the floor, where two slopes meet over the room; heights at front and back are then to the eaves. */
  ridge?: Ticks;
}

/**
 * How two panels that share a face are held: butt (fastened, glued if the plan says so), screwed (screws alone, comes off), loose
 * (touches, not fastened), hinged (butt hinges), strip (a rubber strip is joint cover and hinge), let-in (sits in a groove of the
 * other), glued (edge to edge).
 */
export type JointKind = 'butt' | 'screwed' | 'loose' | 'hinged' | 'strip' | 'let-in' | 'glued';

export interface Joint {
  between: readonly [panel: string, panel: string];
  /** Which copy of each, numbered from 0. */
  copies: readonly [number, number];
  kind: JointKind;
  /** Length and area of what touches. */
  contact: { length: Ticks; area: number };
  fastening: Fastening | null;
}

/** Fasteners of a joint: which is the longest, how many, how long, how deep they bite. */
export interface Fastening {
  fastener: string;
  count: number;
  length: Ticks;
  /** Diameter of the hole in the second panel. */
  pilot: Ticks;
  /** Diameter of the hole in the panel that it is driven through; null for nails, which need none. */
  clearance: Ticks | null;
  bite: Ticks;
  enough: boolean;
}

export type OpeningKind =
  | 'entrance'
  | 'crevice'
  | 'open-front'
  | 'passage'
  | 'vent-gap'
  | 'vent-hole'
  | 'drain'
  | 'play'
  | 'slit';

/** Where a room is open on purpose. */
export interface Opening {
  kind: OpeningKind;
  polygon: readonly Vec3[];
}

/** What is bought and goes into the box as it is. Lengths in ticks. */
export type Fitting =
  | { kind: 'pipe'; from: Vec3; to: Vec3; bore: Ticks; outside: Ticks }
  | { kind: 'eye'; at: Vec3 };

/** What a plan turns into. */
export interface PanelSet {
  cavities: readonly Cavity[];
  panels: readonly Panel[];
  joints: readonly Joint[];
  openings: readonly Opening[];
  fittings?: readonly Fitting[];
}
