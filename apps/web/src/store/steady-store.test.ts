import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { SteadyStore, type TextStore } from './steady-store';

/** A browser's store with so much room; forbidden when there is none at all. */
class Browser implements TextStore {
  private readonly kept = new Map<string, string>();
  constructor(public room: number | null) {}
  private may(): void {
    if (this.room === null) throw new Error('The operation is insecure.');
  }
  getItem(key: string): string | null {
    this.may();
    return this.kept.get(key) ?? null;
  }
  setItem(key: string, text: string): void {
    this.may();
    const others = [...this.kept].filter(([other]) => other !== key);
    const used = others.reduce((sum, [other, each]) => sum + other.length + each.length, 0);
    if (used + key.length + text.length > (this.room ?? 0))
      throw Object.assign(new Error('exceeded'), { name: 'QuotaExceededError' });
    this.kept.set(key, text);
  }
  removeItem(key: string): void {
    this.may();
    this.kept.delete(key);
  }
  key(index: number): string | null {
    this.may();
    return [...this.kept.keys()][index] ?? null;
  }
  get length(): number {
    this.may();
    return this.kept.size;
  }
}

describe('a store that the browser will not give', () => {
  test('is made up for in memory, and told', () => {
    const store = new SteadyStore(() => new Browser(null));
    expect(store.snapshot()).toBe('forbidden');
    store.setItem('a', '1');
    expect([store.getItem('a'), store.length, store.key(0)]).toEqual(['1', 1, 'a']);
    store.removeItem('a');
    expect(store.getItem('a')).toBeNull();
  });

  test('that is not even there, too', () => {
    const store = new SteadyStore(() => {
      throw new Error('SecurityError');
    });
    store.setItem('a', '1');
    expect([store.snapshot(), store.getItem('a')]).toEqual(['forbidden', '1']);
  });
});

describe('a store that is full', () => {
  test('says so, keeps the rest in memory, and says when there is room again', () => {
    const browser = new Browser(10);
    const store = new SteadyStore(() => browser);
    const heard: string[] = [];
    store.subscribe(() => heard.push(store.snapshot()));
    store.setItem('a', '1234');
    store.setItem('b', '12345678901');
    expect([store.getItem('a'), store.getItem('b')]).toEqual(['1234', '12345678901']);
    expect(store.snapshot()).toBe('full');
    store.setItem('b', '1');
    expect(store.snapshot()).toBe('works');
    expect(heard).toEqual(['full', 'works']);
  });

  test('does not bring back what was older when the page comes again', () => {
    const browser = new Browser(10);
    const store = new SteadyStore(() => browser);
    store.setItem('a', 'old');
    store.setItem('a', 'new and too long');
    expect(new SteadyStore(() => browser).getItem('a')).toBeNull();
    expect(store.getItem('a')).toBe('new and too long');
  });
});

test('whatever the browser does, what was put last is what is there', () => {
  const act = fc.record({
    key: fc.constantFrom('a', 'b', 'c'),
    text: fc.option(fc.string({ maxLength: 12 })),
    room: fc.constantFrom(null, 0, 8, 20, 1000),
  });
  fc.assert(
    fc.property(fc.array(act, { maxLength: 30 }), (acts) => {
      const browser = new Browser(1000);
      const store = new SteadyStore(() => browser);
      const wanted = new Map<string, string>();
      for (const { key, text, room } of acts) {
        if (text === null) {
          store.removeItem(key);
          wanted.delete(key);
        } else {
          // A store that was shut while something was in it shows that again when it opens: only what is written is held to.
          browser.room = room === null ? 0 : room;
          store.setItem(key, text);
          wanted.set(key, text);
        }
        for (const each of ['a', 'b', 'c'])
          expect(store.getItem(each)).toBe(wanted.get(each) ?? null);
        expect(store.length).toBe(wanted.size);
      }
    }),
  );
});
