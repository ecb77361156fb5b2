import type { Ticks } from '../../measure/ticks.js';
import { type Defect, mustBeCutAway, type Point, type Zone, zoneBounds } from '../../wood/board.js';
import type { Shape } from './shapes.js';

/** A defect made ready for many questions. */
export interface Obstacle {
  hard: boolean;
  zone: Zone;
  left: Ticks;
  bottom: Ticks;
  right: Ticks;
  top: Ticks;
}

export const obstaclesOf = (defects: readonly Defect[]): Obstacle[] =>
  defects.map((defect) => {
    const [left, bottom, right, top] = zoneBounds(defect.zone);
    return { hard: mustBeCutAway(defect.kind), zone: defect.zone, left, bottom, right, top };
  });

const CIRCLE_CORNERS = 24;
/** A polygon drawn round a circle, so that keeping off the polygon keeps off the circle. */
function around(centre: Point, radius: number): Point[] {
  const reach = radius / Math.cos(Math.PI / CIRCLE_CORNERS);
  return Array.from({ length: CIRCLE_CORNERS }, (_unused, index) => {
    const angle = (2 * Math.PI * index) / CIRCLE_CORNERS;
    return [centre[0] + reach * Math.cos(angle), centre[1] + reach * Math.sin(angle)];
  });
}

function polygonOf(zone: Zone): readonly Point[] {
  if (zone.kind === 'circle') return around(zone.centre, zone.radius);
  if (zone.kind === 'polygon') return zone.points;
  const [x, y] = zone.corner;
  return [
    [x, y],
    [x + zone.width, y],
    [x + zone.width, y + zone.height],
    [x, y + zone.height],
  ];
}

function rangeAlong(points: readonly Point[], nx: number, ny: number): readonly [low: number, high: number] {
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  for (const [x, y] of points) {
    const value = nx * x + ny * y;
    low = Math.min(low, value);
    high = Math.max(high, value);
  }
  return [low, high];
}

/** Whether two convex polygons, the first moved by (dx, dy), share more than an edge: no line along an edge has them on its two sides. */
function overlap(moved: readonly Point[], fixed: readonly Point[], dx: number, dy: number): boolean {
  for (const edges of [moved, fixed]) {
    for (let i = 0; i < edges.length; i += 1) {
      const from = edges[i]!;
      const to = edges[(i + 1) % edges.length]!;
      const nx = to[1] - from[1];
      const ny = from[0] - to[0];
      if (Math.abs(nx) + Math.abs(ny) < 1e-9) continue;
      const shift = nx * dx + ny * dy;
      const [lowMoved, highMoved] = rangeAlong(moved, nx, ny);
      const [lowFixed, highFixed] = rangeAlong(fixed, nx, ny);
      if (highMoved + shift <= lowFixed || highFixed <= lowMoved + shift) return false;
    }
  }
  return true;
}

/** Whether a defect lies wholly inside one zone that is cut away, the zone moved by (x, y). */
function swallowed(zone: Zone, obstacle: Obstacle, x: Ticks, y: Ticks): boolean {
  if (zone.kind === 'circle') {
    const [cx, cy] = [zone.centre[0] + x, zone.centre[1] + y];
    if (obstacle.zone.kind === 'circle') {
      const [ox, oy] = obstacle.zone.centre;
      return Math.hypot(ox - cx, oy - cy) + obstacle.zone.radius <= zone.radius;
    }
    return polygonOf(obstacle.zone).every(([ox, oy]) => Math.hypot(ox - cx, oy - cy) <= zone.radius);
  }
  const hole = polygonOf(zone);
  const [low, bottom, high, top] = zoneBounds({ kind: 'polygon', points: hole });
  // Only upright rectangles are cut away beside circles.
  return obstacle.left >= low + x && obstacle.right <= high + x && obstacle.bottom >= bottom + y && obstacle.top <= top + y;
}

function clashes(shape: Shape, obstacle: Obstacle, x: Ticks, y: Ticks): boolean {
  if (obstacle.right <= x || obstacle.left >= x + shape.length || obstacle.top <= y || obstacle.bottom >= y + shape.width) return false;
  const defect = polygonOf(obstacle.zone);
  if (!overlap(shape.a, defect, x, y) && !overlap(shape.b, defect, x, y)) return false;
  if (shape.cutAway.some((zone) => swallowed(zone, obstacle, x, y))) return false;
  if (obstacle.hard || !shape.takesKnots) return true;
  return shape.clear.some((zone) => overlap(polygonOf(zone), defect, x, y));
}

/** The first defect that a shape lying at (x, y) may not take in, if any. */
export const clashAt = (shape: Shape, obstacles: readonly Obstacle[], x: Ticks, y: Ticks): Obstacle | undefined =>
  obstacles.find((obstacle) => clashes(shape, obstacle, x, y));

/**
 * The smallest x ≥ `from` at which the shape lies clear of every defect: it slides on past each one that it meets, or to where a hole
 * takes the defect away.
 */
export function slideClear(shape: Shape, obstacles: readonly Obstacle[], from: Ticks, y: Ticks, limit: Ticks): Ticks | null {
  let x = from;
  for (let step = 0; step <= 2 * obstacles.length + 2; step += 1) {
    if (x + shape.length > limit) return null;
    const clash = clashAt(shape, obstacles, x, y);
    if (!clash) return x;
    const past = Math.ceil(clash.right);
    const middle = (clash.left + clash.right) / 2;
    const swallowing = shape.cutAway
      .filter((zone) => zone.kind === 'circle')
      .map((zone) => Math.round(middle - zone.centre[0]))
      .filter((at) => at > x && at < past && !clashAt(shape, obstacles, at, y));
    const next = Math.min(past, ...swallowing);
    if (next <= x) return null;
    x = next;
  }
  return null;
}
