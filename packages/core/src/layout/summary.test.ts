import { describe, expect, test } from '@jest/globals';
import { board, job, layout, part, placed, rectangle } from '../../test/layouts.js';
import { at } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { aboveBest, costByPart, shortPieces, usedCost } from './summary.js';

const of = job(
  [
    part('large', rectangle(300, 100), { quantity: 2 }),
    part('small', rectangle(100, 100)),
    part('left out', rectangle(500, 100)),
  ],
  [board(750, 100, { price: 1000 }), board(400, 100, { id: 'scrap', price: null, offcut: true })],
);
const laid = layout([
  placed('large', 0, 0),
  placed('large', 303, 0, { copy: 1 }),
  placed('small', 606, 0),
]);

describe('what a layout comes to', () => {
  test('a board’s price is shared among its panels by their area, and nothing is lost to rounding', () => {
    expect(costByPart(of, laid)).toEqual([
      { part: 'large', copies: 2, cost: 857 },
      { part: 'small', copies: 1, cost: 143 },
    ]);
    const thirds = job(
      [
        part('a', rectangle(100, 100)),
        part('b', rectangle(100, 100)),
        part('c', rectangle(100, 100)),
      ],
      [board(400, 100)],
    );
    const three = costByPart(
      thirds,
      layout([placed('a', 0, 0), placed('b', 103, 0), placed('c', 206, 0)]),
    );
    expect(three.map(({ cost }) => cost).sort()).toEqual([33, 33, 34]);
  });

  test('panels of offcuts cost nothing; panels that found no place are not listed', () => {
    const fromScrap = {
      ...laid,
      boards: [{ ...at(laid.boards, 0), stock: 'scrap', placements: [placed('large', 0, 0)] }],
    };
    expect(costByPart(of, fromScrap)).toEqual([{ part: 'large', copies: 1, cost: 0 }]);
    expect(costByPart(of, layout([], { boards: [] }))).toEqual([]);
  });

  test('only the share of a board that is used up is counted as used', () => {
    const offcuts = [{ x: fromMm(606), y: 0, length: fromMm(150), width: fromMm(100) }];
    expect(usedCost(of, { ...laid, boards: [{ ...at(laid.boards, 0), offcuts }] })).toBe(800);
  });

  test('how far above the best is a share of the bound, not of the cost', () => {
    expect(aboveBest({ cost: 15_000, lowerBound: 12_000 })).toBeCloseTo(0.25, 12);
    expect(aboveBest({ cost: 12_000, lowerBound: 12_000 })).toBe(0);
    expect(aboveBest({ cost: 12_000, lowerBound: 0 })).toBeNull();
    expect(aboveBest({ cost: 0, lowerBound: 0 })).toBe(0);
  });

  test('what is too short to be held is named, by its longest side along the grain', () => {
    expect(shortPieces(of, fromMm(200)).map((each) => each.part)).toEqual(['small']);
    expect(shortPieces(of, fromMm(100))).toEqual([]);
  });
});
