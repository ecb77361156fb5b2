import type { LeftRecord, SawingRecord } from '@spare-knot/core/api';
import type { Layout } from '@spare-knot/core/layout';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { client } from '../../api/client';
import { sawingKey } from '../../batch/use-sawing';
import { messageOf } from '../../ui/message-of';
import { useNotice } from '../../ui/notice';
import { useSearchSession } from '../../workers/use-search-session';

/** Nothing has to be laid out: what is kept goes on by its own cuts. */
const NOTHING_LEFT: Layout = {
  boards: [],
  unplaced: [],
  cost: 0,
  lowerBound: 0,
  boundProof: 'exact',
  optimal: true,
  yield: 1,
  seconds: 0,
};

export interface Replan {
  left: LeftRecord | null;
  layout: Layout | null;
  isSearching: boolean;
  trouble: string | null;
  isBusy: boolean;
  accept: () => void;
}

/** What is left, laid out while the maker waits, once what was told is kept; accepted, its plan takes the place of the one before, and that can be undone. */
export function useReplan(batch: string, isKept: boolean, onDone: () => void): Replan {
  const queries = useQueryClient();
  const say = useNotice();
  const [left, setLeft] = useState<LeftRecord | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const { search, state } = useSearchSession(() => {});
  const [mayBegin, setMayBegin] = useState(isKept);
  if (isKept && !mayBegin) setMayBegin(true);
  useEffect(() => {
    if (!mayBegin) return;
    let isOpen = true;
    client
      .leftToSaw(batch)
      .then((found) => {
        if (!isOpen) return;
        setLeft(found);
        if (found.job.parts.length > 0) search.start(found.job);
      })
      .catch((error: unknown) => isOpen && setTrouble(messageOf(error)));
    return () => {
      isOpen = false;
    };
  }, [batch, search, mayBegin]);
  const layout = left && left.job.parts.length === 0 ? NOTHING_LEFT : state.layout;
  const show = (sawing: SawingRecord) => queries.setQueryData(sawingKey(batch), sawing);
  const back = async (round: number) => {
    try {
      show(await client.sawBack(batch, round));
    } catch (error) {
      say(messageOf(error), { tone: 'danger' });
    }
  };
  const accept = async () => {
    if (!left || !layout) return;
    setBusy(true);
    try {
      const sawing = await client.sawAgain(batch, { round: left.round, layout });
      show(sawing);
      void queries.invalidateQueries({ queryKey: ['rack'] });
      say('It goes on by the new plan.', { undo: () => void back(sawing.round) });
      onDone();
    } catch (error) {
      setTrouble(messageOf(error));
      setBusy(false);
    }
  };
  return {
    left,
    layout,
    isSearching: state.running,
    trouble: trouble ?? state.trouble,
    isBusy,
    accept: () => void accept(),
  };
}
