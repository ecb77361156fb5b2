import { buildBox } from '../box/families/families.js';
import type { Refusal } from '../box/family.js';
import type { LayoutJob, Stock } from '../layout/job.js';
import { jobForBoxes } from '../layout/job-for-boxes.js';
import type { BatchRecord, BoardRecord } from './kept.js';

/** Boards of the rack as stock; a stock’s id is its board’s. */
export const stockOf = (boards: readonly BoardRecord[]): Stock[] =>
  boards.filter((board) => board.quantity > 0).map(({ version: _version, fromBatch: _fromBatch, name: _name, ...board }) => board);

/** The layout job of a batch on these boards, or why its box cannot be built. Page and server make the very same job. */
export function batchJob(
  batch: Pick<BatchRecord, 'name' | 'plan' | 'boxes' | 'saw'>,
  boards: readonly BoardRecord[],
  seconds: number,
): { ok: true; job: LayoutJob } | { ok: false; refusals: readonly Refusal[] } {
  const built = buildBox(batch.plan);
  if (!built.ok) return built;
  return { ok: true, job: jobForBoxes(batch.name, batch.plan, built.box, batch.boxes, stockOf(boards), batch.saw, seconds) };
}
