import type { BoxRecord } from '@spare-knot/core/api';
import type { Walk } from '@spare-knot/core/trail';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { type AnswerWorker, OneAnswer } from '../workers/one-answer';
import type { WalkQuestion } from '../workers/walk.worker';

const hire = () =>
  new Worker(new URL('../workers/walk.worker.ts', import.meta.url), {
    type: 'module',
  }) as AnswerWorker<Walk>;

/** The boxes of a walk in the order of the shortest round that was found, worked out beside the page; those without a place come last. */
export function useWalk(boxes: readonly BoxRecord[]) {
  const [asking] = useState(() => new OneAnswer<WalkQuestion, Walk>(hire));
  const { answer, trouble } = useSyncExternalStore(asking.subscribe, asking.snapshot);
  const [placed, unplaced] = useMemo(
    () => [boxes.filter(({ at }) => at !== null), boxes.filter(({ at }) => at === null)],
    [boxes],
  );
  // Asked anew when other boxes are walked or one is elsewhere, not when a visit to one is kept.
  const said = JSON.stringify(placed.map(({ id, at }) => [id, at]));
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is asked hangs on the places alone
  useEffect(() => {
    asking.start({ places: placed.flatMap(({ at }) => at ?? []) });
    return asking.stop;
  }, [asking, said]);
  const isForThese = answer?.order.length === placed.length;
  return {
    walk: isForThese ? answer : null,
    ordered: isForThese ? answer.order.flatMap((index) => placed[index] ?? []) : placed,
    unplaced,
    trouble,
  };
}
