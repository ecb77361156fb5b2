import { atan2 } from '../../measure/index.js';
import {
  type Derived,
  type Draft,
  derivedLength,
  type JointDraft,
  meet,
  type Opening,
  wood,
} from '../../panels/index.js';
import type { Refusal } from '../../plan/index.js';
import {
  atLeast,
  atMost,
  behind,
  between,
  type HalfSpace,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { ofAngle, ofLength, text } from '../../text/index.js';
import { floorDraft } from '../common/floor.js';
import { type RoomFace, sticksBehind } from '../common/sheet-sticks.js';
import type { Cut } from '../define-family.js';
import type { ShelfPlan } from './declared.js';
import { frameOf, type ShelfFrame, shelfFaults } from './frame.js';

type BoardId = 'back' | 'side' | 'front' | 'end';

/** A board that stands on edge, its grain level. */
const standing = (
  { t }: ShelfFrame,
  id: BoardId,
  outsideNormal: Vec3,
  grainDirection: Vec3,
  spaces: readonly HalfSpace[],
): Draft => ({
  id,
  role: id,
  thickness: t[id],
  solid: wood(solidInside([...spaces]), id),
  outsideNormal,
  grainDirection,
  grain: 'along',
  inside: 'any',
  knots: 'sound',
});

/** A board over the floor's end on one side: the rim, or what stands against the other wall. */
function endBoard(frame: ShelfFrame, id: 'side' | 'end', sign: -1 | 1): Draft {
  const { half, t, depth, under } = frame;
  const across = sign < 0 ? between('x', -half - t[id], -half) : between('x', half, half + t[id]);
  const high = id === 'side' ? frame.walls : frame.rim;
  return standing(
    frame,
    id,
    [sign, 0, 0],
    [0, 1, 0],
    [...across, ...between('y', 0, depth), ...between('z', under, high)],
  );
}

/** The sloping face of a bracket: the bracket lies behind it. */
function underBracket({ depth, under, low, nose, out }: ShelfFrame): HalfSpace {
  const [rise, run] = [under - nose - low, out];
  return behind([0, -rise, -run], [0, depth, low]);
}

/** A three-cornered bracket, its grain down the slope so that its outer end is not short-grained. */
function bracket(frame: ShelfFrame, index: 0 | 1): Draft {
  const { t, depth, under, low, nose, out, brackets } = frame;
  const at = brackets[index];
  const [rise, run] = [under - nose - low, out];
  return {
    id: `bracket-${index}`,
    group: 'bracket',
    role: 'bracket',
    thickness: t.bracket,
    solid: wood(
      solidInside([
        ...between('x', at - t.bracket / 2, at + t.bracket / 2),
        atLeast('y', depth - out),
        atMost('y', depth),
        atLeast('z', low),
        atMost('z', under),
        underBracket(frame),
      ]),
      'bracket',
    ),
    outsideNormal: [1, 0, 0],
    grainDirection: [0, -run, rise],
    grain: 'along',
    inside: 'any',
    knots: 'sound',
  };
}

function drafts(frame: ShelfFrame): Draft[] {
  const { t, depth, outside, under, low, rim, walls, corner, floor } = frame;
  const wide = between('x', ...outside);
  return [
    floorDraft(floor, t.floor),
    standing(
      frame,
      'back',
      [0, 1, 0],
      [1, 0, 0],
      [...wide, ...between('y', depth, depth + t.back), ...between('z', low, walls)],
    ),
    endBoard(frame, 'side', corner),
    endBoard(frame, 'end', corner < 0 ? 1 : -1),
    standing(
      frame,
      'front',
      [0, -1, 0],
      [1, 0, 0],
      [...wide, ...between('y', -t.front, 0), ...between('z', under, rim)],
    ),
    bracket(frame, 0),
    bracket(frame, 1),
  ];
}

const trayJoints = ({ floor }: ShelfFrame): JointDraft[] => [
  ...(['side', 'end'] as const).flatMap((id) => [...meet('front', id), ...meet('back', id)]),
  ...(['side', 'end'] as const).flatMap((id) => meet('floor', id)),
  ...meet('floor', 'front', 'butt', floor.meetsFront),
  ...meet('floor', 'back', 'butt', floor.meetsBack),
];
const bracketJoints = (): JointDraft[] =>
  [0, 1].flatMap((index) => [
    ...meet(`bracket-${index}`, 'floor'),
    ...meet(`bracket-${index}`, 'back'),
  ]);

/** The flat sides of the tray: battens on the floor lie flat, those in its corners stand as high as the lower panel. */
function trayFaces({ half, depth, rim, walls, corner }: ShelfFrame): RoomFace[] {
  const end = (id: 'side' | 'end', sign: number, high: number): RoomFace => ({
    panel: id,
    inside: sign < 0 ? atLeast('x', -half) : atMost('x', half),
    within: [atMost('z', high)],
  });
  return [
    { panel: 'floor', inside: atLeast('z', 0) },
    { panel: 'front', inside: atLeast('y', 0), within: [atMost('z', rim)] },
    { panel: 'back', inside: atMost('y', depth), within: [atMost('z', walls)] },
    end('side', corner, walls),
    end('end', -corner, rim),
  ];
}

/** The room between the brackets, under the floor: battens lie at their inner sides and end where they do. */
function bracketFaces(frame: ShelfFrame): RoomFace[] {
  const { brackets, t, depth, out, low, under } = frame;
  const within = [atLeast('y', depth - out), atLeast('z', low), underBracket(frame)];
  return [
    { panel: 'floor', inside: atMost('z', under) },
    { panel: 'back', inside: atMost('y', depth) },
    { panel: 'bracket-0', inside: atLeast('x', brackets[0] + t.bracket / 2), within },
    { panel: 'bracket-1', inside: atMost('x', brackets[1] - t.bracket / 2), within },
  ];
}

/** How the panels are held: fastened into each other, or by battens behind their joints. */
function heldBy(frame: ShelfFrame): { drafts: Draft[]; joints: JointDraft[] } {
  const { sticks } = frame;
  const [tray, brackets] = [trayJoints(frame), bracketJoints()];
  if (!sticks) return { drafts: [], joints: [...tray, ...brackets] };
  const inside = sticksBehind(tray, trayFaces(frame), sticks);
  const beneath = sticksBehind(brackets, bracketFaces(frame), sticks);
  return {
    drafts: [...inside.drafts, ...beneath.drafts],
    joints: [...inside.joints, ...beneath.joints],
  };
}

/** Open above and over the rim. */
function openings({ half, depth, rim, walls, corner, floor }: ShelfFrame): Opening[] {
  const end = -corner * half;
  const open = (...polygon: Vec3[]): Opening => ({ kind: 'open-front', polygon });
  return [
    open([-half, 0, rim], [half, 0, rim], [half, 0, walls], [-half, 0, walls]),
    open([end, 0, rim], [end, depth, rim], [end, depth, walls], [end, 0, walls]),
    open([-half, 0, walls], [half, 0, walls], [half, depth, walls], [-half, depth, walls]),
    ...floor.openings,
  ];
}

function derive({ sizes }: ShelfPlan, frame: ShelfFrame): Derived[] {
  const { outside, depth, t, under, low, nose, out } = frame;
  const [left, right] = outside;
  const rise = under - nose - low;
  return [
    derivedLength(
      'outsideWidth',
      'Outside, wide',
      right - left,
      text`The tray and the boards at its ends: ${ofLength(sizes.width)} + ${ofLength(t.side)} + ${ofLength(t.end)}`,
    ),
    derivedLength(
      'outsideDepth',
      'Out from the wall',
      depth + t.front + t.back,
      text`The tray, its rim and the board on the wall: ${ofLength(depth)} + ${ofLength(t.front)} + ${ofLength(t.back)}`,
    ),
    {
      id: 'bracketSlope',
      label: 'Brackets sawn at',
      kind: 'angle',
      value: atan2(rise, out),
      why: text`They rise ${ofLength(rise)} over ${ofLength(out)}, ${ofLength(nose)} left at the outer end: ${ofAngle(atan2(rise, out))} from level.`,
    },
  ];
}

/** Cuts an open tray with a rim on its two open edges, on two brackets, out of the corner of two walls. */
export function build(plan: ShelfPlan): Cut | readonly Refusal[] {
  const frame = frameOf(plan);
  const refusals = shelfFaults(plan, frame);
  if (refusals.length > 0) return refusals;
  const { half, depth, walls, rim } = frame;
  const held = heldBy(frame);
  return {
    drafts: [...drafts(frame), ...held.drafts],
    joints: held.joints,
    openings: openings(frame),
    cavities: [
      {
        origin: [0, 0, 0],
        width: 2 * half,
        depth,
        heightFront: walls,
        heightBack: walls,
        sill: rim,
      },
    ],
    derived: derive(plan, frame),
  };
}
