import type { LayoutJob, Placement } from './job.js';

/** Which box of the batch a copy belongs to, from 1: every part comes once a box or more, so the fewest copies of any are the boxes. */
export function boxNumber(
  { parts }: LayoutJob,
  { part, copy }: Pick<Placement, 'part' | 'copy'>,
): number {
  const boxes = Math.max(1, Math.min(...parts.map(({ quantity }) => quantity)));
  const quantity = parts.find(({ id }) => id === part)?.quantity ?? 1;
  return Math.floor(copy / Math.max(1, quantity / boxes)) + 1;
}
