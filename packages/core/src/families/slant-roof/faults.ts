import { cos, fromMm } from '../../measure/index.js';
import { keepsOutside, type Refusal, sillOf } from '../../plan/index.js';
import { ofAngle, ofLength, type Text, text } from '../../text/index.js';
import { entranceFaults, refusalsOf } from '../common/entrance.js';
import { gripFaults } from '../common/grip.js';
import { sheetStickFaults, thinSwingFaults } from '../common/sheet-sticks.js';
import type { ShellPlan } from './declared.js';
import { bevelRise, type Frame, LEAST_ROOM, roofAt, sideAxis } from './frame.js';
import { mountFaults } from './mount.js';
import { isAgainstBack } from './when.js';

/** Wood over a pivot in the front. Common practice, no source. */
const PIVOT_IN = fromMm(12);
/** The least that stays open above an open front. Common practice, no source. */
const LEAST_OPENING = fromMm(30);
/** Wood over and behind a groove in the back. Common practice, no source. */
const OVER_GROOVE = fromMm(15);
const BEHIND_GROOVE = fromMm(6);
const STEEPEST = 45;
/** The least fixed part over a door, and wood round the hole of a latch. Common practice, no source. */
const LEAST_ABOVE = fromMm(40);
const ROUND_LATCH = fromMm(10);

type Fault = Refusal & { when: boolean };
const fault = (when: boolean, field: string, message: Text): Fault => ({ when, field, message });

function roomFaults({ choices }: ShellPlan, frame: Frame): Refusal[] {
  const walls = (direction: 'width' | 'depth') =>
    keepsOutside(choices, direction)
      ? ' The two walls take the rest: make it larger, choose thinner boards, or keep the inside instead.'
      : '';
  const least = ofLength(LEAST_ROOM);
  return refusalsOf([
    fault(
      frame.width < LEAST_ROOM,
      'width',
      text`Only ${ofLength(frame.width)} is left between the sides; ${least} is the least.${walls('width')}`,
    ),
    fault(
      frame.depth < LEAST_ROOM,
      'depth',
      text`Only ${ofLength(frame.depth)} is left between front and back; ${least} is the least.${walls('depth')}`,
    ),
  ]);
}

const shapeFaults = ({ sizes }: ShellPlan, frame: Frame): Refusal[] =>
  refusalsOf([
    fault(
      frame.slope < 0,
      'backHeight',
      text`The back is lower than the front, so water would run off over the entrance. Make the back at least as high as the front.`,
    ),
    fault(
      frame.slope > STEEPEST,
      'backHeight',
      text`The roof would be steeper than ${ofAngle(STEEPEST)}. Lower the back or raise the front.`,
    ),
    fault(
      roofAt(frame, 0) < LEAST_ROOM,
      'frontHeight',
      text`Floor and recess leave no room under the roof. Make the sides higher.`,
    ),
    fault(
      sizes.drainSize > Math.min(frame.width, frame.depth) / 3,
      'drainSize',
      text`Drains this large leave hardly a floor.`,
    ),
  ]);

function wayInFaults(frame: Frame): Refusal[] {
  const { wayIn, sticks } = frame;
  const frontTop = roofAt(frame, -frame.t.front) - frame.gapOverFront - frame.slot;
  if (wayIn.kind === 'hole') {
    const wide = sticks?.wide ?? 0;
    const low = fault(
      sillOf(wayIn.entrance) < wide,
      'entranceHeight',
      text`The entrance reaches the batten on the floor. Raise it.`,
    );
    const across = frame.width - 2 * wide;
    return [
      ...entranceFaults(wayIn.entrance, frontTop - wide / cos(frame.slope), across),
      ...refusalsOf([low]),
    ];
  }
  if (wayIn.kind === 'slot')
    return refusalsOf([
      fault(
        frontTop < LEAST_ROOM,
        'entranceUpright',
        text`The slot leaves hardly a front. Make it lower, or the sides higher.`,
      ),
    ]);
  return refusalsOf([
    fault(
      wayIn.above > roofAt(frame, 0) - LEAST_OPENING,
      'frontAboveFloor',
      text`Less than ${ofLength(LEAST_OPENING)} stays open above the front. Lower the front, or make the sides higher.`,
    ),
  ]);
}

