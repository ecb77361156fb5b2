import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { batchList, batchRecord, boardList, NO_MAKING } from '@spare-knot/core/api';
import { buildBox } from '@spare-knot/core/families';
import { must } from '@spare-knot/core/lists';
import { openTestServer, releaseBefore, type TestServer } from '../testing/test-server.js';
import { migrate } from './migrate.js';

let server: TestServer;
beforeAll(async () => {
  server = await openTestServer(releaseBefore);
});
afterAll(() => server.close());

const summaries = async () => batchList.parse((await server.http.get('/api/batches')).body).batches;
const one = async (id: string) =>
  batchRecord.parse((await server.http.get(`/api/batches/${id}`)).body);

describe('what the release before kept', () => {
  test('opens: every batch with its picture, its box builds, its layout is where it was', async () => {
    const batches = await summaries();
    expect(batches).toHaveLength(7);
    expect(batches.filter(({ state }) => state.is === 'taken')).toHaveLength(1);
    expect(batches.filter(({ state }) => state.is === 'proposed')).toHaveLength(2);
    const refused: string[] = [];
    for (const { id, picture } of batches) {
      const batch = await one(id);
      const built = buildBox(batch.plan);
      expect(picture !== null).toBe(built.ok);
      expect(batch.plan.animals).toHaveLength(1);
      expect(batch.making).toEqual(NO_MAKING);
      if (!built.ok) refused.push(...built.refusals.map(({ field }) => field));
    }
    // The bat box of 12 mm plywood had its screws in the plies’ edges: it is there, and says that its wood has to be another.
    expect(refused).toEqual([expect.stringMatching(/^wood\./)]);
  });

  test('boards lie where they lay, and each has its first entry in the ledger', async () => {
    const { boards } = boardList.parse((await server.http.get('/api/rack')).body);
    expect(boards.length).toBeGreaterThan(10);
    const entries = await server.database('wood_ledger').select('board_id', 'quantity');
    for (const board of boards) {
      const own = entries.filter((entry) => entry.board_id === board.id);
      expect(own.reduce((sum, entry) => sum + entry.quantity, 0)).toBe(board.quantity);
    }
  });

  test('faces that counted as rough because nobody said otherwise have to be looked at', async () => {
    const { boards } = boardList.parse((await server.http.get('/api/rack')).body);
    for (const board of boards) expect(board.assumed).toEqual(['faces']);
    for (const { id } of await summaries())
      for (const wood of Object.values((await one(id)).plan.wood))
        expect(wood.assumed).toEqual(['faces']);
  });

  test('boards that were taken then are given back as they were', async () => {
    const [taken] = (await summaries()).filter(({ state }) => state.is === 'taken');
    const before = await one(must(taken, 'taken').id);
    const rack = async () => boardList.parse((await server.http.get('/api/rack')).body).boards;
    const count = async () => (await rack()).reduce((sum, board) => sum + board.quantity, 0);
    const offcuts = (await rack()).filter(
      (board) => board.fromBatch === must(taken, 'taken').id,
    ).length;
    const there = await count();
    const back = await server.http
      .post(`/api/batches/${must(taken, 'taken').id}/give-back`)
      .send({ version: before.version });
    expect(back.status).toBe(200);
    expect(await count()).toBe(
      there - offcuts + must(before.accepted, 'accepted').layout.boards.length,
    );
  });

  test('migrating again changes nothing', async () => {
    const before = await summaries();
    await migrate(server.database);
    expect(await summaries()).toEqual(before);
  });
});

describe('what was sawn before a plan could take the place of another', () => {
  let sawn: TestServer;
  beforeAll(async () => {
    sawn = await openTestServer(async (database) => {
      await releaseBefore(database);
      await migrate(database, '0006-sawing');
      const { batch_id } = await database('layouts').whereNotNull('accepted_at').first();
      const board = {
        stock: 'picket',
        piece: 0,
        pieces: [{ id: 'p0' }, { id: 'p1' }, { id: 'p2' }],
      };
      const plan = {
        format: 'spare-knot/cut-plan',
        version: 1,
        boards: [{ ...board, cuts: [{ id: 'c1', of: 'p0', gives: ['p1', 'p2'] }] }],
        steps: [],
        settings: 0,
        boardAfterBoard: 0,
        lowerBound: 0,
        minutes: 0,
      };
      const started_at = new Date('2026-01-02T03:04:05.000Z');
      await database('sawings').insert({ batch_id, plan: JSON.stringify(plan), started_at });
      await database('sawn_cuts').insert({ batch_id, cut: '0:c1', sawn_at: started_at });
    });
  });
  afterAll(() => sawn.close());

  test('is the first round, with every cut that was made, though its box is refused by now', async () => {
    const { batches } = batchList.parse((await sawn.http.get('/api/batches')).body);
    const taken = must(
      batches.find(({ state }) => state.is === 'taken'),
      'taken',
    );
    const { body } = await sawn.http.get(`/api/batches/${taken.id}/sawing`);
    expect(body.sawing).toMatchObject({
      round: 0,
      startedAt: '2026-01-02T03:04:05.000Z',
      progress: { done: ['0:c1'], ruined: [] },
    });
    const left = await sawn.http.get(`/api/batches/${taken.id}/sawing/left`);
    expect([left.status, left.body.errors[0].path]).toEqual([422, 'plan']);
  });
});
