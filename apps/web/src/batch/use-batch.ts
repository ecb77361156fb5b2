import { type BatchRecord, batchChange, type NewBatch } from '@spare-knot/core/api';

import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { z } from 'zod';
import { client, currentBatch, Trouble } from '../api/client';

/** The part of a batch that the maker edits. */
export type Draft = NewBatch;

export type Keeping =
  | { state: 'kept'; at: Date | null }
  | { state: 'keeping' }
  | { state: 'not kept'; why: string };

export interface BatchEditing {
  batch: BatchRecord;
  draft: Draft;
  edit: (change: (draft: Draft) => Draft) => void;
  undo: (() => void) | null;
  redo: (() => void) | null;
  keeping: Keeping;
  /** Somebody else's version, when both changed the batch. */
  theirs: BatchRecord | null;
  takeTheirs: () => void;
  keepMine: () => void;
  /** Puts a record that the server just answered with in place. */
  replace: (batch: BatchRecord) => void;
  /** Ends once everything typed is kept; gives the newest record. */
  settle: () => Promise<BatchRecord>;
}

const draftOf = ({ name, boxes, units, division, plan, saw, choices }: BatchRecord): Draft => ({
  name,
  boxes,
  units,
  division,
  plan,
  saw,
  choices,
});
const keyOf = (id: string) => `spare-knot.draft.${id}`;

/** What was typed here but not kept, from before a reload; only if the batch has not moved on since. */
function leftOver(batch: BatchRecord): Draft | null {
  const text = localStorage.getItem(keyOf(batch.id));
  if (!text) return null;
  try {
    const parsed = batchChange.safeParse(JSON.parse(text));
    if (!parsed.success || parsed.data.version !== batch.version) return null;
    const { version: _version, ...draft } = parsed.data;
    return draft;
  } catch {
    return null;
  }
}

const WAIT = 500;
const MOST_STEPS = 100;

/** Editing of one batch: every change is kept by itself, survives a reload and a lost connection, and can be undone. */
export function useBatchEditing(initial: BatchRecord): BatchEditing {
  const queries = useQueryClient();
  const [batch, setBatch] = useState(initial);
  const [draft, setDraft] = useState<Draft>(() => leftOver(initial) ?? draftOf(initial));
  const [past, setPast] = useState<readonly Draft[]>([]);
  const [future, setFuture] = useState<readonly Draft[]>([]);
  const [keeping, setKeeping] = useState<Keeping>({ state: 'kept', at: null });
  const [theirs, setTheirs] = useState<BatchRecord | null>(null);
  const latest = useRef({
    batch,
    draft,
    dirty: leftOver(initial) !== null,
    busy: null as Promise<void> | null,
    blocked: false,
  });
  latest.current.draft = draft;

  const write = useCallback(async (): Promise<void> => {
    const now = latest.current;
    if (now.busy) await now.busy;
    if (!now.dirty || now.blocked) return;
    const sent = now.draft;
    now.dirty = false;
    setKeeping({ state: 'keeping' });
    const work = client
      .changeBatch(now.batch.id, { ...sent, version: now.batch.version })
      .then((kept) => {
        now.batch = kept;
        setBatch(kept);
        queries.setQueryData(['batch', kept.id], kept);
        void queries.invalidateQueries({ queryKey: ['batches'] });
        if (!now.dirty) {
          localStorage.removeItem(keyOf(kept.id));
          setKeeping({ state: 'kept', at: new Date() });
        }
      })
      .catch((error: unknown) => {
        now.dirty = true;
        if (error instanceof Trouble && error.stale) {
          now.blocked = true;
          setTheirs(currentBatch(error));
        }
        setKeeping({
          state: 'not kept',
          why: error instanceof Error ? error.message : String(error),
        });
      });
    now.busy = work;
    await work;
    now.busy = null;
  }, [queries]);

  // Writes a moment after the last change, and again every few seconds while the server cannot be reached.
  useEffect(() => {
    const now = latest.current;
    if (!now.dirty) return;
    localStorage.setItem(
      keyOf(now.batch.id),
      JSON.stringify(z.encode(batchChange, { ...draft, version: now.batch.version })),
    );
    const timer = setTimeout(() => void write(), WAIT);
    return () => clearTimeout(timer);
  }, [draft, write]);
  useEffect(() => {
    const timer = setInterval(() => {
      if (latest.current.dirty && !latest.current.blocked && !latest.current.busy) void write();
    }, 4000);
    const warn = (event: BeforeUnloadEvent) => {
      if (latest.current.dirty) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => {
      clearInterval(timer);
      window.removeEventListener('beforeunload', warn);
      if (latest.current.dirty) void write();
    };
  }, [write]);

  const put = useCallback((next: Draft) => {
    latest.current.dirty = true;
    latest.current.draft = next;
    setDraft(next);
  }, []);
  const edit = useCallback(
    (change: (draft: Draft) => Draft) => {
      const before = latest.current.draft;
      const after = change(before);
      if (after === before) return;
      setPast((steps) => [...steps.slice(-MOST_STEPS), before]);
      setFuture([]);
      put(after);
    },
    [put],
  );
  const step = (from: readonly Draft[], setFrom: typeof setPast, setTo: typeof setPast) =>
    from.length === 0
      ? null
      : () => {
          const to = from.at(-1)!;
          setFrom(from.slice(0, -1));
          setTo((steps) => [...steps, latest.current.draft]);
          put(to);
        };
  const replace = useCallback(
    (next: BatchRecord) => {
      latest.current.batch = next;
      setBatch(next);
      queries.setQueryData(['batch', next.id], next);
      void queries.invalidateQueries({ queryKey: ['batches'] });
    },
    [queries],
  );

  return {
    batch,
    draft,
    edit,
    undo: step(past, setPast, setFuture),
    redo: step(future, setFuture, setPast),
    keeping,
    theirs,
    takeTheirs: () => {
      if (!theirs) return;
      latest.current.dirty = false;
      latest.current.blocked = false;
      setPast((steps) => [...steps, latest.current.draft]);
      replace(theirs);
      latest.current.draft = draftOf(theirs);
      setDraft(draftOf(theirs));
      localStorage.removeItem(keyOf(theirs.id));
      setTheirs(null);
      setKeeping({ state: 'kept', at: new Date() });
    },
    keepMine: () => {
      if (!theirs) return;
      latest.current.batch = theirs;
      latest.current.blocked = false;
      setTheirs(null);
      void write();
    },
    replace,
    settle: async () => {
      await write();
      if (latest.current.dirty)
        throw new Error('The last changes are not kept yet. Try again when the server answers.');
      return latest.current.batch;
    },
  };
}
