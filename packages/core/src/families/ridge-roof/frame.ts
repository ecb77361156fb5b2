import { atan2, cos, fromMm, type Ticks, tan } from '../../measure/index.js';
import { swingGap, swingRiseUnderSlope } from '../../panels/index.js';
import {
  type Entrance,
  entranceOf,
  keepsOutside,
  type Refusal,
  recessOf,
  sillOf,
} from '../../plan/index.js';
import { ofAngle, ofLength, type Text, text } from '../../text/index.js';
import { entranceFaults, refusalsOf } from '../common/entrance.js';
import { gripFaults } from '../common/grip.js';
import { NO_PLAY, type Play } from '../common/play.js';
import { slopeAt } from '../common/ridge.js';
import {
  type StickSize,
  sheetStickFaults,
  stickSize,
  thinSwingFaults,
} from '../common/sheet-sticks.js';
import type { RidgePlan } from './declared.js';

type SideId = 'side-left' | 'side-right';

/** A side on pivots: how far the axis lies below its upper edge, and the gap that its corner asks for. */
interface RidgeSwing {
  wall: SideId;
  needed: number;
  /** Axis, in x and z. */
  x: number;
  z: number;
}

/** What a box under two slopes is cut by. Lengths in ticks, angle in degrees. */
export interface RidgeFrame {
  t: { front: Ticks; back: Ticks; left: Ticks; right: Ticks; floor: Ticks };
  width: number;
  depth: number;
  half: number;
  /** Whether the gables cover the sides' edges. */
  over: boolean;
  pitch: number;
  apex: number;
  bottom: number;
  /** Height of the roof line at the sides' inside, before the vent gap. */
  eavesHeight: number;
  /** Length of a side, inside, as it was given or as the gable gives it. */
  sideHeight: number;
  vent: Ticks;
  cleat: { high: Ticks; wide: Ticks } | null;
  entrance: Entrance;
  swing: RidgeSwing | null;
  play: Play;
  /** Battens behind the joints; null where panels are fastened edge to face. */
  sticks: StickSize | null;
  gapOver: (side: SideId) => number;
}

/** Slopes as this kind of box has them, in degrees: rounding of typed heights is let by. */
const LEAST_PITCH = 29.5;
const MOST_PITCH = 60.5;
/** The least room between walls, and the least wall. Common practice, no source. */
const LEAST_ROOM = fromMm(60);
const LEAST_WALL = fromMm(40);
/** The shelf lies this far under the sill. */
export const UNDER_SILL = fromMm(6);

function thicknesses({ wood }: RidgePlan): RidgeFrame['t'] {
  return {
    front: wood.front.thickness,
    back: wood.back.thickness,
    left: wood['side-left'].thickness,
    right: wood['side-right'].thickness,
    floor: wood.floor.thickness,
  };
}

