import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';

function kept(table: Knex.CreateTableBuilder): void {
  table.specificType('id', uuid).primary();
  table.integer('version').unsigned().notNullable().defaultTo(1);
  table.string('name', 120).notNullable().index();
}

function times(table: Knex.CreateTableBuilder): void {
  table.specificType('created_at', 'datetime(3)').notNullable();
  table.specificType('deleted_at', 'datetime(3)').nullable();
}

/** Pictures of the place, and what stands there beside the boxes. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('sketches', (table) => {
    kept(table);
    table.integer('width').unsigned().notNullable().comment('pixels');
    table.integer('height').unsigned().notNullable().comment('pixels');
    table.json('spots').notNullable().comment('of which it is known where they lie');
    table.specificType('jpeg', 'mediumtext character set ascii').notNullable().comment('base64');
    times(table);
    table.check(
      'width between 1 and 10000 and height between 1 and 10000',
      undefined,
      'sketches_size',
    );
  });
  await knex.schema.createTable('marks', (table) => {
    kept(table);
    table.string('kind', 40).notNullable();
    table.string('place', 60).notNullable();
    table.string('note', 400).notNullable();
    times(table);
  });
}
