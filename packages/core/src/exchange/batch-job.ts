import { buildBox } from '../box/families/families.js';
import type { Refusal } from '../box/family.js';
import type { LayoutJob, Stock } from '../layout/job.js';
import { jobForBoxes } from '../layout/job-for-boxes.js';
import { type BrokenPin, sortPins } from '../layout/pins.js';
import type { BatchRecord, BoardRecord, LayoutChoices } from './kept.js';

/** Boards of the rack as stock; a stock’s id is its board’s. */
const stockOf = (boards: readonly BoardRecord[]): Stock[] =>
  boards.filter((board) => board.quantity > 0).map(({ version: _version, fromBatch: _fromBatch, name: _name, ...board }) => board);

/** Whether the maker lets a board be used: not forbidden, and where nothing is ripped no wider than the saw cuts across. */
export const mayUse = (board: Pick<BoardRecord, 'id' | 'width'>, { forbidden, crosscut }: LayoutChoices, rip: boolean): boolean =>
  !forbidden.includes(board.id) && (rip || crosscut === null || board.width <= crosscut);

export type BatchJob = { ok: true; job: LayoutJob; brokenPins: readonly BrokenPin[] } | { ok: false; refusals: readonly Refusal[] };

/**
 * The layout job of a batch on these boards, or why its box cannot be built. Page and server make the very same job. Pins that do not
 * hold are left out of it and told.
 */
export function batchJob(
  batch: Pick<BatchRecord, 'name' | 'plan' | 'boxes' | 'saw' | 'choices'>,
  boards: readonly BoardRecord[],
): BatchJob {
  const built = buildBox(batch.plan);
  if (!built.ok) return built;
  const { choices, saw } = batch;
  const stock = stockOf(boards.filter((board) => mayUse(board, choices, saw.rip)));
  const job = { ...jobForBoxes(batch.name, batch.plan, built.box, batch.boxes, stock, saw, choices.seconds), pinned: choices.pinned };
  const { kept, broken } = sortPins(job);
  return { ok: true, job: { ...job, pinned: kept }, brokenPins: broken };
}
