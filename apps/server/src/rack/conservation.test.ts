import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { type BatchRecord, type BoardRecord, boardRecord } from '@spare-knot/core/api';
import type { Layout } from '@spare-knot/core/layout';
import { z } from 'zod';
import { Acts, picket, roofBoard } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

/** Random numbers that are the same in every run: mulberry32. */
function mulberry(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

const number = (value: unknown): number => Number(value ?? 0);

async function sumOf(table: string, column: string, where = '1 = 1'): Promise<number> {
  const [row] = await server.database(table).whereRaw(where).sum({ sum: column });
  return number(row?.sum);
}

const byAct = (...acted: string[]) =>
  sumOf('wood_ledger', 'quantity', `act in (${acted.map((act) => `'${act}'`).join(', ')})`);

/** Boards made + given = there + taken + thrown away; and every pile has as many as its entries say. */
async function expectConserved(): Promise<void> {
  const made = await byAct('added', 'counted', 'split');
  const given = (await byAct('given')) + (await byAct('unmade'));
  const there = await sumOf('boards', 'quantity', 'deleted_at is null');
  const taken = await sumOf('taken_boards', 'quantity');
  const thrown = -((await byAct('thrown')) + (await byAct('restored')));
  expect(made + given).toBe(there + taken + thrown);
  expect(taken + (await byAct('taken', 'back'))).toBe(0);
  const off = await server.database
    .from('boards as b')
    .leftJoin('wood_ledger as l', 'l.board_id', 'b.id')
    .groupBy('b.id', 'b.quantity', 'b.deleted_at')
    .havingRaw('coalesce(sum(l.quantity), 0) <> if(b.deleted_at is null, b.quantity, 0)')
    .select('b.id');
  expect(off).toEqual([]);
}

interface World {
  random: () => number;
  batches: string[];
  thrown: string[];
  layouts: Map<string, Layout>;
  done: Record<string, number>;
}

const oneOf = <T>(list: readonly T[], random: () => number): T | undefined =>
  list[Math.floor(random() * list.length)];

/** Offcuts seldom: one that is sawn up or thrown away keeps its batch from being given back. */
async function board(world: World): Promise<BoardRecord | undefined> {
  const boards = await acts.rack();
  const whole = boards.filter(({ fromBatch }) => fromBatch === null);
  return oneOf(world.random() < 0.1 ? boards : whole, world.random);
}
async function batch(world: World): Promise<BatchRecord | undefined> {
  const id = oneOf(world.batches, world.random);
  return id ? acts.one(id) : undefined;
}

type Answer = { status: number };
type RandomAct = (world: World) => Promise<Answer | undefined>;

const change = (of: BoardRecord, more: object) => {
  const { id, fromBatch: _fromBatch, ...rest } = z.encode(boardRecord, of);
  return server.http.put(`/api/rack/${id}`).send({ ...rest, ...more });
};

const ACTS: Record<string, RandomAct> = {
  add: () => acts.addBoards({ ...picket, quantity: 8 }, { ...roofBoard, quantity: 3 }),
  rename: async (world) => {
    const of = await board(world);
    return of && change(of, { name: `${of.name.slice(0, 20)}.` });
  },
  measure: async (world) => {
    const of = await board(world);
    return of && change(of, { length: z.encode(boardRecord, of).length - 1 });
  },
  count: async (world) => {
    const of = await board(world);
    return of && change(of, { quantity: Math.floor(world.random() * 9) });
  },
  split: async (world) => {
    const of = await board(world);
    return of && server.http.post(`/api/rack/${of.id}/split`).send({ version: of.version });
  },
  throwAway: async (world) => {
    const of = await board(world);
    if (!of) return undefined;
    world.thrown.push(of.id);
    return acts.throwAway(of);
  },
  restore: async (world) => {
    const id = oneOf(world.thrown, world.random);
    return id ? server.http.post(`/api/rack/${id}/restore`) : undefined;
  },
  take: async (world) => {
    const of = await batch(world);
    if (!of) return undefined;
    const layout = world.random() < 0.3 ? world.layouts.get(of.id) : await acts.layOut(of);
    if (!layout) return undefined;
    world.layouts.set(of.id, layout);
    return acts.accept(of, layout);
  },
  giveBack: async (world) => {
    const of = await batch(world);
    return of && acts.giveBack(of.id, of.version);
  },
  takeTogether: async (world) => {
    const pair = [await batch(world), await batch(world)];
    const answers = await Promise.all(
      pair.flatMap((of) => {
        const layout = of && world.layouts.get(of.id);
        return of && layout ? [acts.accept(of, layout)] : [];
      }),
    );
    return answers[0];
  },
  giveBackTogether: async (world) => {
    const pair = [await batch(world), await batch(world)];
    const answers = await Promise.all(
      pair.flatMap((of) => (of ? [acts.giveBack(of.id, of.version)] : [])),
    );
    return answers[0];
  },
};

const RUNS = Number(process.env.SPARE_KNOT_ACTS ?? 300);

describe('wood is conserved', () => {
  test(`over ${RUNS} random acts, some at once: boards made and given are there, taken or thrown away`, async () => {
    const random = mulberry(20261125);
    const world: World = { random, batches: [], thrown: [], layouts: new Map(), done: {} };
    await acts.addBoards({ ...picket, quantity: 20 }, { ...roofBoard, quantity: 6 });
    for (const name of ['One', 'Two', 'Three'])
      world.batches.push((await acts.batch({ name, boxes: 1 })).id);
    // Wood on its way matters most.
    const names = [...Object.keys(ACTS), 'take', 'take', 'giveBack', 'giveBack', 'restore'];
    for (let step = 0; step < RUNS; step += 1) {
      const name = oneOf(names, random) ?? 'add';
      const answer = await ACTS[name]?.(world);
      if (answer) expect(answer.status).toBeLessThan(500);
      if (answer && answer.status < 300) world.done[name] = (world.done[name] ?? 0) + 1;
      if (step % 10 === 9) await expectConserved();
    }
    await expectConserved();
    // A property over acts that never took proves nothing.
    expect(world.done.take ?? 0).toBeGreaterThan(5);
    expect(world.done.giveBack ?? 0).toBeGreaterThan(3);
    expect(world.done.restore ?? 0).toBeGreaterThan(3);
  });
});
