import { fromMm, type Ticks } from '../../measure/index.js';
import { cross, dot, lengthOf, scale, subtract, unit, type Vec3 } from '../../solid/index.js';
import type { Body } from '../bodies.js';

/** A piece is drawn out so far before nothing is in its way any more. */
const AWAY: Ticks = fromMm(3000);
/** Panels that slide along each other may overlap by so much: corners are rounded to the tick, and wood gives. */
const LEEWAY: Ticks = fromMm(0.3);
const ALIKE = 1 - 1e-6;
/** Edges shorter than this share of the longest turn no piece that their faces let pass: the many sides of a round’s bark. */
const COUNTS = 0.04;

const distinct = (directions: readonly Vec3[]): Vec3[] => {
  const kept: Vec3[] = [];
  for (const each of directions)
    if (!kept.some((other) => Math.abs(dot(other, each)) > ALIKE)) kept.push(each);
  return kept;
};

/** A body as separating planes are sought for it: its faces’ and its edges’ directions, each once. */
export interface Moved {
  corners: readonly Vec3[];
  normals: readonly Vec3[];
  edges: readonly Vec3[];
  low: Vec3;
  high: Vec3;
}

export function movedOf({ corners, planes, panel, instance }: Body): Moved {
  const { faces, vertices } = (panel.instances[instance] ?? { solid: { faces: [], vertices: [] } })
    .solid;
  const runs = faces.flatMap((face) =>
    face.map((from, index) => {
      const [a, b] = [vertices[from], vertices[face[(index + 1) % face.length] ?? 0]];
      return a && b ? subtract(b, a) : ([0, 0, 0] as Vec3);
    }),
  );
  const longest = Math.max(...runs.map(lengthOf));
  const axis = (pick: (values: number[]) => number): Vec3 => [
    pick(corners.map((each) => each[0])),
    pick(corners.map((each) => each[1])),
    pick(corners.map((each) => each[2])),
  ];
  return {
    corners,
    normals: distinct(planes.map(({ normal }) => normal)),
    edges: distinct(runs.filter((run) => lengthOf(run) > longest * COUNTS).map(unit)),
    low: axis((values) => Math.min(...values)),
    high: axis((values) => Math.max(...values)),
  };
}

const reach = (corners: readonly Vec3[], axis: Vec3): readonly [number, number] => {
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const corner of corners) {
    const value = dot(corner, axis);
    if (value < low) low = value;
    if (value > high) high = value;
  }
  return [low, high];
};

/** Whether two bodies’ boxes stay apart while the first is drawn out. */
function boxesApart(a: Moved, b: Moved, run: Vec3): boolean {
  for (const axis of [0, 1, 2] as const) {
    const low = a.low[axis] + Math.min(0, run[axis]);
    const high = a.high[axis] + Math.max(0, run[axis]);
    if (low > b.high[axis] - LEEWAY || high < b.low[axis] + LEEWAY) return true;
  }
  return false;
}

const separates = (axis: Vec3, a: Moved, b: Moved, run: Vec3): boolean => {
  const [a0, a1] = reach(a.corners, axis);
  const [b0, b1] = reach(b.corners, axis);
  const along = dot(run, axis);
  return a0 + Math.min(0, along) > b1 - LEEWAY || a1 + Math.max(0, along) < b0 + LEEWAY;
};

function* axesOf(a: Moved, b: Moved, run: Vec3): Generator<Vec3> {
  yield* a.normals;
  yield* b.normals;
  const edges = lengthOf(run) > 0 ? [...a.edges, unit(run)] : a.edges;
  const others = lengthOf(run) > 0 ? [...b.edges, unit(run)] : b.edges;
  for (const one of edges)
    for (const other of others) {
      const axis = cross(one, other);
      const long = lengthOf(axis);
      if (long > 1e-6) yield scale(axis, 1 / long);
    }
}

/** Whether two convex bodies stay apart while the first runs so far: separating axes of the swept body and the other, which is exact. */
function staysApart(a: Moved, b: Moved, run: Vec3): boolean {
  if (boxesApart(a, b, run)) return true;
  for (const axis of axesOf(a, b, run)) if (separates(axis, a, b, run)) return true;
  return false;
}

/** Whether one body sits in a groove of the other, so that they may run through each other there. */
export const isLetIn = (a: Moved, b: Moved): boolean => !staysApart(a, b, [0, 0, 0]);

/** Whether a body can be drawn straight out along a direction past another one. */
export const drawsOut = (a: Moved, b: Moved, direction: Vec3): boolean =>
  staysApart(a, b, scale(direction, AWAY));
