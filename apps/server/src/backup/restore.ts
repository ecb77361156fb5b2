import { readFile } from 'node:fs/promises';
import { isDeepStrictEqual } from 'node:util';
import knexFactory from 'knex';
import { connectionFromEnvironment } from '../database/connection.js';
import { mustBeKnown } from '../database/upgrade.js';
import { openBackup } from './backup-file.js';
import { addressFrom, countsOf, load } from './dump.js';

/** Milliseconds: on a machine that does much else the database takes its time. */
const PATIENCE = 60_000;

/**
 * bin/restore, its two steps: `check FILE` refuses what is no whole backup, or is of a later release, before anything is begun;
 * `load FILE` puts it into the database of the environment, which has no tables, and counts what came.
 */
async function restore(verb: string, path: string): Promise<string> {
  const { told, dump } = openBackup(await readFile(path));
  mustBeKnown([told.schema]);
  const rows = Object.values(told.tables).reduce((sum, count) => sum + count, 0);
  if (verb === 'check') return `${path} was written on ${told.written}: ${rows} rows.`;
  await load(addressFrom(process.env), dump);
  const knex = knexFactory(connectionFromEnvironment(process.env, PATIENCE));
  try {
    if (!isDeepStrictEqual(await countsOf(knex), told.tables))
      throw new Error('Not all rows came into the database: it is left out.');
  } finally {
    await knex.destroy();
  }
  return `All ${rows} rows are back.`;
}

try {
  console.log(await restore(process.argv[2] ?? '', process.argv[3] ?? ''));
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
}
