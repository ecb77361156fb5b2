import { describe, expect, test } from '@jest/globals';
import {
  board,
  circle,
  job,
  knot,
  layout,
  part,
  placed,
  points,
  rectangle,
} from '../../test/layouts.js';
import { at } from '../lists/index.js';
import { fromMm, type Ticks, toMm } from '../measure/index.js';
import { boardDrawing } from './board-drawing.js';
import { extentOf } from './drawing.js';

const say = (ticks: Ticks) => String(Math.round(toMm(ticks)));
const front = part('front', rectangle(240, 108), {
  quantity: 2,
  underside: points([0, 0], [243, 0], [243, 108], [0, 108]),
  cutAway: [circle(180, 54, 14)],
});
const side = part('side', points([0, 0], [260, 0], [235, 140], [0, 140]));
const of = job(
  [front, side],
  [board(900, 140, { defects: [knot(850, 70, 9), knot(700, 20, 5, 'split')] })],
);
const laid = at(
  layout([placed('front', 0, 0, { flipped: true }), placed('side', 300, 0)]).boards,
  0,
);
const drawing = boardDrawing(
  of,
  { ...laid, offcuts: [{ x: fromMm(600), y: 0, length: fromMm(200), width: fromMm(140) }] },
  'Picket',
  (id) => id,
  say,
);
const paths = (layer: string) =>
  drawing.shapes.filter((shape) => shape.kind === 'path' && shape.layer === layer);
const words = drawing.shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));

describe('a board of a layout on paper', () => {
  test('shows every panel where it lies, both faces where they differ, and what is cut out', () => {
    expect(paths('panel')).toHaveLength(2);
    // Only the bevelled front has another outline on face B.
    expect(paths('far-face')).toHaveLength(1);
    // Turned over, the front's entrance lies as far from its right end as it lay from its left.
    const holes = drawing.shapes.flatMap((shape) =>
      shape.kind === 'circle' && shape.layer === 'hole' ? [shape] : [],
    );
    expect(holes.map(({ centre, radius }) => [...centre.map(toMm), toMm(radius)])).toEqual([
      [243 - 180, 54, 14],
    ]);
    expect(words).toContain('front, face down');
    expect(words).toContain('side');
  });

  test('names defects and what is kept, and carries the running tape marks', () => {
    expect(words).toContain('sound knot');
    expect(words).toContain('split');
    expect(words).toContain('keep 200 × 140');
    // What is only shown is on no layer that a machine would mill.
    expect(paths('board')).toHaveLength(1);
    expect(paths('offcut')).toHaveLength(1);
    expect(paths('groove')).toHaveLength(0);
    expect(drawing.shapes.filter(({ layer }) => layer === 'defect')).toHaveLength(2);
    expect(words).toEqual(expect.arrayContaining(['560', '535']));
    const [left, bottom, right, top] = extentOf(drawing);
    expect(toMm(right - left)).toBeGreaterThanOrEqual(900);
    expect(toMm(right - left)).toBeLessThan(960);
    expect(toMm(top - bottom)).toBeGreaterThan(140);
  });

  test('a panel that lies along the far edge is marked there, and not on the near edge', () => {
    const two = job([part('a', rectangle(200, 60), { quantity: 2 })], [board(900, 140)]);
    const marked = boardDrawing(
      two,
      at(layout([placed('a', 0, 0), placed('a', 300, 80, { copy: 1 })]).boards, 0),
      'Board',
      (id) => id,
      say,
    );
    const ends = marked.shapes.flatMap((shape) =>
      shape.kind === 'path' && shape.layer === 'mark'
        ? [shape.points.map(([x, y]) => [toMm(x), toMm(y)])]
        : [],
    );
    expect(ends).toEqual([
      [
        [200, 0],
        [200, -4],
      ],
      [
        [500, 140],
        [500, 144],
      ],
    ]);
  });

  test('a board that the job does not know is refused', () => {
    expect(() => boardDrawing(of, { ...laid, stock: 'none' }, 'x', (id) => id, say)).toThrow(
      'none',
    );
  });
});
