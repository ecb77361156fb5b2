import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { type BatchRecord, batchRecord, binList, type SpareRecord } from '@spare-knot/core/api';
import { must, sum } from '@spare-knot/core/lists';
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

const cedar = 'western-red-cedar';
const put = (...panels: object[]) =>
  server.http.post('/api/bin').send({ plan: railTrail().plan, planName: 'Rail trail', panels });
const floors = (count: number, more: object = {}) => ({
  panel: 'floor',
  count,
  material: cedar,
  place: 'shelf 2',
  ...more,
});
const bin = async (): Promise<SpareRecord[]> =>
  binList.parse((await server.http.get('/api/bin')).body).spares;
const counts = async () => (await bin()).map(({ name, count }) => [name, count]);
const one = async (): Promise<SpareRecord> => must((await bin())[0], 'a panel in the bin');
const take = ({ id, version }: BatchRecord, ...wanted: object[]) =>
  server.http.post(`/api/batches/${id}/bin`).send({ version, take: wanted });
const back = ({ id, version }: BatchRecord, spares: string[] | null = null) =>
  server.http.post(`/api/batches/${id}/bin/back`).send({ version, spares });

describe('panels that are made ahead', () => {
  test('are kept with plan, hand, thickness, wood and place; more of them are counted up', async () => {
    expect((await put(floors(2), { panel: 'side-left', count: 1, material: cedar })).status).toBe(
      201,
    );
    await put(floors(3));
    await put(floors(1, { place: 'drawer' }), floors(1, { material: 'larch' }));
    const spares = await bin();
    expect(
      spares
        .map(({ panel, hand, material, place, count }) => [panel, hand, material, place, count])
        .sort(),
    ).toEqual([
      ['floor', null, 'larch', 'shelf 2', 1],
      ['floor', null, cedar, 'drawer', 1],
      ['floor', null, cedar, 'shelf 2', 5],
      ['side-left', 'left', cedar, '', 1],
    ]);
    expect(new Set(spares.map(({ plan }) => plan.key)).size).toBe(1);
    expect(must(spares[0], 'one').drawing.outline.length).toBeGreaterThanOrEqual(4);
  });

  test('what is no panel of the plan, none at all, or without its wood is refused and nothing kept', async () => {
    for (const wrong of [
      { panel: 'chimney' },
      { count: 0 },
      { count: 1.5 },
      { material: '' },
      { material: 'mdf' },
      { material: 'cheese' },
    ])
      expect((await put(floors(1), floors(1, wrong))).status).toBe(400);
    expect(await bin()).toEqual([]);
  });

  test('are counted anew by version, taken out for good and put back', async () => {
    await put(floors(4));
    const { id, version } = await one();
    const change = (of: object) =>
      server.http.put(`/api/bin/${id}`).send({ version, count: 2, place: 'box', ...of });
    expect((await change({ count: 0 })).status).toBe(400);
    expect((await change({})).body).toMatchObject({ count: 2, place: 'box' });
    expect((await change({})).status).toBe(409);
    expect((await server.http.delete(`/api/bin/${id}?version=${version + 1}`)).status).toBe(200);
    expect(await bin()).toEqual([]);
    await server.http.post(`/api/bin/${id}/restore`);
    expect(await counts()).toEqual([['Floor', 2]]);
  });
});

