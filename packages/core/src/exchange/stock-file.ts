import { z } from 'zod';
import type { Stock } from '../layout/job.js';
import type { RackEntry } from '../wood/quick-entry.js';
import { problemsOf, type Read } from './document.js';
import { stock } from './layout-job-file.js';
import { readStockCsv } from './stock-csv.js';

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

/** Boards from a file: CSV, or JSON as in a layout job (the list itself, or an object with `stock`). Any bad line is a problem. */
export function readStock(text: string): Read<Stock[]> {
  if (!/^\s*[[{]/.test(text)) {
    const { entries, problems } = readStockCsv(text);
    return problems.length > 0
      ? { ok: false, problems: problems.map(({ line, message }) => ({ path: `line ${line}`, message })) }
      : { ok: true, value: stockFromEntries(entries) };
  }
  try {
    const raw: unknown = JSON.parse(text);
    const parsed = z.object({ stock: z.array(stock) }).safeParse(Array.isArray(raw) ? { stock: raw } : raw);
    return parsed.success ? { ok: true, value: parsed.data.stock } : { ok: false, problems: problemsOf(parsed.error) };
  } catch (error) {
    return { ok: false, problems: [{ path: '', message: `this is not JSON: ${error instanceof Error ? error.message : String(error)}` }] };
  }
}
