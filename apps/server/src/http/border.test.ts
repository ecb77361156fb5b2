import { get, type IncomingMessage } from 'node:http';
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

  test('other pages’ requests are refused; a link that is followed to a page is not', async () => {
    const from = (path: string, mode: string) =>
      server.http.get(path).set('Sec-Fetch-Site', 'cross-site').set('Sec-Fetch-Mode', mode);
    expect((await from('/api/rack', 'no-cors')).status).toBe(403);
    expect((await from('/api/rack', 'navigate')).status).toBe(403);
    expect((await from('/bench', 'navigate')).status).toBe(404);
    expect((await from('/bench', 'no-cors')).status).toBe(403);
  });

  test('nobody keeps a copy of data, and a refusal may not be sniffed either', async () => {
    const { headers } = await server.http.get('/api/rack');
    expect(headers['cache-control']).toBe('no-store');
    const refused = await server.http.get('/api/rack').set('Host', 'boxes.example');
    expect(refused.headers['x-content-type-options']).toBe('nosniff');
  });

  test.each([
    ['Content-Type', 'application/json; charset=bogus', 415],
    ['Content-Encoding', 'bogus', 415],
  ])('%s: %s is answered with %i and why', async (header, value, status) => {
    const answer = await server.http
      .post('/api/rack')
      .set('Content-Type', 'application/json')
      .set(header, value)
      .send('{"boards":[]}');
    expect([answer.status, answer.body.status]).toEqual([status, status]);
    expect(answer.body.title).not.toBe('');
  });

  test('Expect: a miracle is answered with 417 and why', async () => {
    const { port } = server.app.getHttpServer().address() as { port: number };
    const answer = await new Promise<IncomingMessage>((done) => {
      get({ host: '127.0.0.1', port, path: '/api/rack', headers: { Expect: 'a miracle' } }, done);
    });
    expect(answer.statusCode).toBe(417);
    expect(JSON.parse(String(await answer.setEncoding('utf8').toArray())).status).toBe(417);
  });

  test('twenty errors at most are told, and how many more there are', async () => {
    const boards = Array.from({ length: 60 }, () => ({ ...picket, width: -1 }));
    const { status, body } = await acts.addBoards(...boards);
    expect(status).toBe(400);
    expect(body.errors).toHaveLength(20);
    expect(body.detail).toMatch(/and \d+ more$/);
    expect(body.errors[0].path).toBe('boards[0].width');
  });

  test('half a character in a name is named, and nothing is kept', async () => {
    const { status, body } = await server.http
      .post('/api/rack')
      .set('Content-Type', 'application/json')
      .send(`{"boards":[${JSON.stringify(picket).replace('Picket', '\\ud800')}]}`);
    expect([status, body.errors[0].path]).toEqual([400, 'boards[0].name']);
    expect(await acts.rack()).toEqual([]);
  });

  test('what looks like SQL is kept as text', async () => {
    const name = "Robert'); drop table boards;--";
    await acts.addBoards({ ...picket, name });
    expect((await acts.rack())[0]?.name).toBe(name);
  });
});
