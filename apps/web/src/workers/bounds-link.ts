import type { LayoutJob } from '@spare-knot/core/job';
import type { Bounds, Goals, Proven } from '@spare-knot/core/layout';
import type { BoundsOrder, BoundsWord } from './bounds.worker';

/** The worker that proves bounds beside this one, begun with the first search. */
let worker: Worker | null = null;
let heard: Proven[] = [];
let current = -1;

const say = (order: BoundsOrder) => worker?.postMessage(order);

/**
 * Bounds of one search, proven on another thread; what is said of an earlier one is not listened to. Null where a worker can start no
 * other: then the search proves by itself.
 */
export function boundsFor(run: number, job: LayoutJob, goals: Goals): Bounds | null {
  if (typeof Worker === 'undefined') return null;
  if (!worker) {
    worker = new Worker(new URL('./bounds.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<BoundsWord>) => {
      if (data.run === current) heard.push(...data.proven);
    };
  }
  [current, heard] = [run, []];
  say({ kind: 'prove', run, job, goals });
  return {
    know: (best) => say({ kind: 'know', run, best }),
    heard: () => {
      const told = heard;
      heard = [];
      return told;
    },
  };
}

/** The search has ended. */
export function endBounds(run: number): void {
  if (run === current) say({ kind: 'stop', run });
}