/** Ways of opening that the other choices do not allow, each with what would make it possible. */
function accessFaults({ choices }: ShellPlan, frame: Frame): Refusal[] {
  const { access, walls, vents, roof } = choices;
  const slot = frame.wayIn.kind === 'slot';
  return refusalsOf([
    fault(
      access === 'side' && walls !== 'over',
      'access',
      text`A side that covers the edges of front and back has nothing to pivot in. Put front and back over the sides, or let the front swing.`,
    ),
    fault(
      access === 'front' && walls === 'over',
      'access',
      text`A front that covers the sides’ edges has nothing to pivot in. Put it between the sides, or let a side swing.`,
    ),
    fault(
      access === 'front' && vents === 'gap-sides',
      'vents',
      text`A front that swings cannot carry the roof, and neither can sides with a gap over them. Take the gap over the front, or holes.`,
    ),
    fault(
      access === 'front' && slot,
      'access',
      text`With a slot at the top the front has no upper edge to swing from. Let a side swing, or hold the wall with screws.`,
    ),
    fault(
      vents === 'gap-front' && slot,
      'vents',
      text`The slot is the gap over the front already. Take holes, or the gap over the sides.`,
    ),
    fault(
      vents === 'gap-ends' && slot,
      'vents',
      text`The slot is the gap over the front already. Take holes, or the gap over the sides.`,
    ),
    fault(
      vents === 'gap-ends' && isAgainstBack(choices),
      'vents',
      text`A roof that meets the back leaves no gap over it. Let the roof lie over the back, or take the gap over the front.`,
    ),
    fault(
      vents === 'gap-ends' && (access === 'side' || access === 'roof'),
      'vents',
      text`With a gap over front and back the roof rests on the two sides alone, so that no side swings and nothing holds hinges. Open the box by its front or by screws, or take other vents.`,
    ),
    fault(
      roof === 'strip' && access !== 'none' && access !== 'front-off' && access !== 'roof',
      'access',
      text`The rubber strip is the hinge of a roof that lifts. Choose the roof that lifts, or another roof.`,
    ),
    fault(
      roof === 'groove' && access === 'roof',
      'roof',
      text`A roof held in a groove does not lift. Choose another roof, or open the box by a wall.`,
    ),
  ]);
}

function grooveFaults({ choices, sizes }: ShellPlan, { t }: Frame): Refusal[] {
  if (choices.roof !== 'groove' || !isAgainstBack(choices)) return [];
  return refusalsOf([
    fault(
      sizes.backAbove < OVER_GROOVE,
      'backAbove',
      text`A groove needs wood above it: let the back stand ${ofLength(OVER_GROOVE)} or more above the roof.`,
    ),
    fault(
      sizes.letIn > t.back - BEHIND_GROOVE,
      'letIn',
      text`The groove leaves less than ${ofLength(BEHIND_GROOVE)} of the back. Make it shallower, or the back thicker.`,
    ),
  ]);
}

function pivotFaults(frame: Frame): Refusal[] {
  const { swing } = frame;
  if (!swing) return [];
  const low = fault(
    swing.below > (frame.split ? frame.split.at - frame.bottom : frame.sideFront) / 2,
    'pivotBelow',
    text`The axis lies below the middle of the wall. Set it nearer the upper edge.`,
  );
  if (swing.wall === 'front') return refusalsOf([low]);
  const axis = sideAxis(frame, swing);
  const frontTop = roofAt(frame, -frame.t.front) - frame.gapOverFront - frame.slot;
  const over = axis + PIVOT_IN - frontTop;
  const deeper = ofLength(Math.ceil(swing.below + over));
  return refusalsOf([
    low,
    fault(
      over > 0,
      'pivotBelow',
      text`The front ends below the axis, so that the side has nothing to pivot in there. Set the axis ${deeper} or more below the side’s upper edge, take a round entrance, or hold the wall with screws.`,
    ),
  ]);
}

/** A side in two: room for the fixed part, a slit that lets the door swing, and vents that lie above it. */
function splitFaults({ sizes, choices }: ShellPlan, frame: Frame): Refusal[] {
  const { split, swing } = frame;
  if (!split || !swing) return [];
  const low = roofAt(frame, frame.sideFrom) - Math.max(frame.gapOverLeft, frame.gapOverRight);
  const above = low - split.at - split.slit;
  const bored = choices.vents === 'holes' ? sizes.ventSize + fromMm(24) : 0;
  return refusalsOf([
    fault(
      above < Math.max(LEAST_ABOVE, bored),
      'splitAt',
      text`Less than ${ofLength(Math.max(LEAST_ABOVE, bored))} is left of the fixed part over the door. Make the door lower, or the sides higher.`,
    ),
    fault(
      split.slit < swing.needed,
      'slit',
      text`The door’s corner rises ${ofLength(swing.needed)} as it swings and would meet the fixed part. Make the slit at least that high, or set the axis lower.`,
    ),
    fault(
      split.at - swing.below < sizes.latchAbove + frame.bottom + ROUND_LATCH,
      'splitAt',
      text`The door’s axis lies at its latch or below it. Make the door higher, or set the latch lower.`,
    ),
  ]);
}

