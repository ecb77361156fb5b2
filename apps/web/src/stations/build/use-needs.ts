import { hardwareOf, mendedLines, type Need, needsOf } from '@spare-knot/core/building';
import { useMemo } from 'react';
import { useBatch } from '../../batch/batch-context';
import { useSupplies } from '../../shop/use-supplies';
import { type Built, planToBuild } from './use-build';

/** What the batch takes beside its wood, held against what the shop has told. */
export function useNeeds(built: Built): Need[] {
  const { draft, sound } = useBatch();
  const { supplies } = useSupplies();
  const { boxes, making } = draft;
  return useMemo(() => {
    if (!sound) return [];
    const lines = hardwareOf(planToBuild(sound.plan, making), built.box, making.site);
    const { build } = built;
    return build.mended
      ? needsOf(mendedLines(lines, build), 1, build.hardware, supplies)
      : needsOf(lines, boxes, build.hardware, supplies);
  }, [sound, making, boxes, built, supplies]);
}
