import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import {
  type BatchRecord,
  type BoxRecord,
  binList,
  boxList,
  mendingBegun,
  type RepairList,
  type RepairRecord,
  repairList,
  repairsKept,
  takenApart,
} from '@spare-knot/core/api';
import { must } from '@spare-knot/core/lists';
import { Acts, picket, railTrail, roofBoard } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

const DAY = '2026-03-01';
/** Boxes that were built in a batch and hang. */
async function hung(
  batch: BatchRecord | null,
  ...numbers: number[]
): Promise<Map<number, BoxRecord>> {
  await server.http.post('/api/trail').send({
    boxes: numbers.map((number) => ({
      number,
      animal: 'tree-swallow',
      hungOn: '2025-03-01',
      batch: batch?.id ?? null,
    })),
  });
  const { boxes } = boxList.parse((await server.http.get('/api/trail')).body);
  return new Map(boxes.map((box) => [box.number, box]));
}
const box = (boxes: ReadonlyMap<number, BoxRecord>, number: number) =>
  must(boxes.get(number), `box ${number}`);
const tell = (of: BoxRecord, panels: object[], what = 'split', toldOn = DAY) =>
  server.http.post('/api/repairs').send({ box: of.id, toldOn, what, panels });
const told = async (of: BoxRecord, ...panels: string[]): Promise<RepairRecord[]> =>
  repairsKept.parse(
    (
      await tell(
        of,
        panels.map((panel) => ({ panel, count: 1 })),
      )
    ).body,
  ).repairs;
const list = async (): Promise<RepairList> =>
  repairList.parse((await server.http.get('/api/repairs')).body);
const { plan: _plan, boxes: _boxes, ...sentBatch } = railTrail();
const begin = (...repairs: RepairRecord[]) =>
  server.http
    .post('/api/repairs/batch')
    .send({ repairs: repairs.map(({ id }) => id), batch: { ...sentBatch, name: 'Mending' } });
const done = (closedOn: string | null, ...repairs: RepairRecord[]) =>
  server.http.post('/api/repairs/done').send({
    repairs: repairs.map(({ id, version }) => ({ id, version })),
    closedOn,
    how: closedOn ? 'a new floor' : '',
  });
const bin = async () => binList.parse((await server.http.get('/api/bin')).body).spares;
const put = (panel: string, count: number, material = 'western-red-cedar') =>
  server.http.post('/api/bin').send({
    plan: railTrail().plan,
    planName: 'Rail trail',
    panels: [{ panel, count, material }],
  });

describe('what is broken', () => {
  test('names panels of the plan that the box was built by; done and open again', async () => {
    const boxes = await hung(await acts.batch(), 7);
    const [floor] = await told(box(boxes, 7), 'floor');
    expect(floor).toMatchObject({ number: 7, panel: 'floor', name: 'Floor', count: 1 });
    const { repairs, plans } = await list();
    expect(repairs).toHaveLength(1);
    expect(plans[0]?.key).toBe(floor?.planKey);
    const after = repairsKept.parse((await done(DAY, must(floor, 'floor'))).body).repairs;
    expect(after[0]).toMatchObject({ closedOn: DAY, outcome: 'mended', how: 'a new floor' });
    expect((await list()).repairs).toEqual([]);
    const own = repairList.parse(
      (await server.http.get(`/api/repairs?box=${box(boxes, 7).id}`)).body,
    );
    expect(own.repairs).toHaveLength(1);
    expect((await done(null, ...after)).status).toBe(200);
    expect((await list()).repairs[0]).toMatchObject({ outcome: null, closedOn: null });
  });

  test('what is no panel of the plan, more than stand in a box, told twice, or nothing at all is refused and nothing kept', async () => {
    const boxes = await hung(await acts.batch(), 7);
    const seven = box(boxes, 7);
    const wrong = async (panels: object[], what = 'split') =>
      (await tell(seven, panels, what)).status;
    expect(await wrong([{ panel: 'chimney', count: 1 }])).toBe(400);
    expect(await wrong([{ panel: 'floor', count: 2 }])).toBe(400);
    expect(await wrong([{ panel: 'floor', count: 0 }])).toBe(400);
    expect(await wrong([], '')).toBe(400);
    expect(
      await wrong([
        { panel: 'floor', count: 1 },
        { panel: 'floor', count: 1 },
      ]),
    ).toBe(409);
    expect((await list()).repairs).toEqual([]);
    await told(seven, 'floor');
    expect(await wrong([{ panel: 'floor', count: 1 }])).toBe(409);
    expect(await wrong([], 'the hook is gone')).toBe(201);
    expect((await list()).repairs.map(({ panel, what }) => [panel, what])).toEqual([
      ['floor', 'split'],
      [null, 'the hook is gone'],
    ]);
  });

  test('of a box whose plan nobody knows only words can be told', async () => {
    const boxes = await hung(null, 3);
    const refused = await tell(box(boxes, 3), [{ panel: 'floor', count: 1 }]);
    expect(refused.status).toBe(409);
    expect(refused.body.detail).toMatch(/in which batch it was built/);
    expect((await tell(box(boxes, 3), [], 'roof gone')).status).toBe(201);
  });

  test('what a visit found is called up until a repair is told of that box, or it is taken down', async () => {
    const boxes = await hung(await acts.batch(), 1, 2);
    const visit = (number: number, on: string, wants: string) => ({
      id: crypto.randomUUID(),
      box: box(boxes, number).id,
      on,
      found: 'empty',
      wants,
    });
    await server.http.post('/api/visits').send({
      visits: [
        visit(1, '2026-02-01', 'roof split'),
        visit(1, '2026-02-20', 'roof gone'),
        visit(2, '2026-02-01', ''),
      ],
    });
    expect((await list()).wanted.map(({ number, wants }) => [number, wants])).toEqual([
      [1, 'roof gone'],
    ]);
    const [roof] = await told(box(boxes, 1), 'roof');
    expect((await list()).wanted).toEqual([]);
    const { id, version } = must(roof, 'roof');
    expect((await server.http.delete(`/api/repairs/${id}?version=${version}`)).status).toBe(200);
    expect((await list()).wanted).toHaveLength(1);
    expect((await server.http.post(`/api/repairs/${id}/restore`)).status).toBe(201);
    expect((await list()).wanted).toEqual([]);
  });
});

