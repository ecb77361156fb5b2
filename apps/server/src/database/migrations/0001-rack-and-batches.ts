import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';

async function createBatches(knex: Knex): Promise<void> {
  await knex.schema.createTable('batches', (table) => {
    table.specificType('id', uuid).primary();
    table.integer('version').unsigned().notNullable().defaultTo(1);
    table.string('name', 120).notNullable();
    table.smallint('boxes').unsigned().notNullable();
    table.enum('units', ['inch', 'mm']).notNullable();
    table.tinyint('division').unsigned().notNullable();
    table.json('plan').notNullable();
    table.json('saw').notNullable();
    table.specificType('created_at', 'datetime(3)').notNullable();
    table.specificType('changed_at', 'datetime(3)').notNullable();
    table.specificType('deleted_at', 'datetime(3)').nullable();
    table.index(['deleted_at', 'changed_at']);
    table.check('boxes between 1 and 1000', undefined, 'batches_boxes');
  });
}

async function createBoards(knex: Knex): Promise<void> {
  await knex.schema.createTable('boards', (table) => {
    table.specificType('id', uuid).primary();
    table.integer('version').unsigned().notNullable().defaultTo(1);
    table.string('name', 200).notNullable();
    table.integer('quantity').unsigned().notNullable();
    table.string('material', 200).notNullable();
    table.integer('thickness').unsigned().notNullable().comment('ticks of 1/320 mm');
    table.integer('width').unsigned().notNullable().comment('ticks');
    table.integer('length').unsigned().notNullable().comment('ticks');
    table.enum('face_a', ['rough', 'planed']).notNullable();
    table.enum('face_b', ['rough', 'planed']).notNullable();
    table.integer('price').unsigned().nullable().comment('hundredths');
    table.boolean('offcut').notNullable().defaultTo(false);
    table.boolean('grained').notNullable().defaultTo(true);
    table.specificType('from_batch', uuid).nullable().references('batches.id');
    table.specificType('created_at', 'datetime(3)').notNullable();
    table.specificType('deleted_at', 'datetime(3)').nullable();
    table.index(['deleted_at', 'created_at']);
    table.check('thickness > 0 and width > 0 and length > 0', undefined, 'boards_sizes');
  });
  await knex.schema.createTable('defects', (table) => {
    table.increments('id');
    table.specificType('board_id', uuid).notNullable().references('boards.id').onDelete('CASCADE');
    table.smallint('position').unsigned().notNullable();
    table
      .enum('kind', ['knot-sound', 'knot-loose', 'hole', 'nail', 'split', 'rot', 'wane'])
      .notNullable();
    table.json('zone').notNullable();
    table.unique(['board_id', 'position']);
  });
}

async function createLayouts(knex: Knex): Promise<void> {
  await knex.schema.createTable('layouts', (table) => {
    table.specificType('batch_id', uuid).primary().references('batches.id');
    table.json('layout').notNullable();
    table
      .json('boards')
      .nullable()
      .comment('the boards an accepted layout was laid on, as they were');
    table
      .specificType('accepted_at', 'datetime(3)')
      .nullable()
      .comment('null: proposed only, no board is taken');
  });
  await knex.schema.createTable('taken_boards', (table) => {
    table
      .specificType('batch_id', uuid)
      .notNullable()
      .references('layouts.batch_id')
      .onDelete('CASCADE');
    table.specificType('board_id', uuid).notNullable().references('boards.id');
    table.integer('quantity').unsigned().notNullable();
    table.primary(['batch_id', 'board_id']);
  });
}

export async function up(knex: Knex): Promise<void> {
  await createBatches(knex);
  await createBoards(knex);
  await createLayouts(knex);
}
