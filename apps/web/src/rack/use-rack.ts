import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import { sum } from '@spare-knot/core/lists';
import type { Defect } from '@spare-knot/core/wood';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client, Trouble } from '../api/client';
import { messageOf } from '../ui/message-of';
import { useNotice } from '../ui/notice';

export const RACK = ['rack'];

function troubleWords(error: unknown): string {
  if (error instanceof Trouble && error.stale)
    return 'This board was changed in another window. It is shown as it is kept now; make the change again.';
  return messageOf(error);
}

type Attempt = <T>(work: () => Promise<T>) => Promise<T | undefined>;

/** Does something to the rack and fetches it anew; what went wrong is said, and the answer is undefined. */
function useAttempt(): { attempt: Attempt; refresh: () => Promise<void> } {
  const queries = useQueryClient();
  const say = useNotice();
  const refresh = useCallback(() => queries.invalidateQueries({ queryKey: RACK }), [queries]);
  const attempt: Attempt = useCallback(
    async (work) => {
      try {
        return await work();
      } catch (error) {
        say(troubleWords(error), { tone: 'danger' });
        return undefined;
      } finally {
        await refresh();
      }
    },
    [refresh, say],
  );
  return { attempt, refresh };
}

/** Putting boards on the rack and taking them off; both can be undone. */
function useComingAndGoing(attempt: Attempt) {
  const say = useNotice();
  const remove = useCallback(
    async (board: BoardRecord) => {
      if (!(await attempt(() => client.removeBoard(board.id, board.version)))) return;
      const undo = () => void attempt(() => client.restoreBoard(board.id));
      say(`${board.name} is off the rack.`, { undo });
    },
    [attempt, say],
  );
  const add = useCallback(
    async (boards: NewBoard[]) => {
      const added = await attempt(() => client.addBoards(boards));
      if (!added) return undefined;
      const pieces = sum(added.map(({ quantity }) => quantity));
      const names = added.map(({ name }) => name).join(', ');
      const takeOff = () =>
        Promise.all(added.map(({ id, version }) => client.removeBoard(id, version)));
      say(`${pieces} ${pieces === 1 ? 'board' : 'boards'} on the rack: ${names}.`, {
        undo: () => void attempt(takeOff),
      });
      return added;
    },
    [attempt, say],
  );
  return { add, remove };
}

/** The boards on the rack and what can be done with them; every change says what it did and can be undone. */
export function useRack() {
  const query = useQuery({ queryKey: RACK, queryFn: client.rack });
  const say = useNotice();
  const { attempt, refresh } = useAttempt();
  const change = useCallback(
    async (board: BoardRecord, next: Partial<NewBoard>, what = 'Changed') => {
      const { id, fromBatch: _fromBatch, ...kept } = board;
      const changed = await attempt(() => client.changeBoard(id, { ...kept, ...next }));
      if (!changed) return undefined;
      const changeBack = () => client.changeBoard(id, { ...kept, version: changed.version });
      say(`${what}: ${changed.name}.`, { undo: () => void attempt(changeBack) });
      return changed;
    },
    [attempt, say],
  );
  /** Marks defects on one board; out of a pile of equal ones it is taken first. Gives the board that now has them. */
  const markDefects = useCallback(
    async (board: BoardRecord, defects: readonly Defect[], what: string) => {
      const isPile = board.quantity > 1;
      const single = isPile
        ? await attempt(() => client.splitBoard(board.id, board.version))
        : board;
      const words = isPile ? `One taken out of the pile, ${what}` : what;
      return single && change(single, { defects: [...defects] }, words);
    },
    [attempt, change],
  );
  const comingAndGoing = useComingAndGoing(attempt);
  return {
    query,
    boards: query.data ?? [],
    change,
    ...comingAndGoing,
    markDefects,
    refresh,
    attempt,
  };
}
