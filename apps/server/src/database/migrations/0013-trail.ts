import type { Knex } from 'knex';

const uuid = 'char(36) character set ascii collate ascii_bin';
const digest = 'char(64) character set ascii collate ascii_bin';
const moment = 'datetime(3)';

function boxes(table: Knex.CreateTableBuilder): void {
  table.specificType('id', uuid).primary();
  table.integer('version').unsigned().notNullable().defaultTo(1);
  table.integer('number').unsigned().notNullable();
  table.string('animal', 60).nullable();
  table.string('plan', 120).notNullable();
  table.specificType('batch_id', uuid).nullable().references('id').inTable('batches');
  table.specificType('plan_key', digest).nullable().references('key').inTable('plan_versions');
  table.string('place', 120).notNullable();
  table.decimal('latitude', 9, 6).nullable();
  table.decimal('longitude', 9, 6).nullable();
  table.integer('height').unsigned().nullable().comment('ticks');
  table.string('facing', 12).nullable();
  table.string('mount', 12).nullable();
  table.string('host', 120).notNullable();
  table.string('keeper', 120).notNullable();
  table.date('hung_on').nullable();
  table.date('taken_down_on').nullable();
  table.string('note', 400).notNullable();
  table.specificType('created_at', moment).notNullable();
  table.specificType('deleted_at', moment).nullable();
  table.check(
    '(latitude is null) = (longitude is null) and (latitude is null or (abs(latitude) <= 90 and abs(longitude) <= 180))',
    undefined,
    'trail_boxes_place',
  );
  table.check(
    'hung_on is null or taken_down_on is null or hung_on <= taken_down_on',
    undefined,
    'trail_boxes_days',
  );
}

function visits(table: Knex.CreateTableBuilder): void {
  table.specificType('id', uuid).primary();
  table.integer('version').unsigned().notNullable().defaultTo(1);
  table.specificType('box_id', uuid).notNullable().references('id').inTable('trail_boxes');
  table.date('visited_on').notNullable();
  table
    .enum('found', ['empty', 'nest', 'eggs', 'young', 'fledged', 'unwanted', 'wasps', 'not-opened'])
    .notNullable();
  for (const counted of ['eggs', 'young', 'fledged'])
    table.specificType(counted, 'tinyint unsigned').nullable();
  table.string('guest', 120).notNullable();
  table.boolean('cleaned').notNullable();
  table.string('wants', 400).notNullable();
  table.string('told_by', 120).notNullable();
  table.string('note', 400).notNullable();
  table.specificType('created_at', moment).notNullable();
  table.specificType('deleted_at', moment).nullable();
  table.index(['box_id', 'visited_on', 'created_at']);
}

/**
 * Boxes that are out and the visits to them; a number stands on one box at a time. What is asked for of thousands of boxes at once (the
 * last visit, what was seen in a year) is counted when a visit is kept, not when it is read.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('trail_boxes', boxes);
  await knex.raw(
    'alter table trail_boxes add column standing_number int unsigned generated always as (if(deleted_at is null, `number`, null)) virtual, add unique trail_boxes_number (standing_number)',
  );
  await knex.schema.createTable('visits', visits);
  await knex.schema.alterTable('trail_boxes', (table) => {
    table.integer('visits').unsigned().notNullable().defaultTo(0);
    table.specificType('last_visit', uuid).nullable();
    table.foreign('last_visit').references('id').inTable('visits').onDelete('set null');
    table.date('cleaned_on').nullable();
  });
  await knex.schema.createTable('box_years', (table) => {
    table.specificType('box_id', uuid).notNullable();
    table.foreign('box_id').references('id').inTable('trail_boxes').onDelete('cascade');
    table.specificType('year', 'smallint unsigned').notNullable();
    for (const counted of ['visits', 'eggs', 'young', 'fledged'])
      table.specificType(counted, 'smallint unsigned').notNullable();
    table.boolean('lived_in').notNullable();
    table.primary(['box_id', 'year']);
  });
  await knex.schema.createTable('visit_photos', (table) => {
    table
      .specificType('visit_id', uuid)
      .primary()
      .references('id')
      .inTable('visits')
      .onDelete('cascade');
    table.specificType('jpeg', 'mediumblob').notNullable();
  });
}
