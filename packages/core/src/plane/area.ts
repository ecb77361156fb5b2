import { at } from '../lists/index.js';
import type { Point } from './point.js';

/** Area of a polygon in square ticks; anticlockwise is positive. */
export function areaOf(polygon: readonly Point[]): number {
  let doubled = 0;
  for (let i = 0; i < polygon.length; i += 1) {
    const [x, y] = at(polygon, i);
    const [nextX, nextY] = at(polygon, (i + 1) % polygon.length);
    doubled += x * nextY - nextX * y;
  }
  return doubled / 2;
}
