import { Injectable } from '@nestjs/common';
import type { WorkRecord, WorkTold } from '@spare-knot/core/api';
import type { TimedWork, Work, WorkKind } from '@spare-knot/core/building';
import { Database } from '../database/database.js';

interface WorkRow {
  batch_id: string;
  kind: WorkKind;
  work: string;
  box: number;
  minutes: string;
  done_at: Date;
}

const keyOf = ({ kind, key, box }: Work) => ({ kind, work: key, box });

/** What is done at the bench. */
@Injectable()
export class BenchWorkRepository {
  constructor(private readonly database: Database) {}

  /** In the order in which it was told. */
  async of(batch: string): Promise<WorkRecord> {
    const rows: WorkRow[] = await this.database
      .now('work_done')
      .where({ batch_id: batch })
      .orderBy(['done_at', 'kind', 'work', 'box']);
    return {
      done: rows.map(({ kind, work, box, done_at }) => ({
        kind,
        key: work,
        box,
        at: done_at.toISOString(),
      })),
    };
  }

  /** What is known to be done already keeps its time. */
  async add(batch: string, done: WorkTold['done']): Promise<void> {
    if (done.length === 0) return;
    const now = new Date();
    await this.database
      .now('work_done')
      .insert(
        done.map(({ minutes, ...work }) => ({
          batch_id: batch,
          ...keyOf(work),
          minutes: minutes.toFixed(2),
          done_at: now,
        })),
      )
      .onConflict(['batch_id', 'kind', 'work', 'box'])
      .ignore();
  }

  async remove(batch: string, undone: readonly Work[]): Promise<void> {
    for (const work of undone)
      await this.database
        .now('work_done')
        .where({ batch_id: batch, ...keyOf(work) })
        .delete();
  }

  /** What was done last, batch by batch. */
  async last(count: number): Promise<TimedWork[][]> {
    const rows: WorkRow[] = await this.database
      .now('work_done')
      .orderBy('done_at', 'desc')
      .limit(count);
    const batches = new Map<string, TimedWork[]>();
    for (const { batch_id, kind, minutes, done_at } of rows)
      batches.set(batch_id, [
        ...(batches.get(batch_id) ?? []),
        { kind, planned: Number(minutes), at: done_at.getTime() },
      ]);
    return [...batches.values()];
  }
}
