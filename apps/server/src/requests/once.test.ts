import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { layoutDocument } from '@spare-knot/core/exchange';
import { z } from 'zod';
import { Acts, picket, railTrail, total } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

describe('a write that is sent again with its key', () => {
  test('puts boards on the rack once, and is answered as it was', async () => {
    const key = randomUUID();
    const send = () =>
      server.http
        .post('/api/rack')
        .set('Idempotency-Key', key)
        .send({ boards: [picket] });
    const first = await send();
    const again = await send();
    expect([first.status, again.status]).toEqual([201, 201]);
    expect(again.body).toEqual(first.body);
    expect(total(await acts.rack())).toBe(8);
  });

  test('sent many times at once it is done once', async () => {
    const key = randomUUID();
    const answers = await Promise.all(
      Array.from({ length: 6 }, () =>
        server.http
          .post('/api/rack')
          .set('Idempotency-Key', key)
          .send({ boards: [picket] }),
      ),
    );
    expect(answers.map(({ status }) => status)).toEqual(Array(6).fill(201));
    expect(new Set(answers.map(({ body }) => JSON.stringify(body))).size).toBe(1);
    expect(total(await acts.rack())).toBe(8);
  });

  test('an edit whose answer was lost is no choice between two equal versions', async () => {
    const batch = await acts.batch();
    const key = randomUUID();
    const send = () =>
      server.http
        .patch(`/api/batches/${batch.id}`)
        .set('Idempotency-Key', key)
        .send({ name: 'Renamed', version: 1 });
    expect((await send()).body.version).toBe(2);
    expect(await send()).toMatchObject({ status: 200, body: { version: 2, name: 'Renamed' } });
    expect((await acts.one(batch.id)).version).toBe(2);
  });

  test('boards are taken once', async () => {
    const { batch, layout } = await acts.laidOut();
    const before = total(await acts.rack());
    const key = randomUUID();
    const body = { version: batch.version, layout: z.encode(layoutDocument, layout) };
    const send = () =>
      server.http.post(`/api/batches/${batch.id}/accept`).set('Idempotency-Key', key).send(body);
    const answers = [await send(), await send()];
    expect(answers.map(({ status }) => status)).toEqual([200, 200]);
    const offcuts = layout.boards.reduce((sum, board) => sum + board.offcuts.length, 0);
    expect(total(await acts.rack())).toBe(before - layout.boards.length + offcuts);
  });

  test('what was refused is judged anew, since nothing was kept', async () => {
    const key = randomUUID();
    const batch = await acts.batch();
    const send = (version: number) =>
      server.http
        .patch(`/api/batches/${batch.id}`)
        .set('Idempotency-Key', key)
        .send({ name: 'Late', version });
    expect((await send(7)).status).toBe(409);
    expect((await send(1)).status).toBe(200);
  });

  test('a key serves one write only, and must be one', async () => {
    const key = randomUUID();
    const send = (body: object, of: string = key) =>
      server.http.post('/api/batches').set('Idempotency-Key', of).send(body);
    expect((await send(railTrail())).status).toBe(201);
    const other = await send({ ...railTrail(), name: 'Another' });
    expect(other.status).toBe(422);
    expect(other.body.errors[0].path).toBe('Idempotency-Key');
    expect((await send(railTrail(), 'short')).status).toBe(400);
  });
});
