import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { DemoService } from '../demo/demo.service.js';
import { Acts } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';
import { COUNTED, KEPT_TABLES, NOT_DATA } from './kept-tables.js';

type Files = Record<string, Uint8Array>;

let server: TestServer;
let acts: Acts;
let before: Files;
let said: unknown;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
  await fullShop();
  [before, said] = [await out(), await answers()];
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

async function out(): Promise<Files> {
  const { body, headers } = await server.http
    .get('/api/archive')
    .buffer(true)
    .parse((answer, done) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.on('end', () => done(null, Buffer.concat(parts)));
    });
  expect(headers['content-type']).toContain('application/zip');
  return unzipSync(new Uint8Array(body as Buffer));
}
const send = (bytes: Uint8Array) =>
  server.http.post('/api/archive').set('Content-Type', 'application/zip').send(Buffer.from(bytes));
const read = (files: Files) => send(zipSync(files));

/** All but the moment at which it was written. */
const told = (files: Files) =>
  Object.fromEntries(
    Object.entries(files).map(([path, bytes]) => {
      const text = path.endsWith('.jpg') ? Buffer.from(bytes).toString('hex') : strFromU8(bytes);
      return [path, path === 'shop.json' ? text.replace(/"written": "[^"]+"/, '') : text];
    }),
  );

/** The demo, a photo, a board that was thrown away, and answers of the lists that are worked out. */
async function fullShop(): Promise<void> {
  await server.app.get(DemoService).loadWhenEmpty();
  const [board] = await acts.rack();
  if (board) await acts.throwAway(board);
  const { body } = await server.http.get('/api/trail');
  const visit = { id: randomUUID(), box: body.boxes[0].id, on: '2026-05-01', found: 'eggs' };
  await server.http.post('/api/visits').send({ visits: [visit] });
  const jpeg = Buffer.from([0xff, 0xd8, 0xff, 0xda, 0, 4, 1, 2, 9, 9, 0xff, 0xd9]);
  await server.http
    .put(`/api/visits/${visit.id}/photo`)
    .send({ jpeg: jpeg.toString('base64') })
    .expect(200);
}
const answers = async () =>
  Promise.all(
    ['trail', 'batches', 'rack', 'bin', 'shop', 'trail/season?by=facing&year=2026'].map(
      async (path) => {
        const { read: _read, ...body } = (await server.http.get(`/api/${path}`)).body;
        return body;
      },
    ),
  );

describe('a whole shop', () => {
  test('goes out, comes into an empty shop, and is the same: every row, every picture, every answer', async () => {
    expect(Object.keys(before)).toEqual(
      expect.arrayContaining(['READ-ME.txt', 'boards.csv', 'boxes.csv', 'visits.csv', 'shop.json']),
    );
    const { status, body } = await read(before);
    expect([status, body.photos]).toEqual([200, 1]);
    expect(body.rows).toBeGreaterThan(300);
    expect(told(await out())).toEqual(told(before));
    expect(await answers()).toEqual(said);
    // What is kept is neither mixed nor lost.
    expect((await read(before)).status).toBe(409);
    expect(told(await out())).toEqual(told(before));
  });

  test('every table of the database is in it, or known not to be', async () => {
    const rows = (await server
      .database('information_schema.columns')
      .where({ table_schema: server.database.raw('database()') })
      .select({ table: 'table_name', column: 'column_name' })) as Record<
      'table' | 'column',
      string
    >[];
    const tables = [...new Set(rows.map(({ table }) => table))].sort();
    expect([...KEPT_TABLES, ...NOT_DATA].sort()).toEqual(tables);
    const columns = new Set(rows.map(({ table, column }) => `${table}.${column}`));
    for (const counted of COUNTED) expect(columns.has(counted)).toBe(true);
  });

  test('what is no archive, or one that contradicts itself, is named, and nothing of it is kept', async () => {
    const files = before;
    const changed = (path: string, change: (rows: Record<string, unknown>[]) => unknown) => ({
      ...files,
      [path]: strToU8(JSON.stringify(change(JSON.parse(strFromU8(files[path] ?? strToU8('[]')))))),
    });
    const { 'data/boards.json': _boards, ...without } = files;
    const cases: [string, () => ReturnType<typeof send>][] = [
      ['ZIP', () => send(strToU8('no archive'))],
      ['shop.json', () => read({ 'shop.json': strToU8('{}') })],
      ['data/boards.json', () => read(without)],
      ['data/boards.json', () => read({ ...files, 'data/boards.json': strToU8('{') })],
      [
        'colour',
        () =>
          read(changed('data/boards.json', (rows) => rows.map((row) => ({ ...row, colour: 1 })))),
      ],
      ['data/visits.json', () => read(changed('data/trail_boxes.json', () => []))],
      [
        'hung_on',
        () =>
          read(
            changed('data/trail_boxes.json', (rows) =>
              rows.map((row) => ({ ...row, hung_on: 'long ago' })),
            ),
          ),
      ],
      ['photos/', () => read({ ...files, [`photos/${randomUUID()}.jpg`]: strToU8('x') })],
    ];
    for (const [named, attempt] of cases) {
      const { status, body } = await attempt();
      expect([status, JSON.stringify(body)]).toEqual([400, expect.stringContaining(named)]);
    }
    expect((await server.http.post('/api/archive').send({})).status).toBe(400);
    for (const table of KEPT_TABLES)
      expect([table, await server.database(table).select()]).toEqual([table, []]);
    expect((await read(files)).status).toBe(200);
  });
});
