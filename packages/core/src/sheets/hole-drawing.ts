import type { BoredFace, FromEdge, Hole } from '../building/index.js';
import { at, ringPairs } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import type { Panel } from '../panels/index.js';
import { inscribed, type Point } from '../plane/index.js';
import {
  type Drawing,
  type DrawingPoint,
  type DrawingShape,
  extentOf,
  line,
  note,
  type SayLength,
} from './drawing.js';

/** One side of a panel as it lies before the maker, with the holes that are bored in it. */
export interface BoredSide {
  panel: Panel;
  face: BoredFace;
  holes: readonly Hole[];
  /** Those whose distances are written out. */
  measured: readonly Hole[];
}

/** From the panel’s frame to the paper: the grain upright, as seen from the face that is bored. */
const onPaper =
  (face: 'outside' | 'inside') =>
  ([x, y]: Point): DrawingPoint =>
    face === 'outside' ? [-y, x] : [y, x];

const path = (layer: DrawingShape['layer'], points: readonly DrawingPoint[]): DrawingShape => ({
  kind: 'path',
  layer,
  points,
  closed: true,
});

const ROUND = 24;

/** The rim of a hole about its middle on the paper. */
function rimAt(middle: DrawingPoint, { size }: Hole): DrawingShape[] {
  if (size.shape === 'round') {
    const radius = Math.max(size.diameter / 2, fromMm(0.6));
    return [path('hole', inscribed(middle, radius, ROUND))];
  }
  const [w, h] = [size.width / 2, size.height / 2];
  const [x, y] = middle;
  if (size.shape === 'square')
    return [
      path('hole', [
        [x - w, y - h],
        [x + w, y - h],
        [x + w, y + h],
        [x - w, y + h],
      ]),
    ];
  const radius = size.shape === 'arch' ? w : Math.min(w, h);
  const arc = (cx: number, cy: number, from: number, to: number): DrawingPoint[] =>
    Array.from({ length: 13 }, (_unused, index) => {
      const turn = ((from + ((to - from) * index) / 12) * Math.PI) / 180;
      return [cx + radius * Math.cos(turn), cy + radius * Math.sin(turn)];
    });
  if (size.shape === 'arch')
    return [path('hole', [[x - w, y - h], [x + w, y - h], ...arc(x, y + h - w, 0, 180)])];
  const [dx, dy] = [w - radius, h - radius];
  return [
    path(
      'hole',
      dx >= dy
        ? [...arc(x + dx, y, -90, 90), ...arc(x - dx, y, 90, 270)]
        : [...arc(x, y + dy, 0, 180), ...arc(x, y - dy, 180, 360)],
    ),
  ];
}

/** The foot of a square line from a point to an edge. */
function footOn(polygon: readonly Point[], edge: number, [x, y]: Point): Point {
  const from = at(polygon, edge);
  const to = at(polygon, (edge + 1) % polygon.length);
  const run = [to[0] - from[0], to[1] - from[1]] as const;
  const long = Math.hypot(...run) || 1;
  const along = ((x - from[0]) * run[0] + (y - from[1]) * run[1]) / long;
  return [from[0] + (run[0] / long) * along, from[1] + (run[1] / long) * along];
}

interface Lettering {
  say: SayLength;
  height: Ticks;
}

/** A measure from a hole to where it is measured from, its figure beside the line. */
function measure(
  middle: DrawingPoint,
  foot: DrawingPoint,
  distance: Ticks,
  { say, height }: Lettering,
): DrawingShape[] {
  const level = Math.abs(foot[0] - middle[0]) > Math.abs(foot[1] - middle[1]);
  const [mx, my] = [(foot[0] + middle[0]) / 2, (foot[1] + middle[1]) / 2];
  return [
    line(middle, foot),
    level
      ? note([mx, my + height * 0.25], say(distance), { height })
      : note([mx + height * 0.25, my - height / 2], say(distance), { height, align: 'start' }),
  ];
}

/** A hole’s number beside its rim, on the side away from what it is measured from. */
function numbered(
  [x, y]: DrawingPoint,
  feet: readonly DrawingPoint[],
  index: number,
  { size }: Hole,
  { height }: Lettering,
): DrawingShape {
  const radius = size.shape === 'round' ? size.diameter / 2 : size.width / 2;
  const away = (axis: 0 | 1): number =>
    feet.reduce((total, foot) => total + foot[axis], 0) / feet.length > (axis === 0 ? x : y)
      ? -1
      : 1;
  const out = radius + height * 0.7;
  return note([x + away(0) * out, y + away(1) * out - height * 0.4], String(index + 1), {
    height: height * 0.8,
    layer: 'note',
  });
}

function inFace(
  { panel, holes, measured }: BoredSide,
  face: 'outside' | 'inside',
  letters: Lettering,
): DrawingShape[] {
  const place = onPaper(face);
  const polygon = face === 'outside' ? panel.outline : panel.underside;
  const other = face === 'outside' ? panel.underside : panel.outline;
  const differs = polygon.some(([x, y], index) => {
    const [u, v] = at(other, index);
    return Math.hypot(u - x, v - y) > fromMm(0.1);
  });
  const edgeOf = (from: FromEdge): number => ('edge' in from ? from.edge : 0);
  return [
    path('panel', polygon.map(place)),
    ...(differs ? [{ ...path('far-face', other.map(place)) }] : []),
    ...holes.flatMap((hole) => rimAt(place(hole.at), hole)),
    ...holes.map((hole, index) => {
      const feet = hole.from.map((from) => place(footOn(polygon, edgeOf(from), hole.at)));
      return numbered(place(hole.at), feet, index, hole, letters);
    }),
    ...measured.flatMap((hole) =>
      hole.from.flatMap((from) =>
        measure(
          place(hole.at),
          place(footOn(polygon, edgeOf(from), hole.at)),
          from.distance,
          letters,
        ),
      ),
    ),
  ];
}

