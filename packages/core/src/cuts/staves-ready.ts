import { type LayoutJob, panelOfStave } from '../job/index.js';
import { lastCut } from './at-hand.js';
import {
  type Copy,
  copyKey,
  madeParts,
  type NamedPlan,
  named,
  type Progress,
  partsIn,
} from './progress.js';

/**
 * The staves of a panel that are all there since the last cut; null where the last cut gave none, or some are still to be sawn. `wanted`
 * are panels that lie in no plan.
 */
export function stavesReady(
  { parts }: Pick<LayoutJob, 'parts'>,
  plan: NamedPlan,
  progress: Progress,
  wanted: readonly Copy[] = [],
): { staves: number; parts: readonly Copy[] } | null {
  const last = lastCut(plan, progress);
  if (last === null) return null;
  const { board, id } = named(plan.boards, last);
  const cut = board?.cuts.find((each) => each.id === id);
  const made = new Set(madeParts(plan.boards, progress).map(copyKey));
  const given = (cut?.gives ?? []).flatMap((piece) => {
    const is = board?.pieces.find((each) => each.id === piece)?.is;
    return is && typeof is === 'object' && made.has(copyKey(is)) ? [is] : [];
  });
  const planned = plan.boards.flatMap((each) => partsIn(each, 'p0'));
  const open = new Set([...planned, ...wanted].map(copyKey).filter((key) => !made.has(key)));
  for (const { part, copy } of given) {
    const panel = panelOfStave(part);
    if (panel === null) continue;
    const staves = parts
      .filter((each) => panelOfStave(each.id) === panel)
      .map((each) => ({ part: each.id, copy }));
    if (staves.length > 1 && staves.every((stave) => !open.has(copyKey(stave))))
      return { staves: staves.length, parts: staves };
  }
  return null;
}
