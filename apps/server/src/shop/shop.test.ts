import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { Acts } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

describe('the shop', () => {
  test('has the usual bits until others are kept, and refuses a stale list', async () => {
    const first = (await server.http.get('/api/shop')).body;
    expect(first.version).toBe(1);
    expect(first.bits.length).toBeGreaterThan(4);
    const bits = [{ kind: 'forstner', diameter: 33 }];
    const kept = await server.http.put('/api/shop').send({ version: 1, bits });
    expect([kept.status, kept.body]).toEqual([200, { version: 2, bits }]);
    const stale = await server.http.put('/api/shop').send({ version: 1, bits: [] });
    expect(stale.status).toBe(409);
    expect(stale.body.current.bits).toEqual(bits);
    expect((await server.http.get('/api/shop')).body.bits).toEqual(bits);
    expect(
      (
        await server.http
          .put('/api/shop')
          .send({ version: 2, bits: [{ kind: 'spoon', diameter: 3 }] })
      ).status,
    ).toBe(400);
  });
});
