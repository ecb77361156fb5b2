import { at } from '../lists/index.js';
import { asin, cos, sin, type Ticks } from '../measure/index.js';
import type { HoleShape } from '../plan/index.js';
import type { Point, Zone } from '../plane/index.js';
import { add, lengthOf, scale, subtract, type Vec3 } from '../solid/index.js';
import type { Feature, PanelSet } from './panel-set.js';

/** No knot within this of an entrance's rim, a screw or a tilted edge: about 12 mm, common practice, no source. */
export const CLEARANCE: Ticks = 12 * 320;

const whole = (value: number): Ticks => Math.round(value) || 0;

/** Width along y and height along x of a hole; null for what is no hole. */
export function holeSize(feature: Feature): { width: Ticks; height: Ticks } | null {
  if (feature.kind === 'groove' || feature.kind === 'mesh') return null;
  return feature.shape === 'round'
    ? { width: feature.diameter, height: feature.diameter }
    : { width: feature.width, height: feature.height };
}

/** Degrees by which a hole rises from the outside inwards; nothing where it is square to the face, as all are that name no axis. */
export const holeRise = (feature: Feature): number =>
  'axis' in feature && feature.axis ? asin(feature.axis[2]) : 0;

/** The least measure of the opening that an animal passes through, a pipe's bore or a hole's smaller side; null where there is no hole. */
export function clearOpening({ panels, fittings = [] }: PanelSet): Ticks | null {
  const bores = fittings.flatMap((fitting) => (fitting.kind === 'pipe' ? [fitting.bore] : []));
  const holes = panels.flatMap(({ features }) =>
    features.flatMap((feature) => {
      const size = feature.kind === 'entrance' ? holeSize(feature) : null;
      return size ? [Math.min(size.width, size.height)] : [];
    }),
  );
  const all = bores.length > 0 ? bores : holes;
  return all.length > 0 ? Math.max(...all) : null;
}

/** The wood that a hole takes out, as zones in the panel's frame; small holes for nails and screws leave the wood sound. */
export function cutAwayOf(feature: Feature): Zone[] {
  if (feature.kind === 'groove' || feature.kind === 'mesh') return [];
  if (feature.kind === 'pivot' || feature.kind === 'latch' || feature.kind === 'pilot') return [];
  if (feature.kind === 'mount') return [];
  if (feature.shape === 'round')
    return [{ kind: 'circle', centre: feature.centre, radius: Math.floor(feature.diameter / 2) }];
  const [x, y] = feature.centre;
  const { width, height } = feature;
  const rect = (left: number, low: number, long: number, wide: number): Zone => ({
    kind: 'rect',
    corner: [whole(left), whole(low)],
    width: whole(long),
    height: whole(wide),
  });
  if (feature.shape === 'square') return [rect(x - height / 2, y - width / 2, height, width)];
  if (feature.shape === 'arch') {
    const radius = Math.floor(width / 2);
    return [
      rect(x - height / 2, y - width / 2, height - radius, width),
      { kind: 'circle', centre: [whole(x + height / 2 - radius), y], radius },
    ];
  }
  const radius = Math.floor(Math.min(width, height) / 2);
  const run = Math.max(width, height) / 2 - radius;
  const level = width > height;
  const ends: Point[] = [-run, run].map(
    (shift): Point => (level ? [x, whole(y + shift)] : [whole(x + shift), y]),
  );
  return [
    level
      ? rect(x - radius, y - run, 2 * radius, 2 * run)
      : rect(x - run, y - radius, 2 * run, 2 * radius),
    ...ends.map((centre): Zone => ({ kind: 'circle', centre, radius })),
  ];
}

/** Zones round a feature in which no knot may lie. */
export function clearRound(feature: Feature): Zone[] {
  if (feature.kind === 'pilot' || feature.kind === 'pivot')
    return [{ kind: 'circle', centre: feature.centre, radius: CLEARANCE }];
  if (feature.kind !== 'entrance') return [];
  if (feature.shape === 'round')
    return [
      { kind: 'circle', centre: feature.centre, radius: whole(feature.diameter / 2) + CLEARANCE },
    ];
  const [x, y] = feature.centre;
  const { width, height } = feature;
  return [
    {
      kind: 'rect',
      corner: [whole(x - height / 2) - CLEARANCE, whole(y - width / 2) - CLEARANCE],
      width: height + 2 * CLEARANCE,
      height: width + 2 * CLEARANCE,
    },
  ];
}

/** The rim of a hole round a point, across `u` (width) and up `v` (height): what is open, as a polygon. */
export function rim(
  shape: 'round' | HoleShape,
  centre: Vec3,
  u: Vec3,
  v: Vec3,
  width: number,
  height: number,
): Vec3[] {
  const where = (across: number, up: number): Vec3 =>
    add(centre, add(scale(u, across), scale(v, up)));
  const [w, h] = [width / 2, height / 2];
  if (shape === 'square') return [where(-w, -h), where(w, -h), where(w, h), where(-w, h)];
  const arc = (cx: number, cy: number, radius: number, from: number, to: number): Vec3[] =>
    Array.from({ length: 13 }, (_unused, index) => {
      const turn = from + ((to - from) * index) / 12;
      return where(cx + radius * cos(turn), cy + radius * sin(turn));
    });
  if (shape === 'arch') return [where(-w, -h), where(w, -h), ...arc(0, h - w, w, 0, 180)];
  const radius = Math.min(w, h);
  const [dx, dy] = [w - radius, h - radius];
  const corners =
    dx >= dy
      ? [...arc(dx, 0, radius, -90, 90), ...arc(-dx, 0, radius, 90, 270)]
      : [...arc(0, dy, radius, 0, 180), ...arc(0, -dy, radius, 180, 360)];
  // In a round the two half circles share their ends.
  return corners.filter((corner, index) => lengthOf(subtract(corner, at(corners, index - 1))) > 1);
}
