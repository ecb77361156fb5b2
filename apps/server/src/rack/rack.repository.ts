import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import type { BoardChange, BoardRecord, NewBoard } from '@spare-knot/core/api';
import { zoneFile, zoneFromFile, zoneToFile } from '@spare-knot/core/exchange';
import type { Defect } from '@spare-knot/core/wood';
import type { Knex } from 'knex';
import { DATABASE } from '../database/database.module.js';

interface BoardRow {
  id: string;
  version: number;
  name: string;
  quantity: number;
  material: string;
  thickness: number;
  width: number;
  length: number;
  face_a: 'rough' | 'planed';
  face_b: 'rough' | 'planed';
  price: number | null;
  offcut: number;
  grained: number;
  from_batch: string | null;
  deleted_at: Date | null;
}
interface DefectRow {
  board_id: string;
  position: number;
  kind: Defect['kind'];
  zone: string;
}

const columnsOf = (board: Omit<NewBoard, 'defects'>) => ({
  name: board.name,
  quantity: board.quantity,
  material: board.material,
  thickness: board.thickness,
  width: board.width,
  length: board.length,
  face_a: board.faceA,
  face_b: board.faceB,
  price: board.price,
  offcut: board.offcut,
  grained: board.grained,
});

/** The rack's tables. The only place that knows their SQL. */
@Injectable()
export class RackRepository {
  constructor(@Inject(DATABASE) private readonly database: Knex) {}

  /** Boards in the order they came, oldest first; used-up and deleted ones left out. */
  async list(inside: Knex = this.database): Promise<BoardRecord[]> {
    const rows = await inside<BoardRow>('boards')
      .whereNull('deleted_at')
      .where('quantity', '>', 0)
      .orderBy([{ column: 'created_at' }, { column: 'id' }]);
    return this.withDefects(rows, inside);
  }

  async byIds(
    ids: readonly string[],
    inside: Knex = this.database,
    lock = false,
  ): Promise<BoardRecord[]> {
    const query = inside<BoardRow>('boards')
      .whereIn('id', [...ids])
      .whereNull('deleted_at')
      .orderBy('id');
    return this.withDefects(await (lock ? query.forUpdate() : query), inside);
  }

  async add(
    boards: readonly NewBoard[],
    fromBatch: string | null = null,
    inside?: Knex.Transaction,
  ): Promise<BoardRecord[]> {
    const write = async (transaction: Knex.Transaction) => {
      const now = Date.now();
      const ids: string[] = [];
      for (const [index, board] of boards.entries()) {
        const id = randomUUID();
        ids.push(id);
        await transaction('boards').insert({
          id,
          ...columnsOf(board),
          from_batch: fromBatch,
          created_at: new Date(now + index),
        });
        await this.writeDefects(id, board.defects, transaction);
      }
      const added = await this.byIds(ids, transaction);
      return ids.map((id) => added.find((board) => board.id === id)!);
    };
    return inside ? write(inside) : this.database.transaction(write);
  }

  /** Writes a board if its version is still the one that was read; undefined when it is not. */
  async change(id: string, change: BoardChange): Promise<BoardRecord | undefined> {
    return this.database.transaction(async (transaction) => {
      const touched = await transaction('boards')
        .where({ id, version: change.version })
        .whereNull('deleted_at')
        .update({ ...columnsOf(change), version: change.version + 1 });
      if (touched === 0) return undefined;
      await transaction('defects').where({ board_id: id }).delete();
      await this.writeDefects(id, change.defects, transaction);
      return (await this.byIds([id], transaction))[0];
    });
  }

  /** Takes one board out of a pile of equal ones, so that it can have defects of its own. */
  async split(id: string, version: number): Promise<BoardRecord | undefined> {
    return this.database.transaction(async (transaction) => {
      const touched = await transaction('boards')
        .where({ id, version })
        .where('quantity', '>', 1)
        .whereNull('deleted_at')
        .update({ quantity: transaction.raw('quantity - 1'), version: version + 1 });
      if (touched === 0) return undefined;
      const [pile] = await this.byIds([id], transaction);
      const [single] = await this.add([{ ...pile!, quantity: 1 }], pile!.fromBatch, transaction);
      return single;
    });
  }

  async remove(id: string, version: number): Promise<boolean> {
    return (
      (await this.database('boards')
        .where({ id, version })
        .whereNull('deleted_at')
        .update({ deleted_at: new Date(), version: version + 1 })) > 0
    );
  }

  async restore(id: string): Promise<BoardRecord | undefined> {
    await this.database('boards')
      .where({ id })
      .whereNotNull('deleted_at')
      .update({ deleted_at: null, version: this.database.raw('version + 1') });
    return (await this.byIds([id]))[0];
  }

  /** Takes boards off the rack; false when there are not so many. */
  async take(id: string, quantity: number, transaction: Knex.Transaction): Promise<boolean> {
    const touched = await transaction('boards')
      .where({ id })
      .where('quantity', '>=', quantity)
      .whereNull('deleted_at')
      .update({
        quantity: transaction.raw('quantity - ?', [quantity]),
        version: transaction.raw('version + 1'),
      });
    return touched > 0;
  }

  async putBack(id: string, quantity: number, transaction: Knex.Transaction): Promise<void> {
    await transaction('boards')
      .where({ id })
      .update({
        quantity: transaction.raw('quantity + ?', [quantity]),
        deleted_at: null,
        version: transaction.raw('version + 1'),
      });
  }

  /** Offcuts of a batch as they were put on the rack, and whether each is still untouched. */
  async offcutsOf(
    batchId: string,
    transaction: Knex.Transaction,
  ): Promise<{ id: string; name: string; untouched: boolean }[]> {
    const rows = await transaction<BoardRow>('boards')
      .where({ from_batch: batchId })
      .whereNull('deleted_at')
      .forUpdate();
    return rows.map((row) => ({
      id: row.id,
      name: row.name,
      untouched: row.version === 1 && row.quantity === 1,
    }));
  }

  async forget(ids: readonly string[], transaction: Knex.Transaction): Promise<void> {
    await transaction('boards')
      .whereIn('id', [...ids])
      .delete();
  }

  private async writeDefects(
    id: string,
    defects: readonly Defect[],
    transaction: Knex.Transaction,
  ): Promise<void> {
    if (defects.length === 0) return;
    await transaction('defects').insert(
      defects.map((defect, position) => ({
        board_id: id,
        position,
        kind: defect.kind,
        zone: JSON.stringify(zoneToFile(defect.zone)),
      })),
    );
  }

  private async withDefects(rows: readonly BoardRow[], inside: Knex): Promise<BoardRecord[]> {
    const defects = await inside<DefectRow>('defects')
      .whereIn(
        'board_id',
        rows.map((row) => row.id),
      )
      .orderBy(['board_id', 'position']);
    return rows.map((row) => ({
      id: row.id,
      version: row.version,
      name: row.name,
      quantity: row.quantity,
      material: row.material,
      thickness: row.thickness,
      width: row.width,
      length: row.length,
      faceA: row.face_a,
      faceB: row.face_b,
      price: row.price,
      offcut: row.offcut === 1,
      grained: row.grained === 1,
      fromBatch: row.from_batch,
      defects: defects
        .filter((defect) => defect.board_id === row.id)
        .map((defect) => ({
          kind: defect.kind,
          zone: zoneFromFile(
            zoneFile.parse(typeof defect.zone === 'string' ? JSON.parse(defect.zone) : defect.zone),
          ),
        })),
    }));
  }
}
