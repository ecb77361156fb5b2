import { Injectable } from '@nestjs/common';
import {
  type BoardChange,
  type BoardRecord,
  eachOf,
  type NewBoard,
  type Rows,
} from '@spare-knot/core/api';
import { at } from '@spare-knot/core/lists';
import { Database } from '../database/database.js';
import { inBulk, KeptTable } from '../database/kept-table.js';
import {
  type BoardRow,
  columnsOf,
  type DefectRow,
  defectColumns,
  isSameKind,
  recordOf,
} from './board-rows.js';
import { LedgerRepository } from './ledger.repository.js';

/** The rack's tables. Every board that comes or goes is written into the ledger. */
@Injectable()
export class RackRepository {
  private readonly boards: KeptTable<BoardRow>;

  constructor(
    private readonly database: Database,
    private readonly ledger: LedgerRepository,
  ) {
    this.boards = new KeptTable(database, 'boards');
  }

  /** Boards in the order they came, oldest first; used-up and deleted ones left out. */
  async rows(): Promise<Rows<BoardRecord>> {
    const rows = await this.boards
      .there()
      .where('quantity', '>', 0)
      .orderBy([{ column: 'created_at' }, { column: 'id' }]);
    return this.each(rows as BoardRow[]);
  }

  async list(): Promise<BoardRecord[]> {
    return (await this.rows()).kept;
  }

  async byIds(ids: readonly string[], lock = false): Promise<BoardRecord[]> {
    return this.withDefects(await this.boards.byIds(ids, lock));
  }

  /** Puts boards on the rack: the maker's, or offcuts that a batch gives. */
  add(boards: readonly NewBoard[], fromBatch: string | null = null): Promise<BoardRecord[]> {
    return this.database.transaction(async () => {
      const ids = await this.insertMany(boards, fromBatch);
      const entries = ids.map((board, index) => ({ board, quantity: at(boards, index).quantity }));
      await this.ledger.writeAll(fromBatch ? 'given' : 'added', entries, fromBatch);
      return this.inOrder(ids);
    });
  }

  /** Writes a board if its version is still the one that was read; undefined when it is not. */
  change(id: string, change: BoardChange): Promise<BoardRecord | undefined> {
    return this.database.transaction(async () => {
      const before = await this.boards.byId(id, true);
      if (!before || !(await this.boards.update(id, change.version, columnsOf(change))))
        return undefined;
      await this.ledger.write('counted', id, change.quantity - before.quantity);
      await this.database.now('defects').where({ board_id: id }).delete();
      await inBulk(this.database, 'defects', defectColumns(id, change.defects));
      return (await this.byIds([id]))[0];
    });
  }

  /** Takes one board out of a pile of equal ones, so that it can have defects of its own. */
  split(id: string, version: number): Promise<BoardRecord | undefined> {
    return this.database.transaction(async () => {
      const [pile] = await this.byIds([id], true);
      if (!pile || pile.quantity < 2) return undefined;
      const quantity = pile.quantity - 1;
      if (!(await this.boards.update(id, version, { quantity }))) return undefined;
      const single = await this.insert({ ...pile, quantity: 1 }, pile.fromBatch);
      await this.ledger.write('split', id, -1);
      await this.ledger.write('split', single, 1);
      return (await this.byIds([single]))[0];
    });
  }

  /** Throws boards away; false when somebody changed them first. */
  remove(id: string, version: number): Promise<boolean> {
    return this.database.transaction(async () => {
      const before = await this.boards.byId(id, true);
      if (!before || !(await this.boards.remove(id, version))) return false;
      await this.ledger.write('thrown', id, -before.quantity);
      return true;
    });
  }

  /** Puts back what was thrown away. An offcut that is whole again in its board is not there to be put back. */
  restore(id: string): Promise<BoardRecord | undefined> {
    return this.database.transaction(async () => {
      const back = await this.boards.restore(id, { restorable: true });
      const [board] = await this.byIds([id]);
      if (back && board) await this.ledger.write('restored', id, board.quantity);
      return board;
    });
  }

  /** Takes boards off the rack for a batch; the caller holds their locks and has counted them. */
  async take(
    taken: readonly { board: BoardRecord; quantity: number }[],
    batch: string,
  ): Promise<void> {
    for (const { board, quantity } of taken)
      await this.boards.touch(board.id, { quantity: board.quantity - quantity });
    const entries = taken.map(({ board, quantity }) => ({ board: board.id, quantity: -quantity }));
    await this.ledger.writeAll('taken', entries, batch);
  }

  /**
   * Gives boards back as they were when they were taken: onto their pile where that is still there and of their kind, else as a pile of
   * their own. Gives the id of the pile.
   */
  async putBack(taken: BoardRecord, quantity: number, batch: string): Promise<string> {
    const [there] = await this.byIds([taken.id], true);
    if (there && isSameKind(there, taken)) {
      await this.boards.touch(taken.id, { quantity: there.quantity + quantity });
      await this.ledger.write('back', taken.id, quantity, batch);
      return taken.id;
    }
    const id = await this.insert({ ...taken, quantity }, taken.fromBatch);
    await this.ledger.write('back', id, quantity, batch);
    return id;
  }

  /** Takes an offcut off for good: it is part of its board again. */
  async unmake(id: string, batch: string): Promise<void> {
    await this.boards.touch(id, { quantity: 0, deleted_at: new Date(), restorable: false });
    await this.ledger.write('unmade', id, -1, batch);
  }

  /** Boards in their order, each a millisecond after the one before it. */
  private async insertMany(
    boards: readonly NewBoard[],
    fromBatch: string | null,
  ): Promise<string[]> {
    const began = Date.now();
    const ids = await this.boards.insertMany(
      boards.map((board, index) => ({
        ...columnsOf(board),
        from_batch: fromBatch,
        created_at: new Date(began + index),
      })),
    );
    const defects = ids.flatMap((id, index) => defectColumns(id, at(boards, index).defects));
    await inBulk(this.database, 'defects', defects);
    return ids;
  }

  private async insert(board: NewBoard, fromBatch: string | null): Promise<string> {
    return at(await this.insertMany([board], fromBatch), 0);
  }

  private async inOrder(ids: readonly string[]): Promise<BoardRecord[]> {
    const boards = new Map((await this.byIds(ids)).map((board) => [board.id, board]));
    return ids.flatMap((id) => boards.get(id) ?? []);
  }

  private async each(rows: readonly BoardRow[]): Promise<Rows<BoardRecord>> {
    const own = await this.defectsOf(rows);
    return eachOf(rows, (row) => recordOf(row, own.get(row.id) ?? []));
  }

  private async withDefects(rows: readonly BoardRow[]): Promise<BoardRecord[]> {
    const own = await this.defectsOf(rows);
    return rows.map((row) => recordOf(row, own.get(row.id) ?? []));
  }

  private async defectsOf(rows: readonly BoardRow[]): Promise<Map<string, DefectRow[]>> {
    const defects = await this.database
      .now<DefectRow>('defects')
      .whereIn(
        'board_id',
        rows.map((row) => row.id),
      )
      .orderBy(['board_id', 'position']);
    const own = new Map<string, DefectRow[]>();
    for (const { id } of rows) own.set(id, []);
    for (const defect of defects as DefectRow[]) own.get(defect.board_id)?.push(defect);
    return own;
  }
}
