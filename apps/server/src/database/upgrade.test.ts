import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { Knex } from 'knex';
import { openBackup } from '../backup/backup-file.js';
import { countsOf, dropAll } from '../backup/dump.js';
import { rowsOf } from '../testing/house-process.js';
import { ownDatabase } from '../testing/own-database.js';
import { releaseBefore } from '../testing/test-server.js';
import { migrate, STEP_NAMES, stepsOf } from './migrate.js';
import { LaterRelease, upgrade } from './upgrade.js';

let own: Awaited<ReturnType<typeof ownDatabase>>;
let knex: Knex;
let folder: string;
/** What the release before becomes when nothing goes wrong. */
let wanted: Record<string, unknown[]>;

/** Without the moments at which a migration was made. */
const kept = async () => {
  const { migrations: _, migrations_lock: __, wood_ledger = [], ...rows } = await rowsOf(knex);
  return { ...rows, wood_ledger: wood_ledger.length };
};

beforeAll(async () => {
  own = await ownDatabase();
  knex = own.knex;
  await releaseBefore(knex);
  await migrate(knex);
  wanted = (await kept()) as unknown as Record<string, unknown[]>;
});
afterAll(() => own.close());
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'spare-knot-upgrade-'));
  await dropAll(knex);
  await releaseBefore(knex);
});
afterEach(() => rmSync(folder, { recursive: true }));

const backups = () => readdirSync(join(folder, 'backups'));
const open = (file: string) => openBackup(readFileSync(join(folder, 'backups', file)));

describe('an upgrade', () => {
  test('makes a backup first, and comes to the newest schema with everything', async () => {
    const before = await countsOf(knex);
    await upgrade(knex, folder);
    expect(await kept()).toEqual(wanted);
    expect(await stepsOf(knex)).toEqual(STEP_NAMES);
    expect(backups()).toHaveLength(1);
    expect(open(backups()[0] ?? '').told.tables).toEqual(before);
    // The next start has nothing to do, and makes none.
    await upgrade(knex, folder);
    expect(readdirSync(folder)).toEqual(['backups']);
    expect(backups()).toHaveLength(1);
  });

  test('that was ended at any migration, in its middle, begins anew from the backup', async () => {
    for (const last of STEP_NAMES.filter((_, at) => at % 4 === 2)) {
      await dropAll(knex);
      await releaseBefore(knex);
      // Ended in the middle of the migration after `last`.
      await expect(
        upgrade(knex, folder, () => {
          throw new Error('ended');
        }),
      ).rejects.toThrow('ended');
      const backup = join(folder, 'backups', backups().at(-1) ?? '');
      const note = { backup, until: STEP_NAMES.at(-1) };
      writeFileSync(join(folder, 'upgrading.json'), JSON.stringify(note));
      await migrate(knex, last);
      await knex.schema
        .createTable('trail_boxes', (table) => table.integer('half'))
        .catch(() => {});
      await knex('migrations_lock').update({ is_locked: 1 });
      await upgrade(knex, folder);
      expect(await kept()).toEqual(wanted);
    }
  });

  test('that had come to its end is not begun anew: what was kept since then stays', async () => {
    await upgrade(knex, folder);
    const note = { backup: join(folder, 'backups', backups()[0] ?? ''), until: STEP_NAMES.at(-1) };
    writeFileSync(join(folder, 'upgrading.json'), JSON.stringify(note));
    await knex('boards').update({ name: 'Kept since then' });
    await upgrade(knex, folder);
    expect(await knex('boards').distinct('name').pluck('name')).toEqual(['Kept since then']);
    expect(readdirSync(folder)).toEqual(['backups']);
  });

  test('by two servers at once is made once', async () => {
    await Promise.all([upgrade(knex, folder), upgrade(knex, folder)]);
    expect(await kept()).toEqual(wanted);
    expect(backups()).toHaveLength(1);
  });

  test('of what a later release kept is refused in a sentence, and nothing is touched', async () => {
    await upgrade(knex, folder);
    await knex('migrations').insert({ name: '9999-later', batch: 9, migration_time: new Date() });
    const before = await rowsOf(knex);
    const refused = await upgrade(knex, folder).catch((error: unknown) => error);
    expect(refused).toBeInstanceOf(LaterRelease);
    expect(String(refused)).toContain('9999-later');
    expect(await rowsOf(knex)).toEqual(before);
  });
});
