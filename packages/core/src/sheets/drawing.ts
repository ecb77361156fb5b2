import { cos, fromMm, sin, type Ticks } from '../measure/index.js';
import { type Bounds, boundsOf } from '../plane/index.js';

export type DrawingPoint = readonly [x: number, y: number];
/**
 * What a line is, and so what a machine may do along it. Wood: board, defect, offcut (kept), panel (its edge) and far-face (the edge on the
 * other face). Taken out: hole, groove. To read: mark (on the tape), dimension, note. Views of a box: face, behind, cut.
 */
export type Layer =
  | 'board'
  | 'defect'
  | 'offcut'
  | 'panel'
  | 'far-face'
  | 'hole'
  | 'groove'
  | 'mark'
  | 'dimension'
  | 'note'
  | 'face'
  | 'behind'
  | 'cut';

export type DrawingShape =
  | { kind: 'path'; layer: Layer; points: readonly DrawingPoint[]; closed: boolean }
  | { kind: 'circle'; layer: Layer; centre: DrawingPoint; radius: number }
  | DrawnText;

/** Letters `height` high; `turn` in degrees, anticlockwise. */
export interface DrawnText {
  kind: 'text';
  layer: Layer;
  at: DrawingPoint;
  text: string;
  height: number;
  align: 'middle' | 'start';
  turn?: number;
}

/** A drawing to scale in ticks, y upwards, ready for any kind of file. */
export interface Drawing {
  name: string;
  shapes: readonly DrawingShape[];
}

/** Prints a length as the reader wants it, with its unit or without. */
export type SayLength = (ticks: Ticks) => string;

/** Letters on a drawing unless told otherwise. */
const LETTERS = fromMm(4);
/** Width of a letter for its height, at most. */
export const LETTER_WIDE = 0.62;

/** The four corners round letters, in ticks, anticlockwise from where they begin. */
export function cornersOfText({ text, height, turn = 0, at, align }: DrawnText): DrawingPoint[] {
  const long = text.length * height * LETTER_WIDE;
  const from = align === 'middle' ? -long / 2 : 0;
  const [c, s] = [cos(turn), sin(turn)];
  const corner = (u: number, v: number): DrawingPoint => [
    at[0] + u * c - v * s,
    at[1] + u * s + v * c,
  ];
  // Letters such as g reach a quarter below their line.
  const low = -height / 4;
  return [
    corner(from, low),
    corner(from + long, low),
    corner(from + long, height),
    corner(from, height),
  ];
}

/** The box round a drawing, in ticks: `[left, bottom, right, top]`. */
export const extentOf = ({ shapes }: Drawing): Bounds => boundsOf(shapes.flatMap(pointsOf));

/** Points between which a shape lies. */
function pointsOf(shape: DrawingShape): readonly DrawingPoint[] {
  if (shape.kind === 'path') return shape.points;
  if (shape.kind === 'text') return cornersOfText(shape);
  const { centre, radius } = shape;
  const [x, y] = centre;
  return [
    [x - radius, y - radius],
    [x + radius, y + radius],
  ];
}

/** A line to read a measure by. */
export const line = (from: DrawingPoint, to: DrawingPoint): DrawingShape => ({
  kind: 'path',
  layer: 'dimension',
  points: [from, to],
  closed: false,
});
/** Words on a drawing, 4 mm high unless told otherwise. */
export const note = (
  at: DrawingPoint,
  text: string,
  more: { turn?: number; align?: 'middle' | 'start'; height?: number; layer?: Layer } = {},
): DrawnText => ({
  kind: 'text',
  layer: more.layer ?? 'dimension',
  at,
  text,
  height: more.height ?? LETTERS,
  align: more.align ?? 'middle',
  ...(more.turn !== undefined && { turn: more.turn }),
});

/** A drawing moved by (dx, dy), for putting several on one sheet. */
export const moved = ({ name, shapes }: Drawing, dx: number, dy: number): Drawing => {
  const shift = ([x, y]: DrawingPoint): DrawingPoint => [x + dx, y + dy];
  return {
    name,
    shapes: shapes.map((shape) => {
      if (shape.kind === 'path') return { ...shape, points: shape.points.map(shift) };
      if (shape.kind === 'circle') return { ...shape, centre: shift(shape.centre) };
      return { ...shape, at: shift(shape.at) };
    }),
  };
};

const GAP = fromMm(30);

/** Several drawings one under the other. */
export function stacked(name: string, drawings: readonly Drawing[]): Drawing {
  let top = 0;
  const shapes: DrawingShape[] = [];
  for (const drawing of drawings) {
    const [left, bottom, , upper] = extentOf(drawing);
    shapes.push(...moved(drawing, -left, top - upper).shapes);
    top -= upper - bottom + GAP;
  }
  return { name, shapes };
}
