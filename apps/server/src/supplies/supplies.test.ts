import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { type SupplyRecord, supplyList } from '@spare-knot/core/api';
import { must } from '@spare-knot/core/lists';
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

const screws = {
  item: 'screw-4x40',
  name: 'Deck screws',
  unit: 'pieces',
  drive: 'star',
  weather: 'coated',
  count: 120,
  pack: 200,
  price: 12.5,
};
const list = async (): Promise<SupplyRecord[]> =>
  supplyList.parse((await server.http.get('/api/supplies')).body).supplies;
const put = (...supplies: object[]) => server.http.post('/api/supplies').send({ supplies });

describe('the shop’s drawers', () => {
  test('a thing is put in, counted anew, taken off and put back', async () => {
    expect((await put(screws)).status).toBe(201);
    const [first] = await list();
    const { id, version } = must(first, 'kept');
    expect(first).toMatchObject({ item: 'screw-4x40', count: 120, price: 1250, weather: 'coated' });
    // Told again it is the same thing, with what was told last.
    await put({ ...screws, count: 90.5 });
    const [again] = await list();
    expect([await list().then(({ length }) => length), again?.id, again?.count]).toEqual([
      1,
      id,
      90.5,
    ]);
    const stale = await server.http.put(`/api/supplies/${id}`).send({ ...screws, version });
    expect(stale.status).toBe(409);
    const now = must(again, 'kept').version;
    const changed = await server.http
      .put(`/api/supplies/${id}`)
      .send({ ...screws, count: 3, version: now });
    expect(changed.body).toMatchObject({ count: 3, version: now + 1 });
    const other = await server.http
      .put(`/api/supplies/${id}`)
      .send({ ...screws, item: 'screw-4x45', version: now + 1 });
    expect(other.status).toBe(409);
    expect((await server.http.delete(`/api/supplies/${id}?version=${now + 1}`)).status).toBe(200);
    expect(await list()).toEqual([]);
    await server.http.post(`/api/supplies/${id}/restore`);
    expect((await list()).map(({ count }) => count)).toEqual([3]);
  });

  test('what was taken off the list and is put in again is one thing', async () => {
    await put(screws);
    const { id, version } = must((await list())[0], 'kept');
    await server.http.delete(`/api/supplies/${id}?version=${version}`);
    await put({ ...screws, count: 7 });
    expect((await list()).map((each) => [each.id, each.count])).toEqual([[id, 7]]);
  });

  test('what is no amount, no unit and no metal is refused; nothing of the rest is kept', async () => {
    for (const wrong of [
      { count: -1 },
      { pack: 0 },
      { unit: 'yards' },
      { weather: 'gold' },
      { item: '' },
      { price: -2 },
    ])
      expect((await put({ ...screws, item: 'nail-2x25' }, { ...screws, ...wrong })).status).toBe(
        400,
      );
    expect(await list()).toEqual([]);
  });

  test('goes out and comes in as CSV, lines that cannot be read are named', async () => {
    await put(screws, {
      ...screws,
      item: 'Linseed oil',
      name: '=oil',
      unit: 'ml',
      weather: null,
      drive: '',
      price: null,
    });
    const { text } = await server.http.get('/api/supplies/csv');
    const before = await list();
    await acts.clear();
    const read = await server.http
      .post('/api/supplies/csv')
      .send({ csv: `${text}\r\nscrew-3x25,,pieces,,gold,5,,\r\n` });
    expect(read.body.problems).toEqual([{ line: 4, message: expect.stringContaining('gold') }]);
    const bare = (supplies: SupplyRecord[]) =>
      supplies.map(({ id: _id, version: _version, ...rest }) => rest);
    expect(bare(await list())).toEqual(bare(before));
  });
});
