import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import { bin, freePort, HouseProcess } from '../testing/house-process.js';
import { openBackup, sealBackup } from './backup-file.js';

let folder: string;
let house: HouseProcess;
let file: string;
const houses: HouseProcess[] = [];

const run = (program: string, data: string, words: readonly string[], port: string) => {
  const { status, stderr, stdout } = spawnSync(bin(program), words, {
    env: {
      ...process.env,
      SPARE_KNOT_DATA: data,
      SPARE_KNOT_DB_PORT: port,
      // Nobody cuts the power of a test.
      SPARE_KNOT_DB_FLUSH: '2',
    },
    encoding: 'utf8',
  });
  return { status, said: `${stdout}${stderr}` };
};
/** What it said is seen where it did not. */
const worked = ({ status, said }: ReturnType<typeof run>) =>
  expect([status, status === 0 ? '' : said]).toEqual([0, '']);
const backup = (path: string) => run('backup', house.data, [path], house.databasePort);
const restore = async (data: string, ...words: string[]) =>
  run('restore', data, words, String(await freePort()));
async function started(data: string): Promise<HouseProcess> {
  const made = await HouseProcess.begin(data);
  houses.push(made);
  return made.ready();
}

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'spare-knot-backup-'));
  house = await started(join(folder, 'house'));
  file = join(folder, 'winter.zip');
});
afterEach(async () => {
  for (const each of houses.slice(1)) await each.clear();
});
afterAll(async () => {
  for (const each of houses) await each.clear();
  rmSync(folder, { recursive: true, force: true });
});

describe('bin/backup and bin/restore', () => {
  test('everything, while it runs, into a file for its owner alone; and back onto a fresh house, row by row', async () => {
    const before = await house.rows();
    expect(Object.values(before).flat().length).toBeGreaterThan(300);
    worked(backup(file));
    expect(await house.rows()).toEqual(before);
    expect(statSync(file).mode & 0o777).toBe(0o600);
    // Never over another file.
    expect(backup(file)).toMatchObject({ status: 2, said: expect.stringContaining('already') });

    const fresh = join(folder, 'fresh');
    worked(await restore(fresh, file));
    const again = await started(fresh);
    expect(await again.rows()).toEqual(before);
    for (const path of ['rack', 'batches', 'trail', 'repairs'])
      expect(await again.ask(`/api/${path}`)).toEqual(await house.ask(`/api/${path}`));
  });

  test('is read without the program: lists as CSV, data as JSON', () => {
    const files = unzipSync(readFileSync(file));
    const text = (path: string) => strFromU8(files[path] ?? new Uint8Array());
    expect(text('boards.csv')).toContain('Picket');
    const boxes = JSON.parse(text('data/trail_boxes.json'));
    expect(boxes).toHaveLength(text('boxes.csv').trim().split('\r\n').length - 1);
    expect(openBackup(readFileSync(file)).told.tables.trail_boxes).toBe(boxes.length);
  });

  test('a file that was cut, altered or is of a later release is refused whole; what is kept is not touched', async () => {
    const bytes = readFileSync(file);
    const altered = Buffer.from(bytes);
    altered[1000] = (altered[1000] ?? 0) ^ 1;
    const { told, dump } = openBackup(bytes);
    const later = sealBackup({ ...told, schema: '9999-later' }, dump, {});
    const data = join(folder, 'kept');
    const kept = await started(data);
    const before = await kept.rows();
    expect(await restore(data, '--replace', file)).toMatchObject({
      status: 2,
      said: expect.stringContaining('Stop it first'),
    });
    await kept.stop();
    const bad: [Buffer | Uint8Array, RegExp][] = [
      [bytes.subarray(0, 9000), /cut short or altered/],
      [altered, /cut short or altered/],
      [later, /later release/],
    ];
    for (const [wrong, why] of bad) {
      const path = join(folder, 'wrong.zip');
      writeFileSync(path, wrong);
      for (const into of [data, join(folder, 'nowhere')]) {
        const { status, said } = await restore(into, '--replace', path);
        expect([status, said.trim()]).toEqual([1, expect.stringMatching(why)]);
        expect(said.trim().split('\n')).toHaveLength(1);
      }
    }
    expect(await restore(data, file)).toMatchObject({
      status: 2,
      said: expect.stringContaining('Something is kept'),
    });
    const again = await started(data);
    expect(await again.rows()).toEqual(before);
  });

  test('--replace puts what was kept aside, whole', async () => {
    const data = join(folder, 'kept');
    const { status, said } = await restore(data, '--replace', file);
    expect([status, said]).toEqual([0, expect.stringContaining('are back')]);
    const [, aside = ''] = /put aside in (\S+)\.\n/.exec(said) ?? [];
    const [old, now] = [await started(aside), await started(data)];
    expect(Object.keys(await old.rows())).toEqual(Object.keys(await now.rows()));
    expect(await now.ask('/api/rack')).toEqual(await house.ask('/api/rack'));
  });

  test('a house that does not run is backed up too', async () => {
    const data = join(folder, 'fresh');
    const path = join(folder, 'at-rest.zip');
    worked(run('backup', data, [path], String(await freePort())));
    expect(openBackup(readFileSync(path)).told.tables).toEqual(
      openBackup(readFileSync(file)).told.tables,
    );
    expect(run('backup', join(folder, 'none'), [path], '4000')).toMatchObject({ status: 2 });
  });
});
