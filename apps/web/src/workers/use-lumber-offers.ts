import type { BoxPlan } from '@spare-knot/core/plan';

import { useEffect, useState } from 'react';
import type { JudgedOffer } from './lumber.worker';

interface LumberAnswer {
  plan: BoxPlan | null;
  offers: readonly JudgedOffer[] | null;
  trouble: string | null;
}

/** Which sizes would spare ripping, worked out beside the page; nothing while there is no plan. */
export function useLumberOffers(plan: BoxPlan | null): Omit<LumberAnswer, 'plan'> {
  const [answer, setAnswer] = useState<LumberAnswer>({ plan: null, offers: null, trouble: null });
  useEffect(() => {
    if (!plan) return;
    const worker = new Worker(new URL('./lumber.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<JudgedOffer[]>) =>
      setAnswer({ plan, offers: data, trouble: null });
    worker.onerror = ({ message }) =>
      setAnswer({ plan, offers: null, trouble: message || 'The sizes could not be tried.' });
    worker.postMessage(plan);
    return () => worker.terminate();
  }, [plan]);
  return answer.plan === plan ? answer : { offers: null, trouble: null };
}
