import { Injectable } from '@nestjs/common';
import {
  type BatchRecord,
  type BoardRecord,
  batchQuestion,
  type NewBoard,
} from '@spare-knot/core/api';
import { layoutJob } from '@spare-knot/core/job';
import { checkLayout, type KeptOffcut, type Layout, sortPins } from '@spare-knot/core/layout';
import { moveZone } from '@spare-knot/core/plane';
import { liesOnBoard } from '@spare-knot/core/wood';
import { conflict, notFound, stale, unsound } from '../http/problem.js';
import { RackRepository } from '../rack/rack.repository.js';
import { BatchesRepository } from './batches.repository.js';

const offcutBoard = (board: BoardRecord, offcut: KeptOffcut): NewBoard => ({
  name: board.offcut ? board.name : `${board.name}, offcut`.slice(0, 200),
  quantity: 1,
  material: board.material,
  thickness: board.thickness,
  width: offcut.width,
  length: offcut.length,
  faceA: board.faceA,
  faceB: board.faceB,
  price: null,
  offcut: true,
  grained: board.grained,
  defects: board.defects
    .map((defect) => ({ ...defect, zone: moveZone(defect.zone, -offcut.x, -offcut.y) }))
    .filter((defect) => liesOnBoard(defect.zone, offcut.length, offcut.width)),
});

/** Takes a layout's boards off the rack and puts its kept offcuts on, once; and undoes that. */
@Injectable()
export class AcceptanceService {
  constructor(
    private readonly batches: BatchesRepository,
    private readonly rack: RackRepository,
  ) {}

  /** One transaction. A layout that breaks a rule, a rack that has changed, or a second press changes nothing. */
  async accept(id: string, version: number, layout: Layout): Promise<BatchRecord> {
    await this.batches.transaction(async (transaction) => {
      const batch = await this.batches.byId(id, transaction, true);
      if (!batch) throw notFound('batch');
      if (batch.accepted)
        throw conflict(
          'These boards are taken already',
          'The layout was accepted before; nothing was taken twice.',
          batch.id,
        );
      if (batch.version !== version) throw stale('batch', { id: batch.id, version: batch.version });
      const { boards, taken } = await this.checked(batch, layout, transaction);
      for (const [board, quantity] of taken) await this.rack.take(board, quantity, transaction);
      const offcuts = layout.boards.flatMap(({ stock, offcuts: kept }) =>
        kept.map((offcut) => offcutBoard(boards.find((board) => board.id === stock)!, offcut)),
      );
      if (offcuts.length > 0) await this.rack.add(offcuts, id, transaction);
      await this.batches.accept(id, layout, boards, taken, transaction);
    });
    return (await this.batches.byId(id))!;
  }

  /** Keeps a layout that takes nothing yet. One that breaks a rule or needs boards that are gone is refused. */
  async propose(id: string, layout: Layout): Promise<void> {
    await this.batches.transaction(async (transaction) => {
      const batch = await this.batches.byId(id, transaction, true);
      if (!batch) throw notFound('batch');
      if (batch.accepted)
        throw conflict(
          'The boards of this batch are taken',
          'Give them back before laying it out again.',
        );
      await this.checked(batch, layout, transaction);
      await this.batches.propose(id, layout, transaction);
    });
  }

  /** Gives the boards back and takes the offcuts off again, unless one of them is already in use. */
  async giveBack(id: string, version: number): Promise<BatchRecord> {
    await this.batches.transaction(async (transaction) => {
      const batch = await this.batches.byId(id, transaction, true);
      if (!batch) throw notFound('batch');
      if (!batch.accepted)
        throw conflict(
          'No boards are taken',
          'They were given back before, or never taken.',
          batch.id,
        );
      if (batch.version !== version) throw stale('batch', { id: batch.id, version: batch.version });
      const offcuts = await this.rack.offcutsOf(id, transaction);
      const used = offcuts.filter((offcut) => !offcut.untouched);
      if (used.length > 0) {
        throw conflict(
          'An offcut of this batch has been used or changed since',
          `${used.map((offcut) => offcut.name).join(', ')}: what is sawn cannot be given back whole. Nothing was changed.`,
        );
      }
      await this.rack.forget(
        offcuts.map((offcut) => offcut.id),
        transaction,
      );
      for (const { boardId, quantity } of await this.batches.takenBy(id, transaction))
        await this.rack.putBack(boardId, quantity, transaction);
      await this.batches.forgetAcceptance(id, transaction);
    });
    return (await this.batches.byId(id))!;
  }

  /** The boards that a layout needs, locked and counted, if it breaks no rule on them. */
  private async checked(
    batch: BatchRecord,
    layout: Layout,
    transaction: Transaction,
  ): Promise<{ boards: BoardRecord[]; taken: Map<string, number> }> {
    const taken = new Map<string, number>();
    for (const { stock } of layout.boards) taken.set(stock, (taken.get(stock) ?? 0) + 1);
    if (taken.size === 0)
      throw unsound('This layout uses no board', [
        { path: 'layout.boards', message: 'there is nothing to take' },
      ]);
    const boards = await this.rack.byIds([...taken.keys()], transaction, true);
    const gone = [...taken].filter(
      ([board, quantity]) => (boards.find((each) => each.id === board)?.quantity ?? 0) < quantity,
    );
    if (gone.length > 0) {
      const which =
        gone.length === 1 ? 'One kind of board is' : `${gone.length} kinds of boards are`;
      throw conflict(
        'The rack has changed',
        `${which} no longer there in the number this layout needs. Lay the batch out again.`,
      );
    }
    const made = layoutJob(batchQuestion(batch, boards));
    if (!made.ok)
      throw unsound(
        'This plan gives no sound box',
        made.refusals.map(({ field, message }) => ({ path: `plan.${field}`, message })),
      );
    const broken = checkLayout(sortPins(made.job).job, layout);
    if (broken.length > 0)
      throw unsound(
        'This layout breaks a rule',
        broken.map(({ rule, path, message }) => ({
          path: `layout.${path}`,
          message: `rule ${rule}: ${message}`,
        })),
      );
    return { boards, taken };
  }
}

type Transaction = Parameters<Parameters<BatchesRepository['transaction']>[0]>[0];
