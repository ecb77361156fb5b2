import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { Acts, picket } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

describe('the border', () => {
  test('refuses other hosts and other sites', async () => {
    expect((await server.http.get('/api/rack').set('Host', 'boxes.example')).status).toBe(403);
    expect((await server.http.get('/api/rack').set('Origin', 'http://boxes.example')).status).toBe(
      403,
    );
  });

  test('sends strict headers and no script from elsewhere', async () => {
    const { headers } = await server.http.get('/api/health');
    expect(headers['content-security-policy']).toContain("script-src 'self' 'wasm-unsafe-eval';");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
  });

  test.each([
    ['get', '/api/batches/1', 400],
    ['get', '/api/batches/7f8dd3f3-a78e-423a-95f2-fd4efbb92da8', 404],
    ['get', '/api/nothing', 404],
    ['delete', '/api/rack/7f8dd3f3-a78e-423a-95f2-fd4efbb92da8', 400],
  ] as const)('%s %s is answered with a problem document', async (verb, path, status) => {
    const answer = await server.http[verb](path);
    expect(answer.status).toBe(status);
    expect(answer.headers['content-type']).toContain('application/problem+json');
    expect(answer.body.status).toBe(status);
  });

  test('text that is no JSON, and far too much of it', async () => {
    const broken = await server.http
      .post('/api/rack')
      .set('Content-Type', 'application/json')
      .send('{"boards":');
    expect(broken.status).toBe(400);
    const huge = await server.http
      .post('/api/rack')
      .set('Content-Type', 'application/json')
      .send(`{"boards":"${'x'.repeat(5_000_000)}"}`);
    expect(huge.status).toBe(413);
  });

  test('what looks like SQL is kept as text', async () => {
    const name = "Robert'); drop table boards;--";
    await acts.addBoards({ ...picket, name });
    expect((await acts.rack())[0]?.name).toBe(name);
  });
});
