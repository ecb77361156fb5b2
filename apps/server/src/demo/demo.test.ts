import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { NewBatch } from '@spare-knot/core/api';
import { hardwareOf, supplyItem } from '@spare-knot/core/building';
import { buildBox } from '@spare-knot/core/families';
import { migrate } from '../database/migrate.js';
import { Acts, picket } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';
import { DemoService } from './demo.service.js';
import { demoBatches } from './osier-landing.js';

/** What a batch takes beside its wood, by the names that drawers go by. */
function asksFor({ plan }: NewBatch): string[] {
  const built = buildBox(plan);
  return built.ok ? hardwareOf(plan, built.box).map(supplyItem) : [];
}

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

describe('the demo', () => {
  test('loads once, into an empty house, and all of it reads back', async () => {
    const demo = server.app.get(DemoService);
    expect(await demo.loadWhenEmpty()).toBe(true);
    expect(await demo.loadWhenEmpty()).toBe(false);
    const { body } = await server.http.get('/api/batches');
    expect(body.batches).toHaveLength(demoBatches().length + 1);
    const sawn = body.batches.filter(
      ({ state }: { state: { is: string } }) => state.is === 'taken',
    );
    expect(sawn).toHaveLength(1);
    const { sawing } = (await server.http.get(`/api/batches/${sawn[0].id}/sawing`)).body;
    expect(sawing.wanted).toEqual([]);
    expect(sawing.progress.done.length).toBeGreaterThan(3);
    expect((await server.http.get('/api/shop')).body.saws.length).toBeGreaterThan(1);
    expect((await acts.rack()).length).toBeGreaterThan(5);
    // Most of what the batches call for lies in the drawers under the name by which it is called for.
    const drawers: { item: string }[] = (await server.http.get('/api/supplies')).body.supplies;
    const asked = new Set(demoBatches().flatMap(asksFor));
    expect(drawers.filter(({ item }) => asked.has(item)).length).toBeGreaterThanOrEqual(5);
  });

  test('migrating again changes nothing', async () => {
    await acts.addBoards(picket);
    await migrate(server.database);
    expect(await acts.rack()).toHaveLength(1);
  });
});
