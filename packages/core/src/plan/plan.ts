import type { Degrees, Ticks } from '../measure/index.js';
import type { Face } from '../wood/index.js';

/** The board that a panel is to come from. `width` is null when any width will do. */
export interface PanelWood {
  thickness: Ticks;
  width: Ticks | null;
  material: string;
  faceA: Face;
  faceB: Face;
}

/** What the maker chose, and nothing that follows from it. Which keys there are is the family's to say. */
export interface BoxPlan {
  family: string;
  /** Id in the table of animals; null for a box for nobody in particular. */
  animal: string | null;
  /** Lengths chosen, in ticks, by parameter. */
  sizes: Readonly<Record<string, Ticks>>;
  /** Angles chosen, in degrees, by parameter. */
  angles: Readonly<Record<string, Degrees>>;
  /** Schools chosen, by question. */
  schools: Readonly<Record<string, string>>;
  /** Wood by panel role. */
  wood: Readonly<Record<string, PanelWood>>;
}
