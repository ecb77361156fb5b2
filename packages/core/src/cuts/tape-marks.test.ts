import { describe, expect, test } from '@jest/globals';
import { board, job, layout, part, placed, points, rectangle } from '../../test/layouts.js';
import { at } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { boardMarks } from './tape-marks.js';

describe('running tape marks', () => {
  const side = part('side', points([0, 0], [260, 0], [235, 140], [0, 140]), { quantity: 2 });
  const floor = part('floor', rectangle(100, 108));
  const of = job([side, floor], [board(900, 140)]);

  test('a sloped end has a mark on each edge; a narrow panel asks for a rip', () => {
    const marks = boardMarks(
      of,
      at(
        layout([
          placed('floor', 600, 0),
          placed('side', 0, 0),
          placed('side', 238, 0, { copy: 1, turn: 180 }),
        ]).boards,
        0,
      ),
    );
    expect(marks.marks.map(({ part: id, near, far }) => [id, near, far])).toEqual([
      ['side', fromMm(260), fromMm(235)],
      ['side', fromMm(498), fromMm(498)],
      ['floor', fromMm(700), fromMm(700)],
    ]);
    expect(marks.rips).toEqual([fromMm(108)]);
  });

  test('panels away from the near edge are marked there, and ripped to their own width', () => {
    const wide = job([part('a', rectangle(100, 60), { quantity: 2 })], [board(300, 140)]);
    const marks = boardMarks(
      wide,
      at(layout([placed('a', 0, 0), placed('a', 0, 63, { copy: 1 })]).boards, 0),
    );
    expect(marks.marks.map((mark) => mark.row)).toEqual(['near', 'far']);
    expect(marks.rips).toEqual([fromMm(60)]);
  });

  test('a sloped panel that is turned ends where it reaches furthest, not at the corner of its slope', () => {
    const sheet = job(
      [part('side', points([0, 0], [260, 0], [235, 140], [0, 140]), { grain: 'any' })],
      [board(900, 600)],
    );
    const { marks } = boardMarks(
      sheet,
      at(layout([placed('side', 50, 0, { turn: 90 })]).boards, 0),
    );
    expect(marks.map(({ near, far }) => [near, far])).toEqual([[fromMm(190), fromMm(190)]]);
  });
});
