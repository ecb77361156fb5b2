import type { Ticks } from '../measure/index.js';
import { type Bounds, boundsOf } from './bounds.js';
import { type Point, rectangleAt } from './point.js';

/** A convex patch of a board or a panel, through its whole thickness. */
export type Zone =
  | { kind: 'circle'; centre: Point; radius: Ticks }
  | { kind: 'rect'; corner: Point; width: Ticks; height: Ticks }
  | { kind: 'polygon'; points: readonly Point[] };

/** Smallest upright rectangleAt round a zone. */
export function zoneBounds(zone: Zone): Bounds {
  if (zone.kind === 'circle') {
    const [x, y] = zone.centre;
    return [x - zone.radius, y - zone.radius, x + zone.radius, y + zone.radius];
  }
  if (zone.kind === 'rect') {
    const [x, y] = zone.corner;
    return [x, y, x + zone.width, y + zone.height];
  }
  return boundsOf(zone.points);
}

/** The zone under a move by quarter turns, mirrorings and shifts, which keep circles round and rectangles upright. */
export function transformZone(zone: Zone, move: (point: Point) => Point): Zone {
  if (zone.kind === 'circle') return { ...zone, centre: move(zone.centre) };
  if (zone.kind === 'polygon') return { ...zone, points: zone.points.map(move) };
  const [left, bottom, right, top] = boundsOf([
    move(zone.corner),
    move([zone.corner[0] + zone.width, zone.corner[1] + zone.height]),
  ]);
  return { kind: 'rect', corner: [left, bottom], width: right - left, height: top - bottom };
}

/** The zone moved by (dx, dy). */
export const moveZone = (zone: Zone, dx: Ticks, dy: Ticks): Zone =>
  transformZone(zone, ([x, y]) => [x + dx, y + dy]);

/** A regular polygon with its corners on a circle, anticlockwise from the right. */
export const inscribed = (centre: Point, radius: number, corners: number): Point[] =>
  Array.from({ length: corners }, (_, index) => {
    const angle = (index / corners) * 2 * Math.PI;
    return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)];
  });

/** A zone as a convex polygon, a circle with so many corners on it. */
export function zoneOutline(zone: Zone, corners: number): Point[] {
  if (zone.kind === 'polygon') return [...zone.points];
  if (zone.kind === 'rect') return rectangleAt(...zone.corner, zone.width, zone.height);
  return inscribed(zone.centre, zone.radius, corners);
}
