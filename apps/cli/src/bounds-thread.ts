import { MessageChannel, receiveMessageOnPort, Worker } from 'node:worker_threads';
import type { LayoutJob } from '@spare-knot/core/job';
import { type Bounds, type Proven, STANDARD_GOALS } from '@spare-knot/core/layout';
import type { BoundsTask } from './bounds.worker.js';

/** Bounds proven on a thread of their own, so that the search has all of this one. */
export interface BoundsThread extends Bounds {
  end(): void;
}

/** A thread that proves the bounds of one job; it ends with the job's time, or when it is told. */
export function boundsThread(job: LayoutJob): BoundsThread {
  // The search never gives way to the event loop: what the thread says is fetched from a port of its own.
  const { port1: here, port2: there } = new MessageChannel();
  // What was built: a thread is no part of the tests' own loader.
  const worker = new Worker(new URL('../dist/bounds.worker.js', import.meta.url), {
    workerData: { job, goals: STANDARD_GOALS, port: there } satisfies BoundsTask,
    transferList: [there],
  });
  worker.unref();
  here.unref();
  return {
    know: (best) => here.postMessage(best),
    heard: () => {
      const heard: Proven[] = [];
      for (;;) {
        const news = receiveMessageOnPort(here) as { message: readonly Proven[] } | undefined;
        if (!news) return heard;
        heard.push(...news.message);
      }
    },
    end: () => {
      here.close();
      void worker.terminate();
    },
  };
}
