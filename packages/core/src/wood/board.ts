import type { Cents, Ticks } from '../measure/index.js';
import { type Zone, zoneBounds } from '../plane/index.js';
import type { WoodFacts } from './facts.js';

export type Face = 'rough' | 'planed';

export const DEFECT_KINDS = [
  'knot-sound',
  'knot-loose',
  'hole',
  'nail',
  'split',
  'rot',
  'wane',
] as const;
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
export interface BoardKind extends WoodFacts {
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
  /** How thick it was before it was planed in the shop, and how that was done. */
  planed?: { from: Ticks; by: 'hand' | 'machine' };
}

/** Every defect but a sound knot must be cut away. */
export const mustBeCutAway = (kind: DefectKind): boolean => kind !== 'knot-sound';

/** Whether a defect lies at least partly on a board of this size. */
export function liesOnBoard(zone: Zone, length: Ticks, width: Ticks): boolean {
  const [left, bottom, right, top] = zoneBounds(zone);
  return left < length && right > 0 && bottom < width && top > 0;
}
