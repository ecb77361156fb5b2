import { Injectable } from '@nestjs/common';
import { type SawingRecord, sawingRecord } from '@spare-knot/core/api';
import type { NamedPlan, Progress } from '@spare-knot/core/cuts';
import { cutPlanDocument } from '@spare-knot/core/exchange';
import { z } from 'zod';
import { Database } from '../database/database.js';
import { parsedJson } from '../database/kept-table.js';

interface SawingRow {
  batch_id: string;
  plan: string;
  started_at: Date;
}

/** Cut plans of batches, and which of their cuts are made. */
@Injectable()
export class SawingRepository {
  constructor(private readonly database: Database) {}

  /** The plan and how far it is; undefined before sawing begins. Under lock, two devices that saw at once come one after the other. */
  async of(batch: string, lock = false): Promise<SawingRecord | undefined> {
    const query = this.database.now('sawings').where({ batch_id: batch });
    const row = (await (lock ? query.forUpdate() : query).first()) as SawingRow | undefined;
    if (!row) return undefined;
    const { done } = await this.progressOf(batch);
    return sawingRecord.parse({
      plan: parsedJson(row.plan),
      progress: { format: 'spare-knot/progress', version: 1, done },
      startedAt: row.started_at.toISOString(),
    });
  }

  /** The cuts that are made, in the order in which they were. */
  async progressOf(batch: string): Promise<Progress> {
    const rows: { cut: string }[] = await this.database
      .now('sawn_cuts')
      .where({ batch_id: batch })
      .orderBy(['sawn_at', 'cut']);
    return { done: rows.map(({ cut }) => cut), ruined: [] };
  }

  async begin(batch: string, plan: NamedPlan): Promise<void> {
    await this.database.now('sawings').insert({
      batch_id: batch,
      plan: JSON.stringify(z.encode(cutPlanDocument, plan)),
      started_at: new Date(),
    });
  }

  async add(batch: string, cuts: readonly string[]): Promise<void> {
    if (cuts.length === 0) return;
    const now = new Date();
    await this.database
      .now('sawn_cuts')
      .insert(cuts.map((cut) => ({ batch_id: batch, cut, sawn_at: now })));
  }

  async remove(batch: string, cuts: readonly string[]): Promise<void> {
    await this.database
      .now('sawn_cuts')
      .where({ batch_id: batch })
      .whereIn('cut', [...cuts])
      .delete();
  }

  /** Forgets a plan of which nothing is sawn. */
  async forget(batch: string): Promise<void> {
    await this.database.now('sawings').where({ batch_id: batch }).delete();
  }
}
