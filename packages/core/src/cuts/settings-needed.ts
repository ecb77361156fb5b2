import type { LayoutJob } from '../job/index.js';
import type { Layout } from '../layout/index.js';
import { planCuts } from './plan-cuts.js';

/** More than any layout needs. */
const CANNOT_BE_SAWN = 1_000_000;

/** How many different settings the cuts of a valid layout need; a layout that no usual saw can cut counts as needing more than any. */
export function settingsNeeded(job: LayoutJob, layout: Layout): number {
  const planned = planCuts(job, layout);
  return planned.ok ? planned.plan.lowerBound : CANNOT_BE_SAWN;
}
