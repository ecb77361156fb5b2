import { describe, expect, test } from '@jest/globals';
import { board, job, knot, part, rectangle } from '../../../test/layouts.js';
import { at, must } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { obstaclesOf } from './defects.js';
import type { Piece } from './filling.js';
import { shapesOf } from './shapes.js';
import { withStripsBeside } from './strips-beside.js';

const kind = board(1000, 145);
const { saw } = job([part('any', rectangle(10, 10))], [kind]);

function shape(length: number, width: number) {
  const found = shapesOf(part('p', rectangle(length, width)), 0, kind, saw);
  if (typeof found === 'string') throw new Error(found);
  return at(found, 0);
}

/** Rectangles one behind the other, a kerf between, from the left end on; in millimetres. */
function row(...sizes: readonly (readonly [length: number, width: number, high?: boolean])[]) {
  let x = 0;
  return sizes.map(([length, width, high]): Piece => {
    const piece = {
      shape: shape(length, width),
      x: fromMm(x),
      y: high ? kind.width - fromMm(width) : 0,
    };
    x += length + 3;
    return piece;
  });
}

const laid = (pieces: readonly Piece[], strips: [number, number][], defects = kind.defects) =>
  withStripsBeside(
    pieces,
    strips.map(([length, width]) => shape(length, width)),
    {
      stock: { ...kind, defects },
      saw,
      obstacles: obstaclesOf(defects),
      end: kind.length,
      follow: (first) => first.length + saw.kerf,
    },
  );

const places = (pieces: readonly Piece[] | null, from: number) =>
  must(pieces, 'a layout')
    .slice(from)
    .map(({ x, y }) => [Math.round(x / fromMm(1)), Math.round(y / fromMm(1))]);

describe('strips beside a row', () => {
  test('lie over pieces that leave room, across the cuts between those, not over full ones', () => {
    const pieces = row([200, 145], [150, 100], [150, 90], [200, 145]);
    expect(places(laid(pieces, [[300, 40]]), 4)).toEqual([[203, 105]]);
    // Two of them find no room there; the other lies behind the row.
    expect(
      places(
        laid(pieces, [
          [250, 40],
          [250, 40],
        ]),
        4,
      ),
    ).toEqual([
      [203, 105],
      [712, 0],
    ]);
  });

  test('lie under pieces that stand against the upper edge', () => {
    expect(places(laid(row([300, 100, true]), [[300, 40]]), 1)).toEqual([[0, 0]]);
  });

  test('stack behind the row where nothing leaves room, and are refused where they reach beyond the board', () => {
    const pieces = row([400, 145], [400, 145]);
    const strips: [number, number][] = [
      [190, 45],
      [190, 45],
      [190, 45],
    ];
    expect(places(laid(pieces, strips), 2)).toEqual([
      [806, 0],
      [806, 48],
      [806, 96],
    ]);
    expect(laid(pieces, [...strips, [190, 45]])).toBeNull();
  });

  test('slide past a knot', () => {
    const none = part('p', rectangle(200, 40), { knots: 'none' });
    const strip = at(shapesOf(none, 0, kind, saw) as ReturnType<typeof shape>[], 0);
    const defects = [knot(60, 125, 10, 'knot-loose')];
    const found = withStripsBeside(row([400, 100]), [strip], {
      stock: { ...kind, defects },
      saw,
      obstacles: obstaclesOf(defects),
      end: kind.length,
      follow: (first) => first.length + saw.kerf,
    });
    expect(places(found, 1)).toEqual([[70, 105]]);
  });
});
