import type { Knex } from 'knex';
import { up as rackAndBatches } from './migrations/0001-rack-and-batches.js';
import { up as shop } from './migrations/0002-shop.js';
import { up as ledger } from './migrations/0003-ledger.js';
import { up as woodTold } from './migrations/0004-wood-told.js';
import { up as yard } from './migrations/0005-yard.js';
import { up as sawing } from './migrations/0006-sawing.js';
import { up as sawRounds } from './migrations/0007-saw-rounds.js';
import { up as making } from './migrations/0008-making.js';
import { up as work } from './migrations/0009-work.js';
import { up as supplies } from './migrations/0010-supplies.js';
import { up as bin } from './migrations/0011-bin.js';
import { up as shopLists } from './migrations/0012-shop-lists.js';
import { up as trail } from './migrations/0013-trail.js';
import { up as repairs } from './migrations/0014-repairs.js';
import { up as asked } from './migrations/0015-asked.js';
import { up as sketches } from './migrations/0016-sketches.js';

interface Step {
  name: string;
  up: (knex: Knex) => Promise<void>;
}

/** In order, forward only. A migration that has landed is never edited. */
const STEPS: readonly Step[] = [
  { name: '0001-rack-and-batches', up: rackAndBatches },
  { name: '0002-shop', up: shop },
  { name: '0003-ledger', up: ledger },
  { name: '0004-wood-told', up: woodTold },
  { name: '0005-yard', up: yard },
  { name: '0006-sawing', up: sawing },
  { name: '0007-saw-rounds', up: sawRounds },
  { name: '0008-making', up: making },
  { name: '0009-work', up: work },
  { name: '0010-supplies', up: supplies },
  { name: '0011-bin', up: bin },
  { name: '0012-shop-lists', up: shopLists },
  { name: '0013-trail', up: trail },
  { name: '0014-repairs', up: repairs },
  { name: '0015-asked', up: asked },
  { name: '0016-sketches', up: sketches },
];

export const STEP_NAMES: readonly string[] = STEPS.map(({ name }) => name);

/** The migrations that a database has, in order; none in an empty one. */
export async function stepsOf(knex: Knex): Promise<string[]> {
  if (!(await knex.schema.hasTable('migrations'))) return [];
  const rows = (await knex('migrations').orderBy('id').select('name')) as { name: string }[];
  return rows.map(({ name }) => name);
}

const sourceOf = (steps: readonly Step[]): Knex.MigrationSource<Step> => ({
  getMigrations: async () => [...steps],
  getMigrationName: (step) => step.name,
  getMigration: async (step) => ({
    up: step.up,
    down: async () => {
      throw new Error('migrations only move forward');
    },
  }),
});

/**
 * Brings the database to the newest schema, or to an earlier one that is named; does nothing when it is there already. Only one may do so
 * at a time: see `upgrade`, which sees to it. A row that says that somebody is at it was left by one who was ended.
 */
export async function migrate(knex: Knex, last?: string): Promise<void> {
  const end = last === undefined ? STEPS.length : STEPS.findIndex(({ name }) => name === last) + 1;
  const how = {
    migrationSource: sourceOf(STEPS.slice(0, end)),
    tableName: 'migrations',
    disableTransactions: true,
  };
  await knex.migrate.forceFreeMigrationsLock(how);
  await knex.migrate.latest(how);
}
