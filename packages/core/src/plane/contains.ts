import { ringPairs } from '../lists/index.js';
import type { Point } from './point.js';

/** Whether every one of these points lies strictly inside a convex polygon, whichever way round its corners run. */
export const containsAll = (polygon: readonly Point[], points: readonly Point[]): boolean =>
  [1, -1].some((sense) =>
    ringPairs(polygon).every(([from, to]) =>
      points.every(
        ([x, y]) =>
          sense * ((to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0])) > 0,
      ),
    ),
  );
