import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { Acts, picket } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';
import { Wire } from '../testing/wire.js';

let wire: Wire;
let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  wire = await Wire.to(Number(process.env.SPARE_KNOT_DB_PORT));
  server = await openTestServer(undefined, String(wire.port));
  acts = new Acts(server);
});
afterAll(async () => {
  await server.close();
  await wire.close();
});
beforeEach(async () => {
  wire.atCommit = 'passes';
  wire.times = Number.POSITIVE_INFINITY;
  wire.isUp = true;
  await acts.clear();
});

const add = (key?: string) => {
  const asked = server.http.post('/api/rack');
  return (key ? asked.set('Idempotency-Key', key) : asked).send({ boards: [picket] });
};
const rows = async () => (await acts.rack()).length;

describe('a connection that is lost at COMMIT', () => {
  test('after it was kept: it is found by its key, and answered as kept', async () => {
    wire.atCommit = 'is cut after';
    wire.times = 1;
    expect((await add(randomUUID())).status).toBe(201);
    expect(await rows()).toBe(1);
  });

  test('before it was kept: it says that nothing was changed, and it was not; sent again it is kept once', async () => {
    const key = randomUUID();
    wire.atCommit = 'is cut before';
    wire.times = 1;
    const { status, headers, body } = await add(key);
    expect([status, body.detail]).toEqual([503, expect.stringContaining('Nothing was changed')]);
    expect(Number(headers['retry-after'])).toBeGreaterThan(0);
    expect(await rows()).toBe(0);
    expect([(await add(key)).status, (await add(key)).status]).toEqual([201, 201]);
    expect(await rows()).toBe(1);
  });

  test('and nobody to ask: it says that it is not known; sent again it is kept once, whatever it was', async () => {
    for (const atCommit of ['is cut before', 'is cut after'] as const) {
      await acts.clear();
      const key = randomUUID();
      wire.atCommit = atCommit;
      const { status, headers, body } = await add(key);
      expect([status, body.type]).toEqual([503, 'urn:spare-knot:not-known']);
      expect(body.title).toMatch(/not known/);
      expect(Number(headers['retry-after'])).toBeGreaterThan(0);
      wire.atCommit = 'passes';
      expect((await add(key)).status).toBe(201);
      expect(await rows()).toBe(1);
    }
  });

  test('without a key: it says that it is not known', async () => {
    wire.atCommit = 'is cut after';
    expect((await add()).body.type).toBe('urn:spare-knot:not-known');
    wire.atCommit = 'passes';
    expect(await rows()).toBe(1);
  });
});

describe('a database that is away', () => {
  const goAway = () => {
    wire.isUp = false;
    wire.cut();
  };

  test('for a moment: whoever asks waits, and is answered', async () => {
    await add();
    goAway();
    setTimeout(() => {
      wire.isUp = true;
    }, 700);
    const [read, written] = await Promise.all([server.http.get('/api/rack'), add(randomUUID())]);
    expect([read.status, written.status]).toEqual([200, 201]);
    expect(await rows()).toBe(2);
  });

  test('for longer: 503, when to ask again, and that nothing was changed; health says so too', async () => {
    goAway();
    const answers = await Promise.all([
      server.http.get('/api/rack'),
      add(randomUUID()),
      server.http.get('/api/health'),
    ]);
    for (const { status, headers, body } of answers) {
      expect([status, body.title]).toEqual([503, 'The database does not answer']);
      expect(Number(headers['retry-after'])).toBeGreaterThan(0);
    }
    wire.isUp = true;
    expect(await rows()).toBe(0);
    expect((await server.http.get('/api/health')).body).toEqual({ ready: true, room: true });
  });
});
