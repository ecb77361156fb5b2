import { cos, fromMm } from '../../measure/index.js';
import { type Draft, wood } from '../../panels/index.js';
import {
  atLeast,
  atMost,
  between,
  type HalfSpace,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { entranceFeature } from '../common/entrance.js';
import { type Floor, floorDraft } from '../common/floor.js';
import { type GripWall, gripFeatures } from '../common/grip.js';
import { roundHoles } from '../common/holes.js';
import { slopedRoof, underSlopedRoof } from '../common/sloped-roof.js';
import { isAgainstBack, type ShellPlan } from './declared.js';
import { type Frame, roofAt } from './frame.js';
import { dripFeatures, grooveFeature } from './grooves.js';
import { type Nails, nailFeatures } from './nails.js';

/** A frame with what is bored in its walls. */
export interface Shell {
  plan: ShellPlan;
  frame: Frame;
  floor: Floor;
  gripWall: GripWall;
  /** Middles of vent holes in the sides' inside. */
  vents: readonly Vec3[];
  /** Pivots and latch of the wall that swings. */
  nails: Nails | null;
}

const WALL = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;

/** Everything under the roof, `drop` lower. */
const underRoof = (frame: Frame, drop = 0): HalfSpace =>
  underSlopedRoof({ slope: frame.slope, at: (y) => roofAt(frame, y) }, drop);

/** How far front and back reach across. */
export function acrossFront({ plan, frame }: Pick<Shell, 'plan' | 'frame'>): HalfSpace[] {
  const half = frame.width / 2;
  return plan.choices.walls === 'over'
    ? between('x', -half - frame.t.left, half + frame.t.right)
    : between('x', -half, half);
}

/** A front that swings between the sides has play at both. */
function frontAcross(shell: Pick<Shell, 'plan' | 'frame'>): HalfSpace[] {
  const { swing, play, width } = shell.frame;
  if (swing?.wall !== 'front') return acrossFront(shell);
  return between('x', -width / 2 + play.sides, width / 2 - play.sides);
}

/** Which faces of the walls have to be rough. */
function wallFaces({ choices }: ShellPlan): Pick<Draft, 'inside'> & { outside: 'rough' | 'any' } {
  const { faces, grip } = choices;
  return {
    outside: faces === 'outside' ? 'rough' : 'any',
    inside: faces === 'inside' && grip === 'rough' ? 'rough' : 'any',
  };
}

function front(shell: Shell): Draft {
  const { plan, frame, gripWall, nails } = shell;
  const { wayIn, t } = frame;
  const open = wayIn.kind === 'open';
  const top = open ? atMost('z', wayIn.above) : underRoof(frame, frame.gapOverFront + frame.slot);
  const faces = wallFaces(plan);
  const spaces = [
    ...frontAcross(shell),
    ...between('y', -t.front, 0),
    atLeast('z', frame.bottom),
    top,
  ];
  const rough = plan.choices.grip === 'rough' ? 'rough' : 'any';
  const { grip } = plan.choices;
  return {
    ...WALL,
    id: 'front',
    role: 'front',
    thickness: t.front,
    solid: wood(solidInside(spaces), 'front'),
    outsideNormal: [0, -1, 0],
    inside: open ? faces.inside : rough,
    outside: faces.outside,
    features: (toFrame) => [
      ...(wayIn.kind === 'hole'
        ? [entranceFeature(wayIn.entrance, toFrame([0, -t.front, wayIn.entrance.centre]))]
        : []),
      ...(open || grip === 'none' ? [] : gripFeatures({ choices: { grip } }, gripWall, toFrame)),
      ...nailFeatures(nails, 'front', toFrame),
    ],
  };
}

function back(shell: Shell): Draft {
  const { plan, frame, nails } = shell;
  const { t, depth } = frame;
  const above = roofAt(frame, depth) + t.roof / cos(frame.slope) + plan.sizes.backAbove;
  const spaces = [
    ...acrossFront(shell),
    ...between('y', depth, depth + t.back),
    atLeast('z', frame.bottom - plan.sizes.backBelow),
    isAgainstBack(plan.choices) ? atMost('z', above) : underRoof(frame, frame.gapOverBack),
  ];
  return {
    ...WALL,
    ...wallFaces(plan),
    id: 'back',
    role: 'back',
    thickness: t.back,
    solid: wood(solidInside(spaces), 'back'),
    outsideNormal: [0, 1, 0],
    features: (toFrame) => [
      ...(plan.choices.roof === 'groove' ? [grooveFeature(plan, frame, toFrame)] : []),
      ...nailFeatures(nails, 'back', toFrame),
    ],
  };
}

function side({ plan, frame, vents, nails }: Shell, sign: -1 | 1): Draft {
  const { t, bottom } = frame;
  const half = frame.width / 2;
  const left = sign < 0;
  const id = left ? 'side-left' : 'side-right';
  const thickness = left ? t.left : t.right;
  const play = frame.swing?.wall === id ? frame.play.sides : 0;
  const across = left
    ? between('x', -half - thickness, -half)
    : between('x', half, half + thickness);
  const spaces = [
    ...across,
    ...between('y', frame.sideFrom + play, frame.sideTo - play),
    atLeast('z', bottom),
    underRoof(frame, left ? frame.gapOverLeft : frame.gapOverRight),
  ];
  const own = vents.filter((hole) => Math.sign(hole[0]) === sign);
  return {
    ...WALL,
    ...wallFaces(plan),
    id,
    role: id,
    thickness,
    solid: wood(solidInside(spaces), id),
    outsideNormal: [sign, 0, 0],
    features: (toFrame) => [
      ...roundHoles('vent', own, plan.sizes.ventSize, toFrame),
      ...nailFeatures(nails, id, toFrame),
    ],
  };
}

function roof({ plan, frame }: Shell): Draft {
  const { sizes, choices } = plan;
  const { t, depth, slope } = frame;
  const half = frame.width / 2;
  const letIn = choices.roof === 'groove' ? sizes.letIn : 0;
  return slopedRoof(
    {
      slope,
      at: (y) => roofAt(frame, y),
      across: [-half - t.left - sizes.overhangSide, half + t.right + sizes.overhangSide],
      eaves: -t.front - sizes.overhangFront,
      rear: isAgainstBack(choices)
        ? atMost('y', depth + letIn)
        : depth + t.back + sizes.overhangRear,
      thickness: t.roof,
      grain: choices.roofGrain,
    },
    dripFeatures(plan, frame),
  );
}

/** The six panels. */
export const shellPanels = (shell: Shell): Draft[] => [
  front(shell),
  back(shell),
  side(shell, -1),
  side(shell, 1),
  floorDraft(shell.floor, shell.frame.t.floor),
  roof(shell),
];

/** Middles of the vent holes high in both sides, where holes are asked for. */
export function ventHoles({ sizes, choices }: ShellPlan, frame: Frame): Vec3[] {
  if (choices.vents !== 'holes') return [];
  const { depth } = frame;
  const drop = Math.max(frame.gapOverLeft, frame.gapOverRight) + sizes.ventSize / 2 + fromMm(14);
  return [-1, 1].flatMap((sign) =>
    [0.28, 0.72].map(
      (share): Vec3 => [
        (sign * frame.width) / 2,
        depth * share,
        roofAt(frame, depth * share) - drop,
      ],
    ),
  );
}
