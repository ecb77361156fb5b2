import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import {
  acceptedLayout,
  type BatchChange,
  type BatchRecord,
  type BoardRecord,
  boardRecord,
  layoutChoices,
  type NewBatch,
  NO_CHOICES,
} from '@spare-knot/core/api';
import { layoutDocument, planDocument, saw as sawSchema } from '@spare-knot/core/exchange';
import type { Layout } from '@spare-knot/core/layout';
import type { Knex } from 'knex';
import { z } from 'zod';
import { DATABASE } from '../database/database.module.js';

interface BatchRow {
  id: string;
  version: number;
  name: string;
  boxes: number;
  units: 'inch' | 'mm';
  division: BatchRecord['division'];
  plan: string;
  saw: string;
  choices: string | null;
  changed_at: Date;
  deleted_at: Date | null;
}
interface LayoutRow {
  batch_id: string;
  layout: string;
  boards: string | null;
  accepted_at: Date | null;
}

/** JSON columns come as text or parsed, by the driver's mood. */
const parsed = (value: unknown): unknown => (typeof value === 'string' ? JSON.parse(value) : value);

const columnsOf = (batch: NewBatch) => ({
  name: batch.name,
  boxes: batch.boxes,
  units: batch.units,
  division: batch.division,
  plan: JSON.stringify(z.encode(planDocument, batch.plan)),
  saw: JSON.stringify(z.encode(sawSchema, batch.saw)),
  choices: JSON.stringify(z.encode(layoutChoices, batch.choices)),
  changed_at: new Date(),
});

/** The batches' tables. Documents are validated on the way in and on the way out. */
@Injectable()
export class BatchesRepository {
  constructor(@Inject(DATABASE) private readonly database: Knex) {}

  /** Does `work` in one transaction. */
  transaction<T>(work: (transaction: Knex.Transaction) => Promise<T>): Promise<T> {
    return this.database.transaction(work);
  }

  async list(): Promise<BatchRecord[]> {
    return this.complete(
      await this.database<BatchRow>('batches')
        .whereNull('deleted_at')
        .orderBy([{ column: 'changed_at', order: 'desc' }, { column: 'id' }]),
      this.database,
    );
  }

  /** Whether no batch was ever kept. */
  async isEmpty(): Promise<boolean> {
    return (await this.database('batches').first('id')) === undefined;
  }

  async byId(
    id: string,
    inside: Knex = this.database,
    lock = false,
  ): Promise<BatchRecord | undefined> {
    const query = inside<BatchRow>('batches').where({ id }).whereNull('deleted_at');
    return (await this.complete(await (lock ? query.forUpdate() : query), inside))[0];
  }

  async add(batch: NewBatch): Promise<BatchRecord> {
    const id = randomUUID();
    await this.database('batches').insert({ id, ...columnsOf(batch), created_at: new Date() });
    return (await this.byId(id))!;
  }

  /** Writes a batch if its version is still the one that was read; undefined when it is not. */
  async change(id: string, change: BatchChange): Promise<BatchRecord | undefined> {
    const touched = await this.database('batches')
      .where({ id, version: change.version })
      .whereNull('deleted_at')
      .update({ ...columnsOf(change), version: change.version + 1 });
    return touched > 0 ? this.byId(id) : undefined;
  }

  async remove(id: string, version: number): Promise<boolean> {
    return (
      (await this.database('batches')
        .where({ id, version })
        .whereNull('deleted_at')
        .update({ deleted_at: new Date(), version: version + 1 })) > 0
    );
  }

  async restore(id: string): Promise<BatchRecord | undefined> {
    await this.database('batches')
      .where({ id })
      .whereNotNull('deleted_at')
      .update({ deleted_at: null, version: this.database.raw('version + 1') });
    return this.byId(id);
  }

  async accept(
    id: string,
    layout: Layout,
    boards: readonly BoardRecord[],
    taken: ReadonlyMap<string, number>,
    transaction: Knex.Transaction,
  ): Promise<void> {
    await this.forgetLayout(id, transaction);
    await transaction('layouts').insert({
      batch_id: id,
      layout: JSON.stringify(z.encode(layoutDocument, layout)),
      boards: JSON.stringify(boards.map((board) => z.encode(boardRecord, board))),
      accepted_at: new Date(),
    });
    await transaction('taken_boards').insert(
      [...taken].map(([board_id, quantity]) => ({ batch_id: id, board_id, quantity })),
    );
    await this.touch(id, transaction);
  }

  async takenBy(
    id: string,
    transaction: Knex.Transaction,
  ): Promise<{ boardId: string; quantity: number }[]> {
    const rows = await transaction<{ batch_id: string; board_id: string; quantity: number }>(
      'taken_boards',
    ).where({ batch_id: id });
    return rows.map((row) => ({ boardId: row.board_id, quantity: row.quantity }));
  }

  /** Back to a proposal: the layout stays, no board is taken for it. */
  async forgetAcceptance(id: string, transaction: Knex.Transaction): Promise<void> {
    await transaction('taken_boards').where({ batch_id: id }).delete();
    await transaction('layouts')
      .where({ batch_id: id })
      .update({ boards: null, accepted_at: null });
    await this.touch(id, transaction);
  }

  /** Keeps the best layout so far, in place of an earlier proposal; the batch itself is not changed by it. */
  async propose(id: string, layout: Layout, transaction: Knex.Transaction): Promise<void> {
    await this.forgetLayout(id, transaction);
    await transaction('layouts').insert({
      batch_id: id,
      layout: JSON.stringify(z.encode(layoutDocument, layout)),
    });
  }

  private async forgetLayout(id: string, transaction: Knex.Transaction): Promise<void> {
    await transaction('layouts').where({ batch_id: id }).delete();
  }

  private async touch(id: string, transaction: Knex.Transaction): Promise<void> {
    await transaction('batches')
      .where({ id })
      .update({ version: transaction.raw('version + 1'), changed_at: new Date() });
  }

  private async complete(rows: readonly BatchRow[], inside: Knex): Promise<BatchRecord[]> {
    const layouts = await inside<LayoutRow>('layouts').whereIn(
      'batch_id',
      rows.map((row) => row.id),
    );
    return rows.map((row) => {
      const found = layouts.find((each) => each.batch_id === row.id);
      return {
        id: row.id,
        version: row.version,
        name: row.name,
        boxes: row.boxes,
        units: row.units,
        division: row.division,
        plan: planDocument.parse(parsed(row.plan)),
        saw: sawSchema.parse(parsed(row.saw)),
        choices: row.choices ? layoutChoices.parse(parsed(row.choices)) : NO_CHOICES,
        changedAt: row.changed_at.toISOString(),
        proposed: found && !found.accepted_at ? layoutDocument.parse(parsed(found.layout)) : null,
        accepted: found?.accepted_at
          ? acceptedLayout.parse({
              layout: parsed(found.layout),
              boards: parsed(found.boards),
              acceptedAt: found.accepted_at.toISOString(),
            })
          : null,
      };
    });
  }
}
