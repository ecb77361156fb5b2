import type { BoardRecord } from '@spare-knot/core/api';
import type { Layout } from '@spare-knot/core/layout';
import { sum } from '@spare-knot/core/lists';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { client } from '../../api/client';
import { useBatch } from '../../batch/batch-context';
import { RACK } from '../../rack/use-rack';
import { messageOf } from '../../ui/message-of';
import { useNotice } from '../../ui/notice';
import type { Answer } from './use-answer';

/** Taking the boards of a layout off the rack and giving them back, and putting on it what was bought for the layout. */
export function useTaking({ search, showKept }: Pick<Answer, 'search' | 'showKept'>) {
  const { session } = useBatch();
  const queries = useQueryClient();
  const say = useNotice();
  const [busy, setBusy] = useState(false);
  const act = async (does: () => Promise<unknown>) => {
    if (busy) return;
    setBusy(true);
    try {
      await does();
    } catch (error) {
      say(messageOf(error), { tone: 'danger' });
    }
    await queries.invalidateQueries({ queryKey: RACK });
    setBusy(false);
  };
  const giveBack = () =>
    act(async () => {
      await session.giveBack();
      say('The boards are back on the rack.');
    });
  const take = (answer: Layout) => {
    search.stop();
    return act(async () => {
      await session.accept(answer);
      say('The boards are off the rack and the offcuts on it.', { undo: () => void giveBack() });
    });
  };
  const takeOffAgain = (boards: readonly BoardRecord[]) =>
    act(() => Promise.all(boards.map(({ id, version }) => client.removeBoard(id, version))));
  const buy = (answer: Layout) => {
    search.stop();
    return act(async () => {
      showKept();
      const boards = await session.buy(answer);
      queries.setQueryData<readonly BoardRecord[]>(RACK, (rack = []) => [...rack, ...boards]);
      const count = sum(boards.map(({ quantity }) => quantity));
      say(
        `${count} ${count === 1 ? 'board is' : 'boards are'} on the rack. Hold a tape to them and confirm there what they measure, before the first cut.`,
        { undo: () => void takeOffAgain(boards) },
      );
    });
  };
  return { busy, take, giveBack, buy };
}
