import { mkdir, open, readFile, rename, rm } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import type { Knex } from 'knex';
import { z } from 'zod';
import { openBackup } from '../backup/backup-file.js';
import { backupOf } from '../backup/backup-of.js';
import { addressFrom, dropAll, load } from '../backup/dump.js';
import { migrate, STEP_NAMES, stepsOf } from './migrate.js';

/** What is kept was written by a later release: it is left as it is. */
export class LaterRelease extends Error {
  constructor(step: string) {
    super(
      `What is kept here was written by a later release of Spare Knot (it has ${step}). Nothing was touched: start that release, or one after it.`,
    );
  }
}

/** Seconds that one server waits while another upgrades. */
const WAIT = 600;
const LOCK = "concat(database(), '.upgrade')";

/** @throws LaterRelease when a migration is not known here */
export function mustBeKnown(steps: readonly string[]): void {
  const unknown = steps.find((step) => !STEP_NAMES.includes(step));
  if (unknown !== undefined) throw new LaterRelease(unknown);
}

/** Writes a file so that it stands there whole or not at all, also after a power cut. */
export async function writeWhole(path: string, bytes: Uint8Array | string): Promise<void> {
  await mkdir(dirname(path), { recursive: true });
  const aside = join(dirname(path), `.${basename(path)}.new`);
  const file = await open(aside, 'w', 0o600);
  try {
    await file.writeFile(bytes);
    await file.sync();
  } finally {
    await file.close();
  }
  await rename(aside, path);
}

/** An upgrade that is under way: the backup that was made before it (null where there was nothing yet), and the migration it ends with. */
const underWay = z.object({ backup: z.string().nullable(), until: z.string() });

/**
 * Brings a database to the newest schema. Before a migration a backup is made; an upgrade that was ended half-way, at whatever moment, begins
 * anew from that backup.
 *
 * @param folder where backups are put and where it is noted that an upgrade is under way; null: nobody keeps anything there (tests)
 * @param say is told what takes its time
 * @throws LaterRelease and touches nothing
 */
export async function upgrade(
  knex: Knex,
  folder: string | null,
  say: (words: string) => void = () => {},
): Promise<void> {
  // A lock of the connection, not a row: it is gone when whoever holds it is.
  await knex.transaction(async (holder) => {
    const [[{ held }]] = await holder.raw(`select get_lock(${LOCK}, ?) as held`, [WAIT]);
    if (held !== 1) throw new Error('Another server has been upgrading the database for long.');
    try {
      await upgradeAlone(knex, folder, say);
    } finally {
      await holder.raw(`select release_lock(${LOCK})`);
    }
  });
}

async function upgradeAlone(knex: Knex, folder: string | null, say: (words: string) => void) {
  const note = folder && join(folder, 'upgrading.json');
  if (note) await beginAnew(knex, note, say);
  const steps = await stepsOf(knex);
  mustBeKnown(steps);
  if (steps.length === STEP_NAMES.length) return;
  if (folder && note) {
    const backup = steps.length === 0 ? null : await backupBefore(knex, folder);
    if (backup) say(`Before the upgrade a backup was made: ${backup}`);
    await writeWhole(note, JSON.stringify({ backup, until: STEP_NAMES.at(-1) }));
  }
  await migrate(knex);
  if (note) await rm(note);
}

/** Where an upgrade was ended half-way, puts back what was there before it. */
async function beginAnew(knex: Knex, note: string, say: (words: string) => void): Promise<void> {
  const noted = await readFile(note, 'utf8').catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return null;
    throw error;
  });
  if (noted === null) return;
  const { backup, until } = underWay.parse(JSON.parse(noted));
  // It came to its end; only the note was still there. What was kept since then is not touched.
  if ((await stepsOf(knex)).includes(until)) return rm(note);
  // Read before anything is taken away.
  const dump = backup === null ? null : openBackup(await readFile(backup)).dump;
  if (backup !== null) say(`An upgrade was ended half-way: it begins anew from ${backup}`);
  await dropAll(knex);
  if (dump) await load(addressOf(knex), dump);
  return rm(note);
}

async function backupBefore(knex: Knex, folder: string): Promise<string> {
  const { file, told } = await backupOf(knex, addressOf(knex));
  const moment = told.written.replace(/[:.]/g, '-');
  const path = join(folder, 'backups', `${moment}-before-upgrade.zip`);
  await writeWhole(path, file);
  return path;
}

/** The database that knex talks to, which may be another than the environment's. */
const addressOf = (knex: Knex) => ({
  ...addressFrom(process.env),
  database: z.object({ database: z.string() }).parse(knex.client.config.connection).database,
});
