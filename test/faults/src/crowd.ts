import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import { type BatchRecord, batchRecord, newBatch } from '@spare-knot/core/api';
import type { HouseProcess } from '@spare-knot/server/testing/house-process';
import { z } from 'zod';
import { type Answer, type Asked, ask, json } from './ask.js';
import { type Outcome, quantile, Tally } from './outcome.js';
import { Random } from './random.js';
import { Shop, written } from './shop.js';

const CLIENTS = 50;
/** Milliseconds that somebody looks at the page before the next press, about. */
const PAUSE = 1000;
/** Milliseconds within which ninety-nine of a hundred are answered. */
const P99 = 500;
/** Boards of each kind: enough for whoever takes some at the same time. */
const PILE = 1000;

/** One maker: a batch of their own, boards taken and given back, boxes looked after. */
class Maker {
  private version: number;
  private taken = false;

  constructor(
    private readonly crowd: Crowd,
    private readonly random: Random,
    private readonly batch: BatchRecord,
    private readonly layout: ReturnType<typeof written>,
    private readonly boxes: readonly string[],
  ) {
    this.version = batch.version;
  }

  async act(): Promise<void> {
    const { random } = this;
    const path = `/api/batches/${this.batch.id}`;
    switch (random.below(8)) {
      case 0:
      case 1:
        return this.write(this.taken ? 'give back' : 'take', {
          method: 'POST',
          path: `${path}/${this.taken ? 'give-back' : 'accept'}`,
          body: { version: this.version, ...(!this.taken && { layout: this.layout }) },
        });
      case 2:
        return this.write('edit', {
          method: 'PATCH',
          path,
          body: { version: this.version, name: `Winter ${random.below(1000)}` },
        });
      case 3:
        return this.saw(path);
      case 4:
        return this.visit();
      default:
        await this.crowd.ask('read', {
          method: 'GET',
          path: random.pick(['/api/rack', '/api/batches', '/api/trail', '/api/repairs', path]),
        });
    }
  }

  /** A write to the batch; its new version is what the answer says. */
  private async write(what: string, { body, ...asked }: Omit<Asked, 'body'> & { body: object }) {
    const answer = await this.crowd.write(what, { ...asked, body });
    if (answer.status !== 200) return;
    const kept = batchRecord.parse(JSON.parse(answer.text));
    this.version = kept.version;
    this.taken = kept.accepted !== null;
  }

  private async saw(path: string): Promise<void> {
    if (this.taken)
      await this.crowd.write('saw', { method: 'POST', path: `${path}/sawing`, body: {} });
  }

  private async visit(): Promise<void> {
    const visit = {
      id: randomUUID(),
      box: this.random.pick(this.boxes),
      on: '2026-05-02',
      found: 'eggs',
    };
    await this.crowd.write('visit', {
      method: 'POST',
      path: '/api/visits',
      body: { visits: [visit] },
    });
  }
}

/** All of them, and what they were answered. */
class Crowd {
  readonly tally = new Tally();
  readonly faults: string[] = [];
  readonly waits: number[] = [];
  readonly longest = new Map<string, number>();

  constructor(private readonly port: number) {}

  async ask(what: string, asked: Asked): Promise<Answer> {
    const answer = await ask(this.port, asked);
    this.tally.add(`${what} ${answer.status}`);
    this.waits.push(answer.milliseconds);
    this.longest.set(what, Math.max(this.longest.get(what) ?? 0, Math.round(answer.milliseconds)));
    if (answer.status >= 500)
      this.faults.push(`${what}: ${answer.status} ${answer.text.slice(0, 200)}`);
    return answer;
  }

  write(what: string, { body, ...asked }: Omit<Asked, 'body'> & { body: object }): Promise<Answer> {
    const { headers, ...sent } = json(body);
    return this.ask(what, {
      ...asked,
      ...sent,
      headers: { ...headers, 'Idempotency-Key': randomUUID() },
    });
  }
}

/** Boards whose ledger does not say what lies there; one statement, so that all of it is of one moment. */
async function unbalanced(house: HouseProcess): Promise<string[]> {
  const [rows] = await house.database((knex) =>
    knex.raw(`
      select boards.id, boards.quantity, coalesce(sum(wood_ledger.quantity), 0) as told
      from boards left join wood_ledger on wood_ledger.board_id = boards.id
      where boards.deleted_at is null
      group by boards.id, boards.quantity having told <> boards.quantity`),
  );
  return (rows as { id: string; quantity: number; told: string }[]).map(
    ({ id, quantity, told }) => `board ${id}: ${quantity} lie there, the ledger says ${told}`,
  );
}

/** A batch that can be laid out, a copy of it for each maker, and piles of boards enough for all of them. */
async function makers(port: number, crowd: Crowd, seed: number): Promise<Maker[]> {
  const shop = new Shop(port);
  const { boxes } = (await shop.read('/api/trail')) as { boxes: { id: string }[] };
  for (const { id } of await shop.batches()) {
    const batch = await shop.batch(id);
    const layout = batch.accepted ? null : await shop.layOut(batch);
    if (!layout) continue;
    for (const stock of new Set(layout.boards.map((board) => board.stock)))
      await shop.pileUp(stock, PILE);
    const asked = { method: 'POST', path: '/api/batches', ...json(z.encode(newBatch, batch)) };
    const made: Maker[] = [];
    for (let index = 0; index < CLIENTS; index += 1) {
      const own = batchRecord.parse(JSON.parse((await ask(port, asked)).text));
      const ids = boxes.map((box) => box.id);
      made.push(new Maker(crowd, new Random(seed + index), own, written(layout), ids));
    }
    return made;
  }
  throw new Error('the demo has no batch that can be laid out');
}

/** Fifty at once for so many seconds: nobody is failed, nobody waits long, and wood is neither lost nor made. */
export async function crowd(
  house: HouseProcess,
  seconds: number,
  isTimed: boolean,
  seed = 5,
): Promise<Outcome> {
  const all = new Crowd(Number(house.port));
  const everybody = await makers(Number(house.port), all, seed);
  const random = new Random(seed);
  const until = performance.now() + seconds * 1000;
  let checks = 0;
  const watch = async () => {
    for (; performance.now() < until; checks += 1) {
      await pause(Math.min(10_000, seconds * 250));
      all.faults.push(...(await unbalanced(house)));
    }
  };
  const one = async (maker: Maker) => {
    await pause(random.next() * PAUSE);
    while (performance.now() < until) {
      await maker.act();
      await pause(PAUSE * (0.5 + random.next()));
    }
  };
  await Promise.all([watch(), ...everybody.map(one)]);
  const p99 = Math.round(quantile(all.waits, 0.99));
  if (isTimed && p99 > P99) all.faults.push(`p99 is ${p99} ms`);
  return {
    told: `${CLIENTS} clients, ${seconds} s, ${all.waits.length} requests (${all.tally}); p99 ${p99} ms (longest ${[...all.longest].map((each) => each.join(' ')).join(', ')}); ${checks} times all wood was where the ledger says`,
    faults: all.faults,
  };
}
