import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import { zoneFile, zoneFromFile, zoneToFile } from '@spare-knot/core/exchange';
import type { BoardKind, Defect } from '@spare-knot/core/wood';

import { type KeptRow, parsedJson } from '../database/kept-table.js';

export interface BoardRow extends KeptRow {
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
  restorable: number;
}

export interface DefectRow {
  board_id: string;
  position: number;
  kind: Defect['kind'];
  zone: string;
}

export const columnsOf = (board: Omit<NewBoard, 'defects'>) => ({
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

export const defectColumns = (board: string, defects: readonly Defect[]) =>
  defects.map((defect, position) => ({
    board_id: board,
    position,
    kind: defect.kind,
    zone: JSON.stringify(zoneToFile(defect.zone)),
  }));

export const recordOf = (row: BoardRow, defects: readonly DefectRow[]): BoardRecord => ({
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
      zone: zoneFromFile(zoneFile.parse(parsedJson(defect.zone))),
    })),
});

const kindOf = (board: BoardKind): BoardKind => ({
  material: board.material,
  thickness: board.thickness,
  width: board.width,
  length: board.length,
  faceA: board.faceA,
  faceB: board.faceB,
  price: board.price,
  offcut: board.offcut,
  grained: board.grained,
  defects: board.defects,
});

/** Whether two boards are of one kind: everything but name and number. */
export const isSameKind = (a: BoardKind, b: BoardKind): boolean =>
  JSON.stringify(kindOf(a)) === JSON.stringify(kindOf(b));

/** A board's kind in a few words, for hashes. */
export const kindKey = (board: BoardKind): string => JSON.stringify(kindOf(board));
