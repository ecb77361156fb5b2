import { type Panel, type PanelSet, pieceKey } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';

/** Panels that lie ready and need not be sawn: so many pieces of one key. */
export interface ReadyPieces {
  piece: string;
  count: number;
}

/** The key of a panel of a plan: one that is glued up of two sheets is another piece than one of a board. */
export const pieceOf = (plan: BoxPlan, panel: Panel): string =>
  pieceKey(panel, plan.wood[panel.role]?.layers ? 2 : 1);

/**
 * How many copies of each panel, by its id, need not be sawn for so many boxes, and what of the pieces is of no use to them: the box has
 * changed since they were set aside, or there are more than it needs.
 */
export function readyCopies(
  plan: BoxPlan,
  box: PanelSet,
  boxes: number,
  ready: readonly ReadyPieces[],
): { copies: ReadonlyMap<string, number>; left: ReadonlyMap<string, number> } {
  const left = new Map<string, number>();
  for (const { piece, count } of ready) left.set(piece, (left.get(piece) ?? 0) + count);
  const copies = new Map<string, number>();
  if (ready.length === 0) return { copies, left };
  for (const panel of box.panels) {
    const piece = pieceOf(plan, panel);
    const used = Math.min(left.get(piece) ?? 0, boxes * panel.instances.length);
    if (used === 0) continue;
    copies.set(panel.id, used);
    left.set(piece, (left.get(piece) ?? 0) - used);
  }
  return { copies, left };
}

/** The panel that a sheet of two is half of. */
const wholeOf = (sheet: string): string => sheet.replace(/\.(outer|inner)$/, '');

/** How many copies of a panel, or of a sheet of one, are sawn for so many boxes beside what lies ready. */
export function sawnCopies(
  plan: BoxPlan,
  box: PanelSet,
  boxes: number,
  ready: readonly ReadyPieces[],
): (panel: Pick<Panel, 'id' | 'instances'>) => number {
  const { copies } = readyCopies(plan, box, boxes, ready);
  return ({ id, instances }) => boxes * instances.length - (copies.get(wholeOf(id)) ?? 0);
}
