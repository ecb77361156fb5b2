import { at } from '../lists/index.js';
import { type Cents, parseLength, printMoney, type Ticks, toMm } from '../measure/index.js';
import type { Zone } from '../plane/index.js';
import {
  ASSUMABLE,
  type BoardKind,
  DEFECT_KINDS,
  type Defect,
  type Face,
  factsOf,
  liesOnBoard,
  MATERIALS,
  type Material,
  materialById,
  materialIn,
  type RackEntry,
  unread,
  usualFaces,
  type WoodFacts,
} from '../wood/index.js';
import { type Cell, type CsvReading, readCsv, writeCsv } from './csv.js';
import { MOST_DEFECTS, zoneFile, zoneFromFile, zoneToFile } from './units.js';

/** Columns of a rack as CSV, RFC 4180 with a header row. Lengths in millimetres unless they carry a unit. */
const COLUMNS = [
  'name',
  'quantity',
  'material',
  'thickness',
  'width',
  'length',
  'faceA',
  'faceB',
  'price',
  'offcut',
  'defects',
  'treatment',
  'grade',
  'stamp',
  'oldPaint',
  'assumed',
] as const;
export const NEEDED = ['thickness', 'width', 'length'] as const;

/** A defect in one cell: `knot-sound circle 400 60 12; split rect 1700 0 129 140`, millimetres. */
function readDefects(cell: string): Defect[] | string {
  const defects: Defect[] = [];
  const texts = cell
    .split(';')
    .map((each) => each.trim())
    .filter((each) => each !== '');
  if (texts.length > MOST_DEFECTS) return `${texts.length} of them; ${MOST_DEFECTS} are read`;
  for (const text of texts) {
    const [kind, shape, ...numbers] = text.split(/\s+/);
    const known = DEFECT_KINDS.find((each) => each === kind);
    if (!known) return `“${kind}” is no defect; known are ${DEFECT_KINDS.join(', ')}`;
    const values = numbers.map(Number);
    const pairs = Array.from({ length: Math.floor(values.length / 2) }, (_unused, at) =>
      values.slice(2 * at, 2 * at + 2),
    );
    const parsed = zoneFile.safeParse({ [shape ?? '']: shape === 'polygon' ? pairs : values });
    if (!parsed.success)
      return `“${text}” is not read: a defect is its kind, then circle x y r, or rect x y w h`;
    defects.push({ kind: known, zone: zoneFromFile(parsed.data) });
  }
  return defects;
}

const writeZone = (zone: Zone): string => {
  const [shape, numbers] = at(Object.entries(zoneToFile(zone)), 0);
  return `${shape} ${(numbers as number[]).flat().join(' ')}`;
};

function readLengths(cell: Cell): Record<(typeof NEEDED)[number], Ticks> {
  const read = (column: (typeof NEEDED)[number]): Ticks => {
    const parsed = parseLength(cell(column), 'mm');
    if (!parsed.ok) unread(`${column}: ${parsed.message}`);
    if (parsed.ticks <= 0) unread(`${column}: “${cell(column)}” must be above zero`);
    return parsed.ticks;
  };
  return { thickness: read('thickness'), width: read('width'), length: read('length') };
}

/** A number of boards; null where none is said. */
export function readQuantity(said: string): number | null {
  if (said === '') return null;
  const quantity = Number(said);
  if (!Number.isInteger(quantity) || quantity < 1 || quantity > 1000)
    unread(`quantity: “${said}” is not a whole number from 1 to 1000`);
  return quantity;
}

function readMaterial(cell: Cell): Material {
  const said = cell('material');
  const known = MATERIALS.map((each) => each.id).join(', ');
  if (said === '') unread(`material: which wood is it? Known are ${known}`);
  const material = materialById(said) ?? materialIn(said.toLowerCase());
  return material ?? unread(`material: “${said}” is not known; known are ${known}`);
}

const isFace = (said: string): said is Face => said === 'rough' || said === 'planed';

