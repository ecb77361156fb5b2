import { atan2, fromMm, type Ticks, tan } from '../../measure/index.js';
import { swingGap, swingRise, swingRiseUnderSlope } from '../../panels/index.js';
import { type Entrance, keepsOutside, recessOf, sillOf } from '../../plan/index.js';
import { NO_PLAY, type Play } from '../common/play.js';
import { type StickSize, stickSize } from '../common/sheet-sticks.js';
import type { ShellPlan } from './declared.js';

/** How the animal comes in: a hole in the front, a slot over it, or a front that ends so far above the floor. */
export type WayIn =
  | { kind: 'hole'; entrance: Entrance }
  | { kind: 'slot'; height: Ticks }
  | { kind: 'open'; above: Ticks };

/** Thickness of each panel's board. */
export interface Thicknesses {
  front: Ticks;
  back: Ticks;
  left: Ticks;
  right: Ticks;
  floor: Ticks;
  roof: Ticks;
  /** Nothing where there is no tray. */
  tray: Ticks;
  /** The fixed part of a side over its door. */
  above: Ticks;
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
  gapOverBack: number;
  swing: Swing | null;
  /** Between the wall that swings and its neighbours, and the floor's edge; nothing where none does. */
  play: Play;
  /** How far the wall that swings hangs below its neighbours. */
  lip: Ticks;
  /** Where the side that swings is sawn in two: its door's upper edge, and the slit over it. */
  split: { at: Ticks; slit: Ticks } | null;
  /** Bevel of the lower edges, in degrees from square; nothing where they are square. */
  lowerBevel: number;
  /** Battens behind the joints; null where panels are fastened edge to face. */
  sticks: StickSize | null;
  wayIn: WayIn;
  /** Height of a slot over the front; 0 where there is none. */
  slot: number;
}

/** Height of the roof's underside over y. */
export const roofAt = (frame: Pick<Frame, 'roofLine' | 'slope' | 'sideFrom'>, y: number): number =>
  frame.roofLine + (y - frame.sideFrom) * tan(frame.slope);

const thicknesses = ({ wood, choices }: ShellPlan): Thicknesses => ({
  front: wood.front.thickness,
  back: wood.back.thickness,
  left: wood['side-left'].thickness,
  right: wood['side-right'].thickness,
  floor: wood.floor.thickness,
  roof: wood.roof.thickness,
  tray: choices.tray === 'tray' ? (wood.tray?.thickness ?? 0) : 0,
  above: wood['side-above']?.thickness ?? 0,
});

interface Gaps {
  sides: Ticks;
  front: Ticks;
}

/** The wall that swings and the gap its corner asks for, from its thickness, axis and the roof over it. */
function swingOf(
  { sizes, choices }: ShellPlan,
  t: Thicknesses,
  slope: number,
  over: Gaps,
): Swing | null {
  const below = sizes.pivotBelow;
  if (choices.access === 'side') {
    const left = choices.opensAt === 'left';
    const needed = swingRise(below, (left ? t.left : t.right) / 2);
    const wall = left ? 'side-left' : 'side-right';
    const gap = choices.sideIn === 'two' ? sizes.slit : swingGap(needed, over.sides);
    return { wall, below, needed, gap };
  }
  if (choices.access !== 'front') return null;
  const needed = swingRiseUnderSlope(below, t.front / 2, slope);
  return { wall: 'front', below, needed, gap: swingGap(needed, over.front) };
}

/** Height of the sides' back edge. */
function backOf({ sizes, choices, angles }: ShellPlan, run: number): number {
  if (choices.roof === 'flat') return sizes.frontHeight;
  return choices.slope === 'angle' ? sizes.frontHeight + run * tan(angles.slope) : sizes.backHeight;
}

/** Room inside, from the sizes and what they are kept for. */
function roomOf({ sizes, choices }: ShellPlan, t: Thicknesses): { width: number; depth: number } {
  const walls = (direction: 'width' | 'depth', thick: Ticks) =>
    keepsOutside(choices, direction) ? thick : 0;
  return {
    width: sizes.width - walls('width', t.left + t.right),
    depth: sizes.depth - walls('depth', t.front + t.back),
  };
}

/** The frame that a plan asks for, whether it is sound or not. */
export function frameOf(plan: ShellPlan, wayIn: WayIn): Frame {
  const { sizes, choices } = plan;
  const t = thicknesses(plan);
  const { width, depth } = roomOf(plan, t);
  const over = choices.walls === 'over';
  const sideFrom = over ? 0 : -t.front;
  const sideTo = over ? depth : depth + t.back;
  const sideBack = backOf(plan, sideTo - sideFrom);
  const slope =
    choices.roof === 'flat' ? 0 : atan2(sideBack - sizes.frontHeight, sideTo - sideFrom);
  const bottom = -(recessOf(plan) + t.floor + t.tray);
  const overEnds = choices.vents === 'gap-ends';
  const gaps: Gaps = {
    sides: choices.vents === 'gap-sides' ? sizes.ventSize : 0,
    front: overEnds || choices.vents === 'gap-front' ? sizes.ventSize : 0,
  };
  const swing = swingOf(plan, t, slope, gaps);
  const isSplit = choices.sideIn === 'two' && choices.access === 'side';
  const split = isSplit ? { at: sizes.splitAt, slit: sizes.slit } : null;
  const gapOver = (wall: Swing['wall'], vent: Ticks) =>
    swing?.wall === wall && !split ? swing.gap : vent;
  return {
    t,
    width,
    depth,
    sideFrom,
    sideTo,
    bottom,
    sideFront: sizes.frontHeight,
    sideBack,
    slope,
    roofLine: bottom + sizes.frontHeight + gaps.sides,
    gapOverLeft: gapOver('side-left', gaps.sides),
    gapOverRight: gapOver('side-right', gaps.sides),
    gapOverFront: gapOver('front', gaps.front),
    gapOverBack: overEnds ? sizes.ventSize : 0,
    swing,
    play: swing ? { sides: sizes.play, floor: sizes.playOverFloor } : NO_PLAY,
    lip: swing ? sizes.lip : 0,
    split,
    lowerBevel: choices.lowerEdges === 'bevelled' ? plan.angles.lowerBevel : 0,
    sticks: stickSize(choices.corners, plan.wood.batten),
    wayIn,
    slot: wayIn.kind === 'slot' ? wayIn.height : 0,
  };
}

/** Where the upper edge of a side that swings is lowest. */
export const lowEdge = ({ sideFrom, play }: Frame): number => sideFrom + play.sides;

/** Height of the axis of a side that swings. */
export const sideAxis = (frame: Frame, { gap, below }: Swing): number =>
  (frame.split?.at ?? roofAt(frame, lowEdge(frame)) - gap) - below;

/** How much higher the inner edge of a bevelled wall ends than its outer one. */
export const bevelRise = ({ lowerBevel }: Frame, thickness: Ticks): number =>
  thickness * tan(lowerBevel);

/** The lowest point of the way in, over the floor. */
export function frontSill(frame: Frame): number {
  const { wayIn } = frame;
  if (wayIn.kind === 'hole') return sillOf(wayIn.entrance);
  return wayIn.kind === 'slot' ? roofAt(frame, 0) - wayIn.height : wayIn.above;
}

/** The least that is left of a room before it is no room. Common practice, no source. */
export const LEAST_ROOM = fromMm(60);
