import type { Saw } from '../../job/index.js';
import type { Ticks } from '../../measure/index.js';
import { boundsOf } from '../../plane/index.js';
import { cutAlongEdge, kerfOnFace, reachOf, type SawCut, type Wood } from './saw-cut.js';
import { isWithin } from './saw-limits.js';

/** What is to come out of a board: a part, or an offcut worth keeping, which only has to stay whole. */
export interface Target {
  wood: Wood;
  part: { readonly id: string; readonly copy: number } | null;
}

/** The shop's saw and the thickness of the board, in ticks. */
export interface Sawing {
  saw: Saw;
  depth: Ticks;
}

/** A target with the cuts that make its edges; apart from them those that no setting of the saw makes, and the board's own edges where nothing is ripped. */
export interface Wanted {
  target: Target;
  edges: readonly SawCut[];
  others: readonly SawCut[];
  /** The middle of the rectangle round both faces, and half its sides. */
  box: readonly [x: number, y: number, halfX: number, halfY: number];
}

/** A cut that could be made in a piece of wood: which targets come to lie on which side. */
export interface Candidate {
  cut: SawCut;
  left: readonly Wanted[];
  right: readonly Wanted[];
}

/** An edge is made when no more than this is left beyond it: 0.03 mm. */
const FLUSH: Ticks = 10;
/** Two corners rounded apart may meet a cut by this much: 0.02 mm. */
const SLACK: Ticks = 6;
/** Half a millimetre: without a rip a part's long edge may be the board's own. */
const OWN_EDGE: Ticks = 160;

export function wantedOf(target: Target, { saw, depth }: Sawing): Wanted {
  const cuts = target.wood.faceA.flatMap(
    (_corner, index) => cutAlongEdge(target.wood, index) ?? [],
  );
  const can = (cut: SawCut) => isWithin(cut, depth, saw) && !isLong(cut, saw);
  const { faceA, faceB } = target.wood;
  const [left, bottom, right, top] = boundsOf(faceA === faceB ? faceA : [...faceA, ...faceB]);
  return {
    target,
    box: [(left + right) / 2, (bottom + top) / 2, (right - left) / 2, (top - bottom) / 2],
    edges: cuts.filter(can),
    others: cuts.filter((cut) => !can(cut)),
  };
}

/** An edge along the board where nothing is ripped. */
const isLong = ({ along }: SawCut, saw: Saw): boolean => !saw.rip && Math.abs(along[1]) < 1e-6;

/** Whether there is nothing left to cut off at an edge. */
export function isMade(cut: SawCut, wood: Wood, saw: Saw): boolean {
  const beyond = -reachOf(cut, wood)[0];
  return beyond <= (isLong(cut, saw) ? OWN_EDGE : FLUSH);
}

/** Positive for what lies to the left of a cut, negative for what lies beyond its kerf; null for what it would go through. */
function sideOf(cut: SawCut, { target, box }: Wanted, width: number): 1 | -1 | null {
  const [x, y, halfX, halfY] = box;
  const { point, along, shift } = cut;
  const middle = along[0] * (y - point[1]) - along[1] * (x - point[0]);
  const half = Math.abs(along[1]) * halfX + Math.abs(along[0]) * halfY;
  // The rectangle round it tells most of them.
  if (middle - half - Math.max(0, shift) >= 0) return 1;
  if (middle + half - Math.min(0, shift) <= -width) return -1;
  const [least, most] = reachOf(cut, target.wood);
  if (least >= -SLACK) return 1;
  return most <= SLACK - width ? -1 : null;
}

/** A cut as it parts the targets of a piece; null where it would go through one of them. */
export function partedBy(
  cut: SawCut,
  all: readonly Wanted[],
  { saw, depth }: Sawing,
): Candidate | null {
  const width = kerfOnFace(cut, saw.kerf, depth);
  const left: Wanted[] = [];
  const right: Wanted[] = [];
  for (const each of all) {
    const side = sideOf(cut, each, width);
    if (side === null) return null;
    if (side > 0) left.push(each);
    else right.push(each);
  }
  return { cut, left, right };
}
