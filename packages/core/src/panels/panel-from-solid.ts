import { at } from '../lists/index.js';
import { asin, atan2, type Degrees, type Ticks } from '../measure/index.js';
import type { Point, Zone } from '../plane/index.js';
import {
  add,
  type ConvexSolid,
  cornersOf,
  cross,
  distanceTo,
  dot,
  negate,
  type SolidFace,
  scale,
  subtract,
  unit,
  type Vec3,
} from '../solid/index.js';
import { CLEARANCE, clearRound, cutAwayOf } from './features.js';
import type { Feature, Panel, PanelEdge, PanelInstance } from './panel-set.js';

/** A panel as a family declares it: a slab with its directions; everything else is read off the solid. */
export interface PanelDraft {
  id: string;
  role: string;
  thickness: Ticks;
  solid: ConvexSolid;
  outsideNormal: Vec3;
  /** Direction of the frame's x, which is the grain. */
  grainDirection: Vec3;
  grain: Panel['grain'];
  /** Texture of the outside face; any when left out. */
  outside?: Panel['outside'];
  inside: Panel['inside'];
  knots: Panel['knots'];
  /** Off a log: a slab with its bark side, read as the blank round the whole solid; or flat, sawn on both faces. No board carries either. */
  fromLog?: 'slab' | 'flat';
  /** Features, given the function that brings a point of box space into the panel's frame. */
  features?: (toFrame: (point: Vec3) => Point) => readonly Feature[];
}

const NEAR: Ticks = 1;
const ALONG: Degrees = 0.005;

function faceTowards(solid: ConvexSolid, normal: Vec3): SolidFace {
  const face = solid.faces.find((candidate) => dot(candidate.plane.normal, normal) > 1 - 1e-9);
  if (!face) throw new Error('a slab has lost one of its two faces');
  return face;
}

function edgeOf(
  outline: readonly Vec3[],
  solid: ConvexSolid,
  outside: SolidFace,
  index: number,
): SolidFace {
  const from = at(outline, index);
  const to = at(outline, (index + 1) % outline.length);
  const face = solid.faces.find(
    (candidate) =>
      candidate !== outside &&
      Math.abs(distanceTo(candidate.plane, from)) < NEAR &&
      Math.abs(distanceTo(candidate.plane, to)) < NEAR,
  );
  if (!face) throw new Error('an outline edge belongs to no face');
  return face;
}

const cornerOn = (inside: SolidFace, a: SolidFace, b: SolidFace): Vec3 => {
  const misses = (corner: Vec3) =>
    Math.abs(distanceTo(a.plane, corner)) + Math.abs(distanceTo(b.plane, corner));
  return at(
    [...inside.corners].sort((first, second) => misses(first) - misses(second)),
    0,
  );
};

/** Rounds to whole ticks: the one place where geometry becomes whole numbers. */
const whole = (value: number): Ticks => Math.round(value) || 0;

function roundedInstance(
  solid: ConvexSolid,
  outsideNormal: Vec3,
  origin: Vec3,
  x: Vec3,
): PanelInstance {
  const corners = cornersOf(solid);
  const near = (a: Vec3, b: Vec3) =>
    Math.abs(a[0] - b[0]) + Math.abs(a[1] - b[1]) + Math.abs(a[2] - b[2]) < 0.01;
  return {
    solid: {
      vertices: corners.map((corner) => [whole(corner[0]), whole(corner[1]), whole(corner[2])]),
      faces: solid.faces.map((face) =>
        face.corners.map((corner) => corners.findIndex((candidate) => near(candidate, corner))),
      ),
    },
    outsideNormal,
    frame: { origin: [whole(origin[0]), whole(origin[1]), whole(origin[2])], x },
  };
}

/** A strip inside a tilted edge, on the larger of the two faces, in which no knot may lie. */
function clearTiltedEdge(from: Point, to: Point): Zone {
  const run = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const inward: Point = [
    -((to[1] - from[1]) / run) * CLEARANCE,
    ((to[0] - from[0]) / run) * CLEARANCE,
  ];
  const moved = (point: Point): Point => [whole(point[0] + inward[0]), whole(point[1] + inward[1])];
  return { kind: 'polygon', points: [from, to, moved(to), moved(from)] };
}

/** The faces of a slab: outside, inside, and those along its edges in the outline's order. */
interface Slab {
  outside: SolidFace;
  inside: SolidFace;
  edges: readonly SolidFace[];
}

function slabOf({ solid, outsideNormal }: PanelDraft): Slab {
  const outside = faceTowards(solid, outsideNormal);
  const inside = faceTowards(solid, negate(outsideNormal));
  const edges = outside.corners.map((_corner, index) =>
    edgeOf(outside.corners, solid, outside, index),
  );
  return { outside, inside, edges };
}

function panelEdge(
  face: SolidFace,
  from: number,
  corners: readonly Vec3[],
  { x, y, outsideNormal }: { x: Vec3; y: Vec3; outsideNormal: Vec3 },
): PanelEdge {
  const to = (from + 1) % corners.length;
  const run = subtract(at(corners, to), at(corners, from));
  const slope = Math.abs(atan2(dot(run, x), dot(run, y)));
  const mitre = Math.min(slope, 180 - slope);
  return {
    from,
    to,
    tilt: asin(dot(face.plane.normal, outsideNormal)),
    mitre: mitre > 90 - ALONG ? 0 : mitre,
    length: whole(Math.hypot(dot(run, x), dot(run, y))),
  };
}

