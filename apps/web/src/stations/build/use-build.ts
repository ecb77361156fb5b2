import type { Making, MendedBoxes } from '@spare-knot/core/api';
import type { Bit, Pace } from '@spare-knot/core/building';
import type { BoxPlan } from '@spare-knot/core/plan';
import { useEffect, useState } from 'react';
import type { BuildAnswer, BuildQuestion } from './build.worker';

interface Asked {
  plan: BoxPlan;
  boxes: number;
  making: Making;
  bits: readonly Bit[] | null;
  pace: Pace;
  mends: MendedBoxes | null;
}

/** A build plan with the box that it is for. */
export type Built = Extract<BuildAnswer, { ok: true }>;

export interface BuildState {
  /** The last answer, which stays while the next is worked out. */
  answer: BuildAnswer | null;
  busy: boolean;
  trouble: string | null;
}

/** The way and the height at which a box is to hang: as told at the bench, or in its plan. */
export const planToBuild = (plan: BoxPlan, { hanging, site }: Making): BoxPlan => ({
  ...plan,
  hanging: hanging ?? plan.hanging,
  place: { ...plan.place, height: site.height ?? plan.place.height },
});

const questionOf = ({ plan, boxes, making, bits, pace, mends }: Asked): BuildQuestion => ({
  plan: planToBuild(plan, making),
  boxes,
  choices: {
    school: making.school,
    order: making.order,
    bits,
    site: making.site,
    pace,
    ...(mends && { mends: mends.boxes }),
  },
});

/** The build plan of a batch, worked out beside the page. */
export function useBuild(
  plan: BoxPlan | null,
  boxes: number,
  making: Making,
  bits: readonly Bit[] | null,
  pace: Pace,
  mends: MendedBoxes | null,
): BuildState {
  const [state, setState] = useState<BuildState>({ answer: null, busy: false, trouble: null });
  useEffect(() => {
    if (!plan) return;
    const worker = new Worker(new URL('./build.worker.ts', import.meta.url), { type: 'module' });
    setState((before) => ({ ...before, busy: true, trouble: null }));
    worker.onmessage = ({ data }: MessageEvent<BuildAnswer>) =>
      setState({ answer: data, busy: false, trouble: null });
    worker.onerror = ({ message }) =>
      setState((before) => ({
        ...before,
        busy: false,
        trouble: message || 'The build plan could not be worked out.',
      }));
    worker.postMessage(questionOf({ plan, boxes, making, bits, pace, mends }));
    return () => worker.terminate();
  }, [plan, boxes, making, bits, pace, mends]);
  return state;
}