/** A measure beside a thin strip: its line off the wood, witness lines to both ends. */
function beside(
  from: DrawingPoint,
  to: DrawingPoint,
  off: DrawingPoint,
  distance: Ticks,
  { say, height }: Lettering,
): DrawingShape[] {
  const shift = ([x, y]: DrawingPoint): DrawingPoint => [x + off[0], y + off[1]];
  const [a, b] = [shift(from), shift(to)];
  const [mx, my] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const level = off[0] === 0;
  return [
    line(a, b),
    line(from, a),
    line(to, b),
    level
      ? note([mx, my + height * 0.25], say(distance), { height })
      : note([mx + height * 0.4, my - height / 2], say(distance), { height, align: 'start' }),
  ];
}

function inEdge(
  { panel, holes, measured }: BoredSide,
  edge: number,
  letters: Lettering,
): DrawingShape[] {
  const [from, to] = at(ringPairs(panel.outline), edge);
  const long = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const { thickness } = panel;
  const { height } = letters;
  // Seen from the edge, the outside of the panel above, its first corner on the left.
  const place = ([along, deep]: Point): DrawingPoint => [along, thickness - deep];
  return [
    path('panel', [
      [0, 0],
      [long, 0],
      [long, thickness],
      [0, thickness],
    ]),
    note([long / 2, -height * 3.2], 'inside below, outside above', { height }),
    ...holes.flatMap((hole) => rimAt(place(hole.at), hole)),
    ...holes.map((hole, index) =>
      note([place(hole.at)[0], -height * 1.3], String(index + 1), { height, layer: 'note' }),
    ),
    ...measured.flatMap((hole) => {
      const middle = place(hole.at);
      const out = long + height * 0.8 - middle[0];
      return [
        ...beside([0, thickness], [middle[0], thickness], [0, height], hole.at[0], letters),
        line(middle, [middle[0], thickness]),
        ...beside(middle, [middle[0], thickness], [out, 0], hole.at[1], letters),
      ];
    }),
  ];
}

/** Letters as a share of the side’s larger measure. */
const LETTERS = 0.045;

/** One side of a panel with its holes, to scale, in ticks; the distances of some of them written out. */
export function holeDrawing(side: BoredSide, say: SayLength, height?: Ticks): Drawing {
  const { panel, face } = side;
  const all = [...panel.outline, ...panel.underside];
  const reach = Math.max(...all.map(([x]) => Math.abs(x)), ...all.map(([, y]) => Math.abs(y)));
  const letters = { say, height: height ?? reach * LETTERS };
  return {
    name: panel.id,
    shapes:
      typeof face === 'string' ? inFace(side, face, letters) : inEdge(side, face.edge, letters),
  };
}

/** Letters on a template, and half of the cross that an awl is set on. */
const TEMPLATE_LETTERS: Ticks = fromMm(3.5);
const HALF_CROSS: Ticks = fromMm(4);

/** The middle of a hole on a side’s drawing. */
function middleOf({ face, panel }: BoredSide, { at: place }: Hole): DrawingPoint {
  if (typeof face === 'string') return onPaper(face)(place);
  return [place[0], panel.thickness - place[1]];
}

/** One side with its holes to be laid on the wood at 1 : 1: a cross in each, its number and its width, the panel’s edges to lay it by. */
export function holeTemplate(side: BoredSide, title: string, say: SayLength): Drawing {
  const { name, shapes } = holeDrawing({ ...side, measured: [] }, say, TEMPLATE_LETTERS);
  const stroke = (points: readonly DrawingPoint[]): DrawingShape => ({
    kind: 'path',
    layer: 'mark',
    points,
    closed: false,
  });
  const crosses = side.holes.flatMap((hole) => {
    const [x, y] = middleOf(side, hole);
    return [
      stroke([
        [x - HALF_CROSS, y],
        [x + HALF_CROSS, y],
      ]),
      stroke([
        [x, y - HALF_CROSS],
        [x, y + HALF_CROSS],
      ]),
    ];
  });
  const wide = ({ size }: Hole): string =>
    size.shape === 'round'
      ? say(size.diameter)
      : `${size.shape} ${say(size.width)} × ${say(size.height)}`;
  const [left, low] = extentOf({ name, shapes });
  const words = [title, ...side.holes.map((hole, index) => `${index + 1}: ${wide(hole)}`)];
  return {
    name,
    shapes: [
      ...shapes,
      ...crosses,
      ...words.map((each, index) =>
        note([left, low - (index + 2) * TEMPLATE_LETTERS * 1.5], each, {
          height: TEMPLATE_LETTERS,
          align: 'start',
          layer: 'note',
        }),
      ),
    ],
  };
}
