import {
  acceptedLayout,
  type BatchPatch,
  type BatchRecord,
  layoutWishes,
  making,
  mendedBoxes,
  type NewBatch,
  NO_MAKING,
  NO_WISHES,
  readyPanels,
} from '@spare-knot/core/api';
import { layoutDocument, planDocument, problemsOf, saw } from '@spare-knot/core/exchange';

import { z } from 'zod';
import { type KeptRow, parsedJson } from '../database/kept-table.js';
import { unsound } from '../http/problem.js';

export interface BatchRow extends KeptRow {
  name: string;
  boxes: number;
  units: 'inch' | 'mm';
  division: BatchRecord['division'];
  plan: string;
  saw: string;
  wishes: string | null;
  making: string | null;
  ready: string | null;
  mends: string | null;
  changed_at: Date;
}

export interface LayoutRow {
  batch_id: string;
  layout: string;
  boards: string | null;
  accepted_at: Date | null;
  asked: string | null;
}

/** Documents that were read lately, by their words: the same plan is listed again and again. Nobody changes what was read. */
const lately = new Map<string, unknown>();
/** Letters of all of them together, and of one: what is longer is read anew, so that large layouts do not fill the memory. */
const MOST_LETTERS = { all: 20_000_000, one: 200_000 };
let letters = 0;

function remember(words: string, read: unknown): void {
  if (words.length > MOST_LETTERS.one) return;
  if (letters + words.length > MOST_LETTERS.all) {
    lately.clear();
    letters = 0;
  }
  lately.set(words, read);
  letters += words.length;
}

/** A document that was kept and cannot be read any more is told with its paths; nothing else suffers by it. */
function reading<S extends z.ZodType>(schema: S, kept: unknown, where: string): z.output<S> {
  const words = `${where} ${typeof kept === 'string' ? kept : JSON.stringify(kept)}`;
  const known = lately.get(words);
  if (known !== undefined) return known as z.output<S>;
  const read = schema.safeParse(parsedJson(kept));
  if (read.success) {
    remember(words, read.data);
    return read.data;
  }
  const errors = problemsOf(read.error).map(({ path, message }) => ({
    path: path ? `${where}.${path}` : where,
    message,
  }));
  throw unsound('This batch cannot be read as it is kept', errors);
}

export const planOf = (row: Pick<BatchRow, 'plan'>) => reading(planDocument, row.plan, 'plan');

export const readyOf = (row: Pick<BatchRow, 'ready'>) =>
  row.ready ? reading(readyPanels, row.ready, 'ready') : [];

export const mendsOf = (row: Pick<BatchRow, 'mends'>) =>
  row.mends ? reading(mendedBoxes, row.mends, 'mends') : null;

/** When it is to be up, where that can be read. */
export const upByOf = (row: Pick<BatchRow, 'making'>): string | null =>
  (row.making && making.safeParse(parsedJson(row.making)).data?.upBy) ?? null;

/** What a batch is laid out for, in the row's own words. */
export const batchOf = (row: BatchRow) => ({
  id: row.id,
  version: row.version,
  name: row.name,
  boxes: row.boxes,
  units: row.units,
  division: row.division,
  plan: planOf(row),
  saw: reading(saw, row.saw, 'saw'),
  wishes: row.wishes ? reading(layoutWishes, row.wishes, 'wishes') : NO_WISHES,
  making: row.making ? reading(making, row.making, 'making') : NO_MAKING,
  ready: readyOf(row),
  mends: mendsOf(row),
  changedAt: row.changed_at.toISOString(),
});
export type BatchAlone = ReturnType<typeof batchOf>;

export const layoutOf = (row: LayoutRow) => reading(layoutDocument, row.layout, 'layout');

export const acceptedOf = (row: LayoutRow & { accepted_at: Date }) =>
  reading(
    acceptedLayout,
    {
      layout: parsedJson(row.layout),
      boards: parsedJson(row.boards),
      acceptedAt: row.accepted_at.toISOString(),
    },
    'accepted',
  );

/** The columns of what a batch says; of a part of it, those columns alone. */
export const columnsOf = (batch: NewBatch | Omit<BatchPatch, 'version'>) => ({
  ...(batch.name !== undefined && { name: batch.name }),
  ...(batch.boxes !== undefined && { boxes: batch.boxes }),
  ...(batch.units !== undefined && { units: batch.units }),
  ...(batch.division !== undefined && { division: batch.division }),
  ...(batch.plan !== undefined && {
    plan: JSON.stringify(z.encode(planDocument, batch.plan)),
  }),
  ...(batch.saw !== undefined && { saw: JSON.stringify(z.encode(saw, batch.saw)) }),
  ...(batch.wishes !== undefined && {
    wishes: JSON.stringify(z.encode(layoutWishes, batch.wishes)),
  }),
  ...(batch.making !== undefined && { making: JSON.stringify(z.encode(making, batch.making)) }),
  changed_at: new Date(),
});
