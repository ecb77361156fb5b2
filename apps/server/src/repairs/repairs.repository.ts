import { Injectable } from '@nestjs/common';
import type { RepairRecord, WantedRepair } from '@spare-knot/core/api';
import type { Knex } from 'knex';
import { Database } from '../database/database.js';
import { type KeptRow, KeptTable } from '../database/kept-table.js';

interface RepairRow extends KeptRow {
  box_id: string;
  number: number;
  place: string;
  plan_key: string | null;
  panel: string | null;
  name: string;
  count: number;
  told_on: Date;
  what: string;
  on_bench: string | null;
  batch_name: string | null;
  closed_on: Date | null;
  outcome: RepairRecord['outcome'];
  how: string;
}

/** A repair as it is first told. */
export interface ToldRepair {
  box: string;
  panel: string | null;
  name: string;
  count: number;
  toldOn: string;
  what: string;
}

const dayOf = (date: Date): string => date.toISOString().slice(0, 10);

const recordOf = (row: RepairRow): RepairRecord => ({
  id: row.id,
  version: row.version,
  box: row.box_id,
  number: row.number,
  place: row.place,
  planKey: row.plan_key,
  panel: row.panel,
  name: row.name,
  count: row.count,
  toldOn: dayOf(row.told_on),
  what: row.what,
  batch: row.on_bench === null ? null : { id: row.on_bench, name: row.batch_name ?? '' },
  closedOn: row.closed_on && dayOf(row.closed_on),
  outcome: row.outcome,
  how: row.how,
});

/** What is broken of boxes that are out. A batch that is taken off the bench mends nothing any more. */
@Injectable()
export class RepairsRepository {
  private readonly repairs: KeptTable<RepairRow>;

  constructor(private readonly database: Database) {
    this.repairs = new KeptTable(database, 'repairs');
  }

  private rows(): Knex.QueryBuilder {
    return this.database
      .now('repairs')
      .join('trail_boxes', 'trail_boxes.id', 'repairs.box_id')
      .leftJoin('batches', (on) => {
        on.on('batches.id', 'repairs.batch_id').andOnNull('batches.deleted_at');
      })
      .whereNull('repairs.deleted_at')
      .select(
        'repairs.*',
        'trail_boxes.number',
        'trail_boxes.place',
        'trail_boxes.plan_key',
        'batches.id as on_bench',
        'batches.name as batch_name',
      );
  }

  /** What is open, box by box. */
  async open(): Promise<RepairRecord[]> {
    const rows = (await this.rows()
      .whereNull('repairs.outcome')
      .whereNull('trail_boxes.deleted_at')
      .orderBy(['trail_boxes.number', 'repairs.created_at', 'repairs.id'])) as RepairRow[];
    return rows.map(recordOf);
  }

  /** All that was ever told of one box, the last first. */
  async of(box: string): Promise<RepairRecord[]> {
    const rows = (await this.rows()
      .where('repairs.box_id', box)
      .orderBy([
        { column: 'told_on', order: 'desc' },
        { column: 'repairs.created_at', order: 'desc' },
        { column: 'repairs.id' },
      ])) as RepairRow[];
    return rows.map(recordOf);
  }

  /** Under lock, where asked, in the order of their keys. */
  async byIds(ids: readonly string[], lock = false): Promise<RepairRecord[]> {
    if (ids.length === 0) return [];
    if (lock) await this.repairs.byIds(ids, true);
    const rows = (await this.rows()
      .whereIn('repairs.id', [...ids])
      .orderBy(['trail_boxes.number', 'repairs.created_at', 'repairs.id'])) as RepairRow[];
    return rows.map(recordOf);
  }

  /** The last that a visit found to be mended in each box that hangs and of which no repair has been told since. */
  async wanted(): Promise<WantedRepair[]> {
    const rows = (await this.database
      .now('trail_boxes')
      .join('visits', 'visits.id', 'trail_boxes.wanting_visit')
      .whereNull('trail_boxes.deleted_at')
      .whereNull('trail_boxes.taken_down_on')
      .whereNotExists((query) => {
        void query
          .select('id')
          .from('repairs')
          .whereRaw('repairs.box_id = visits.box_id and repairs.told_on >= visits.visited_on')
          .whereNull('repairs.deleted_at');
      })
      .orderBy('trail_boxes.number')
      .select(
        'visits.id',
        'visits.box_id',
        'visits.visited_on',
        'visits.wants',
        'trail_boxes.number',
        'trail_boxes.place',
        'trail_boxes.plan_key',
      )) as (Pick<RepairRow, 'id' | 'box_id' | 'number' | 'place' | 'plan_key'> & {
      visited_on: Date;
      wants: string;
    })[];
    return rows.map((row) => ({
      box: row.box_id,
      number: row.number,
      place: row.place,
      planKey: row.plan_key,
      visit: row.id,
      on: dayOf(row.visited_on),
      wants: row.wants,
    }));
  }

  async add(told: readonly ToldRepair[]): Promise<RepairRecord[]> {
    const ids: string[] = [];
    for (const { box, toldOn, ...rest } of told)
      ids.push(
        await this.repairs.insert({
          ...rest,
          box_id: box,
          told_on: toldOn,
          created_at: new Date(),
        }),
      );
    return this.byIds(ids);
  }

  /** Closes repairs, or opens them again where no day is told. Their rows are locked. */
  async close(
    ids: readonly string[],
    closedOn: string | null,
    outcome: RepairRecord['outcome'],
    how = '',
  ): Promise<void> {
    for (const id of ids)
      await this.repairs.touch(id, { closed_on: closedOn, outcome: closedOn && outcome, how });
  }

  async putInBatch(ids: readonly string[], batch: string): Promise<void> {
    for (const id of ids) await this.repairs.touch(id, { batch_id: batch });
  }

  remove(id: string, version: number): Promise<boolean> {
    return this.repairs.remove(id, version);
  }

  async restore(id: string): Promise<RepairRecord | undefined> {
    await this.repairs.restore(id);
    return (await this.byIds([id]))[0];
  }
}
