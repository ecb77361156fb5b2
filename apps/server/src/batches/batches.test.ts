import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { batchRecord } from '@spare-knot/core/api';
import { at } from '@spare-knot/core/lists';
import { demoBatches } from '../demo/osier-landing.js';
import { Acts, railTrail } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

describe('batches', () => {
  test('come back exactly as they were kept', async () => {
    const sent = railTrail();
    const { body } = await server.http.post('/api/batches').send(sent);
    const { body: back } = await server.http.get(`/api/batches/${body.id}`);
    expect(back).toMatchObject(sent);
    expect(batchRecord.parse(back).plan).toEqual(at(demoBatches(), -1).plan);
  });

  test('a stale change gets 409 and both versions can be seen', async () => {
    const { body: batch } = await server.http.post('/api/batches').send(railTrail());
    await server.http
      .patch(`/api/batches/${batch.id}`)
      .send({ ...railTrail(), name: 'First', version: 1 });
    const second = await server.http
      .patch(`/api/batches/${batch.id}`)
      .send({ ...railTrail(), name: 'Second', version: 1 });
    expect(second.status).toBe(409);
    expect(second.body.current).toMatchObject({ name: 'First', version: 2 });
  });

  test('what the first version wrote still opens', async () => {
    // A row exactly as version 1 of the plan and of the layout were written.
    const id = '7f8dd3f3-a78e-423a-95f2-fd4efbb92da8';
    const wood = {
      thickness: 15.875,
      width: 139.7,
      material: 'western-red-cedar',
      faceA: 'rough',
      faceB: 'rough',
    };
    const plan = {
      format: 'spare-knot/box-plan',
      version: 1,
      family: 'slant-roof',
      animal: 'house-wren',
      sizes: { width: 139.7, depth: 139.7, frontHeight: 200 },
      angles: { slope: 10 },
      choices: { roof: 'butt' },
      wood: { front: wood },
    };
    const saw = {
      kerf: 3.2,
      rip: true,
      throughCuts: true,
      maxMitre: 50,
      maxTilt: 45,
      endTrim: 0,
      keep: { length: 150, width: 60 },
    };
    const when = new Date('2026-11-24T05:00:00Z');
    await server.database('batches').insert({
      id,
      name: 'Old',
      boxes: 2,
      units: 'mm',
      division: 1,
      plan: JSON.stringify(plan),
      saw: JSON.stringify(saw),
      created_at: when,
      changed_at: when,
    });
    const layout = {
      format: 'spare-knot/layout',
      version: 1,
      boards: [],
      unplaced: [],
      cost: 3.4,
      lowerBound: 3.4,
      boundProof: 'area',
      optimal: true,
      yield: 0.9,
      seconds: 1,
    };
    await server.database('layouts').insert({ batch_id: id, layout: JSON.stringify(layout) });
    const opened = batchRecord.parse((await server.http.get(`/api/batches/${id}`)).body);
    expect(opened.plan.sizes.width).toBe(44704);
    expect(opened.saw.kerf).toBe(1024);
    expect(opened.proposed).toMatchObject({ cost: 340, optimal: true });
  });

  test('a plan of an unknown version is refused by name', async () => {
    const bad = railTrail() as { plan: { version: number } };
    bad.plan.version = 9;
    const answer = await server.http.post('/api/batches').send(bad);
    expect(answer.status).toBe(400);
    expect(answer.body.detail).toContain('plan.version');
  });
});
