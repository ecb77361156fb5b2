import { Injectable } from '@nestjs/common';
import type { NewVisit, VisitChange, VisitRecord } from '@spare-knot/core/api';
import type { NumberedVisit } from '@spare-knot/core/exchange';
import type { SeenYear } from '@spare-knot/core/trail';
import type { Knex } from 'knex';
import { Database } from '../database/database.js';
import { type KeptRow, KeptTable } from '../database/kept-table.js';

export interface VisitRow extends KeptRow {
  box_id: string;
  visited_on: Date;
  found: VisitRecord['found'];
  eggs: number | null;
  young: number | null;
  fledged: number | null;
  guest: string;
  cleaned: 0 | 1;
  wants: string;
  told_by: string;
  note: string;
  has_photo: 0 | 1;
}

const dayOf = (date: Date): string => date.toISOString().slice(0, 10);

const columnsOf = (visit: NewVisit | VisitChange) => ({
  box_id: visit.box,
  visited_on: visit.on,
  found: visit.found,
  eggs: visit.eggs,
  young: visit.young,
  fledged: visit.fledged,
  guest: visit.guest,
  cleaned: visit.cleaned,
  wants: visit.wants,
  told_by: visit.by,
  note: visit.note,
});

export const visitOf = (row: VisitRow): VisitRecord => ({
  id: row.id,
  version: row.version,
  box: row.box_id,
  on: dayOf(row.visited_on),
  found: row.found,
  eggs: row.eggs,
  young: row.young,
  fledged: row.fledged,
  guest: row.guest,
  cleaned: row.cleaned === 1,
  wants: row.wants,
  by: row.told_by,
  note: row.note,
  hasPhoto: row.has_photo === 1,
});

/** The visits to boxes that are out. */
@Injectable()
export class VisitsRepository {
  private readonly visits: KeptTable<VisitRow>;

  constructor(private readonly database: Database) {
    this.visits = new KeptTable(database, 'visits');
  }

  private there(): Knex.QueryBuilder {
    return this.database
      .now('visits')
      .leftJoin('visit_photos', 'visit_photos.visit_id', 'visits.id')
      .whereNull('visits.deleted_at')
      .select('visits.*', this.database.now.raw('visit_photos.visit_id is not null as has_photo'));
  }

  /** The visits to a box, the last first. */
  async of(box: string): Promise<VisitRecord[]> {
    const rows = (await this.there()
      .where('box_id', box)
      .orderBy([
        { column: 'visited_on', order: 'desc' },
        { column: 'created_at', order: 'desc' },
        { column: 'visits.id' },
      ])) as VisitRow[];
    return rows.map(visitOf);
  }

  async byIds(ids: readonly string[]): Promise<VisitRecord[]> {
    if (ids.length === 0) return [];
    return ((await this.there().whereIn('visits.id', [...ids])) as VisitRow[]).map(visitOf);
  }

  /** Visits with the numbers of their boxes, in the order of their days. */
  async numbered(): Promise<NumberedVisit[]> {
    const rows = (await this.there()
      .join('trail_boxes', 'trail_boxes.id', 'visits.box_id')
      .whereNull('trail_boxes.deleted_at')
      .select('trail_boxes.number')
      .orderBy(['visited_on', 'trail_boxes.number', 'visits.created_at'])) as (VisitRow & {
      number: number;
    })[];
    return rows.map((row) => {
      const { id: _id, version: _version, box: _box, hasPhoto: _hasPhoto, ...visit } = visitOf(row);
      return { ...visit, number: row.number };
    });
  }

  /** Keeps visits, each once: one that is kept under its id already stays as it is. Counts within a transaction of the caller’s. */
  async add(visits: readonly NewVisit[]): Promise<void> {
    await this.database
      .now('visits')
      .insert(
        visits.map((visit) => ({ ...columnsOf(visit), id: visit.id, created_at: new Date() })),
      )
      .onConflict('id')
      .ignore();
    await this.recount(visits.map(({ box }) => box));
  }

