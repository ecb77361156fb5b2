import { asin, atan2, type Degrees } from '../measure/angle.js';
import type { Ticks } from '../measure/ticks.js';
import { type ConvexSolid, cornersOf, type SolidFace } from '../solid/convex-solid.js';
import { distanceTo } from '../solid/half-space.js';
import { add, cross, dot, negate, scale, subtract, unit, type Vec3 } from '../solid/vector.js';
import type { Point, Zone } from '../wood/board.js';
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
  /** Features, given the function that brings a point of box space into the panel's frame. */
  features?: (toFrame: (point: Vec3) => Point) => readonly Feature[];
}

/** No knot within this of an entrance's rim or across a tilted edge: about 12 mm, common practice, no source. */
const CLEARANCE: Ticks = 12 * 320;
const NEAR: Ticks = 1;
const ALONG: Degrees = 0.005;

function faceTowards(solid: ConvexSolid, normal: Vec3): SolidFace {
  const face = solid.faces.find((candidate) => dot(candidate.plane.normal, normal) > 1 - 1e-9);
  if (!face) throw new Error('a slab has lost one of its two faces');
  return face;
}

function edgeOf(outline: readonly Vec3[], solid: ConvexSolid, outside: SolidFace, index: number): SolidFace {
  const from = outline[index]!;
  const to = outline[(index + 1) % outline.length]!;
  const face = solid.faces.find(
    (candidate) =>
      candidate !== outside && Math.abs(distanceTo(candidate.plane, from)) < NEAR && Math.abs(distanceTo(candidate.plane, to)) < NEAR,
  );
  if (!face) throw new Error('an outline edge belongs to no face');
  return face;
}

const cornerOn = (inside: SolidFace, a: SolidFace, b: SolidFace): Vec3 => {
  const misses = (corner: Vec3) => Math.abs(distanceTo(a.plane, corner)) + Math.abs(distanceTo(b.plane, corner));
  return [...inside.corners].sort((first, second) => misses(first) - misses(second))[0]!;
};

/** Rounds to whole ticks: the one place where geometry becomes whole numbers. */
const whole = (value: number): Ticks => Math.round(value) || 0;

function roundedInstance(solid: ConvexSolid, outsideNormal: Vec3, origin: Vec3, x: Vec3): PanelInstance {
  const corners = cornersOf(solid);
  const near = (a: Vec3, b: Vec3) => Math.abs(a[0] - b[0]) + Math.abs(a[1] - b[1]) + Math.abs(a[2] - b[2]) < 0.01;
  return {
    solid: {
      vertices: corners.map((corner) => [whole(corner[0]), whole(corner[1]), whole(corner[2])]),
      faces: solid.faces.map((face) => face.corners.map((corner) => corners.findIndex((candidate) => near(candidate, corner)))),
    },
    outsideNormal,
    frame: { origin: [whole(origin[0]), whole(origin[1]), whole(origin[2])], x },
  };
}

function cutAwayOf(feature: Feature): Zone[] {
  if (feature.kind === 'groove') return [];
  if (feature.shape === 'round') return [{ kind: 'circle', centre: feature.centre, radius: Math.floor(feature.diameter / 2) }];
  const [x, y] = feature.centre;
  const radius = Math.floor(Math.min(feature.width, feature.height) / 2);
  const run = Math.max(feature.width, feature.height) / 2 - radius;
  const ends: Point[] =
    feature.width > feature.height
      ? [
          [x, whole(y - run)],
          [x, whole(y + run)],
        ]
      : [
          [whole(x - run), y],
          [whole(x + run), y],
        ];
  return [
    {
      kind: 'rect',
      corner: [
        Math.min(ends[0]![0], x - (feature.width > feature.height ? radius : 0)),
        Math.min(ends[0]![1], y - (feature.width > feature.height ? 0 : radius)),
      ],
      width: feature.width > feature.height ? 2 * radius : whole(2 * run),
      height: feature.width > feature.height ? whole(2 * run) : 2 * radius,
    },
    ...ends.map((centre): Zone => ({ kind: 'circle', centre, radius })),
  ];
}

const clearRoundEntrance = (feature: Feature): Zone[] => {
  if (feature.kind !== 'entrance') return [];
  const size = feature.shape === 'round' ? feature.diameter : Math.max(feature.width, feature.height);
  return [{ kind: 'circle', centre: feature.centre, radius: whole(size / 2) + CLEARANCE }];
};

/** A strip inside a tilted edge, on the larger of the two faces, in which no knot may lie. */
function clearTiltedEdge(from: Point, to: Point): Zone {
  const run = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const inward: Point = [-((to[1] - from[1]) / run) * CLEARANCE, ((to[0] - from[0]) / run) * CLEARANCE];
  const moved = (point: Point): Point => [whole(point[0] + inward[0]), whole(point[1] + inward[1])];
  return { kind: 'polygon', points: [from, to, moved(to), moved(from)] };
}

/**
 * Reads a panel off its solid: outline, underside, edges with tilt and mitre, zones. Lengths in ticks, angles in degrees.
 * Throws when the solid is not a slab between two parallel faces, which is a fault of the family.
 */
export function cutPanel(draft: PanelDraft): Panel {
  const { solid, outsideNormal } = draft;
  const x = unit(draft.grainDirection);
  const y = cross(outsideNormal, x);
  const outside = faceTowards(solid, outsideNormal);
  const inside = faceTowards(solid, negate(outsideNormal));
  const outlineCorners = outside.corners;
  const edgeFaces = outlineCorners.map((_corner, index) => edgeOf(outlineCorners, solid, outside, index));
  const undersideCorners = outlineCorners.map((_corner, index) =>
    cornerOn(inside, edgeFaces[(index + edgeFaces.length - 1) % edgeFaces.length]!, edgeFaces[index]!),
  );
  const both = [...outlineCorners, ...undersideCorners];
  const leastX = Math.min(...both.map((corner) => dot(corner, x)));
  const leastY = Math.min(...both.map((corner) => dot(corner, y)));
  const origin = add(add(scale(x, leastX), scale(y, leastY)), scale(outsideNormal, outside.plane.offset));
  const toFrame = (point: Vec3): Point => {
    const from = subtract(point, origin);
    return [whole(dot(from, x)), whole(dot(from, y))];
  };
  const outline = outlineCorners.map(toFrame);
  const underside = undersideCorners.map(toFrame);
  const edges = edgeFaces.map((face, from): PanelEdge => {
    const to = (from + 1) % outline.length;
    const run = subtract(outlineCorners[to]!, outlineCorners[from]!);
    const slope = Math.abs(atan2(dot(run, x), dot(run, y)));
    const mitre = Math.min(slope, 180 - slope);
    return {
      from,
      to,
      tilt: asin(dot(face.plane.normal, outsideNormal)),
      mitre: mitre > 90 - ALONG ? 0 : mitre,
      length: whole(Math.hypot(dot(run, x), dot(run, y))),
    };
  });
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
    clear:
      draft.knots === 'none'
        ? []
        : [
            ...features.flatMap(clearRoundEntrance),
            ...edges.flatMap((edge) => {
              if (Math.abs(edge.tilt) < ALONG) return [];
              const larger = edge.tilt > 0 ? underside : outline;
              return [clearTiltedEdge(larger[edge.from]!, larger[edge.to]!)];
            }),
          ],
    cutAway: features.flatMap(cutAwayOf),
  };
}
