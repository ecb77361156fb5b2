import { AsyncLocalStorage } from 'node:async_hooks';
import { Inject, Injectable } from '@nestjs/common';
import type { Knex } from 'knex';

export const KNEX = Symbol('knex');

/** A deadlock and a lock that was waited for too long: the transaction is gone, and may be tried again. */
const TRY_AGAIN = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT']);
const MOST_TRIES = 4;

const mayTryAgain = (error: unknown): boolean =>
  error instanceof Error && TRY_AGAIN.has((error as Error & { code?: string }).code ?? '');

/**
 * The database. Whatever runs inside `transaction`, however deep, reads and writes in that one transaction, so that a write, its ledger
 * and its answer are kept together or not at all.
 */
@Injectable()
export class Database {
  private readonly current = new AsyncLocalStorage<Knex.Transaction>();

  constructor(@Inject(KNEX) private readonly knex: Knex) {}

  /** Where to read and write now. */
  get now(): Knex {
    return this.current.getStore() ?? this.knex;
  }

  /** Does `work` in one transaction: in the one that runs already, or in a new one that is tried again after a deadlock. */
  async transaction<T>(work: () => Promise<T>): Promise<T> {
    if (this.current.getStore()) return work();
    for (let tries = 1; ; tries += 1) {
      try {
        return await this.knex.transaction((begun) => this.current.run(begun, work), {
          isolationLevel: 'read committed',
        });
      } catch (error) {
        if (tries >= MOST_TRIES || !mayTryAgain(error)) throw error;
        // Not all at once again.
        await new Promise((go) => setTimeout(go, Math.random() * 40 * tries));
      }
    }
  }

  /** Whether the database answers. */
  async answers(): Promise<boolean> {
    try {
      await this.knex.raw('select 1').timeout(1500);
      return true;
    } catch {
      return false;
    }
  }

  async close(): Promise<void> {
    await this.knex.destroy();
  }
}
