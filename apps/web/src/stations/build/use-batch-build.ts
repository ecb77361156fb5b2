import { familyById } from '@spare-knot/core/families';
import { panelNames, partName } from '@spare-knot/core/panels';
import { useMemo } from 'react';
import { useBatch } from '../../batch/batch-context';
import { useTools } from '../../shop/use-tools';
import { type BuildState, useBuild } from './use-build';
import { NO_PACE, usePace } from './use-pace';

/** The build plan of the batch on the bench with the shop’s bits, and what its panels are called. */
export function useBatchBuild(): BuildState & { nameOf: (panel: string) => string } {
  const { draft, sound, batch } = useBatch();
  const said = JSON.stringify(batch.mends);
  const mends = useMemo(() => JSON.parse(said) as typeof batch.mends, [said]);
  const { shop } = useTools();
  const pace = usePace();
  const state = useBuild(
    sound?.plan ?? null,
    draft.boxes,
    draft.making,
    shop?.bits ?? null,
    pace ?? NO_PACE,
    mends,
  );
  const nameOf = useMemo(() => {
    const names = sound ? panelNames(familyById(sound.plan.family), sound.box) : new Map();
    return (id: string) => partName(names, id);
  }, [sound]);
  return { ...state, nameOf };
}
