import type { Part, Placement } from '../../job/index.js';
import { ofPanel, type Text, text } from '../../text/index.js';
import type { PlacedPart } from '../placed.js';

/** A validity rule that a layout breaks, and where. */
export interface Violation {
  rule: 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9;
  path: string;
  message: Text;
}

/** A part where its placement puts it. */
export interface Lying {
  part: Part;
  placement: Placement;
  placed: PlacedPart;
  path: string;
  /** The part and which of its copies. */
  name: Text;
}

export type Report = (rule: Violation['rule'], path: string, message: Text) => void;

/** A part by its name, as the reader has it. */
export const quoted = (part: string): Text => text`“${ofPanel(part)}”`;
