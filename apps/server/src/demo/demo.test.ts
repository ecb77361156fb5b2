import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { migrate } from '../database/migrate.js';
import { Acts, picket } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';
import { DemoService } from './demo.service.js';
import { demoBatches } from './osier-landing.js';

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
  });

  test('migrating again changes nothing', async () => {
    await acts.addBoards(picket);
    await migrate(server.database);
    expect(await acts.rack()).toHaveLength(1);
  });
});
