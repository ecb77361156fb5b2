import { Injectable } from '@nestjs/common';
import { type BoardRecord, boardRecord } from '@spare-knot/core/api';
import { layoutDocument } from '@spare-knot/core/exchange';
import type { Layout } from '@spare-knot/core/layout';
import { z } from 'zod';
import { Database } from '../database/database.js';
import { parsedJson } from '../database/kept-table.js';
import type { LayoutRow } from './batch-rows.js';

/** A kind of board that a batch took, as it was, and how many. */
export interface TakenBoards {
  board: BoardRecord;
  quantity: number;
}

/** An offcut as a batch gave it. Lengths in ticks. */
export interface GivenOffcut {
  id: string;
  length: number;
  width: number;
  thickness: number;
  /** The piece of the plan in hand that it comes off by; null where no plan says so. */
  piece: string | null;
}

/** Whether an offcut lies on the rack as it was given: neither sawn nor measured anew nor thrown away. */
export const isAsGiven = (
  { length, width, thickness }: GivenOffcut,
  now: BoardRecord | undefined,
): now is BoardRecord =>
  now?.quantity === 1 &&
  now.length === length &&
  now.width === width &&
  now.thickness === thickness;

interface GivenRow extends Omit<GivenOffcut, 'id'> {
  board_id: string;
}

const encoded = (layout: Layout) => JSON.stringify(z.encode(layoutDocument, layout));

/** Layouts of batches, proposed or accepted, with what was taken for them and what they left. */
@Injectable()
export class LayoutsRepository {
  constructor(private readonly database: Database) {}

  async of(batch: string): Promise<LayoutRow | undefined> {
    return (await this.database.now('layouts').where({ batch_id: batch }).first()) as
      | LayoutRow
      | undefined;
  }

  /** Keeps the best layout so far, in place of an earlier one; `asked` says what it was made for. */
  async propose(batch: string, layout: Layout, asked: string): Promise<void> {
    await this.replace(batch, { layout: encoded(layout), asked });
  }

  async accept(
    batch: string,
    layout: Layout,
    taken: readonly TakenBoards[],
    offcuts: readonly GivenOffcut[],
  ): Promise<void> {
    const boards = taken.map(({ board }) => z.encode(boardRecord, board));
    await this.replace(batch, {
      layout: encoded(layout),
      boards: JSON.stringify(boards),
      accepted_at: new Date(),
    });
    await this.database.now('taken_boards').insert(
      taken.map(({ board, quantity }) => ({
        batch_id: batch,
        board_id: board.id,
        quantity,
        board: JSON.stringify(z.encode(boardRecord, board)),
      })),
    );
    await this.give(batch, offcuts);
  }

  /** Notes offcuts that a batch gave to the rack. */
  async give(batch: string, offcuts: readonly GivenOffcut[]): Promise<void> {
    if (offcuts.length > 0)
      await this.database
        .now('given_offcuts')
        .insert(offcuts.map(({ id, ...size }) => ({ batch_id: batch, board_id: id, ...size })));
  }

  /** Forgets an offcut that is nowhere any more. */
  async ungive(batch: string, id: string): Promise<void> {
    await this.database.now('given_offcuts').where({ batch_id: batch, board_id: id }).delete();
  }

  /** Says by which piece of the plan in hand an offcut comes off. */
  async link(batch: string, id: string, piece: string | null): Promise<void> {
    await this.database
      .now('given_offcuts')
      .where({ batch_id: batch, board_id: id })
      .update({ piece });
  }

  /** More of a board is taken for a batch, or less. */
  async takeMore(batch: string, { board, quantity }: TakenBoards): Promise<void> {
    const where = { batch_id: batch, board_id: board.id };
    const row = (await this.database.now('taken_boards').where(where).first()) as
      | { quantity: number }
      | undefined;
    const left = (row?.quantity ?? 0) + quantity;
    if (!row)
      await this.database.now('taken_boards').insert({
        ...where,
        quantity: left,
        board: JSON.stringify(z.encode(boardRecord, board)),
      });
    else if (left > 0)
      await this.database.now('taken_boards').where(where).update({ quantity: left });
    else await this.database.now('taken_boards').where(where).delete();
  }

  /** What is taken for a batch, in the order of the boards' keys. */
  async takenBy(batch: string): Promise<TakenBoards[]> {
    const rows = await this.database
      .now('taken_boards')
      .where({ batch_id: batch })
      .orderBy('board_id');
    return rows.map((row: { board: unknown; quantity: number }) => ({
      board: boardRecord.parse(parsedJson(row.board)),
      quantity: row.quantity,
    }));
  }

  async givenBy(batch: string): Promise<GivenOffcut[]> {
    const rows: GivenRow[] = await this.database
      .now('given_offcuts')
      .where({ batch_id: batch })
      .orderBy('board_id');
    return rows.map(({ board_id: id, length, width, thickness, piece }) => ({
      id,
      length,
      width,
      thickness,
      piece,
    }));
  }

  /** An offcut that came back to the rack as another pile is that pile from now on. */
  async follow(from: string, to: string): Promise<void> {
    if (from !== to)
      await this.database.now('given_offcuts').where({ board_id: from }).update({ board_id: to });
  }

  /** Back to a proposal: the layout stays, no board is taken for it. */
  async forgetAcceptance(batch: string, asked: string): Promise<void> {
    await this.database.now('given_offcuts').where({ batch_id: batch }).delete();
    await this.database.now('taken_boards').where({ batch_id: batch }).delete();
    await this.database
      .now('layouts')
      .where({ batch_id: batch })
      .update({ boards: null, accepted_at: null, asked });
  }

  private async replace(batch: string, columns: Record<string, unknown>): Promise<void> {
    await this.database.now('layouts').where({ batch_id: batch }).delete();
    await this.database.now('layouts').insert({ batch_id: batch, ...columns });
  }
}
