import { z } from 'zod';
import { problemsOf } from '../exchange/index.js';

/** A row that is kept and cannot be read: shown as such beside the others, and left as it is. */
export const unreadableRow = z.object({ id: z.string(), name: z.string(), why: z.string() });
export type UnreadableRow = z.output<typeof unreadableRow>;

/** What every list has beside its rows, where there is any. */
export const besideRows = { unreadable: z.array(unreadableRow).optional() };

/** What is kept in a list, and what of it cannot be read. */
export interface Rows<Kept> {
  kept: Kept[];
  unreadable: UnreadableRow[];
}

/** Why something kept does not fit what it is to be. */
function whyNot(error: unknown): string {
  if (error instanceof SyntaxError) return 'a part of it is no JSON';
  if (!(error instanceof z.core.$ZodError)) throw error;
  const [first] = problemsOf(error);
  if (!first) throw error;
  return first.path ? `${first.path}: ${first.message}` : first.message;
}

/** What somebody calls a row. */
function nameOf({ id, name, number }: { id: string; name?: unknown; number?: unknown }): string {
  if (typeof name === 'string' && name.trim() !== '') return name;
  return typeof number === 'number' ? `no. ${number}` : id;
}

/**
 * Each row by itself: one that cannot be read takes the others not down.
 *
 * @param read throws a ZodError or a SyntaxError for a row that cannot be read; anything else it throws is thrown on
 */
export function eachOf<Row extends { id: string }, Kept>(
  rows: readonly Row[],
  read: (row: Row) => Kept,
): Rows<Kept> {
  const found: Rows<Kept> = { kept: [], unreadable: [] };
  for (const row of rows)
    try {
      found.kept.push(read(row));
    } catch (error) {
      found.unreadable.push({ id: row.id, name: nameOf(row), why: whyNot(error) });
    }
  return found;
}
