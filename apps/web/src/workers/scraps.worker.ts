import type { KeptPlans } from '@spare-knot/core/api';
import type { LayoutJob, Saw, Stock } from '@spare-knot/core/job';
import type { Layout } from '@spare-knot/core/layout';
import {
  type Become,
  bucketJob,
  bucketSteps,
  couldBecome,
  type NamedPanel,
  wantedPanels,
} from '@spare-knot/core/spares';
import { tellAnswer } from './tell-answer';

/** One scrap against all panels of all kept plans, or all scraps at once against all that is short. */
export interface ScrapsQuestion {
  plans: KeptPlans['plans'];
  saw: Saw;
  scraps: readonly Stock[];
  /** Null: one scrap; else how long all of them are looked at. */
  seconds: number | null;
}

export interface ScrapsAnswer {
  scraps: readonly Stock[];
  /** Panels that were held against it. */
  wanted: readonly NamedPanel[];
  /** Batches whose plan gives no box. */
  broken: readonly string[];
  /** Of one scrap, the best first. */
  becomes: readonly Become<NamedPanel>[];
  /** Of all scraps at once. */
  laid: { job: LayoutJob; layout: Layout } | null;
}

function* answerTo({
  plans,
  saw,
  scraps,
  seconds,
}: ScrapsQuestion): Generator<number, ScrapsAnswer, void> {
  const { wanted, broken } = wantedPanels(plans);
  const [scrap] = scraps;
  if (seconds === null)
    return {
      scraps,
      wanted,
      broken,
      becomes: scrap ? couldBecome(scrap, wanted, saw) : [],
      laid: null,
    };
  const job = bucketJob(scraps, wanted, saw, seconds);
  const steps = bucketSteps(job, () => performance.now());
  for (;;) {
    const step = steps.next();
    if (step.done)
      return { scraps, wanted, broken, becomes: [], laid: { job, layout: step.value } };
    yield Math.min(1, step.value.share);
  }
}

self.onmessage = ({ data }: MessageEvent<ScrapsQuestion>) => tellAnswer(answerTo(data));
