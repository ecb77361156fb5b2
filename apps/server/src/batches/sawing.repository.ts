import { Injectable } from '@nestjs/common';
import type { Mishap } from '@spare-knot/core/api';
import type { NamedPlan, Progress, Ruined, SawnPlan } from '@spare-knot/core/cuts';
import {
  cutPlanDocument,
  layoutJobDocument,
  progressDocument,
  writeLayoutJob,
  writeProgress,
} from '@spare-knot/core/exchange';
import type { LayoutJob } from '@spare-knot/core/job';
import { must } from '@spare-knot/core/lists';
import { z } from 'zod';
import { Database } from '../database/database.js';
import { parsedJson } from '../database/kept-table.js';

interface RoundRow {
  round: number;
  plan: string;
  job: string | null;
  wood: string | null;
  started_at: Date;
}

interface RuinedRow {
  piece: string;
  rest: string;
}

/** A plan that a batch follows or followed, and how far it was sawn. */
export interface Round {
  round: number;
  plan: NamedPlan;
  /** The job with the wood of this round; null where it was not kept: that of the accepted layout. */
  job: LayoutJob | null;
  progress: Progress;
  startedAt: string;
  /** What was moved on the rack for it, as it was written. */
  wood: unknown;
}

/** A round that begins. */
export interface NewRound {
  round: number;
  plan: NamedPlan;
  job: LayoutJob;
  wood?: unknown;
}

/** Where something was cut. */
interface At {
  batch: string;
  round: number;
}

/** Cut plans of batches, which of their cuts are made, and which pieces went wrong. */
@Injectable()
export class SawingRepository {
  constructor(private readonly database: Database) {}

  /** Every round of a batch, the first one first. Under lock, two devices that saw at once come one after the other. */
  async rounds(batch: string, lock = false): Promise<Round[]> {
    const query = this.database.now('saw_rounds').where({ batch_id: batch }).orderBy('round');
    const rows = (await (lock ? query.forUpdate() : query)) as RoundRow[];
    return Promise.all(
      rows.map(async ({ round, plan, job, wood, started_at }) => ({
        round,
        plan: cutPlanDocument.parse(parsedJson(plan)),
        job: job === null ? null : layoutJobDocument.parse(parsedJson(job)),
        progress: await this.progressOf({ batch, round }),
        startedAt: started_at.toISOString(),
        wood: wood === null ? null : parsedJson(wood),
      })),
    );
  }

  /** The number of the last round; undefined before sawing begins. Under lock as `rounds`. */
  async lastRound(batch: string, lock = false): Promise<number | undefined> {
    const query = this.database
      .now('saw_rounds')
      .where({ batch_id: batch })
      .orderBy('round', 'desc')
      .select('round');
    const row = (await (lock ? query.forUpdate() : query).first()) as RoundRow | undefined;
    return row?.round;
  }

  /** The cuts that are made, in the order in which they were, and the pieces that went wrong. */
  async progressOf({ batch, round }: At): Promise<Progress> {
    const cuts: { cut: string }[] = await this.database
      .now('round_cuts')
      .where({ batch_id: batch, round })
      .orderBy(['sawn_at', 'cut']);
    const ruined = (await this.database
      .now('ruined_pieces')
      .where({ batch_id: batch, round })
      .orderBy(['told_at', 'piece'])) as RuinedRow[];
    return progressDocument.parse({
      format: 'spare-knot/progress',
      version: 1,
      done: cuts.map(({ cut }) => cut),
      ruined: ruined.map(({ piece, rest }) => ({ piece, ...(parsedJson(rest) as object) })),
    });
  }

  /** When each cut was made. */
  async timesOf({ batch, round }: At): Promise<{ cut: string; at: number }[]> {
    const rows: { cut: string; sawn_at: Date }[] = await this.database
      .now('round_cuts')
      .where({ batch_id: batch, round });
    return rows.map(({ cut, sawn_at }) => ({ cut, at: sawn_at.getTime() }));
  }

  /** The plans that were begun last, as they were sawn. */
  async lastRounds(count: number): Promise<SawnPlan[]> {
    const rows: (RoundRow & { batch_id: string })[] = await this.database
      .now('saw_rounds')
      .orderBy('started_at', 'desc')
      .limit(count);
    return Promise.all(
      rows.map(async ({ batch_id, round, plan, started_at }) => ({
        plan: cutPlanDocument.parse(parsedJson(plan)),
        startedAt: started_at.getTime(),
        sawn: await this.timesOf({ batch: batch_id, round }),
      })),
    );
  }

  /** What went wrong in every round, in the order in which it was told. */
  async mishaps(batch: string): Promise<{ round: number; piece: string; mishap: Mishap }[]> {
    return this.database
      .now('ruined_pieces')
      .where({ batch_id: batch })
      .orderBy(['round', 'told_at', 'piece'])
      .select('round', 'piece', 'mishap');
  }

  async begin(batch: string, { round, plan, job, wood }: NewRound): Promise<void> {
    await this.database.now('saw_rounds').insert({
      batch_id: batch,
      round,
      plan: JSON.stringify(z.encode(cutPlanDocument, plan)),
      job: JSON.stringify(writeLayoutJob(job)),
      wood: wood === undefined ? null : JSON.stringify(wood),
      started_at: new Date(),
    });
  }

  async add({ batch, round }: At, cuts: readonly string[]): Promise<void> {
    if (cuts.length === 0) return;
    const now = new Date();
    await this.database
      .now('round_cuts')
      .insert(cuts.map((cut) => ({ batch_id: batch, round, cut, sawn_at: now })));
  }

  async remove({ batch, round }: At, cuts: readonly string[]): Promise<void> {
    await this.database
      .now('round_cuts')
      .where({ batch_id: batch, round })
      .whereIn('cut', [...cuts])
      .delete();
  }

  async ruin({ batch, round }: At, ruined: Ruined, mishap: Mishap): Promise<void> {
    const written = writeProgress({ done: [], ruined: [ruined] });
    const { piece, ...rest } = must(written.ruined?.[0], 'what went wrong, as it is written');
    await this.database.now('ruined_pieces').insert({
      batch_id: batch,
      round,
      piece,
      mishap,
      rest: JSON.stringify(rest),
      told_at: new Date(),
    });
  }

  async mend({ batch, round }: At, pieces: readonly string[]): Promise<void> {
    await this.database
      .now('ruined_pieces')
      .where({ batch_id: batch, round })
      .whereIn('piece', [...pieces])
      .delete();
  }

  /** Forgets a plan by which nothing is sawn. */
  async forget({ batch, round }: At): Promise<void> {
    await this.database.now('saw_rounds').where({ batch_id: batch, round }).delete();
  }
}
