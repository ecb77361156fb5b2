import type { Picture } from '@spare-knot/core/api';
import { planCuts, woodInUse } from '@spare-knot/core/cuts';
import { buildBox } from '@spare-knot/core/families';
import { type LayoutJob, layoutJob } from '@spare-knot/core/job';
import { checkLayout, type Layout, sortPins } from '@spare-knot/core/layout';
import type { BoxPlan } from '@spare-knot/core/plan';
import { viewPicture } from '@spare-knot/core/sheets';
import { plainText } from '@spare-knot/core/text';
import type { Checked, Sawn, ToCheck, ToSaw } from './to-check.js';

const brokenIn = (job: LayoutJob, layout: Layout): Checked['broken'] =>
  checkLayout(job, layout).map(({ rule, path, message }) => ({
    path: `layout.${path}`,
    message: `rule ${rule}: ${plainText(message)}`,
  }));

/** Builds the box and makes its job, where there is none yet, and holds a layout against every rule; in a thread of its own. */
export default function check(task: ToCheck): Checked {
  if ('job' in task) return { refusals: [], broken: brokenIn(task.job, task.layout) };
  const made = layoutJob(task.question);
  if (made.ok) return { refusals: [], broken: brokenIn(sortPins(made.job).job, task.layout) };
  return {
    refusals: made.refusals.map(({ field, message }) => ({
      path: `plan.${field}`,
      message: plainText(message),
    })),
    broken: [],
  };
}

/** What the boxes of some plans look like, cut open; null for a plan that gives none. */
export function pictures(plans: readonly BoxPlan[]): (Picture | null)[] {
  return plans.map((plan) => {
    const built = buildBox(plan);
    return built.ok ? viewPicture(built.box, 'section') : null;
  });
}

/** The cuts of an accepted layout, of each pile only what was taken of it. */
export function cuts({ question, layout: accepted, saws }: ToSaw): Sawn {
  const made = layoutJob(question);
  if (!made.ok) return null;
  const { stock, layout } = woodInUse(made.job.stock, accepted);
  const job = { ...made.job, stock };
  return { job, layout, planned: planCuts(job, layout, saws) };
}
