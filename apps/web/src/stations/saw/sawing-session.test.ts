import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { SawingProgress, SawnCuts } from '@spare-knot/core/api';
import type { NamedPlan, Ruined } from '@spare-knot/core/cuts';
import { Trouble } from '../../api/client';
import { SawingSession } from './sawing-session';

const piece = (id: string) => ({ id, wood: null, is: null });
const cut = (id: string, of: string, gives: [string, string | null]) => ({
  id,
  of,
  line: null,
  shift: 0,
  gives,
});
const plan: NamedPlan = {
  boards: [
    {
      stock: 'a',
      piece: 0,
      pieces: ['p0', 'p1', 'p2', 'p3'].map(piece),
      cuts: [cut('c1', 'p0', ['p1', 'p2']), cut('c2', 'p2', ['p3', null])],
    },
  ],
  steps: [],
  boardAfterBoard: 1,
  lowerBound: 1,
  minutes: 1,
};

/** A server that can be out of reach, and a store that outlives a page. */
class Pretend {
  round = 0;
  done: string[] = [];
  ruined: Ruined[] = [];
  keys = new Map<string, string[]>();
  isAway = false;
  refuses = false;
  readonly kept = new Map<string, string>();
  readonly shelf = {
    getItem: (key: string) => this.kept.get(key) ?? null,
    setItem: (key: string, value: string) => void this.kept.set(key, value),
    removeItem: (key: string) => void this.kept.delete(key),
  };
  readonly server = {
    keepCuts: async (_id: string, cuts: SawnCuts, key: string) => {
      this.answer();
      if (this.refuses)
        throw new Trouble({ type: 'about:blank', status: 409, title: 'These cuts do not follow' });
      if (!this.keys.has(key)) {
        this.done = [...this.done.filter((each) => !cuts.undone.includes(each)), ...cuts.done];
        this.ruined = [
          ...this.ruined.filter(({ piece }) => !cuts.mended.includes(piece)),
          ...cuts.ruined,
        ];
        this.keys.set(key, this.done);
      }
      return this.now();
    },
    sawingProgress: async () => {
      this.answer();
      return this.now();
    },
  };
  now = (): SawingProgress => ({
    round: this.round,
    progress: { done: [...this.done], ruined: [...this.ruined] },
  });
  private answer() {
    if (this.isAway) throw new Trouble({ type: 'about:blank', status: 0, title: 'out of reach' });
  }
  session() {
    return new SawingSession('one', { plan, ...this.now() }, this.server, this.shelf);
  }
}

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});
const wait = (ms: number) => jest.advanceTimersByTimeAsync(ms);

describe('sawing a batch in the page', () => {
  test('a press shows at once and is kept once; taken back, it is gone', async () => {
    const of = new Pretend();
    const session = of.session();
    session.open();
    session.press({ done: ['0:c1'] });
    expect(session.snapshot().progress.done).toEqual(['0:c1']);
    await wait(10);
    expect(of.done).toEqual(['0:c1']);
    expect(session.snapshot().keeping.state).toBe('kept');
    session.press({ undone: ['0:c1'] });
    await wait(10);
    expect([of.done, session.snapshot().progress.done]).toEqual([[], []]);
    session.close();
  });

  test('without a connection presses wait, outlive the page, and are sent once each when it is back', async () => {
    const of = new Pretend();
    of.isAway = true;
    const first = of.session();
    first.open();
    first.press({ done: ['0:c1'] });
    first.press({ done: ['0:c2'] });
    await wait(10);
    expect(first.snapshot()).toMatchObject({
      progress: { done: ['0:c1', '0:c2'] },
      keeping: { state: 'not kept' },
    });
    first.close();
    const second = of.session();
    expect(second.snapshot().progress.done).toEqual(['0:c1', '0:c2']);
    second.open();
    of.isAway = false;
    await wait(4000);
    expect(of.done).toEqual(['0:c1', '0:c2']);
    expect(of.keys.size).toBe(2);
    expect(of.kept.size).toBe(0);
    second.close();
  });

  test('what a page before this one could not send is read as it wrote it, and sent', async () => {
    const pretend = new Pretend();
    const said = { round: 0, done: ['0:c1'], undone: [], ruined: [], mended: [] };
    pretend.shelf.setItem(
      'spare-knot.sawing.one',
      JSON.stringify([{ key: 'of-the-page-before', cuts: said }]),
    );
    const session = pretend.session();
    expect(session.snapshot().progress.done).toEqual(['0:c1']);
    session.open();
    await jest.advanceTimersByTimeAsync(10);
    expect(pretend.done).toEqual(['0:c1']);
    expect(pretend.kept.size).toBe(0);
    session.close();
  });

  test('what another device pressed is there within two seconds', async () => {
    const of = new Pretend();
    const session = of.session();
    session.open();
    await wait(10);
    of.done = ['0:c1'];
    await wait(2000);
    expect(session.snapshot().progress.done).toEqual(['0:c1']);
    session.close();
    of.done = [];
    await wait(5000);
    expect(session.snapshot().progress.done).toEqual(['0:c1']);
  });

  test('a press that no longer fits is let go and told, and what is kept is shown', async () => {
    const of = new Pretend();
    const session = of.session();
    session.open();
    of.refuses = true;
    session.press({ done: ['0:c1'] });
    await wait(10);
    expect(session.snapshot()).toMatchObject({
      progress: { done: [] },
      keeping: { state: 'let go' },
    });
    expect(of.kept.size).toBe(0);
    of.refuses = false;
    await wait(4000);
    expect(session.snapshot().keeping.state).toBe('kept');
    session.close();
  });

  test('a piece that went wrong is told once, waits like a press, and is taken back', async () => {
    const of = new Pretend();
    of.isAway = true;
    const session = of.session();
    session.open();
    session.press({ done: ['0:c1'] });
    const spoilt = { piece: '0:p1', left: [], defects: [], mishap: 'ruined' as const };
    session.press({ ruined: [spoilt] });
    session.press({ ruined: [spoilt] });
    await wait(10);
    session.close();
    const second = of.session();
    expect(second.snapshot().progress.ruined.map(({ piece: each }) => each)).toEqual(['0:p1']);
    of.isAway = false;
    second.open();
    await wait(10);
    second.press({ mended: ['0:p1'] });
    await wait(10);
    expect([of.ruined, second.snapshot().progress.ruined]).toEqual([[], []]);
    second.close();
  });

  test('when another device planned again, it is told, and nothing of the old plan is mixed in', async () => {
    const of = new Pretend();
    const session = of.session();
    const told = jest.fn();
    session.onOtherRound = told;
    session.open();
    await wait(10);
    of.round = 1;
    of.done = ['0:c9'];
    await wait(2000);
    expect(told).toHaveBeenCalled();
    expect(session.snapshot().progress.done).toEqual([]);
    session.close();
  });
});
