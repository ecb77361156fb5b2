import { sum } from '../lists/index.js';
import { type Panel, type PanelSet, pieceKey } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';

/** Panels that lie ready and need not be sawn: so many pieces of one key. */
export interface ReadyPieces {
  piece: string;
  count: number;
  /** The panel that they are for already, where they stand on their boxes; others serve whichever panel is alike. */
  panel?: string | null;
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
  const pieces = box.panels.map((panel) => ({ panel, piece: pieceOf(plan, panel) }));
  const use = ({ panel, piece }: (typeof pieces)[number], most: number) => {
    const before = copies.get(panel.id) ?? 0;
    const used = Math.min(most, left.get(piece) ?? 0, boxes * panel.instances.length - before);
    if (used <= 0) return;
    copies.set(panel.id, before + used);
    left.set(piece, (left.get(piece) ?? 0) - used);
  };
  for (const each of pieces)
    use(
      each,
      sum(
        ready.flatMap(({ piece, panel, count }) =>
          panel === each.panel.id && piece === each.piece ? [count] : [],
        ),
      ),
    );
  for (const each of pieces) use(each, Number.POSITIVE_INFINITY);
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
