import { atan2, fromMm, type Ticks, tan } from '../../measure/index.js';
import { swingGap, swingRise, swingRiseUnderSlope } from '../../panels/index.js';
import {
  type BoxPlan,
  type Entrance,
  entranceOf,
  missingWood,
  outOfRange,
  type PanelRole,
  type Parameter,
  type Refusal,
  recessOf,
  sillOf,
} from '../../plan/index.js';
import { say } from '../../text/index.js';
import { entranceFaults } from '../shared/entrance.js';
import { AGAINST_BACK } from './parameters.js';

/** Thickness of each panel's board. */
export interface Thicknesses {
  front: Ticks;
  back: Ticks;
  left: Ticks;
  right: Ticks;
  floor: Ticks;
  roof: Ticks;
}

/** A wall on pivots: its axis lies `below` under its lowest upper edge, and `needed` is the gap that its corner asks for. */
export interface Swing {
  wall: 'front' | 'side-left' | 'side-right';
  below: number;
  needed: number;
  gap: number;
}

/** Everything the panels are cut from, in box space. Lengths in ticks (not rounded), angle in degrees. */
export interface Frame {
  t: Thicknesses;
  width: number;
  depth: number;
  /** Where a side begins and ends from front to back. */
  sideFrom: number;
  sideTo: number;
  /** Bottom edge of the walls. */
  bottom: number;
  /** Height of a side at its front and back edge. */
  sideFront: number;
  sideBack: number;
  slope: number;
  /** Height of the roof's underside where the sides begin. */
  roofLine: number;
  gapOverLeft: number;
  gapOverRight: number;
  gapOverFront: number;
  swing: Swing | null;
  /** Null for an open front, which ends `frontAboveFloor` above the floor, and for a slot. */
  entrance: Entrance | null;
  slot: number;
  frontAboveFloor: number;
}

/** The least that is left of a room before it is no room. Common practice, no source. */
const LEAST_ROOM = fromMm(60);
/** Wood over a pivot in the front. Common practice, no source. */
const PIVOT_IN = fromMm(12);
/** The least that stays open above an open front. Common practice, no source. */
const LEAST_OPENING = fromMm(30);

export const roofAt = (frame: Pick<Frame, 'roofLine' | 'slope' | 'sideFrom'>, y: number): number =>
  frame.roofLine + (y - frame.sideFrom) * tan(frame.slope);

/** The frame that a plan asks for, or what would have to change to make it sound. */
export function frameOf(
  plan: BoxPlan,
  parameters: readonly Parameter[],
  roles: readonly PanelRole[],
): Frame | Refusal[] {
  const wild = [...missingWood(plan, roles), ...outOfRange(plan, parameters)];
  if (wild.length > 0) return wild;
  const of = (role: string) => plan.wood[role]!.thickness;
  const t = {
    front: of('front'),
    back: of('back'),
    left: of('side-left'),
    right: of('side-right'),
    floor: of('floor'),
    roof: of('roof'),
  };
  const { sizes, schools } = plan;
  const size = (id: string): number => sizes[id] ?? 0;
  const outside = schools.measure === 'outside';
  const width = size('width') - (outside ? t.left + t.right : 0);
  const depth = size('depth') - (outside ? t.front + t.back : 0);
  const sideFrom = schools.walls === 'over' ? 0 : -t.front;
  const sideTo = schools.walls === 'over' ? depth : depth + t.back;
  const run = sideTo - sideFrom;
  const sideFront = size('frontHeight');
  const flat = schools.roof === 'flat';
  const sideBack = flat
    ? sideFront
    : schools.slope === 'angle'
      ? sideFront + run * tan(plan.angles.slope ?? 0)
      : size('backHeight');
  const bottom = -(recessOf(plan) + t.floor);
  const slope = flat ? 0 : atan2(sideBack - sideFront, run);
  const ventOverSides = schools.vents === 'gap-sides' ? size('ventSize') : 0;
  const ventOverFront = schools.vents === 'gap-front' ? size('ventSize') : 0;
  const open = sizes.frontAboveFloor !== undefined;
  const swing = swingOf(plan, t, slope, ventOverSides, ventOverFront);
  const over = (wall: string) => (swing?.wall === wall ? swing.gap : ventOverSides);
  const frame: Frame = {
    t,
    width,
    depth,
    sideFrom,
    sideTo,
    bottom,
    sideFront,
    sideBack,
    slope,
    roofLine: bottom + sideFront + ventOverSides,
    gapOverLeft: over('side-left'),
    gapOverRight: over('side-right'),
    gapOverFront: swing?.wall === 'front' ? swing.gap : ventOverFront,
    swing,
    entrance: open || schools.entrance === 'slot' ? null : entranceOf(plan),
    slot: !open && schools.entrance === 'slot' ? size('entranceUpright') : 0,
    frontAboveFloor: size('frontAboveFloor'),
  };
  const refusals = [...faults(plan, frame), ...openingFaults(plan, frame)];
  return refusals.length > 0 ? refusals : frame;
}

