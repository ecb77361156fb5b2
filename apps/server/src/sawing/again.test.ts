import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import {
  batchRecord,
  type LeftRecord,
  leftRecord,
  type SawingRecord,
  sawingLog,
  sawingRecord,
} from '@spare-knot/core/api';
import { cutsInOrder, madeParts, partsIn } from '@spare-knot/core/cuts';
import { layoutDocument } from '@spare-knot/core/exchange';
import { type Layout, searchLayout } from '@spare-knot/core/layout';
import { at, must } from '@spare-knot/core/lists';
import { z } from 'zod';
import { Acts, picket, roofBoard, total } from '../testing/acts.js';
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

const roughPicket = { ...picket, faceA: 'rough', faceB: 'rough' };

/** A maker beside the saw. */
class Sawyer {
  sawing: SawingRecord;

  private constructor(
    readonly id: string,
    sawing: unknown,
  ) {
    this.sawing = sawingRecord.parse(sawing);
  }

  static async begin(): Promise<Sawyer> {
    await acts.addBoards(roughPicket, roofBoard);
    const batch = await acts.batch();
    const layout = await acts.layOut(batch);
    const { id } = batchRecord.parse((await acts.accept(batch, layout)).body);
    return new Sawyer(id, (await server.http.post(path(id))).body);
  }

  keep(body: object) {
    return server.http.post(`${path(this.id)}/cuts`).send({ round: this.sawing.round, ...body });
  }

  async look(): Promise<SawingRecord> {
    const { body } = await server.http.get(path(this.id));
    this.sawing = sawingRecord.parse(body.sawing);
    return this.sawing;
  }

  /** All cuts up to the first that gives a panel; gives that panel's piece. */
  async untilPanel(): Promise<string> {
    const { plan } = this.sawing;
    const done: string[] = [];
    for (const key of cutsInOrder(plan)) {
      done.push(key);
      const [index = '', cut] = key.split(':');
      const board = at(plan.boards, Number(index));
      const gives = must(
        board.cuts.find(({ id }) => id === cut),
        key,
      ).gives;
      const leaf = board.pieces.find(
        ({ id, is }) => gives.includes(id) && is && typeof is === 'object',
      );
      if (!leaf) continue;
      expect((await this.keep({ done })).status).toBe(200);
      await this.look();
      return `${index}:${leaf.id}`;
    }
    throw new Error('no cut gives a panel');
  }

  async spoil(piece: string, left: number[][] = []): Promise<void> {
    const ruined = [{ piece, left, mishap: 'ruined' }];
    expect((await this.keep({ ruined })).status).toBe(200);
    await this.look();
  }

  async left(): Promise<LeftRecord> {
    const { status, body } = await server.http.get(`${path(this.id)}/left`);
    expect(status).toBe(200);
    return leftRecord.parse(body);
  }

  layOut({ job }: LeftRecord): Layout {
    let asked = 0;
    return searchLayout(job, { clock: () => ++asked * 20 });
  }

  async again(found?: Layout) {
    const layout = found ?? this.layOut(await this.left());
    const answer = await server.http
      .post(`${path(this.id)}/again`)
      .send({ round: this.sawing.round, layout: z.encode(layoutDocument, layout) });
    if (answer.status === 200) this.sawing = sawingRecord.parse(answer.body);
    return answer;
  }

  async sawAll(): Promise<void> {
    const done = cutsInOrder(this.sawing.plan);
    expect((await this.keep({ done })).status).toBe(200);
    await this.look();
  }
}

/** What lies on the rack, whatever it is called there. */
const rackNow = async () =>
  (await acts.rack())
    .map(({ name, quantity, length, width, thickness }) =>
      [name, quantity, length, width, thickness].join(' '),
    )
    .sort();
/** Whole boards on the rack, and those that are taken for a batch: none appears, none vanishes. */
async function wholeBoards(): Promise<number> {
  const [taken] = await server
    .database('taken_boards')
    .join('boards', 'boards.id', 'taken_boards.board_id')
    .where({ offcut: false })
    .sum({ quantity: 'taken_boards.quantity' });
  return total((await acts.rack()).filter(({ offcut }) => !offcut)) + Number(taken?.quantity ?? 0);
}
const wanted = ({ plan, progress }: SawingRecord) =>
  plan.boards.flatMap((board) => partsIn(board, 'p0')).length -
  madeParts(plan.boards, progress).length;

