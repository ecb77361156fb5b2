import { readyCopies } from '@spare-knot/core/job';
import { sum } from '@spare-knot/core/lists';
import { useMemo } from 'react';
import { useBatch } from './batch-context';

/** How many panels that stand on boxes which are mended fit the plan as it is now no more. */
function useUnfit(): number {
  const { batch, draft, built } = useBatch();
  const { plan, boxes } = draft;
  const { mends } = batch;
  return useMemo(() => {
    if (!mends || !built.ok) return 0;
    const { left } = readyCopies(plan, built.box, boxes, mends.sound);
    return sum([...left.values()]);
  }, [mends, built, plan, boxes]);
}

/** Boxes that hang do not follow a plan that is changed: what then fits them no more is said on every station. */
export function MendingNote() {
  const unfit = useUnfit();
  if (unfit === 0) return null;
  return (
    <p
      role="alert"
      className="my-3 rounded-md border-2 border-danger bg-danger-pale p-3 text-lg print:hidden"
    >
      <strong>These boxes hang as they were built.</strong> The plan or its wood is another now:{' '}
      {unfit === 1
        ? 'one panel that stands on them does not fit it'
        : `${unfit} panels that stand on them do not fit it`}
      , and would be made anew too. Undo the change, or the new panels will not fit the old boxes.
    </p>
  );
}
