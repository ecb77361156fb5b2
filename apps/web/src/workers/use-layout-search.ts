import type { LayoutJob } from '@spare-knot/core/layout/job.js';
import type { Layout } from '@spare-knot/core/layout/layout.js';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { WorkerWord } from './layout.worker';

export interface LayoutSearching {
  layout: Layout | null;
  running: boolean;
  /** Set when the search failed; the best layout before it stays. */
  trouble: string | null;
  /** Milliseconds from the start of the search to the first valid layout. */
  firstAfter: number | null;
  stop: () => void;
  start: (job: LayoutJob) => void;
}

/** Searches in a worker: better layouts come as they are found, and stopping keeps the best so far. */
export function useLayoutSearch(onDone: (layout: Layout) => void): LayoutSearching {
  const worker = useRef<Worker | null>(null);
  const done = useRef(onDone);
  done.current = onDone;
  const [state, setState] = useState<Omit<LayoutSearching, 'stop' | 'start'>>({
    layout: null,
    running: false,
    trouble: null,
    firstAfter: null,
  });
  const best = useRef<Layout | null>(null);

  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => end, [end]);

  const stop = useCallback(() => {
    if (!worker.current) return;
    end();
    setState((now) => ({ ...now, running: false }));
    if (best.current) done.current(best.current);
  }, [end]);

  const start = useCallback(
    (job: LayoutJob) => {
      end();
      best.current = null;
      setState({ layout: null, running: true, trouble: null, firstAfter: null });
      const began = performance.now();
      const next = new Worker(new URL('./layout.worker.ts', import.meta.url), { type: 'module' });
      worker.current = next;
      next.onmessage = ({ data }: MessageEvent<WorkerWord>) => {
        if (worker.current !== next) return;
        if (data.kind === 'broken') {
          setState((now) => ({ ...now, trouble: data.why }));
          return;
        }
        best.current = data.layout;
        const finished = data.kind === 'done';
        setState((now) => ({ ...now, layout: data.layout, running: !finished, firstAfter: now.firstAfter ?? performance.now() - began }));
        if (finished) {
          end();
          done.current(data.layout);
        }
      };
      next.onerror = (event) => {
        end();
        setState((now) => ({ ...now, running: false, trouble: event.message || 'The search stopped by itself.' }));
      };
      next.postMessage(job);
    },
    [end],
  );
  return { ...state, stop, start };
}
