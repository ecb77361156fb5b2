import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { animalById } from '@spare-knot/core/animals';
import {
  type BatchPatch,
  type BatchRecord,
  type Bought,
  batchRecord,
  type FromBin,
  NO_MAKING,
  NO_WISHES,
} from '@spare-knot/core/api';
import { slantRoof } from '@spare-knot/core/families';
import { STANDARD_SAW } from '@spare-knot/core/job';
import type { Layout } from '@spare-knot/core/layout';
import { startPlan } from '@spare-knot/core/plan';
import { z } from 'zod';
import { Trouble } from '../api/client';
import type { TextStore } from '../store/steady-store';
import { STANDARD_WOOD } from '../wood/standard-wood';
import { type BatchServer, BatchSession } from './batch-session';
import { applyPatch } from './draft';
import { DraftShelf } from './draft-shelf';

const animal = animalById('black-capped-chickadee');
if (!animal) throw new Error('the table of animals has no chickadee');
const first: BatchRecord = {
  id: '5f0c2a52-6f0e-4a3c-9d3f-0f4f6d6f7a10',
  version: 1,
  name: 'Six boxes',
  boxes: 6,
  units: 'inch',
  division: 16,
  plan: startPlan(slantRoof, animal, STANDARD_WOOD),
  saw: STANDARD_SAW,
  wishes: NO_WISHES,
  making: NO_MAKING,
  ready: [],
  mends: null,
  changedAt: '2026-11-25T10:00:00.000Z',
  proposed: null,
  proposalStale: false,
  accepted: null,
};
const laid: Layout = {
  boards: [],
  unplaced: [],
  cost: 0,
  lowerBound: 0,
  boundProof: 'area',
  optimal: true,
  yield: 0,
  seconds: 0,
};

/** A server that keeps one batch, answers a key once, and can be away. */
class KeptBatch implements BatchServer {
  kept = first;
  readonly heard: string[] = [];
  readonly keys: string[] = [];
  away: 'no' | 'before' | 'after' = 'no';
  refuses = false;
  private readonly answers = new Map<string, BatchRecord>();

  async batch(): Promise<BatchRecord> {
    return this.kept;
  }
  async changeBatch(_id: string, patch: BatchPatch, key: string): Promise<BatchRecord> {
    const { version, ...changed } = patch;
    this.heard.push(`change ${Object.keys(changed).join(' ')} at ${version}`);
    this.keys.push(key);
    if (this.away === 'before') throw unreachable();
    const earlier = this.answers.get(key);
    if (earlier) return earlier;
    if (this.refuses) throw new Trouble({ type: 'about:blank', status: 422, title: 'Not sound' });
    this.atVersion(version);
    this.kept = { ...this.kept, ...applyPatch(this.kept, patch), version: version + 1 };
    this.answers.set(key, this.kept);
    if (this.away === 'after') throw unreachable();
    return this.kept;
  }
  async proposeLayout(): Promise<void> {
    this.heard.push(`propose at ${this.kept.version}`);
  }
  async acceptLayout(_id: string, version: number): Promise<BatchRecord> {
    this.heard.push(`accept at ${version}`);
    this.atVersion(version);
    const accepted = { layout: laid, boards: [], acceptedAt: first.changedAt };
    this.kept = { ...this.kept, accepted, version: version + 1 };
    return this.kept;
  }
  async buy(_id: string, version: number): Promise<Bought> {
    this.heard.push(`buy at ${version}`);
    this.atVersion(version);
    const wishes = { ...this.kept.wishes, supply: 'rack-first' as const };
    this.kept = { ...this.kept, wishes, proposed: laid, version: version + 1 };
    return { batch: this.kept, boards: [] };
  }
  async giveBack(_id: string, version: number): Promise<BatchRecord> {
    this.heard.push(`give back at ${version}`);
    this.atVersion(version);
    this.kept = { ...this.kept, accepted: null, version: version + 1 };
    return this.kept;
  }
  async takeFromBin(_id: string, version: number, take: readonly FromBin[]): Promise<BatchRecord> {
    this.heard.push(`take ${take.length} from the bin at ${version}`);
    this.atVersion(version);
    const ready = take.map((each) => ({ ...each, piece: 'a'.repeat(64), name: 'Floor' }));
    this.kept = { ...this.kept, ready, version: version + 1 };
    return this.kept;
  }
  async putBackInBin(_id: string, version: number): Promise<BatchRecord> {
    this.heard.push(`put back at ${version}`);
    this.atVersion(version);
    this.kept = { ...this.kept, ready: [], version: version + 1 };
    return this.kept;
  }
  /** As another window does it. */
  elsewhere(change: Partial<BatchRecord>): void {
    this.kept = { ...this.kept, ...change, version: this.kept.version + 1 };
  }
  private atVersion(version: number): void {
    if (version === this.kept.version) return;
    throw new Trouble({
      type: 'urn:spare-knot:stale',
      status: 409,
      title: 'Changed meanwhile',
      current: z.encode(batchRecord, this.kept),
    });
  }
}
const unreachable = () => new Trouble({ type: 'about:blank', status: 0, title: 'Away' });

