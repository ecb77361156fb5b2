import type { Knex } from 'knex';

/** What the shop owns beside its wood, one row for the house, and what the maker asks of a batch's layout. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('shop', (table) => {
    table.tinyint('id').unsigned().primary();
    table.integer('version').unsigned().notNullable().defaultTo(1);
    table.json('document').notNullable();
    table.check('id = 1', undefined, 'shop_one_row');
  });
  await knex.schema.alterTable('batches', (table) => {
    table
      .json('choices')
      .nullable()
      .comment('pins, boards left alone, what counts in the layout; null: nothing asked');
  });
}
