import { unread } from '../wood/index.js';
import { type Cell, type CsvReading, readCsv, writeCsv } from './csv.js';
import { NEEDED, readQuantity, readWholeBoard, wholeBoardCells } from './stock-csv.js';

/** How many there are where no end is said: more than any batch needs of one kind of board. */
export const NO_END = 100_000;

/** Columns of a yard list as CSV: those of whole boards on a rack, and which yard it is. Without a quantity there is no end of them. */
const COLUMNS = [
  'yard',
  'name',
  'quantity',
  'material',
  'thickness',
  'width',
  'length',
  'faceA',
  'faceB',
  'price',
  'treatment',
  'grade',
  'stamp',
  'oldPaint',
  'assumed',
] as const;

/** Whole boards of one kind, as a yard lists them. */
export interface YardEntry extends ReturnType<typeof readWholeBoard> {
  yard: string;
  name: string;
  available: number | null;
}

const YARD_AND_PRICE = ['yard', 'price'] as const;

function readRow(cell: Cell): YardEntry {
  const yard = cell('yard').slice(0, 80);
  if (yard === '') unread('yard: which yard sells it?');
  if (cell('price') === '') unread('price: what does one cost? A yard list says it');
  const name = cell('name').slice(0, 80) || 'Board';
  return { yard, name, available: readQuantity(cell('quantity')), ...readWholeBoard(cell) };
}

/** Reads what yards sell from CSV. Good lines are kept whatever stands on the others. */
export const readYardCsv = (text: string): CsvReading<YardEntry> =>
  readCsv(text, { columns: COLUMNS, needed: [...YARD_AND_PRICE, ...NEEDED], read: readRow });

/** A yard list as CSV. */
export const writeYardCsv = (entries: readonly YardEntry[]): string =>
  writeCsv(
    COLUMNS,
    entries.map(({ yard, name, available, ...kind }) => {
      const cells: Record<(typeof COLUMNS)[number], string | number> = {
        yard,
        name,
        quantity: available ?? '',
        ...wholeBoardCells(kind),
      };
      return COLUMNS.map((column) => cells[column]);
    }),
  );
