import type { LayoutJob, Placement } from '../job/index.js';
import type { Cents, Ticks } from '../measure/index.js';
import type { Text } from '../text/index.js';
import type { Goals } from './goals.js';
import type { Bounds } from './search/prover.js';
import type { LinearSolver } from './solver/linear.js';

/** A leftover that goes back to the rack: lower-left corner and size on the board it comes from. */
export interface KeptOffcut {
  x: Ticks;
  y: Ticks;
  length: Ticks;
  width: Ticks;
}

export interface LaidBoard {
  stock: string;
  piece: number;
  placements: readonly Placement[];
  offcuts: readonly KeptOffcut[];
}

export interface Unplaced {
  part: string;
  count: number;
  reason: Text;
}

/** Where every panel lies, and how far that is from the best possible. */
export interface Layout {
  boards: readonly LaidBoard[];
  unplaced: readonly Unplaced[];
  cost: Cents;
  /** No valid layout that leaves as few parts unplaced can cost less. */
  lowerBound: Cents;
  boundProof: 'area' | 'lp' | 'exact';
  /** True only when the cost equals a proven bound. */
  optimal: boolean;
  /** Area of parts over area of boards in use less kept offcuts. */
  yield: number;
  seconds: number;
}

/** What a search is given beside the job. The clock is the caller's, so that core knows no platform. */
export interface SearchControl {
  /** Milliseconds from any fixed moment. */
  clock: () => number;
  /** Called with each layout that is better than the last. */
  onBetter?: (layout: Layout) => void;
  /** Asked often; true ends the search with the best so far. */
  stopped?: () => boolean;
  /** For column generation; a search without it works on by itself, and one that gets it late uses it from then on. */
  solver?: LinearSolver | null;
  /** Who proves what a layout must cost at least on another thread; left out, the search proves by itself between its steps. */
  bounds?: Bounds | null;
  /** Settings of the saw that a layout needs, where somebody plans its cuts: of two that are alike else, the one with fewer is taken. */
  settings?: (layout: Layout) => number;
  /** What counts; the standard when left out. */
  goals?: Goals;
}

/** A way to lay out a job. The search can be replaced by anything of this shape; the checker judges them all. */
export type LayoutSearch = (job: LayoutJob, control: SearchControl) => Layout;
