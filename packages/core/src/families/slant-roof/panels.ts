import { cos, fromMm, sin } from '../../measure/index.js';
import { type Draft, type Feature, wood } from '../../panels/index.js';
import {
  atLeast,
  atMost,
  behind,
  between,
  type HalfSpace,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { entranceFeature } from '../common/entrance.js';
import { type Floor, floorDraft } from '../common/floor.js';
import { type GripWall, gripFeatures } from '../common/grip.js';
import { roundHoles } from '../common/holes.js';
import { type HungHole, hungFeatures } from '../common/hung-wall.js';
import { slopedRoof, underSlopedRoof } from '../common/sloped-roof.js';
import { backWider, type ShellPlan } from './declared.js';
import { type Frame, roofAt } from './frame.js';
import { dripFeatures, grooveFeature } from './grooves.js';
import { mountFeatures } from './mount.js';
import { isAgainstBack } from './when.js';

/** A frame with what is bored in its walls. */
export interface Shell {
  plan: ShellPlan;
  frame: Frame;
  floor: Floor;
  gripWall: GripWall;
  /** Middles of vent holes in the sides' inside. */
  vents: readonly Vec3[];
  /** Pivots and latch of the wall that swings. */
  hung: readonly HungHole[];
  /** A second floor, loose over the first. */
  tray: Floor | null;
}

type ToFrame = Parameters<NonNullable<Draft['features']>>[0];

const WALL = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;

/** Everything under the roof, `drop` lower. */
export const underRoof = (frame: Frame, drop = 0): HalfSpace =>
  underSlopedRoof({ slope: frame.slope, at: (y) => roofAt(frame, y) }, drop);

/** How far front and back reach across. */
export function acrossFront({ plan, frame }: Pick<Shell, 'plan' | 'frame'>): HalfSpace[] {
  const half = frame.width / 2;
  return plan.choices.walls === 'over'
    ? between('x', -half - frame.t.left, half + frame.t.right)
    : between('x', -half, half);
}

/** How far the back reaches across: it may stand out beside the box. */
const acrossBack = (shell: Shell): HalfSpace[] => {
  const { plan, frame } = shell;
  const half = frame.width / 2;
  const wider = backWider(plan);
  return plan.choices.walls === 'over'
    ? between('x', -half - frame.t.left - wider, half + frame.t.right + wider)
    : acrossFront(shell);
};

/** A wall ends below at the bottom, its outer face at `x` or `y`; a bevelled one rises inwards from there. */
function fromBelow({ frame }: Shell, id: string, axis: 0 | 1, outer: number): HalfSpace {
  const low = frame.bottom - (frame.swing?.wall === id ? frame.lip : 0);
  const { lowerBevel } = frame;
  if (lowerBevel === 0) return atLeast('z', low);
  const inwards = (axis === 1 ? 1 : -Math.sign(outer)) * sin(lowerBevel);
  const down = -cos(lowerBevel);
  return axis === 1
    ? behind([0, inwards, down], [0, outer, low])
    : behind([inwards, 0, down], [outer, 0, low]);
}

/** A front that swings between the sides has play at both. */
function frontAcross(shell: Pick<Shell, 'plan' | 'frame'>): HalfSpace[] {
  const { swing, play, width } = shell.frame;
  if (swing?.wall !== 'front') return acrossFront(shell);
  return between('x', -width / 2 + play.sides, width / 2 - play.sides);
}

const isRoughOut = (faces: ShellPlan['choices']['faces']): boolean =>
  faces === 'outside' || faces === 'but-back';

/** Which faces of the walls have to be rough. */
function wallFaces({ choices }: ShellPlan): Pick<Draft, 'inside'> & { outside: 'rough' | 'any' } {
  const { faces, grip } = choices;
  return {
    outside: isRoughOut(faces) ? 'rough' : 'any',
    inside: faces === 'inside' && grip === 'rough' ? 'rough' : 'any',
  };
}

/** The front's outside under the entrance. */
export const outerGripWall = (within: GripWall, { t }: Frame): GripWall => ({
  ...within,
  y: -t.front,
  outside: true,
});

/** Kerfs across the outside, for those that climb to the entrance. */
const notches = ({ plan, frame, gripWall }: Shell, toFrame: ToFrame): Feature[] =>
  plan.choices.outside === 'notches'
    ? gripFeatures(
        { sizes: plan.sizes, choices: { grip: 'kerfs' } },
        outerGripWall(gripWall, frame),
        toFrame,
      )
    : [];

function front(shell: Shell): Draft {
  const { plan, frame, gripWall, hung } = shell;
  const { wayIn, t } = frame;
  const open = wayIn.kind === 'open';
  const top = open ? atMost('z', wayIn.above) : underRoof(frame, frame.gapOverFront + frame.slot);
  const faces = wallFaces(plan);
  const spaces = [
    ...frontAcross(shell),
    ...between('y', -t.front, 0),
    fromBelow(shell, 'front', 1, -t.front),
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
      ...(open || grip === 'none'
        ? []
        : gripFeatures({ sizes: plan.sizes, choices: { grip } }, gripWall, toFrame)),
      ...notches(shell, toFrame),
      ...hungFeatures(plan, hung, 'front', toFrame),
    ],
  };
}

