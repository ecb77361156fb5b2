import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';

/** What lies in the shop’s drawers: screws, hinges, glue, caulk, finish, with what a pack holds and costs. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('supplies', (table) => {
    table.specificType('id', uuid).primary();
    table.integer('version').unsigned().notNullable().defaultTo(1);
    table
      .specificType('item', 'varchar(160) character set utf8mb4 collate utf8mb4_bin')
      .notNullable()
      .unique()
      .comment('as build plans call for it');
    table.string('name', 160).notNullable();
    table.enum('unit', ['pieces', 'm', 'ml', 'cm²']).notNullable();
    table.string('drive', 40).notNullable().defaultTo('');
    table.enum('weather', ['bare', 'galvanised', 'coated', 'stainless', 'brass']).nullable();
    table.decimal('count', 11, 2).notNullable();
    table.decimal('pack', 11, 2).nullable().comment('what one holds');
    table.integer('price').unsigned().nullable().comment('hundredths, of one pack');
    table.specificType('created_at', 'datetime(3)').notNullable();
    table.specificType('deleted_at', 'datetime(3)').nullable();
    table.check('count >= 0 and (pack is null or pack > 0)', undefined, 'supplies_amounts');
  });
}
