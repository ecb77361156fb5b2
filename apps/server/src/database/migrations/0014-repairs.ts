import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';
const moment = 'datetime(3)';

/** What is broken of boxes that are out, and the batches that mend them. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('repairs', (table) => {
    table.specificType('id', uuid).primary();
    table.integer('version').unsigned().notNullable().defaultTo(1);
    table.specificType('box_id', uuid).notNullable().references('id').inTable('trail_boxes');
    table.string('panel', 200).nullable().comment('of the version of the plan of its box');
    table.string('name', 200).notNullable();
    table.specificType('count', 'tinyint unsigned').notNullable();
    table.date('told_on').notNullable();
    table.string('what', 400).notNullable();
    table.specificType('batch_id', uuid).nullable().references('id').inTable('batches');
    table.date('closed_on').nullable();
    table.enum('outcome', ['mended', 'given-up']).nullable();
    table.string('how', 200).notNullable().defaultTo('');
    table.specificType('created_at', moment).notNullable();
    table.specificType('deleted_at', moment).nullable();
    table.index(['box_id', 'told_on']);
    table.index(['outcome']);
    table.check('count >= 1', undefined, 'repairs_count');
    table.check('(closed_on is null) = (outcome is null)', undefined, 'repairs_closed');
    table.check("panel is not null or (name = '' and what <> '')", undefined, 'repairs_told');
  });
  await knex.schema.alterTable('trail_boxes', (table) => {
    table.specificType('wanting_visit', uuid).nullable().comment('the last that found something');
  });
  await knex.raw(
    `update trail_boxes join
       (select box_id, right(max(concat(visited_on, ' ', created_at, ' ', id)), 36) as visit
        from visits where deleted_at is null and wants <> '' group by box_id) as found
       on found.box_id = trail_boxes.id
     set trail_boxes.wanting_visit = found.visit`,
  );
  await knex.schema.alterTable('batches', (table) => {
    table.json('mends').nullable().comment('boxes that are out and are mended by it');
  });
}
