import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { type ListRow, listRows } from '@spare-knot/core/api';
import { type ListColumn, SHOP_LISTS } from '@spare-knot/core/exchange';
import { must } from '@spare-knot/core/lists';
import { Acts } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());
beforeEach(() => new Acts(server).clear());

const saying = (column: ListColumn): string => {
  switch (column.kind) {
    case 'day':
      return '2027-02-28';
    case 'count':
      return '12';
    case 'place':
      return '44.9021, -75.2114';
    case 'choice':
      return must(column.options[0], 'an option');
    case 'words':
      return `=${column.id}, “said”`;
  }
};

/** What may not stand in a column. */
const WRONG: Partial<Record<ListColumn['kind'], string>> = {
  day: '2027-02-30',
  count: '0',
  place: '91, 12',
  choice: 'none of them',
};

describe.each(SHOP_LISTS)('$title', (list) => {
  const path = `/api/lists/${list.id}`;
  const full = Object.fromEntries(list.columns.map((column) => [column.id, saying(column)]));
  const rows = async (): Promise<ListRow[]> =>
    listRows.parse((await server.http.get(path)).body).rows;
  const first = async () => must((await rows())[0], 'a row');

  test('what is told comes back, changes by version, goes and returns', async () => {
    expect((await server.http.post(path).send({ rows: [full, { name: 'bare' }] })).status).toBe(
      201,
    );
    const kept = must(
      (await rows()).find(({ fields }) => fields.name === full.name),
      'it',
    );
    expect(kept.fields).toEqual(full);
    const change = { version: kept.version, fields: { ...full, name: 'other' } };
    expect((await server.http.put(`${path}/${kept.id}`).send(change)).body.fields.name).toBe(
      'other',
    );
    expect((await server.http.put(`${path}/${kept.id}`).send(change)).status).toBe(409);
    await server.http.delete(`${path}/${kept.id}?version=${kept.version + 1}`);
    expect((await rows()).map(({ fields }) => fields.name)).toEqual(['bare']);
    await server.http.post(`${path}/${kept.id}/restore`);
    expect(await rows()).toHaveLength(2);
  });

  test('without its name, with a strange column, too long, on no day, no number, no place, it is refused by name', async () => {
    const wrong: [string, object][] = [
      ['name', { name: '' }],
      ['colour', { colour: 'red' }],
      ['name', { name: 'x'.repeat(121) }],
      ...list.columns.flatMap(({ id, kind }): [string, object][] => {
        const said = WRONG[kind];
        return said === undefined ? [] : [[id, { [id]: said }]];
      }),
    ];
    for (const [column, said] of wrong) {
      const { status, body } = await server.http.post(path).send({ rows: [{ ...full, ...said }] });
      expect([status, JSON.stringify(body.errors)]).toEqual([400, expect.stringContaining(column)]);
    }
    expect(await rows()).toEqual([]);
  });

  test('goes out and comes in as CSV, equal; lines that cannot be read are named', async () => {
    await server.http.post(path).send({ rows: [full] });
    const before = await first();
    const { text } = await server.http.get(`${path}/csv`);
    await server.http.delete(`${path}/${before.id}?version=${before.version}`);
    const { body } = await server.http.post(`${path}/csv`).send({ csv: `${text}\r\n,nothing\r\n` });
    expect(body.problems).toEqual([{ line: 3, message: 'name: say what it is' }]);
    expect((await first()).fields).toEqual(before.fields);
  });
});
