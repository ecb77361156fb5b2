import { Injectable } from '@nestjs/common';
import type { BatchPatch, NewBatch, ReadyPanel } from '@spare-knot/core/api';
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

  add(batch: NewBatch): Promise<string> {
    return this.batches.insert({ ...columnsOf(batch), created_at: new Date() });
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

  /** Writes what is set aside from the bin, of a batch whose lock is held. */
  setReady(id: string, ready: readonly ReadyPanel[]): Promise<void> {
    return this.batches.touch(id, { ready: JSON.stringify(ready), changed_at: new Date() });
  }

  touch(id: string): Promise<void> {
    return this.batches.touch(id, { changed_at: new Date() });
  }
}
