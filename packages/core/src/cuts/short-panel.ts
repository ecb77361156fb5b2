import type { Check } from '../checks/index.js';
import { buildBox, checkBox } from '../families/index.js';
import { type Ticks, toMm } from '../measure/index.js';
import type { Panel, PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { boundsOf } from '../plane/index.js';
import { plainText } from '../text/index.js';

/** What a panel is short of: in its own frame, x along the grain. */
export interface Short {
  panel: string;
  axis: 'x' | 'y';
  by: Ticks;
}

const extentOf = ({ outline, underside }: Panel, axis: Short['axis']): Ticks => {
  const [left, bottom, right, top] = boundsOf([...outline, ...underside]);
  return axis === 'x' ? right - left : top - bottom;
};

/** A slope makes of a size a little more or less of a panel. */
const SLOPE = 0.2;

/** Whether a box differs from another in one panel alone, which is so much shorter. */
function isShortOnly(before: PanelSet, after: PanelSet, { panel, axis, by }: Short): boolean {
  return before.panels.every((each) => {
    const now = after.panels.find(({ id }) => id === each.id);
    if (!now) return false;
    const lost = {
      x: extentOf(each, 'x') - extentOf(now, 'x'),
      y: extentOf(each, 'y') - extentOf(now, 'y'),
    };
    if (each.id !== panel) return lost.x === 0 && lost.y === 0;
    const other = axis === 'x' ? 'y' : 'x';
    return Math.abs(lost[axis] - by) <= by * SLOPE && Math.abs(lost[other]) <= by * SLOPE;
  });
}

/** The plan as if the panel had been meant so short: one size less, by which nothing else changes; null where no size says that. */
function meantSo(
  plan: BoxPlan,
  box: PanelSet,
  short: Short,
): { plan: BoxPlan; box: PanelSet } | null {
  for (const [size, value] of Object.entries(plan.sizes)) {
    if (value < short.by) continue;
    const shorter = { ...plan, sizes: { ...plan.sizes, [size]: value - short.by } };
    const built = buildBox(shorter);
    if (built.ok && isShortOnly(box, built.box, short)) return { plan: shorter, box: built.box };
  }
  return null;
}

/**
 * The rules that a box breaks once a panel is so much shorter, and did not break before: judged as if the panel had been meant so. Null
 * where no size of the plan makes this panel alone shorter, so that no rule looks at it.
 */
export function brokenByShort(plan: BoxPlan, box: PanelSet, short: Short): Check[] | null {
  const meant = toMm(short.by) > 0 ? meantSo(plan, box, short) : null;
  if (!meant) return null;
  const broken = (of: BoxPlan, set: PanelSet) =>
    checkBox(of, set).filter(({ severity }) => severity !== 'kept');
  const keyOf = ({ id, role, severity, text }: Check) =>
    [id, role, severity, plainText(text)].join('|');
  const before = new Set(broken(plan, box).map(keyOf));
  return broken(meant.plan, meant.box).filter((check) => !before.has(keyOf(check)));
}
