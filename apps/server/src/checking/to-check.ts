import type { batchQuestion } from '@spare-knot/core/api';
import type { planCuts } from '@spare-knot/core/cuts';
import type { LayoutJob } from '@spare-knot/core/job';
import type { Layout } from '@spare-knot/core/layout';

/** A layout, and what it is a layout of: a batch whose box and job are made first, or a job that is made already. */
export type ToCheck = { readonly layout: Layout } & (
  | { readonly question: ReturnType<typeof batchQuestion> }
  | { readonly job: LayoutJob }
);

type Told = readonly { readonly path: string; readonly message: string }[];

/** An accepted layout, and the saws that its cuts are planned for. */
export interface ToSaw {
  readonly question: ReturnType<typeof batchQuestion>;
  readonly layout: Layout;
  readonly saws: Parameters<typeof planCuts>[2];
}

/** The cuts of a layout, and the job with the wood that it takes; null for a plan that gives no box. */
export type Sawn = {
  readonly job: LayoutJob;
  readonly layout: Layout;
  readonly planned: ReturnType<typeof planCuts>;
} | null;

/** Why a plan gives no sound box, or which rules its layout breaks; both empty where all is well. */
export interface Checked {
  readonly refusals: Told;
  readonly broken: Told;
}
