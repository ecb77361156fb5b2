import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import {
  type BoxRecord,
  boxList,
  boxWithVisits,
  seasonRecord,
  visitList,
} from '@spare-knot/core/api';
import { must } from '@spare-knot/core/lists';
import { Acts, railTrail } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

const hang = (...boxes: object[]) =>
  server.http.post('/api/trail').send({
    boxes: boxes.map((box) => ({ animal: 'tree-swallow', hungOn: '2025-03-01', ...box })),
  });
const list = async (): Promise<BoxRecord[]> =>
  boxList.parse((await server.http.get('/api/trail')).body).boxes;
const first = async () => must((await list())[0], 'a box');
const visit = (box: string, more: object = {}) => ({
  id: randomUUID(),
  box,
  on: '2025-05-01',
  found: 'eggs',
  eggs: 5,
  ...more,
});
const tell = (...visits: object[]) => server.http.post('/api/visits').send({ visits });
const whole = async (id: string) =>
  boxWithVisits.parse((await server.http.get(`/api/trail/${id}`)).body);
const sent = ({
  id: _id,
  planKey: _key,
  visits: _visits,
  last: _last,
  cleanedOn: _on,
  height,
  ...box
}: BoxRecord) => ({
  ...box,
  height: height === null ? null : height / 320,
});

describe('boxes that are out', () => {
  test('are kept with all that is told, change by version, go and return', async () => {
    const told = {
      number: 7,
      plan: 'swallows',
      place: 'third post',
      at: { latitude: 46.123456, longitude: -8.5 },
      height: 1600,
      facing: 'east',
      mount: 'post',
      host: 'mooring post',
      keeper: 'the winter crew',
      note: 'guard below',
    };
    expect((await hang(told)).status).toBe(201);
    const box = await first();
    expect(sent(box)).toMatchObject(told);
    const change = { ...sent(box), facing: null, takenDownOn: '2025-09-01' };
    const put = (body: object) => server.http.put(`/api/trail/${box.id}`).send(body);
    expect((await put({ ...change, takenDownOn: '2025-02-01' })).status).toBe(400);
    expect((await put(change)).body).toMatchObject({ facing: null, takenDownOn: '2025-09-01' });
    expect((await put(change)).status).toBe(409);
    await server.http.delete(`/api/trail/${box.id}?version=${box.version + 1}`);
    expect(await list()).toEqual([]);
    await server.http.post(`/api/trail/${box.id}/restore`);
    expect((await list()).map(({ number }) => number)).toEqual([7]);
  });

  test('a number stands on one box, however it comes; one that was taken off frees it', async () => {
    await hang({ number: 1 }, { number: 2 });
    expect((await hang({ number: 2 })).status).toBe(409);
    expect((await hang({ number: 3 }, { number: 3 })).status).toBe(409);
    expect((await list()).map(({ number }) => number)).toEqual([1, 2]);
    const [one, two] = await list();
    const change = { ...sent(must(one, 'one')), number: 2 };
    expect((await server.http.put(`/api/trail/${one?.id}`).send(change)).status).toBe(409);
    await server.http.delete(`/api/trail/${two?.id}?version=1`);
    expect((await hang({ number: 2 })).status).toBe(201);
    expect((await server.http.post(`/api/trail/${two?.id}/restore`)).status).toBe(409);
  });

  test('of many that take one number at the same time one is kept, the others are told', async () => {
    const answers = await Promise.all(Array.from({ length: 8 }, () => hang({ number: 5 })));
    expect(answers.map(({ status }) => status).sort()).toEqual([201, ...Array(7).fill(409)]);
    expect(await list()).toHaveLength(1);
  });

  test('what is no place on earth, no animal, no number and no day is refused, and the rest not kept', async () => {
    for (const wrong of [
      { at: { latitude: 90.1, longitude: 0 } },
      { at: { latitude: 0, longitude: -181 } },
      { at: { latitude: 1 } },
      { animal: 'dragon' },
      { number: 0 },
      { facing: 'up' },
      { hungOn: '2025-02-30' },
      { height: -1 },
    ])
      expect((await hang({ number: 1 }, { number: 2, ...wrong })).status).toBe(400);
    expect(await list()).toEqual([]);
  });

  test('a box of a batch keeps the version of the plan that it was built by, whatever becomes of the batch', async () => {
    const batch = await acts.batch();
    await hang({ number: 1, batch: batch.id });
    const before = await first();
    expect(before.planKey).toMatch(/^[0-9a-f]{64}$/);
    const { plan } = railTrail();
    const changed = { ...plan, sizes: { ...plan.sizes, overhangFront: 60 } };
    await server.http
      .patch(`/api/batches/${batch.id}`)
      .send({ version: batch.version, plan: changed })
      .expect(200);
    await server.http.put(`/api/trail/${before.id}`).send({ ...sent(before), place: 'elsewhere' });
    await hang({ number: 3, batch: batch.id });
    const [same, other] = await list();
    expect([same?.place, same?.planKey]).toEqual(['elsewhere', before.planKey]);
    expect(other?.planKey).not.toBe(before.planKey);
    expect((await hang({ number: 2, batch: before.id })).status).toBe(404);
  });

  test('go out and come in as CSV, equal; lines and numbers that cannot be are named', async () => {
    await hang({ number: 1, place: '=a, “b”', at: { latitude: 1.5, longitude: 2 } }, { number: 2 });
    const { text } = await server.http.get('/api/trail/csv');
    const before = await list();
    await server.database('trail_boxes').delete();
    const { body } = await server.http
      .post('/api/trail/csv')
      .send({ csv: `${text}\r\n2,,,,,,,,,,,,,\r\nx,,,,,,,,,,,,,\r\n` });
    expect(body.problems.map(({ message }: { message: string }) => message)).toEqual([
      expect.stringContaining('2 stands on another box'),
      expect.stringContaining('“x”'),
    ]);
    expect((await list()).map(sent)).toEqual(before.map(sent));
  });
});

