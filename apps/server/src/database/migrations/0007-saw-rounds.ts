import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';
const key = 'varchar(40) character set ascii collate ascii_bin';

/** A plan may take the place of another in the middle of the sawing: each with its own cuts, the first is round 0. */
async function rounds(knex: Knex): Promise<void> {
  await knex.schema.createTable('saw_rounds', (table) => {
    table.specificType('batch_id', uuid).notNullable().references('batches.id');
    table.integer('round').unsigned().notNullable();
    table.specificType('plan', 'longtext').notNullable().comment('spare-knot/cut-plan');
    table
      .specificType('job', 'longtext')
      .nullable()
      .comment('spare-knot/layout-job with the wood of this round; null: that of the layout');
    table
      .specificType('wood', 'longtext')
      .nullable()
      .comment('what it took from the rack and gave there, to take it back');
    table.specificType('started_at', 'datetime(3)').notNullable();
    table.primary(['batch_id', 'round']);
    table.check('json_valid(plan)', undefined, 'saw_rounds_plan');
  });
  await knex.raw(
    'insert into saw_rounds (batch_id, round, plan, started_at) select batch_id, 0, plan, started_at from sawings',
  );
}

async function cuts(knex: Knex): Promise<void> {
  await knex.schema.createTable('round_cuts', (table) => {
    table.specificType('batch_id', uuid).notNullable();
    table.integer('round').unsigned().notNullable();
    table.specificType('cut', key).notNullable().comment('board:cut');
    table.specificType('sawn_at', 'datetime(3)').notNullable();
    table.primary(['batch_id', 'round', 'cut']);
    table
      .foreign(['batch_id', 'round'])
      .references(['batch_id', 'round'])
      .inTable('saw_rounds')
      .onDelete('CASCADE');
  });
  await knex.raw(
    'insert into round_cuts (batch_id, round, cut, sawn_at) select batch_id, 0, cut, sawn_at from sawn_cuts',
  );
  await knex.schema.dropTable('sawn_cuts');
  await knex.schema.dropTable('sawings');
}

async function ruined(knex: Knex): Promise<void> {
  await knex.schema.createTable('ruined_pieces', (table) => {
    table.specificType('batch_id', uuid).notNullable();
    table.integer('round').unsigned().notNullable();
    table.specificType('piece', key).notNullable().comment('board:piece');
    table.enum('mishap', ['ruined', 'short', 'wrong side', 'split']).notNullable();
    table.json('rest').notNullable().comment('what is left of it, and what was found in it');
    table.specificType('told_at', 'datetime(3)').notNullable();
    table.primary(['batch_id', 'round', 'piece']);
    table
      .foreign(['batch_id', 'round'])
      .references(['batch_id', 'round'])
      .inTable('saw_rounds')
      .onDelete('CASCADE');
  });
  await knex.schema.alterTable('given_offcuts', (table) => {
    table
      .specificType('piece', key)
      .nullable()
      .comment('board:piece of the plan that it comes off by');
  });
}

export async function up(knex: Knex): Promise<void> {
  await rounds(knex);
  await cuts(knex);
  await ruined(knex);
}
