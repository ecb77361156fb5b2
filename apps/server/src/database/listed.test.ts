import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { Acts, picket, roofBoard } from '../testing/acts.js';
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
