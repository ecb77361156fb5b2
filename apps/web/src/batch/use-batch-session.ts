import type { BatchRecord } from '@spare-knot/core/api';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { client } from '../api/client';
import { BATCHES } from '../api/queries';
import { lasting } from '../store/steady-store';
import { windows } from '../store/windows';
import { BatchSession } from './batch-session';
import { DraftShelf } from './draft-shelf';

/** One session for as long as the batch is open. */
export function useBatchSession(initial: BatchRecord) {
  const queries = useQueryClient();
  const [session] = useState(
    () =>
      new BatchSession(initial, client, new DraftShelf(initial.id, lasting, windows), (kept) => {
        queries.setQueryData(['batch', kept.id], kept);
        // A list that is under way was read before this was kept: it would be taken for the newest.
        void queries
          .cancelQueries({ queryKey: BATCHES.queryKey })
          .then(() => queries.invalidateQueries({ queryKey: BATCHES.queryKey }));
      }),
  );
  const state = useSyncExternalStore(session.subscribe, session.snapshot);
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (session.dirty) event.preventDefault();
    };
    // A size that is typed and not entered yet is entered when the window goes.
    const enter = () => {
      if (document.activeElement instanceof HTMLInputElement) document.activeElement.blur();
    };
    session.open();
    window.addEventListener('beforeunload', warn);
    window.addEventListener('pagehide', enter);
    return () => {
      window.removeEventListener('pagehide', enter);
      window.removeEventListener('beforeunload', warn);
      session.close();
    };
  }, [session]);
  return { session, state };
}
