import { tmpdir } from 'node:os';
import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { Acts, picket } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
afterEach(() => {
  delete process.env.SPARE_KNOT_LEAST_ROOM;
  delete process.env.SPARE_KNOT_DATA;
});

/** Long enough for what was known of the disk to be asked anew. */
const later = () => new Promise((go) => setTimeout(go, 1100));

describe('a disk without room', () => {
  test('all can be read, nothing is written, and why is said; with room again all is as before', async () => {
    await acts.addBoards(picket);
    process.env.SPARE_KNOT_DATA = tmpdir();
    process.env.SPARE_KNOT_LEAST_ROOM = String(Number.MAX_SAFE_INTEGER);
    const { status, body } = await acts.addBoards(picket);
    expect([status, body.type]).toEqual([507, 'urn:spare-knot:disk-full']);
    expect(body.detail).toMatch(/^Nothing was changed/);
    expect((await server.http.get('/api/health')).body).toEqual({ ready: true, room: false });
    expect(await acts.rack()).toHaveLength(1);
    process.env.SPARE_KNOT_LEAST_ROOM = '1';
    await later();
    expect((await acts.addBoards(picket)).status).toBe(201);
    expect((await server.http.get('/api/health')).body).toEqual({ ready: true, room: true });
  });
});
