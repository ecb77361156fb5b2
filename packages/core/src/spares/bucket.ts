import { type LayoutJob, type Part, type Saw, type Stock, suits } from '../job/index.js';
import { bestFit, type Layout, searchSteps } from '../layout/index.js';
import { panelsOn, type WantedPanel } from './could-become.js';

/** A part of one batch among those of others. */
const nameOf = ({ batch, part }: WantedPanel): string => `${batch}/${part.id}`;

/** The batch and the panel that a part of the bucket’s job is. */
export function wantedOf(part: string): { batch: string; panel: string } {
  const at = part.indexOf('/');
  return { batch: part.slice(0, at), panel: part.slice(at + 1) };
}

/** The job of all scraps and all that is short, every scrap paid for. */
export function bucketJob(
  scraps: readonly Stock[],
  wanted: readonly WantedPanel[],
  saw: Saw,
  seconds: number,
): LayoutJob {
  const parts: Part[] = wanted
    .filter(({ short }) => short > 0)
    .map((each) => ({ ...each.part, id: nameOf(each), quantity: each.short }))
    .filter((part) => scraps.some((scrap) => suits(part, scrap)));
  return { name: 'bucket', saw, parts, stock: [...scraps], pinned: [], effort: { seconds } };
}

/** More panels; of as many, more of the wood. */
const isMore = (a: Layout, b: Layout): boolean => {
  const [own, other] = [panelsOn(a.boards), panelsOn(b.boards)];
  return own > other || (own === other && a.yield > b.yield);
};

/**
 * How far the whole bucket is: the most that is laid so far, and how much of the time is gone. Begins with the largest panels in the
 * smallest scraps that take them; then the search looks for more.
 */
export function* bucketSteps(
  job: LayoutJob,
  now: () => number,
): Generator<{ layout: Layout; share: number }, Layout, void> {
  const begun = now();
  const share = (): number => (now() - begun) / (1000 * job.effort.seconds);
  let best = bestFit(job);
  yield { layout: best, share: share() };
  const search = searchSteps(job, { clock: now, solver: null });
  for (;;) {
    const step = search.next();
    if (isMore(step.value, best)) best = step.value;
    if (step.done || share() >= 1) return best;
    yield { layout: best, share: share() };
  }
}
