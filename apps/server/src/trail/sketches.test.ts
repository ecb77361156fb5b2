import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { type SketchRecord, sketchList, sketchRecord } from '@spare-knot/core/api';
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

const segment = (marker: number, text: string) =>
  Buffer.concat([Buffer.from([0xff, marker, 0, text.length + 2]), Buffer.from(text)]);
const START = Buffer.from([0xff, 0xd8]);
const SCAN = Buffer.concat([segment(0xda, 'scan'), Buffer.from([1, 2, 3, 0xff, 0xd9])]);
const JPEG = Buffer.concat([START, segment(0xe1, 'Exif GPSLatitude 46'), SCAN]);

const SKETCH = {
  name: 'the trail by hand',
  width: 400,
  height: 300,
  jpeg: JPEG.toString('base64'),
};
const send = (change: object = {}) =>
  server.http.post('/api/sketches').send({ ...SKETCH, ...change });
const list = async (): Promise<SketchRecord[]> =>
  sketchList.parse((await server.http.get('/api/sketches')).body).sketches;
const spot = (x: number, y: number) => ({ x, y, latitude: 44.9, longitude: -75.2 + x / 1e5 });
const put = ({ id, version, name }: SketchRecord, spots: object[]) =>
  server.http.put(`/api/sketches/${id}`).send({ version, name, spots });

describe('a picture of the place', () => {
  test('is kept bare, with two spots that are known; changes by version, goes and returns', async () => {
    const kept = sketchRecord.parse((await send()).body);
    expect(kept).toMatchObject({ name: 'the trail by hand', width: 400, height: 300, spots: [] });
    const fitted = await put(kept, [spot(10, 290), spot(390, 20)]);
    expect(fitted.status).toBe(200);
    expect((await put(kept, [])).status).toBe(409);
    const [now] = await list();
    expect(now?.spots).toEqual([spot(10, 290), spot(390, 20)]);
    const { body } = await server.http
      .get(`/api/sketches/${kept.id}/picture`)
      .buffer(true)
      .parse((answer, done) => {
        const parts: Buffer[] = [];
        answer.on('data', (part: Buffer) => parts.push(part));
        answer.on('end', () => done(null, Buffer.concat(parts)));
      });
    expect((body as Buffer).equals(Buffer.concat([START, SCAN]))).toBe(true);
    const { id, version } = must(now, 'a sketch');
    await server.http.delete(`/api/sketches/${id}?version=${version}`);
    expect(await list()).toEqual([]);
    expect((await server.http.post(`/api/sketches/${id}/restore`)).status).toBe(201);
    expect(await list()).toHaveLength(1);
  });

  test('what is no picture, a third spot, a spot beside it, coordinates out of range: refused, nothing kept', async () => {
    const wrong: object[] = [
      { jpeg: Buffer.from('no picture').toString('base64') },
      { width: 0 },
      { width: 20_000 },
      { name: '' },
      { spots: [spot(500, 10)] },
      { spots: [spot(1, 1), spot(2, 2), spot(3, 3)] },
      { spots: [{ ...spot(1, 1), latitude: 91 }] },
    ];
    for (const change of wrong) expect((await send(change)).status).toBe(400);
    expect(await list()).toEqual([]);
    const kept = sketchRecord.parse((await send()).body);
    expect((await put(kept, [spot(399, 301)])).status).toBe(400);
    expect((await server.http.get(`/api/sketches/${crypto.randomUUID()}/picture`)).status).toBe(
      404,
    );
  });
});

describe('what stands along the trail, and what is asked for', () => {
  test('are kept in lists with numbers and places; what is no place and no number is refused by its column', async () => {
    const add = (list: string, fields: object) =>
      server.http.post(`/api/lists/${list}`).send({ rows: [fields] });
    expect(
      (await add('marks', { name: 'feeder', kind: 'feeder', place: '44.9, -75.2' })).status,
    ).toBe(201);
    const far = await add('marks', { name: 'feeder', kind: 'feeder', place: '94.9, -75.2' });
    expect([far.status, JSON.stringify(far.body)]).toEqual([400, expect.stringContaining('place')]);
    expect(
      (await add('asked', { name: 'school', boxes: '4', wanted_by: '2027-02-20' })).status,
    ).toBe(201);
    for (const boxes of ['0', '1001', '2.5', 'some'])
      expect((await add('asked', { name: 'school', boxes })).status).toBe(400);
    const csv = await server.http.get('/api/lists/asked/csv');
    expect(csv.text).toMatch(/school,.*4,2027-02-20/);
    const winter = (await server.http.get('/api/winter')).body;
    expect(winter.rows).toMatchObject([{ animal: null, asked: 4, boxes: 4, upBy: '2027-02-20' }]);
  });
});
