import { settingsNeeded } from '@spare-knot/core/cuts';
import type { LayoutJob } from '@spare-knot/core/job';
import {
  checkLayout,
  type Goals,
  type Layout,
  type SearchControl,
  searchSteps,
} from '@spare-knot/core/layout';
import { plainText } from '@spare-knot/core/text';

import { messageOf } from '../ui/message-of';
import { boundsFor, endBounds } from './bounds-link';
import { breath, solverSoon } from './solver-soon';

/** What the page says: lay this out, or stop with the best so far. `run` tells answers of one search from those of the next. */
export type LayoutOrder =
  | { kind: 'lay out'; run: number; job: LayoutJob; goals: Goals }
  | { kind: 'stop'; run: number };

/** What the worker says: a better layout, the end of the search, or that it found nothing valid. */
export type WorkerWord = { run: number } & (
  | { kind: 'better' | 'done'; layout: Layout }
  | { kind: 'broken'; why: string }
);

let current = 0;

/** Milliseconds between two better layouts that the page hears of: it draws each of them. */
const PAUSE = 150;

/** No layout leaves the worker before the checker has passed it. */
function send(run: number, kind: 'better' | 'done', job: LayoutJob, layout: Layout): void {
  const broken = checkLayout(job, layout);
  const word: WorkerWord =
    broken.length === 0
      ? { run, kind, layout }
      : {
          run,
          kind: 'broken',
          why: broken
            .map(({ rule, path, message }) => `${path}: rule ${rule}: ${plainText(message)}`)
            .join('\n'),
        };
  self.postMessage(word);
}

async function layOut(run: number, job: LayoutJob, goals: Goals): Promise<void> {
  let fresh: Layout | null = null;
  let sent = Number.NEGATIVE_INFINITY;
  const control: SearchControl = {
    clock: () => performance.now(),
    goals,
    settings: (layout) => settingsNeeded(job, layout),
    onBetter: (layout) => {
      fresh = layout;
    },
  };
  const steps = searchSteps(job, control);
  for (;;) {
    const step = steps.next();
    if (step.done) {
      endBounds(run);
      send(run, 'done', job, step.value);
      return;
    }
    if (fresh && performance.now() - sent >= PAUSE) {
      send(run, 'better', job, fresh);
      sent = performance.now();
      fresh = null;
    }
    await breath();
    if (current !== run) return;
    // After the first answer has gone out: the solver's module is large, and so is another thread.
    control.bounds ??= boundsFor(run, job, goals);
    control.solver ??= await solverSoon();
  }
}

self.onmessage = ({ data }: MessageEvent<LayoutOrder>) => {
  current = data.run;
  if (data.kind === 'stop') {
    endBounds(data.run);
    current = -1;
    return;
  }
  layOut(data.run, data.job, data.goals).catch((error: unknown) =>
    self.postMessage({
      run: data.run,
      kind: 'broken',
      why: messageOf(error),
    } satisfies WorkerWord),
  );
};
