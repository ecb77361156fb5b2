import type { Animal } from '../animals/index.js';
import type { Rule } from '../checks/index.js';
import type { BuiltBox, PanelSet } from '../panels/index.js';
import type { BoxPlan, PanelWood, PlanDeclaration } from '../plan/index.js';
import type { Text } from '../text/index.js';

/** A size on a drawing: where it is measured, in ticks of box space, and on which side of the view its line stands. */
export interface DrawnDimension<S extends string = string> {
  /** The parameter that it edits. */
  size: S;
  /** Front: x to the right, z up. Section: y to the right, z up. */
  view: 'front' | 'section';
  /** Below and above measure across; left and right measure upwards; a leader points at a height. */
  side: 'below' | 'above' | 'left' | 'right' | 'leader';
  from: number;
  to: number;
  /** Where the thing measured is, square to the measure: its witness lines begin there. */
  start: number;
}

/** What of a kind of box is decided, tried and moved when one is looked for whose panels are those of a sheet. */
export interface FromSheet {
  /** Answers that a sheet says nothing about. */
  fixed: Readonly<Record<string, string>>;
  /** Answers that decide panels’ sizes, the likeliest first. */
  varied: Readonly<Record<string, readonly string[]>>;
  /** Sizes that move besides those that may be trimmed. */
  sizes: readonly string[];
}

export type Guests = 'birds' | 'bats';

/** A kind of box as everybody but its own folder knows it: by lists and plain records. Made by `defineFamily`. */
export interface Family extends PlanDeclaration {
  summary: string;
  /** Words for the handbook: what it is for and what to mind. */
  about: Text;
  guests: Guests;
  /** What to know before opening, hanging or building one, said where it matters. */
  cautions: readonly string[];
  /** An animal to show it with. */
  example: string;
  /** Sizes that are the animal's or the hardware's, not the maker's to trim. */
  notTrimmed: readonly string[];
  /** How a sheet of panel sizes is turned into such a box; none where it cannot be. */
  fromSheet?: FromSheet | undefined;
  /** Sizes that change with each other, so that a slope stays. */
  trimmedTogether: readonly (readonly string[])[];
  /** From plan to box. Whatever is wrong with the plan, and whatever goes wrong in cutting, is a refusal. */
  build(plan: BoxPlan): BuiltBox;
  /** The same panels, nothing fastened: for questions of sizes alone, several times as fast. */
  shape(plan: BoxPlan): BuiltBox;
  /** Sizes to edit on the drawings. */
  dimensions(plan: BoxPlan, box: PanelSet): readonly DrawnDimension[];
  /** The rules that the box is held against, in no order. */
  rules: readonly Rule[];
  /** Roles that come from one kind of board, when the family has more to say than body, roof and sticks. */
  woodFrom?(
    plan: BoxPlan,
    boards: readonly PanelWood[],
    animal: Animal | undefined,
  ): Readonly<Record<string, PanelWood>> | null;
}
