import type { LayoutJob } from '@spare-knot/core/job';
import {
  type Goals,
  type Known,
  type Proven,
  type Prover,
  proverFor,
} from '@spare-knot/core/layout';

import { breath, solverSoon } from './solver-soon';

/** What the search says: prove what this job must cost, the best of it is now this, or it has ended. */
export type BoundsOrder =
  | { kind: 'prove'; run: number; job: LayoutJob; goals: Goals }
  | { kind: 'know'; run: number; best: readonly (Known | null)[] }
  | { kind: 'stop'; run: number };

/** What was proven for one search. */
export interface BoundsWord {
  run: number;
  proven: readonly Proven[];
}

let current = -1;
let prover: Prover | null = null;
/** Told before the prover was there. */
let early: readonly (Known | null)[] | null = null;

async function prove(run: number, job: LayoutJob, goals: Goals): Promise<void> {
  const deadline = performance.now() + 1000 * job.effort.seconds;
  const solver = await solverSoon();
  if (!solver || current !== run) return;
  prover = proverFor(job, goals, {
    solver,
    halted: () => performance.now() > deadline,
    secondsLeft: () => (deadline - performance.now()) / 1000,
  });
  while (!early) {
    await breath();
    if (current !== run) return;
  }
  prover.know(early);
  for (const _step of prover.steps()) {
    const proven = prover.heard();
    if (proven.length > 0) self.postMessage({ run, proven } satisfies BoundsWord);
    await breath();
    if (current !== run) return;
  }
  self.postMessage({ run, proven: prover.heard() } satisfies BoundsWord);
}

self.onmessage = ({ data }: MessageEvent<BoundsOrder>) => {
  if (data.kind === 'know') {
    if (data.run !== current) return;
    early = data.best;
    prover?.know(data.best);
    return;
  }
  [current, prover, early] = [data.kind === 'prove' ? data.run : -1, null, null];
  // Without bounds the search goes on by itself: it only proves less.
  if (data.kind === 'prove') prove(data.run, data.job, data.goals).catch(() => undefined);
};
