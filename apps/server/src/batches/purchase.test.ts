import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import {
  type BatchRecord,
  type BoardRecord,
  batchQuestion,
  batchRecord,
  bought,
  liesReady,
  newOffer,
  type OfferRecord,
  offerList,
} from '@spare-knot/core/api';
import { layoutDocument } from '@spare-knot/core/exchange';
import { layoutJob } from '@spare-knot/core/job';
import { checkLayout, type Layout, searchLayout, sortPins } from '@spare-knot/core/layout';
import { at, sum } from '@spare-knot/core/lists';
import { z } from 'zod';
import { demoOffers } from '../demo/yard-list.js';
import { Acts, picket, railTrail } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

const priced = demoOffers().map((offer) => z.encode(newOffer, offer));

/** Six boxes for the rail trail, with what the two yards sell. */
async function batchAtTheYard(
  supply: string,
): Promise<{ batch: BatchRecord; yard: OfferRecord[] }> {
  const added = await server.http.post('/api/yard').send({ offers: priced });
  const trail = railTrail();
  const batch = await acts.batch({ wishes: { ...trail.wishes, supply } });
  return { batch, yard: offerList.parse(added.body).offers };
}

function jobOf(batch: BatchRecord, rack: readonly BoardRecord[], yard: readonly OfferRecord[]) {
  const made = layoutJob(batchQuestion({ ...batch, liesReady: liesReady(batch) }, rack, yard));
  if (!made.ok) throw new Error('the box is not sound');
  return sortPins(made.job).job;
}

function layOut(
  batch: BatchRecord,
  rack: readonly BoardRecord[],
  yard: readonly OfferRecord[],
): Layout {
  let steps = 0;
  const stopped = () => ++steps > 6;
  return searchLayout(jobOf(batch, rack, yard), { clock: () => 0, stopped });
}

const buy = ({ id, version }: BatchRecord, layout: Layout) =>
  server.http
    .post(`/api/batches/${id}/buy`)
    .send({ version, layout: z.encode(layoutDocument, layout) });

describe('what is bought at the yard', () => {
  test('from an empty rack: lies on it with its measures to confirm, under the same layout, and is then taken', async () => {
    const { batch, yard } = await batchAtTheYard('bought');
    const layout = layOut(batch, [], yard);
    expect(layout.unplaced).toEqual([]);
    expect(layout.cost).toBeGreaterThan(0);
    const refused = await acts.accept(batch, layout);
    expect([refused.status, refused.body.title]).toEqual([
      409,
      'Some of these boards are not bought yet',
    ]);
    expect((await acts.propose(batch, layout)).status).toBe(200);
    const answer = bought.parse((await buy(batch, layout)).body);
    const rack = await acts.rack();
    expect(rack).toEqual(answer.boards);
    expect(sum(rack.map(({ quantity }) => quantity))).toBe(layout.boards.length);
    expect(sum(rack.map(({ quantity, price }) => quantity * (price ?? 0)))).toBe(layout.cost);
    for (const board of rack) expect(board.assumed).toContain('size');
    const after = answer.batch;
    expect([after.wishes.supply, after.proposed?.cost, after.proposalStale]).toEqual([
      'rack-first',
      0,
      false,
    ]);
    const laid = after.proposed as Layout;
    expect(checkLayout(jobOf(after, rack, yard), laid)).toEqual([]);
    expect(laid.boards.map(({ placements }) => placements)).toEqual(
      layout.boards.map(({ placements }) => placements),
    );
    expect((await acts.accept(after, laid)).status).toBe(200);
    expect((await acts.rack()).every(({ offcut }) => offcut)).toBe(true);
  });

  test('the rack is spent first: it costs nothing beside what must be bought', async () => {
    const { batch, yard } = await batchAtTheYard('rack-first');
    const all = layOut(batch, [], yard);
    await acts.addBoards({ ...picket, quantity: 3, faceA: 'rough', faceB: 'rough' });
    const rack = await acts.rack();
    const layout = layOut(batch, rack, yard);
    expect(layout.boards.filter(({ stock }) => stock === at(rack, 0).id)).toHaveLength(3);
    expect(layout.cost).toBeLessThan(all.cost);
    const answer = bought.parse((await buy(batch, layout)).body);
    expect(answer.boards.some(({ name }) => name === 'Picket')).toBe(false);
    expect(sum((await acts.rack()).map(({ quantity }) => quantity))).toBe(layout.boards.length);
  });

  test('pins go along with their boards', async () => {
    const { batch, yard } = await batchAtTheYard('bought');
    const layout = layOut(batch, [], yard);
    const board = at(layout.boards, 1);
    const pinned = [{ ...at(board.placements, 0), stock: board.stock, piece: board.piece }];
    const wishes = { ...railTrail().wishes, supply: 'bought', pinned: [] };
    const sent = await server.http
      .patch(`/api/batches/${batch.id}`)
      .send({ version: batch.version, wishes });
    const same = batchRecord.parse(sent.body);
    const moved = { ...same, wishes: { ...same.wishes, pinned } };
    await server
      .database('batches')
      .where({ id: batch.id })
      .update({
        wishes: JSON.stringify(z.encode(batchRecord.shape.wishes, moved.wishes)),
      });
    const answer = bought.parse((await buy(same, layout)).body);
    const pin = at(answer.batch.wishes.pinned, 0);
    expect(answer.boards.map(({ id }) => id)).toContain(pin.stock);
    const { broken } = sortPins(jobOf({ ...answer.batch }, await acts.rack(), yard));
    expect(broken).toEqual([]);
    const under = answer.batch.proposed?.boards.find(
      ({ stock, piece }) => stock === pin.stock && piece === pin.piece,
    );
    expect(under?.placements[0]).toMatchObject({ part: pin.part, copy: pin.copy, x: pin.x });
  });

  test('is bought once, and only where something is to be bought', async () => {
    const { batch, yard } = await batchAtTheYard('bought');
    const layout = layOut(batch, [], yard);
    const answer = bought.parse((await buy(batch, layout)).body);
    expect((await buy(batch, layout)).status).toBe(409);
    const nothing = await buy(answer.batch, answer.batch.proposed as Layout);
    expect([nothing.status, nothing.body.title]).toEqual([409, 'There is nothing to buy']);
    expect(await acts.rack()).toEqual(answer.boards);
  });

  test('a price that has changed makes the layout stale, and more than a yard has is not laid out', async () => {
    const { batch, yard } = await batchAtTheYard('bought');
    const layout = layOut(batch, [], yard);
    await acts.propose(batch, layout);
    expect((await acts.one(batch.id)).proposalStale).toBe(false);
    const used = at(layout.boards, 0).stock;
    await server.database('offers').where({ id: used }).update({ price: 1, version: 2 });
    expect((await acts.one(batch.id)).proposalStale).toBe(true);
    await server.database('offers').update({ available: 0 });
    const refused = await buy(batch, layout);
    expect([refused.status, refused.body.title]).toEqual([
      409,
      'What there is on the rack and at the yard has changed',
    ]);
    expect(await acts.rack()).toEqual([]);
  });
});
