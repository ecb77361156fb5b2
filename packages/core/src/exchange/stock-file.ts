import { z } from 'zod';
import type { Problem, Stock } from '../job/index.js';
import type { RackEntry } from '../wood/index.js';
import type { CsvReading } from './csv.js';
import { problemsOf, type Read } from './document.js';
import { stock } from './layout-job-file.js';
import { readStockCsv } from './stock-csv.js';
import { NO_END, readYardCsv } from './yard-csv.js';

const slug = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'board';

/** Rack entries as stock of a layout job, ids made from their names and kept apart by numbers. */
export function stockFromEntries(entries: readonly RackEntry[]): Stock[] {
  const used = new Map<string, number>();
  return entries.map(({ name, quantity, kind }) => {
    const base = slug(name);
    const again = (used.get(base) ?? 0) + 1;
    used.set(base, again);
    return { id: again === 1 ? base : `${base}-${again}`, quantity, ...kind };
  });
}

/** Boards that could be read, and what was wrong with the other lines. */
export interface StockReading {
  stock: Stock[];
  problems: Problem[];
}

/** A list of boards as JSON: as in a layout job, the list itself or an object with `stock`. */
function readJson(text: string): Read<StockReading> {
  try {
    const raw: unknown = JSON.parse(text);
    const parsed = z
      .object({ stock: z.array(stock) })
      .safeParse(Array.isArray(raw) ? { stock: raw } : raw);
    return parsed.success
      ? { ok: true, value: { stock: parsed.data.stock, problems: [] } }
      : { ok: false, problems: problemsOf(parsed.error) };
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { ok: false, problems: [{ path: '', message: `this is not JSON: ${why}` }] };
  }
}

function readList<Entry>(
  text: string,
  read: (csv: string) => CsvReading<Entry>,
  stockOf: (entries: readonly Entry[]) => Stock[],
): Read<StockReading> {
  if (/^\s*[[{]/.test(text)) return readJson(text);
  const { entries, problems: found } = read(text);
  const problems = found.map(({ line, message }) => ({ path: `line ${line}`, message }));
  return entries.length === 0 && problems.length > 0
    ? { ok: false, problems }
    : { ok: true, value: { stock: stockOf(entries), problems } };
}

/**
 * Boards from a file: CSV, or JSON as in a layout job (the list itself, or an object with `stock`). Of a CSV the good lines are kept; one
 * without any is a problem, as JSON that is not such a list is.
 */
export const readStock = (text: string): Read<StockReading> =>
  readList(text, readStockCsv, stockFromEntries);

/** What a yard sells, from a file as `readStock` reads it, a CSV with the yard and a price in each line. Where no quantity is said there is no end. */
export const readYard = (text: string): Read<StockReading> =>
  readList(text, readYardCsv, (entries) =>
    stockFromEntries(
      entries.map(({ yard: _yard, name, available, ...kind }) => ({
        name,
        quantity: available ?? NO_END,
        nominal: null,
        kind: { ...kind, offcut: false, defects: [] },
      })),
    ),
  );
