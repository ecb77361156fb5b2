import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import {
  crossing,
  inscribed,
  type Point,
  type Zone,
  zoneBounds,
  zoneOutline,
} from '../../plane/index.js';
import { type Defect, mustBeCutAway } from '../../wood/index.js';
import type { Shape } from './shapes.js';

/** A defect made ready for many questions. */
export interface Obstacle {
  hard: boolean;
  zone: Zone;
  /** The zone as a polygon round it. */
  polygon: readonly Point[];
  left: Ticks;
  bottom: Ticks;
  right: Ticks;
  top: Ticks;
}

export const obstaclesOf = (defects: readonly Defect[]): Obstacle[] =>
  defects.map((defect) => {
    const [left, bottom, right, top] = zoneBounds(defect.zone);
    return {
      hard: mustBeCutAway(defect.kind),
      zone: defect.zone,
      polygon: polygonOf(defect.zone),
      left,
      bottom,
      right,
      top,
    };
  });

const CIRCLE_CORNERS = 24;
/** Defects are met so often each at most while a shape slides on: one with holes to be screwed at may do so several times. */
const SLIDES = 4;

/** A zone as a polygon; round a circle, so that keeping off the polygon keeps off the circle. */
const polygonOf = (zone: Zone): readonly Point[] =>
  zone.kind === 'circle'
    ? inscribed(zone.centre, zone.radius / Math.cos(Math.PI / CIRCLE_CORNERS), CIRCLE_CORNERS)
    : zoneOutline(zone, CIRCLE_CORNERS);