/** Bevelled lower edges keep the floor's edge covered, and the latch in the wood. */
function lowerFaults({ sizes }: ShellPlan, frame: Frame): Refusal[] {
  const { t, swing } = frame;
  const rise = Math.max(...[t.front, t.left, t.right].map((thick) => bevelRise(frame, thick)));
  const recess = -frame.bottom - t.floor - t.tray;
  return refusalsOf([
    fault(
      rise > recess,
      'lowerBevel',
      text`The bevel ends ${ofLength(rise)} higher within, above the floor’s lower face. Set the floor at least that far up inside the walls, or make the bevel flatter.`,
    ),
    fault(
      swing !== null && sizes.latchAbove < rise + ROUND_LATCH,
      'latchAbove',
      text`The latch lies where the lower edge is bevelled. Set it ${ofLength(rise + ROUND_LATCH)} or more above the lower edge.`,
    ),
  ]);
}

/** A latch too near the axis holds nothing. */
function latchFaults({ sizes }: ShellPlan, { swing, sideFront, split }: Frame): Refusal[] {
  if (!swing || split) return [];
  return refusalsOf([
    fault(
      sizes.latchAbove > sideFront / 2,
      'latchAbove',
      text`The latch lies above the middle of the wall, near its axis, and would hardly hold it. Set it lower.`,
    ),
  ]);
}

/** Grip within and without: what is asked for must be there to be made. */
function climbFaults({ sizes, choices, wood }: ShellPlan): Refusal[] {
  const { faces, grip, outside } = choices;
  const stick = wood['outer-ladder'];
  return [
    ...refusalsOf([
      fault(
        (faces === 'outside' || faces === 'but-back') && grip === 'rough',
        'grip',
        text`With the rough face outside, the front is planed within. Score it, ladder it or mesh it.`,
      ),
      fault(
        outside === 'ladder' && !stick?.width,
        'wood.outer-ladder',
        text`Choose a stick for the strips outside: its width decides how many there are.`,
      ),
    ]),
    ...(grip === 'none' ? [] : gripFaults({ sizes, choices: { grip } }, wood.ladder)),
    ...(outside === 'notches' && grip !== 'kerfs'
      ? gripFaults({ sizes, choices: { grip: 'kerfs' } }, undefined)
      : []),
    ...(outside === 'ladder' && stick?.width && grip !== 'ladder'
      ? gripFaults({ sizes, choices: { grip: 'ladder' } }, stick)
      : []),
  ];
}

/** Sheet on battens, and a wall of sheet on pivots. */
function stickFaults({ choices, wood }: ShellPlan, frame: Frame): Refusal[] {
  const { sticks, width, depth, slope, swing } = frame;
  const { floor } = choices;
  return [
    ...sheetStickFaults(sticks, { width, depth, slope, floor }),
    ...(swing ? thinSwingFaults(wood[swing.wall]) : []),
    ...refusalsOf([
      fault(
        sticks !== null && choices.tray === 'tray',
        'tray',
        text`The battens lie on the floor where the tray would. Leave the tray out, or fasten the panels edge to face.`,
      ),
    ]),
  ];
}

/** What would have to change to make the frame sound; none where it is. */
export function shellFaults(plan: ShellPlan, frame: Frame): Refusal[] {
  const room = roomFaults(plan, frame);
  return [
    ...(room.length > 0 ? room : [...shapeFaults(plan, frame), ...wayInFaults(frame)]),
    ...accessFaults(plan, frame),
    ...grooveFaults(plan, frame),
    ...pivotFaults(frame),
    ...splitFaults(plan, frame),
    ...lowerFaults(plan, frame),
    ...latchFaults(plan, frame),
    ...climbFaults(plan),
    ...stickFaults(plan, frame),
    ...mountFaults(plan),
  ];
}
