import type { batchQuestion } from '@spare-knot/core/api';
import type { LayoutJob } from '@spare-knot/core/job';
import type { Layout } from '@spare-knot/core/layout';

/** A layout, and what it is a layout of: a batch whose box and job are made first, or a job that is made already. */
export type ToCheck = { readonly layout: Layout } & (
  | { readonly question: ReturnType<typeof batchQuestion> }
  | { readonly job: LayoutJob }
);

type Told = readonly { readonly path: string; readonly message: string }[];

/** Why a plan gives no sound box, or which rules its layout breaks; both empty where all is well. */
export interface Checked {
  readonly refusals: Told;
  readonly broken: Told;
}
