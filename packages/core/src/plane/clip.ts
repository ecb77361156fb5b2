import { ringPairs } from '../lists/index.js';
import type { Ticks } from '../measure/index.js';
import type { Point } from './point.js';

/** Twice the area of the triangle: positive where the point lies to the left of the line through two others. */
const side = (from: Point, to: Point, point: Point): number =>
  (to[0] - from[0]) * (point[1] - from[1]) - (to[1] - from[1]) * (point[0] - from[0]);

/** The part of a convex polygon to the left of the line through two points. Sutherland & Hodgman, 1974. */
export function leftOf(polygon: readonly Point[], from: Point, to: Point): Point[] {
  const kept: Point[] = [];
  for (const [current, next] of ringPairs(polygon)) {
    const here = side(from, to, current);
    const there = side(from, to, next);
    if (here >= 0) kept.push(current);
    if ((here > 0 && there < 0) || (here < 0 && there > 0)) {
      const share = here / (here - there);
      kept.push([
        current[0] + share * (next[0] - current[0]),
        current[1] + share * (next[1] - current[1]),
      ]);
    }
  }
  return kept;
}

/** What two convex polygons share; empty when nothing. The second is anticlockwise. */
export function intersectPolygons(a: readonly Point[], b: readonly Point[]): Point[] {
  let rest: Point[] = [...a];
  for (const [from, to] of ringPairs(b)) {
    if (rest.length < 3) return [];
    rest = leftOf(rest, from, to);
  }
  return rest.length < 3 ? [] : rest;
}

/** A convex polygon less another, in convex pieces. The second is anticlockwise. */
export function subtractPolygon(a: readonly Point[], b: readonly Point[]): Point[][] {
  const pieces: Point[][] = [];
  let rest: Point[] = [...a];
  for (const [from, to] of ringPairs(b)) {
    if (rest.length < 3) return pieces;
    const outside = leftOf(rest, to, from);
    if (outside.length >= 3) pieces.push(outside);
    rest = leftOf(rest, from, to);
  }
  return pieces;
}

/** The part of an anticlockwise convex polygon with low ≤ y ≤ high, corners rounded to the tick. */
export function band(polygon: readonly Point[], low: Ticks, high: Ticks): Point[] {
  const below = leftOf(polygon, [1, high], [0, high]);
  return leftOf(below, [0, low], [1, low]).map(([x, y]) => [Math.round(x), Math.round(y)]);
}
