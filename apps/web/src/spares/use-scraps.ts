import { useQuery } from '@tanstack/react-query';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { client } from '../api/client';
import { type AnswerWorker, OneAnswer } from '../workers/one-answer';
import type { ScrapsAnswer, ScrapsQuestion } from '../workers/scraps.worker';

const hire = () =>
  new Worker(new URL('../workers/scraps.worker.ts', import.meta.url), {
    type: 'module',
  }) as AnswerWorker<ScrapsAnswer>;

/** What scraps could become, worked out beside the page, and the plans that they are held against. */
export function useScraps() {
  const plans = useQuery({ queryKey: ['plans'], queryFn: client.plans });
  const [asking] = useState(() => new OneAnswer<ScrapsQuestion, ScrapsAnswer>(hire));
  const state = useSyncExternalStore(asking.subscribe, asking.snapshot);
  const [held, setHeld] = useState<Omit<ScrapsQuestion, 'plans'> | null>(null);
  const known = plans.data?.plans;
  // What is held up before the plans are here waits for them.
  useEffect(() => {
    if (held && known) asking.start({ ...held, plans: known });
  }, [asking, held, known]);
  return {
    plans,
    ...state,
    waits: held !== null && known === undefined,
    ask: setHeld,
    stop: asking.stop,
    clear: () => {
      setHeld(null);
      asking.clear();
    },
  };
}
