import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { Acts, picket, railTrail, roofBoard } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
  await acts.clear();
});
afterAll(() => server.close());

/** Something that a release before this one let in, or a hand at the database. */
const LISTS = [
  {
    path: 'rack',
    key: 'boards',
    add: () => acts.addBoards(picket, { ...roofBoard, name: 'Odd one', defects: [KNOT] }),
    spoil: () => server.database('defects').update({ zone: '{"shape":"odd"}' }),
    name: 'Odd one',
    why: /circle|rect|polygon|Invalid/i,
  },
  {
    path: 'yard',
    key: 'offers',
    add: () =>
      server.http.post('/api/yard').send({
        offers: [
          { ...picket, yard: 'Alder Slip Timber', quantity: undefined, available: null },
          { ...roofBoard, yard: 'Alder Slip Timber', quantity: undefined, available: null },
        ],
      }),
    spoil: () => server.database('offers').where({ name: 'Roof board' }).update({ material: '' }),
    name: 'Roof board',
    why: /^material/,
  },
  {
    path: 'supplies',
    key: 'supplies',
    add: () =>
      server.http.post('/api/supplies').send({
        supplies: [
          { item: 'glue', name: 'Glue', unit: 'ml', count: 100 },
          { item: 'wire', name: 'Wire', unit: 'pieces', count: 3 },
        ],
      }),
    spoil: () => server.database('supplies').where({ item: 'wire' }).update({ item: '' }),
    name: 'Wire',
    why: /^item/,
  },
  {
    path: 'sketches',
    key: 'sketches',
    add: () =>
      server.database('sketches').insert(
        ['Good', 'Bad'].map((name, index) => ({
          id: `00000000-0000-4000-8000-00000000000${index}`,
          name,
          width: 100,
          height: 80,
          spots: index === 0 ? '[]' : '[{"x":"far"}]',
          jpeg: '',
          created_at: new Date(),
        })),
      ),
    spoil: async () => {},
    name: 'Bad',
    why: /x/,
  },
] as const;
const KNOT = {
  kind: 'knot-loose',
  circle: [100, 50, 10],
};

test.each(LISTS)('a row of $path that cannot be read is named beside the others', async (list) => {
  const added = await list.add();
  if (!Array.isArray(added)) expect(added?.status).toBe(201);
  await list.spoil();
  const { status, body } = await server.http.get(`/api/${list.path}`);
  expect(status).toBe(200);
  expect(body[list.key]).toHaveLength(1);
  expect(body.unreadable).toMatchObject([{ name: list.name }]);
  expect(body.unreadable[0].why).toMatch(list.why);
});

test('of a box’s visits and of repairs the good ones are shown, whatever one visit or the plan of one box says', async () => {
  const { body: batch } = await server.http.post('/api/batches').send(railTrail());
  const { body } = await server.http
    .post('/api/trail')
    .send({ boxes: [{ number: 901, batch: batch.id, hungOn: '2026-03-01' }, { number: 902 }] });
  const [box] = body.boxes;
  const visits = [1, 2].map((day) => ({
    id: `00000000-0000-4000-8000-0000000000a${day}`,
    box: box.id,
    on: `2026-05-0${day}`,
    found: 'eggs',
    eggs: 4,
  }));
  expect((await server.http.post('/api/visits').send({ visits })).status).toBe(201);
  await server.database('visits').where({ visited_on: '2026-05-01' }).update({ eggs: 250 });
  const one = await server.http.get(`/api/trail/${box.id}`);
  expect(one.status).toBe(200);
  expect(one.body.visits).toMatchObject([{ on: '2026-05-02', eggs: 4 }]);
  expect(one.body.unreadable).toMatchObject([{ why: expect.stringMatching(/^eggs/) }]);

  const told = { box: box.id, toldOn: '2026-05-03', panels: [], what: 'leans' };
  expect((await server.http.post('/api/repairs').send(told)).status).toBe(201);
  await server.database('plan_versions').update({ plan: '{"family":"none"}' });
  const repairs = await server.http.get('/api/repairs');
  expect(repairs.status).toBe(200);
  expect(repairs.body.repairs).toMatchObject([{ number: 901, what: 'leans' }]);
  expect(repairs.body.unreadable).toHaveLength(1);
});
