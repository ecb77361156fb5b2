import { THICKNESS_LEEWAY } from '../job/index.js';
import type { Ticks } from '../measure/index.js';
import { type PanelWood, panelWoodOf } from '../plan/index.js';
import { isSheet, woodRefused } from '../wood/index.js';
import type { BoardsAtHand } from './find-wood.js';

/** Sticks out of a wider board, ripped side by side. */
export interface RippedSticks<B extends BoardsAtHand> {
  board: B;
  /** Sticks from one board's width, and the kerfs between and beside them. */
  sticks: number;
  kerfs: number;
  /** The wood of the role when they are taken. */
  wood: PanelWood;
}

/** How many strips so wide come out of a width, a kerf between them, and how many cuts that takes. */
function strips(width: Ticks, strip: Ticks, kerf: Ticks): { sticks: number; kerfs: number } {
  const sticks = Math.floor((width + kerf) / (strip + kerf));
  const rest = width - sticks * strip - Math.max(0, sticks - 1) * kerf;
  return { sticks, kerfs: Math.max(0, sticks - 1) + (sticks > 0 && rest > 0 ? 1 : 0) };
}

/**
 * Boards that sticks of a cross-section can be ripped from: as thick as the stick is one way, and wider than it is the other. The most
 * sticks a board first. Lengths in ticks.
 *
 * @example ripSticks({ thickness, width }, rack, saw.kerf)
 */
export function ripSticks<B extends BoardsAtHand>(
  { thickness, width }: { thickness: Ticks; width: Ticks },
  boards: readonly B[],
  kerf: Ticks,
): RippedSticks<B>[] {
  const sections =
    thickness === width
      ? [[thickness, width]]
      : [
          [thickness, width],
          [width, thickness],
        ];
  const found = boards
    .filter((board) => board.quantity > 0 && !isSheet(board.material) && !woodRefused(board))
    .flatMap((board) =>
      sections.flatMap(([thick = 0, wide = 0]): RippedSticks<B>[] => {
        const isAsThick = Math.abs(board.thickness - thick) <= THICKNESS_LEEWAY;
        const { sticks, kerfs } = strips(board.width, wide, kerf);
        if (!isAsThick || sticks < 1 || kerfs < 1) return [];
        return [{ board, sticks, kerfs, wood: { ...panelWoodOf(board), width: wide } }];
      }),
    );
  return found.sort((a, b) => b.sticks - a.sticks);
}
