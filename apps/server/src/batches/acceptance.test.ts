import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { batchRecord, boardRecord, NO_MAKING } from '@spare-knot/core/api';
import { layoutDocument } from '@spare-knot/core/exchange';
import type { Layout } from '@spare-knot/core/layout';
import { at, must } from '@spare-knot/core/lists';
import { z } from 'zod';
import { Acts, railTrail, total } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

describe('taking the boards of a layout', () => {
  test('takes each board once, puts the kept offcuts on the rack, and giving back restores the rack', async () => {
    const { batch, layout } = await acts.laidOut();
    const before = await acts.rack();
    const taken = await acts.accept(batch, layout);
    expect(taken.status).toBe(200);
    const after = await acts.rack();
    const offcuts = layout.boards.flatMap((board) => board.offcuts);
    expect(offcuts.length).toBeGreaterThan(0);
    expect(total(after)).toBe(total(before) - layout.boards.length + offcuts.length);
    expect(
      after
        .filter((board) => board.fromBatch === batch.id)
        .map((board) => [board.length, board.width, board.offcut]),
    ).toEqual(offcuts.map((offcut) => [offcut.length, offcut.width, true]));
    const kept = batchRecord.parse(taken.body);
    expect(kept.accepted?.layout).toEqual(layout);

    const back = await server.http
      .post(`/api/batches/${batch.id}/give-back`)
      .send({ version: kept.version });
    expect(back.status).toBe(200);
    expect(back.body.accepted).toBeNull();
    expect((await acts.rack()).map(({ id, quantity }) => ({ id, quantity }))).toEqual(
      before.map(({ id, quantity }) => ({ id, quantity })),
    );
  });

  test('pressed twice at once, it happens once', async () => {
    const { batch, layout } = await acts.laidOut();
    const before = total(await acts.rack());
    const answers = await Promise.all([
      acts.accept(batch, layout),
      acts.accept(batch, layout),
      acts.accept(batch, layout),
    ]);
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409, 409]);
    const offcuts = layout.boards.reduce((sum, board) => sum + board.offcuts.length, 0);
    expect(total(await acts.rack())).toBe(before - layout.boards.length + offcuts);
    const kept = batchRecord.parse(
      must(
        answers.find((answer) => answer.status === 200),
        'one of the answers',
      ).body,
    );
    const backs = await Promise.all(
      [1, 2].map(() =>
        server.http.post(`/api/batches/${batch.id}/give-back`).send({ version: kept.version }),
      ),
    );
    expect(backs.map((answer) => answer.status).sort()).toEqual([200, 409]);
    expect(total(await acts.rack())).toBe(before);
  });

  test('a proposed layout is kept without taking a board, and stays after giving back', async () => {
    const { batch, layout } = await acts.laidOut();
    const before = total(await acts.rack());
    const propose = (of: Layout) =>
      server.http
        .put(`/api/batches/${batch.id}/layout`)
        .send({ layout: z.encode(layoutDocument, of) });
    expect((await propose(layout)).status).toBe(200);
    expect((await propose(layout)).status).toBe(200);
    const kept = batchRecord.parse((await server.http.get(`/api/batches/${batch.id}`)).body);
    expect(kept).toMatchObject({ version: batch.version, accepted: null });
    expect(kept.proposed).toEqual(layout);
    expect(total(await acts.rack())).toBe(before);
    expect((await propose({ ...layout, boards: layout.boards.slice(1) })).status).toBe(422);
    const taken = batchRecord.parse((await acts.accept(batch, layout)).body);
    expect(taken.proposed).toBeNull();
    expect((await propose(layout)).status).toBe(409);
    const back = await server.http
      .post(`/api/batches/${batch.id}/give-back`)
      .send({ version: taken.version });
    expect(batchRecord.parse(back.body).proposed).toEqual(layout);
  });

  test('two batches cannot take the same board: the second is told that the rack has changed', async () => {
    const { batch, layout } = await acts.laidOut();
    const stock = layout.boards[0]?.stock;
    const needed = layout.boards.filter((board) => board.stock === stock).length;
    // As many boards as one layout needs, and not one more.
    const [board] = (await acts.rack()).filter(({ id }) => id === stock);
    await server.database('boards').where({ id: stock }).update({ quantity: needed });
    expect(board?.quantity).toBeGreaterThanOrEqual(needed);
    const other = await acts.batch({ name: 'Other' });
    const answers = await Promise.all([acts.accept(batch, layout), acts.accept(other, layout)]);
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409]);
    const loser = answers.find((answer) => answer.status === 409);
    expect(loser?.body.title).toBe('The rack has changed');
    expect((await acts.rack()).some(({ id }) => id === stock)).toBe(false);
  });

  test('a layout that breaks a rule is not kept', async () => {
    const { batch, layout } = await acts.laidOut();
    // Two panels alike, the second laid exactly on the first, whatever layout was found.
    const twin = (board: Layout['boards'][number]) =>
      board.placements.findIndex((placement, index) =>
        board.placements.slice(0, index).some((earlier) => earlier.part === placement.part),
      );
    const spot = layout.boards.findIndex((board) => twin(board) > 0);
    const second = twin(at(layout.boards, spot));
    const boards = layout.boards.map((board, at) => ({
      ...board,
      placements: board.placements.map((placement, index) => {
        if (at !== spot || index !== second) return placement;
        return {
          ...must(
            board.placements.find((earlier) => earlier.part === placement.part),
            'one of the placements',
          ),
          copy: placement.copy,
        };
      }),
    }));
    const answer = await acts.accept(batch, { ...layout, boards });
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toContain('rule 3');
    expect(total(await acts.rack())).toBe(10);
  });

  test('what was thrown away cannot be given back whole, and can once it is restored', async () => {
    const { batch, layout } = await acts.laidOut();
    const kept = batchRecord.parse((await acts.accept(batch, layout)).body);
    const offcut = must(
      (await acts.rack()).find((board) => board.fromBatch === batch.id),
      'offcut',
    );
    await acts.throwAway(offcut);
    const refused = await acts.giveBack(batch.id, kept.version);
    expect(refused.status).toBe(409);
    expect(refused.body.detail).toContain('thrown away');
    expect((await acts.one(batch.id)).accepted).not.toBeNull();
    expect((await server.http.post(`/api/rack/${offcut.id}/restore`)).status).toBe(201);
    expect((await acts.giveBack(batch.id, kept.version)).status).toBe(200);
  });

  test('an offcut that was renamed, and one named back, is still whole', async () => {
    const { batch, layout } = await acts.laidOut();
    const kept = batchRecord.parse((await acts.accept(batch, layout)).body);
    const offcut = must(
      (await acts.rack()).find((board) => board.fromBatch === batch.id),
      'offcut',
    );
    const { id, fromBatch: _fromBatch, ...change } = z.encode(boardRecord, offcut);
    await server.http.put(`/api/rack/${id}`).send({ ...change, name: 'By the door' });
    expect((await acts.giveBack(batch.id, kept.version)).status).toBe(200);
    // What is whole again in its board is nowhere to be restored from.
    expect((await server.http.post(`/api/rack/${id}/restore`)).status).toBe(404);
    expect((await acts.rack()).some((board) => board.fromBatch !== null)).toBe(false);
  });

  test('an offcut that was measured anew is not what was given, and the boards stay taken', async () => {
    const { batch, layout } = await acts.laidOut();
    const kept = batchRecord.parse((await acts.accept(batch, layout)).body);
    const offcut = must(
      (await acts.rack()).find((board) => board.fromBatch === batch.id),
      'offcut',
    );
    const { id, fromBatch: _fromBatch, ...change } = z.encode(boardRecord, offcut);
    await server.http.put(`/api/rack/${id}`).send({ ...change, length: change.length - 30 });
    expect((await acts.giveBack(batch.id, kept.version)).status).toBe(409);
  });

  test('boards that were thrown away meanwhile stay thrown away; the taken ones come back as a pile of their own', async () => {
    const { batch, layout } = await acts.laidOut();
    const kept = batchRecord.parse((await acts.accept(batch, layout)).body);
    const pile = must(
      (await acts.rack()).find((board) => board.name === 'Picket'),
      'pile',
    );
    const used = layout.boards.filter((board) => board.stock === pile.id).length;
    await acts.throwAway(pile);
    expect((await acts.giveBack(batch.id, kept.version)).status).toBe(200);
    const pickets = (await acts.rack()).filter((board) => board.name === 'Picket');
    expect(pickets.map(({ quantity }) => quantity)).toEqual([used]);
    const restored = await server.http.post(`/api/rack/${pile.id}/restore`);
    expect(restored.body.quantity).toBe(8 - used);
  });

  test('boards that were measured anew meanwhile come back as they were taken', async () => {
    const { batch, layout } = await acts.laidOut();
    const kept = batchRecord.parse((await acts.accept(batch, layout)).body);
    const pile = must(
      (await acts.rack()).find((board) => board.name === 'Picket'),
      'pile',
    );
    const { id, fromBatch: _fromBatch, ...change } = z.encode(boardRecord, pile);
    await server.http.put(`/api/rack/${id}`).send({ ...change, width: 130 });
    expect((await acts.giveBack(batch.id, kept.version)).status).toBe(200);
    const widths = (await acts.rack())
      .filter((board) => board.name === 'Picket')
      .map((board) => z.encode(boardRecord, board).width);
    expect(widths.sort()).toEqual([130, 139.7]);
  });

  test('a batch that used another’s offcut and gave it back leaves the other free to give back too', async () => {
    const { batch, layout } = await acts.laidOut();
    const first = batchRecord.parse((await acts.accept(batch, layout)).body);
    const offcut = must(
      (await acts.rack()).find((board) => board.fromBatch === batch.id),
      'offcut',
    );
    const other = await acts.batch({ name: 'Other', boxes: 1 });
    const found = await acts.layOut(other);
    expect(found.boards.some((board) => board.stock === offcut.id)).toBe(true);
    const second = batchRecord.parse((await acts.accept(other, found)).body);
    expect((await acts.giveBack(batch.id, first.version)).status).toBe(409);
    expect((await acts.giveBack(other.id, second.version)).status).toBe(200);
    expect((await acts.giveBack(batch.id, first.version)).status).toBe(200);
    expect(total(await acts.rack())).toBe(10);
  });

  test('a batch whose boards are taken cannot be put out of reach', async () => {
    const { batch, layout } = await acts.laidOut();
    const kept = batchRecord.parse((await acts.accept(batch, layout)).body);
    const gone = await server.http.delete(`/api/batches/${batch.id}?version=${kept.version}`);
    expect(gone.status).toBe(409);
    expect(gone.body.detail).toContain('Give them back first');
    expect((await acts.one(batch.id)).accepted).not.toBeNull();
  });

  test('a proposal whose box or boards have changed is marked, and renaming changes nothing of it', async () => {
    const { batch, layout } = await acts.laidOut();
    expect((await acts.propose(batch, layout)).status).toBe(200);
    expect((await acts.one(batch.id)).proposalStale).toBe(false);
    const patch = (change: object, version: number) =>
      server.http.patch(`/api/batches/${batch.id}`).send({ ...change, version });
    await patch({ name: 'Renamed' }, 1);
    expect((await acts.one(batch.id)).proposalStale).toBe(false);
    await patch({ boxes: 7 }, 2);
    expect((await acts.one(batch.id)).proposalStale).toBe(true);
    await patch({ boxes: batch.boxes }, 3);
    expect((await acts.one(batch.id)).proposalStale).toBe(false);
    await acts.throwAway(
      must(
        (await acts.rack()).find(({ id }) => id === layout.boards[0]?.stock),
        'the value',
      ),
    );
    expect((await acts.one(batch.id)).proposalStale).toBe(true);
    const [summary] = (await server.http.get('/api/batches')).body.batches;
    expect(summary.state).toMatchObject({ is: 'proposed', stale: true });
  });

  test('a batch whose boards are taken is not changed under them', async () => {
    const { batch, layout } = await acts.laidOut();
    const kept = batchRecord.parse((await acts.accept(batch, layout)).body);
    const change = await server.http
      .patch(`/api/batches/${batch.id}`)
      .send({ ...railTrail(), boxes: 9, version: kept.version });
    expect(change.status).toBe(409);
  });
});

