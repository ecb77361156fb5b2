import type { Animal } from '../animals/index.js';
import type { Check } from '../checks/index.js';
import type { BuiltBox, PanelSet } from '../panels/index.js';
import type { BoxPlan, PanelWood, PlanDeclaration } from '../plan/index.js';

/** A size on a drawing: where it is measured, in ticks of box space, and on which side of the view its line stands. */
export interface DrawnDimension {
  /** The parameter that it edits. */
  size: string;
  /** Front: x to the right, z up. Section: y to the right, z up. */
  view: 'front' | 'section';
  /** Below and above measure across; left and right measure upwards; a leader points at a height. */
  side: 'below' | 'above' | 'left' | 'right' | 'leader';
  from: number;
  to: number;
  /** Where the thing measured is, square to the measure: its witness lines begin there. */
  start: number;
}

/** A box family: a short declaration on the solid kernel. */
export interface Family extends PlanDeclaration {
  name: string;
  summary: string;
  /** Words for the handbook: what it is for and what to mind. */
  about: string;
  /** What to know before opening, hanging or building one, said where it matters. */
  cautions: readonly string[];
  build(plan: BoxPlan): BuiltBox;
  /** Sizes to edit on the drawings. */
  dimensions(plan: BoxPlan, box: PanelSet): DrawnDimension[];
  /** The rules that the box is held against, in no order. `animal` may be unknown. */
  checks(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[];
  /** Roles that come from one kind of board, when the family has more to say than body, roof and sticks. */
  woodFrom?(
    plan: BoxPlan,
    boards: readonly PanelWood[],
  ): Readonly<Record<string, PanelWood>> | null;
}