function back(shell: Shell): Draft {
  const { plan, frame, hung } = shell;
  const { t, depth } = frame;
  const above = roofAt(frame, depth) + t.roof / cos(frame.slope) + plan.sizes.backAbove;
  const butBack = plan.choices.faces === 'but-back';
  const spaces = [
    ...acrossBack(shell),
    ...between('y', depth, depth + t.back),
    atLeast('z', frame.bottom - plan.sizes.backBelow),
    isAgainstBack(plan.choices) ? atMost('z', above) : underRoof(frame, frame.gapOverBack),
  ];
  return {
    ...WALL,
    ...wallFaces(plan),
    ...(butBack && ({ outside: 'any', inside: 'rough' } as const)),
    id: 'back',
    role: 'back',
    thickness: t.back,
    solid: wood(solidInside(spaces), 'back'),
    outsideNormal: [0, 1, 0],
    features: (toFrame) => [
      ...(plan.choices.roof === 'groove' ? [grooveFeature(plan, frame, toFrame)] : []),
      ...hungFeatures(plan, hung, 'back', toFrame),
      ...mountFeatures(plan, frame, toFrame),
    ],
  };
}

/** What is bored in one of the sides. */
const ofSide = (holes: readonly Vec3[], sign: -1 | 1): Vec3[] =>
  holes.filter((hole) => Math.sign(hole[0]) === sign);

function side(shell: Shell, sign: -1 | 1): Draft {
  const { plan, frame, vents, hung } = shell;
  const { t, split } = frame;
  const half = frame.width / 2;
  const left = sign < 0;
  const id = left ? 'side-left' : 'side-right';
  const thickness = left ? t.left : t.right;
  const swings = frame.swing?.wall === id;
  const play = swings ? frame.play.sides : 0;
  const across = left
    ? between('x', -half - thickness, -half)
    : between('x', half, half + thickness);
  const spaces = [
    ...across,
    ...between('y', frame.sideFrom + play, frame.sideTo - play),
    fromBelow(shell, id, 0, sign * (half + thickness)),
    swings && split
      ? atMost('z', split.at)
      : underRoof(frame, left ? frame.gapOverLeft : frame.gapOverRight),
  ];
  const own = swings && split ? [] : ofSide(vents, sign);
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
      ...hungFeatures(plan, hung, id, toFrame),
    ],
  };
}

/** The fixed part over the door of a side that is split. */
function sideAbove({ plan, frame, vents }: Shell): Draft[] {
  const { t, split, swing } = frame;
  if (!split || !swing) return [];
  const sign = swing.wall === 'side-left' ? -1 : 1;
  const inner = (sign * frame.width) / 2;
  const outer = inner + sign * t.above;
  const spaces = [
    ...between('x', Math.min(inner, outer), Math.max(inner, outer)),
    ...between('y', frame.sideFrom, frame.sideTo),
    atLeast('z', split.at + split.slit),
    underRoof(frame, sign < 0 ? frame.gapOverLeft : frame.gapOverRight),
  ];
  return [
    {
      ...WALL,
      ...wallFaces(plan),
      id: 'side-above',
      role: 'side-above',
      thickness: t.above,
      solid: wood(solidInside(spaces), 'side-above'),
      outsideNormal: [sign, 0, 0],
      features: (toFrame) => roundHoles('vent', ofSide(vents, sign), plan.sizes.ventSize, toFrame),
    },
  ];
}

/** Where the roof ends behind: against the back, plumb over its outer face, or square to the slope. */
function rearOf({ sizes, choices }: ShellPlan, { t, depth }: Frame): number | HalfSpace {
  const letIn = choices.roof === 'groove' ? sizes.letIn : 0;
  if (isAgainstBack(choices)) return atMost('y', depth + letIn);
  const rear = depth + t.back + sizes.overhangRear;
  return choices.roof === 'over' && choices.rearEdge === 'plumb' ? atMost('y', rear) : rear;
}

function roof({ plan, frame }: Shell): Draft {
  const { sizes, choices } = plan;
  const { t, slope } = frame;
  const half = frame.width / 2;
  return slopedRoof(
    {
      slope,
      at: (y) => roofAt(frame, y),
      across: [-half - t.left - sizes.overhangSide, half + t.right + sizes.overhangSide],
      eaves: -t.front - sizes.overhangFront,
      rear: rearOf(plan, frame),
      thickness: t.roof,
      grain: choices.roofGrain,
    },
    dripFeatures(plan, frame),
  );
}

/** Walls, floor, roof, and a tray or the fixed part of a split side where there is one. */
export const shellPanels = (shell: Shell): Draft[] => [
  front(shell),
  back(shell),
  side(shell, -1),
  side(shell, 1),
  ...sideAbove(shell),
  floorDraft(shell.floor, shell.frame.t.floor),
  ...(shell.tray ? [floorDraft(shell.tray, shell.frame.t.tray, 'tray')] : []),
  roof(shell),
];

/** Middles of the vent holes high in both sides, where holes are asked for. */
export function ventHoles({ sizes, choices }: ShellPlan, frame: Frame): Vec3[] {
  if (choices.vents !== 'holes') return [];
  const { depth } = frame;
  const over = Math.max(frame.gapOverLeft, frame.gapOverRight) + (frame.sticks?.wide ?? 0);
  const drop = over + sizes.ventSize / 2 + fromMm(14);
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
