import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { OPERATIONS } from '@spare-knot/core/api';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());

interface Layer {
  route?: { path: string; methods: Record<string, boolean> };
}

/** What the server in fact answers, from its router. */
function routes(): string[] {
  const instance = server.app.getHttpAdapter().getInstance() as { router: { stack: Layer[] } };
  return instance.router.stack.flatMap(({ route }) =>
    route
      ? Object.keys(route.methods).map(
          (method) => `${method} ${route.path.replace(/:(\w+)/g, '{$1}')}`,
        )
      : [],
  );
}

describe('the server describes itself', () => {
  test('by every route that it answers, and by no other', () => {
    const told = OPERATIONS.map(({ method, path }) => `${method} ${path}`).sort();
    const answered = routes()
      .filter((route) => route.includes('/api/') && !route.endsWith('openapi.json'))
      .sort();
    expect(answered).toEqual(told);
  });

  test('in OpenAPI, with the schemas it reads by', async () => {
    const { status, body } = await server.http.get('/api/openapi.json');
    expect(status).toBe(200);
    expect(body.openapi).toBe('3.1.0');
    const add = body.paths['/api/rack'].post;
    expect(add.requestBody.content['application/json'].schema.properties.boards.type).toBe('array');
    expect(add.parameters.map(({ name }: { name: string }) => name)).toContain('Idempotency-Key');
  });

  test('and says whether its database answers', async () => {
    expect((await server.http.get('/api/health')).body).toEqual({ ready: true, room: true });
    const { pool } = server.database.client;
    const acquire = pool.acquire;
    pool.acquire = () => ({ promise: Promise.reject(new Error('gone')), abort() {} });
    const away = await server.http.get('/api/health');
    pool.acquire = acquire;
    expect([away.status, away.body.title]).toEqual([503, 'The database does not answer']);
  });
});