describe('visits', () => {
  test('are kept once however often they are sent, and by whichever phone; the last is shown with its box', async () => {
    await hang({ number: 1 });
    const { id: box } = await first();
    const one = visit(box, { by: 'ann’s phone' });
    const other = visit(box, { by: 'the other phone', found: 'young', young: 4 });
    await tell(one);
    expect((await tell(one, other)).status).toBe(201);
    await tell({ ...one, eggs: 3 });
    const { visits } = await whole(box);
    expect(visits.map(({ by, eggs }) => [by, eggs]).sort()).toEqual([
      ['ann’s phone', 5],
      ['the other phone', 5],
    ]);
    await tell(visit(box, { on: '2025-12-01', found: 'empty', eggs: null, cleaned: true }));
    expect(await first()).toMatchObject({
      visits: 3,
      cleanedOn: '2025-12-01',
      last: { on: '2025-12-01', found: 'empty' },
    });
  });

  test('one before the box hung, and one to a box that was taken off the list meanwhile, are kept', async () => {
    await hang({ number: 1 });
    const { id: box } = await first();
    expect((await tell(visit(box, { on: '2024-05-01' }))).status).toBe(201);
    await server.http.delete(`/api/trail/${box}?version=1`);
    expect((await tell(visit(box))).status).toBe(201);
    await server.http.post(`/api/trail/${box}/restore`);
    expect((await whole(box)).visits).toHaveLength(2);
  });

  test('without a box, a day or a finding, or with a count that is none, nothing of them is kept', async () => {
    await hang({ number: 1 });
    const { id: box } = await first();
    expect((await tell(visit(box), visit(randomUUID()))).status).toBe(404);
    for (const wrong of [
      { on: 'today' },
      { found: 'gold' },
      { eggs: -1 },
      { young: 1.5 },
      { id: '7' },
    ])
      expect((await tell(visit(box), visit(box, wrong))).status).toBe(400);
    expect((await whole(box)).visits).toEqual([]);
  });

  test('change by version, go and return', async () => {
    await hang({ number: 1 });
    const { id: box } = await first();
    const [kept] = visitList.parse((await tell(visit(box))).body).visits;
    const { id, version } = must(kept, 'the visit');
    const change = { box, on: '2025-05-02', found: 'young', young: 3, version };
    const put = () => server.http.put(`/api/visits/${id}`).send(change);
    expect((await put()).body).toMatchObject({ on: '2025-05-02', young: 3, eggs: null });
    expect((await put()).status).toBe(409);
    await server.http.delete(`/api/visits/${id}?version=${version + 1}`);
    expect(await first()).toMatchObject({ visits: 0, last: null });
    await server.http.post(`/api/visits/${id}/restore`);
    expect((await first()).visits).toBe(1);
  });

  test('go out and come in as CSV by the numbers of their boxes; unknown numbers are named', async () => {
    await hang({ number: 8 });
    const { id: box } = await first();
    await tell(visit(box, { wants: 'roof, split', cleaned: true, guest: 'house sparrow' }));
    const { text } = await server.http.get('/api/visits/csv');
    const [before] = (await whole(box)).visits;
    await server.database('visits').delete();
    const { body } = await server.http
      .post('/api/visits/csv')
      .send({ csv: `${text}\r\n9,2025-05-01,eggs,,,,,,,,\r\n` });
    expect(body.problems).toEqual([{ line: 3, message: 'number: no box 9 is out' }]);
    const [after] = (await whole(box)).visits;
    expect({ ...after, id: '' }).toEqual({ ...before, id: '' });
  });

  test('a photo is kept as a bare JPEG, without where it was taken; what is no picture is refused', async () => {
    await hang({ number: 1 });
    const { id: box } = await first();
    const [kept] = visitList.parse((await tell(visit(box))).body).visits;
    const path = `/api/visits/${must(kept, 'the visit').id}/photo`;
    const segment = (marker: number, text: string) =>
      Buffer.concat([Buffer.from([0xff, marker, 0, text.length + 2]), Buffer.from(text)]);
    const scan = Buffer.concat([segment(0xda, 'scan'), Buffer.from([1, 2, 3, 0xff, 0xd9])]);
    const jpeg = Buffer.concat([
      Buffer.from([0xff, 0xd8]),
      segment(0xe0, 'JFIF'),
      segment(0xe1, 'Exif GPSLatitude 46'),
      segment(0xfe, 'by ann'),
      segment(0xdb, 'table'),
      scan,
    ]);
    const put = (picture: Buffer) =>
      server.http.put(path).send({ jpeg: picture.toString('base64') });
    expect((await put(jpeg)).body.hasPhoto).toBe(true);
    const { body, headers } = await server.http
      .get(path)
      .buffer(true)
      .parse((answer, done) => {
        const parts: Buffer[] = [];
        answer.on('data', (part: Buffer) => parts.push(part));
        answer.on('end', () => done(null, Buffer.concat(parts)));
      });
    expect(headers['content-type']).toContain('image/jpeg');
    expect((body as Buffer).includes('GPS') || (body as Buffer).includes('ann')).toBe(false);
    expect(
      (body as Buffer).equals(Buffer.concat([jpeg.subarray(0, 10), segment(0xdb, 'table'), scan])),
    ).toBe(true);
    for (const wrong of [
      Buffer.from('no picture'),
      jpeg.subarray(0, 12),
      Buffer.from([0xff, 0xd8, 0xff, 0xd9]),
    ])
      expect((await put(wrong)).status).toBe(400);
    expect((await whole(box)).visits[0]?.hasPhoto).toBe(true);
  });
});

