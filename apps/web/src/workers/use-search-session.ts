import type { Layout } from '@spare-knot/core/layout';

import { useEffect, useState, useSyncExternalStore } from 'react';
import { SearchSession, type SearchWorker } from './search-session';

const hire = (): SearchWorker =>
  new Worker(new URL('./layout.worker.ts', import.meta.url), {
    type: 'module',
  }) as unknown as SearchWorker;

/** One search for as long as the station is open. */
export function useSearchSession(onDone: (layout: Layout) => void) {
  const [search] = useState(() => new SearchSession(hire));
  useEffect(() => {
    search.onDone = onDone;
  });
  useEffect(() => search.close, [search]);
  return { search, state: useSyncExternalStore(search.subscribe, search.snapshot) };
}
