import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';

interface TakenRow {
  batch_id: string;
  board_id: string;
}

async function requests(knex: Knex): Promise<void> {
  await knex.schema.createTable('requests', (table) => {
    table.specificType('key', 'varchar(80) character set ascii collate ascii_bin').primary();
    table.specificType('fingerprint', 'char(64) character set ascii').notNullable();
    table.specificType('answer', 'longtext').nullable().comment('JSON, as it was sent');
    table.specificType('kept_at', 'datetime(3)').notNullable().index();
  });
}

/** Each taken board as it was, and each offcut that was left of it. */
async function takenAndGiven(knex: Knex): Promise<void> {
  await knex.schema.alterTable('taken_boards', (table) => {
    table.json('board').nullable().comment('the board as it was when it was taken');
  });
  await knex.schema.createTable('given_offcuts', (table) => {
    table.specificType('batch_id', uuid).notNullable().references('batches.id');
    table.specificType('board_id', uuid).notNullable().references('boards.id');
    table.integer('length').unsigned().notNullable().comment('ticks, as it was given');
    table.integer('width').unsigned().notNullable().comment('ticks');
    table.integer('thickness').unsigned().notNullable().comment('ticks');
    table.primary(['batch_id', 'board_id']);
  });
}

async function ledger(knex: Knex): Promise<void> {
  await knex.schema.alterTable('boards', (table) => {
    table
      .boolean('restorable')
      .notNullable()
      .defaultTo(true)
      .comment('false: an offcut that was given back with its board, so that it is nowhere');
  });
  await knex.schema.createTable('wood_ledger', (table) => {
    table.bigIncrements('id');
    table.specificType('at', 'datetime(3)').notNullable();
    table.specificType('board_id', uuid).notNullable().references('boards.id');
    table.specificType('batch_id', uuid).nullable().references('batches.id');
    table
      .enum('act', [
        'added',
        'counted',
        'split',
        'thrown',
        'restored',
        'taken',
        'back',
        'given',
        'unmade',
      ])
      .notNullable();
    table.integer('quantity').notNullable().comment('boards that came to the row, or left it');
    table.index(['board_id']);
    table.index(['batch_id']);
  });
}

/** What lay on the rack before there was a ledger is its first entry; boards that are taken are snapshots of the layout's. */
async function carryOver(knex: Knex): Promise<void> {
  await knex.raw(
    "insert into wood_ledger (at, board_id, batch_id, act, quantity) select now(3), id, from_batch, if(from_batch is null, 'added', 'given'), quantity from boards where deleted_at is null",
  );
  const layouts = await knex('layouts').whereNotNull('accepted_at');
  for (const { batch_id: batch, boards } of layouts) {
    const known = (typeof boards === 'string' ? JSON.parse(boards) : boards) as { id: string }[];
    for (const { board_id } of await knex<TakenRow>('taken_boards').where({ batch_id: batch })) {
      const board = known.find((each) => each.id === board_id);
      await knex('taken_boards')
        .where({ batch_id: batch, board_id })
        .update({ board: board ? JSON.stringify(board) : null });
    }
    await knex.raw(
      'insert into given_offcuts (batch_id, board_id, length, width, thickness) select from_batch, id, length, width, thickness from boards where from_batch = ? and deleted_at is null',
      [batch],
    );
  }
}

/** A ledger of wood, answers kept by their keys, proposals that know what they were made for. */
export async function up(knex: Knex): Promise<void> {
  await requests(knex);
  await takenAndGiven(knex);
  await ledger(knex);
  await knex.schema.alterTable('batches', (table) => {
    table.renameColumn('choices', 'wishes');
  });
  await knex.schema.alterTable('layouts', (table) => {
    table
      .specificType('asked', 'char(64) character set ascii')
      .nullable()
      .comment('hash of the box, saw and boards that a proposal was made for');
  });
  await carryOver(knex);
}
