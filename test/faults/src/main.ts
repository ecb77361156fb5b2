import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { HouseProcess } from '@spare-knot/server/testing/house-process';
import { crowd } from './crowd.js';
import { files } from './files.js';
import { heavy } from './heavy.js';
import { kills } from './kills.js';
import type { Outcome } from './outcome.js';
import { requests } from './requests.js';
import { starts } from './starts.js';

interface Harness {
  /** How much of it: in bin/test, and in bin/endure. */
  readonly short: number;
  readonly long: number;
  /** @param isTimed whether it matters how long it takes: it does not where others use the machine */
  run(folder: string, count: number, isTimed: boolean): Promise<Outcome>;
}

/** A house with the demo while `work` runs. */
async function inAHouse(folder: string, work: (house: HouseProcess) => Promise<Outcome>) {
  const house = await HouseProcess.begin(join(folder, 'house'));
  try {
    await house.ready();
    return await work(house);
  } finally {
    await house.clear();
  }
}

const HARNESSES: Readonly<Record<string, Harness>> = {
  kills: { short: 4, long: 200, run: (folder, count) => kills(folder, count) },
  starts: { short: 2, long: 100, run: (folder, count) => starts(folder, count) },
  requests: {
    short: 1500,
    long: 20_000,
    run: (folder, count, isTimed) =>
      inAHouse(folder, ({ port }) => requests(Number(port), count, isTimed)),
  },
  crowd: {
    short: 20,
    long: 300,
    run: (folder, count, isTimed) => inAHouse(folder, (house) => crowd(house, count, isTimed)),
  },
  files: { short: 600, long: 10_000, run: (_, count) => files(count) },
  heavy: {
    short: 1,
    long: 1,
    run: (folder, _, isTimed) => inAHouse(folder, ({ port }) => heavy(Number(port), isTimed)),
  },
};

/** Faults that are shown of one harness. */
const SHOWN = 20;

const [mode, ...wanted] = process.argv.slice(2);
const numbers = wanted.filter((word) => /^\d+$/.test(word)).map(Number);
const names = wanted.filter((word) => Object.hasOwn(HARNESSES, word));
const folder = mkdtempSync(join(tmpdir(), 'spare-knot-faults-'));
let [passed, failed] = [0, 0];
try {
  for (const [name, harness] of Object.entries(HARNESSES)) {
    if (names.length > 0 && !names.includes(name)) continue;
    const count = numbers[0] ?? (mode === 'short' ? harness.short : harness.long);
    const { told, faults } = await harness.run(join(folder, name), count, mode !== 'short');
    console.log(`${faults.length === 0 ? '✓' : '✗'} ${name}: ${told}`);
    for (const fault of faults.slice(0, SHOWN)) console.log(`    ${fault}`);
    if (faults.length > SHOWN) console.log(`    and ${faults.length - SHOWN} more`);
    if (faults.length === 0) passed += 1;
    else failed += 1;
  }
} finally {
  rmSync(folder, { recursive: true, force: true, maxRetries: 10, retryDelay: 200 });
}
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