describe('what is decided at the bench', () => {
  const making = {
    school: 'layers',
    order: ['back:0', 'front:0'],
    hanging: 'coach-screws',
    site: { height: 2000, trunkGirth: 900, inGround: 600, postThick: null },
    firstNumber: 17,
    upBy: '2027-03-01',
    hoursADay: 2.5,
  };

  test('stays open when the boards are taken, and is read back; the box beside it is not changed', async () => {
    const { batch, layout } = await acts.laidOut();
    expect(batch.making).toEqual(NO_MAKING);
    const taken = batchRecord.parse((await acts.accept(batch, layout)).body);
    const at = `/api/batches/${batch.id}`;
    const kept = await server.http.patch(at).send({ making, version: taken.version });
    expect(kept.status).toBe(200);
    const wire = await server.http.get(at);
    expect(wire.body.making).toEqual(making);
    const { version } = await acts.one(batch.id);
    const both = await server.http.patch(at).send({ making, boxes: 7, version });
    expect(both.status).toBe(409);
    expect((await acts.one(batch.id)).boxes).toBe(batch.boxes);
  });

  test('a way or a school that nobody knows is refused at its field', async () => {
    const batch = await acts.batch();
    const refused = await server.http
      .patch(`/api/batches/${batch.id}`)
      .send({ making: { ...making, hanging: 'hope' }, version: batch.version });
    expect(refused.status).toBe(400);
    expect(JSON.stringify(refused.body)).toContain('making.hanging');
  });
});

describe('what is asked of a layout', () => {
  test('pins, boards left alone and goals come back as they were kept, and rule what may be accepted', async () => {
    const { batch, layout } = await acts.laidOut();
    const used = at(layout.boards, 0).stock;
    const sent = { ...railTrail(), version: batch.version };
    const wishes = {
      ...sent.wishes,
      forbidden: [used],
      goals: { first: 'cuts', classes: [{ from: 300, worth: 0.5 }], stages: 2 },
      seconds: 8,
    };
    const changed = await server.http.patch(`/api/batches/${batch.id}`).send({ ...sent, wishes });
    expect(changed.status).toBe(200);
    expect((await server.http.get(`/api/batches/${batch.id}`)).body.wishes).toMatchObject(wishes);
    const refused = await acts.accept(batchRecord.parse(changed.body), layout);
    expect(refused.status).toBe(422);
    expect(refused.body.detail).toContain('there is no stock');
    expect(total(await acts.rack())).toBe(10);
    expect(
      (
        await server.http
          .patch(`/api/batches/${batch.id}`)
          .send({ ...sent, version: changed.body.version, wishes: { ...wishes, seconds: -1 } })
      ).status,
    ).toBe(400);
  });
});
