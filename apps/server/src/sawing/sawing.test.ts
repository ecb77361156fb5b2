import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { batchRecord, type SawingRecord, sawingRecord } from '@spare-knot/core/api';
import { at } from '@spare-knot/core/lists';
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

const path = (id: string) => `/api/batches/${id}/sawing`;

/** A batch whose boards are taken and whose cuts are planned, with the cuts in the order of the steps. */
async function begun(): Promise<{
  id: string;
  version: number;
  sawing: SawingRecord;
  cuts: string[];
}> {
  const { batch, layout } = await acts.laidOut();
  const { id, version } = batchRecord.parse((await acts.accept(batch, layout)).body);
  const sawing = sawingRecord.parse((await server.http.post(path(id))).body);
  const cuts = sawing.plan.steps.flatMap((step) =>
    step.cuts.map(({ board, cut }) => `${board}:${cut}`),
  );
  return { id, version, sawing, cuts };
}
const keep = (id: string, body: object) => server.http.post(`${path(id)}/cuts`).send(body);
const doneOf = async (id: string): Promise<string[]> =>
  (await server.http.get(`${path(id)}/progress`)).body.progress.done;

describe('sawing a batch', () => {
  test('is planned once, from the boards that were taken; a second start goes on with the same plan', async () => {
    const { batch, layout } = await acts.laidOut();
    expect((await server.http.post(path(batch.id))).status).toBe(409);
    expect((await server.http.get(path(batch.id))).body).toEqual({ sawing: null });
    await acts.accept(batch, layout);
    const [first, second] = await Promise.all([
      server.http.post(path(batch.id)),
      server.http.post(path(batch.id)),
    ]);
    expect([first?.status, second?.status]).toEqual([200, 200]);
    expect(second?.body).toEqual(first?.body);
    const kept = await server.http.post(path(batch.id));
    expect(kept.body.plan.boards).toHaveLength(layout.boards.length);
    const leaves = sawingRecord
      .parse(kept.body)
      .plan.boards.flatMap(({ pieces }) => pieces.filter(({ is }) => is && typeof is === 'object'));
    expect(leaves).toHaveLength(layout.boards.flatMap(({ placements }) => placements).length);
    expect((await server.http.get(path(batch.id))).body.sawing).toEqual(kept.body);
  });

  test('each cut is kept at once and once; what was not made is taken back', async () => {
    const { id, cuts } = await begun();
    const three = cuts.slice(0, 3);
    expect((await keep(id, { done: three.slice(0, 1) })).body.progress.done).toEqual(
      three.slice(0, 1),
    );
    expect((await keep(id, { done: three })).status).toBe(200);
    expect((await keep(id, { done: three })).status).toBe(200);
    expect((await doneOf(id)).sort()).toEqual([...three].sort());
    expect((await keep(id, { undone: [at(three, 2)] })).status).toBe(200);
    expect((await doneOf(id)).sort()).toEqual(three.slice(0, 2).sort());
  });

  test('two devices that saw at once lose nothing and double nothing', async () => {
    const { id, cuts } = await begun();
    const first = cuts.slice(0, 6);
    const answers = await Promise.all(
      [first.slice(0, 4), first, first.slice(0, 2)].map((done) => keep(id, { done })),
    );
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
    expect((await doneOf(id)).sort()).toEqual([...first].sort());
  });

  test('a cut of a piece that is not there yet, one that is none, and one that was cut further are refused with what is kept', async () => {
    const { id, sawing, cuts } = await begun();
    const board = at(sawing.plan.boards, 0);
    const later = board.cuts.find(({ of }) => of !== 'p0');
    const early = await keep(id, { done: [`0:${later?.id}`] });
    expect(early.status).toBe(409);
    expect(early.body.detail).toContain('has not given yet');
    expect((await keep(id, { done: ['99:c1'] })).status).toBe(409);
    expect((await keep(id, { done: ['no cut'] })).status).toBe(400);
    await keep(id, { done: cuts });
    const root = board.cuts.find(({ of }) => of === 'p0');
    const taken = await keep(id, { undone: [`0:${root?.id}`] });
    expect(taken.status).toBe(409);
    expect(taken.body.current.done).toHaveLength(cuts.length);
    expect(await doneOf(id)).toHaveLength(cuts.length);
  });

  test('boards of which something is sawn cannot be given back; before the first cut they can, and the plan goes with them', async () => {
    const { id, version, cuts } = await begun();
    await keep(id, { done: cuts.slice(0, 1) });
    const refused = await acts.giveBack(id, version);
    expect(refused.status).toBe(409);
    expect(refused.body.detail).toContain('One cut is made');
    await keep(id, { undone: cuts.slice(0, 1) });
    expect((await acts.giveBack(id, version)).status).toBe(200);
    expect((await server.http.get(path(id))).body).toEqual({ sawing: null });
    expect((await keep(id, { done: cuts.slice(0, 1) })).status).toBe(409);
  });
});
