import { describe, expect, test } from '@jest/globals';
import { animalById } from '../animals/find.js';
import { fromMm } from '../measure/ticks.js';
import { slantRoof } from './families/slant-roof/family.js';
import { type BoardsAtHand, findWood } from './find-wood.js';
import { startPlan } from './start-plan.js';

const board = (width: number, thickness: number, quantity: number, more: Partial<BoardsAtHand> = {}): BoardsAtHand => ({
  material: 'spruce',
  thickness: fromMm(thickness),
  width: fromMm(width),
  length: fromMm(2000),
  faceA: 'rough',
  faceB: 'rough',
  price: 300,
  offcut: false,
  grained: true,
  defects: [],
  quantity,
  ...more,
});
const start = startPlan(slantRoof, animalById('black-capped-chickadee')!, {
  thickness: fromMm(19),
  width: null,
  material: 'oak',
  faceA: 'planed',
  faceB: 'planed',
});
const widths = (boards: readonly BoardsAtHand[]) => {
  const { wood } = findWood(start, boards);
  return [wood.front?.width, wood.roof?.width].map((width) => (width ? width / 320 : null));
};

describe('wood for a first plan', () => {
  test('the commonest board that is wide enough for the body, a wider one for the roof', () => {
    expect(widths([board(95, 22, 40), board(140, 16, 9), board(184, 19, 3)])).toEqual([140, 184]);
  });

  test('offcuts and boards without a rough face for the front are passed over', () => {
    const planed = board(150, 16, 50, { faceA: 'planed', faceB: 'planed' });
    expect(widths([planed, board(184, 19, 3), board(200, 19, 90, { offcut: true })])).toEqual([184, 184]);
  });

  test('where no board is wide enough the plan keeps its wood', () => {
    expect(findWood(start, [board(50, 16, 9)])).toEqual(start);
  });
});
