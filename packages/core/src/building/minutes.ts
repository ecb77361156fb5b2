import { sum } from '../lists/index.js';
import { TICKS_PER_MM, type Ticks } from '../measure/index.js';
import type { AssemblyStep } from './assembly/steps.js';
import type { Coats } from './hardware/covered.js';
import type { Hole } from './holes/hole.js';

/** Minutes that the work at the bench takes, one by one. Common practice, no source; the shop’s own log corrects them. */
export interface BuildCosts {
  hole: number;
  entrance: number;
  bit: number;
  piece: number;
  fastener: number;
  gluedJoint: number;
  turning: number;
  /** For each coat. */
  coat: number;
  coatSquareMetre: number;
  caulkMetre: number;
}

export const USUAL_BUILD_COSTS: BuildCosts = {
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
};

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

/** Minutes of work on one box, and hours of waiting. */
export function timesOf(timed: Timed, costs: BuildCosts = USUAL_BUILD_COSTS): BuildTimes {
  const { holes, bits, steps, coats, caulk, boxes } = timed;
  const entrances = holes.filter((hole) => hole.for === 'entrance').length;
  const joints = steps.flatMap((step) => step.joints);
  const waits = waitsOf(timed);
  return {
    drilling:
      (holes.length - entrances) * costs.hole +
      entrances * costs.entrance +
      (bits * costs.bit) / boxes,
    assembly:
      sum(steps.map(({ add }) => add.length)) * costs.piece +
      sum(joints.map(({ count }) => count)) * costs.fastener +
      joints.filter(({ glue }) => glue).length * costs.gluedJoint +
      sum(steps.map(({ turns }) => turns)) * costs.turning +
      (caulk / TICKS_PER_MM / 1000) * costs.caulkMetre,
    finish: sum(
      coats.map(
        ({ coats: times, squareMetres }) =>
          times * (costs.coat / boxes + squareMetres * costs.coatSquareMetre),
      ),
    ),
    waits,
    waitHours: sum(waits.map(({ hours }) => hours)),
  };
}
