import { Injectable } from '@nestjs/common';
import { batchQuestion, liesReady, type Supply } from '@spare-knot/core/api';
import type { Layout } from '@spare-knot/core/layout';
import { CheckPool } from '../checking/check-pool.js';
import { conflict, notFound, stale, unsound } from '../http/problem.js';
import { countBoards, shortOf } from './asked.js';
import { type BatchAlone, type BatchRow, batchOf } from './batch-rows.js';
import { BatchesRepository } from './batches.repository.js';
import { LayoutsRepository } from './layouts.repository.js';
import { WoodInReach, type WoodUsed } from './wood-in-reach.js';

export const woodChanged = (kinds: number, supply: Supply = 'rack') =>
  conflict(
    supply === 'rack'
      ? 'The rack has changed'
      : 'What there is on the rack and at the yard has changed',
    `${kinds === 1 ? 'One kind of board is' : `${kinds} kinds of boards are`} no longer there as this layout needs. Lay the batch out again.`,
  );

/** A batch whose layout was found sound, and the wood that it lies on. */
export interface Judged {
  before: BatchRow;
  batch: BatchAlone;
  wood: WoodUsed;
}

/** Says whether a layout may be acted on, before and after the batch is locked. */
@Injectable()
export class LayoutJudge {
  constructor(
    private readonly batches: BatchesRepository,
    private readonly layouts: LayoutsRepository,
    private readonly wood: WoodInReach,
    private readonly pool: CheckPool,
  ) {}

  /** A layout that breaks no rule, of a batch for which no boards are taken. Computes, and therefore runs before anything is locked. */
  async judge(id: string, layout: Layout, version?: number): Promise<Judged> {
    const before = await this.free(id);
    if (version !== undefined && before.version !== version)
      throw stale('batch', { id, version: before.version });
    const batch = batchOf(before);
    return { before, batch, wood: await this.sound(batch, layout) };
  }

  /** Locks a batch that was judged; what has changed since is told. */
  async lock({ before }: Judged): Promise<void> {
    const row = await this.batches.byId(before.id, true);
    if (!row) throw notFound('batch');
    if (row.version !== before.version) throw stale('batch', { id: row.id, version: row.version });
    await this.free(row.id);
  }

  async isTaken(id: string): Promise<boolean> {
    return ((await this.layouts.of(id))?.accepted_at ?? null) !== null;
  }

  private async free(id: string): Promise<BatchRow> {
    const row = await this.batches.byId(id);
    if (!row) throw notFound('batch');
    if (await this.isTaken(id))
      throw conflict(
        'These boards are taken already',
        'The layout was accepted before; nothing was taken twice.',
        id,
      );
    return row;
  }

  private async sound(batch: BatchAlone, layout: Layout): Promise<WoodUsed> {
    if (countBoards(layout).size === 0)
      throw unsound('This layout uses no board', [
        { path: 'layout.boards', message: 'there is nothing to take' },
      ]);
    const wood = await this.wood.usedBy(layout);
    const short = shortOf(layout, wood.all);
    if (short.length > 0) throw woodChanged(short.length, batch.wishes.supply);
    const question = batchQuestion(
      { ...batch, liesReady: liesReady(batch) },
      wood.rack,
      wood.offers,
    );
    const { refusals, broken } = await this.pool.check({ question, layout });
    if (refusals.length > 0) throw unsound('This plan gives no sound box', refusals);
    if (broken.length > 0) throw unsound('This layout breaks a rule', broken);
    return wood;
  }
}