export function frameOf(plan: RidgePlan): RidgeFrame {
  const { sizes, choices, angles, wood } = plan;
  const t = thicknesses(plan);
  const width = sizes.width - (keepsOutside(choices, 'width') ? t.left + t.right : 0);
  const depth = sizes.depth - (keepsOutside(choices, 'depth') ? t.front + t.back : 0);
  const half = width / 2;
  const byApex = choices.gableBy === 'apex';
  const over = choices.walls === 'over';
  const shoulder = over ? half + Math.max(t.left, t.right) : half;
  const pitch = byApex ? atan2(sizes.apexHeight - sizes.shoulderHeight, shoulder) : angles.pitch;
  const cleat =
    choices.floorOn === 'cleats'
      ? { high: wood.cleat.thickness, wide: wood.cleat.width ?? 0 }
      : null;
  const bottom = -(recessOf(plan) + t.floor + (cleat?.high ?? 0));
  const vent = choices.vents === 'gap-sides' ? sizes.ventSize : 0;
  const sideHeight = byApex ? sizes.apexHeight - half * tan(pitch) - vent : sizes.sideHeight;
  const eavesHeight = bottom + sideHeight;
  const apex = eavesHeight + vent + half * tan(pitch);
  const left = choices.opensAt === 'left';
  const wall = left ? 'side-left' : 'side-right';
  const thick = left ? t.left : t.right;
  const swings = choices.access === 'side';
  const needed = swings ? swingRiseUnderSlope(sizes.pivotBelow, thick / 2, pitch) : 0;
  const gapOver = (side: SideId) => (swings && side === wall ? swingGap(needed, vent) : vent);
  const top = slopeAt({ apex, pitch }, half + thick) - gapOver(wall);
  const x = left ? -half - t.left / 2 : half + t.right / 2;
  return {
    t,
    width,
    depth,
    half,
    over,
    pitch,
    apex,
    bottom,
    eavesHeight,
    sideHeight,
    vent,
    cleat,
    entrance: entranceOf(plan),
    swing: swings ? { wall, needed, x, z: top - sizes.pivotBelow } : null,
    play: swings ? { sides: sizes.play, floor: sizes.playOverFloor } : NO_PLAY,
    sticks: stickSize(choices.corners, wood.batten),
    gapOver,
  };
}

type Fault = Refusal & { when: boolean };
const fault = (when: boolean, field: string, message: Text): Fault => ({ when, field, message });

/** An apex and shoulders that give no roof of this kind. */
function gableFaults({ sizes, choices }: RidgePlan, { pitch }: RidgeFrame): Fault[] {
  if (choices.gableBy !== 'apex') return [];
  const rises = sizes.apexHeight > sizes.shoulderHeight;
  return [
    fault(
      !rises,
      'shoulderHeight',
      text`The shoulders lie as high as the apex, or above it. Lower them, or raise the apex.`,
    ),
    fault(
      rises && (pitch < LEAST_PITCH || pitch > MOST_PITCH),
      'apexHeight',
      text`Apex and shoulders give slopes of ${ofAngle(pitch)} from level; they lie between ${ofAngle(LEAST_PITCH)} and ${ofAngle(MOST_PITCH)}.`,
    ),
  ];
}

function wallFaults({ sizes, choices }: RidgePlan, frame: RidgeFrame): Fault[] {
  const { width, depth, over, eavesHeight, sideHeight, cleat, swing } = frame;
  const least = ofLength(LEAST_ROOM);
  return [
    fault(
      width < LEAST_ROOM,
      'width',
      text`Less than ${least} is left between the sides. Make it wider, or choose thinner boards.`,
    ),
    fault(
      depth < LEAST_ROOM,
      'depth',
      text`Less than ${least} is left between the gables. Make it deeper, or choose thinner boards.`,
    ),
    fault(
      eavesHeight < LEAST_WALL,
      choices.gableBy === 'apex' ? 'shoulderHeight' : 'sideHeight',
      text`Floor and recess leave hardly a wall. Make the sides higher.`,
    ),
    fault(
      sizes.drainSize > Math.min(width, depth) / 3,
      'drainSize',
      text`Drains this large leave hardly a floor.`,
    ),
    fault(
      choices.access === 'side' && !over,
      'access',
      text`A side that covers the edges of the gables has nothing to pivot in. Put the gables over the sides, or hold a side with screws.`,
    ),
    fault(
      swing !== null && sizes.pivotBelow > sideHeight / 2,
      'pivotBelow',
      text`The axis lies below the middle of the wall. Set it nearer the upper edge.`,
    ),
    fault(
      swing !== null && sizes.latchAbove > sideHeight / 2,
      'latchAbove',
      text`The latch lies above the middle of the wall, near its axis, and would hardly hold it. Set it lower.`,
    ),
    fault(
      cleat !== null && (!cleat.wide || cleat.wide > width / 3),
      'wood.cleat',
      text`Choose a stick for the cleats, no wider than a third of the room.`,
    ),
  ];
}

