import { expect, test } from '@jest/globals';
import type { TextStore } from './steady-store';
import { type Locks, Windows } from './windows';

/** A browser's locks: one holder a name, till what it does is over. */
class BrowserLocks implements Locks {
  private readonly held = new Set<string>();
  async request<T>(
    name: string,
    { ifAvailable = false }: { ifAvailable?: boolean },
    hold: (lock: unknown) => T | Promise<T>,
  ): Promise<T> {
    if (ifAvailable && this.held.has(name)) return hold(null);
    this.held.add(name);
    try {
      return await hold({ name });
    } finally {
      this.held.delete(name);
    }
  }
  async query() {
    return { held: [...this.held].map((name) => ({ name })) };
  }
}

function store(before: Record<string, string> = {}): TextStore {
  const texts = new Map(Object.entries(before));
  return {
    getItem: (key) => texts.get(key) ?? null,
    setItem: (key, text) => void texts.set(key, text),
    removeItem: (key) => void texts.delete(key),
    key: (index) => [...texts.keys()][index] ?? null,
    get length() {
      return texts.size;
    },
  };
}

test('a window has its name again after a reload; one that was doubled takes another', async () => {
  const before = new Windows(store({ 'spare-knot.window': 'abc' }), new BrowserLocks());
  expect(before.own).toBe('abc');
  const locks = new BrowserLocks();
  const own = store({ 'spare-knot.window': 'abc' });
  const one = new Windows(own, locks);
  const doubled = new Windows(store({ 'spare-knot.window': 'abc' }), locks);
  await Promise.all([one.settled, doubled.settled]);
  expect(one.own).toBe('abc');
  expect(doubled.own).not.toBe('abc');
  expect(await one.open()).toEqual(new Set(['abc', doubled.own]));
});

test('without locks nobody can tell which are open, and work is done all the same', async () => {
  const window = new Windows(store(), null);
  expect(await window.open()).toBeNull();
  let done = 0;
  await window.alone(() => {
    done += 1;
  });
  expect(done).toBe(1);
});
