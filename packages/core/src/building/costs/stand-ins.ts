import {
  FASTENERS,
  type Fastener,
  fastenerById,
  fitsJoint,
  type PanelSet,
} from '../../panels/index.js';
import { bodiesOf } from '../bodies.js';
import { drivenFasteners } from '../driven.js';
import type { Supply } from './supplies.js';

/** A fastener of the shop that would do in place of another, and how many there are. */
export interface StandIn {
  fastener: Fastener;
  count: number;
}

/**
 * Fasteners that the shop has enough of and that would hold every joint that another holds: of its kind, no thicker, the point inside the
 * wood, six diameters deep. The nearest in length first.
 */
export function standIns(
  wanted: string,
  count: number,
  box: PanelSet,
  supplies: readonly Supply[],
): StandIn[] {
  const own = fastenerById(wanted);
  const joints = drivenFasteners(box, bodiesOf(box)).filter(
    ({ fastener }) => fastener.id === wanted,
  );
  if (!own || joints.length === 0) return [];
  const there = new Map(supplies.map((supply) => [supply.item, supply.count]));
  return FASTENERS.filter(
    (each) =>
      each.id !== wanted &&
      each.kind === own.kind &&
      each.diameter <= own.diameter &&
      (there.get(each.id) ?? 0) >= count &&
      joints.every(({ thick, behind }) => fitsJoint(each, thick, behind)?.enough === true),
  )
    .sort((a, b) => Math.abs(a.length - own.length) - Math.abs(b.length - own.length))
    .map((fastener) => ({ fastener, count: there.get(fastener.id) ?? 0 }));
}