/** Which windows are open, as a browser tells. */
const openWindows = new Set<string>();
const asWindow = (own: string) => ({
  own,
  open: async () => openWindows,
  alone: async (work: () => void) => work(),
});

let server: KeptBatch;
let shelf: Map<string, string>;
const storeOf = (texts: Map<string, string>): TextStore => ({
  getItem: (key) => texts.get(key) ?? null,
  setItem: (key, text) => void texts.set(key, text),
  removeItem: (key) => void texts.delete(key),
  key: (index) => [...texts.keys()][index] ?? null,
  get length() {
    return texts.size;
  },
});
const open = (batch: BatchRecord = first, window = 'one') => {
  openWindows.add(window);
  const drafts = new DraftShelf(batch.id, storeOf(shelf), asWindow(window));
  const session = new BatchSession(batch, server, drafts);
  session.open();
  return session;
};
const name = (session: BatchSession, text: string) =>
  session.edit((draft) => ({ ...draft, name: text }));
const boxes = (session: BatchSession, count: number) =>
  session.edit((draft) => ({ ...draft, boxes: count }));

beforeEach(() => {
  jest.useFakeTimers();
  server = new KeptBatch();
  shelf = new Map();
  openWindows.clear();
});
afterEach(() => {
  jest.useRealTimers();
});

describe('keeping', () => {
  test('only what was changed is sent, a moment after the last change', async () => {
    const session = open();
    name(session, 'Seven');
    boxes(session, 7);
    expect(server.heard).toEqual([]);
    await jest.advanceTimersByTimeAsync(600);
    expect(server.heard).toEqual(['change name boxes at 1']);
    expect(session.dirty).toBe(false);
    expect(session.snapshot().keeping.state).toBe('kept');
    expect(shelf.size).toBe(0);
  });

  test('a write without an answer is sent again under its key, and done once', async () => {
    const session = open();
    server.away = 'after';
    boxes(session, 7);
    await jest.advanceTimersByTimeAsync(600);
    expect(session.snapshot().keeping.state).toBe('not kept');
    name(session, 'Seven');
    server.away = 'no';
    await jest.advanceTimersByTimeAsync(5000);
    expect(server.heard).toEqual(['change boxes at 1', 'change boxes at 1', 'change name at 2']);
    expect(server.keys[0]).toBe(server.keys[1]);
    expect(server.keys[2]).not.toBe(server.keys[0]);
    expect(server.kept).toMatchObject({ boxes: 7, name: 'Seven', version: 3 });
  });

  test('a refused write is not sent again until something is changed', async () => {
    const session = open();
    server.refuses = true;
    boxes(session, 7);
    await jest.advanceTimersByTimeAsync(60_000);
    expect(server.heard).toHaveLength(1);
    expect(session.snapshot().keeping).toEqual({ state: 'not kept', why: 'Not sound' });
    server.refuses = false;
    boxes(session, 8);
    await jest.advanceTimersByTimeAsync(600);
    expect(server.kept.boxes).toBe(8);
  });

  test.each(['before', 'after'] as const)(
    'what was typed and lost its connection %s the server did it is there after a reload',
    async (away) => {
      const session = open();
      server.away = away;
      boxes(session, 7);
      await jest.advanceTimersByTimeAsync(600);
      name(session, 'Seven');
      session.close();
      server.away = 'no';
      const again = open(server.kept);
      expect(again.snapshot().draft).toMatchObject({ boxes: 7, name: 'Seven' });
      await jest.advanceTimersByTimeAsync(5000);
      expect(again.snapshot().theirs).toBeNull();
      expect(server.kept).toMatchObject({ boxes: 7, name: 'Seven' });
      expect(shelf.size).toBe(0);
    },
  );
});

