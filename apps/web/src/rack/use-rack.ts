import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import { sum } from '@spare-knot/core/lists';
import type { Defect } from '@spare-knot/core/wood';

import { useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client } from '../api/client';
import { useNotice } from '../ui/notice';
import { type Attempt, useAttempt } from '../ui/use-attempt';

export const RACK = ['rack'];

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
  const { attempt, refresh } = useAttempt('rack', 'board');
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
