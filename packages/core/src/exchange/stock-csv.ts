import Papa from 'papaparse';
import { at } from '../lists/index.js';
import { type Cents, parseLength, printMoney, type Ticks, toMm } from '../measure/index.js';
import type { Zone } from '../plane/index.js';
import {
  ASSUMABLE,
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
  Unread,
  unread,
  usualFaces,
  type WoodFacts,
} from '../wood/index.js';
import { zoneFile, zoneFromFile, zoneToFile } from './units.js';

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
const NEEDED = ['thickness', 'width', 'length'] as const;

/** What could be read, and a message for each line that could not. Lines count from 1, the header being line 1. */
export interface CsvReading {
  entries: RackEntry[];
  problems: { line: number; message: string }[];
}

/** A defect in one cell: `knot-sound circle 400 60 12; split rect 1700 0 129 140`, millimetres. */
function readDefects(cell: string): Defect[] | string {
  const defects: Defect[] = [];
  for (const text of cell
    .split(';')
    .map((each) => each.trim())
    .filter((each) => each !== '')) {
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

type Cell = (column: string) => string;

function readLengths(cell: Cell): Record<(typeof NEEDED)[number], Ticks> {
  const read = (column: (typeof NEEDED)[number]): Ticks => {
    const parsed = parseLength(cell(column), 'mm');
    if (!parsed.ok) unread(`${column}: ${parsed.message}`);
    if (parsed.ticks <= 0) unread(`${column}: “${cell(column)}” must be above zero`);
    return parsed.ticks;
  };
  return { thickness: read('thickness'), width: read('width'), length: read('length') };
}

function readQuantity(cell: Cell): number {
  const quantity = cell('quantity') === '' ? 1 : Number(cell('quantity'));
  if (!Number.isInteger(quantity) || quantity < 1 || quantity > 1000)
    unread(`quantity: “${cell('quantity')}” is not a whole number from 1 to 1000`);
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

function readRow(row: Record<string, string>): RackEntry {
  const cell: Cell = (column) => (row[column] ?? '').trim();
  const { thickness, width, length } = readLengths(cell);
  const quantity = readQuantity(cell);
  const material = readMaterial(cell);
  const { faceA, faceB, isAssumed } = readFaces(cell, material);
  const facts = readFacts(cell, isAssumed);
  const price = readPrice(cell);
  const defects = readDefects(cell('defects'));
  if (typeof defects === 'string') unread(`defects: ${defects}`);
  const outside = defects.find((defect) => !liesOnBoard(defect.zone, length, width));
  if (outside) unread(`defects: the ${outside.kind} lies outside its board`);
  return {
    name: cell('name').slice(0, 80) || 'Board',
    quantity,
    nominal: null,
    kind: {
      material: material.id,
      thickness,
      width,
      length,
      faceA,
      faceB,
      price,
      offcut: isYes(cell('offcut')),
      grained: material.grained,
      defects,
      ...facts,
    },
  };
}

/** A row of the file with the line it begins on. */
interface Row {
  line: number;
  cells: readonly string[];
  broken: string | null;
}

const linesWithin = (cells: readonly string[]): number =>
  cells.reduce((count, cell) => count + (cell.match(/\r\n|\r|\n/g)?.length ?? 0), 0);

/** Rows with something on them; blank lines count, and so does every line inside a quoted cell. */
function rowsOf(text: string): Row[] {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''));
  let next = 1;
  return data.flatMap((cells, index): Row[] => {
    const line = next;
    next += 1 + linesWithin(cells);
    if (cells.every((cell) => cell.trim() === '')) return [];
    return [{ line, cells, broken: errors.find(({ row }) => row === index)?.message ?? null }];
  });
}

/** What a spreadsheet would take for a formula, and an apostrophe that stands before it or by itself. */
const ESCAPED = /^[=+\-@\t\r'].*$/s;
const unescaped = (cell: string): string =>
  cell.startsWith("'") && ESCAPED.test(cell.slice(1)) ? cell.slice(1) : cell;

const columnNamed = (header: string): string =>
  COLUMNS.find((column) => column.toLowerCase() === header.trim().toLowerCase()) ?? header.trim();

function readCells(columns: readonly string[], { cells, broken }: Row): RackEntry {
  if (broken) unread(broken);
  if (cells.slice(columns.length).some((cell) => cell.trim() !== ''))
    unread(`${cells.length} cells stand in it, the header has ${columns.length}`);
  return readRow(
    Object.fromEntries(columns.map((column, index) => [column, unescaped(cells[index] ?? '')])),
  );
}

/** Reads a rack from CSV. Good lines are kept whatever stands on the others. */
export function readStockCsv(text: string): CsvReading {
  const [header, ...rows] = rowsOf(text);
  const columns = header?.cells.map(columnNamed) ?? [];
  const missing = NEEDED.filter((column) => !columns.includes(column));
  if (missing.length > 0) {
    const message = `the header lacks ${missing.join(', ')}; columns are ${COLUMNS.join(', ')}`;
    return { entries: [], problems: [{ line: header?.line ?? 1, message }] };
  }
  const reading: CsvReading = { entries: [], problems: [] };
  for (const row of rows) {
    try {
      reading.entries.push(readCells(columns, row));
    } catch (error) {
      if (!(error instanceof Unread)) throw error;
      reading.problems.push({ line: row.line, message: error.message });
    }
  }
  return reading;
}

/** A rack as CSV; cells that a spreadsheet would take for a formula are escaped. */
export function writeStockCsv(entries: readonly RackEntry[]): string {
  return Papa.unparse(
    {
      fields: [...COLUMNS],
      data: entries.map(({ name, quantity, kind }) => [
        name,
        quantity,
        kind.material,
        toMm(kind.thickness),
        toMm(kind.width),
        toMm(kind.length),
        kind.faceA,
        kind.faceB,
        kind.price === null ? '' : printMoney(kind.price),
        kind.offcut ? 'yes' : 'no',
        kind.defects.map((defect) => `${defect.kind} ${writeZone(defect.zone)}`).join('; '),
        kind.treatment ?? '',
        kind.grade ?? '',
        kind.stamp ?? '',
        kind.oldPaint ? 'yes' : '',
        kind.assumed?.join(' ') ?? '',
      ]),
    },
    { escapeFormulae: ESCAPED, newline: '\r\n' },
  );
}