describe('two windows', () => {
  test('what they changed in different fields is put together', async () => {
    const session = open();
    server.elsewhere({ name: 'For the slip' });
    boxes(session, 7);
    await jest.advanceTimersByTimeAsync(600);
    expect(server.heard).toEqual(['change boxes at 1', 'change boxes at 2']);
    expect(server.kept).toMatchObject({ name: 'For the slip', boxes: 7 });
    expect(session.snapshot().draft.name).toBe('For the slip');
    expect(session.snapshot().theirs).toBeNull();
  });

  test.each(['mine', 'theirs'] as const)(
    'what they changed in one field is asked about; %s is kept, and the rest of the other stays',
    async (choice) => {
      const session = open();
      server.elsewhere({ name: 'For the slip', boxes: 9 });
      name(session, 'For the shed');
      await jest.advanceTimersByTimeAsync(600);
      expect(session.snapshot().theirs?.name).toBe('For the slip');
      expect(session.snapshot().draft.name).toBe('For the shed');
      if (choice === 'mine') session.keepMine();
      else session.takeTheirs();
      await jest.advanceTimersByTimeAsync(600);
      expect(session.snapshot().theirs).toBeNull();
      expect(server.kept).toMatchObject({
        name: choice === 'mine' ? 'For the shed' : 'For the slip',
        boxes: 9,
      });
      expect(session.snapshot().draft.name).toBe(server.kept.name);
    },
  );
});

describe('what is typed in one window', () => {
  test('lies by itself: another window neither has it nor writes over it', async () => {
    server.away = 'before';
    const one = open();
    boxes(one, 7);
    const other = open(first, 'two');
    expect(other.snapshot().draft.boxes).toBe(6);
    name(other, 'For the shed');
    await jest.advanceTimersByTimeAsync(600);
    expect(shelf.size).toBe(2);
    server.away = 'no';
    await jest.advanceTimersByTimeAsync(10_000);
    expect(server.kept).toMatchObject({ boxes: 7, name: 'For the shed' });
    expect(shelf.size).toBe(0);
  });

  test('and closed before it was kept, is taken up by the next that opens the batch, once', async () => {
    server.away = 'before';
    const closed = [open(first, 'one'), open(first, 'two')];
    boxes(closed[0] as BatchSession, 7);
    name(closed[1] as BatchSession, 'For the shed');
    await jest.advanceTimersByTimeAsync(600);
    for (const session of closed) session.close();
    openWindows.clear();
    server.away = 'no';
    const next = open(first, 'three');
    const beside = open(first, 'four');
    await jest.advanceTimersByTimeAsync(10_000);
    expect(server.kept).toMatchObject({ boxes: 7, name: 'For the shed' });
    expect(shelf.size).toBe(0);
    expect([next, beside].filter((session) => session.dirty)).toEqual([]);
    expect(server.heard.filter((what) => what.startsWith('change boxes at 1'))).not.toHaveLength(0);
  });

  test('is never thrown away because it cannot be read', async () => {
    shelf.set(`spare-knot.draft.${first.id}.one`, '{"torn');
    const session = open();
    expect(session.snapshot()).toMatchObject({ isTorn: true, draft: { boxes: 6 } });
    expect([...shelf.values()]).toEqual(['{"torn']);
    boxes(session, 7);
    await jest.advanceTimersByTimeAsync(600);
    expect(server.kept.boxes).toBe(7);
    expect([...shelf.values()]).toEqual(['{"torn']);
  });
});

