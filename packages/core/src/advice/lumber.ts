import { buildBox, familyById } from '../families/index.js';
import type { Ticks } from '../measure/index.js';
import { measuresOf, type PanelSet } from '../panels/index.js';
import { applying, type BoxPlan, type Parameter } from '../plan/index.js';

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

/** A size counts when the panel grows by it one for one or two for two: within this of a whole number. */
const STRAIGHT = 1e-3;
const STEP: Ticks = 320;
/** A panel is as wide as its board to within half a millimetre. */
const SAME: Ticks = 160;

/** The widest blank of each panel, by its id. */
const widthsOf = (box: PanelSet): Map<string, Ticks> =>
  new Map(box.panels.map((panel) => [panel.id, measuresOf(panel).blankWidth]));

const withSize = (plan: BoxPlan, id: string, value: Ticks): BoxPlan => ({
  ...plan,
  sizes: { ...plan.sizes, [id]: value },
});

/** A panel narrower or wider than its board. */
interface Misfit {
  panel: string;
  width: Ticks;
  board: Ticks;
}

const misfitsOf = (plan: BoxPlan, box: PanelSet): Misfit[] =>
  box.panels.flatMap((panel) => {
    const board = plan.wood[panel.role]?.width;
    const width = measuresOf(panel).blankWidth;
    if (!board || panel.fromLog || Math.abs(board - width) <= SAME) return [];
    return [{ panel: panel.id, width, board }];
  });

/** What one size, changed so that a panel fills its board, gives; none where the panel does not follow it or the box is not sound. */
function offerFor(
  plan: BoxPlan,
  { id, min, max }: Parameter,
  nudged: ReadonlyMap<string, Ticks>,
  { panel, width, board }: Misfit,
): LumberOffer[] {
  const before = plan.sizes[id];
  const wider = nudged.get(panel);
  if (before === undefined || wider === undefined) return [];
  const rate = (wider - width) / STEP;
  if (rate < 0.5 || Math.abs(rate - Math.round(rate)) > STRAIGHT) return [];
  const after = before + Math.round((board - width) / rate);
  if (after < min || after > max) return [];
  const changed = withSize(plan, id, after);
  const built = buildBox(changed);
  if (!built.ok) return [];
  const there = widthsOf(built.box).get(panel);
  if (there === undefined || Math.abs(there - board) > SAME) return [];
  return [{ panel, size: id, before, after, plan: changed, box: built.box }];
}

/**
 * For each panel that is narrower than its board: which one size, changed, makes it as wide as the board, so that crosscuts alone cut
 * it. Only sizes in their range that leave the box sound are offered.
 */
export function lumberOffers(plan: BoxPlan): LumberOffer[] {
  const family = familyById(plan.family);
  const built = buildBox(plan);
  if (!family || !built.ok) return [];
  const misfits = misfitsOf(plan, built.box);
  if (misfits.length === 0) return [];
  const lengths = applying(family.parameters, plan.choices).filter(({ kind }) => kind === 'length');
  // One box for each size, a little larger, shows which panels follow it.
  const nudged = lengths.flatMap((parameter) => {
    const size = plan.sizes[parameter.id];
    const larger = size === undefined ? null : buildBox(withSize(plan, parameter.id, size + STEP));
    return larger?.ok ? [{ parameter, widths: widthsOf(larger.box) }] : [];
  });
  return misfits.flatMap((misfit) =>
    nudged.flatMap(({ parameter, widths }) => offerFor(plan, parameter, widths, misfit)),
  );
}
