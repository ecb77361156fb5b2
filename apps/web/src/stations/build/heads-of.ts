import type { AssemblyStep, BoredHole, BuildPlan } from '@spare-knot/core/building';
import { sameCopy } from './build-words';

/** Where the fasteners of a step are driven: the holes under their heads, with the panel that each is in. */
export function headsOf({ holes }: BuildPlan, { joints }: AssemblyStep): BoredHole[] {
  return joints.flatMap(({ fastener, drivenFrom, between }) => {
    if (!fastener || !drivenFrom) return [];
    const into = between.find((each) => !sameCopy(each, drivenFrom));
    return holes.filter(
      (hole) =>
        sameCopy(hole, drivenFrom) &&
        hole.depth === 'through' &&
        (hole.fastener === fastener || hole.for === fastener) &&
        hole.drillWith.includes(into?.panel ?? ''),
    );
  });
}
