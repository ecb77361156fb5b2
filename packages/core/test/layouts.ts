import {
  type LayoutJob,
  type Part,
  type Placement,
  type Saw,
  STANDARD_SAW,
  type Stock,
} from '../src/job/index.js';
import type { Layout } from '../src/layout/index.js';
import { fromMm } from '../src/measure/index.js';
import type { Point, Zone } from '../src/plane/index.js';
import type { Defect } from '../src/wood/index.js';

/** Small jobs for tests, in millimetres. */
export const points = (...corners: readonly (readonly [number, number])[]): Point[] =>
  corners.map(([x, y]) => [fromMm(x), fromMm(y)]);
export const rectangle = (length: number, width: number): Point[] =>
  points([0, 0], [length, 0], [length, width], [0, width]);
export const circle = (x: number, y: number, radius: number): Zone => ({
  kind: 'circle',
  centre: [fromMm(x), fromMm(y)],
  radius: fromMm(radius),
});
export const knot = (
  x: number,
  y: number,
  radius: number,
  kind: Defect['kind'] = 'knot-sound',
): Defect => ({
  kind,
  zone: circle(x, y, radius),
});

export const part = (id: string, outline: readonly Point[], more: Partial<Part> = {}): Part => ({
  id,
  quantity: 1,
  thickness: fromMm(16),
  outline,
  underside: more.underside ?? outline,
  grain: 'along',
  outside: 'any',
  inside: 'any',
  knots: 'sound',
  clear: [],
  cutAway: [],
  materials: null,
  ...more,
});

export const board = (length: number, width: number, more: Partial<Stock> = {}): Stock => ({
  id: 'board',
  quantity: 1,
  material: 'western-red-cedar',
  thickness: fromMm(16),
  width: fromMm(width),
  length: fromMm(length),
  faceA: 'rough',
  faceB: 'rough',
  price: 100,
  offcut: false,
  grained: true,
  defects: [],
  ...more,
});

export const job = (
  parts: readonly Part[],
  stock: readonly Stock[],
  saw: Partial<Saw> = {},
  seconds = 0.2,
): LayoutJob => ({
  name: 'test',
  saw: { ...STANDARD_SAW, kerf: fromMm(3), ...saw },
  parts,
  stock,
  pinned: [],
  effort: { seconds },
});

export const placed = (
  id: string,
  x: number,
  y: number,
  more: Partial<Placement> = {},
): Placement => ({
  part: id,
  copy: 0,
  x: fromMm(x),
  y: fromMm(y),
  turn: 0,
  flipped: false,
  ...more,
});

export const layout = (placements: readonly Placement[], more: Partial<Layout> = {}): Layout => ({
  boards: [{ stock: 'board', piece: 0, placements, offcuts: [] }],
  unplaced: [],
  cost: 100,
  lowerBound: 0,
  boundProof: 'area',
  optimal: false,
  yield: 0,
  seconds: 0,
  ...more,
});
