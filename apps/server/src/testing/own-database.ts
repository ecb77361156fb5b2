import { randomUUID } from 'node:crypto';
import knexFactory, { type Knex } from 'knex';
import { connectionFromEnvironment } from '../database/connection.js';

/** A database of a test's own, empty, in the MariaDB that bin/test started; gone again after `close`. */
export async function ownDatabase(
  /** By which way it is reached, where that is another than its own. */
  port: string = process.env.SPARE_KNOT_DB_PORT ?? '',
): Promise<{ name: string; knex: Knex; close: () => Promise<void> }> {
  if (!process.env.SPARE_KNOT_DB_PASSWORD)
    throw new Error('these tests need MariaDB: run them through bin/test, which starts one');
  const name = `spare_knot_test_${randomUUID().slice(0, 8)}`;
  const admin = knexFactory(connectionFromEnvironment(process.env));
  await admin.raw('create database ??', [name]);
  const knex = knexFactory(
    connectionFromEnvironment({
      ...process.env,
      SPARE_KNOT_DB_NAME: name,
      SPARE_KNOT_DB_PORT: port,
    }),
  );
  return {
    name,
    knex,
    close: async () => {
      await knex.destroy();
      await admin.raw('drop database ??', [name]);
      await admin.destroy();
    },
  };
}
