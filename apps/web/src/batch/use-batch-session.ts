import type { BatchRecord } from '@spare-knot/core/api';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { client } from '../api/client';
import { lasting } from '../store/steady-store';
import { BatchSession } from './batch-session';

/** One session for as long as the batch is open. */
export function useBatchSession(initial: BatchRecord) {
  const queries = useQueryClient();
  const [session] = useState(
    () =>
      new BatchSession(initial, client, lasting, (kept) => {
        queries.setQueryData(['batch', kept.id], kept);
        void queries.invalidateQueries({ queryKey: ['batches'] });
      }),
  );
  const state = useSyncExternalStore(session.subscribe, session.snapshot);
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (session.dirty) event.preventDefault();
    };
    session.open();
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('beforeunload', warn);
      session.close();
    };
  }, [session]);
  return { session, state };
}
