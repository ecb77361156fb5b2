import { describe, expect, test } from '@jest/globals';
import { layout, placed } from '../../test/layouts.js';
import { layoutBought, piecesBought, shoppingList, totalOf } from './shopping.js';

const laid = layout([], {
  cost: 1690,
  lowerBound: 1500,
  boards: [
    { stock: 'rack', piece: 4, placements: [placed('a', 0, 0)], offcuts: [] },
    { stock: 'picket', piece: 0, placements: [placed('b', 0, 0)], offcuts: [] },
    { stock: 'picket', piece: 7, placements: [placed('b', 0, 0, { copy: 1 })], offcuts: [] },
    { stock: 'roof', piece: 0, placements: [placed('c', 0, 0)], offcuts: [] },
  ],
});
const offered = [
  { id: 'roof', price: 910 },
  { id: 'unused', price: 5 },
  { id: 'picket', price: 390 },
];

describe('what a layout has to buy', () => {
  test('is counted by kind, in the order of the offers, and adds up', () => {
    const list = shoppingList(laid, offered);
    expect(list).toEqual([
      { stock: 'roof', count: 1, each: 910, cost: 910 },
      { stock: 'picket', count: 2, each: 390, cost: 780 },
    ]);
    expect(totalOf(list)).toBe(1690);
    expect(shoppingList(laid, [])).toEqual([]);
  });

  test('once bought lies on the rack: the same panels, nothing left to pay, pieces counted from 0', () => {
    const boards = new Map([
      ['picket', 'bought-1'],
      ['roof', 'bought-2'],
    ]);
    const after = layoutBought(laid, boards);
    expect(after.boards.map(({ stock, piece }) => `${stock} ${piece}`)).toEqual([
      'rack 4',
      'bought-1 0',
      'bought-1 1',
      'bought-2 0',
    ]);
    expect(after.boards.map(({ placements }) => placements)).toEqual(
      laid.boards.map(({ placements }) => placements),
    );
    expect([after.cost, after.lowerBound, after.optimal]).toEqual([0, 0, true]);
    expect(
      layoutBought({ ...laid, unplaced: [{ part: 'd', count: 1, reason: [] }] }, boards).optimal,
    ).toBe(false);
    const pin = { ...placed('b', 5, 0), stock: 'picket', piece: 7 };
    expect(piecesBought(laid, boards)(pin)).toEqual({ ...pin, stock: 'bought-1', piece: 1 });
    // A pin on a piece that the layout does not use has no board that was bought for it.
    expect(piecesBought(laid, boards)({ ...pin, piece: 3 })).toEqual({ ...pin, piece: 3 });
  });
});
