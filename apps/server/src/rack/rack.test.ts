import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { boardRecord } from '@spare-knot/core/api';
import { must } from '@spare-knot/core/lists';
import { z } from 'zod';
import { Acts, picket } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

describe('the rack', () => {
  test('keeps boards with their defects, in millimetres on the wire', async () => {
    const defects = [
      { kind: 'knot-sound', circle: [400, 60, 12] },
      { kind: 'split', rect: [1700, 0, 100, 139.7] },
    ];
    const added = await acts.addBoards({ ...picket, defects });
    expect(added.status).toBe(201);
    const [board] = (await server.http.get('/api/rack')).body.boards;
    expect(board).toMatchObject({ ...picket, version: 1, defects, fromBatch: null });
  });

  test('keeps what is known and what is assumed of a board, until it is confirmed', async () => {
    const told = { assumed: ['faces', 'treatment'], grade: 'green', stamp: 'HT', oldPaint: true };
    const [board] = (await acts.addBoards({ ...picket, ...told })).body.boards;
    expect(board).toMatchObject(told);
    const { id, fromBatch: _fromBatch, ...change } = board;
    const planed = { from: picket.thickness, by: 'hand' };
    const confirmed = await server.http
      .put(`/api/rack/${id}`)
      .send({ ...change, assumed: [], thickness: picket.thickness - 2, planed });
    expect(confirmed.status).toBe(200);
    expect(confirmed.body).toMatchObject({ grade: 'green', planed });
    expect(confirmed.body.assumed).toBeUndefined();
    expect((await acts.rack())[0]).toMatchObject({ grade: 'green', stamp: 'HT', oldPaint: true });
  });

  test('a stale write is refused with what is kept now, and nothing is overwritten', async () => {
    const [board] = (await acts.addBoards(picket)).body.boards;
    const { id, fromBatch: _fromBatch, ...change } = board;
    expect(
      (await server.http.put(`/api/rack/${id}`).send({ ...change, name: 'First' })).status,
    ).toBe(200);
    const second = await server.http.put(`/api/rack/${id}`).send({ ...change, name: 'Second' });
    expect(second.status).toBe(409);
    expect(second.headers['content-type']).toContain('application/problem+json');
    expect(second.body).toMatchObject({
      type: 'urn:spare-knot:stale',
      current: { name: 'First', version: 2 },
    });
  });

  test('one board is taken out of a pile, so that it can have a knot of its own', async () => {
    const [pile] = (await acts.addBoards(picket)).body.boards;
    const single = boardRecord.parse(
      (await server.http.post(`/api/rack/${pile.id}/split`).send({ version: 1 })).body,
    );
    expect(single.quantity).toBe(1);
    expect((await acts.rack()).map((board) => board.quantity).sort()).toEqual([1, 7]);
  });

  test('what is deleted can be put back', async () => {
    const [board] = (await acts.addBoards(picket)).body.boards;
    expect((await server.http.delete(`/api/rack/${board.id}?version=1`)).status).toBe(200);
    expect(await acts.rack()).toEqual([]);
    expect((await server.http.post(`/api/rack/${board.id}/restore`)).body).toMatchObject({
      name: 'Picket',
      quantity: 8,
    });
    expect(await acts.rack()).toHaveLength(1);
  });

  test('CSV: good lines are kept, bad ones named; what goes out comes in again', async () => {
    const csv =
      'name,quantity,material,thickness,width,length\nPicket,6,cedar,5/8 in,5 1/2 in,6 ft\nBad,6,cedar,thick,1,1\n';
    const report = await server.http.post('/api/rack/csv').send({ csv });
    expect(report.body.boards).toHaveLength(1);
    expect(report.body.problems).toEqual([{ line: 3, message: expect.stringContaining('thick') }]);
    const out = await server.http.get('/api/rack/csv');
    expect(out.headers['content-type']).toContain('text/csv');
    const again = await server.http.post('/api/rack/csv').send({ csv: out.text });
    expect(again.body.problems).toEqual([]);
    expect(again.body.boards[0]).toMatchObject({ width: 139.7, quantity: 6 });
  });

  test('what is as small, as dear and as marked as can be is kept and read back', async () => {
    const tick = 1 / 320;
    const least = {
      ...picket,
      thickness: tick,
      width: tick,
      length: tick,
      price: 42_949_672,
      defects: [{ kind: 'nail', rect: [0, 0, tick, tick] }],
    };
    expect((await acts.addBoards(least)).status).toBe(201);
    const { status, body } = await server.http.get('/api/rack');
    expect([status, body.boards[0]]).toEqual([200, expect.objectContaining(least)]);
  });

  test('a pile that grows beyond what may be entered, as boards are given back, is read as ever', async () => {
    const { batch, layout } = await acts.laidOut();
    const taken = (await acts.accept(batch, layout)).body;
    const [pile] = (await acts.rack()).filter(({ fromBatch }) => fromBatch === null);
    const {
      id,
      fromBatch: _fromBatch,
      ...change
    } = z.encode(boardRecord, must(pile, 'a pile that is left'));
    const filled = await server.http.put(`/api/rack/${id}`).send({ ...change, quantity: 100_000 });
    expect(filled.status).toBe(200);
    expect((await acts.giveBack(taken.id, taken.version)).status).toBe(200);
    const back = must(
      (await acts.rack()).find((board) => board.id === id),
      'the pile',
    );
    expect(back.quantity).toBeGreaterThan(100_000);
  });

  test('a line with more defects than are read is named; the others are kept', async () => {
    const defects = Array.from({ length: 2001 }, () => 'nail circle 50 50 1').join('; ');
    const header = 'name,thickness,width,length,material,defects';
    const line = (of: string) => `Picket,16,140,1800,western-red-cedar,${of}`;
    const csv = [header, line(defects), line('')].join('\n');
    const { body } = await server.http.post('/api/rack/csv').send({ csv });
    expect(body.boards).toHaveLength(1);
    expect(body.problems).toEqual([{ line: 2, message: expect.stringContaining('2000') }]);
    expect(await acts.rack()).toHaveLength(1);
  });

  test.each([
    [{ ...picket, width: -1 }, 'boards[0].width'],
    [{ ...picket, quantity: 0 }, 'boards[0].quantity'],
    [{ ...picket, name: '' }, 'boards[0].name'],
    [{ ...picket, defects: [{ kind: 'nail', circle: [5000, 0, 3] }] }, 'boards[0].defects[0]'],
    [{ ...picket, defects: [{ kind: 'nail' }] }, 'boards[0].defects[0]'],
    [{ ...picket, width: 0.001 }, 'boards[0].width'],
    [{ ...picket, price: 5e8 }, 'boards[0].price'],
    [{ ...picket, defects: [{ kind: 'nail', circle: [50, 50, 0.001] }] }, 'boards[0].defects[0]'],
    [{ ...picket, defects: [{ kind: 'nail', circle: [1e308, 50, 3] }] }, 'boards[0].defects[0]'],
    [{ ...picket, planed: { from: 1e-9, by: 'hand' } }, 'boards[0].planed.from'],
  ])('refuses %j naming the field', async (board, path) => {
    const answer = await acts.addBoards(board);
    expect(answer.status).toBe(400);
    expect(answer.body.errors.map((error: { path: string }) => error.path)).toContain(path);
    expect(await acts.rack()).toEqual([]);
  });
});
