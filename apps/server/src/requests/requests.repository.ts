import { Injectable } from '@nestjs/common';
import { Database } from '../database/database.js';

interface RequestRow {
  key: string;
  fingerprint: string;
  answer: string | null;
  kept_at: Date;
}

/** Keys are forgotten after this long: nobody sends a write again a week later. */
const KEPT_DAYS = 7;

/** Writes that were done, by the key they came with, each with its answer. */
@Injectable()
export class RequestsRepository {
  constructor(private readonly database: Database) {}

  /** Claims a key for a write; gives the earlier write of that key instead, where it was done. Waits for one that is under way. */
  async claim(key: string, fingerprint: string): Promise<RequestRow | null> {
    const { now } = this.database;
    // An update of nothing, since it waits for the writer before it with the lock that it needs itself.
    await now('requests')
      .insert({ key, fingerprint, answer: null, kept_at: new Date() })
      .onConflict('key')
      .merge({ key });
    const row = await now<RequestRow>('requests').where({ key }).first();
    return row && (row.answer !== null || row.fingerprint !== fingerprint) ? row : null;
  }

  /** Keeps the answer beside the key, in the transaction of the write itself. */
  async keep(key: string, answer: unknown): Promise<void> {
    await this.database
      .now('requests')
      .where({ key })
      .update({ answer: JSON.stringify(answer ?? null) });
  }

  async forgetOld(): Promise<void> {
    const before = new Date(Date.now() - KEPT_DAYS * 86_400_000);
    await this.database.now('requests').where('kept_at', '<', before).delete();
  }
}
