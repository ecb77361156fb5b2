import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';

/** What is done at the bench, with the minutes that are usual for it: from both the shop learns how long its work takes. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('work_done', (table) => {
    table.specificType('batch_id', uuid).notNullable().references('batches.id');
    table.enum('kind', ['bore', 'assemble', 'finish']).notNullable();
    table
      .specificType('work', 'varchar(100) character set ascii collate ascii_bin')
      .notNullable()
      .comment('which side, step or coat');
    table.integer('box').unsigned().notNullable().comment('from 1; 0: all boxes at once');
    table.decimal('minutes', 8, 2).notNullable().comment('usual for it');
    table.specificType('done_at', 'datetime(3)').notNullable();
    table.primary(['batch_id', 'kind', 'work', 'box']);
    table.index(['done_at']);
    table.check('minutes >= 0', undefined, 'work_done_minutes');
  });
}
