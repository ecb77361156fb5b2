import { Injectable } from '@nestjs/common';
import {
  eachOf,
  MOST_PANELS,
  type Rows,
  type SpareChange,
  type SpareRecord,
  spareRecord,
} from '@spare-knot/core/api';
import type { Knex } from 'knex';
import { z } from 'zod';
import { Database } from '../database/database.js';
import { type KeptRow, KeptTable, parsedJson } from '../database/kept-table.js';
import { conflict } from '../http/problem.js';

interface SpareRow extends KeptRow {
  plan_key: string;
  plan_name: string;
  plan_since: Date;
  piece: string;
  panel: string;
  role: string;
  name: string;
  hand: SpareRecord['hand'];
  thickness: number;
  material: string;
  place: string;
  count: number;
  drawing: unknown;
}

/** Panels as they go in the bin. */
export type MadeSpare = Omit<SpareRecord, 'id' | 'version' | 'plan'> & { planKey: string };

const { drawing: drawingDocument } = spareRecord.shape;

const recordOf = (row: SpareRow): SpareRecord => ({
  id: row.id,
  version: row.version,
  piece: row.piece,
  plan: { key: row.plan_key, name: row.plan_name, since: row.plan_since.toISOString() },
  panel: row.panel,
  role: row.role,
  name: row.name,
  hand: row.hand,
  thickness: row.thickness,
  material: row.material,
  place: row.place,
  count: row.count,
  drawing: drawingDocument.parse(parsedJson(row.drawing)),
});

/** Panels that are made ahead, and the versions of plans that they were made by. */
@Injectable()
export class BinRepository {
  private readonly spares: KeptTable<KeptRow>;

  constructor(private readonly database: Database) {
    this.spares = new KeptTable(database, 'spare_panels');
  }

  private joined(): Knex.QueryBuilder {
    return this.database
      .now('spare_panels')
      .join('plan_versions', 'plan_versions.key', 'spare_panels.plan_key')
      .select(
        'spare_panels.*',
        'plan_versions.name as plan_name',
        'plan_versions.created_at as plan_since',
      )
      .whereNull('spare_panels.deleted_at');
  }

  async rows(): Promise<Rows<SpareRecord>> {
    const rows = (await this.joined()
      .where('count', '>', 0)
      .orderBy(['plan_versions.name', 'role', 'spare_panels.name', 'id'])) as SpareRow[];
    return eachOf(rows, recordOf);
  }

  async list(): Promise<SpareRecord[]> {
    return (await this.rows()).kept;
  }

  async byIds(ids: readonly string[]): Promise<SpareRecord[]> {
    if (ids.length === 0) return [];
    const rows = (await this.joined().whereIn('id', [...ids])) as SpareRow[];
    return rows.map(recordOf);
  }

  /** Puts panels in; what lies there of the same version, piece, wood and place is counted up. Gives the row. */
  async put(spare: MadeSpare): Promise<string> {
    const { planKey, piece, material, place, count, drawing, ...rest } = spare;
    const same = { plan_key: planKey, piece, material, place, panel: rest.panel };
    const there = (await this.database
      .now('spare_panels')
      .where(same)
      .whereNull('deleted_at')
      .forUpdate()
      .first('id', 'count')) as { id: string; count: number } | undefined;
    if (!there)
      return this.spares.insert({
        ...same,
        ...rest,
        count,
        drawing: JSON.stringify(z.encode(drawingDocument, drawing)),
        created_at: new Date(),
      });
    if (there.count + count > MOST_PANELS)
      throw conflict(
        'No bin holds so many panels of a kind',
        `${rest.name}: ${there.count} lie there already; ${MOST_PANELS} are the most. Nothing was put in.`,
      );
    await this.spares.touch(there.id, { count: there.count + count });
    return there.id;
  }

  change(id: string, { version, count, place }: SpareChange): Promise<boolean> {
    return this.spares.update(id, version, { count, place });
  }

  /** How many lie in each of these rows, under lock and in the order of their keys; rows that were taken off count too. */
  async locked(
    ids: readonly string[],
  ): Promise<{ id: string; piece: string; name: string; count: number }[]> {
    if (ids.length === 0) return [];
    return this.database
      .now('spare_panels')
      .whereIn('id', [...ids])
      .orderBy('id')
      .forUpdate()
      .select('id', 'piece', 'count', 'name');
  }

  /** Some more or some fewer of a row that is locked; one that was taken off the list is on it again. */
  add(id: string, count: number): Promise<void> {
    return this.spares.touch(id, {
      count: this.database.now.raw('count + ?', [count]),
      deleted_at: null,
    });
  }

  remove(id: string, version: number): Promise<boolean> {
    return this.spares.remove(id, version);
  }

  async restore(id: string): Promise<SpareRecord | undefined> {
    await this.spares.restore(id);
    return (await this.byIds([id]))[0];
  }
}
