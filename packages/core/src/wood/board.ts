import type { Cents } from '../measure/money.js';
import type { Ticks } from '../measure/ticks.js';

/** A point on a board's or a part's face: x along the grain, y across, in ticks. */
export type Point = readonly [x: Ticks, y: Ticks];

/** A flat region on a face. A rectangle is given by its lower-left corner and its size. Polygons are convex. */
export type Zone =
  | { kind: 'circle'; centre: Point; radius: Ticks }
  | { kind: 'rect'; corner: Point; width: Ticks; height: Ticks }
  | { kind: 'polygon'; points: readonly Point[] };

export type Face = 'rough' | 'planed';

export const DEFECT_KINDS = ['knot-sound', 'knot-loose', 'hole', 'nail', 'split', 'rot', 'wane'] as const;
export type DefectKind = (typeof DEFECT_KINDS)[number];

export const DEFECT_NAMES: Record<DefectKind, string> = {
  'knot-sound': 'sound knot',
  'knot-loose': 'loose knot',
  hole: 'hole',
  nail: 'nail',
  split: 'split',
  rot: 'rot',
  wane: 'wane',
};

/** Something wrong with a board, through its whole thickness, seen from face A. */
export interface Defect {
  kind: DefectKind;
  zone: Zone;
}

/** Boards that are alike, as they lie on the rack. All lengths in ticks, measured, not nominal. */
export interface BoardKind {
  material: string;
  thickness: Ticks;
  width: Ticks;
  length: Ticks;
  faceA: Face;
  faceB: Face;
  /** Price of one board; null when nothing was paid or nobody knows. */
  price: Cents | null;
  offcut: boolean;
  /** False for sheet goods, on which a part's grain direction does not bind. */
  grained: boolean;
  defects: readonly Defect[];
}

/** Every defect but a sound knot must be cut away. */
export const mustBeCutAway = (kind: DefectKind): boolean => kind !== 'knot-sound';

/** Smallest upright rectangle round a zone: `[least x, least y, greatest x, greatest y]`. */
export function zoneBounds(zone: Zone): readonly [Ticks, Ticks, Ticks, Ticks] {
  if (zone.kind === 'circle') {
    const [x, y] = zone.centre;
    return [x - zone.radius, y - zone.radius, x + zone.radius, y + zone.radius];
  }
  if (zone.kind === 'rect') {
    const [x, y] = zone.corner;
    return [x, y, x + zone.width, y + zone.height];
  }
  const xs = zone.points.map((point) => point[0]);
  const ys = zone.points.map((point) => point[1]);
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
}

/** The zone moved by (dx, dy). */
export function moveZone(zone: Zone, dx: Ticks, dy: Ticks): Zone {
  const move = ([x, y]: Point): Point => [x + dx, y + dy];
  if (zone.kind === 'circle') return { ...zone, centre: move(zone.centre) };
  if (zone.kind === 'rect') return { ...zone, corner: move(zone.corner) };
  return { ...zone, points: zone.points.map(move) };
}

/** Whether a defect lies at least partly on a board of this size. */
export function liesOnBoard(zone: Zone, length: Ticks, width: Ticks): boolean {
  const [left, bottom, right, top] = zoneBounds(zone);
  return left < length && right > 0 && bottom < width && top > 0;
}
