import type { Knex } from 'knex';

type Loose = Record<string, unknown>;

const parsed = (json: unknown): Loose | null =>
  (typeof json === 'string' ? JSON.parse(json) : json) as Loose | null;

/** Every wood of a plan with its faces to be looked at. */
const unseen = (plan: Loose): Loose => ({
  ...plan,
  wood: Object.fromEntries(
    Object.entries((plan.wood ?? {}) as Record<string, Loose>).map(([role, wood]) => [
      role,
      { ...wood, assumed: ['faces'] },
    ]),
  ),
});

async function lookAgain(knex: Knex): Promise<void> {
  await knex('boards').update({ assumed: 'faces' });
  for (const { id, plan } of await knex('batches').select('id', 'plan')) {
    const known = parsed(plan);
    if (known)
      await knex('batches')
        .where({ id })
        .update({ plan: JSON.stringify(unseen(known)) });
  }
  for (const row of await knex('taken_boards').whereNotNull('board')) {
    const { batch_id, board_id } = row;
    const board = JSON.stringify({ ...parsed(row.board), assumed: ['faces'] });
    await knex('taken_boards').where({ batch_id, board_id }).update({ board });
  }
}

/**
 * What of a board matters to an animal: treatment, grade, stamp, old paint, and what of it nobody has confirmed. Until now a face that was
 * not said counted as rough, so the faces of all boards that are there, and of the plans made on them, have to be looked at once.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('boards', (table) => {
    table.string('treatment', 200).notNullable().defaultTo('none');
    table.string('grade', 200).nullable();
    table.string('stamp', 200).nullable();
    table.boolean('old_paint').notNullable().defaultTo(false);
    table.string('assumed', 200).notNullable().defaultTo('').comment('words apart by blanks');
    table.integer('planed_from').unsigned().nullable().comment('ticks, as it was before');
    table.enum('planed_by', ['hand', 'machine']).nullable();
  });
  await lookAgain(knex);
}
