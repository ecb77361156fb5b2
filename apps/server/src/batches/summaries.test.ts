import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { batchList, batchRecord, keptPlans } from '@spare-knot/core/api';
import { must } from '@spare-knot/core/lists';
import { openTestServer, releaseBefore, type TestServer } from '../testing/test-server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openTestServer(releaseBefore);
});
afterAll(() => server.close());

const list = async () => batchList.parse((await server.http.get('/api/batches')).body).batches;
const one = async (id: string) =>
  batchRecord.parse((await server.http.get(`/api/batches/${id}`)).body);

describe('the list of batches', () => {
  test('says of each what the batch itself says, and no documents', async () => {
    const text = (await server.http.get('/api/batches')).text;
    expect(text).not.toContain('placements');
    for (const { id, name, boxes, version, family, animals } of await list()) {
      const batch = await one(id);
      expect({ name, boxes, version }).toEqual({
        name: batch.name,
        boxes: batch.boxes,
        version: batch.version,
      });
      expect([family, animals]).toEqual([batch.plan.family, batch.plan.animals]);
    }
  });

  test('the plans of all are told at once, and which want no wood any more', async () => {
    const { plans, unreadable } = keptPlans.parse((await server.http.get('/api/plans')).body);
    expect(unreadable).toEqual([]);
    for (const { id, state, boxes } of await list()) {
      const plan = must(
        plans.find(({ batch }) => batch === id),
        id,
      );
      expect([plan.isTaken, plan.boxes]).toEqual([state.is === 'taken', boxes]);
      expect(plan.plan).toEqual((await one(id)).plan);
    }
  });

  test('the last touched stands first', async () => {
    const last = must((await list()).at(-1), 'a batch');
    const renamed = await server.http
      .patch(`/api/batches/${last.id}`)
      .send({ version: last.version, name: 'Touched last' });
    expect(renamed.status).toBe(200);
    const [first] = await list();
    expect(first).toMatchObject({ id: last.id, name: 'Touched last' });
  });

  test('one that cannot be read is named with the reason, and takes no other down', async () => {
    const before = await list();
    const broken = must(before[2], 'a batch');
    await server.database('batches').where({ id: broken.id }).update({ plan: '{"family":"none"}' });
    const after = await list();
    expect(after).toHaveLength(before.length);
    const states = after.map(({ id, state }) => [id === broken.id, state.is === 'unreadable']);
    expect(states.every(([isBroken, isUnreadable]) => isBroken === isUnreadable)).toBe(true);
    expect(after.find(({ id }) => id === broken.id)).toMatchObject({
      name: broken.name,
      picture: null,
    });
    const { plans, unreadable } = keptPlans.parse((await server.http.get('/api/plans')).body);
    expect(unreadable).toEqual([broken.name]);
    expect(plans).toHaveLength(before.length - 1);
  });

  test('one whose layout cannot be read takes no other down either', async () => {
    const before = await list();
    const broken = must(
      before.find(({ state }) => state.is === 'proposed'),
      'a batch that is laid out',
    );
    await server
      .database('layouts')
      .where({ batch_id: broken.id })
      .update({ layout: '{"boards":[{"stock":7}]}' });
    const after = await list();
    expect(after.map(({ id }) => id).sort()).toEqual(before.map(({ id }) => id).sort());
    expect(after.find(({ id }) => id === broken.id)?.state).toMatchObject({ is: 'unreadable' });
  });
});
