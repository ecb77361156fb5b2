import { at } from '../../lists/index.js';
import {
  type Cavity,
  type Derived,
  type Draft,
  derivedLength,
  type JointDraft,
  meet,
  type Opening,
} from '../../panels/index.js';
import type { Refusal } from '../../plan/index.js';
import type { Vec3 } from '../../solid/index.js';
import { ofAngle, ofLength, text } from '../../text/index.js';
import { FRONT_TO_BACK, roundOpenings } from '../common/holes.js';
import type { Cut } from '../define-family.js';
import type { CrevicePlan } from './declared.js';
import { type CreviceFrame, creviceFaults, frameOf } from './frame.js';
import {
  backPanel,
  cheeks,
  cheekVents,
  fronts,
  partitions,
  roof,
  type Strip,
  strips,
  struts,
} from './panels.js';

interface Parts {
  front: readonly Draft[];
  partitions: readonly Draft[];
  back: Draft;
  cheeks: readonly Draft[];
  strips: readonly Strip[];
  struts: readonly Draft[];
  flush: boolean;
}

function jointsOf(parts: Parts): JointDraft[] {
  /** Upright panels from front to back; strip i stands between i and i + 1. */
  const layers = [parts.front, ...parts.partitions.map((each) => [each]), [parts.back]];
  const upright = [at(parts.front, -1).id, 'back'];
  const partitions = parts.flush ? parts.partitions.map(({ id }) => id) : [];
  return [
    ...layers.flat().flatMap((panel) => parts.cheeks.flatMap((side) => meet(panel.id, side.id))),
    // Where strips close the ends the roof is screwed down on them, so that sheet needs no screw in its edge.
    ...upright.flatMap((id) => meet('roof', id, parts.strips.length > 0 ? 'loose' : 'butt')),
    ...parts.cheeks.flatMap(({ id }) => meet('roof', id)),
    ...partitions.flatMap((id) => meet('roof', id, 'loose')),
    ...parts.struts.flatMap(({ id }) => meet(id, 'back')),
    ...parts.strips.flatMap(({ layer, draft }) => [
      ...[...at(layers, layer), ...at(layers, layer + 1)].flatMap((panel) =>
        meet(panel.id, draft.id),
      ),
      ...meet('roof', draft.id),
    ]),
  ];
}

function openingsOf({ half, rooms, starts, crevice, slot }: CreviceFrame): Opening[] {
  const level = (y: number, [left, right]: readonly [number, number]): Vec3[] => [
    [left, y, 0],
    [right, y, 0],
    [right, y + crevice, 0],
    [left, y + crevice, 0],
  ];
  const crevices = starts.flatMap((y) =>
    rooms.map(
      ({ x, half: wide }): Opening => ({
        kind: 'crevice',
        polygon: level(y, [x - wide, x + wide]),
      }),
    ),
  );
  if (!slot) return crevices;
  const polygon: Vec3[] = [
    [-half, 0, slot.low],
    [half, 0, slot.low],
    [half, 0, slot.high],
    [-half, 0, slot.high],
  ];
  return [...crevices, { kind: 'vent-gap', polygon }];
}

const cavitiesOf = ({ rooms, starts, crevice, roofAt }: CreviceFrame): Cavity[] =>
  starts.flatMap((y) =>
    rooms.map(({ x, half }) => ({
      origin: [x, y, 0],
      width: 2 * half,
      depth: crevice,
      heightFront: roofAt(y),
      heightBack: roofAt(y + crevice),
      sill: 0,
    })),
  );

/** Crevices where the cheeks' width decides them. */
function creviceDerived({ sizes, choices }: CrevicePlan, frame: CreviceFrame): Derived[] {
  const { front, back, part, crevice, starts } = frame;
  if (choices.creviceBy !== 'cheeks' || frame.spacers) return [];
  return [
    {
      id: 'crevice',
      label: 'Crevice deep',
      kind: 'length',
      value: crevice,
      why: text`Cheeks ${ofLength(sizes.cheekWidth)} less front ${ofLength(front)}, ${starts.length - 1} × partition ${ofLength(part)} and back ${ofLength(back)}, shared among ${starts.length}: ${ofLength(crevice)}.`,
    },
  ];
}

function derive({ sizes }: CrevicePlan, frame: CreviceFrame): Derived[] {
  const { front, back, part, crevice, starts, depth, slope, roofAt } = frame;
  const through = front + depth + back;
  const between = starts.length - 1;
  const parts = between > 0 ? text`, ${between} × partition ${ofLength(part)}` : '';
  const high = roofAt(depth + back) + sizes.landing;
  return [
    derivedLength(
      'cheekWidth',
      'Cheeks, wide',
      through,
      text`Front ${ofLength(front)}${parts}, back ${ofLength(back)} and ${starts.length} × crevice ${ofLength(crevice)}`,
    ),
    {
      id: 'backHeight',
      label: 'Back, with its landing',
      kind: 'length',
      value: Math.round(high),
      why: text`${ofLength(sizes.frontHeight)} at the front, rising ${ofAngle(slope)} over ${ofLength(through)}, and ${ofLength(sizes.landing)} to land on = ${ofLength(high)} at the outside.`,
    },
  ];
}

/** Cuts a crevice box out of space: front, partitions and back, cheeks or spacers at their ends, open below. */
export function build(plan: CrevicePlan): Cut | readonly Refusal[] {
  const frame = frameOf(plan);
  const refusals = creviceFaults(plan, frame);
  if (refusals.length > 0) return refusals;
  const box = { plan, frame };
  const parts: Parts = {
    front: fronts(box),
    partitions: partitions(box),
    back: backPanel(box),
    cheeks: cheeks(box),
    strips: strips(box),
    struts: struts(box),
    flush: plan.choices.hang === 'flush',
  };
  return {
    drafts: [
      ...parts.front,
      ...parts.partitions,
      parts.back,
      ...parts.cheeks,
      roof(box),
      ...parts.strips.map(({ draft }) => draft),
      ...parts.struts,
    ],
    joints: jointsOf(parts),
    openings: [
      ...openingsOf(frame),
      ...roundOpenings('vent-hole', cheekVents(box), plan.sizes.ventSize, FRONT_TO_BACK),
    ],
    cavities: cavitiesOf(frame),
    derived: [...creviceDerived(plan, frame), ...derive(plan, frame)],
  };
}
