import type { Ticks } from '../measure/index.js';
import type { Point } from './point.js';

/** An upright rectangle by its sides. */
export type Bounds = readonly [left: Ticks, bottom: Ticks, right: Ticks, top: Ticks];

/** The smallest upright rectangle round points; of none, one that holds nothing. */
export function boundsOf(points: Iterable<Point>): Bounds {
  let [left, bottom, right, top] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const [x, y] of points) {
    left = Math.min(left, x);
    bottom = Math.min(bottom, y);
    right = Math.max(right, x);
    top = Math.max(top, y);
  }
  return [left, bottom, right, top];
}

/** Whether two upright rectangles share a point. */
export const boundsMeet = (a: Bounds, b: Bounds): boolean =>
  a[0] <= b[2] && b[0] <= a[2] && a[1] <= b[3] && b[1] <= a[3];
