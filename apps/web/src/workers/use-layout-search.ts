import type { LayoutJob } from '@spare-knot/core/job';
import { type Goals, type Layout, STANDARD_GOALS } from '@spare-knot/core/layout';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { LayoutOrder, WorkerWord } from './layout.worker';

export interface LayoutSearching {
  layout: Layout | null;
  /** The job that the layout answers: while a changed job has no answer yet, the last layout stays. */
  answers: LayoutJob | null;
  /** The job that was last begun. */
  asked: LayoutJob | null;
  running: boolean;
  /** Set when the search failed; the best layout before it stays. */
  trouble: string | null;
  /** Milliseconds from the start of the search to the first valid layout. */
  firstAfter: number | null;
  stop: () => void;
  start: (job: LayoutJob, goals?: Goals) => void;
}

/**
 * Searches in a worker that stays warm: better layouts come as they are found, stopping keeps the best so far, and a changed job takes
 * the place of the one before.
 */
export function useLayoutSearch(onDone: (layout: Layout) => void): LayoutSearching {
  const worker = useRef<Worker | null>(null);
  const run = useRef(0);
  const done = useRef(onDone);
  done.current = onDone;
  const [state, setState] = useState<Omit<LayoutSearching, 'stop' | 'start'>>({
    layout: null,
    answers: null,
    asked: null,
    running: false,
    trouble: null,
    firstAfter: null,
  });
  const best = useRef<Layout | null>(null);
  const running = useRef(false);
  const asked = useRef<LayoutJob | null>(null);
  const began = useRef(0);

  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = null;
    },
    [],
  );

  const hire = useCallback((): Worker => {
    if (worker.current) return worker.current;
    const next = new Worker(new URL('./layout.worker.ts', import.meta.url), { type: 'module' });
    worker.current = next;
    next.onmessage = ({ data }: MessageEvent<WorkerWord>) => {
      if (data.run !== run.current || !running.current) return;
      if (data.kind === 'broken') {
        setState((now) => ({ ...now, trouble: data.why }));
        return;
      }
      best.current = data.layout;
      const finished = data.kind === 'done';
      if (finished) running.current = false;
      setState((now) => ({
        ...now,
        layout: data.layout,
        answers: asked.current,
        running: !finished,
        firstAfter: now.firstAfter ?? performance.now() - began.current,
      }));
      if (finished) done.current(data.layout);
    };
    next.onerror = (event) => {
      next.terminate();
      worker.current = null;
      running.current = false;
      setState((now) => ({
        ...now,
        running: false,
        trouble: event.message || 'The search stopped by itself.',
      }));
    };
    return next;
  }, []);

  const stop = useCallback(() => {
    if (!running.current) return;
    running.current = false;
    worker.current?.postMessage({ kind: 'stop', run: run.current } satisfies LayoutOrder);
    setState((now) => ({ ...now, running: false }));
    if (best.current) done.current(best.current);
  }, []);

  const start = useCallback(
    (job: LayoutJob, goals: Goals = STANDARD_GOALS) => {
      run.current += 1;
      best.current = null;
      asked.current = job;
      running.current = true;
      began.current = performance.now();
      // The last layout stays on the screen until there is one for the new job.
      setState((now) => ({ ...now, asked: job, running: true, trouble: null, firstAfter: null }));
      hire().postMessage({ kind: 'lay out', run: run.current, job, goals } satisfies LayoutOrder);
    },
    [hire],
  );
  return { ...state, stop, start };
}
