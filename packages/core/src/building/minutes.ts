import { sum } from '../lists/index.js';
import { TICKS_PER_MM, type Ticks } from '../measure/index.js';
import type { AssemblyStep } from './assembly/steps.js';
import type { Coats } from './hardware/covered.js';
import type { Hole } from './holes/hole.js';
import type { Pace, WorkKind } from './work-done.js';

/** Minutes that the work at the bench takes, one by one. Common practice, no source; the shop’s own log corrects them. */
const COSTS = {
  hole: 0.3,
  entrance: 3,
  bit: 1,
  piece: 1,
  fastener: 0.35,
  gluedJoint: 0.4,
  turning: 0.3,
  coat: 2,
  coatSquareMetre: 12,
  caulkMetre: 1.5,
} as const;

/** Something that has to set or dry before the next may be done. */
export interface Wait {
  what: 'glue' | 'caulk' | 'finish';
  hours: number;
}

export interface BuildTimes {
  /** Of one box, a change of bits shared by all boxes of the batch. */
  drilling: number;
  assembly: number;
  finish: number;
  waits: readonly Wait[];
  waitHours: number;
}

/** Clamps stay on so long, caulk skins over in so long. Common practice, no source; tube and bottle say. */
const GLUE_HOURS = 1;
const CAULK_HOURS = 0.25;

interface Timed {
  holes: readonly Hole[];
  bits: number;
  steps: readonly AssemblyStep[];
  coats: readonly Coats[];
  caulk: Ticks;
  boxes: number;
}

function waitsOf({ steps, coats, caulk }: Timed): Wait[] {
  const waits: Wait[] = [];
  if (steps.some(({ joints }) => joints.some(({ glue }) => glue)))
    waits.push({ what: 'glue', hours: GLUE_HOURS });
  if (caulk > 0) waits.push({ what: 'caulk', hours: CAULK_HOURS });
  // Two finishes on two parts of a box dry side by side.
  const drying = Math.max(0, ...coats.map(({ coats: times, waitHours }) => times * waitHours));
  if (drying > 0) waits.push({ what: 'finish', hours: drying });
  return waits;
}

/** Minutes in which one hole is marked and bored. */
export const holeMinutes = ({ for: use }: Pick<Hole, 'for'>): number =>
  use === 'entrance' ? COSTS.entrance : COSTS.hole;

/** Minutes of one step on one box. */
export const stepMinutes = ({ add, joints, turns }: AssemblyStep): number =>
  add.length * COSTS.piece +
  sum(joints.map(({ count }) => count)) * COSTS.fastener +
  joints.filter(({ glue }) => glue).length * COSTS.gluedJoint +
  turns * COSTS.turning;

/** Minutes of one coat on all boxes. */
export const coatMinutes = ({ squareMetres }: Coats, boxes: number): number =>
  COSTS.coat + squareMetres * boxes * COSTS.coatSquareMetre;

/** Minutes of work on one box, and hours of waiting; usual minutes, or as long as such work takes in the shop. */
export function timesOf(timed: Timed, pace: Pace = {}): BuildTimes {
  const { holes, bits, steps, coats, caulk, boxes } = timed;
  const waits = waitsOf(timed);
  const longer = (kind: WorkKind, minutes: number) => minutes * (pace[kind]?.factor ?? 1);
  return {
    drilling: longer('bore', sum(holes.map(holeMinutes)) + (bits * COSTS.bit) / boxes),
    assembly: longer(
      'assemble',
      sum(steps.map(stepMinutes)) + (caulk / TICKS_PER_MM / 1000) * COSTS.caulkMetre,
    ),
    finish: longer(
      'finish',
      sum(coats.map((each) => each.coats * coatMinutes(each, boxes))) / boxes,
    ),
    waits,
    waitHours: sum(waits.map(({ hours }) => hours)),
  };
}