describe('a season', () => {
  test('counts boxes that were lived in of those that were looked into, by year and by facing; two phones count once', async () => {
    await hang(
      { number: 1, facing: 'east' },
      { number: 2, facing: 'east' },
      { number: 3, facing: 'west', hungOn: '2025-08-01' },
      { number: 4, facing: 'west' },
    );
    const [one, two] = await list();
    const flown = { on: '2025-06-20', found: 'fledged', eggs: null, fledged: 4 };
    await tell(
      visit(must(one, 'one').id),
      visit(must(one, 'one').id, flown),
      visit(must(one, 'one').id, flown),
      visit(must(two, 'two').id, { found: 'empty', eggs: null }),
    );
    const season = async (query: string) =>
      seasonRecord.parse((await server.http.get(`/api/trail/season?${query}`)).body);
    const { rows, years } = await season('by=facing&year=2025');
    expect(
      rows.map(({ key, taken, unseen, eggs, fledged }) => [
        key,
        taken.of,
        taken.hung,
        unseen,
        eggs,
        fledged,
      ]),
    ).toEqual([
      ['east', 1, 2, 0, 5, 4],
      ['west', 0, 0, 1, 0, 0],
    ]);
    expect(years.at(-1)).toBe(2025);
    expect((await season('by=year')).rows[0]).toMatchObject({ key: 2025, unseen: 1 });
    expect((await server.http.get('/api/trail/season?by=colour')).status).toBe(400);
  });
});