/** Where no knot may lie: round what is cut out, and along tilted edges on the larger face. */
const clearZones = ({
  outline,
  underside,
  edges,
  features,
}: Pick<Panel, 'outline' | 'underside' | 'edges' | 'features'>): Zone[] => [
  ...features.flatMap(clearRound),
  ...edges
    .filter(({ tilt }) => Math.abs(tilt) >= ALONG)
    .map(({ tilt, from, to }) => {
      const larger = tilt > 0 ? underside : outline;
      return clearTiltedEdge(at(larger, from), at(larger, to));
    }),
];

/** The frame of a panel: its axes, and its origin on the outside face, at the lower left of both faces together. */
function axesOf(draft: PanelDraft, corners: readonly Vec3[]) {
  const { outsideNormal } = draft;
  const x = unit(draft.grainDirection);
  const y = cross(outsideNormal, x);
  const least = (axis: Vec3) => Math.min(...corners.map((corner) => dot(corner, axis)));
  const most = Math.max(...corners.map((corner) => dot(corner, outsideNormal)));
  const origin = add(add(scale(x, least(x)), scale(y, least(y))), scale(outsideNormal, most));
  const toFrame = (point: Vec3): Point => {
    const from = subtract(point, origin);
    return [whole(dot(from, x)), whole(dot(from, y))];
  };
  return { x, y, origin, toFrame };
}

/** Brings a point of box space into the frame that a draft's panel will have. */
export const frameOf = (draft: PanelDraft): ((point: Vec3) => Point) =>
  axesOf(draft, cornersOf(draft.solid)).toFrame;

/**
 * Reads a panel off its solid: outline, underside, edges with tilt and mitre, zones. Lengths in ticks, angles in degrees.
 * Throws when the solid is not a slab between two parallel faces, which is a fault of the family.
 */
export function cutPanel(draft: PanelDraft): Panel {
  if (draft.fromLog === 'slab') return cutSlab(draft);
  const { solid, outsideNormal } = draft;
  const slab = slabOf(draft);
  const { corners } = slab.outside;
  const undersideCorners = slab.edges.map((edge, index) =>
    cornerOn(slab.inside, at(slab.edges, index - 1), edge),
  );
  const { x, y, origin, toFrame } = axesOf(draft, [...corners, ...undersideCorners]);
  const outline = corners.map(toFrame);
  const underside = undersideCorners.map(toFrame);
  const edges = slab.edges.map((face, from) =>
    panelEdge(face, from, corners, { x, y, outsideNormal }),
  );
  const features = draft.features?.(toFrame) ?? [];
  return {
    id: draft.id,
    role: draft.role,
    thickness: draft.thickness,
    instances: [roundedInstance(solid, outsideNormal, origin, x)],
    outline,
    underside,
    edges,
    features,
    grain: draft.grain,
    outside: draft.outside ?? 'any',
    inside: draft.inside,
    knots: draft.knots,
    clear: draft.knots === 'none' ? [] : clearZones({ outline, underside, edges, features }),
    cutAway: features.flatMap(cutAwayOf),
    ...(draft.fromLog && { fromLog: true as const }),
  };
}

/** A slab of a round: its blank is the rectangle round it, square on all edges. */
function cutSlab(draft: PanelDraft): Panel {
  const { solid, outsideNormal } = draft;
  const x = unit(draft.grainDirection);
  const y = cross(outsideNormal, x);
  const corners = cornersOf(solid);
  const reach = (axis: Vec3) => {
    const values = corners.map((corner) => dot(corner, axis));
    return [Math.min(...values), Math.max(...values)] as const;
  };
  const [[x0, x1], [y0, y1], [, out]] = [reach(x), reach(y), reach(outsideNormal)];
  const origin = add(add(scale(x, x0), scale(y, y0)), scale(outsideNormal, out));
  const toFrame = (point: Vec3): Point => {
    const from = subtract(point, origin);
    return [whole(dot(from, x)), whole(dot(from, y))];
  };
  const [long, wide] = [whole(x1 - x0), whole(y1 - y0)];
  const outline: Point[] = [
    [0, 0],
    [long, 0],
    [long, wide],
    [0, wide],
  ];
  const features = draft.features?.(toFrame) ?? [];
  return {
    id: draft.id,
    role: draft.role,
    thickness: draft.thickness,
    instances: [roundedInstance(solid, outsideNormal, origin, x)],
    outline,
    underside: outline,
    edges: outline.map((_corner, from) => ({
      from,
      to: (from + 1) % 4,
      tilt: 0,
      mitre: 0,
      length: from % 2 === 0 ? long : wide,
    })),
    features,
    grain: draft.grain,
    outside: draft.outside ?? 'any',
    inside: draft.inside,
    knots: draft.knots,
    clear: features.flatMap(clearRound),
    cutAway: features.flatMap(cutAwayOf),
    fromLog: true,
  };
}
