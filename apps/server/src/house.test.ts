import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import {
  type BatchRecord,
  type BoardRecord,
  batchQuestion,
  batchRecord,
  boardList,
  boardRecord,
  newBatch,
} from '@spare-knot/core/api';
import { layoutDocument } from '@spare-knot/core/exchange';
import { layoutJob } from '@spare-knot/core/job';
import { type Layout, searchLayout, sortPins } from '@spare-knot/core/layout';

import { z } from 'zod';
import { migrate } from './database/migrate.js';
import { DemoService } from './demo/demo.service.js';
import { demoBatches } from './demo/osier-landing.js';
import { type House, openHouse } from './testing/house.js';

let house: House;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());
beforeEach(async () => {
  for (const table of ['taken_boards', 'layouts', 'defects', 'boards', 'batches'])
    await house.database(table).delete();
});

const rack = async (): Promise<BoardRecord[]> =>
  boardList.parse((await house.http.get('/api/rack')).body).boards;
const picket = {
  name: 'Picket',
  quantity: 8,
  material: 'western-red-cedar',
  thickness: 15.875,
  width: 139.7,
  length: 1828.8,
  price: 3.4,
};
const roof = {
  name: 'Roof board',
  quantity: 2,
  material: 'eastern-white-pine',
  thickness: 19.05,
  width: 184.15,
  length: 2438.4,
  price: 14.75,
  faceB: 'planed',
};
const addBoards = async (...boards: object[]) => house.http.post('/api/rack').send({ boards });
const railTrail = () => z.encode(newBatch, demoBatches().at(-1)!);

async function laidOut(): Promise<{ batch: BatchRecord; layout: Layout }> {
  await addBoards(picket, roof);
  const batch = batchRecord.parse((await house.http.post('/api/batches').send(railTrail())).body);
  const made = layoutJob(
    batchQuestion({ ...batch, choices: { ...batch.choices, seconds: 0.2 } }, await rack()),
  );
  if (!made.ok) throw new Error('the demo’s box is not sound');
  return { batch, layout: searchLayout(sortPins(made.job).job, { clock: () => Date.now() }) };
}
const accept = (batch: BatchRecord, layout: Layout) =>
  house.http
    .post(`/api/batches/${batch.id}/accept`)
    .send({ version: batch.version, layout: z.encode(layoutDocument, layout) });
const total = (boards: readonly BoardRecord[]) =>
  boards.reduce((sum, board) => sum + board.quantity, 0);

describe('the rack', () => {
  test('keeps boards with their defects, in millimetres on the wire', async () => {
    const defects = [
      { kind: 'knot-sound', circle: [400, 60, 12] },
      { kind: 'split', rect: [1700, 0, 100, 139.7] },
    ];
    const added = await addBoards({ ...picket, defects });
    expect(added.status).toBe(201);
    const [board] = (await house.http.get('/api/rack')).body.boards;
    expect(board).toMatchObject({ ...picket, version: 1, defects, fromBatch: null });
  });

  test('a stale write is refused with what is kept now, and nothing is overwritten', async () => {
    const [board] = (await addBoards(picket)).body.boards;
    const { id, fromBatch: _fromBatch, ...change } = board;
    expect(
      (await house.http.put(`/api/rack/${id}`).send({ ...change, name: 'First' })).status,
    ).toBe(200);
    const second = await house.http.put(`/api/rack/${id}`).send({ ...change, name: 'Second' });
    expect(second.status).toBe(409);
    expect(second.headers['content-type']).toContain('application/problem+json');
    expect(second.body).toMatchObject({
      type: 'urn:spare-knot:stale',
      current: { name: 'First', version: 2 },
    });
  });

  test('one board is taken out of a pile, so that it can have a knot of its own', async () => {
    const [pile] = (await addBoards(picket)).body.boards;
    const single = boardRecord.parse(
      (await house.http.post(`/api/rack/${pile.id}/split`).send({ version: 1 })).body,
    );
    expect(single.quantity).toBe(1);
    expect((await rack()).map((board) => board.quantity).sort()).toEqual([1, 7]);
  });

  test('what is deleted can be put back', async () => {
    const [board] = (await addBoards(picket)).body.boards;
    expect((await house.http.delete(`/api/rack/${board.id}?version=1`)).status).toBe(200);
    expect(await rack()).toEqual([]);
    expect((await house.http.post(`/api/rack/${board.id}/restore`)).body).toMatchObject({
      name: 'Picket',
      quantity: 8,
    });
    expect(await rack()).toHaveLength(1);
  });

  test('CSV: good lines are kept, bad ones named; what goes out comes in again', async () => {
    const csv =
      'name,quantity,thickness,width,length\nPicket,6,5/8 in,5 1/2 in,6 ft\nBad,6,thick,1,1\n';
    const report = await house.http.post('/api/rack/csv').send({ csv });
    expect(report.body.boards).toHaveLength(1);
    expect(report.body.problems).toEqual([{ line: 3, message: expect.stringContaining('thick') }]);
    const out = await house.http.get('/api/rack/csv');
    expect(out.headers['content-type']).toContain('text/csv');
    const again = await house.http.post('/api/rack/csv').send({ csv: out.text });
    expect(again.body.problems).toEqual([]);
    expect(again.body.boards[0]).toMatchObject({ width: 139.7, quantity: 6 });
  });

  test.each([
    [{ ...picket, width: -1 }, 'boards[0].width'],
    [{ ...picket, quantity: 0 }, 'boards[0].quantity'],
    [{ ...picket, name: '' }, 'boards[0].name'],
    [{ ...picket, defects: [{ kind: 'nail', circle: [5000, 0, 3] }] }, 'boards[0].defects[0]'],
    [{ ...picket, defects: [{ kind: 'nail' }] }, 'boards[0].defects[0]'],
  ])('refuses %j naming the field', async (board, path) => {
    const answer = await addBoards(board);
    expect(answer.status).toBe(400);
    expect(answer.body.errors.map((error: { path: string }) => error.path)).toContain(path);
    expect(await rack()).toEqual([]);
  });
});