  /** Writes a visit if its version is still the one that was read; it may have been paid to another box. */
  change(id: string, change: VisitChange): Promise<boolean> {
    return this.counting(id, () => this.visits.update(id, change.version, columnsOf(change)));
  }

  remove(id: string, version: number): Promise<boolean> {
    return this.counting(id, () => this.visits.remove(id, version));
  }

  async restore(id: string): Promise<VisitRecord | undefined> {
    await this.counting(id, () => this.visits.restore(id));
    return (await this.byIds([id]))[0];
  }

  /** Does something to a visit, and counts anew the boxes that it was and is of. */
  private counting(id: string, work: () => Promise<boolean>): Promise<boolean> {
    return this.database.transaction(async () => {
      const boxOf = async (): Promise<string[]> =>
        (await this.database.now('visits').where({ id }).select('box_id')).map(
          ({ box_id }: { box_id: string }) => box_id,
        );
      const before = await boxOf();
      const isDone = await work();
      if (isDone) await this.recount([...before, ...(await boxOf())]);
      return isDone;
    });
  }

  async keepPhoto(id: string, jpeg: Buffer): Promise<void> {
    await this.database
      .now('visit_photos')
      .insert({ visit_id: id, jpeg })
      .onConflict('visit_id')
      .merge();
  }

  async photo(id: string): Promise<Buffer | undefined> {
    const row = (await this.database.now('visit_photos').where({ visit_id: id }).first('jpeg')) as
      | { jpeg: Buffer }
      | undefined;
    return row?.jpeg;
  }

  /** What was seen of every box in every year. */
  async years(): Promise<Map<string, SeenYear[]>> {
    const rows = (await this.database.now('box_years').orderBy(['box_id', 'year'])) as (Omit<
      SeenYear,
      'livedIn'
    > & { box_id: string; lived_in: 0 | 1 })[];
    const years = new Map<string, SeenYear[]>();
    for (const { box_id, lived_in, ...counted } of rows) {
      const seen = { ...counted, livedIn: lived_in === 1 };
      const own = years.get(box_id);
      if (own) own.push(seen);
      else years.set(box_id, [seen]);
    }
    return years;
  }

  /**
   * Counts anew what is shown of all boxes at once, for the boxes whose visits have changed: the last visit, the last that found something to mend, the last cleaning, and each
   * year: most eggs and most young at once, and of those that flew the sum over the days, of each day the most that anybody counted, so
   * that a visit that two recorded counts once.
   */
  async recount(boxes: readonly string[]): Promise<void> {
    const { now } = this.database;
    const ids = [...new Set(boxes)].sort();
    await now('trail_boxes').whereIn('id', ids).orderBy('id').forUpdate().select('id');
    await now('box_years').whereIn('box_id', ids).delete();
    await now.raw(
      `insert into box_years (box_id, year, visits, lived_in, eggs, young, fledged)
       select box_id, year(visited_on), sum(visits), max(lived_in), max(eggs), max(young), sum(fledged)
       from (select box_id, visited_on, count(*) as visits, max(found in ('eggs', 'young', 'fledged')) as lived_in,
               coalesce(max(eggs), 0) as eggs, coalesce(max(young), 0) as young, coalesce(max(fledged), 0) as fledged
             from visits where deleted_at is null and box_id in (?) group by box_id, visited_on) as days
       group by box_id, year(visited_on)`,
      [ids],
    );
    await now.raw(
      `update trail_boxes left join
         (select box_id, count(*) as visits, max(if(cleaned, visited_on, null)) as cleaned_on,
            right(max(concat(visited_on, ' ', created_at, ' ', id)), 36) as last_visit,
            right(max(if(wants <> '', concat(visited_on, ' ', created_at, ' ', id), null)), 36) as wanting_visit
          from visits where deleted_at is null and box_id in (?) group by box_id) as counted
         on counted.box_id = trail_boxes.id
       set trail_boxes.visits = coalesce(counted.visits, 0), trail_boxes.cleaned_on = counted.cleaned_on,
         trail_boxes.last_visit = counted.last_visit, trail_boxes.wanting_visit = counted.wanting_visit
       where trail_boxes.id in (?)`,
      [ids, ids],
    );
  }
}
