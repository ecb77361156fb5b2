import { largestClear } from '../cuts/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import type { Panel } from '../panels/index.js';
import type { Bounds } from '../plane/index.js';

/** A straight piece of wood out of a panel. Lengths in ticks. */
export interface PanelWood {
  thickness: Ticks;
  /** Along the grain. */
  length: Ticks;
  width: Ticks;
}

/** Narrower than this is kindling. Common practice, no source. */
const LEAST = fromMm(40);

/**
 * The largest straight piece that a panel still holds on both faces, along its grain and clear of what is cut through it; null where it is
 * too narrow to be of use, or was split off a log.
 *
 * @param cuts what is cut through it, in the panel's own frame
 */
export function woodOfPanel(
  { outline, underside, thickness, fromLog }: Panel,
  cuts: readonly Bounds[],
): PanelWood | null {
  if (fromLog) return null;
  const rect = largestClear({ faceA: outline, faceB: underside }, cuts, LEAST);
  return rect && { thickness, length: rect[2], width: rect[3] };
}
