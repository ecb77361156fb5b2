import { describe, expect, test } from '@jest/globals';
import { animalById } from '../animals/index.js';
import { buildBox, familyById, slantRoof, squareCut } from '../families/index.js';
import { at, must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { startPlan } from '../plan/index.js';
import { type BoardsAtHand, findWood } from './find-wood.js';

const board = (
  width: number,
  thickness: number,
  quantity: number,
  more: Partial<BoardsAtHand> = {},
): BoardsAtHand => ({
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
const start = startPlan(
  slantRoof,
  must(animalById('black-capped-chickadee'), 'black-capped-chickadee'),
  {
    thickness: fromMm(19),
    width: null,
    material: 'oak',
    faceA: 'planed',
    faceB: 'planed',
  },
);
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
    expect(widths([planed, board(184, 19, 3), board(200, 19, 90, { offcut: true })])).toEqual([
      184, 184,
    ]);
  });

  test('where no board is wide enough the plan keeps its wood', () => {
    expect(findWood(start, [board(50, 16, 9)])).toEqual(start);
  });

  test('a rarer board with which the box breaks no rule comes before a commoner one with which it does', () => {
    // 12 mm solid wood is thinner than a wall wants; pallet wood asks for a stamp.
    expect(widths([board(150, 12, 40), board(140, 16, 5), board(184, 19, 3)])).toEqual([140, 184]);
    expect(
      widths([
        board(145, 22, 40, { material: 'pallet-wood' }),
        board(140, 16, 5),
        board(184, 19, 3),
      ]),
    ).toEqual([140, 184]);
  });

  test('a square-cut box takes the boards whose widths give the animal floor enough, and no larger floor than it must', () => {
    const plan = startPlan(
      squareCut,
      must(animalById('black-capped-chickadee'), 'black-capped-chickadee'),
      must(start.wood.front, 'front'),
    );
    const rack = [
      board(100, 16, 60),
      board(300, 16, 50),
      board(140, 16, 9),
      board(184, 19, 3),
      board(90, 16, 80),
    ];
    const built = buildBox(findWood(plan, rack));
    if (!built.ok) throw new Error(JSON.stringify(built.refusals));
    const { width, depth } = at(built.box.cavities, 0);
    // The animal wants 102 × 102: of 90, 100, 140, 184 and 300 the 140 is the least that is wide enough, twice.
    expect([width / 320, depth / 320]).toEqual([140, 140 - 2 * 16]);
    // Where none is wide enough, the floor least short of it.
    const narrow = findWood(plan, [board(80, 16, 80), board(95, 16, 9), board(115, 16, 2)]);
    expect(
      [narrow.wood.front?.width, narrow.wood['side-left']?.width].map((each) => (each ?? 0) / 320),
    ).toEqual([115, 95]);
  });

  test('the usual spacer stays where those at hand would make crevices that bats shun', () => {
    const family = must(familyById('pole-bat'), 'pole-bat');
    const plan = startPlan(
      family,
      must(animalById('crevice-bats-na'), 'crevice-bats-na'),
      must(start.wood.front, 'front'),
    );
    const thick = board(45, 45, 30);
    expect(findWood(plan, [board(200, 19, 9), thick]).wood.spacer).toEqual(plan.wood.spacer);
    const right = board(40, 25.4, 2);
    expect(findWood(plan, [board(200, 19, 9), thick, right]).wood.spacer?.thickness).toBe(
      fromMm(25.4),
    );
  });
});
