import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';
const digest = 'char(64) character set ascii collate ascii_bin';

/**
 * The bin: panels made ahead. A version of a plan is kept once, by what it says, and never changed: what was made by it can be made again
 * when its batch has long gone another way.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('plan_versions', (table) => {
    table.specificType('key', digest).primary().comment('digest of what the plan says');
    table.string('name', 120).notNullable().comment('of the batch it was first kept for');
    table.string('family', 60).notNullable();
    table.json('plan').notNullable();
    table.specificType('created_at', 'datetime(3)').notNullable();
  });
  await knex.schema.createTable('spare_panels', (table) => {
    table.specificType('id', uuid).primary();
    table.integer('version').unsigned().notNullable().defaultTo(1);
    table
      .specificType('plan_key', digest)
      .notNullable()
      .references('key')
      .inTable('plan_versions')
      .onDelete('restrict');
    table.specificType('piece', digest).notNullable().index();
    table.string('panel', 200).notNullable();
    table.string('role', 200).notNullable();
    table.string('name', 200).notNullable();
    table.enum('hand', ['left', 'right']).nullable();
    table.integer('thickness').unsigned().notNullable().comment('ticks');
    table.string('material', 200).notNullable();
    table.string('place', 120).notNullable().defaultTo('');
    table.integer('count').unsigned().notNullable();
    table.json('drawing').notNullable();
    table.specificType('created_at', 'datetime(3)').notNullable();
    table.specificType('deleted_at', 'datetime(3)').nullable();
    table.check('count <= 100000 and thickness > 0', undefined, 'spare_panels_amounts');
  });
  await knex.schema.alterTable('batches', (table) => {
    table.json('ready').nullable().comment('set aside for it from the bin');
  });
}