describe('batches', () => {
  test('come back exactly as they were kept', async () => {
    const sent = railTrail();
    const { body } = await house.http.post('/api/batches').send(sent);
    const { body: back } = await house.http.get(`/api/batches/${body.id}`);
    expect(back).toMatchObject(sent);
    expect(batchRecord.parse(back).plan).toEqual(demoBatches().at(-1)!.plan);
  });

  test('a stale change gets 409 and both versions can be seen', async () => {
    const { body: batch } = await house.http.post('/api/batches').send(railTrail());
    await house.http
      .put(`/api/batches/${batch.id}`)
      .send({ ...railTrail(), name: 'First', version: 1 });
    const second = await house.http
      .put(`/api/batches/${batch.id}`)
      .send({ ...railTrail(), name: 'Second', version: 1 });
    expect(second.status).toBe(409);
    expect(second.body.current).toMatchObject({ name: 'First', version: 2 });
  });

  test('what the first version wrote still opens', async () => {
    // A row exactly as version 1 of the plan and of the layout were written.
    const id = '7f8dd3f3-a78e-423a-95f2-fd4efbb92da8';
    const wood = {
      thickness: 15.875,
      width: 139.7,
      material: 'western-red-cedar',
      faceA: 'rough',
      faceB: 'rough',
    };
    const plan = {
      format: 'spare-knot/box-plan',
      version: 1,
      family: 'slant-roof',
      animal: 'house-wren',
      sizes: { width: 139.7, depth: 139.7, frontHeight: 200 },
      angles: { slope: 10 },
      schools: { roof: 'butt' },
      wood: { front: wood },
    };
    const saw = {
      kerf: 3.2,
      rip: true,
      throughCuts: true,
      maxMitre: 50,
      maxTilt: 45,
      endTrim: 0,
      keep: { length: 150, width: 60 },
    };
    const when = new Date('2026-11-24T05:00:00Z');
    await house.database('batches').insert({
      id,
      name: 'Old',
      boxes: 2,
      units: 'mm',
      division: 1,
      plan: JSON.stringify(plan),
      saw: JSON.stringify(saw),
      created_at: when,
      changed_at: when,
    });
    const layout = {
      format: 'spare-knot/layout',
      version: 1,
      boards: [],
      unplaced: [],
      cost: 3.4,
      lowerBound: 3.4,
      boundProof: 'area',
      optimal: true,
      yield: 0.9,
      seconds: 1,
    };
    await house.database('layouts').insert({ batch_id: id, layout: JSON.stringify(layout) });
    const opened = batchRecord.parse((await house.http.get(`/api/batches/${id}`)).body);
    expect(opened.plan.sizes.width).toBe(44704);
    expect(opened.saw.kerf).toBe(1024);
    expect(opened.proposed).toMatchObject({ cost: 340, optimal: true });
  });

  test('a plan of an unknown version is refused by name', async () => {
    const bad = railTrail() as { plan: { version: number } };
    bad.plan.version = 9;
    const answer = await house.http.post('/api/batches').send(bad);
    expect(answer.status).toBe(400);
    expect(answer.body.detail).toContain('plan.version');
  });
});

