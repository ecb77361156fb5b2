import type { LayoutJob } from '../job/index.js';
import { lastCut } from './at-hand.js';
import { type Copy, madeParts, type NamedPlan, type Progress, partsIn } from './progress.js';

/** A stave is named after its panel: `front.1`. */
const STAVE = /^(.+)\.\d+$/;

const keyOf = ({ part, copy }: Copy): string => `${copy} ${part}`;

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
  const [index = '', id] = lastCut(plan, progress)?.split(':') ?? [];
  const board = plan.boards[Number(index)];
  const cut = board?.cuts.find((each) => each.id === id);
  const made = new Set(madeParts(plan.boards, progress).map(keyOf));
  const given = (cut?.gives ?? []).flatMap((piece) => {
    const is = board?.pieces.find((each) => each.id === piece)?.is;
    return is && typeof is === 'object' && made.has(keyOf(is)) ? [is] : [];
  });
  const planned = plan.boards.flatMap((each) => partsIn(each, 'p0'));
  const open = new Set([...planned, ...wanted].map(keyOf).filter((key) => !made.has(key)));
  for (const { part, copy } of given) {
    const panel = STAVE.exec(part)?.[1];
    if (panel === undefined) continue;
    const staves = parts
      .filter((each) => STAVE.exec(each.id)?.[1] === panel)
      .map((each) => ({ part: each.id, copy }));
    if (staves.length > 1 && staves.every((stave) => !open.has(keyOf(stave))))
      return { staves: staves.length, parts: staves };
  }
  return null;
}
