import type { BoxPlan } from '@spare-knot/core/plan';

import { useEffect, useState, useSyncExternalStore } from 'react';
import { type AnsweringWorker, LatestQuestion } from './latest-question';
import type { OptionPictures } from './option-key';

type Desk = LatestQuestion<{ plan: BoxPlan }, { pictures: OptionPictures }>;

const hire = () =>
  new Worker(new URL('./options.worker.ts', import.meta.url), {
    type: 'module',
  }) as unknown as AnsweringWorker<{ plan: BoxPlan }, { pictures: OptionPictures }>;

const NONE: OptionPictures = new Map();

/** What every option of a plan would look like, drawn beside the page; those of the plan before stay until they are there. */
export function useOptionPictures(plan: BoxPlan): OptionPictures {
  const [desk] = useState<Desk>(() => new LatestQuestion(hire));
  useEffect(() => desk.ask({ plan }), [desk, plan]);
  useEffect(() => desk.close, [desk]);
  return useSyncExternalStore(desk.subscribe, desk.snapshot).answer?.pictures ?? NONE;
}
