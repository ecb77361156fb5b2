import type { LayoutJob } from '../job/index.js';
import { type Layout, type LinearSolver, searchSteps } from '../layout/index.js';

/**
 * The best layout after so many steps of the search, or once it is proven. So many steps rather than so much time: the same question gives
 * the same answer on any machine.
 */
export function quickLayout(
  job: LayoutJob,
  steps: number,
  solver: LinearSolver | null = null,
): Layout {
  const search = searchSteps(job, { clock: () => 0, solver });
  let step = search.next();
  for (let count = 1; count < steps && !step.done && !step.value.optimal; count += 1)
    step = search.next();
  return step.value;
}
