import { buildBox } from '../families/index.js';
import type { PanelSet } from '../panels/index.js';
import type { BoxPlan, Refusal } from '../plan/index.js';
import { asManyAsNeeded } from './as-many-as-needed.js';
import type { LayoutJob, PinnedPlacement, Saw, Stock } from './job.js';
import { jobForBoxes, partsFor } from './job-for-boxes.js';
import type { ReadyPieces } from './ready.js';

/** So many boxes of one plan, out of this stock, with this saw. */
export interface JobQuestion {
  name: string;
  plan: BoxPlan;
  boxes: number;
  stock: readonly Stock[];
  /** What can be bought: of each kind as many as may be needed, or its quantity if that is less. */
  yard?: readonly Stock[];
  saw: Saw;
  /** Seconds that the search may take. */
  seconds: number;
  pinned: readonly PinnedPlacement[];
  /** Pieces that lie ready in the bin: they are not sawn. */
  ready?: readonly ReadyPieces[];
}

export type MadeJob =
  | { ok: true; job: LayoutJob; box: PanelSet }
  | { ok: false; refusals: readonly Refusal[] };

/**
 * The layout job of so many boxes, and the box it is made of, or why that cannot be built. Page, server and command line make the very
 * same job. Pins come through as they were set; `sortPins` says which of them hold.
 *
 * @example layoutJob({ name: 'six', plan, boxes: 6, stock, saw: STANDARD_SAW, seconds: 3, pinned: [] })
 */
export function layoutJob({
  name,
  plan,
  boxes,
  stock,
  yard = [],
  saw,
  seconds,
  pinned,
  ready = [],
}: JobQuestion): MadeJob {
  const built = buildBox(plan);
  if (!built.ok) return built;
  const { box } = built;
  const all = [...stock, ...asManyAsNeeded(partsFor(plan, box, boxes, ready), yard)];
  return {
    ok: true,
    box,
    job: { ...jobForBoxes(name, plan, box, boxes, all, saw, seconds, ready), pinned },
  };
}
