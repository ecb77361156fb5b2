import { describe, expect, test } from '@jest/globals';
import { board, job, layout, part, placed, points, rectangle } from '../../test/layouts.js';
import { fromMm } from '../measure/index.js';
import { cutAtHand, cutsInOrder } from './at-hand.js';
import { liesIn, piecesAtHand, wholeOf } from './pieces-at-hand.js';
import { planCuts } from './plan-cuts.js';
import { namedPlan, type Rect } from './progress.js';

const of = job([part('a', rectangle(300, 140), { quantity: 2 })], [board(1000, 140)]);
const planned = planCuts(of, {
  ...layout([]),
  boards: [
    {
      stock: 'board',
      piece: 0,
      placements: [placed('a', 0, 0), placed('a', 303, 0, { copy: 1 })],
      offcuts: [],
    },
  ],
});
if (!planned.ok) throw new Error('not planned');
const plan = namedPlan(planned.plan);

test('what came off last comes first, then what is at hand; waste and what went wrong are left out', () => {
  const [first = ''] = cutsInOrder(plan);
  const progress = { done: [first], ruined: [] };
  const there = piecesAtHand(plan, progress, cutAtHand(plan, progress));
  const cut = plan.boards[0]?.cuts.find(({ id }) => first === `0:${id}`);
  expect(new Set(there.map(({ piece }) => piece.id))).toEqual(new Set(cut?.gives));
  const ruined = [{ piece: there[0]?.key ?? '', left: [], defects: [] }];
  expect(piecesAtHand(plan, { ...progress, ruined }, null)).toHaveLength(there.length - 1);
  const all = piecesAtHand(plan, { done: cutsInOrder(plan), ruined: [] }, null);
  expect(all.map(({ piece }) => piece.is)).toEqual([
    { part: 'a', copy: expect.any(Number) },
    { part: 'a', copy: expect.any(Number) },
  ]);
});

describe('a rectangle in a piece', () => {
  const slope = points([0, 0], [260, 0], [235, 140], [0, 140]);
  const piece = { id: 'p1', wood: { faceA: slope, faceB: slope }, is: null };
  const rect = (mm: readonly number[]) => mm.map(fromMm) as unknown as Rect;
  test.each([
    [[0, 0, 235, 140], true],
    [[0, 0, 259, 5], true],
    [[0, 0, 250, 140], false],
    [[-5, 0, 100, 100], false],
    [[10, 20, 100, 125], false],
  ] as const)('%j: %s', (mm, inside) => {
    expect(liesIn(piece, rect(mm))).toBe(inside);
  });

  test('the largest one lies in it', () => {
    const whole = wholeOf(piece);
    expect(whole && liesIn(piece, whole)).toBe(true);
    expect(wholeOf({ ...piece, wood: null })).toBeNull();
  });
});
