import type { Layout } from '@spare-knot/core/layout';

import { useEffect, useState, useSyncExternalStore } from 'react';
import { hireSearcher } from './hire-searcher';
import { SearchSession } from './search-session';

/** One search for as long as the station is open. */
export function useSearchSession(onDone: (layout: Layout) => void) {
  const [search] = useState(() => new SearchSession(hireSearcher));
  useEffect(() => {
    search.onDone = onDone;
  });
  useEffect(() => search.close, [search]);
  return { search, state: useSyncExternalStore(search.subscribe, search.snapshot) };
}