/** The wall that swings and the gap its corner asks for, from its thickness, axis and the roof over it. */
function swingOf(
  { sizes, schools }: BoxPlan,
  t: Thicknesses,
  slope: number,
  overSides: number,
  overFront: number,
): Swing | null {
  const below = sizes.pivotBelow ?? 0;
  if (schools.access === 'side') {
    const wall = schools.opensAt === 'left' ? 'side-left' : 'side-right';
    const needed = swingRise(below, (wall === 'side-left' ? t.left : t.right) / 2);
    return { wall, below, needed, gap: swingGap(needed, overSides) };
  }
  if (schools.access === 'front') {
    const needed = swingRiseUnderSlope(below, t.front / 2, slope);
    return { wall: 'front', below, needed, gap: swingGap(needed, overFront) };
  }
  return null;
}

function faults(plan: BoxPlan, frame: Frame): Refusal[] {
  const found: Refusal[] = [];
  const refuse = (field: string, message: string) => found.push({ field, message });
  const walls =
    plan.schools.measure === 'outside'
      ? ' The two walls take the rest: make it larger, choose thinner boards, or keep the inside instead.'
      : '';
  if (frame.width < LEAST_ROOM)
    refuse(
      'width',
      `Only ${Math.round(frame.width / 320)} mm is left between the sides; 60 mm is the least.${walls}`,
    );
  if (frame.depth < LEAST_ROOM)
    refuse(
      'depth',
      `Only ${Math.round(frame.depth / 320)} mm is left between front and back; 60 mm is the least.${walls}`,
    );
  if (found.length > 0) return found;
  if (frame.slope < 0)
    refuse(
      'backHeight',
      'The back is lower than the front, so water would run off over the entrance. Make the back at least as high as the front.',
    );
  if (frame.slope > 45)
    refuse('backHeight', 'The roof would be steeper than 45°. Lower the back or raise the front.');
  if (roofAt(frame, 0) < LEAST_ROOM)
    refuse('frontHeight', 'Floor and recess leave no room under the roof. Make the sides higher.');
  const drain = plan.sizes.drainSize ?? 0;
  if (drain > Math.min(frame.width, frame.depth) / 3)
    refuse('drainSize', 'Drains this large leave hardly a floor.');
  if (plan.sizes.frontAboveFloor !== undefined) {
    if (frame.frontAboveFloor > roofAt(frame, 0) - LEAST_OPENING)
      refuse(
        'frontAboveFloor',
        'Less than 30 mm stays open above the front. Lower the front, or make the sides higher.',
      );
    return found;
  }
  const frontTop = roofAt(frame, -frame.t.front) - frame.gapOverFront - frame.slot;
  if (frame.slot > 0 && frontTop < LEAST_ROOM)
    refuse(
      'entranceUpright',
      'The slot leaves hardly a front. Make it lower, or the sides higher.',
    );
  if (frame.entrance) found.push(...entranceFaults(frame.entrance, frontTop, frame.width));
  return found;
}

