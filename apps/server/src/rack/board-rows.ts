import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import { zoneFile, zoneFromFile, zoneToFile } from '@spare-knot/core/exchange';
import { type BoardKind, type Defect, factsOf } from '@spare-knot/core/wood';

import { type KeptRow, parsedJson } from '../database/kept-table.js';

/** Columns of a kind of wood, wherever it is kept. */
export interface WoodColumns {
  material: string;
  thickness: number;
  width: number;
  length: number;
  face_a: 'rough' | 'planed';
  face_b: 'rough' | 'planed';
  price: number | null;
  grained: number;
  treatment: string;
  grade: string | null;
  stamp: string | null;
  old_paint: number;
  /** Words apart by blanks. */
  assumed: string;
}

export interface BoardRow extends KeptRow, WoodColumns {
  name: string;
  quantity: number;
  offcut: number;
  planed_from: number | null;
  planed_by: 'hand' | 'machine' | null;
  from_batch: string | null;
  restorable: number;
}

export interface DefectRow {
  board_id: string;
  position: number;
  kind: Defect['kind'];
  zone: string;
}

type Wood = Omit<BoardKind, 'offcut' | 'defects' | 'planed'>;

/** What is known of a kind of wood, as columns. */
export const woodColumns = (wood: Wood) => ({
  material: wood.material,
  thickness: wood.thickness,
  width: wood.width,
  length: wood.length,
  face_a: wood.faceA,
  face_b: wood.faceB,
  price: wood.price,
  grained: wood.grained,
  treatment: wood.treatment ?? 'none',
  grade: wood.grade ?? null,
  stamp: wood.stamp ?? null,
  old_paint: wood.oldPaint ?? false,
  assumed: (wood.assumed ?? []).join(' '),
});

export const columnsOf = (board: Omit<NewBoard, 'defects'>) => ({
  name: board.name,
  quantity: board.quantity,
  ...woodColumns(board),
  offcut: board.offcut,
  planed_from: board.planed?.from ?? null,
  planed_by: board.planed?.by ?? null,
});

export const defectColumns = (board: string, defects: readonly Defect[]) =>
  defects.map((defect, position) => ({
    board_id: board,
    position,
    kind: defect.kind,
    zone: JSON.stringify(zoneToFile(defect.zone)),
  }));

/** A kind of wood out of its columns. */
export const woodOf = (row: WoodColumns): Wood => ({
  material: row.material,
  thickness: row.thickness,
  width: row.width,
  length: row.length,
  faceA: row.face_a,
  faceB: row.face_b,
  price: row.price,
  grained: row.grained === 1,
  ...factsOf({
    assumed: row.assumed.split(' ').filter((each) => each !== ''),
    treatment: row.treatment,
    grade: row.grade,
    stamp: row.stamp,
    oldPaint: row.old_paint === 1,
  }),
});

/** A board with its own defects, in their order. */
export const recordOf = (row: BoardRow, defects: readonly DefectRow[]): BoardRecord => ({
  id: row.id,
  version: row.version,
  name: row.name,
  quantity: row.quantity,
  ...woodOf(row),
  offcut: row.offcut === 1,
  ...(row.planed_from !== null &&
    row.planed_by !== null && { planed: { from: row.planed_from, by: row.planed_by } }),
  fromBatch: row.from_batch,
  defects: defects.map((defect) => ({
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
  ...factsOf(board),
  ...(board.planed && { planed: board.planed }),
});

/** Whether two boards are of one kind: everything but name and number. */
export const isSameKind = (a: BoardKind, b: BoardKind): boolean =>
  JSON.stringify(kindOf(a)) === JSON.stringify(kindOf(b));

/** A board's kind in a few words, for hashes. */
export const kindKey = (board: BoardKind): string => JSON.stringify(kindOf(board));
