import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { paceRecord, type WorkRecord, workRecord } from '@spare-knot/core/api';
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

const step = (key: string, box: number) => ({ kind: 'assemble', key, box });
const tell = (id: string, told: object) => server.http.post(`/api/batches/${id}/work`).send(told);
const keys = ({ done }: WorkRecord) => done.map(({ kind, key, box }) => `${kind} ${key} ${box}`);

describe('work at the bench', () => {
  test('is kept once, in the order in which it was told, and taken back', async () => {
    const { id } = await acts.batch();
    const minutes = 4;
    await tell(id, { done: [{ ...step('front:0', 1), minutes }] });
    await tell(id, {
      done: [
        { ...step('front:0', 1), minutes },
        { kind: 'bore', key: 'front 0 outside', box: 0, minutes },
      ],
    });
    const kept = workRecord.parse((await server.http.get(`/api/batches/${id}/work`)).body);
    expect(keys(kept)).toEqual(['assemble front:0 1', 'bore front 0 outside 0']);
    const back = await tell(id, { undone: [step('front:0', 1), step('roof:0', 1)] });
    expect(keys(workRecord.parse(back.body))).toEqual(['bore front 0 outside 0']);
  });

  test('of two devices that tell at once nothing is lost', async () => {
    const { id } = await acts.batch();
    const answers = await Promise.all(
      [1, 2, 3, 4, 5, 6].map((box) =>
        tell(id, { done: [{ ...step('front:0', box), minutes: 1 }] }),
      ),
    );
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 200, 200, 200]);
    const kept = workRecord.parse((await server.http.get(`/api/batches/${id}/work`)).body);
    expect(kept.done).toHaveLength(6);
  });

  test('tells how long work takes here, by what was told', async () => {
    const { id } = await acts.batch();
    const began = Date.now() - 3_600_000;
    await server.database('work_done').insert(
      [0, 4, 8, 12].map((minute, box) => ({
        batch_id: id,
        kind: 'assemble',
        work: 'front:0',
        box,
        minutes: 2,
        done_at: new Date(began + minute * 60_000),
      })),
    );
    const { body } = await server.http.get('/api/shop/pace');
    expect(paceRecord.parse(body)).toEqual({ assemble: { factor: 2, of: 3 } });
  });

  test('a batch that is not there, and what is no work, are refused', async () => {
    const { id } = await acts.batch();
    const nobody = '00000000-0000-4000-8000-000000000000';
    expect((await server.http.get(`/api/batches/${nobody}/work`)).status).toBe(404);
    expect((await tell(nobody, { done: [] })).status).toBe(404);
    for (const work of [
      { ...step('front:0', 1), minutes: -1 },
      { ...step('', 1), minutes: 1 },
      { ...step(' front', 1), minutes: 1 },
      { ...step('front:0', -1), minutes: 1 },
      { kind: 'saw', key: 'front:0', box: 1, minutes: 1 },
    ])
      expect((await tell(id, { done: [work] })).status).toBe(400);
  });
});
