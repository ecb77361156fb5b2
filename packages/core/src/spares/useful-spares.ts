import { type ReadyPieces, readyCopies } from '../job/index.js';
import { sum } from '../lists/index.js';
import type { PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';

/** Panels in the bin that are alike. */
export interface BinPanel extends ReadyPieces {
  role: string;
  material: string;
}

/** Panels of the bin that a batch can use, and how many of them. */
export interface UsefulSpare<Spare extends BinPanel = BinPanel> {
  spare: Spare;
  count: number;
  /** The plan names another wood for it. */
  isOtherWood: boolean;
}

const useless = (left: ReadonlyMap<string, number>): number => sum([...left.values()]);

/**
 * What of the bin so many boxes can use beside what is set aside for them already: the plan's own wood before another, no more of any
 * piece than the boxes need.
 */
export function usefulSpares<Spare extends BinPanel>(
  plan: BoxPlan,
  box: PanelSet,
  boxes: number,
  ready: readonly ReadyPieces[],
  bin: readonly Spare[],
): UsefulSpare<Spare>[] {
  const isOther = ({ role, material }: BinPanel): boolean => {
    const wood = plan.wood[role];
    return wood !== undefined && wood.material !== material;
  };
  const taken = [...ready];
  return [...bin]
    .sort((a, b) => Number(isOther(a)) - Number(isOther(b)))
    .flatMap((spare) => {
      const over = (count: number) =>
        useless(readyCopies(plan, box, boxes, [...taken, { piece: spare.piece, count }]).left) -
        useless(readyCopies(plan, box, boxes, taken).left);
      const count = spare.count - over(spare.count);
      if (count <= 0) return [];
      taken.push({ piece: spare.piece, count });
      return [{ spare, count, isOtherWood: isOther(spare) }];
    });
}
