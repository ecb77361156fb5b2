import { batchQuestion, sawsOf } from '@spare-knot/core/api';
import { type NamedPlan, namedPlan, planCuts } from '@spare-knot/core/cuts';
import { type LayoutJob, layoutJob } from '@spare-knot/core/job';
import { checkLayout, type Layout } from '@spare-knot/core/layout';
import { useMemo } from 'react';
import { useTools } from '../shop/use-tools';
import { useBatch, useReady } from './batch-context';
import { useSawing } from './use-sawing';
import { useWood, type WoodOfBatch } from './use-wood';

/** A batch as it is laid out. */
export interface LaidOut {
  job: LayoutJob | null;
  /** The layout that was accepted, or that was proposed and still holds for the job. */
  layout: Layout | null;
  /** Something was laid out, and the box or the wood has changed since. */
  isOutOfDate: boolean;
  wood: WoodOfBatch;
}

/** The job of the batch on the bench and its layout, where that holds: what speaks of wood that is gone, or of another box, is not to be sawn. */
export function useLaidOut(): LaidOut {
  const { draft, batch } = useBatch();
  const wood = useWood();
  const ready = useReady();
  const { rack, offers, all, isKnown } = wood;
  const { accepted, proposed } = batch;
  const job = useMemo(() => {
    const made =
      isKnown && all.length > 0
        ? layoutJob(batchQuestion({ ...draft, name: 'batch', liesReady: ready }, rack, offers))
        : null;
    return made?.ok ? made.job : null;
  }, [draft, ready, all, isKnown, rack, offers]);
  const holds = useMemo(
    () => job !== null && proposed !== null && checkLayout(job, proposed).length === 0,
    [job, proposed],
  );
  const held = holds ? proposed : null;
  const layout = accepted ? accepted.layout : held;
  return { job, layout, isOutOfDate: isKnown && layout === null && proposed !== null, wood };
}

/** The cuts that the layout needs as the shop saws them; null where nothing is laid out or no saw makes them. */
export function usePlannedCuts({ job, layout }: Pick<LaidOut, 'job' | 'layout'>): NamedPlan | null {
  const { batch } = useBatch();
  const { data } = useSawing(batch.id, batch.accepted !== null);
  const { shop } = useTools();
  const isBegun = data !== null && data !== undefined;
  return useMemo(() => {
    // Sawing that has begun follows its own plan.
    if (isBegun || !job || !layout) return null;
    const planned = planCuts(job, layout, shop && sawsOf(shop));
    return planned.ok ? namedPlan(planned.plan) : null;
  }, [isBegun, job, layout, shop]);
}