describe('planning again when something went wrong', () => {
  test('the panel is sawn once more, out of what is left or new wood, and the batch comes out whole', async () => {
    const sawyer = await Sawyer.begin();
    const all = sawyer.sawing.plan.boards.flatMap((board) => partsIn(board, 'p0')).length;
    // The rack has not enough for all of it.
    const short = sawyer.sawing.wanted.length;
    const piece = await sawyer.untilPanel();
    await sawyer.spoil(piece);
    expect(sawyer.sawing.wanted).toHaveLength(short + 1);
    await acts.addBoards({ ...roughPicket, quantity: 20 }, { ...roofBoard, quantity: 9 });
    const boards = await wholeBoards();
    const cuts = sawyer.sawing.progress.done.length;
    const made = madeParts(sawyer.sawing.plan.boards, sawyer.sawing.progress).length;
    expect((await sawyer.again()).status).toBe(200);
    expect(sawyer.sawing).toMatchObject({ round: 1, cutsBefore: cuts, wanted: [] });
    expect(wanted(sawyer.sawing)).toBe(all + short - made);
    expect(sawyer.sawing.stock.every(({ name }) => name !== 'a board')).toBe(true);
    await sawyer.sawAll();
    expect(wanted(sawyer.sawing)).toBe(0);
    // A second thing that goes wrong, of the new plan.
    const board = sawyer.sawing.plan.boards.findIndex(({ pieces }) =>
      pieces.some(({ is }) => is && typeof is === 'object'),
    );
    const leaf = must(
      at(sawyer.sawing.plan.boards, board).pieces.find(({ is }) => is && typeof is === 'object'),
      'panel',
    );
    await sawyer.spoil(`${board}:${leaf.id}`);
    const log = sawingLog.parse((await server.http.get(`${path(sawyer.id)}/log`)).body);
    expect(log.rounds).toHaveLength(2);
    expect(log.mishaps.map(({ mishap, parts }) => [mishap, parts.length])).toEqual([
      ['ruined', 1],
      ['ruined', 1],
    ]);
    expect(log.wood.panels + log.wood.offcuts).toBeLessThanOrEqual(log.wood.area);
    expect(log.wood.panels / log.wood.area).toBeGreaterThan(0.3);
    expect((await sawyer.again()).status).toBe(200);
    expect(sawyer.sawing).toMatchObject({ round: 2, wanted: [] });
    expect(await wholeBoards()).toBe(boards);
    expect(wanted(sawyer.sawing)).toBe(1);
  });

  test('taken back before the first cut, everything is as it was: the plan, the rack, the report', async () => {
    const sawyer = await Sawyer.begin();
    await sawyer.spoil(await sawyer.untilPanel());
    const before = await rackNow();
    const kept = await sawyer.look();
    await sawyer.again();
    const { body, status } = await server.http.post(`${path(sawyer.id)}/back`).send({ round: 1 });
    expect(status).toBe(200);
    expect(body).toEqual(z.encode(sawingRecord, kept));
    expect(await rackNow()).toEqual(before);
    const piece = at(kept.progress.ruined, 0).piece;
    sawyer.sawing = kept;
    expect((await sawyer.keep({ mended: [piece] })).body.progress.ruined).toEqual([]);
    // And once more, with something sawn by the new plan: then it stays.
    await sawyer.spoil(piece);
    await sawyer.again();
    await sawyer.keep({ done: cutsInOrder(sawyer.sawing.plan).slice(0, 1) });
    const late = await server.http.post(`${path(sawyer.id)}/back`).send({ round: 1 });
    expect(late.status).toBe(409);
    expect((await sawyer.look()).round).toBe(1);
  });

  test('a board that goes back to the pile that another is taken from is counted once, there and back', async () => {
    const sawyer = await Sawyer.begin();
    await sawyer.spoil(await sawyer.untilPanel());
    await acts.addBoards({ ...roughPicket, quantity: 3 });
    const [rack, boards] = [await rackNow(), await wholeBoards()];
    const left = await sawyer.left();
    const found = sawyer.layOut(left);
    // A board of the batch that nobody has sawn, and one more of its pile on the rack.
    const own = must(
      left.job.stock.find(
        ({ id, from }) =>
          !from &&
          !id.includes('@') &&
          left.job.stock.some((each) => each.id === `${id}@1`) &&
          found.boards.some(({ stock }) => stock === id),
      ),
      'a pile of the batch with more of it on the rack',
    );
    const price = left.job.stock.find(({ id }) => id === `${own.id}@1`)?.price ?? 0;
    const free = new Set(
      found.boards.flatMap(({ stock, piece }) => (stock === `${own.id}@1` ? [piece] : [])),
    );
    const at1 = [0, 1, 2].find((piece) => !free.has(piece)) ?? 0;
    const last = found.boards.findLastIndex(({ stock }) => stock === own.id);
    const swapped = found.boards.map((each, index) =>
      index === last ? { ...each, stock: `${own.id}@1`, piece: at1 } : each,
    );
    const cost = found.cost + price;
    const answer = await sawyer.again({ ...found, boards: swapped, cost, optimal: false });
    expect([answer.status, answer.body.detail]).toEqual([200, undefined]);
    expect(await wholeBoards()).toBe(boards);
    const back = await server.http.post(`${path(sawyer.id)}/back`).send({ round: 1 });
    expect(back.status).toBe(200);
    expect(await wholeBoards()).toBe(boards);
    expect(await rackNow()).toEqual(rack);
  });

  test('boards come from the rack when what is left is too small, and go back when the plan does', async () => {
    const sawyer = await Sawyer.begin();
    const { plan } = sawyer.sawing;
    // Everything in hand went wrong, with nothing left of it.
    await sawyer.keep({
      ruined: plan.boards.map((_board, index) => ({
        piece: `${index}:p0`,
        left: [],
        mishap: 'split',
      })),
    });
    await sawyer.look();
    const whole = async () => total((await acts.rack()).filter(({ offcut }) => !offcut));
    await acts.addBoards({ ...roughPicket, name: 'Other pile', quantity: 9 });
    const [before, all] = [await whole(), await wholeBoards()];
    const rack = await rackNow();
    const left = await sawyer.left();
    expect(left.kept).toBe(0);
    expect((await sawyer.again(sawyer.layOut(left))).status).toBe(200);
    expect(await whole()).toBeLessThan(before);
    expect(await wholeBoards()).toBe(all);
    expect(sawyer.sawing.wanted.length).toBeLessThan(
      plan.boards.flatMap((board) => partsIn(board, 'p0')).length,
    );
    expect((await server.http.post(`${path(sawyer.id)}/back`).send({ round: 1 })).status).toBe(200);
    expect(await rackNow()).toEqual(rack);
  });

  test('two devices: a press for the plan before, and a plan made before the last press, are refused with what is followed', async () => {
    const sawyer = await Sawyer.begin();
    const piece = await sawyer.untilPanel();
    await sawyer.spoil(piece);
    const found = sawyer.layOut(await sawyer.left());
    const next = must(
      cutsInOrder(sawyer.sawing.plan).find((key) => !sawyer.sawing.progress.done.includes(key)),
      'a cut',
    );
    const first = sawyer.sawing.round;
    await sawyer.keep({ done: [next] });
    // Laid out for what was left before that press: either it no longer fits, or nothing of it was touched.
    const late = await sawyer.again(found);
    expect([200, 409, 422]).toContain(late.status);
    if (late.status !== 200) await sawyer.again();
    const old = await server.http
      .post(`${path(sawyer.id)}/cuts`)
      .send({ round: first, done: [next] });
    expect(old.status).toBe(409);
    expect(old.body.current).toEqual({ round: 1 });
  });

  test('a piece told twice changes nothing, one that is not there is refused, and boards with a ruined piece do not go back', async () => {
    const sawyer = await Sawyer.begin();
    const { id } = sawyer;
    const told = { ruined: [{ piece: '0:p0', left: [[0, 0, 300, 100]], mishap: 'split' }] };
    expect((await sawyer.keep(told)).status).toBe(200);
    expect((await sawyer.keep(told)).body.progress.ruined).toHaveLength(1);
    expect((await sawyer.keep({ ruined: [{ piece: '0:p9', mishap: 'ruined' }] })).status).toBe(409);
    const more = { piece: '1:p0', left: [[0, 0, 90_000, 100]], mishap: 'ruined' };
    const beyond = await sawyer.keep({ ruined: [more] });
    expect([beyond.status, beyond.body.errors[0].path]).toEqual([422, 'ruined[0].left[0]']);
    expect((await sawyer.keep({ ruined: [{ piece: '0:p0', mishap: 'lost' }] })).status).toBe(400);
    const { version } = await acts.one(id);
    const refused = await acts.giveBack(id, version);
    expect(refused.status).toBe(409);
    expect(refused.body.detail).toContain('Take the report back');
    await sawyer.keep({ mended: ['0:p0'] });
    expect((await acts.giveBack(id, version)).status).toBe(200);
  });
});
