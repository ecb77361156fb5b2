import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import type { Defect } from '@spare-knot/core/wood';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client, Trouble } from '../api/client';
import { useNotice } from '../ui/notice';

export const RACK = ['rack'];

function troubleWords(error: unknown): string {
  if (error instanceof Trouble && error.stale)
    return 'This board was changed in another window. It is shown as it is kept now; make the change again.';
  return error instanceof Error ? error.message : String(error);
}

/** The boards on the rack and what can be done with them; every change says what it did and can be undone. */
export function useRack() {
  const queries = useQueryClient();
  const say = useNotice();
  const query = useQuery({ queryKey: RACK, queryFn: client.rack });
  const refresh = useCallback(() => queries.invalidateQueries({ queryKey: RACK }), [queries]);
  const attempt = useCallback(
    async <T>(work: () => Promise<T>): Promise<T | undefined> => {
      try {
        const result = await work();
        await refresh();
        return result;
      } catch (error) {
        say(troubleWords(error), { tone: 'danger' });
        await refresh();
        return undefined;
      }
    },
    [refresh, say],
  );

  const remove = useCallback(
    async (board: BoardRecord) => {
      if (!(await attempt(() => client.removeBoard(board.id, board.version)))) return;
      say(`${board.name} is off the rack.`, {
        undo: () => void attempt(() => client.restoreBoard(board.id)),
      });
    },
    [attempt, say],
  );
  const add = useCallback(
    async (boards: NewBoard[]) => {
      const added = await attempt(() => client.addBoards(boards));
      if (!added) return undefined;
      const pieces = added.reduce((sum, board) => sum + board.quantity, 0);
      say(
        `${pieces} ${pieces === 1 ? 'board' : 'boards'} on the rack: ${added.map((board) => board.name).join(', ')}.`,
        {
          undo: () =>
            void attempt(async () =>
              Promise.all(added.map((board) => client.removeBoard(board.id, board.version))),
            ),
        },
      );
      return added;
    },
    [attempt, say],
  );
  const change = useCallback(
    async (board: BoardRecord, next: Partial<NewBoard>, what = 'Changed') => {
      const { id, fromBatch: _fromBatch, ...kept } = board;
      const changed = await attempt(() => client.changeBoard(id, { ...kept, ...next }));
      if (changed)
        say(`${what}: ${changed.name}.`, {
          undo: () =>
            void attempt(() => client.changeBoard(id, { ...kept, version: changed.version })),
        });
      return changed;
    },
    [attempt, say],
  );
  /** Marks defects on one board; out of a pile of equal ones it is taken first. Gives the board that now has them. */
  const markDefects = useCallback(
    async (board: BoardRecord, defects: readonly Defect[], what: string) => {
      const single =
        board.quantity > 1
          ? await attempt(() => client.splitBoard(board.id, board.version))
          : board;
      return (
        single &&
        change(
          single,
          { defects: [...defects] },
          board.quantity > 1 ? `One taken out of the pile, ${what}` : what,
        )
      );
    },
    [attempt, change],
  );
  return { query, boards: query.data ?? [], add, change, remove, markDefects, refresh, attempt };
}
