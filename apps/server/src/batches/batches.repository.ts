import { Injectable } from '@nestjs/common';
import type { BatchPatch, MendedBoxes, NewBatch, ReadyPanel } from '@spare-knot/core/api';
import { Database } from '../database/database.js';
import { KeptTable } from '../database/kept-table.js';
import { type BatchRow, columnsOf, type LayoutRow } from './batch-rows.js';

/** The batches' own table. */
@Injectable()
export class BatchesRepository {
  private readonly batches: KeptTable<BatchRow>;

  constructor(private readonly database: Database) {
    this.batches = new KeptTable(database, 'batches');
  }

  /** Every batch on the bench with its layout's row, the last changed first. */
  async list(): Promise<{ row: BatchRow; layout: LayoutRow | undefined }[]> {
    const rows = (await this.batches
      .there()
      .orderBy([{ column: 'changed_at', order: 'desc' }, { column: 'id' }])) as BatchRow[];
    const layouts = (await this.database.now('layouts').whereIn(
      'batch_id',
      rows.map(({ id }) => id),
    )) as LayoutRow[];
    const byBatch = new Map(layouts.map((layout) => [layout.batch_id, layout]));
    return rows.map((row) => ({ row, layout: byBatch.get(row.id) }));
  }

  /** Whether no batch was ever kept. */
  async isEmpty(): Promise<boolean> {
    return (await this.database.now('batches').first('id')) === undefined;
  }

  byId(id: string, lock = false): Promise<BatchRow | undefined> {
    return this.batches.byId(id, lock);
  }

  add(batch: NewBatch, mends: MendedBoxes | null = null): Promise<string> {
    return this.batches.insert({
      ...columnsOf(batch),
      ...(mends && { mends: JSON.stringify(mends) }),
      created_at: new Date(),
    });
  }

  /** Writes what a patch says if the version is still the one that was read; false when it is not. */
  patch(id: string, { version, ...change }: BatchPatch): Promise<boolean> {
    return this.batches.update(id, version, columnsOf(change));
  }

  remove(id: string, version: number): Promise<boolean> {
    return this.batches.remove(id, version);
  }

  restore(id: string): Promise<boolean> {
    return this.batches.restore(id);
  }

  /** Batches that are done, by their ids: as many boxes as they build were hung since, or all that they mend is mended. */
  async done(): Promise<Set<string>> {
    const { now } = this.database;
    const hung = (await now('batches')
      .join('trail_boxes', 'trail_boxes.batch_id', 'batches.id')
      .whereNull('trail_boxes.deleted_at')
      // Boxes that hung before are of its plan, not of its work.
      .whereRaw('trail_boxes.hung_on >= date(batches.created_at)')
      .groupBy('batches.id', 'batches.boxes')
      .havingRaw('count(*) >= batches.boxes')
      .select('batches.id')) as { id: string }[];
    const mended = (await now('repairs')
      .whereNull('deleted_at')
      .whereNotNull('batch_id')
      .groupBy('batch_id')
      .havingRaw('count(*) = count(outcome)')
      .select('batch_id as id')) as { id: string }[];
    return new Set([...hung, ...mended].map(({ id }) => id));
  }

  /** How many repairs are left to a batch: others may have been put in another while it was off the bench. */
  async repairsOf(id: string): Promise<number> {
    const [counted] = (await this.database
      .now('repairs')
      .where({ batch_id: id })
      .whereNull('deleted_at')
      .count({ count: '*' })) as { count: number }[];
    return counted?.count ?? 0;
  }

  /** A batch that was taken off the bench, under lock. */
  async removed(id: string): Promise<BatchRow | undefined> {
    return this.database
      .now('batches')
      .where({ id })
      .whereNotNull('deleted_at')
      .forUpdate()
      .first();
  }

  /** Writes what is set aside from the bin, of a batch whose lock is held. */
  setReady(id: string, ready: readonly ReadyPanel[]): Promise<void> {
    return this.batches.touch(id, { ready: JSON.stringify(ready), changed_at: new Date() });
  }

  touch(id: string): Promise<void> {
    return this.batches.touch(id, { changed_at: new Date() });
  }
}
