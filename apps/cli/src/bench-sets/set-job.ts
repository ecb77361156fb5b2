import type { LayoutJob } from '@spare-knot/core/job';
import type { Cents } from '@spare-knot/core/measure';

/** A job of one of the seeded sets. */
export interface SetJob {
  job: LayoutJob;
  /** What a best layout costs, where the way the job was made tells it. */
  optimum: Cents | null;
}
