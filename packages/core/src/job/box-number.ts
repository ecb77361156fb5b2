import type { LayoutJob, Placement } from './job.js';

/**
 * Which box of the batch a copy belongs to, from 1. Where a job does not say how many there are in a box, every part comes once a box or
 * more, so that the fewest copies of any are the boxes.
 */
export function boxNumber(
  { parts }: LayoutJob,
  { part, copy }: Pick<Placement, 'part' | 'copy'>,
): number {
  const own = parts.find(({ id }) => id === part);
  const boxes = Math.max(1, Math.min(...parts.map(({ quantity }) => quantity)));
  const perBox = own?.perBox ?? Math.max(1, (own?.quantity ?? 1) / boxes);
  return Math.floor(copy / perBox) + 1;
}
