import type { batchQuestion } from '@spare-knot/core/api';
import type { Layout } from '@spare-knot/core/layout';

/** A layout, and what it is a layout of. */
export interface ToCheck {
  readonly question: ReturnType<typeof batchQuestion>;
  readonly layout: Layout;
}

type Told = readonly { readonly path: string; readonly message: string }[];

/** Why a plan gives no sound box, or which rules its layout breaks; both empty where all is well. */
export interface Checked {
  readonly refusals: Told;
  readonly broken: Told;
}
