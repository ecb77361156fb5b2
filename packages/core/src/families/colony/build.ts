import { at } from '../../lists/index.js';
import {
  type Cavity,
  type Derived,
  type Draft,
  derivedLength,
  type JointDraft,
  type JointKind,
  meet,
  type Opening,
} from '../../panels/index.js';
import { type Refusal, sillOf } from '../../plan/index.js';
import { ofAngle, ofLength, text } from '../../text/index.js';
import { entranceOpening } from '../common/entrance.js';
import { ACROSS, LEVEL, roundOpenings } from '../common/holes.js';
import type { Cut } from '../define-family.js';
import type { ColonyPlan } from './declared.js';
import { type ColonyFrame, colonyFaults, drainsOf, type Facing, frameOf, ventAt } from './frame.js';
import { twoHalves } from './halves.js';
import {
  back,
  end,
  floors,
  front,
  frontId,
  middles,
  partitions,
  type RowPanel,
  roof,
} from './panels.js';
import { cornerUprights } from './uprights.js';

interface Parts {
  fronts: readonly Draft[];
  backs: readonly Draft[];
  ends: readonly Draft[];
  floors: readonly Draft[];
  middles: readonly RowPanel[];
  partitions: readonly (RowPanel & { face: Facing })[];
}

/** Walls round the house, to its ends, its floors and its roof. */
function outerJoints(
  { fronts, backs, ends, floors: levels }: Parts,
  { byRoof, onSticks }: { byRoof: boolean; onSticks: boolean },
): JointDraft[] {
  const frontHeld: JointKind = byRoof ? 'butt' : 'screwed';
  const roofed: JointKind = byRoof ? 'screwed' : 'butt';
  // Sticks in the corners hold a skin of sheet, whose panels only touch each other.
  const roofHeld: JointKind = onSticks ? 'loose' : roofed;
  const skin = (kind: JointKind): JointKind => (onSticks ? 'loose' : kind);
  const toAll = (id: string, to: readonly Draft[], kind?: JointKind) =>
    to.flatMap((each) => meet(id, each.id, kind));
  return [
    ...fronts.flatMap(({ id }) => [
      ...toAll(id, ends, skin(frontHeld)),
      ...toAll(id, levels, frontHeld),
      ...meet('roof', id, byRoof ? skin('screwed') : 'loose'),
    ]),
    ...backs.flatMap(({ id }) => [
      ...toAll(id, ends, skin('butt')),
      ...toAll(id, levels),
      ...meet('roof', id, roofHeld),
    ]),
    ...ends.flatMap(({ id }) => [...toAll(id, levels), ...meet('roof', id, roofHeld)]),
  ];
}

/** Walls between the rooms, to the floors under and over them. */
function innerJoints(parts: Parts, frame: ColonyFrame, byRoof: boolean): JointDraft[] {
  const { ends, floors: levels } = parts;
  const top = frame.rows - 1;
  const roofHeld: JointKind = byRoof ? 'screwed' : 'butt';
  return [
    ...parts.middles.flatMap(({ row, draft: { id } }) => [
      ...ends.flatMap((each) => meet(each.id, id)),
      ...meet(id, at(levels, row).id),
      ...(row === top ? meet('roof', id, roofHeld) : meet(id, at(levels, row + 1).id)),
    ]),
    ...parts.partitions.flatMap(({ row, face, draft: { id } }) => [
      ...meet(frontId(face), id, 'loose'),
      ...meet(frame.two ? `middle-${row}` : 'back', id),
      ...meet(at(levels, row).id, id),
      ...(row === top ? meet('roof', id, 'loose') : meet(at(levels, row + 1).id, id, 'loose')),
    ]),
  ];
}

function openingsOf({ sizes }: ColonyPlan, frame: ColonyFrame): Opening[] {
  const { rooms, entrance, depth } = frame;
  const wallOf = (face: Facing) => (face === 'front' ? 0 : depth);
  const vents = rooms.map((room) => ventAt(frame, room, wallOf(room.face)));
  return [
    ...rooms.map((room) => entranceOpening(entrance, room.x, wallOf(room.face), room.z)),
    ...roundOpenings('vent-hole', vents, sizes.ventSize, ACROSS),
    ...roundOpenings(
      'drain',
      frame.levels.flatMap((z) => drainsOf(frame, z)),
      sizes.drainSize,
      LEVEL,
    ),
  ];
}

const cavitiesOf = (frame: ColonyFrame): Cavity[] =>
  frame.rooms.map(({ row, face, z, x }) => {
    const { w, d, h, depth, roofAt } = frame;
    const y = face === 'front' ? 0 : depth - d;
    const top = row === frame.rows - 1;
    return {
      origin: [x, y, z],
      width: w,
      depth: d,
      heightFront: top ? roofAt(y) - z : h,
      heightBack: top ? roofAt(y + d) - z : h,
      sill: sillOf(frame.entrance),
    };
  });

function derive({ sizes }: ColonyPlan, frame: ColonyFrame): Derived[] {
  const { columns, rows, two, t, w, d, h, across, depth, slope, bottom, roofAt } = frame;
  const parts = columns > 1 ? text` and ${columns - 1} × partition ${ofLength(t.part)}` : '';
  const climbs = slope > 0 ? text`; the roof climbs at ${ofAngle(slope)} behind it` : '';
  const high = roofAt(0) - bottom;
  return [
    derivedLength(
      'across',
      'House, wide inside the ends',
      across,
      text`${columns} × ${ofLength(w)}${parts}`,
    ),
    {
      id: 'deep',
      label: 'House, deep inside',
      kind: 'length',
      value: Math.round(depth),
      why: two
        ? text`Two rooms of ${ofLength(d)} and the wall between, ${ofLength(t.middle)} = ${ofLength(depth)}.`
        : text`One room of ${ofLength(d)}.`,
    },
    {
      id: 'high',
      label: 'House, high at the front',
      kind: 'length',
      value: Math.round(high),
      why: text`${rows} × ${ofLength(h)}, ${rows} × floor ${ofLength(t.floor)} and the recess ${ofLength(sizes.floorRecess)} = ${ofLength(high)}${climbs}.`,
    },
  ];
}

/** Cuts a house of rooms side by side, in rows, perhaps back to back, out of space. */
export function build(plan: ColonyPlan): Cut | readonly Refusal[] {
  const frame = frameOf(plan);
  const refusals = colonyFaults(plan, frame);
  if (refusals.length > 0) return refusals;
  const parts: Parts = {
    fronts: frame.faces.map((face) => front(plan, frame, face)),
    backs: frame.two ? [] : [back(plan, frame)],
    ends: [end(frame, -1), end(frame, 1)],
    floors: floors(plan, frame),
    middles: middles(plan, frame),
    partitions: partitions(frame),
  };
  const byRoof = plan.choices.access === 'roof';
  const held = cornerUprights(plan, frame);
  const house: Cut = {
    drafts: [
      ...parts.fronts,
      ...parts.backs,
      ...parts.ends,
      ...parts.floors,
      ...parts.middles.map(({ draft }) => draft),
      ...parts.partitions.map(({ draft }) => draft),
      ...held.drafts,
      roof(plan, frame),
    ],
    joints: [
      ...outerJoints(parts, { byRoof, onSticks: frame.sticks !== null }),
      ...innerJoints(parts, frame, byRoof),
      ...held.joints,
    ],
    openings: openingsOf(plan, frame),
    cavities: cavitiesOf(frame),
    derived: derive(plan, frame),
  };
  return plan.choices.sides === 'halves' ? twoHalves(plan, frame, house) : house;
}
