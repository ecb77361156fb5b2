import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import type { Picture } from '@spare-knot/core/api';
import type { BoxPlan } from '@spare-knot/core/plan';
import { Piscina } from 'piscina';
import { busy, unsound } from '../http/problem.js';
import type { Checked, Sawn, ToCheck, ToSaw } from './to-check.js';

/** Layouts that may wait to be checked: whoever comes after them is told to try again. */
const MOST_WAITING = 64;
/** Milliseconds for one: what takes longer is no layout that anybody saws. */
const LONGEST = 10_000;
const MOST_MEGABYTES = 512;
/** Boxes of one task, so that a check does not wait for hundreds of them. */
const DRAWN_AT_ONCE = 10;

/** Checks layouts and draws boxes in threads beside the server's own, so that nobody waits for another's. Holds no lock and asks no database. */
@Injectable()
export class CheckPool implements OnApplicationShutdown {
  private readonly pool = new Piscina<
    ToCheck | ToSaw | readonly BoxPlan[],
    Checked | Sawn | (Picture | null)[]
  >({
    // What was built: a thread is no part of the tests' own loader.
    filename: fileURLToPath(new URL('../../dist/checking/check.worker.js', import.meta.url)),
    minThreads: 0,
    maxThreads: Math.max(1, Math.min(4, availableParallelism() - 1)),
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
  });

  private waiting = 0;

  /** @throws Problem when too many wait already, or when this one takes too long */
  async check(task: ToCheck): Promise<Checked> {
    if (this.waiting >= MOST_WAITING) throw busy();
    const signal = AbortSignal.timeout(LONGEST);
    this.waiting += 1;
    try {
      return (await this.pool.run(task, { signal })) as Checked;
    } catch (error) {
      if (signal.aborted)
        throw unsound('This layout takes too long to be checked', [
          { path: 'layout', message: `it was not checked in ${LONGEST / 1000} s` },
        ]);
      throw error;
    } finally {
      this.waiting -= 1;
    }
  }

  /** @throws Problem for a plan that gives no box */
  async cuts(task: ToSaw): Promise<NonNullable<Sawn>> {
    const sawn = (await this.pool.run(task, { name: 'cuts' })) as Sawn;
    if (!sawn) throw unsound('This box cannot be built', []);
    return sawn;
  }

  /** What the boxes of some plans look like; null for a plan that gives none. */
  async pictures(plans: readonly BoxPlan[]): Promise<(Picture | null)[]> {
    const parts: Promise<unknown>[] = [];
    for (let from = 0; from < plans.length; from += DRAWN_AT_ONCE)
      parts.push(this.pool.run(plans.slice(from, from + DRAWN_AT_ONCE), { name: 'pictures' }));
    return ((await Promise.all(parts)) as (Picture | null)[][]).flat();
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.destroy();
  }
}
