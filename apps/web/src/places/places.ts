import type { ComponentType } from 'react';
import { BATCHES, queries } from '../api/queries';

/** A place beside the batches. */
export interface Place {
  path: string;
  label: string;
  /** Loaded when it is wanted. */
  load: () => Promise<ComponentType>;
  /** Begins to fetch what it shows. */
  fetches?: () => void;
}

/** The places, as they stand at the top of every page. A new place is one line here and a file beside. */
export const PLACES: readonly Place[] = [
  {
    path: '/',
    label: 'Bench',
    load: async () => (await import('./bench')).Bench,
    fetches: () => void queries.prefetchQuery(BATCHES),
  },
  { path: '/rack', label: 'Rack', load: async () => (await import('./rack')).Rack },
  { path: '/yard', label: 'Yard', load: async () => (await import('./yard')).Yard },
  { path: '/spares', label: 'Spares', load: async () => (await import('./spares')).Spares },
  { path: '/trail', label: 'Trail', load: async () => (await import('./trail')).Trail },
  { path: '/shop', label: 'Shop', load: async () => (await import('./shop')).ShopPlace },
  {
    path: '/handbook',
    label: 'Handbook',
    load: async () => (await import('./handbook')).Handbook,
  },
];
