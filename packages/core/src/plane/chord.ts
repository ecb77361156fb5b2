import type { Point } from './point.js';

/** Where the line at `at` on the other axis enters and leaves a convex polygon, along `axis`; null where it misses it. */
export function crossing(
  polygon: readonly Point[],
  axis: 0 | 1,
  at: number,
): readonly [enters: number, leaves: number] | null {
  const other = axis === 0 ? 1 : 0;
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  let from = polygon.at(-1);
  if (!from) return null;
  // Asked millions of times by a search: nothing is made anew for an edge.
  for (const to of polygon) {
    const [start, end] = [from[other], to[other]];
    const isMet = (start <= at || end <= at) && (start >= at || end >= at);
    if (isMet) {
      const share = start === end ? 0 : (at - start) / (end - start);
      const met = from[axis] + share * (to[axis] - from[axis]);
      // An edge that runs along the line is on it from end to end.
      const last = start === end ? to[axis] : met;
      low = Math.min(low, met, last);
      high = Math.max(high, met, last);
    }
    from = to;
  }
  return low > high ? null : [low, high];
}

/** Length of a convex polygon along `axis` at `at` on the other; 0 where it does not reach. */
export function chordAt(polygon: readonly Point[], axis: 0 | 1, at: number): number {
  const found = crossing(polygon, axis, at);
  return found ? found[1] - found[0] : 0;
}
