import { expect, test } from '@jest/globals';
import { board, job, layout, part, placed, rectangle } from '../../test/layouts.js';
import { fromMm } from '../measure/index.js';
import { cutAtHand, cutsInOrder, inStack } from './at-hand.js';
import { planCuts } from './plan-cuts.js';
import { namedPlan } from './progress.js';
import { stavesReady } from './staves-ready.js';

const of = job(
  [
    part('front.1', rectangle(300, 140)),
    part('front.2', rectangle(300, 140)),
    part('side', rectangle(200, 140)),
  ],
  [board(1000, 140)],
);
const planned = planCuts(of, {
  ...layout([]),
  boards: [
    {
      stock: 'board',
      piece: 0,
      placements: [placed('front.1', 0, 0), placed('front.2', 303, 0), placed('side', 606, 0)],
      offcuts: [],
    },
  ],
});
if (!planned.ok) throw new Error('not planned');
const plan = namedPlan(planned.plan);

test('the panel is glued up as soon as its last stave is there, and is told once', () => {
  const order = cutsInOrder(plan);
  const told = order.map((_key, made) =>
    stavesReady(of, plan, { done: order.slice(0, made + 1), ruined: [] }),
  );
  expect(told.filter((each) => each !== null)).toEqual([
    {
      staves: 2,
      parts: [
        { part: 'front.1', copy: 0 },
        { part: 'front.2', copy: 0 },
      ],
    },
  ]);
  expect(stavesReady(of, plan, { done: [], ruined: [] })).toBeNull();
  // One that is still wanted holds it up.
  const wanted = [{ part: 'front.1', copy: 0 }];
  const all = order.map((_key, made) =>
    stavesReady(of, plan, { done: order.slice(0, made + 1), ruined: [] }, wanted),
  );
  expect(all.filter((each) => each !== null).length).toBeLessThanOrEqual(1);
});

test('cuts that are alike are counted within their stack', () => {
  const two = job(
    [part('a', rectangle(300, 140), { quantity: 2 })],
    [board(303.2, 140, { quantity: 2 })],
  );
  const alike = planCuts(two, {
    ...layout([]),
    boards: [0, 1].map((piece) => ({
      stock: 'board',
      piece,
      placements: [placed('a', fromMm(0), 0, { copy: piece })],
      offcuts: [],
    })),
  });
  if (!alike.ok) throw new Error('not planned');
  const stacked = namedPlan(alike.plan);
  const [first = ''] = cutsInOrder(stacked);
  const hand = cutAtHand(stacked, { done: [], ruined: [] });
  const next = cutAtHand(stacked, { done: [first], ruined: [] });
  expect(hand && inStack(stacked, hand)).toEqual({ number: 1, of: 2 });
  expect(next && inStack(stacked, next)).toEqual({ number: 2, of: 2 });
});
