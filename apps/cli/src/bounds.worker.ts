import { once } from 'node:events';
import { type MessagePort, receiveMessageOnPort, workerData } from 'node:worker_threads';
import type { LayoutJob } from '@spare-knot/core/job';
import { type Goals, type Known, proverFor } from '@spare-knot/core/layout';
import { loadSolver } from './load-solver.js';

/** Proves bounds beside a search that runs on the main thread, until its time is up or nothing more is to be proven. */
export interface BoundsTask {
  job: LayoutJob;
  goals: Goals;
  /** What the search says, and what it is told. */
  port: MessagePort;
}

const { job, goals, port } = workerData as BoundsTask;
const deadline = performance.now() + 1000 * job.effort.seconds;
const solver = await loadSolver();
const prover = proverFor(job, goals, {
  solver,
  halted: () => performance.now() > deadline,
  secondsLeft: () => (deadline - performance.now()) / 1000,
});
const [first] = (await once(port, 'message')) as [readonly (Known | null)[]];
prover.know(first);
for (const _step of prover.steps()) {
  for (;;) {
    const news = receiveMessageOnPort(port) as { message: readonly (Known | null)[] } | undefined;
    if (!news) break;
    prover.know(news.message);
  }
  const proven = prover.heard();
  if (proven.length > 0) port.postMessage(proven);
}
port.postMessage(prover.heard());
port.close();
