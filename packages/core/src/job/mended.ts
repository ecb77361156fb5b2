import type { PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { pieceOf, type ReadyPieces } from './ready.js';

/** A box that is mended: which of its panels are made anew, and how many copies of each. */
export interface MendedBox {
  /** As it stands on its label. */
  number: number;
  panels: readonly { panel: string; count: number }[];
}

/** How many copies of each panel are made anew for all of the boxes. */
export function newCopies(mends: readonly MendedBox[]): Map<string, number> {
  const copies = new Map<string, number>();
  for (const { panels } of mends)
    for (const { panel, count } of panels) copies.set(panel, (copies.get(panel) ?? 0) + count);
  return copies;
}

/**
 * What of boxes that are mended stays on them: pieces that lie ready, each as the panel that it is. With them as many boxes of the plan as
 * are mended ask for the broken panels alone.
 *
 * @example partsFor(plan, box, mends.length, soundPieces(plan, box, mends))
 */
export function soundPieces(
  plan: BoxPlan,
  box: PanelSet,
  mends: readonly MendedBox[],
): (ReadyPieces & { panel: string })[] {
  const broken = newCopies(mends);
  return box.panels.flatMap((panel) => {
    const count = mends.length * panel.instances.length - (broken.get(panel.id) ?? 0);
    return count > 0 ? [{ piece: pieceOf(plan, panel), panel: panel.id, count }] : [];
  });
}