/** Faces as they are said; what is not said is as such boards usually are, and stands as assumed. */
function readFaces(cell: Cell, wood: Material) {
  const usual = usualFaces(cell('name').toLowerCase(), wood, null);
  const read = (said: string): Face => {
    if (said === '') return usual;
    return isFace(said) ? said : unread('faceA, faceB: a face is rough or planed');
  };
  const [faceA, faceB] = [read(cell('faceA')), read(cell('faceB'))];
  return { faceA, faceB, isAssumed: cell('faceA') === '' || cell('faceB') === '' };
}

const isYes = (said: string): boolean => /^(true|yes|1)$/i.test(said);

function readFacts(cell: Cell, facesAssumed: boolean): WoodFacts {
  const assumed = cell('assumed')
    .split(/[\s,;]+/)
    .filter((each) => each !== '');
  const stray = assumed.find((each) => !ASSUMABLE.some((known) => known === each));
  if (stray) unread(`assumed: “${stray}” is not known; known are ${ASSUMABLE.join(', ')}`);
  return factsOf({
    assumed: [...new Set([...assumed, ...(facesAssumed ? ['faces'] : [])])],
    treatment: cell('treatment') || 'none',
    grade: cell('grade') || null,
    stamp: cell('stamp') || null,
    oldPaint: isYes(cell('oldPaint')),
  });
}

function readPrice(cell: Cell): Cents | null {
  if (cell('price') === '') return null;
  const price = Number(cell('price').replace(',', '.'));
  if (!(price >= 0 && price < 1e7)) unread(`price: “${cell('price')}” is not an amount`);
  return Math.round(price * 100);
}

/** What is known of whole boards, whoever lists them. */
export function readWholeBoard(cell: Cell) {
  const { thickness, width, length } = readLengths(cell);
  const material = readMaterial(cell);
  const { faceA, faceB, isAssumed } = readFaces(cell, material);
  return {
    material: material.id,
    thickness,
    width,
    length,
    faceA,
    faceB,
    price: readPrice(cell),
    grained: material.grained,
    ...readFacts(cell, isAssumed),
  };
}

function readDefectsOn(cell: Cell, length: Ticks, width: Ticks): Defect[] {
  const defects = readDefects(cell('defects'));
  if (typeof defects === 'string') unread(`defects: ${defects}`);
  const outside = defects.find((defect) => !liesOnBoard(defect.zone, length, width));
  if (outside) unread(`defects: the ${outside.kind} lies outside its board`);
  return defects;
}

function readRow(cell: Cell): RackEntry {
  const board = readWholeBoard(cell);
  return {
    name: cell('name').slice(0, 80) || 'Board',
    quantity: readQuantity(cell('quantity')) ?? 1,
    nominal: null,
    kind: {
      ...board,
      offcut: isYes(cell('offcut')),
      defects: readDefectsOn(cell, board.length, board.width),
    },
  };
}

/** Reads a rack from CSV. Good lines are kept whatever stands on the others. */
export const readStockCsv = (text: string): CsvReading<RackEntry> =>
  readCsv(text, { columns: COLUMNS, needed: NEEDED, read: readRow });

/** The cells of whole boards, in the order of their columns. */
export const wholeBoardCells = (kind: Omit<BoardKind, 'offcut' | 'defects'>) => ({
  material: kind.material,
  thickness: toMm(kind.thickness),
  width: toMm(kind.width),
  length: toMm(kind.length),
  faceA: kind.faceA,
  faceB: kind.faceB,
  price: kind.price === null ? '' : printMoney(kind.price),
  treatment: kind.treatment ?? '',
  grade: kind.grade ?? '',
  stamp: kind.stamp ?? '',
  oldPaint: kind.oldPaint ? 'yes' : '',
  assumed: kind.assumed?.join(' ') ?? '',
});

/** A rack as CSV. */
export const writeStockCsv = (entries: readonly RackEntry[]): string =>
  writeCsv(
    COLUMNS,
    entries.map(({ name, quantity, kind }) => {
      const cells: Record<(typeof COLUMNS)[number], string | number> = {
        name,
        quantity,
        ...wholeBoardCells(kind),
        offcut: kind.offcut ? 'yes' : 'no',
        defects: kind.defects
          .map((defect) => `${defect.kind} ${writeZone(defect.zone)}`)
          .join('; '),
      };
      return COLUMNS.map((column) => cells[column]);
    }),
  );
