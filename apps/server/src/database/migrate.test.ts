import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { batchList, batchRecord, boardList } from '@spare-knot/core/api';
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
