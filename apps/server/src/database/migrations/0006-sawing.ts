import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';

/** How far the boards of a batch are sawn: the cut plan as it was made when sawing began, and each cut that was made. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('sawings', (table) => {
    table.specificType('batch_id', uuid).primary().references('batches.id');
    table.specificType('plan', 'longtext').notNullable().comment('spare-knot/cut-plan');
    table.specificType('started_at', 'datetime(3)').notNullable();
    table.check('json_valid(plan)', undefined, 'sawings_plan');
  });
  await knex.schema.createTable('sawn_cuts', (table) => {
    table
      .specificType('batch_id', uuid)
      .notNullable()
      .references('sawings.batch_id')
      .onDelete('CASCADE');
    table
      .specificType('cut', 'varchar(40) character set ascii collate ascii_bin')
      .notNullable()
      .comment('board:cut');
    table.specificType('sawn_at', 'datetime(3)').notNullable();
    table.primary(['batch_id', 'cut']);
  });
}
