import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());

test('large requests that come faster than anybody reads files in are told to wait, small ones are answered all the while', async () => {
  const large = { csv: `name\n${'x'.repeat(250_000)}` };
  const told: number[] = [];
  for (let sent = 0; sent < 64; sent += 1) {
    const { status, body, headers } = await server.http.post('/api/yard/csv').send(large);
    told.push(status);
    if (status !== 429) continue;
    expect(body.detail).toMatch(/Nothing was changed/);
    expect(Number(headers['retry-after'])).toBeGreaterThan(0);
  }
  expect(told.slice(0, 40)).not.toContain(429);
  expect(told.slice(-3)).toEqual([429, 429, 429]);
  expect((await server.http.get('/api/rack')).status).toBe(200);
});