describe('two windows at one box', () => {
  const size = (batch: { plan: BatchRecord['plan'] }, sizes: Record<string, number>) => ({
    ...batch.plan,
    sizes: { ...batch.plan.sizes, ...sizes },
  });
  const { width = 0, depth = 0 } = first.plan.sizes;

  test('that changed different sizes have both in it', async () => {
    const session = open();
    server.elsewhere({ plan: size(first, { width: width + 320 }) });
    session.edit((draft) => ({ ...draft, plan: size(draft, { depth: depth + 640 }) }));
    await jest.advanceTimersByTimeAsync(600);
    expect(session.snapshot().theirs).toBeNull();
    expect(server.kept.plan.sizes).toMatchObject({ width: width + 320, depth: depth + 640 });
    expect(session.snapshot().draft.plan).toEqual(server.kept.plan);
  });

  test.each(['mine', 'theirs'] as const)(
    'that changed the same size are asked about it alone; with %s nothing else is lost',
    async (choice) => {
      const session = open();
      server.elsewhere({ plan: size(first, { width: width + 320 }) });
      session.edit((draft) => ({
        ...draft,
        name: 'For the shed',
        plan: size(draft, { width: width + 960, depth: depth + 640 }),
      }));
      await jest.advanceTimersByTimeAsync(600);
      expect(session.snapshot().clashes).toEqual([
        { path: ['plan', 'sizes', 'width'], here: width + 960, there: width + 320 },
      ]);
      if (choice === 'mine') session.keepMine();
      else session.takeTheirs();
      await jest.advanceTimersByTimeAsync(600);
      expect(server.kept.name).toBe('For the shed');
      expect(server.kept.plan.sizes).toMatchObject({
        width: width + (choice === 'mine' ? 960 : 320),
        depth: depth + 640,
      });
      expect(session.snapshot()).toMatchObject({ theirs: null, clashes: [] });
    },
  );
});

describe('what the server says', () => {
  test('leaves the fields that were not changed the very same, so that nothing is worked out anew for them', async () => {
    const session = open();
    const before = session.snapshot().draft;
    // As it comes over the wire: equal, and another object.
    server.kept = { ...structuredClone({ ...server.kept }), version: server.kept.version };
    boxes(session, 7);
    await session.settle();
    const after = session.snapshot().draft;
    expect(after.boxes).toBe(7);
    expect([
      after.plan === before.plan,
      after.saw === before.saw,
      after.wishes === before.wishes,
    ]).toEqual([true, true, true]);
  });
});

describe('one queue', () => {
  test('boards are taken at the version that the last change left, and given back at the one after', async () => {
    const session = open();
    boxes(session, 7);
    const done = Promise.all([session.propose(laid), session.accept(laid), session.giveBack()]);
    await jest.advanceTimersByTimeAsync(0);
    await done;
    expect(server.heard).toEqual([
      'change boxes at 1',
      'propose at 2',
      'accept at 2',
      'give back at 3',
    ]);
    expect(session.snapshot().batch.version).toBe(4);
  });

  test('what is bought is bought at the version that the last change left, and the batch is then as the server has it', async () => {
    const session = open();
    boxes(session, 7);
    const done = session.buy(laid);
    await jest.advanceTimersByTimeAsync(0);
    expect(await done).toEqual([]);
    expect(server.heard).toEqual(['change boxes at 1', 'buy at 2']);
    const { batch, draft } = session.snapshot();
    expect([batch.proposed, draft.wishes.supply, draft.boxes]).toEqual([laid, 'rack-first', 7]);
    expect(session.dirty).toBe(false);
  });

  test('a layout is not proposed for a box that is not kept', async () => {
    const session = open();
    server.away = 'before';
    boxes(session, 7);
    await expect(session.propose(laid)).rejects.toThrow('Away');
    expect(server.heard).toEqual(['change boxes at 1']);
  });

  test('taking boards of a batch that was changed elsewhere shows it as it is now', async () => {
    const session = open();
    server.elsewhere({ boxes: 9 });
    await expect(session.accept(laid)).rejects.toThrow('Changed meanwhile');
    expect(session.snapshot().draft.boxes).toBe(9);
    await session.accept(laid);
    expect(server.heard).toEqual(['accept at 1', 'accept at 2']);
  });
});

describe('undo', () => {
  test('keystrokes in one field are one step; a pause or another field begins the next', async () => {
    const session = open();
    for (const text of ['S', 'Se', 'Sev']) {
      name(session, text);
      await jest.advanceTimersByTimeAsync(100);
    }
    boxes(session, 7);
    await jest.advanceTimersByTimeAsync(3000);
    boxes(session, 8);
    const seen: string[] = [];
    while (session.snapshot().canUndo) {
      session.undo();
      seen.push(`${session.snapshot().draft.name} ${session.snapshot().draft.boxes}`);
    }
    expect(seen).toEqual(['Sev 7', 'Sev 6', 'Six boxes 6']);
    session.redo();
    expect(session.snapshot().draft.name).toBe('Sev');
    expect(session.snapshot().canRedo).toBe(true);
    await jest.advanceTimersByTimeAsync(600);
    expect(server.kept.name).toBe('Sev');
  });
});
