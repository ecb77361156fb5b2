import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { type NewOffer, newOffer, type OfferRecord, offerList } from '@spare-knot/core/api';
import { at, must } from '@spare-knot/core/lists';
import { z } from 'zod';
import { demoOffers } from '../demo/yard-list.js';
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

const offers = async (): Promise<OfferRecord[]> =>
  offerList.parse((await server.http.get('/api/yard')).body).offers;
const add = (...list: NewOffer[]) =>
  server.http.post('/api/yard').send({ offers: list.map((offer) => z.encode(newOffer, offer)) });
const [picket] = demoOffers();

describe('the list of the yards', () => {
  test('is kept as it was given, yard by yard', async () => {
    expect((await add(...demoOffers())).status).toBe(201);
    const kept = await offers();
    expect(kept).toHaveLength(demoOffers().length);
    expect(new Set(kept.map(({ yard }) => yard)).size).toBe(2);
    expect(kept.find(({ name }) => name === 'Picket, 6 ft')).toMatchObject({
      ...must(picket, 'an offer'),
      available: null,
    });
    expect(kept.find(({ name }) => name === 'Pallet slat')).toMatchObject({
      available: 40,
      stamp: 'HT',
    });
  });

  test('changes by version, and what is taken off comes back', async () => {
    await add(must(picket, 'an offer'));
    const before = at(await offers(), 0);
    const { id, version, ...fields } = z.encode(
      newOffer.extend({ id: z.string(), version: z.number() }),
      before,
    );
    const put = (body: object) => server.http.put(`/api/yard/${id}`).send({ ...fields, ...body });
    expect((await put({ version, price: 3.9 })).body.price).toBe(3.9);
    const stale = await put({ version, price: 1 });
    expect([stale.status, stale.body.current.price]).toEqual([409, 3.9]);
    expect((await server.http.delete(`/api/yard/${id}?version=${version}`)).status).toBe(409);
    expect((await server.http.delete(`/api/yard/${id}?version=2`)).status).toBe(200);
    expect(await offers()).toEqual([]);
    expect((await server.http.post(`/api/yard/${id}/restore`)).status).toBe(201);
    expect(at(await offers(), 0).price).toBe(390);
  });

  test('goes out as CSV and comes back the same', async () => {
    await add(...demoOffers());
    const before = await offers();
    const { text } = await server.http.get('/api/yard/csv');
    await acts.clear();
    const report = (await server.http.post('/api/yard/csv').send({ csv: text })).body;
    expect(report.problems).toEqual([]);
    const plain = ({ id: _id, version: _version, ...offer }: OfferRecord) => offer;
    expect((await offers()).map(plain)).toEqual(before.map(plain));
  });

  test('of a CSV with unreadable lines names them and keeps the rest', async () => {
    const csv = [
      'yard,name,material,thickness,width,length,faceA,price,quantity',
      'Slip,Picket,western-red-cedar,16,140,1829,rough,3.40,',
      ',Picket,western-red-cedar,16,140,1829,rough,3.40,',
      'Slip,Picket,unobtainium,16,140,1829,rough,3.40,',
      'Slip,Picket,spruce,16,140,1829,rough,,',
      'Slip,Picket,spruce,16,140,-3,rough,3.40,',
      'Slip,Picket,spruce,16,140,1829,hairy,3.40,',
      'Slip,Last one,spruce,16,140,1829,,2,3',
    ].join('\n');
    const report = (await server.http.post('/api/yard/csv').send({ csv })).body;
    expect(report.problems.map(({ line }: { line: number }) => line)).toEqual([3, 4, 5, 6, 7]);
    const said = report.problems.map(({ message }: { message: string }) => message);
    ['yard', 'unobtainium', 'price', 'length', 'face'].forEach((word, index) => {
      expect(said[index]).toContain(word);
    });
    const kept = await offers();
    expect(kept.map(({ name, available }) => [name, available])).toEqual([
      ['Picket', null],
      ['Last one', 3],
    ]);
    // What the list does not say stands as assumed.
    expect(kept.map(({ assumed }) => assumed)).toEqual([['faces'], ['faces']]);
  });
});
