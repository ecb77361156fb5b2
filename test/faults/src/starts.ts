import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { HouseProcess } from '@spare-knot/server/testing/house-process';
import type { Outcome } from './outcome.js';
import { Random } from './random.js';

/** Milliseconds in which a first start comes to answer, about; it is killed at any moment of them. */
const FIRST_START = 4500;

/** What every table of a whole demo has, counted; what is kept of the moment left aside. */
async function counted(house: HouseProcess): Promise<string> {
  const { requests: _, ...tables } = await house.rows();
  return JSON.stringify(Object.entries(tables).map(([table, rows]) => [table, rows.length]));
}

async function whole(folder: string): Promise<string> {
  const house = await HouseProcess.begin(folder);
  try {
    await house.ready();
    if (existsSync(join(folder, 'upgrading.json'))) return 'it still counts as being set up';
    return await counted(house);
  } finally {
    await house.clear();
  }
}

/** First starts, each killed at some moment, once to three times; the next one has to come up whole, with the demo once. */
export async function starts(folder: string, count: number, seed = 2): Promise<Outcome> {
  const random = new Random(seed);
  const wanted = await whole(join(folder, 'undisturbed'));
  const faults: string[] = [];
  let kills = 0;
  for (let start = 0; start < count; start += 1) {
    const data = join(folder, String(start));
    const moments = Array.from({ length: 1 + random.below(3) }, () => random.below(FIRST_START));
    for (const moment of moments) {
      const house = await HouseProcess.begin(data);
      await Promise.race([pause(moment), house.ended]);
      if (random.chance(0.5)) await house.powerCut();
      else house.signal('SIGKILL');
      await house.ended;
      kills += 1;
    }
    const came = await whole(data).catch((error: unknown) => String(error));
    if (came !== wanted) faults.push(`killed after ${moments.join(', ')} ms: ${came}`);
  }
  return {
    told: `${count} first starts killed (${kills} kills), ${count - faults.length} started again whole`,
    faults,
  };
}