describe('taking the boards of a layout', () => {
  test('takes each board once, puts the kept offcuts on the rack, and giving back restores the rack', async () => {
    const { batch, layout } = await laidOut();
    const before = await rack();
    const taken = await accept(batch, layout);
    expect(taken.status).toBe(200);
    const after = await rack();
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

    const back = await house.http
      .post(`/api/batches/${batch.id}/give-back`)
      .send({ version: kept.version });
    expect(back.status).toBe(200);
    expect(back.body.accepted).toBeNull();
    expect((await rack()).map(({ id, quantity }) => ({ id, quantity }))).toEqual(
      before.map(({ id, quantity }) => ({ id, quantity })),
    );
  });

  test('pressed twice at once, it happens once', async () => {
    const { batch, layout } = await laidOut();
    const before = total(await rack());
    const answers = await Promise.all([
      accept(batch, layout),
      accept(batch, layout),
      accept(batch, layout),
    ]);
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409, 409]);
    const offcuts = layout.boards.reduce((sum, board) => sum + board.offcuts.length, 0);
    expect(total(await rack())).toBe(before - layout.boards.length + offcuts);
    const kept = batchRecord.parse(answers.find((answer) => answer.status === 200)!.body);
    const backs = await Promise.all(
      [1, 2].map(() =>
        house.http.post(`/api/batches/${batch.id}/give-back`).send({ version: kept.version }),
      ),
    );
    expect(backs.map((answer) => answer.status).sort()).toEqual([200, 409]);
    expect(total(await rack())).toBe(before);
  });

  test('a proposed layout is kept without taking a board, and stays after giving back', async () => {
    const { batch, layout } = await laidOut();
    const before = total(await rack());
    const propose = (of: Layout) =>
      house.http
        .put(`/api/batches/${batch.id}/layout`)
        .send({ layout: z.encode(layoutDocument, of) });
    expect((await propose(layout)).status).toBe(200);
    expect((await propose(layout)).status).toBe(200);
    const kept = batchRecord.parse((await house.http.get(`/api/batches/${batch.id}`)).body);
    expect(kept).toMatchObject({ version: batch.version, accepted: null });
    expect(kept.proposed).toEqual(layout);
    expect(total(await rack())).toBe(before);
    expect((await propose({ ...layout, boards: layout.boards.slice(1) })).status).toBe(422);
    const taken = batchRecord.parse((await accept(batch, layout)).body);
    expect(taken.proposed).toBeNull();
    expect((await propose(layout)).status).toBe(409);
    const back = await house.http
      .post(`/api/batches/${batch.id}/give-back`)
      .send({ version: taken.version });
    expect(batchRecord.parse(back.body).proposed).toEqual(layout);
  });

  test('two batches cannot take the same board', async () => {
    const { batch, layout } = await laidOut();
    const other = batchRecord.parse(
      (await house.http.post('/api/batches').send({ ...railTrail(), name: 'Other' })).body,
    );
    const answers = await Promise.all([accept(batch, layout), accept(other, layout)]);
    const pickets = layout.boards.filter((board) => board.stock === layout.boards[0]!.stock).length;
    // Eight pickets: two layouts of more than four cannot both be had.
    expect(pickets).toBeGreaterThan(3);
    const states = answers.map((answer) => answer.status).sort();
    expect(states).toEqual(pickets * 2 > 8 ? [200, 409] : [200, 200]);
    for (const board of await rack()) expect(board.quantity).toBeGreaterThanOrEqual(0);
  });

  test('a layout that breaks a rule is not kept', async () => {
    const { batch, layout } = await laidOut();
    // Two panels alike, the second laid exactly on the first, whatever layout was found.
    const twin = (board: Layout['boards'][number]) =>
      board.placements.findIndex((placement, index) =>
        board.placements.slice(0, index).some((earlier) => earlier.part === placement.part),
      );
    const spot = layout.boards.findIndex((board) => twin(board) > 0);
    const second = twin(layout.boards[spot]!);
    const boards = layout.boards.map((board, at) => ({
      ...board,
      placements: board.placements.map((placement, index) => {
        if (at !== spot || index !== second) return placement;
        return {
          ...board.placements.find((earlier) => earlier.part === placement.part)!,
          copy: placement.copy,
        };
      }),
    }));
    const answer = await accept(batch, { ...layout, boards });
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toContain('rule 3');
    expect(total(await rack())).toBe(10);
  });

  test('what has been sawn further cannot be given back', async () => {
    const { batch, layout } = await laidOut();
    const kept = batchRecord.parse((await accept(batch, layout)).body);
    const offcut = (await rack()).find((board) => board.fromBatch === batch.id)!;
    await house.http.delete(`/api/rack/${offcut.id}?version=${offcut.version}`);
    const again = await house.http.post(`/api/rack/${offcut.id}/restore`);
    expect(again.status).toBe(201);
    const back = await house.http
      .post(`/api/batches/${batch.id}/give-back`)
      .send({ version: kept.version });
    expect(back.status).toBe(409);
    expect(back.body.detail).toContain(offcut.name);
    expect((await house.http.get(`/api/batches/${batch.id}`)).body.accepted).not.toBeNull();
  });

  test('a batch whose boards are taken is not changed under them', async () => {
    const { batch, layout } = await laidOut();
    const kept = batchRecord.parse((await accept(batch, layout)).body);
    const change = await house.http
      .put(`/api/batches/${batch.id}`)
      .send({ ...railTrail(), boxes: 9, version: kept.version });
    expect(change.status).toBe(409);
  });
});

