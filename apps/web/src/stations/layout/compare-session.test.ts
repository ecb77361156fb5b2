import { beforeEach, describe, expect, test } from '@jest/globals';
import { type LayoutJob, STANDARD_SAW } from '@spare-knot/core/job';
import { type Layout, STANDARD_GOALS } from '@spare-knot/core/layout';
import { at } from '@spare-knot/core/lists';
import { PretendWorker } from '../../workers/pretend-worker';
import { bestFor, CompareSession, questionsOf, type Way } from './compare-session';

const pin = {
  part: 'a',
  copy: 0,
  x: 0,
  y: 0,
  turn: 0,
  flipped: false,
  stock: 's',
  piece: 0,
} as const;
const job: LayoutJob = {
  name: 'four',
  parts: [],
  stock: [],
  saw: STANDARD_SAW,
  pinned: [pin],
  effort: { seconds: 9 },
};
const layout = (cost: number, longest = 0, missing = 0): Layout => ({
  boards: [
    {
      stock: 's',
      piece: 0,
      placements: [],
      offcuts: longest > 0 ? [{ x: 0, y: 0, length: longest, width: 10 }] : [],
    },
  ],
  unplaced: missing > 0 ? [{ part: 'a', count: missing, reason: ['no room'] }] : [],
  cost,
  lowerBound: 0,
  boundProof: 'area',
  optimal: false,
  yield: 0,
  seconds: 0,
});

let worker: PretendWorker;
let compare: CompareSession<Way>;
beforeEach(() => {
  compare = new CompareSession<Way>(() => {
    worker = new PretendWorker();
    return worker;
  });
});

describe('four ways compared', () => {
  test('one after the other, the pins only for the way in use, and the worker is let go at the end', () => {
    compare.start(questionsOf(job, STANDARD_GOALS, 'cuts'));
    for (const run of [0, 1, 2, 3]) worker.say({ run, kind: 'done', layout: layout(10 + run) });
    const orders = worker.orders.flatMap((order) => (order.kind === 'lay out' ? [order] : []));
    expect(orders.map(({ goals }) => goals.first)).toEqual(['cost', 'cuts', 'offcut', 'cost']);
    expect(orders.map(({ job: asked }) => asked.saw.rip)).toEqual([true, true, true, false]);
    expect(orders.map(({ job: asked }) => asked.pinned.length)).toEqual([0, 1, 0, 0]);
    expect(worker.ended).toBe(true);
    expect([...compare.snapshot().found.keys()]).toEqual(['cost', 'cuts', 'offcut', 'chop']);
    expect(compare.snapshot().running).toBeNull();
  });

  test('stopping keeps what was found; another job forgets it', () => {
    compare.start(questionsOf(job, STANDARD_GOALS, 'cost'));
    worker.say({ run: 0, kind: 'better', layout: layout(12) });
    expect(compare.snapshot().running).toBe('cost');
    compare.stop();
    expect(compare.snapshot()).toMatchObject({ running: null });
    expect(compare.snapshot().found.get('cost')?.cost).toBe(12);
    compare.clear();
    expect(compare.snapshot().found.size).toBe(0);
  });

  test('a failing worker is said, not waited for', () => {
    compare.start(questionsOf(job, STANDARD_GOALS, 'cost'));
    worker.say({ run: 0, kind: 'broken', why: 'rule 3' });
    expect(compare.snapshot()).toMatchObject({ running: null, trouble: 'rule 3' });
    compare.start(questionsOf(job, STANDARD_GOALS, 'cost'));
    worker.onerror?.({ message: 'out of memory' });
    expect(compare.snapshot()).toMatchObject({ running: null, trouble: 'out of memory' });
  });
});

describe('the best for a way', () => {
  test('may have been found for another, but never with more panels left over or by the other saw', () => {
    const found = new Map([
      ['cost', layout(20, 500)],
      ['offcut', layout(20, 300)],
      ['cuts', layout(5, 900, 1)],
      ['chop', layout(1, 1000)],
    ] as const);
    const [cost, offcut] = [found.get('cost'), found.get('offcut')];
    expect(bestFor(job, 'offcut', found)).toBe(cost);
    expect(bestFor(job, 'chop', found)?.cost).toBe(1);
    expect(
      bestFor(job, 'cost', new Map([['offcut', at([offcut], 0) ?? layout(0)]])),
    ).toBeUndefined();
  });
});
