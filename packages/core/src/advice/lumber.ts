import { buildBox, familyById } from '../families/index.js';
import type { Ticks } from '../measure/index.js';
import { measuresOf, type PanelSet } from '../panels/index.js';
import { type BoxPlan, completePlan } from '../plan/index.js';

/** A size changed so that a panel is just as wide as its board: nothing to rip. */
export interface LumberOffer {
  panel: string;
  size: string;
  before: Ticks;
  after: Ticks;
  /** The plan with the size changed, and what it builds. */
  plan: BoxPlan;
  box: PanelSet;
}

const widthOf = (plan: BoxPlan, panel: string): Ticks | null => {
  const built = buildBox(plan);
  const found = built.ok ? built.box.panels.find((each) => each.id === panel) : undefined;
  return found ? measuresOf(found).blankWidth : null;
};

/** A size counts when the panel grows by it one for one or two for two: within this of a whole number. */
const STRAIGHT = 1e-3;
const STEP: Ticks = 320;

/**
 * For each panel that is narrower than its board: which one size, changed, makes it as wide as the board, so that crosscuts alone cut
 * it. Only sizes in their range that leave the box sound are offered.
 */
export function lumberOffers(asked: BoxPlan): LumberOffer[] {
  const family = familyById(asked.family);
  if (!family) return [];
  const plan = completePlan(family, asked);
  const built = buildBox(plan);
  if (!built.ok) return [];
  const offers: LumberOffer[] = [];
  const lengths = family.parameters.filter(
    (parameter) =>
      parameter.kind === 'length' && (!parameter.applies || parameter.applies(plan.schools)),
  );
  for (const panel of built.box.panels) {
    const board = plan.wood[panel.role]?.width;
    if (!board || panel.fromLog) continue;
    const width = measuresOf(panel).blankWidth;
    if (Math.abs(board - width) <= 160) continue;
    for (const parameter of lengths) {
      const before = plan.sizes[parameter.id]!;
      const nudged = widthOf(
        { ...plan, sizes: { ...plan.sizes, [parameter.id]: before + STEP } },
        panel.id,
      );
      if (nudged === null) continue;
      const rate = (nudged - width) / STEP;
      if (rate < 0.5 || Math.abs(rate - Math.round(rate)) > STRAIGHT) continue;
      const after = before + Math.round((board - width) / rate);
      if (after < parameter.least || after > parameter.greatest) continue;
      const changed = { ...plan, sizes: { ...plan.sizes, [parameter.id]: after } };
      const result = buildBox(changed);
      const there = result.ok ? result.box.panels.find((each) => each.id === panel.id) : undefined;
      if (result.ok && there && Math.abs(measuresOf(there).blankWidth - board) <= 160)
        offers.push({
          panel: panel.id,
          size: parameter.id,
          before,
          after,
          plan: changed,
          box: result.box,
        });
    }
  }
  return offers;
}
