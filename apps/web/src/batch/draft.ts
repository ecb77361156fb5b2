import { type BatchPatch, batchPatch, type NewBatch, newBatch } from '@spare-knot/core/api';

import { z } from 'zod';
import { sameValue } from './change-paths';

/** The part of a batch that the maker edits. */
export type Draft = NewBatch;
export type DraftField = keyof Draft;

export const DRAFT_FIELDS = [
  'name',
  'boxes',
  'units',
  'division',
  'plan',
  'saw',
  'wishes',
  'making',
] as const satisfies readonly DraftField[];

export const draftOf = ({
  name,
  boxes,
  units,
  division,
  plan,
  saw,
  wishes,
  making,
}: Draft): Draft => ({
  name,
  boxes,
  units,
  division,
  plan,
  saw,
  wishes,
  making,
});

/** Fields in which two drafts differ. */
export const changedFields = (before: Draft, after: Draft): DraftField[] =>
  DRAFT_FIELDS.filter((field) => !sameValue(before[field], after[field]));

/** A draft with some fields taken from another. */
export const withFields = (
  draft: Draft,
  from: Partial<Draft>,
  fields: readonly DraftField[],
): Draft => ({
  ...draft,
  ...Object.fromEntries(fields.map((field) => [field, from[field]])),
});

/** A draft as the server tells it, with the very fields that were known where they say the same: what hangs on them need not be worked out anew. */
export const asKnown = (told: Draft, known: Draft): Draft =>
  withFields(
    told,
    known,
    DRAFT_FIELDS.filter((field) => sameValue(told[field], known[field])),
  );

export const patchOf = (
  draft: Draft,
  fields: readonly DraftField[],
  version: number,
): BatchPatch => ({
  ...Object.fromEntries(fields.map((field) => [field, draft[field]])),
  version,
});

/** One write, to be sent again as it was when it had no answer. */
export interface Sent {
  patch: BatchPatch;
  key: string;
}

/** What was typed but not kept: the batch as it was known, what was changed in it, and the write that had no answer. */
export interface Unsaved {
  before: Draft;
  patch: BatchPatch;
  sent: Sent | null;
}

const unsavedFile = z.object({
  before: newBatch,
  patch: batchPatch,
  sent: z.object({ patch: batchPatch, key: z.string() }).nullable(),
});

export const writeUnsaved = (unsaved: Unsaved): string =>
  JSON.stringify(z.encode(unsavedFile, unsaved));

/** Null for what is not, or no longer, readable. */
export function readUnsaved(text: string): Unsaved | null {
  try {
    const read = unsavedFile.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** The fields of a patch that say something. */
const saidIn = ({ version: _version, ...changed }: BatchPatch): Partial<Draft> =>
  Object.fromEntries(Object.entries(changed).filter(([, value]) => value !== undefined));

export const applyPatch = (draft: Draft, patch: BatchPatch): Draft => ({
  ...draft,
  ...saidIn(patch),
});