describe('a batch of repairs', () => {
  test('makes the broken panels alone, from the bin first, and is laid out, sawn and priced like any other', async () => {
    const boxes = await hung(await acts.batch(), 1, 2, 3);
    await put('floor', 1);
    await put('floor', 1, 'larch');
    const repairs = [
      ...(await told(box(boxes, 1), 'floor', 'roof')),
      ...(await told(box(boxes, 2), 'floor')),
      ...(await told(box(boxes, 3), 'side-left')),
    ];
    const answer = await begin(...repairs);
    expect(answer.status).toBe(201);
    const { batch, fromBin } = mendingBegun.parse(answer.body);
    expect(fromBin).toBe(1);
    expect((await bin()).map(({ material, count }) => [material, count])).toEqual([['larch', 1]]);
    const record = await acts.one(batch);
    expect(record.boxes).toBe(3);
    expect(record.mends?.boxes.map(({ number }) => number)).toEqual([1, 2, 3]);
    await acts.addBoards({ ...picket, faceB: 'rough' }, roofBoard);
    const layout = await acts.layOut(record);
    expect(
      layout.boards.flatMap(({ placements }) => placements.map(({ part }) => part)).sort(),
    ).toEqual(['floor', 'roof', 'side-left']);
    expect((await acts.accept(record, layout)).status).toBe(200);
    const open = (await list()).repairs;
    expect(open.every((each) => each.batch?.id === batch)).toBe(true);
    expect((await done(DAY, ...open)).status).toBe(200);
    expect((await list()).repairs).toEqual([]);
  });

  test('what is in one already, of several plans, closed, or only words is refused and nothing begun', async () => {
    const first = await acts.batch();
    const boxes = await hung(first, 1, 2);
    const [floor] = await told(box(boxes, 1), 'floor');
    const plan = { ...railTrail().plan, animals: ['mountain-bluebird'] };
    const other = await acts.batch({ plan });
    const more = await hung(other, 5);
    const [otherBack] = await told(box(more, 5), 'back');
    const [roof] = await told(box(boxes, 2), 'roof');
    const words = repairsKept.parse((await tell(box(boxes, 2), [], 'hook')).body).repairs;
    const several = await begin(must(floor, 'floor'), must(otherBack, 'other'));
    expect([several.status, several.body.title]).toEqual([
      409,
      'These boxes were built by several plans',
    ]);
    expect((await begin(must(floor, 'floor'), ...words)).status).toBe(409);
    expect((await begin(must(floor, 'floor'))).status).toBe(201);
    expect((await begin(must(floor, 'floor'))).status).toBe(409);
    await done(DAY, must(roof, 'roof'));
    expect((await begin(must(roof, 'roof'))).status).toBe(409);
    const { id } = must(floor, 'floor');
    const [now] = (await list()).repairs.filter((each) => each.id === id);
    const gone = await server.http.delete(`/api/repairs/${id}?version=${now?.version}`);
    expect(gone.status).toBe(409);
  });

  test('off the bench it mends nothing any more; it does not come back once its repairs are elsewhere, and its boxes stand fast', async () => {
    const boxes = await hung(await acts.batch(), 1, 2);
    const repairs = [
      ...(await told(box(boxes, 1), 'floor')),
      ...(await told(box(boxes, 2), 'floor')),
    ];
    const { batch } = mendingBegun.parse((await begin(...repairs)).body);
    const { version } = await acts.one(batch);
    const more = await server.http.patch(`/api/batches/${batch}`).send({ version, boxes: 5 });
    expect(more.status).toBe(409);
    expect((await acts.one(batch)).boxes).toBe(2);
    const off = () => server.http.delete(`/api/batches/${batch}?version=${version}`);
    const back = () => server.http.post(`/api/batches/${batch}/restore`);
    expect((await off()).status).toBe(200);
    expect((await list()).repairs.every((each) => each.batch === null)).toBe(true);
    expect((await back()).status).toBe(201);
    const again = await acts.one(batch);
    await server.http.delete(`/api/batches/${batch}?version=${again.version}`);
    expect((await begin(must((await list()).repairs[0], 'a repair'))).status).toBe(201);
    expect((await back()).status).toBe(409);
  });
});

