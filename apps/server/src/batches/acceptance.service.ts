import { Injectable } from '@nestjs/common';
import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import type { KeptOffcut, Layout } from '@spare-knot/core/layout';
import { moveZone } from '@spare-knot/core/plane';
import { factsOf, liesOnBoard } from '@spare-knot/core/wood';
import { Database } from '../database/database.js';
import { conflict, notFound, stale } from '../http/problem.js';
import { isSameKind } from '../rack/board-rows.js';
import { RackRepository } from '../rack/rack.repository.js';
import { askedFor, countBoards, shortOf } from './asked.js';
import { type BatchRow, batchOf, layoutOf } from './batch-rows.js';
import { BatchesRepository } from './batches.repository.js';
import { LayoutJudge, woodChanged } from './layout-judge.js';
import {
  type GivenOffcut,
  isAsGiven,
  LayoutsRepository,
  type TakenBoards,
} from './layouts.repository.js';
import { SawingRepository } from './sawing.repository.js';

/** An offcut as it is noted that a batch gave it. */
export const givenAs = ({ id, length, width, thickness }: BoardRecord): GivenOffcut => ({
  id,
  length,
  width,
  thickness,
  piece: null,
});

/** An offcut as it goes on the rack. */
export const offcutBoard = (board: BoardRecord, offcut: KeptOffcut): NewBoard => ({
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
  ...factsOf(board),
  ...(board.planed && { planed: board.planed }),
  defects: board.defects
    .map((defect) => ({ ...defect, zone: moveZone(defect.zone, -offcut.x, -offcut.y) }))
    .filter((defect) => liesOnBoard(defect.zone, offcut.length, offcut.width)),
});

/** Takes a layout's boards off the rack and puts its kept offcuts on, once; and undoes that. */
@Injectable()
export class AcceptanceService {
  constructor(
    private readonly database: Database,
    private readonly batches: BatchesRepository,
    private readonly layouts: LayoutsRepository,
    private readonly rack: RackRepository,
    private readonly judge: LayoutJudge,
    private readonly sawings: SawingRepository,
  ) {}

  /** One transaction. A layout that breaks a rule, a rack that has changed, or a second press changes nothing. */
  accept(id: string, version: number, layout: Layout): Promise<void> {
    return this.database.transaction(async () => {
      const judged = await this.judge.judge(id, layout, version);
      const { rack, offers } = judged.wood;
      if (offers.length > 0)
        throw conflict(
          'Some of these boards are not bought yet',
          `${offers.map(({ name }) => name).join(', ')}: buy them first, then all of it is taken off the rack.`,
        );
      await this.judge.lock(judged);
      const taken = await this.lockedBoards(layout, rack);
      await this.rack.take(taken, id);
      const offcuts = await this.giveOffcuts(layout, rack, id);
      await this.layouts.accept(id, layout, taken, offcuts);
      await this.batches.touch(id);
    });
  }

  /** Keeps a layout that takes nothing yet. One that breaks a rule or needs boards that are gone is refused. */
  propose(id: string, layout: Layout): Promise<void> {
    return this.database.transaction(async () => {
      const judged = await this.judge.judge(id, layout);
      await this.judge.lock(judged);
      await this.layouts.propose(id, layout, askedFor(judged.batch, layout, judged.wood.all));
    });
  }

  /**
   * Gives the boards back as they were and takes the offcuts off again. What counts is how the offcuts are now: they may have been
   * renamed, or taken and given back, but not sawn, measured anew or thrown away.
   */
  giveBack(id: string, version: number): Promise<void> {
    return this.database.transaction(async () => {
      const row = await this.batches.byId(id, true);
      if (!row) throw notFound('batch');
      if (!(await this.judge.isTaken(id)))
        throw conflict('No boards are taken', 'They were given back before, or never taken.', id);
      if (row.version !== version) throw stale('batch', { id, version: row.version });
      await this.forgetPlan(id);
      const offcuts = await this.wholeOffcuts(id);
      for (const { id: offcut } of offcuts) await this.rack.unmake(offcut, id);
      await this.returnBoards(row);
      await this.batches.touch(id);
    });
  }

  /** A cut plan of which nothing is sawn goes with the boards; sawn ones stay. */
  private async forgetPlan(id: string): Promise<void> {
    const round = await this.sawings.lastRound(id, true);
    if (round === undefined) return;
    const at = { batch: id, round };
    const { done, ruined } = await this.sawings.progressOf(at);
    const { length } = done;
    if (length > 0)
      throw conflict(
        'Some of these boards are sawn',
        `${length === 1 ? 'One cut is' : `${length} cuts are`} made: what is sawn cannot be given back whole. Take the cuts back on Saw if they were not made.`,
      );
    if (round > 0 || ruined.length > 0)
      throw conflict(
        'A piece of these boards went wrong',
        'They cannot be given back whole. Take the report back on Saw if it was a mistake.',
      );
    await this.sawings.forget(at);
  }

  /** The boards of a layout under lock, still there and still as they were judged. */
  private async lockedBoards(
    layout: Layout,
    judged: readonly BoardRecord[],
  ): Promise<TakenBoards[]> {
    const counted = countBoards(layout);
    const boards = await this.rack.byIds([...counted.keys()], true);
    const changed = judged.filter((board) => {
      const now = boards.find((each) => each.id === board.id);
      return !now || !isSameKind(now, board);
    });
    const short = new Set([...shortOf(layout, boards), ...changed.map(({ id }) => id)]);
    if (short.size > 0) throw woodChanged(short.size);
    return boards.map((board) => ({ board, quantity: counted.get(board.id) ?? 0 }));
  }

  private async giveOffcuts(
    layout: Layout,
    boards: readonly BoardRecord[],
    batch: string,
  ): Promise<GivenOffcut[]> {
    const given = layout.boards.flatMap(({ stock, offcuts }) => {
      const board = boards.find((each) => each.id === stock);
      return board ? offcuts.map((offcut) => offcutBoard(board, offcut)) : [];
    });
    if (given.length === 0) return [];
    const added = await this.rack.add(given, batch);
    return added.map(givenAs);
  }

  /** The offcuts of a batch under lock, each there and as large as it was given; else it is told which are not. */
  private async wholeOffcuts(batch: string): Promise<GivenOffcut[]> {
    const given = await this.layouts.givenBy(batch);
    const boards = await this.rack.byIds(
      given.map(({ id }) => id),
      true,
    );
    const isWhole = (offcut: GivenOffcut) =>
      isAsGiven(
        offcut,
        boards.find((board) => board.id === offcut.id),
      );
    const used = given.filter((offcut) => !isWhole(offcut));
    if (used.length === 0) return given;
    const names = used.map(
      ({ id }) => boards.find((board) => board.id === id)?.name ?? 'one that was thrown away',
    );
    throw conflict(
      'An offcut of this batch has been used or changed since',
      `${names.join(', ')}: what is sawn cannot be given back whole. Nothing was changed.`,
    );
  }

  private async returnBoards(row: BatchRow): Promise<void> {
    const back: BoardRecord[] = [];
    for (const { board, quantity } of await this.layouts.takenBy(row.id)) {
      const pile = await this.rack.putBack(board, quantity, row.id);
      await this.layouts.follow(board.id, pile);
      back.push(board);
    }
    const kept = await this.layouts.of(row.id);
    const batch = batchOf(row);
    const layout = kept && layoutOf(kept);
    await this.layouts.forgetAcceptance(row.id, layout ? askedFor(batch, layout, back) : '');
  }
}
