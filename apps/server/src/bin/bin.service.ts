import { Injectable } from '@nestjs/common';
import {
  type FromBin,
  liesReady,
  type NewSpares,
  type ReadyPanel,
  type SpareRecord,
} from '@spare-knot/core/api';
import { buildBox } from '@spare-knot/core/families';
import { type ReadyPieces, readyCopies } from '@spare-knot/core/job';
import { sum } from '@spare-knot/core/lists';
import { type BatchRow, batchOf, mendsOf, readyOf } from '../batches/batch-rows.js';
import { BatchesRepository } from '../batches/batches.repository.js';
import { LayoutJudge } from '../batches/layout-judge.js';
import { PlanVersionsRepository } from '../batches/plan-versions.repository.js';
import { Database } from '../database/database.js';
import { conflict, notFound, stale } from '../http/problem.js';
import { BinRepository } from './bin.repository.js';
import { madeSpares } from './made-spares.js';

/** Panels go in the bin, out of it for a batch, and back: none is in two places, none vanishes. */
@Injectable()
export class BinService {
  constructor(
    private readonly database: Database,
    private readonly bin: BinRepository,
    private readonly plans: PlanVersionsRepository,
    private readonly batches: BatchesRepository,
    private readonly judge: LayoutJudge,
  ) {}

  /** All of them or none. */
  put(spares: NewSpares): Promise<SpareRecord[]> {
    return this.database.transaction(async () => {
      const key = await this.plans.keep(spares.plan, spares.planName);
      const ids: string[] = [];
      for (const spare of madeSpares(spares, key)) ids.push(await this.bin.put(spare));
      return this.bin.byIds(ids);
    });
  }

  /** Sets panels aside for a batch: they need not be sawn. */
  take(batch: string, version: number, wanted: readonly FromBin[]): Promise<void> {
    return this.database.transaction(async () => {
      const row = await this.open(batch, version);
      const rows = await this.bin.locked(wanted.map(({ spare }) => spare));
      const taken = together(wanted).map(({ spare, count }): ReadyPanel => {
        const there = rows.find(({ id }) => id === spare);
        if (!there) throw notFound('panel in the bin');
        if (there.count < count)
          throw conflict(
            'There are no longer so many in the bin',
            `${there.name}: ${there.count} of ${count}. Nothing was taken.`,
          );
        return { spare, piece: there.piece, name: there.name, count };
      });
      const ready = together([...readyOf(row), ...taken]);
      this.mustServe(row, liesReady({ ready, mends: mendsOf(row) }));
      for (const { spare, count } of taken) await this.bin.add(spare, -count);
      await this.batches.setReady(batch, ready);
    });
  }

  /** Puts panels that were set aside back in the bin. */
  back(batch: string, version: number, spares: readonly string[] | null): Promise<void> {
    return this.database.transaction(async () => {
      const row = await this.open(batch, version);
      const ready = readyOf(row);
      const goes = ready.filter(({ spare }) => spares === null || spares.includes(spare));
      await this.bin.locked(goes.map(({ spare }) => spare));
      for (const { spare, count } of goes) await this.bin.add(spare, count);
      await this.batches.setReady(
        batch,
        ready.filter((each) => !goes.includes(each)),
      );
    });
  }

  /** A batch under lock whose boards are not taken: what is laid out and cut stays what it is. */
  private async open(id: string, version: number): Promise<BatchRow> {
    const row = await this.batches.byId(id, true);
    if (!row) throw notFound('batch');
    if (row.version !== version) throw stale('batch', { id, version: row.version });
    if (await this.judge.isTaken(id))
      throw conflict(
        'The boards of this batch are taken',
        'Give them back first: what is to be sawn would change under them.',
      );
    return row;
  }

  /** More than its boxes need, or what is no panel of theirs, is not set aside for a batch. */
  private mustServe(row: BatchRow, ready: readonly ReadyPieces[]): void {
    const { plan, boxes } = batchOf(row);
    const built = buildBox(plan);
    if (!built.ok) throw conflict('This plan gives no sound box', 'Mend it first.');
    const { left } = readyCopies(plan, built.box, boxes, ready);
    const over = sum([...left.values()]);
    if (over > 0)
      throw conflict(
        'These boxes have no use for so many',
        `${over} of the panels would be set aside for nothing. Nothing was taken.`,
      );
  }
}

/** What is taken of one row of the bin several times, counted together. */
function together<Taken extends FromBin>(taken: readonly Taken[]): Taken[] {
  const rows = new Map<string, Taken>();
  for (const each of taken) {
    const before = rows.get(each.spare);
    rows.set(each.spare, before ? { ...before, count: before.count + each.count } : each);
  }
  return [...rows.values()];
}
