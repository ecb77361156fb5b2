import Papa from 'papaparse';
import { Unread, unread } from '../wood/index.js';

/** What could be read, and a message for each line that could not. Lines count from 1, the header being line 1. */
export interface CsvReading<Entry> {
  entries: Entry[];
  problems: { line: number; message: string }[];
}

/** What stands in a column of a row, without blanks round it; nothing where there is no such column. */
export type Cell = (column: string) => string;

/** A table with a header row: its columns, those that must be there, and how a row is read. Reading throws Unread. */
export interface CsvTable<Entry> {
  columns: readonly string[];
  needed: readonly string[];
  read: (cell: Cell) => Entry;
}

/** A row of the file with the line it begins on. */
interface Row {
  line: number;
  cells: readonly string[];
  broken: string | null;
}

const linesWithin = (cells: readonly string[]): number =>
  cells.reduce((count, cell) => count + (cell.match(/\r\n|\r|\n/g)?.length ?? 0), 0);

/** Lines of one file: a shop of decades has fewer boards, boxes or visits in a winter. A longer list comes in several files. */
const MOST_LINES = 5000;
/** Lines that could not be read, told of one file. */
const MOST_PROBLEMS = 20;

/** Rows with something on them; blank lines count, and so does every line inside a quoted cell. */
function rowsOf(text: string): Row[] {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    preview: MOST_LINES + 2,
  });
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

const columnNamed = (columns: readonly string[], header: string): string =>
  columns.find((column) => column.toLowerCase() === header.trim().toLowerCase()) ?? header.trim();

function cellsOf(columns: readonly string[], { cells, broken }: Row): Cell {
  if (broken) unread(broken);
  if (cells.slice(columns.length).some((cell) => cell.trim() !== ''))
    unread(`${cells.length} cells stand in it, the header has ${columns.length}`);
  return (column) => unescaped(cells[columns.indexOf(column)] ?? '').trim();
}

const notRead = <Entry>(line: number, message: string): CsvReading<Entry> => ({
  entries: [],
  problems: [{ line, message }],
});

/** The first of them, and how many more there are. */
function firstOf(problems: CsvReading<unknown>['problems']): CsvReading<unknown>['problems'] {
  const next = problems[MOST_PROBLEMS];
  if (!next) return problems;
  const more = problems.length - MOST_PROBLEMS;
  return [
    ...problems.slice(0, MOST_PROBLEMS),
    { line: next.line, message: `from here on ${more} more lines cannot be read` },
  ];
}

/** Reads a table from CSV, RFC 4180. Good lines are kept whatever stands on the others; of a file that is too long none is. */
export function readCsv<Entry>(text: string, table: CsvTable<Entry>): CsvReading<Entry> {
  const [header, ...rows] = rowsOf(text);
  const columns = header?.cells.map((each) => columnNamed(table.columns, each)) ?? [];
  const missing = table.needed.filter((column) => !columns.includes(column));
  if (missing.length > 0) {
    const message = `the header lacks ${missing.join(', ')}; columns are ${table.columns.join(', ')}`;
    return notRead(header?.line ?? 1, message);
  }
  if (rows.length > MOST_LINES)
    return notRead(
      MOST_LINES + 1,
      `one file has ${MOST_LINES} lines at most: split it into several`,
    );
  const reading: CsvReading<Entry> = { entries: [], problems: [] };
  for (const row of rows) {
    try {
      reading.entries.push(table.read(cellsOf(columns, row)));
    } catch (error) {
      if (!(error instanceof Unread)) throw error;
      reading.problems.push({ line: row.line, message: error.message });
    }
  }
  return { entries: reading.entries, problems: firstOf(reading.problems) };
}

/** A table as CSV; cells that a spreadsheet would take for a formula are escaped. */
export const writeCsv = (
  columns: readonly string[],
  rows: readonly (readonly (string | number)[])[],
): string =>
  Papa.unparse(
    { fields: [...columns], data: rows.map((row) => [...row]) },
    { escapeFormulae: ESCAPED, newline: '\r\n' },
  );

/** What stands in a column where only some words may; throws Unread. */
export const oneOf = <T extends string>(options: readonly T[], said: string, column: string): T =>
  options.find((each) => each === said) ??
  unread(`${column}: “${said}” is none of ${options.join(', ')}`);
