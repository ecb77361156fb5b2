import type { LayoutJob } from '@spare-knot/core/job';
import {
  checkLayout,
  type Goals,
  highsSolver,
  type Layout,
  type LinearSolver,
  type SearchControl,
  searchSteps,
} from '@spare-knot/core/layout';
import { plainText } from '@spare-knot/core/text';

import loadHighs from 'highs';
import wasm from 'highs/runtime?url';
import { messageOf } from '../ui/message-of';

/** What the page says: lay this out, or stop with the best so far. `run` tells answers of one search from those of the next. */
export type LayoutOrder =
  | { kind: 'lay out'; run: number; job: LayoutJob; goals: Goals }
  | { kind: 'stop'; run: number };

/** What the worker says: a better layout, the end of the search, or that it found nothing valid. */
export type WorkerWord = { run: number } & (
  | { kind: 'better' | 'done'; layout: Layout }
  | { kind: 'broken'; why: string }
);

let solver: LinearSolver | null = null;
let current = 0;

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

/** Lets messages in between two steps of the search. */
const breath = () =>
  new Promise<void>((done) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      done();
    };
    port2.postMessage(null);
  });

async function layOut(run: number, job: LayoutJob, goals: Goals): Promise<void> {
  let fresh: Layout | null = null;
  const control: SearchControl = {
    clock: () => performance.now(),
    goals,
    solver,
    onBetter: (layout) => {
      fresh = layout;
    },
  };
  const steps = searchSteps(job, control);
  for (;;) {
    const step = steps.next();
    if (step.done) {
      send(run, 'done', job, step.value);
      return;
    }
    if (fresh) send(run, 'better', job, fresh);
    fresh = null;
    await breath();
    if (current !== run) return;
    if (!solver) solver = await prepared;
    control.solver = solver;
  }
}

// Loaded after the first answer has gone out: the module is large.
let prepared: Promise<LinearSolver | null> = Promise.resolve(null);
let asked = false;
function prepare(): void {
  if (asked) return;
  asked = true;
  prepared = loadHighs({ locateFile: () => wasm })
    .then((highs) => highsSolver(highs as never))
    .catch(() => null);
}

self.onmessage = ({ data }: MessageEvent<LayoutOrder>) => {
  current = data.run;
  if (data.kind === 'stop') {
    current = -1;
    return;
  }
  prepare();
  layOut(data.run, data.job, data.goals).catch((error: unknown) =>
    self.postMessage({
      run: data.run,
      kind: 'broken',
      why: messageOf(error),
    } satisfies WorkerWord),
  );
};
