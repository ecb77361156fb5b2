import { beforeEach, describe, expect, test } from '@jest/globals';
import { type LayoutJob, STANDARD_SAW } from '@spare-knot/core/job';
import { type Layout, STANDARD_GOALS } from '@spare-knot/core/layout';
import { PretendWorker } from './pretend-worker';
import { questionOf, SearchSession } from './search-session';

const job = (name: string): LayoutJob => ({
  name,
  parts: [],
  stock: [],
  saw: STANDARD_SAW,
  pinned: [],
  effort: { seconds: 1 },
});
const layout = (cost: number): Layout => ({
  boards: [],
  unplaced: [],
  cost,
  lowerBound: 0,
  boundProof: 'area',
  optimal: false,
  yield: 0,
  seconds: 0,
});

let hands: PretendWorker[];
let done: number[];
let search: SearchSession;
const hand = (): PretendWorker => {
  const last = hands.at(-1);
  if (!last) throw new Error('nobody was hired');
  return last;
};
const say = (run: number, kind: 'better' | 'done', cost: number) =>
  hand().say({ run, kind, layout: layout(cost) });

beforeEach(() => {
  hands = [];
  done = [];
  search = new SearchSession(
    () => {
      hands.push(new PretendWorker());
      return hand();
    },
    () => 0,
  );
  search.onDone = ({ cost }) => done.push(cost);
});

describe('the search', () => {
  test('shows each better layout, and hands over the last', () => {
    search.lookAt(job('a'));
    say(1, 'better', 5);
    expect(search.snapshot()).toMatchObject({ running: true, layout: { cost: 5 } });
    say(1, 'done', 4);
    expect(search.snapshot()).toMatchObject({ running: false, layout: { cost: 4 } });
    expect(search.snapshot().answers).toBe(questionOf(job('a'), STANDARD_GOALS));
    expect(done).toEqual([4]);
  });

  test('is not begun anew for the same question made again, only when the maker wants it', () => {
    search.lookAt(job('a'));
    search.lookAt(job('a'));
    expect(hand().orders).toHaveLength(1);
    search.lookAt(job('b'));
    expect(hand().orders.map(({ run }) => run)).toEqual([1, 2]);
    search.start(job('b'));
    expect(hand().orders.map(({ run }) => run)).toEqual([1, 2, 3]);
    expect(hands).toHaveLength(1);
  });

  test('keeps the last layout until the next has one, and hears no more of the one before', () => {
    search.lookAt(job('a'));
    say(1, 'better', 5);
    search.lookAt(job('b'));
    say(1, 'done', 4);
    expect(search.snapshot()).toMatchObject({ running: true, layout: { cost: 5 } });
    expect(search.snapshot().answers).toBe(questionOf(job('a'), STANDARD_GOALS));
    expect(done).toEqual([]);
  });

  test('stopped, hands over the best so far, unless that answers another question', () => {
    search.lookAt(job('a'));
    say(1, 'better', 5);
    search.stop();
    expect(done).toEqual([5]);
    expect(hand().orders.at(-1)?.kind).toBe('stop');
    search.lookAt(job('b'));
    search.stop();
    expect(done).toEqual([5]);
  });

  test.each([
    ['an error', (run: number) => hand().onerror?.({ message: `boom ${run}` })],
    [
      'a layout that the checker refuses',
      (run: number) => hand().onmessage?.({ data: { run, kind: 'broken', why: `boom ${run}` } }),
    ],
  ])('that ends with %s says so, keeps the best, and can be tried again', (_how, fail) => {
    search.lookAt(job('a'));
    say(1, 'better', 5);
    fail(1);
    expect(search.snapshot()).toMatchObject({
      running: false,
      trouble: 'boom 1',
      layout: { cost: 5 },
    });
    expect(hand().ended).toBe(true);
    search.retry();
    expect(hands).toHaveLength(2);
    expect(search.snapshot()).toMatchObject({ running: true, trouble: null });
    say(2, 'done', 3);
    expect(done).toEqual([3]);
  });

  test('that cannot hire anybody is a trouble, not a crash', () => {
    const idle = new SearchSession(() => {
      throw new Error('no workers here');
    });
    idle.lookAt(job('a'));
    expect(idle.snapshot()).toMatchObject({ running: false, trouble: 'no workers here' });
  });
});
