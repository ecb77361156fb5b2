import { cos, sin } from '../../measure/index.js';
import { type Feature, LATCH, PIVOT } from '../../panels/index.js';
import type { Point } from '../../plane/index.js';
import type { Vec3 } from '../../solid/index.js';
import { type Frame, lowEdge, roofAt } from './frame.js';

/** A nail through a wall's outside. */
interface Nail {
  panel: string;
  kind: 'pivot' | 'latch';
  at: Vec3;
  /** Horizontal direction into the box. */
  inwards: Vec3;
}
export type Nails = readonly Nail[];

/** Pivots opposite each other and the latch, through the walls that hold the one that swings; null where none does. */
export function nailsOf(frame: Frame): Nails | null {
  const { swing, t, bottom } = frame;
  if (!swing) return null;
  const half = frame.width / 2;
  const latchZ = bottom + LATCH.above;
  if (swing.wall === 'front') {
    const z = roofAt(frame, -t.front) - frame.gapOverFront - swing.below;
    const y = -t.front / 2;
    return [
      { panel: 'side-left', kind: 'pivot', at: [-half, y, z], inwards: [1, 0, 0] },
      { panel: 'side-right', kind: 'pivot', at: [half, y, z], inwards: [-1, 0, 0] },
      { panel: 'side-right', kind: 'latch', at: [half + t.right, y, latchZ], inwards: [-1, 0, 0] },
    ];
  }
  const z = roofAt(frame, lowEdge(frame)) - swing.gap - swing.below;
  const x = swing.wall === 'side-left' ? -half - t.left / 2 : half + t.right / 2;
  const back = frame.depth + t.back;
  return [
    { panel: 'front', kind: 'pivot', at: [x, -t.front, z], inwards: [0, 1, 0] },
    { panel: 'front', kind: 'latch', at: [x, -t.front, latchZ], inwards: [0, 1, 0] },
    { panel: 'back', kind: 'pivot', at: [x, back, z], inwards: [0, -1, 0] },
  ];
}

function nailFeature({ kind, at, inwards }: Nail, toFrame: (point: Vec3) => Point): Feature {
  const centre = toFrame(at);
  if (kind === 'pivot') return { kind, shape: 'round', centre, diameter: PIVOT, depth: 'through' };
  const level = cos(LATCH.slope);
  return {
    kind,
    shape: 'round',
    centre,
    diameter: LATCH.diameter,
    depth: 'through',
    axis: [inwards[0] * level, inwards[1] * level, -sin(LATCH.slope)],
  };
}

/** The nails through one panel, as its features. */
export const nailFeatures = (
  nails: Nails | null,
  panel: string,
  toFrame: (point: Vec3) => Point,
): Feature[] =>
  (nails ?? []).filter((nail) => nail.panel === panel).map((nail) => nailFeature(nail, toFrame));
