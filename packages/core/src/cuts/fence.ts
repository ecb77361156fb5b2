import type { SawCut, Wood } from '../layout/index.js';
import type { Ticks } from '../measure/index.js';
import type { Point } from '../plane/index.js';

/** An edge of a piece: near and far run along the board, low and high across it. */
export type Side = 'near' | 'far' | 'low' | 'high';
export type FaceUp = 'A' | 'B';

/** How a piece lies at a saw: which edge is on the fence, away from the maker, and which face is up. */
export interface Lie {
  fence: Side;
  faceUp: FaceUp;
}

/** The edge of a piece on the fence: from left to right as the maker sees it. */
export interface FenceEdge {
  left: number;
  right: number;
  /** How far it lies from the fence: the other face may reach further. */
  off: number;
}

/** Corners that lie on one line to within this are on one edge: 0.025 mm. */
const ON_EDGE: Ticks = 8;

const RIGHT: Readonly<Record<Side, Point>> = {
  far: [1, 0],
  near: [-1, 0],
  high: [0, -1],
  low: [0, 1],
};
const TOWARDS: Readonly<Record<Side, Point>> = {
  far: [0, -1],
  near: [0, 1],
  high: [-1, 0],
  low: [1, 0],
};
const LEFT_END: Readonly<Record<Side, Side>> = {
  far: 'low',
  near: 'high',
  high: 'far',
  low: 'near',
};
const OPPOSITE: Readonly<Record<Side, Side>> = {
  far: 'near',
  near: 'far',
  high: 'low',
  low: 'high',
};

/** The end of a piece that lies at the maker's left, where the stop is. */
export const leftEnd = ({ fence, faceUp }: Lie): Side =>
  faceUp === 'A' ? LEFT_END[fence] : OPPOSITE[LEFT_END[fence]];

/** A point or a direction of the board as the maker sees it at the saw: to the right along the fence, and from it towards the maker. */
export function seenAt({ fence, faceUp }: Lie, [x, y]: Point): Point {
  const [right, towards] = [RIGHT[fence], TOWARDS[fence]];
  const u = right[0] * x + right[1] * y;
  return [faceUp === 'A' ? u : -u, towards[0] * x + towards[1] * y];
}

const faceOf = ({ faceA, faceB }: Wood, up: boolean, { faceUp }: Lie): readonly Point[] =>
  (faceUp === 'A') === up ? faceA : faceB;

/** Where the fence is: the least that either face comes to it. */
export const fencePlane = (wood: Wood, lie: Lie): number =>
  Math.min(...[...wood.faceA, ...wood.faceB].map((corner) => seenAt(lie, corner)[1]));

/** The straight edge of one face that lies along the fence; null where there is only a corner or no wood. */
export function edgeOnFence(wood: Wood, lie: Lie, up: boolean): FenceEdge | null {
  const seen = faceOf(wood, up, lie).map((corner) => seenAt(lie, corner));
  const least = Math.min(...seen.map(([, v]) => v));
  const on = seen.filter(([, v]) => v <= least + ON_EDGE).map(([u]) => u);
  const [left, right] = [Math.min(...on), Math.max(...on)];
  if (!(right - left > ON_EDGE)) return null;
  return { left, right, off: least - fencePlane(wood, lie) };
}

/** Where a cut meets the edge on the fence, on the face that is up: ticks along the fence and from it. */
export interface AtFence {
  edge: FenceEdge;
  level: number;
  /** Where its line crosses the edge. */
  line: number;
  /** The outermost corner of either face at the end on the left, where a stop touches, and the nearer side of the kerf. */
  from: number;
  to: number;
}

/** Where a cut meets the edge on the fence; null where nothing straight lies there, or the cut runs along it. */
export function cutAtFence({ point, along, kerf }: SeenCut, wood: Wood, lie: Lie): AtFence | null {
  const [edge, below] = [edgeOnFence(wood, lie, true), edgeOnFence(wood, lie, false)];
  if (!edge || along[1] === 0) return null;
  const level = fencePlane(wood, lie) + edge.off;
  const crossing = ([u, v]: Point) => u + ((level - v) * along[0]) / along[1];
  const line = crossing(point);
  return {
    edge,
    level,
    line,
    from: Math.min(edge.left, below?.left ?? edge.left),
    to: Math.min(line, crossing([point[0] + kerf[0], point[1] + kerf[1]])),
  };
}

/** How far a piece reaches along the fence. */
export function reachAlong(wood: Wood, lie: Lie): Ticks {
  const us = [...wood.faceA, ...wood.faceB].map((corner) => seenAt(lie, corner)[0]);
  return us.length === 0 ? 0 : Math.max(...us) - Math.min(...us);
}

/** A cut as the maker sees it: a point of its line on the face that is up, its direction, and how far the line on the face below lies beside it. */
export interface SeenCut {
  point: Point;
  along: Point;
  /** From the upper face's line to the lower one's. */
  below: Point;
  /** From the line to the far side of the kerf. */
  kerf: Point;
}

/** A cut seen at the saw; `width` is what it takes of a face. */
export function seenCut(cut: SawCut, width: number, lie: Lie): SeenCut {
  const { along, point, shift } = cut;
  const left: Point = [-along[1], along[0]];
  const moved = (by: number): Point => [left[0] * by, left[1] * by];
  const toB = moved(shift);
  const up: Point = lie.faceUp === 'A' ? point : [point[0] + toB[0], point[1] + toB[1]];
  const below: Point = lie.faceUp === 'A' ? toB : [-toB[0], -toB[1]];
  return {
    point: seenAt(lie, up),
    along: seenAt(lie, along),
    below: seenAt(lie, below),
    kerf: seenAt(lie, moved(-width)),
  };
}
