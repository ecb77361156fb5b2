import { QueryClient } from '@tanstack/react-query';
import { client, Trouble } from './client';

/** What the pages have fetched from the server; a refusal is not asked again. */
export const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      retry: (failures, error) =>
        failures < 3 && !(error instanceof Trouble && error.problem.status < 500),
    },
  },
});

/** The list of batches, by this key everywhere. */
export const BATCHES = { queryKey: ['batches'], queryFn: client.batches };
