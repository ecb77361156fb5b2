import { ringPairs } from '../../lists/index.js';
import { TOLERANCE } from '../../measure/index.js';
import { areaOf, type Point, type Zone, zoneOutline } from '../../plane/index.js';

/** Corners of the polygon that stands in for a circle: within a hundredth of a millimetre up to a radius of 120 mm. */
const ROUND = 256;

/** A zone as a convex polygon, anticlockwise. */
export const outlineOf = (zone: Zone): Point[] => zoneOutline(zone, ROUND);

/** Whether a polygon is more than a sliver: wider than the tolerance. */
export function hasArea(polygon: readonly Point[]): boolean {
  if (polygon.length < 3) return false;
  let round = 0;
  for (const [from, to] of ringPairs(polygon))
    round += Math.hypot(to[0] - from[0], to[1] - from[1]);
  return round > 0 && (2 * Math.abs(areaOf(polygon))) / round > TOLERANCE;
}
