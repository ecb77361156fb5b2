import { TOLERANCE } from '../../measure/ticks.js';
import type { Point, Zone } from '../../wood/board.js';

/** Corners of the polygon that stands in for a circle: within a hundredth of a millimetre up to a radius of 120 mm. */
const ROUND = 256;

/** A zone as a convex polygon, anticlockwise. */
export function outlineOf(zone: Zone): Point[] {
  if (zone.kind === 'polygon') return [...zone.points];
  if (zone.kind === 'rect') {
    const [x, y] = zone.corner;
    return [
      [x, y],
      [x + zone.width, y],
      [x + zone.width, y + zone.height],
      [x, y + zone.height],
    ];
  }
  const [cx, cy] = zone.centre;
  return Array.from({ length: ROUND }, (_unused, index) => {
    const angle = (index / ROUND) * 2 * Math.PI;
    return [cx + zone.radius * Math.cos(angle), cy + zone.radius * Math.sin(angle)];
  });
}

const side = (from: Point, to: Point, point: Point): number =>
  (to[0] - from[0]) * (point[1] - from[1]) - (to[1] - from[1]) * (point[0] - from[0]);

/** The part of a polygon to the left of the line through two points. */
function leftOf(polygon: readonly Point[], from: Point, to: Point): Point[] {
  const kept: Point[] = [];
  polygon.forEach((current, index) => {
    const next = polygon[(index + 1) % polygon.length]!;
    const here = side(from, to, current);
    const there = side(from, to, next);
    if (here >= 0) kept.push(current);
    if ((here > 0 && there < 0) || (here < 0 && there > 0)) {
      const share = here / (here - there);
      kept.push([current[0] + share * (next[0] - current[0]), current[1] + share * (next[1] - current[1])]);
    }
  });
  return kept;
}

const edgesOf = (polygon: readonly Point[]) => polygon.map((from, index) => [from, polygon[(index + 1) % polygon.length]!] as const);

/** What two convex polygons share; empty when nothing. */
export function intersect(a: readonly Point[], b: readonly Point[]): Point[] {
  let rest: Point[] = [...a];
  for (const [from, to] of edgesOf(b)) {
    if (rest.length < 3) return [];
    rest = leftOf(rest, from, to);
  }
  return rest.length < 3 ? [] : rest;
}

/** A convex polygon less another, in convex pieces. */
export function subtract(a: readonly Point[], b: readonly Point[]): Point[][] {
  const pieces: Point[][] = [];
  let rest: Point[] = [...a];
  for (const [from, to] of edgesOf(b)) {
    if (rest.length < 3) return pieces;
    const outside = leftOf(rest, to, from);
    if (outside.length >= 3) pieces.push(outside);
    rest = leftOf(rest, from, to);
  }
  return pieces;
}

/** Whether a polygon is more than a sliver: wider than the tolerance. */
export function hasArea(polygon: readonly Point[]): boolean {
  if (polygon.length < 3) return false;
  let area = 0;
  let round = 0;
  for (const [from, to] of edgesOf(polygon)) {
    area += (from[0] * to[1] - to[0] * from[1]) / 2;
    round += Math.hypot(to[0] - from[0], to[1] - from[1]);
  }
  return round > 0 && (2 * Math.abs(area)) / round > TOLERANCE;
}
