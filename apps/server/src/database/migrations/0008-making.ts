import type { Knex } from 'knex';

/** What the maker decides at the bench stands beside the box, and stays open when its boards are taken. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('batches', (table) => {
    table
      .json('making')
      .nullable()
      .comment('order of assembly and how it hangs; null: as the program proposes');
  });
}
