import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { Trouble } from '../api/client';
import { messageOf } from './message-of';
import { useNotice } from './notice';

export type Attempt = <T>(work: () => Promise<T>) => Promise<T | undefined>;

/**
 * Does something to what is kept under a key and fetches it anew; what went wrong is said, and the answer is undefined.
 *
 * @param what what a stale write was about: `board`
 */
export function useAttempt(
  key: string,
  what: string,
): { attempt: Attempt; refresh: () => Promise<void> } {
  const queries = useQueryClient();
  const say = useNotice();
  const refresh = useCallback(() => queries.invalidateQueries({ queryKey: [key] }), [queries, key]);
  const attempt: Attempt = useCallback(
    async (work) => {
      try {
        return await work();
      } catch (error) {
        const isStale = error instanceof Trouble && error.stale;
        const words = isStale
          ? `This ${what} was changed in another window. It is shown as it is kept now; make the change again.`
          : messageOf(error);
        say(words, { tone: 'danger' });
        return undefined;
      } finally {
        await refresh();
      }
    },
    [refresh, say, what],
  );
  return { attempt, refresh };
}
