import { at } from '../../lists/index.js';
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
import { gripFeatures } from '../common/grip.js';
import { roundHoles } from '../common/holes.js';
import { slopedRoof } from '../common/sloped-roof.js';
import type { OwlPlan, ROLES } from './declared.js';
import { gripWallOf, type OwlFrame, ventsOf } from './frame.js';

const UPRIGHT = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;

/** Front and back reach to the outside of the sides, or stand between them. */
const across = ({ half, t, over }: OwlFrame): HalfSpace[] =>
  over ? between('x', -half - t.left, half + t.right) : between('x', -half, half);

/** The sides stand between front and back, or reach to their outside. */
const along = ({ depth, t, over }: OwlFrame): HalfSpace[] =>
  over ? between('y', 0, depth) : between('y', -t.front, depth + t.back);

export function front(plan: OwlPlan, frame: OwlFrame): Draft {
  const { t, bottom, entrance, underLid } = frame;
  const spaces = [...across(frame), ...between('y', -t.front, 0), atLeast('z', bottom), underLid()];
  return {
    ...UPRIGHT,
    id: 'front',
    role: 'front',
    thickness: t.front,
    solid: wood(solidInside(spaces), 'front'),
    outsideNormal: [0, -1, 0],
    inside: plan.choices.grip === 'rough' ? 'rough' : 'any',
    features: (toFrame) => [
      entranceFeature(entrance, toFrame([0, -t.front, entrance.centre])),
      ...gripFeatures(plan, gripWallOf(frame), toFrame),
    ],
  };
}

export function back(frame: OwlFrame): Draft {
  const { t, bottom, depth, underLid } = frame;
  const spaces = [
    ...across(frame),
    ...between('y', depth, depth + t.back),
    atLeast('z', bottom),
    underLid(),
  ];
  return {
    ...UPRIGHT,
    id: 'back',
    role: 'back',
    thickness: t.back,
    solid: wood(solidInside(spaces), 'back'),
    outsideNormal: [0, 1, 0],
    inside: 'any',
  };
}

/** A side, or a piece of one: from `low` up to `high`, or to the lid. */
function sidePiece(
  plan: OwlPlan,
  frame: OwlFrame,
  sign: -1 | 1,
  piece: { id: string; role: keyof typeof ROLES; low: number; high: number | null },
): Draft {
  const { half, underLid, vent } = frame;
  const { id, role, low, high } = piece;
  const { thickness } = plan.wood[role];
  const [from, to] = sign < 0 ? [-half - thickness, -half] : [half, half + thickness];
  const spaces = [
    ...between('x', from, to),
    ...along(frame),
    atLeast('z', low),
    high === null ? underLid(vent) : atMost('z', high),
  ];
  const vents =
    high === null ? ventsOf(plan, frame).filter((hole) => Math.sign(hole[0]) === sign) : [];
  return {
    ...UPRIGHT,
    id,
    role,
    thickness,
    solid: wood(solidInside(spaces), id),
    outsideNormal: [sign, 0, 0],
    inside: 'any',
    features: (toFrame) => roundHoles('vent', vents, plan.sizes.ventSize, toFrame),
  };
}

export const leftSide = (plan: OwlPlan, frame: OwlFrame): Draft =>
  sidePiece(plan, frame, -1, {
    id: 'side-left',
    role: 'side-left',
    low: frame.bottom,
    high: null,
  });

/** The right side: whole, or below, in and above the flap. */
export function rightSide(plan: OwlPlan, frame: OwlFrame): Draft[] {
  const { flap, bottom } = frame;
  const role = 'side-right';
  if (!flap) return [sidePiece(plan, frame, 1, { id: role, role, low: bottom, high: null })];
  return [
    sidePiece(plan, frame, 1, { id: 'side-right-lower', role, low: bottom, high: flap.from }),
    sidePiece(plan, frame, 1, { id: 'flap', role: 'flap', low: flap.from, high: flap.to }),
    sidePiece(plan, frame, 1, { id: 'side-right-upper', role, low: flap.to, high: null }),
  ];
}

/** Pieces of the right side that stay where they are, from below. */
export const fixedOf = (right: readonly Draft[]): string[] =>
  right.filter(({ id }) => id !== 'flap').map(({ id }) => id);

export const lowestOfSide = (right: readonly Draft[]): string => at(fixedOf(right), 0);
export const highestOfSide = (right: readonly Draft[]): string => at(fixedOf(right), -1);

export function lid({ sizes }: OwlPlan, frame: OwlFrame): Draft {
  const { half, t, depth, slope, roofAt } = frame;
  return slopedRoof({
    slope,
    at: roofAt,
    across: [-half - t.left - sizes.overhangSide, half + t.right + sizes.overhangSide],
    eaves: -t.front - sizes.overhangFront,
    rear: depth + t.back + sizes.overhangRear,
    thickness: t.roof,
    grain: 'across',
  });
}
