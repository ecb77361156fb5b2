import { type Draft, type JointDraft, meet, wood } from '../../panels/index.js';
import { between, solidInside, type Vec3 } from '../../solid/index.js';
import { NO_PARTS, type Parts } from '../common/grip.js';
import type { ColonyPlan } from './declared.js';
import type { ColonyFrame } from './frame.js';
import { frontId, storey } from './panels.js';

type Sign = -1 | 1;

/** One stick in an outer corner of one row: broad against the front or what closes the house behind. */
function upright(frame: ColonyFrame, row: number, rear: boolean, sign: Sign): Draft {
  const { half, depth, sticks } = frame;
  const { deep = 0, wide = 0 } = sticks ?? {};
  const id = `batten-${row}-${rear ? 'rear' : 'front'}-${sign < 0 ? 'left' : 'right'}`;
  const across = sign < 0 ? between('x', -half, -half + wide) : between('x', half - wide, half);
  const outsideNormal: Vec3 = [0, rear ? 1 : -1, 0];
  return {
    id,
    group: 'batten',
    role: 'batten',
    thickness: deep,
    solid: wood(
      solidInside([
        ...across,
        ...(rear ? between('y', depth - deep, depth) : between('y', 0, deep)),
        ...storey(frame, row),
      ]),
      id,
    ),
    outsideNormal,
    grainDirection: [0, 0, 1],
    grain: 'along',
    inside: 'any',
    knots: 'sound',
  };
}

/** How one stick holds what meets in its corner; fronts come off, unless the roof does. */
function jointsOf(
  { choices }: ColonyPlan,
  { two, rows }: ColonyFrame,
  { row, rear, sign, id }: { row: number; rear: boolean; sign: Sign; id: string },
): JointDraft[] {
  const byRoof = choices.access === 'roof';
  const comesOff = !byRoof && (!rear || two);
  const behind = two ? frontId('rear') : 'back';
  return [
    ...meet(rear ? behind : frontId('front'), id, comesOff ? 'screwed' : 'butt'),
    ...meet(sign < 0 ? 'side-left' : 'side-right', id),
    ...meet('roof', id, byRoof ? 'screwed' : 'butt', row === rows - 1),
  ];
}

/**
 * Sticks in the outer corners of every row, which hold a skin of thin sheet: fronts, back and ends are screwed to them and to the edges
 * of floors and partitions, which stay of boards or thick sheet; the roof to the upper row's.
 */
export function cornerUprights(plan: ColonyPlan, frame: ColonyFrame): Parts {
  if (!frame.sticks) return NO_PARTS;
  const parts = frame.levels.flatMap((_, row) =>
    [false, true].flatMap((rear) =>
      ([-1, 1] as const).map((sign) => {
        const draft = upright(frame, row, rear, sign);
        return { draft, joints: jointsOf(plan, frame, { row, rear, sign, id: draft.id }) };
      }),
    ),
  );
  return {
    drafts: parts.map(({ draft }) => draft),
    joints: parts.flatMap(({ joints }) => joints),
  };
}
