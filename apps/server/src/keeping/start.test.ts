import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { boardList } from '@spare-knot/core/api';
import { demoBoards } from '../demo/osier-landing.js';
import { freePort, type HouseOptions, HouseProcess, isFree } from '../testing/house-process.js';

let data: string;
let houses: HouseProcess[];
beforeEach(() => {
  data = mkdtempSync(join(tmpdir(), 'spare-knot-start-'));
  houses = [];
});
afterEach(async () => {
  for (const each of houses) await each.clear();
  rmSync(data, { recursive: true, force: true });
});

async function begin(options: HouseOptions = {}, folder = data): Promise<HouseProcess> {
  const house = await HouseProcess.begin(folder, options);
  houses.push(house);
  return house;
}
const started = async (options: HouseOptions = {}, folder = data) =>
  (await begin(options, folder)).ready();
const boardsOf = async (house: HouseProcess) =>
  boardList.parse(await house.ask('/api/rack')).boards;
/** Beside the offcuts of the batch that is being sawn. */
const ownBoards = async (house: HouseProcess) =>
  (await boardsOf(house)).filter(({ fromBatch }) => fromBatch === null).map(({ name }) => name);
const demoNames = () => demoBoards().map(({ name }) => name);
const sorted = (names: readonly string[]) => [...names].sort();

describe('what cannot be begun is refused in one sentence', () => {
  test.each([
    ['a word for a port', { port: 'abc' }, /^SPARE_KNOT_PORT is a port, .*"abc"\.$/],
    ['a port beyond the last', { databasePort: '70000' }, /^SPARE_KNOT_DB_PORT is .*"70000"\.$/],
    ['one port for two', { port: '20100', databasePort: '20100' }, /both 20100/],
    ['a word that is not known', { words: ['--frsh'] }, /^usage:/],
  ])('%s', async (_, options, sentence) => {
    const house = await begin(options);
    expect(await house.ended).toBe(2);
    expect(house.words.trim().split('\n')).toEqual([expect.stringMatching(sentence)]);
  });

  test('a port that another program has, and a folder that is none', async () => {
    const other = createServer().listen(0, '127.0.0.1');
    await once(other, 'listening');
    const taken = String((other.address() as { port: number }).port);
    for (const options of [{ port: taken }, { databasePort: taken }]) {
      const house = await begin(options);
      expect(await house.ended).toBe(2);
      expect(house.words).toMatch(new RegExp(`^Port ${taken} is used by another program`));
    }
    other.close();
    const file = join(data, 'file');
    writeFileSync(file, '');
    const house = await begin({}, file);
    expect([await house.ended, house.words]).toEqual([2, expect.stringContaining('cannot be')]);
  });

  test('a second one on the same data, also with --fresh; the first goes on answering', async () => {
    const first = await started();
    for (const words of [[], ['--fresh'], ['--empty']]) {
      const second = await begin({ words });
      expect(await second.ended).toBe(2);
      expect(second.words).toContain('runs on these data already');
    }
    expect(await first.status()).toBe(200);
    expect(sorted(await ownBoards(first))).toEqual(sorted(demoNames()));
  });
});

describe('what ends by itself is started again', () => {
  test('database and server, each said in one line; in a folder with an odd name', async () => {
    const odd = join(data, `it's "odd" #1; $HOME`, 'x'.repeat(120));
    const house = await started({}, odd);
    const { length } = house.words.trim().split('\n');
    const database = house.child('database');
    if (database === null) throw new Error('there is no database');
    process.kill(database, 'SIGKILL');
    // A short wait, no refusal.
    await pause(20);
    expect(await house.status('/api/rack')).toBe(200);
    const server = house.child('server');
    if (server === null) throw new Error('there is no server');
    process.kill(server, 'SIGKILL');
    await house.ready(2);
    expect(await house.status()).toBe(200);
    const said = house.words.trim().split('\n').slice(length);
    expect(said.filter((line) => line.includes('ended by itself'))).toEqual([
      'The database ended by itself (SIGKILL): it is started again in 0.5 s.',
      'The server ended by itself (SIGKILL): it is started again in 0.5 s.',
    ]);
    expect(sorted(await ownBoards(house))).toEqual(sorted(demoNames()));
  });

  test('a database that cannot start: exit code 1, with what it said', async () => {
    await mkdir(join(data, 'mariadb', 'data', 'mysql'), { recursive: true });
    writeFileSync(join(data, 'mariadb', 'data', 'ibdata1'), 'no tablespace');
    const house = await begin();
    expect(await house.ended).toBe(1);
    expect(house.words).toMatch(/The database did not start/);
    expect(house.words).toMatch(/\[ERROR\]/);
  });
});

describe('what ends it', () => {
  test('Ctrl-C, SIGTERM and a closed terminal end all of it', async () => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
      const house = await started();
      expect(await house.stop(signal)).toBe(0);
      expect(await isFree(Number(house.port))).toBe(true);
      expect(await isFree(Number(house.databasePort))).toBe(true);
    }
  });

  test('killed alone, it leaves nothing that keeps a port, and the next one starts whole', async () => {
    const { port, databasePort } = await (async () => {
      const house = await started();
      house.signal('SIGKILL');
      await house.ended;
      return house;
    })();
    const next = await started({ port, databasePort });
    expect(sorted(await ownBoards(next))).toEqual(sorted(demoNames()));
  });

  test('a first one that is killed at any moment starts again whole, the demo once', async () => {
    for (const moment of [400, 1100, 1800, 2500, 3200]) {
      const killed = await begin();
      await Promise.race([pause(moment), killed.ended]);
      await killed.powerCut();
    }
    const whole = await started();
    expect(sorted(await ownBoards(whole))).toEqual(sorted(demoNames()));
    expect(existsSync(join(data, 'upgrading.json'))).toBe(false);
  });

  test('a pid file that names a stranger does the stranger no harm', async () => {
    const stranger = spawn('sleep', ['60'], { stdio: 'ignore' });
    await mkdir(join(data, 'mariadb'));
    writeFileSync(join(data, 'mariadb', 'mariadb.pid'), String(stranger.pid));
    const house = await started();
    expect(await house.status()).toBe(200);
    await house.stop();
    expect([stranger.exitCode, stranger.signalCode]).toEqual([null, null]);
    stranger.kill();
  });
});

test('--fresh puts what was kept aside and deletes nothing', async () => {
  const before = await started({ words: ['--empty'] });
  expect(await boardsOf(before)).toEqual([]);
  const picket = { name: 'Own', quantity: 1, material: 'western-red-cedar', thickness: 16 };
  const answer = await fetch(`http://127.0.0.1:${before.port}/api/rack`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ boards: [{ ...picket, width: 140, length: 1800, price: 3 }] }),
  });
  expect(answer.status).toBe(201);
  await before.stop();
  const fresh = await started({ words: ['--fresh'] });
  expect(sorted(await ownBoards(fresh))).toEqual(sorted(demoNames()));
  await fresh.stop();
  const [aside] = readdirSync(data).filter((name) => name.startsWith('aside-'));
  const again = await started({ port: String(await freePort()) }, join(data, aside ?? 'none'));
  expect(await ownBoards(again)).toEqual(['Own']);
});
