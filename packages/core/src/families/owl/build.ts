import { cos, fromMm } from '../../measure/index.js';
import {
  type Derived,
  type Draft,
  derivedLength,
  type Fitting,
  type JointDraft,
  meet,
  type Opening,
} from '../../panels/index.js';
import type { Refusal } from '../../plan/index.js';
import { ofAngle, ofLength, text } from '../../text/index.js';
import { entranceOpening } from '../common/entrance.js';
import { type Floor, floorDraft, floorIn } from '../common/floor.js';
import { ladder } from '../common/grip.js';
import { FRONT_TO_BACK, roundOpenings } from '../common/holes.js';
import type { Cut } from '../define-family.js';
import type { OwlPlan } from './declared.js';
import { owlFaults } from './faults.js';
import { frameOf, gripWallOf, type OwlFrame, ventsOf } from './frame.js';
import { landing, perch, rim, standoff } from './landing.js';
import { battenRings, cornerPosts, lidBattens } from './sticks.js';
import {
  back,
  fixedOf,
  front,
  highestOfSide,
  leftSide,
  lid,
  lowestOfSide,
  rightSide,
} from './walls.js';

function flapJoints(right: readonly Draft[]): JointDraft[] {
  if (!right.some(({ id }) => id === 'flap')) return [];
  return [
    ...meet('flap', lowestOfSide(right), 'hinged'),
    ...meet('flap', highestOfSide(right), 'loose'),
    ...meet('flap', 'front', 'loose'),
    ...meet('flap', 'back', 'loose'),
  ];
}

function wallJoints(
  { choices }: OwlPlan,
  frame: OwlFrame,
  floor: Floor,
  right: readonly Draft[],
): JointDraft[] {
  const walls = ['side-left', ...fixedOf(right)];
  const lidded = choices.lid === 'screwed' ? 'screwed' : 'loose';
  return [
    ...walls.flatMap((side) => [...meet('front', side), ...meet('back', side)]),
    ...['side-left', lowestOfSide(right)].flatMap((side) => meet('floor', side)),
    ...meet('floor', 'front', 'butt', floor.meetsFront),
    ...meet('floor', 'back', 'butt', floor.meetsBack),
    ...meet('roof', 'front', lidded),
    ...meet('roof', 'back', choices.lid === 'hinged' ? 'hinged' : lidded),
    ...['side-left', highestOfSide(right)].flatMap((side) =>
      meet('roof', side, lidded, frame.vent === 0),
    ),
    ...flapJoints(right),
  ];
}

/** The strip over a side that stops short of the lid. */
const overSide = ({ depth, roofAt, vent }: OwlFrame, x: number): Opening => ({
  kind: 'vent-gap',
  polygon: [
    [x, 0, roofAt(0) - vent],
    [x, depth, roofAt(depth) - vent],
    [x, depth, roofAt(depth)],
    [x, 0, roofAt(0)],
  ],
});

/** Eyes to hang it by, high in the back, where wire is to hold it. */
const eyes = ({ choices }: OwlPlan, { half, depth, t, roofAt }: OwlFrame): Fitting[] =>
  choices.hang === 'eyes'
    ? [-1, 1].map((sign) => ({
        kind: 'eye',
        at: [sign * (half - fromMm(20)), depth + t.back, Math.round(roofAt(depth) * 0.85)],
      }))
    : [];

function derive({ sizes }: OwlPlan, frame: OwlFrame): Derived[] {
  const { width, depth, t, slope, over, roofAt } = frame;
  const run = depth + t.front + t.back + sizes.overhangFront + sizes.overhangRear;
  return [
    derivedLength(
      'backHeight',
      'Room, high at the back',
      roofAt(depth),
      text`${ofLength(sizes.frontHeight)} + ${ofLength(depth)} × tan ${ofAngle(slope)}`,
    ),
    derivedLength(
      'frontWidth',
      'Front and back, wide',
      over ? width + t.left + t.right : width,
      over
        ? text`They cover the sides’ edges: ${ofLength(t.left)} + ${ofLength(width)} + ${ofLength(t.right)}`
        : text`They stand between the sides: ${ofLength(width)}`,
    ),
    derivedLength(
      'lidLength',
      'Lid down the slope',
      run / cos(slope),
      text`It runs ${ofLength(run)} level; along the slope that is ${ofLength(run)} ÷ cos ${ofAngle(slope)}`,
    ),
  ];
}

/** Cuts a deep box of sheets on posts or battens out of space, with its lid, flap and platform. */
export function build(plan: OwlPlan): Cut | readonly Refusal[] {
  const frame = frameOf(plan);
  const refusals = owlFaults(plan, frame);
  if (refusals.length > 0) return refusals;
  const { width, depth, half, t, posts, post, batten, entrance, sill, vent, roofAt } = frame;
  const clear = posts ? post.wide : batten.thick;
  const floor = floorIn(plan, { half, front: 0, back: depth }, t.floor, clear);
  const right = rightSide(plan, frame);
  const frames = posts ? cornerPosts(plan, frame, right) : battenRings(plan, frame, right);
  const sticks = [
    frames,
    lidBattens(plan, frame),
    landing(plan, frame),
    rim(plan, frame),
    perch(plan, frame),
    standoff(plan, frame),
  ];
  const parts = [...sticks, ladder(plan, gripWallOf(frame))];
  return {
    drafts: [
      front(plan, frame),
      back(frame),
      leftSide(plan, frame),
      ...right,
      floorDraft(floor, t.floor),
      lid(plan, frame),
      ...parts.flatMap(({ drafts }) => drafts),
    ],
    joints: [...wallJoints(plan, frame, floor, right), ...parts.flatMap(({ joints }) => joints)],
    openings: [
      entranceOpening(entrance, 0, 0),
      ...(vent > 0 ? [overSide(frame, -half), overSide(frame, half)] : []),
      ...roundOpenings('vent-hole', ventsOf(plan, frame), plan.sizes.ventSize, FRONT_TO_BACK),
      ...floor.openings,
    ],
    cavities: [
      {
        origin: [0, 0, 0],
        width,
        depth,
        heightFront: roofAt(0),
        heightBack: roofAt(depth),
        sill,
      },
    ],
    fittings: eyes(plan, frame),
    derived: derive(plan, frame),
  };
}
