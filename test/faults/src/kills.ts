import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { boardList } from '@spare-knot/core/api';
import { HouseProcess } from '@spare-knot/server/testing/house-process';
import { ask, json } from './ask.js';
import type { Outcome } from './outcome.js';
import { Random } from './random.js';
import { Shop } from './shop.js';

const WRITERS = 6;
/** Kills before the house is begun anew: it waits longer each time one of its programs ends. */
const KILLS_A_HOUSE = 6;
/** Milliseconds between a kill and the next: in which all is back, and is written again. */
const BETWEEN = { least: 900, more: 1600 };

/** What a writer was told last of one write. */
type Told = 'kept' | 'not kept' | 'not known';

interface Write {
  readonly name: string;
  readonly key: string;
  told: Told;
}

const body = (name: string) => ({
  boards: [
    { name, quantity: 3, material: 'western-red-cedar', thickness: 16, width: 140, length: 1829 },
  ],
});

/** Writes boards, each under a name of its own, and remembers what it was told. */
class Writer {
  readonly writes: Write[] = [];
  readonly faults: string[] = [];
  isDone = false;

  constructor(
    private readonly port: number,
    private readonly random: Random,
  ) {}

  async run(): Promise<void> {
    while (!this.isDone) {
      const write: Write = { name: `Board ${randomUUID()}`, key: randomUUID(), told: 'not known' };
      this.writes.push(write);
      await this.send(write);
      // Some are sent again at once, as a page does; some stay as they were told, to be looked for.
      if (write.told !== 'kept' && this.random.chance(0.5)) await this.send(write);
      await pause(this.random.below(15));
    }
  }

  /** Until it is known: what was not known is asked again under its key. */
  async settle(): Promise<void> {
    for (const write of this.writes)
      for (let tries = 0; write.told === 'not known' && tries < 40; tries += 1) {
        await this.send(write);
        if (write.told === 'not known') await pause(250);
      }
  }

  private async send(write: Write): Promise<void> {
    const { headers, ...rest } = json(body(write.name));
    const asked = { ...rest, headers: { ...headers, 'Idempotency-Key': write.key } };
    try {
      const answer = await ask(this.port, { method: 'POST', path: '/api/rack', ...asked });
      write.told = this.told(answer.status, answer.text);
    } catch {
      write.told = 'not known';
    }
  }

  private told(status: number, text: string): Told {
    if (status === 201) return 'kept';
    if (status === 503 && text.includes('not known whether')) return 'not known';
    if (status === 503 && text.includes('Nothing was changed')) return 'not kept';
    this.faults.push(`${status}: ${text.slice(0, 200)}`);
    return 'not known';
  }
}

async function killOne(house: HouseProcess, random: Random): Promise<void> {
  const which = random.pick(['server', 'database'] as const);
  const both = random.chance(0.2);
  for (const each of both ? (['server', 'database'] as const) : [which]) {
    const child = house.child(each);
    if (child !== null) process.kill(child, 'SIGKILL');
  }
}

async function isBack(house: HouseProcess): Promise<void> {
  for (let tries = 0; tries < 600; tries += 1) {
    if ((await house.status()) === 200) return;
    await pause(50);
  }
  throw new Error(`it did not come back: ${house.words}`);
}

/** What was told against what is there. */
async function judge(port: number, writes: readonly Write[]) {
  const { boards } = boardList.parse(await new Shop(port).read('/api/rack'));
  const there = new Map<string, number>();
  for (const { name } of boards) there.set(name, (there.get(name) ?? 0) + 1);
  const count = ({ name }: Write) => there.get(name) ?? 0;
  const kept = writes.filter(({ told }) => told === 'kept');
  return {
    kept: kept.length,
    lost: kept.filter((write) => count(write) === 0).length,
    doubled: writes.filter((write) => count(write) > 1).length,
    wrong: writes.filter((write) => write.told === 'not kept' && count(write) > 0).length,
    open: writes.filter(({ told }) => told === 'not known').length,
  };
}

/** Server and database killed while several write: nothing that was told to be kept is lost, nothing doubled, nothing wrongly told. */
export async function kills(folder: string, count: number, seed = 3): Promise<Outcome> {
  const random = new Random(seed);
  const sums = { kept: 0, lost: 0, doubled: 0, wrong: 0, open: 0 };
  const faults: string[] = [];
  for (let done = 0; done < count; done += KILLS_A_HOUSE) {
    const house = await HouseProcess.begin(join(folder, String(done)));
    try {
      await house.ready();
      const port = Number(house.port);
      const writers = Array.from(
        { length: WRITERS },
        (_, index) => new Writer(port, new Random(seed + done + index)),
      );
      const running = writers.map((writer) => writer.run());
      for (let kill = 0; kill < Math.min(KILLS_A_HOUSE, count - done); kill += 1) {
        await pause(BETWEEN.least + random.below(BETWEEN.more));
        await killOne(house, random);
      }
      await isBack(house);
      for (const writer of writers) writer.isDone = true;
      await Promise.all(running);
      for (const writer of writers) await writer.settle();
      const judged = await judge(
        port,
        writers.flatMap(({ writes }) => writes),
      );
      for (const key of Object.keys(sums) as (keyof typeof sums)[]) sums[key] += judged[key];
      faults.push(...writers.flatMap((writer) => writer.faults));
    } finally {
      await house.clear();
    }
  }
  const { kept, lost, doubled, wrong, open } = sums;
  if (lost + doubled + wrong + open > 0) faults.push(JSON.stringify(sums));
  return {
    told: `${count} kills, ${kept} writes kept: ${lost} lost, ${doubled} doubled, ${wrong} wrong words, ${open} never known`,
    faults,
  };
}
