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
    expect([kept.status, kept.body]).toMatchObject([200, { version: 2, bits, saws: [] }]);
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

  test('keeps its saws; two of one name, and what is no saw, are refused', async () => {
    const saw = {
      name: 'mitre saw',
      kind: 'mitre',
      kerf: 2.4,
      capacity: 310,
      maxMitre: 50,
      maxTilt: 45,
      tiltsTo: 'left',
      handMin: 200,
      hasStop: true,
      mitreOff: 0,
      tiltOff: 0.5,
    };
    const put = (version: number, saws: object[]) =>
      server.http.put('/api/shop').send({ version, bits: [], saws });
    const kept = await put(1, [saw]);
    expect([kept.status, kept.body.saws]).toEqual([200, [saw]]);
    expect((await put(2, [saw, saw])).status).toBe(400);
    expect((await put(2, [{ ...saw, kind: 'axe' }])).status).toBe(400);
    expect((await put(2, [{ ...saw, maxTilt: 91 }])).status).toBe(400);
    expect((await server.http.get('/api/shop')).body).toMatchObject({ version: 2, saws: [saw] });
  });
});