describe('the shop', () => {
  test('has the usual bits until others are kept, and refuses a stale list', async () => {
    const first = (await house.http.get('/api/shop')).body;
    expect(first.version).toBe(1);
    expect(first.bits.length).toBeGreaterThan(4);
    const bits = [{ kind: 'forstner', diameter: 33 }];
    const kept = await house.http.put('/api/shop').send({ version: 1, bits });
    expect([kept.status, kept.body]).toEqual([200, { version: 2, bits }]);
    const stale = await house.http.put('/api/shop').send({ version: 1, bits: [] });
    expect(stale.status).toBe(409);
    expect(stale.body.current.bits).toEqual(bits);
    expect((await house.http.get('/api/shop')).body.bits).toEqual(bits);
    expect(
      (
        await house.http
          .put('/api/shop')
          .send({ version: 2, bits: [{ kind: 'spoon', diameter: 3 }] })
      ).status,
    ).toBe(400);
  });
});

describe('what is asked of a layout', () => {
  test('pins, boards left alone and goals come back as they were kept, and rule what may be accepted', async () => {
    const { batch, layout } = await laidOut();
    const used = layout.boards[0]!.stock;
    const sent = { ...railTrail(), version: batch.version };
    const choices = {
      ...sent.choices,
      forbidden: [used],
      goals: { first: 'cuts', classes: [{ from: 300, worth: 0.5 }] },
      seconds: 8,
    };
    const changed = await house.http.put(`/api/batches/${batch.id}`).send({ ...sent, choices });
    expect(changed.status).toBe(200);
    expect((await house.http.get(`/api/batches/${batch.id}`)).body.choices).toMatchObject(choices);
    const refused = await accept(batchRecord.parse(changed.body), layout);
    expect([409, 422]).toContain(refused.status);
    expect(total(await rack())).toBe(10);
    expect(
      (
        await house.http
          .put(`/api/batches/${batch.id}`)
          .send({ ...sent, version: changed.body.version, choices: { ...choices, seconds: -1 } })
      ).status,
    ).toBe(400);
  });
});

describe('the border', () => {
  test('refuses other hosts and other sites', async () => {
    expect((await house.http.get('/api/rack').set('Host', 'boxes.example')).status).toBe(403);
    expect((await house.http.get('/api/rack').set('Origin', 'http://boxes.example')).status).toBe(
      403,
    );
  });

  test('sends strict headers and no script from elsewhere', async () => {
    const { headers } = await house.http.get('/api/health');
    expect(headers['content-security-policy']).toContain("script-src 'self' 'wasm-unsafe-eval';");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
  });

  test.each([
    ['get', '/api/batches/1', 400],
    ['get', '/api/batches/7f8dd3f3-a78e-423a-95f2-fd4efbb92da8', 404],
    ['get', '/api/nothing', 404],
    ['delete', '/api/rack/7f8dd3f3-a78e-423a-95f2-fd4efbb92da8', 400],
  ] as const)('%s %s is answered with a problem document', async (verb, path, status) => {
    const answer = await house.http[verb](path);
    expect(answer.status).toBe(status);
    expect(answer.headers['content-type']).toContain('application/problem+json');
    expect(answer.body.status).toBe(status);
  });

  test('text that is no JSON, and far too much of it', async () => {
    const broken = await house.http
      .post('/api/rack')
      .set('Content-Type', 'application/json')
      .send('{"boards":');
    expect(broken.status).toBe(400);
    const huge = await house.http
      .post('/api/rack')
      .set('Content-Type', 'application/json')
      .send(`{"boards":"${'x'.repeat(5_000_000)}"}`);
    expect(huge.status).toBe(413);
  });

  test('what looks like SQL is kept as text', async () => {
    const name = "Robert'); drop table boards;--";
    await addBoards({ ...picket, name });
    expect((await rack())[0]?.name).toBe(name);
  });
});

describe('the demo', () => {
  test('loads once, into an empty house, and all of it reads back', async () => {
    const demo = house.app.get(DemoService);
    expect(await demo.loadWhenEmpty()).toBe(true);
    expect(await demo.loadWhenEmpty()).toBe(false);
    const { body } = await house.http.get('/api/batches');
    expect(body.batches).toHaveLength(demoBatches().length);
    expect((await rack()).length).toBeGreaterThan(5);
  });

  test('migrating again changes nothing', async () => {
    await addBoards(picket);
    await migrate(house.database);
    expect(await rack()).toHaveLength(1);
  });
});