/** Ways of opening that the other choices do not allow, each with what would make it possible. */
function openingFaults({ schools, sizes, wood }: BoxPlan, frame: Frame): Refusal[] {
  const found: Refusal[] = [];
  const refuse = (field: string, message: string) => found.push({ field, message });
  if (schools.access === 'side' && schools.walls !== 'over')
    refuse(
      'access',
      'A side that covers the edges of front and back has nothing to pivot in. Put front and back over the sides, or let the front swing.',
    );
  if (schools.access === 'front' && schools.walls === 'over')
    refuse(
      'access',
      'A front that covers the sides’ edges has nothing to pivot in. Put it between the sides, or let a side swing.',
    );
  if (schools.access === 'front' && schools.vents === 'gap-sides')
    refuse(
      'vents',
      'A front that swings cannot carry the roof, and neither can sides with a gap over them. Take the gap over the front, or holes.',
    );
  if (schools.access === 'front' && schools.entrance === 'slot')
    refuse(
      'access',
      'With a slot at the top the front has no upper edge to swing from. Let a side swing, or hold the wall with screws.',
    );
  if (schools.vents === 'gap-front' && schools.entrance === 'slot')
    refuse(
      'vents',
      'The slot is the gap over the front already. Take holes, or the gap over the sides.',
    );
  if (schools.roof === 'strip' && schools.access !== undefined && schools.access !== 'roof')
    refuse(
      'access',
      'The rubber strip is the hinge of a roof that lifts. Choose the roof that lifts, or another roof.',
    );
  if (schools.roof === 'groove' && schools.access === 'roof')
    refuse(
      'roof',
      'A roof held in a groove does not lift. Choose another roof, or open the box by a wall.',
    );
  if (AGAINST_BACK.includes(schools.roof ?? '') && schools.roof === 'groove') {
    if ((sizes.backAbove ?? 0) < fromMm(15))
      refuse(
        'backAbove',
        'A groove needs wood above it: let the back stand 15 mm or more above the roof.',
      );
    if ((sizes.letIn ?? 0) > frame.t.back - fromMm(6))
      refuse(
        'letIn',
        'The groove leaves less than 6 mm of the back. Make it shallower, or the back thicker.',
      );
  }
  if (frame.swing && frame.swing.below > frame.sideFront / 2)
    refuse(
      'pivotBelow',
      'The axis lies below the middle of the wall. Set it nearer the upper edge.',
    );
  if (frame.swing && frame.swing.wall !== 'front') {
    const axis = roofAt(frame, frame.sideFrom) - frame.swing.gap - frame.swing.below;
    const over =
      axis + PIVOT_IN - (roofAt(frame, -frame.t.front) - frame.gapOverFront - frame.slot);
    if (over > 0)
      refuse(
        'pivotBelow',
        `The front ends below the axis, so that the side has nothing to pivot in there. Set the axis ${say(Math.ceil(frame.swing.below + over))} or more below the side’s upper edge, take a round entrance, or hold the wall with screws.`,
      );
  }
  if (schools.faces === 'outside' && schools.grip === 'rough')
    refuse(
      'grip',
      'With the rough face outside, the front is planed within. Score it, ladder it or mesh it.',
    );
  if (schools.grip === 'ladder' && wood.ladder && !wood.ladder.width)
    refuse('wood.ladder', 'Choose a stick for the ladder strips: its width decides their spacing.');
  return found;
}

export const frontSill = (frame: Frame): number =>
  frame.entrance
    ? sillOf(frame.entrance)
    : frame.slot > 0
      ? roofAt(frame, 0) - frame.slot
      : frame.frontAboveFloor;
