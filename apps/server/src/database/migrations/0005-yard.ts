import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';

/** What yards sell: whole boards and sheets, each kind with the price of one. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('offers', (table) => {
    table.specificType('id', uuid).primary();
    table.integer('version').unsigned().notNullable().defaultTo(1);
    table.string('yard', 200).notNullable();
    table.string('name', 200).notNullable();
    table.integer('available').unsigned().nullable().comment('null: no end of them');
    table.string('material', 200).notNullable();
    table.integer('thickness').unsigned().notNullable().comment('ticks of 1/320 mm');
    table.integer('width').unsigned().notNullable().comment('ticks');
    table.integer('length').unsigned().notNullable().comment('ticks');
    table.enum('face_a', ['rough', 'planed']).notNullable();
    table.enum('face_b', ['rough', 'planed']).notNullable();
    table.integer('price').unsigned().nullable().comment('hundredths, of one');
    table.boolean('grained').notNullable().defaultTo(true);
    table.string('treatment', 200).notNullable().defaultTo('none');
    table.string('grade', 200).nullable();
    table.string('stamp', 200).nullable();
    table.boolean('old_paint').notNullable().defaultTo(false);
    table.string('assumed', 200).notNullable().defaultTo('').comment('words apart by blanks');
    table.specificType('created_at', 'datetime(3)').notNullable();
    table.specificType('deleted_at', 'datetime(3)').nullable();
    table.index(['deleted_at', 'yard']);
    table.check('thickness > 0 and width > 0 and length > 0', undefined, 'offers_sizes');
  });
}