test('a panel that is told twice, one of them put back on the list, is no two panels of one box', async () => {
  const boxes = await hung(await acts.batch(), 1);
  const [first] = await told(box(boxes, 1), 'floor');
  const { id, version } = must(first, 'the first');
  await server.http.delete(`/api/repairs/${id}?version=${version}`);
  await told(box(boxes, 1), 'floor');
  await server.http.post(`/api/repairs/${id}/restore`);
  const { repairs } = await list();
  expect(repairs).toHaveLength(2);
  expect((await begin(...repairs)).status).toBe(400);
  expect((await begin(must(repairs[0], 'one of them'))).status).toBe(201);
});

describe('a box beyond mending', () => {
  const apart = (of: BoxRecord, more: object = {}) =>
    server.http
      .post(`/api/repairs/beyond/${of.id}`)
      .send({ version: of.version, on: DAY, place: 'shelf 1', ...more });

  test('is taken down; its sound panels lie in the bin or on the rack as wood to look at, its repairs are closed', async () => {
    const boxes = await hung(await acts.batch(), 9);
    const nine = box(boxes, 9);
    await told(nine, 'roof', 'floor');
    const answer = await apart(nine, {
      bin: [{ panel: 'side-left', count: 1 }],
      wood: [{ panel: 'back', count: 1 }],
    });
    expect(answer.status).toBe(200);
    const kept = takenApart.parse(answer.body);
    expect(kept.box.takenDownOn).toBe(DAY);
    expect(kept.repairs.map(({ outcome }) => outcome)).toEqual(['given-up', 'given-up']);
    expect((await bin()).map(({ panel, place, count }) => [panel, place, count])).toEqual([
      ['side-left', 'shelf 1', 1],
    ]);
    const [wood] = await acts.rack();
    expect(wood).toMatchObject({ name: 'back of box 9, old screw holes', offcut: true });
    expect(wood?.assumed).toContain('treatment');
    expect((await list()).repairs).toEqual([]);
  });

  test('more panels than it has, another’s version, a day before it hung, a batch that mends it: refused whole', async () => {
    const boxes = await hung(await acts.batch(), 9);
    const nine = box(boxes, 9);
    const [floor] = await told(nine, 'floor');
    const twice = { bin: [{ panel: 'back', count: 1 }], wood: [{ panel: 'back', count: 1 }] };
    expect((await apart(nine, twice)).status).toBe(400);
    expect((await apart(nine, { bin: [{ panel: 'chimney', count: 1 }] })).status).toBe(400);
    expect((await apart({ ...nine, version: 9 })).status).toBe(409);
    expect((await apart(nine, { on: '2024-01-01' })).status).toBe(400);
    await begin(must(floor, 'floor'));
    expect((await apart(nine)).status).toBe(409);
    expect(await bin()).toEqual([]);
    expect(await acts.rack()).toEqual([]);
    const now = boxList.parse((await server.http.get('/api/trail')).body).boxes;
    expect(now[0]?.takenDownOn).toBeNull();
  });
});
