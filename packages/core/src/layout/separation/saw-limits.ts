import type { Saw } from '../../job/index.js';
import { acosDegrees, atan2, type Degrees, type Ticks } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';
import type { SawCut } from './saw-cut.js';

/** Angles read off corners that are rounded to the tick are this uncertain. */
export const ANGLE_LEEWAY: Degrees = 0.03;

/** How far a cut square to direction n is turned: from square to the length, or with a rip from the nearer axis. */
export function mitreOf([nx]: Point, rip: boolean): Degrees {
  const fromSquare = acosDegrees(Math.min(1, Math.abs(nx)));
  return rip ? Math.min(fromSquare, 90 - fromSquare) : fromSquare;
}

/** How far a cut's blade leans. */
export const tiltOf = ({ shift }: SawCut, depth: Ticks): Degrees => atan2(Math.abs(shift), depth);

/** Whether a saw can be set to a cut. */
export const isWithin = (cut: SawCut, depth: Ticks, saw: Saw): boolean =>
  mitreOf([cut.along[1], -cut.along[0]], saw.rip) <= saw.maxMitre + ANGLE_LEEWAY &&
  tiltOf(cut, depth) <= saw.maxTilt + ANGLE_LEEWAY;
