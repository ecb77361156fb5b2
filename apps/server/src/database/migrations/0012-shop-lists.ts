import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';

function kept(table: Knex.CreateTableBuilder): void {
  table.specificType('id', uuid).primary();
  table.integer('version').unsigned().notNullable().defaultTo(1);
  table.string('name', 120).notNullable().index();
  table.specificType('created_at', 'datetime(3)').notNullable();
  table.specificType('deleted_at', 'datetime(3)').nullable();
}

/** What the shop keeps beside its wood: templates and jigs, people, papers. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('aids', (table) => {
    kept(table);
    table.string('kind', 40).notNullable();
    table.string('plan', 120).notNullable();
    table.string('place', 120).notNullable();
    table.string('lent_to', 120).notNullable();
    table.date('lent_on').nullable();
  });
  await knex.schema.createTable('people', (table) => {
    kept(table);
    table.string('part', 120).notNullable();
    table.string('reached', 200).notNullable();
    table.string('note', 400).notNullable();
  });
  await knex.schema.createTable('papers', (table) => {
    kept(table);
    table.string('about', 120).notNullable();
    table.string('place', 120).notNullable();
    table.date('holds_until').nullable();
    table.string('note', 400).notNullable();
  });
}
