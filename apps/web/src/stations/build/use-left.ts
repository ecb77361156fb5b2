import { minutesLeft, workOf } from '@spare-knot/core/building';
import { useBatch } from '../../batch/batch-context';
import { useLaidOut, usePlannedCuts } from '../../batch/use-laid-out';
import { isSawn, useSawing } from '../../batch/use-sawing';
import type { BenchWork } from './use-bench-work';
import type { Built } from './use-build';
import { NO_PACE, usePace } from './use-pace';

/** What is left to be done, in minutes of the whole batch. */
export function useLeft(built: Built, work: BenchWork) {
  const { batch } = useBatch();
  const laidOut = useLaidOut();
  const { data: sawing } = useSawing(batch.id, batch.accepted !== null);
  const pace = usePace() ?? NO_PACE;
  const planned = usePlannedCuts(laidOut);
  const left = minutesLeft(workOf(built.build, built.box), work.isDone, pace);
  const plan = sawing?.plan ?? planned;
  const sawMinutes = isSawn(sawing) ? 0 : (plan?.minutes ?? null);
  return { ...laidOut, pace, left, sawMinutes };
}

export type Left = ReturnType<typeof useLeft>;
