import type { Ticks } from '../measure/index.js';
import type { ConvexSolid } from '../solid/index.js';
import type { PanelDraft } from './panel-from-solid.js';
import type { Cavity, Fitting, JointKind, Opening } from './panel-set.js';

/** A panel as a family declares it. Drafts of one group that come out alike become copies of one panel, named for the group. */
export interface Draft extends PanelDraft {
  group?: string;
  /** What is driven through it sits in a wider hole, so deep that this much wood is left under the head. */
  counterbore?: { diameter: Ticks; leave: Ticks };
}

/** Two drafts that are meant to touch. */
export interface JointDraft {
  between: readonly [string, string];
  kind: JointKind;
}

/** Everything that a family cuts out of space, not yet read off the solids. */
export interface BoxDraft {
  drafts: readonly Draft[];
  joints: readonly JointDraft[];
  openings: readonly Opening[];
  cavities: readonly Cavity[];
  fittings?: readonly Fitting[];
}

export const meet = (a: string, b: string, kind: JointKind = 'butt', when = true): JointDraft[] =>
  when ? [{ between: [a, b], kind }] : [];

/** A solid that must have wood left; a family calls it where its own rules have ruled out the other case. */
export function wood(solid: ConvexSolid | null, id: string): ConvexSolid {
  if (!solid) throw new Error(`the ${id.replaceAll('-', ' ')} has no wood left`);
  return solid;
}
