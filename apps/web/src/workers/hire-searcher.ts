import type { SearchWorker } from './search-session';

/** A worker that lays out boards. */
export const hireSearcher = (): SearchWorker =>
  new Worker(new URL('./layout.worker.ts', import.meta.url), {
    type: 'module',
  }) as unknown as SearchWorker;
