import type { Knex } from 'knex';

/** Boxes that somebody asks for. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('asked', (table) => {
    table.specificType('id', 'char(36) character set ascii collate ascii_bin').primary();
    table.integer('version').unsigned().notNullable().defaultTo(1);
    table.string('name', 120).notNullable().index();
    table.string('animal', 120).notNullable();
    table.integer('boxes').unsigned().nullable();
    table.date('wanted_by').nullable();
    table.date('given_on').nullable();
    table.string('note', 400).notNullable();
    table.specificType('created_at', 'datetime(3)').notNullable();
    table.specificType('deleted_at', 'datetime(3)').nullable();
    table.check('boxes is null or boxes between 1 and 1000', undefined, 'asked_boxes');
  });
}
