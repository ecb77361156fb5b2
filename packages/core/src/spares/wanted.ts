import { buildBox, familyById } from '../families/index.js';
import { partsFor, type ReadyPieces } from '../job/index.js';
import { panelNames, partName } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import type { WantedPanel } from './could-become.js';

/** A plan of a batch that is kept, and whether its panels are still to be sawn. */
export interface KeptPlan {
  batch: string;
  name: string;
  plan: BoxPlan;
  boxes: number;
  /** Its boards are taken: it wants none of the wood that is left. */
  isTaken: boolean;
  /** Set aside for it from the bin. */
  ready: readonly ReadyPieces[];
}

/** A panel that may be made of a scrap, with what it is called and in which batch. */
export interface NamedPanel extends WantedPanel {
  batchName: string;
  name: string;
}

/** Every panel of every kept plan; of a plan that gives no box there are none, and it is named apart. */
export function wantedPanels(plans: readonly KeptPlan[]): {
  wanted: NamedPanel[];
  broken: string[];
} {
  const broken: string[] = [];
  const wanted = plans.flatMap(({ batch, name, plan, boxes, isTaken, ready }): NamedPanel[] => {
    const built = buildBox(plan);
    if (!built.ok) {
      broken.push(name);
      return [];
    }
    const names = panelNames(familyById(plan.family), built.box);
    const wanted = new Map(
      partsFor(plan, built.box, boxes, ready).map(({ id, quantity }) => [id, quantity]),
    );
    return partsFor(plan, built.box, boxes).map((part) => ({
      batch,
      part,
      short: isTaken ? 0 : (wanted.get(part.id) ?? 0),
      batchName: name,
      name: partName(names, part.id),
    }));
  });
  return { wanted, broken };
}
