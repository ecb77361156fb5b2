import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { type NewVisit, newVisit } from '@spare-knot/core/api';
import { Trouble } from '../api/client';
import { type Shelf, VisitOutbox, type VisitServer } from './visit-outbox';

const trouble = (status: number) => new Trouble({ type: 'about:blank', status, title: 'No' });
const visit = (digit: number): NewVisit =>
  newVisit.parse({
    id: `00000000-0000-4000-8000-00000000000${digit}`,
    box: '10000000-0000-4000-8000-000000000000',
    on: '2027-05-01',
    found: 'eggs',
    eggs: digit,
  });

class Store implements Shelf {
  private readonly kept = new Map<string, string>();
  get length() {
    return this.kept.size;
  }
  key = (index: number) => [...this.kept.keys()][index] ?? null;
  getItem = (key: string) => this.kept.get(key) ?? null;
  setItem = (key: string, text: string) => void this.kept.set(key, text);
  removeItem = (key: string) => void this.kept.delete(key);
}

/** Keeps each visit once by its id; may be away before it hears, or after. */
class Server implements VisitServer {
  readonly kept = new Map<string, NewVisit>();
  readonly photos = new Map<string, string>();
  away: 'no' | 'before' | 'after' = 'no';
  refuses: string | null = null;
  async addVisits(visits: readonly NewVisit[]) {
    if (this.away === 'before') throw trouble(0);
    for (const each of visits) {
      if (each.id === this.refuses) throw trouble(404);
      if (!this.kept.has(each.id)) this.kept.set(each.id, each);
    }
    if (this.away === 'after') throw trouble(0);
  }
  async keepPhoto(id: string, jpeg: string) {
    if (this.away !== 'no') throw trouble(503);
    this.photos.set(id, jpeg);
  }
}

let server: Server;
let shelf: Store;
beforeEach(() => {
  jest.useFakeTimers();
  server = new Server();
  shelf = new Store();
});
afterEach(() => {
  jest.useRealTimers();
});
const settle = () => jest.advanceTimersByTimeAsync(5000);

describe('visits that are recorded', () => {
  test('are sent at once, with their photo, and leave the shelf', async () => {
    const kept = jest.fn();
    const outbox = new VisitOutbox(server, shelf, kept);
    outbox.record(visit(1), 'abc');
    expect(outbox.snapshot()).toHaveLength(1);
    await settle();
    expect([server.kept.size, server.photos.get(visit(1).id), shelf.length]).toEqual([1, 'abc', 0]);
    expect([outbox.snapshot(), kept.mock.calls.length]).toEqual([[], 1]);
  });

  test.each(['before', 'after'] as const)(
    'wait while the server is away %s it hears, through a new page, and are kept once',
    async (away) => {
      server.away = away;
      const outbox = new VisitOutbox(server, shelf);
      outbox.record(visit(1), null);
      outbox.record(visit(2), 'photo');
      await settle();
      expect(outbox.snapshot()).toHaveLength(2);
      const again = new VisitOutbox(server, shelf);
      expect(again.snapshot()).toEqual(outbox.snapshot());
      server.away = 'no';
      await again.send();
      expect([...server.kept.values()]).toEqual([visit(1), visit(2)]);
      expect([server.photos.size, shelf.length]).toEqual([1, 0]);
    },
  );

  test('one that is refused stays with the reason and holds up no other; it is tried again or given up', async () => {
    server.refuses = visit(1).id;
    const outbox = new VisitOutbox(server, shelf);
    outbox.record(visit(1), null);
    outbox.record(visit(2), null);
    await settle();
    expect([...server.kept.keys()]).toEqual([visit(2).id]);
    expect(outbox.snapshot()).toMatchObject([{ visit: { eggs: 1 }, refused: 'No' }]);
    server.refuses = null;
    outbox.again(visit(1).id);
    await settle();
    expect([server.kept.size, shelf.length]).toEqual([2, 0]);
  });

  test('two windows do not lose each other’s, and what cannot be read is left where it lies', async () => {
    server.away = 'before';
    shelf.setItem('spare-knot.visit.odd', '{');
    shelf.setItem('other', 'thing');
    const [one, two] = [new VisitOutbox(server, shelf), new VisitOutbox(server, shelf)];
    one.record(visit(1), null);
    two.record(visit(2), null);
    await settle();
    expect(new VisitOutbox(server, shelf).snapshot()).toHaveLength(2);
    server.away = 'no';
    await Promise.all([one.send(), two.send()]);
    expect([server.kept.size, shelf.getItem('spare-knot.visit.odd'), shelf.length]).toEqual([
      2,
      '{',
      2,
    ]);
  });

  test('where the shelf is full, it is said and nothing is recorded', () => {
    shelf.setItem = () => {
      throw new Error('full');
    };
    const outbox = new VisitOutbox(server, shelf);
    expect(() => outbox.record(visit(1), null)).toThrow('full');
    expect(outbox.snapshot()).toEqual([]);
  });
});
