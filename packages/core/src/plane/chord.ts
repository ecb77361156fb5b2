import { ringPairs } from '../lists/index.js';
import type { Point } from './point.js';

/** Where the line at `at` on the other axis enters and leaves a convex polygon, along `axis`; null where it misses it. */
export function crossing(
  polygon: readonly Point[],
  axis: 0 | 1,
  at: number,
): readonly [enters: number, leaves: number] | null {
  const other = axis === 0 ? 1 : 0;
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const [from, to] of ringPairs(polygon)) {
    if (Math.min(from[other], to[other]) > at || Math.max(from[other], to[other]) < at) continue;
    const level = from[other] === to[other];
    const share = level ? 0 : (at - from[other]) / (to[other] - from[other]);
    const met = level ? [from[axis], to[axis]] : [from[axis] + share * (to[axis] - from[axis])];
    low = Math.min(low, ...met);
    high = Math.max(high, ...met);
  }
  return low > high ? null : [low, high];
}

/** Length of a convex polygon along `axis` at `at` on the other; 0 where it does not reach. */
export function chordAt(polygon: readonly Point[], axis: 0 | 1, at: number): number {
  const found = crossing(polygon, axis, at);
  return found ? found[1] - found[0] : 0;
}