/** Triangles under a roof that lifts off: between the sides, over the entrance, clear of battens. */
function triangleFaults({ sizes, choices }: RidgePlan, frame: RidgeFrame): Fault[] {
  if (choices.access !== 'lift-off') return [];
  const { half, apex, pitch, entrance, sticks } = frame;
  const low = apex - sizes.triangleHigh;
  return [
    fault(
      sizes.triangleHigh / tan(pitch) > half - (sticks?.wide ?? 0),
      'triangleHigh',
      text`The triangles reach the sides and would not lift out. Make them lower.`,
    ),
    fault(
      entrance.centre + entrance.height / 2 + fromMm(8) > low,
      'triangleHigh',
      text`The front triangle comes down over the entrance. Make it lower, or the gable higher.`,
    ),
    fault(
      choices.vents === 'holes' && low < slopeAt(frame, half / 3) - sizes.ventSize - fromMm(14),
      'vents',
      text`The triangle covers the holes in the back gable. Take the gap over the sides.`,
    ),
  ];
}

function shelfFaults({ sizes, choices, wood }: RidgePlan, frame: RidgeFrame): Fault[] {
  if (choices.landing === 'none') return [];
  const { width, t, over, bottom } = frame;
  const top = sillOf(frame.entrance) - UNDER_SILL;
  return [
    fault(
      top - wood.shelf.thickness < bottom,
      'entranceHeight',
      text`The landing shelf would hang below the walls. Raise the entrance.`,
    ),
    fault(
      sizes.shelfWide > width + (over ? t.left + t.right : 0),
      'shelfWide',
      text`The shelf is wider than the front that carries it.`,
    ),
    fault(
      slopeAt(frame, sizes.shelfWide / 2) < top,
      'shelfWide',
      text`The shelf’s ends would run into the roof where it comes down over them. Make it narrower, or the entrance lower.`,
    ),
  ];
}

/** Sheet on battens, and a side of sheet on pivots. */
function stickFaults({ choices, wood }: RidgePlan, frame: RidgeFrame): Refusal[] {
  const { sticks, width, depth, pitch, swing, cleat } = frame;
  const { floor } = choices;
  return [
    ...sheetStickFaults(sticks, { width, depth, slope: pitch, floor }),
    ...(swing ? thinSwingFaults(wood[swing.wall]) : []),
    ...refusalsOf([
      fault(
        sticks !== null && cleat !== null,
        'floorOn',
        text`Battens round the floor hold it already. Let the walls hold the floor, or fasten the panels edge to face.`,
      ),
    ]),
  ];
}

/** What would have to change to make the frame sound; none where it is. */
export function ridgeFaults(plan: RidgePlan, frame: RidgeFrame): Refusal[] {
  const gable = refusalsOf(gableFaults(plan, frame));
  if (gable.length > 0) return gable;
  const found = [
    ...refusalsOf([
      ...wallFaults(plan, frame),
      ...shelfFaults(plan, frame),
      ...triangleFaults(plan, frame),
    ]),
    ...gripFaults(plan, plan.wood.ladder),
    ...stickFaults(plan, frame),
  ];
  if (found.length > 0) return found;
  // An entrance under two slopes: its upper corners must stay clear of both.
  const { entrance, width, apex, pitch } = frame;
  const { wide = 0 } = frame.sticks ?? {};
  const rounded = entrance.shape === 'round' || entrance.shape === 'arch';
  const top = slopeAt(frame, rounded ? entrance.width / 4 : entrance.width / 2);
  const low = fault(
    sillOf(entrance) < wide,
    'entranceHeight',
    text`The entrance reaches the batten on the floor. Raise it.`,
  );
  return [
    ...entranceFaults(entrance, Math.min(top, apex) - wide / cos(pitch), width - 2 * wide),
    ...refusalsOf([low]),
  ];
}
