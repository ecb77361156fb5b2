import type { SawingRecord, SawnCuts } from '@spare-knot/core/api';
import {
  type CutAtHand,
  cutAtHand,
  cutKey,
  lastCut,
  lostCuts,
  type NamedPlan,
} from '@spare-knot/core/cuts';
import { at } from '@spare-knot/core/lists';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { client } from '../../api/client';
import { useBatch } from '../../batch/batch-context';
import { sawingKey, withProgress } from '../../batch/use-sawing';
import { lasting } from '../../store/steady-store';
import { SawingSession, type SawingState } from './sawing-session';

/** Two presses nearer to each other than this are one, made with a glove. */
const ONE_PRESS = 300;

/** One session for as long as the station is open; what it knows goes into what the page has fetched. */
function useSession(
  id: string,
  sawing: SawingRecord,
): { session: SawingSession; state: SawingState } {
  const queries = useQueryClient();
  const [session] = useState(() => new SawingSession(id, sawing, client, lasting));
  const state = useSyncExternalStore(session.subscribe, session.snapshot);
  useEffect(() => {
    session.onOtherRound = () => void queries.invalidateQueries({ queryKey: sawingKey(id) });
    session.open();
    return session.close;
  }, [session, queries, id]);
  const { progress } = state;
  const { round } = sawing;
  useEffect(() => {
    queries.setQueryData<SawingRecord | null>(sawingKey(id), (kept) =>
      kept?.round === round ? withProgress(kept, progress) : kept,
    );
  }, [queries, id, progress, round]);
  return { session, state };
}

/** Space, the arrow to the right or Enter: made. The arrow to the left or Backspace: the last one was not. */
function useSawKeys(made: () => void, back: () => void) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isField =
        event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement;
      const isButton =
        event.target instanceof HTMLButtonElement || event.target instanceof HTMLAnchorElement;
      // What is pressed in a dialog is meant for it: no cut is made by it.
      const isInDialog =
        event.target instanceof Element && event.target.closest('[role="dialog"]') !== null;
      if (event.repeat || isField || isInDialog || event.ctrlKey || event.metaKey || event.altKey)
        return;
      if (
        event.key === 'ArrowRight' ||
        (!isButton && (event.key === ' ' || event.key === 'Enter'))
      ) {
        event.preventDefault();
        made();
      } else if (event.key === 'ArrowLeft' || event.key === 'Backspace') {
        event.preventDefault();
        back();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [made, back]);
}

/** Which settings were tested on this page. */
function useTested(
  plan: NamedPlan,
  hand: CutAtHand | null,
  done: ReadonlySet<string>,
  first: readonly string[],
) {
  const [tested, setTested] = useState<ReadonlySet<number>>(new Set());
  const step = hand && at(plan.steps, hand.step);
  const isBegun = step?.cuts.some((cut) => done.has(cutKey(cut))) ?? false;
  const own = step && !isBegun && !tested.has(hand.step) ? step.before : [];
  const isFirst = hand !== null && done.size === 0 && !tested.has(hand.step);
  const before = isFirst ? [...first, ...own] : own;
  const onTested = () => hand && setTested((known) => new Set(known).add(hand.step));
  return { before, onTested };
}

/** What is at hand at the saw, and what is pressed. */
export function useDesk(sawing: SawingRecord, first: readonly string[]) {
  const { batch } = useBatch();
  const { plan } = sawing;
  const { session, state } = useSession(batch.id, sawing);
  const { progress } = state;
  const done = useMemo(() => new Set(progress.done), [progress]);
  const lost = useMemo(() => lostCuts(plan.boards, progress), [plan, progress]);
  const hand = useMemo(() => cutAtHand(plan, progress), [plan, progress]);
  const { before, onTested } = useTested(plan, hand, done, first);
  const [pressedAt, setPressedAt] = useState(0);
  const made = () => {
    const now = performance.now();
    if (now - pressedAt < ONE_PRESS) return;
    setPressedAt(now);
    if (before.length > 0) onTested();
    else if (hand) session.press({ done: [hand.key] });
  };
  const back = () => {
    const last = lastCut(plan, progress);
    if (last) session.press({ undone: [last] });
  };
  useSawKeys(made, back);
  const tell = (told: SawnCuts['ruined'][number]) => session.press({ ruined: [told] });
  const mend = (piece: string) => session.press({ mended: [piece] });
  return { plan, state, progress, done, lost, hand, before, made, back, tell, mend };
}

export type Desk = ReturnType<typeof useDesk>;
