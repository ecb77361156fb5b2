import { layoutJob } from '@spare-knot/core/job';
import { checkLayout, sortPins } from '@spare-knot/core/layout';
import { plainText } from '@spare-knot/core/text';
import type { Checked, ToCheck } from './to-check.js';

/** Builds the box, makes its job and holds a layout against every rule; in a thread of its own. */
export default function check({ question, layout }: ToCheck): Checked {
  const made = layoutJob(question);
  if (!made.ok)
    return {
      refusals: made.refusals.map(({ field, message }) => ({
        path: `plan.${field}`,
        message: plainText(message),
      })),
      broken: [],
    };
  const broken = checkLayout(sortPins(made.job).job, layout);
  return {
    refusals: [],
    broken: broken.map(({ rule, path, message }) => ({
      path: `layout.${path}`,
      message: `rule ${rule}: ${plainText(message)}`,
    })),
  };
}
