import type { Cents, Degrees, Ticks } from '../measure/index.js';
import type { Point, Turn, Zone } from '../plane/index.js';
import type { Defect, Face } from '../wood/index.js';

/** What the shop's saw can do. Lengths in ticks, angles in degrees. */
export interface Saw {
  /** Width that one cut removes, square to the cut's plane. */
  kerf: Ticks;
  /** False: only cuts across the board's length. */
  rip: boolean;
  /** True: every cut runs edge to edge of the piece in hand. */
  throughCuts: boolean;
  maxMitre: Degrees;
  maxTilt: Degrees;
  /** Cut off each end of every board before use. */
  endTrim: Ticks;
  /** A leftover rectangle this big goes back to the rack; length along the board. */
  keep: { length: Ticks; width: Ticks };
  /** Shortest piece held by hand at the saw; the usual where the shop says nothing. */
  handMin?: Ticks;
}

/** A panel to be cut, so many times. Polygons are convex and anticlockwise, x along the grain, as seen from the outside face. */
export interface Part {
  id: string;
  quantity: number;
  /** Copies in one box, where it is known; no file tells it. */
  perBox?: number;
  thickness: Ticks;
  outline: readonly Point[];
  /** Inside face, corner for corner. */
  underside: readonly Point[];
  grain: 'along' | 'any';
  outside: Face | 'any';
  inside: Face | 'any';
  knots: 'none' | 'sound';
  clear: readonly Zone[];
  cutAway: readonly Zone[];
  /** Null: any material. */
  materials: readonly string[] | null;
}

/** Boards that are alike, seen from face A: x along the length, y across. */
export interface Stock {
  id: string;
  quantity: number;
  material: string;
  thickness: Ticks;
  width: Ticks;
  length: Ticks;
  faceA: Face;
  faceB: Face;
  /** Null: no price; an offcut then costs nothing, and neither does a board. */
  price: Cents | null;
  offcut: boolean;
  grained: boolean;
  defects: readonly Defect[];
  /** Strips of this kind narrower than this are not worth keeping, even if the saw's least is less. */
  keepWidth?: Ticks;
  /** Cut off each end of these, in place of the saw's. */
  endTrim?: Ticks;
  /** Where it comes from, for what is left of a board that is being sawn: the piece, and the rectangle in its board's frame. */
  from?: { piece: string; rect: readonly [x: Ticks, y: Ticks, length: Ticks, width: Ticks] };
}

/**
 * Where a copy of a part lies. A flipped part is first mirrored (x → −x) and lies with its outside on face B; then it is turned
 * anticlockwise; then moved so that the lower-left corner of the bounding box of both its faces is at (x, y).
 */
export interface Placement {
  part: string;
  copy: number;
  x: Ticks;
  y: Ticks;
  turn: Turn;
  flipped: boolean;
}

export interface PinnedPlacement extends Placement {
  stock: string;
  piece: number;
}

export interface LayoutJob {
  name: string;
  saw: Saw;
  parts: readonly Part[];
  stock: readonly Stock[];
  /** Placements fixed by hand; they come back unchanged. */
  pinned: readonly PinnedPlacement[];
  /** Pieces of half-sawn boards that still hold parts, which are therefore not asked for: `board:piece`. */
  kept?: readonly string[];
  /** Seconds the search may take. */
  effort: { seconds: number };
}

/** A part goes on a board when their thicknesses differ by no more than this: half a millimetre. */
export const THICKNESS_LEEWAY: Ticks = 160;
/** Without a rip a part must reach both long edges to within half a millimetre. */
export const EDGE_LEEWAY: Ticks = 160;

/** What is cut off each end of a board before use. */
export const endTrimOf = (stock: Pick<Stock, 'endTrim'>, saw: Pick<Saw, 'endTrim'>): Ticks =>
  stock.endTrim ?? saw.endTrim;

export const priceOf = (stock: Stock): Cents => stock.price ?? 0;

/** Whether a board's thickness and material suit a part. */
export const suits = (part: Pick<Part, 'thickness' | 'materials'>, stock: Stock): boolean =>
  Math.abs(part.thickness - stock.thickness) <= THICKNESS_LEEWAY &&
  (part.materials === null || part.materials.includes(stock.material));
