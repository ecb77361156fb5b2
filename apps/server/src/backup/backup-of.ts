import type { Zippable } from 'fflate';
import type { Knex } from 'knex';
import { stepsOf } from '../database/migrate.js';
import { type About, sealBackup } from './backup-file.js';
import { type Address, countsOf, dumpOf, tablesOf } from './dump.js';

/**
 * Everything as it is at one moment, sealed. While it is read nobody writes: a write that comes in between waits.
 *
 * @param beside gives what is to be read without the program, from the same moment
 */
export async function backupOf(
  knex: Knex,
  address: Address,
  beside: () => Promise<Zippable> = async () => ({}),
): Promise<{ file: Uint8Array; told: About }> {
  const tables = await tablesOf(knex);
  // The lock is the connection's: the readers have others.
  return knex.transaction(async (holder) => {
    const names = tables.map(() => '?? read').join(', ');
    await holder.raw(`lock tables ${names}`, tables);
    try {
      const told: About = {
        written: new Date().toISOString(),
        schema: (await stepsOf(knex)).at(-1) ?? '',
        tables: await countsOf(knex),
      };
      const dump = await dumpOf(address);
      return { file: sealBackup(told, dump, await beside()), told };
    } finally {
      await holder.raw('unlock tables');
    }
  });
}