describe('a batch takes from the bin', () => {
  test('what is set aside is out of the bin, is not laid out, and comes back whole', async () => {
    await acts.addBoards({
      name: 'Picket',
      quantity: 8,
      material: cedar,
      thickness: 15.875,
      width: 139.7,
      length: 1828.8,
    });
    await put(floors(5));
    const batch = await acts.batch();
    const { id } = await one();
    const taken = batchRecord.parse((await take(batch, { spare: id, count: 2 })).body);
    expect(taken.ready.map(({ name, count }) => [name, count])).toEqual([['Floor', 2]]);
    expect(await counts()).toEqual([['Floor', 3]]);
    const placed = (of: BatchRecord) =>
      acts.layOut(of).then(({ boards, unplaced }) => {
        const laid = boards.flatMap(({ placements }) => placements.map(({ part }) => part));
        const left = unplaced.flatMap(({ part, count }) => Array<string>(count).fill(part));
        return [...laid, ...left].filter((part) => part === 'floor').length;
      });
    expect([await placed(batch), await placed(taken)]).toEqual([batch.boxes, batch.boxes - 2]);
    const again = batchRecord.parse((await take(taken, { spare: id, count: 1 })).body);
    expect(again.ready.map(({ count }) => count)).toEqual([3]);
    const given = batchRecord.parse((await back(again)).body);
    expect(given.ready).toEqual([]);
    expect(await counts()).toEqual([['Floor', 5]]);
  });

  test('more than lies there, more than it needs, what is no panel of it and an old version change nothing', async () => {
    await put(floors(40), { panel: 'front', count: 1, material: cedar });
    const batch = await acts.batch();
    const floor = must(
      (await bin()).find(({ name }) => name === 'Floor'),
      'floor',
    ).id;
    const front = must(
      (await bin()).find(({ name }) => name !== 'Floor'),
      'front',
    ).id;
    const before = await counts();
    expect((await take(batch, { spare: floor, count: 41 })).status).toBe(409);
    expect((await take(batch, { spare: floor, count: batch.boxes + 1 })).status).toBe(409);
    expect((await take(batch, { spare: batch.id, count: 1 })).status).toBe(404);
    expect((await take({ ...batch, version: 9 }, { spare: front, count: 1 })).status).toBe(409);
    // Twice one of the same row is two of it.
    const fronts = [1, 1].map((count) => ({ spare: front, count }));
    expect((await take(batch, ...fronts)).status).toBe(409);
    expect((await put(floors(99_990))).status).toBe(409);
    expect(await counts()).toEqual(before);
    expect((await acts.one(batch.id)).ready).toEqual([]);
  });

  test('stays on the bench while it holds panels; what was taken off the list comes back on it', async () => {
    await put(floors(1));
    const batch = await acts.batch();
    const spare = await one();
    const taken = batchRecord.parse((await take(batch, { spare: spare.id, count: 1 })).body);
    const off = () => server.http.delete(`/api/batches/${batch.id}?version=${taken.version}`);
    expect((await off()).status).toBe(409);
    await server.database('spare_panels').update({ deleted_at: new Date() });
    const given = batchRecord.parse((await back(taken)).body);
    expect(await counts()).toEqual([['Floor', 1]]);
    expect(
      (await server.http.delete(`/api/batches/${batch.id}?version=${given.version}`)).status,
    ).toBe(200);
  });

  test('a layout that was kept before panels came out of the bin is out of date', async () => {
    const { batch, layout } = await acts.laidOut();
    await acts.propose(batch, layout);
    expect((await acts.one(batch.id)).proposalStale).toBe(false);
    await put(floors(1));
    await take(await acts.one(batch.id), { spare: (await one()).id, count: 1 });
    expect((await acts.one(batch.id)).proposalStale).toBe(true);
  });

  test('while its boards are taken nothing is moved', async () => {
    const { batch, layout } = await acts.laidOut();
    await put(floors(1));
    const { body } = await acts.accept(batch, layout);
    const held = batchRecord.parse(body);
    expect((await take(held, { spare: (await one()).id, count: 1 })).status).toBe(409);
    expect((await back(held)).status).toBe(409);
  });

  test('in any order of taking and putting back, no panel is in two places and none vanishes', async () => {
    await put(floors(7), { panel: 'front', count: 5, material: cedar });
    const batches = [await acts.batch(), await acts.batch({ name: 'Another' })];
    const spares = (await bin()).map(({ id }) => id);
    const all = async () => {
      const held = await Promise.all(batches.map(({ id }) => acts.one(id)));
      return (
        sum((await bin()).map(({ count }) => count)) +
        sum(held.flatMap(({ ready }) => ready.map(({ count }) => count)))
      );
    };
    let state = 7;
    const next = (below: number) => {
      state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
      return state % below;
    };
    for (let turn = 0; turn < 40; turn += 1) {
      const batch = await acts.one(must(batches[next(2)], 'a batch').id);
      const spare = must(spares[next(2)], 'a panel');
      if (next(3) === 0) await back(batch, next(2) === 0 ? null : [spare]);
      else await take(batch, { spare, count: 1 + next(4) });
      expect(await all()).toBe(12);
    }
  });
});
