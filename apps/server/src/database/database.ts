import { AsyncLocalStorage } from 'node:async_hooks';
import { setTimeout as pause } from 'node:timers/promises';
import { Inject, Injectable } from '@nestjs/common';
import type { Knex } from 'knex';

import { isAway, isLocked, OutcomeUnknown } from './failures.js';

export const KNEX = Symbol('knex');

const MOST_TRIES = 4;
/** Milliseconds for which a database that went away is waited for, and between two looks at it. */
const PATIENCE = 3000;
const BETWEEN = 100;

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

  /**
   * Does `work` in one transaction: in the one that runs already, or in a new one that is tried again after a deadlock, and once more
   * when the database went away and came back.
   *
   * @throws OutcomeUnknown when the connection was lost while it was committed
   */
  async transaction<T>(work: () => Promise<T>): Promise<T> {
    if (this.current.getStore()) return work();
    return this.patiently(async () => {
      for (let tries = 1; ; tries += 1) {
        try {
          return await this.once(work);
        } catch (error) {
          if (tries >= MOST_TRIES || !isLocked(error)) throw error;
          // Not all at once again.
          await pause(Math.random() * 40 * tries);
        }
      }
    });
  }

  private async once<T>(work: () => Promise<T>): Promise<T> {
    let isCommitting = false;
    try {
      return await this.knex.transaction(
        (begun) =>
          this.current.run(begun, async () => {
            const result = await work();
            isCommitting = true;
            return result;
          }),
        { isolationLevel: 'read committed' },
      );
    } catch (error) {
      if (!isCommitting || isLocked(error)) throw error;
      throw new OutcomeUnknown('the connection was lost at COMMIT', { cause: error });
    }
  }

  /** Does what may be done twice; where the database went away meanwhile, waits a moment for it and does it once more. */
  async patiently<T>(work: () => Promise<T>): Promise<T> {
    try {
      return await work();
    } catch (error) {
      if (!isAway(error) || !(await this.comesBack())) throw error;
      return work();
    }
  }

  private async comesBack(): Promise<boolean> {
    for (const until = performance.now() + PATIENCE; performance.now() < until; ) {
      if (await this.answers()) return true;
      await pause(BETWEEN);
    }
    return false;
  }

  /** Reads everything as it is at one moment, whatever is written meanwhile. */
  async snapshot<T>(read: () => Promise<T>): Promise<T> {
    return this.knex.transaction((begun) => this.current.run(begun, read), {
      isolationLevel: 'repeatable read',
    });
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