function rangeAlong(
  points: readonly Point[],
  nx: number,
  ny: number,
): readonly [low: number, high: number] {
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
function overlap(
  moved: readonly Point[],
  fixed: readonly Point[],
  dx: number,
  dy: number,
): boolean {
  for (const edges of [moved, fixed]) {
    for (let i = 0; i < edges.length; i += 1) {
      const from = at(edges, i);
      const to = at(edges, (i + 1) % edges.length);
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

/** Whether a circle and a convex polygon moved by (dx, dy) share more than an edge: the polygon comes nearer to the centre than the radius. */
function meetsCircle(
  moved: readonly Point[],
  [cx, cy]: Point,
  radius: number,
  dx: number,
  dy: number,
): boolean {
  const [px, py] = [cx - dx, cy - dy];
  let inside = true;
  let nearest = Number.POSITIVE_INFINITY;
  let sense = 0;
  for (let i = 0; i < moved.length; i += 1) {
    const from = at(moved, i);
    const to = at(moved, (i + 1) % moved.length);
    const ex = to[0] - from[0];
    const ey = to[1] - from[1];
    const square = ex * ex + ey * ey;
    if (square < 1e-9) continue;
    const side = ex * (py - from[1]) - ey * (px - from[0]);
    if (side !== 0) {
      // Corners may run either way round.
      if (sense === 0) sense = Math.sign(side);
      else if (Math.sign(side) !== sense) inside = false;
    }
    const share = Math.max(0, Math.min(1, ((px - from[0]) * ex + (py - from[1]) * ey) / square));
    nearest = Math.min(nearest, Math.hypot(px - from[0] - share * ex, py - from[1] - share * ey));
  }
  return inside || nearest < radius;
}

const meets = (moved: readonly Point[], obstacle: Obstacle, x: Ticks, y: Ticks): boolean =>
  obstacle.zone.kind === 'circle'
    ? meetsCircle(moved, obstacle.zone.centre, obstacle.zone.radius, x, y)
    : overlap(moved, obstacle.polygon, x, y);

/** Whether a zone of a shape that lies at (x, y) and a defect share more than an edge. */
function zoneMeets(zone: Zone, obstacle: Obstacle, x: Ticks, y: Ticks): boolean {
  if (zone.kind !== 'circle') return meets(polygonOf(zone), obstacle, x, y);
  const centre: Point = [zone.centre[0] + x, zone.centre[1] + y];
  if (obstacle.zone.kind !== 'circle')
    return meetsCircle(obstacle.polygon, centre, zone.radius, 0, 0);
  const [ox, oy] = obstacle.zone.centre;
  return Math.hypot(ox - centre[0], oy - centre[1]) < zone.radius + obstacle.zone.radius;
}

/** Whether a defect lies wholly inside one zone that is cut away, the zone moved by (x, y). */
function swallowed(zone: Zone, obstacle: Obstacle, x: Ticks, y: Ticks): boolean {
  if (zone.kind === 'circle') {
    const [cx, cy] = [zone.centre[0] + x, zone.centre[1] + y];
    if (obstacle.zone.kind === 'circle') {
      const [ox, oy] = obstacle.zone.centre;
      return Math.hypot(ox - cx, oy - cy) + obstacle.zone.radius <= zone.radius;
    }
    return obstacle.polygon.every(([ox, oy]) => Math.hypot(ox - cx, oy - cy) <= zone.radius);
  }
  const hole = polygonOf(zone);
  const [low, bottom, high, top] = zoneBounds({ kind: 'polygon', points: hole });
  // Only upright rectangles are cut away beside circles.
  return (
    obstacle.left >= low + x &&
    obstacle.right <= high + x &&
    obstacle.bottom >= bottom + y &&
    obstacle.top <= top + y
  );
}

function clashes(shape: Shape, obstacle: Obstacle, x: Ticks, y: Ticks): boolean {
  if (
    obstacle.right <= x ||
    obstacle.left >= x + shape.length ||
    obstacle.top <= y ||
    obstacle.bottom >= y + shape.width
  )
    return false;
  if (!meets(shape.a, obstacle, x, y) && (shape.a === shape.b || !meets(shape.b, obstacle, x, y)))
    return false;
  if (shape.cutAway.some((zone) => swallowed(zone, obstacle, x, y))) return false;
  if (obstacle.hard || !shape.takesKnots) return true;
  return shape.clear.some((zone) => zoneMeets(zone, obstacle, x, y));
}

/** The first defect that a shape lying at (x, y) may not take in, if any. */
export const clashAt = (
  shape: Shape,
  obstacles: readonly Obstacle[],
  x: Ticks,
  y: Ticks,
): Obstacle | undefined => obstacles.find((obstacle) => clashes(shape, obstacle, x, y));

/** Centres of the shape's holes that are large enough to take a defect away, from the shape's corner. */
export const holesFor = (shape: Shape, obstacle: Obstacle): Point[] => {
  const across = Math.max(obstacle.right - obstacle.left, obstacle.top - obstacle.bottom);
  return shape.cutAway.flatMap((zone) =>
    zone.kind === 'circle' && 2 * zone.radius >= across ? [zone.centre] : [],
  );
};

/** How far along a defect reaches on a line along the board; null where it does not reach it. */
function endOf({ zone, polygon }: Obstacle, level: Ticks): Ticks | null {
  if (zone.kind !== 'circle') return crossing(polygon, 0, level)?.[1] ?? null;
  const [x, y] = zone.centre;
  const half = zone.radius ** 2 - (level - y) ** 2;
  return half < 0 ? null : x + Math.sqrt(half);
}

/** Where a face, `y` up, lies just behind a defect as far as one line along the board tells. */
function behindOn(level: Ticks, face: readonly Point[], obstacle: Obstacle, y: Ticks): Ticks {
  const end = endOf(obstacle, level);
  const chord = end === null ? null : crossing(face, 0, level - y);
  return end === null || chord === null ? Number.NEGATIVE_INFINITY : end - chord[0];
}

/** Where a face, `y` up, lies just behind a defect: asked on every line on which they can come to touch. */
function behind(face: readonly Point[], obstacle: Obstacle, y: Ticks): Ticks {
  const { zone, polygon } = obstacle;
  let x = Number.NEGATIVE_INFINITY;
  const ask = (level: Ticks) => {
    x = Math.max(x, behindOn(level, face, obstacle, y));
  };
  let from = at(face, face.length - 1);
  for (const to of face) {
    const [along, across] = [to[0] - from[0], to[1] - from[1]];
    if (across !== 0) ask(to[1] + y);
    // A slope touches a circle square to itself.
    if (zone.kind === 'circle' && along !== 0 && across !== 0) {
      const off = (zone.radius * along * Math.sign(across)) / Math.hypot(along, across);
      ask(zone.centre[1] - off);
      ask(zone.centre[1] + off);
    }
    from = to;
  }
  if (zone.kind === 'circle') ask(zone.centre[1]);
  else for (const [, level] of polygon) ask(level);
  return x;
}

/** Where a zone of a shape, `y` up, lies just behind a defect. */
function zoneBehind(zone: Zone, obstacle: Obstacle, y: Ticks): Ticks {
  if (zone.kind !== 'circle' || obstacle.zone.kind !== 'circle')
    return behind(polygonOf(zone), obstacle, y);
  const [x, level] = obstacle.zone.centre;
  const apart = zone.radius + obstacle.zone.radius;
  const half = apart ** 2 - (level - zone.centre[1] - y) ** 2;
  return half < 0 ? Number.NEGATIVE_INFINITY : x + Math.sqrt(half) - zone.centre[0];
}

/**
 * Where a shape that clashes with a defect at `x` lies clear of it: as soon as its faces are behind it, or what must be clear of a sound knot, else
 * past all of it.
 */
function slidPast(shape: Shape, obstacle: Obstacle, x: Ticks, y: Ticks): Ticks {
  const past = Math.max(x + 1, Math.ceil(obstacle.right));
  const faces = shape.a === shape.b ? [shape.a] : [shape.a, shape.b];
  const soon =
    obstacle.hard || !shape.takesKnots
      ? [Math.max(...faces.map((face) => behind(face, obstacle, y)))]
      : shape.clear.map((zone) => zoneBehind(zone, obstacle, y));
  const clear = soon
    .map(Math.ceil)
    .filter((each) => each > x && each < past && !clashes(shape, obstacle, each, y));
  return Math.min(past, ...clear);
}

/**
 * An x ≥ `from`, as small as it is found, at which the shape lies clear of every defect: it slides on past each one that it meets, or to where
 * a hole has it in its middle and takes it away.
 */
export function slideClear(
  shape: Shape,
  obstacles: readonly Obstacle[],
  from: Ticks,
  y: Ticks,
  limit: Ticks,
): Ticks | null {
  let x = from;
  for (let step = 0; step <= SLIDES * (obstacles.length + 1); step += 1) {
    if (x + shape.length > limit) return null;
    const clash = clashAt(shape, obstacles, x, y);
    if (!clash) return x;
    const past = slidPast(shape, clash, x, y);
    const middle = (clash.left + clash.right) / 2;
    const swallowing = holesFor(shape, clash)
      .map((centre) => Math.round(middle - centre[0]))
      .filter((at) => at > x && at < past && !clashAt(shape, obstacles, at, y));
    x = Math.min(past, ...swallowing);
  }
  return null;
}
