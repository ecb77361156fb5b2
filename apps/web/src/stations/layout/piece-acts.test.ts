import { beforeEach, describe, expect, test } from '@jest/globals';
import type { PinnedPlacement } from '@spare-knot/core/job';
import { at } from '@spare-knot/core/lists';
import { fromMm } from '@spare-knot/core/measure';
import { plainText } from '@spare-knot/core/text';
import {
  board,
  job,
  layout,
  part,
  placed,
  rectangle,
} from '../../../../../packages/core/test/layouts.js';
import { PieceActs } from './piece-acts';

const of = job([part('a', rectangle(200, 80), { quantity: 2 })], [board(900, 100)], {
  kerf: fromMm(3),
});
const laid = at(layout([placed('a', 0, 0), placed('a', 203, 0, { copy: 1 })]).boards, 0);
const piece = at(laid.placements, 1);

let pins: readonly PinnedPlacement[];
let refused: string[];
let acts: PieceActs;
const begin = (pinned: readonly PinnedPlacement[]) => {
  pins = pinned;
  acts = new PieceActs({
    job: { ...of, pinned: [...pinned] },
    onPins: (change) => {
      pins = change(pins);
    },
    refuse: (reason) => refused.push(plainText(reason)),
    select: () => {},
  });
};
beforeEach(() => {
  refused = [];
  begin([]);
});

describe('a piece moved by keys', () => {
  test('goes a millimetre, or ten with the shift key, and is pinned there', () => {
    expect(acts.press('ArrowRight', false, laid, piece)).toBe(true);
    expect(at(pins, 0).x).toBe(piece.x + fromMm(1));
    begin([]);
    acts.press('ArrowUp', true, laid, piece);
    expect(at(pins, 0).y).toBe(fromMm(10));
    expect(acts.press('q', false, laid, piece)).toBe(false);
  });

  test('is pinned, let go, turned by half a turn with the grain, and turned over', () => {
    acts.press('p', false, laid, piece);
    expect(pins).toHaveLength(1);
    begin(pins);
    expect(acts.isPinned(piece)).toBe(true);
    acts.press('p', false, laid, piece);
    expect(pins).toEqual([]);
    acts.press('t', false, laid, piece);
    expect(at(pins, 0).turn).toBe(180);
    begin([]);
    acts.press('f', false, laid, piece);
    expect(at(pins, 0).flipped).toBe(true);
  });

  test('is not laid over the edge, nor over a pinned neighbour: the reason is said and nothing changes', () => {
    acts.lay({ ...piece, x: fromMm(800) }, laid);
    expect([pins, refused.length]).toEqual([[], 1]);
    begin([{ ...at(laid.placements, 0), stock: laid.stock, piece: laid.piece }]);
    const before = pins;
    acts.lay({ ...piece, x: fromMm(100) }, laid);
    expect([pins, refused.length]).toEqual([before, 2]);
  });
});
