import { atan2, cos, tan } from '../../measure/index.js';
import { type Derived, derivedLength } from '../../panels/index.js';
import { keepsOutside } from '../../plan/index.js';
import { ofAngle, ofLength, text } from '../../text/index.js';
import { pivotDerived } from '../common/hung-wall.js';
import { swingWidth } from '../common/play.js';
import type { ShellPlan } from './declared.js';
import type { Frame, Swing, Thicknesses } from './frame.js';
import { isAgainstBack } from './when.js';

/** Room and sides, from the boards' thicknesses. */
function widths({ sizes, choices }: ShellPlan, frame: Frame): Derived[] {
  const { t } = frame;
  const run = frame.sideTo - frame.sideFrom;
  const kept = (inside: number) =>
    text`The inside is kept at ${ofLength(inside)}, whatever the boards.`;
  const covered = text`Front and back cover the sides’ edges, so a side is as wide as the room is deep: ${ofLength(run)}.`;
  const covering = text`Front and back stand between the sides, so a side is ${ofLength(t.front)} + ${ofLength(frame.depth)} + ${ofLength(t.back)} = ${ofLength(run)} wide.`;
  return [
    {
      id: 'roomWidth',
      label: 'Room, wide',
      kind: 'length',
      value: Math.round(frame.width),
      why: keepsOutside(choices, 'width')
        ? text`${ofLength(sizes.width)} outside − ${ofLength(t.left)} − ${ofLength(t.right)} for the two sides = ${ofLength(frame.width)}.`
        : kept(frame.width),
    },
    {
      id: 'roomDepth',
      label: 'Room, deep',
      kind: 'length',
      value: Math.round(frame.depth),
      why: keepsOutside(choices, 'depth')
        ? text`${ofLength(sizes.depth)} outside − ${ofLength(t.front)} front − ${ofLength(t.back)} back = ${ofLength(frame.depth)}.`
        : kept(frame.depth),
    },
    {
      id: 'sideWidth',
      label: 'Sides, wide',
      kind: 'length',
      value: Math.round(run),
      why: choices.walls === 'over' ? covered : covering,
    },
  ];
}

/** How much longer the inside of a bevelled front is. */
function frontBevel({ t, slope }: Frame): Derived {
  const longer = t.front * tan(slope);
  return {
    id: 'frontBevel',
    label: 'Front, long less short point',
    kind: 'length',
    value: Math.round(longer),
    why: text`The front is ${ofLength(t.front)} thick: ${ofLength(t.front)} × tan ${ofAngle(slope)} = ${ofLength(longer)}. The inside face is the longer one.`,
  };
}

/** Level run of the roof's underside, in ticks. */
function roofRun({ sizes, choices }: ShellPlan, frame: Frame): number {
  const eaves = -frame.t.front - sizes.overhangFront;
  if (!isAgainstBack(choices)) return frame.depth + frame.t.back + sizes.overhangRear - eaves;
  return frame.depth + (choices.roof === 'groove' ? sizes.letIn : 0) - eaves;
}

function slopeOrHeight({ choices }: ShellPlan, frame: Frame): Derived {
  const { sideFront, sideBack, slope } = frame;
  const run = frame.sideTo - frame.sideFrom;
  if (choices.slope === 'angle')
    return derivedLength(
      'backHeight',
      'Sides high at the back',
      sideBack,
      text`${ofLength(sideFront)} + ${ofLength(run)} × tan ${ofAngle(slope)}`,
    );
  return {
    id: 'slope',
    label: 'Slope',
    kind: 'angle',
    value: atan2(sideBack - sideFront, run),
    why: text`It rises ${ofLength(sideBack - sideFront)} over ${ofLength(run)}: ${ofAngle(slope)}. The saw’s tilt for front, back and roof is this angle.`,
  };
}

function alongSlope(plan: ShellPlan, frame: Frame): Derived {
  const run = ofLength(roofRun(plan, frame));
  return derivedLength(
    'roofSlopeLength',
    'Roof down the slope',
    roofRun(plan, frame) / cos(frame.slope),
    text`It runs ${run} level; along the slope that is ${run} ÷ cos ${ofAngle(frame.slope)}`,
  );
}

const WALLS: Record<Swing['wall'], keyof Thicknesses> = {
  front: 'front',
  'side-left': 'left',
  'side-right': 'right',
};

/** The gap over a wall that swings. */
function swingGap({ wall, below, needed, gap }: Swing, { t, slope, split }: Frame): Derived {
  const out = t[WALLS[wall]] / 2;
  const rise = Math.hypot(below, out) - below;
  const climbs = text`, less where the roof climbs at ${ofAngle(slope)}: ${ofLength(needed)}`;
  const less = wall === 'front' && slope > 0 ? climbs : '';
  return {
    id: 'swingGap',
    label: wall === 'front' ? 'Gap over the front' : 'Gap over the side that swings',
    kind: 'length',
    value: Math.round(gap),
    why: split
      ? text`Its upper outer corner rises as the lower end swings out: √(${ofLength(below)}² + ${ofLength(out)}²) − ${ofLength(below)} = ${ofLength(rise)}. The slit over the door is ${ofLength(gap)}.`
      : text`Its upper outer corner rises as the lower end swings out: √(${ofLength(below)}² + ${ofLength(out)}²) − ${ofLength(below)} = ${ofLength(rise)}${less}. With a little play, and never less than the vent: ${ofLength(gap)}.`,
  };
}

const swingOpening = ({ swing, play, width, sideFrom, sideTo }: Frame): Derived[] =>
  swing?.wall === 'front'
    ? swingWidth('Front', width, play)
    : swingWidth('Side', sideTo - sideFrom, play);

/** The door of a side that is split. */
const doorHeight = ({ split, bottom, lip }: Frame): Derived[] =>
  split
    ? [
        derivedLength(
          'doorHeight',
          'Door, high',
          split.at - bottom + lip,
          text`${ofLength(split.at)} above the floor, ${ofLength(-bottom)} below its upper face and a lip of ${ofLength(lip)}`,
        ),
      ]
    : [];

/** The sizes that nobody typed, each with the sum that gives it. */
export function derive(plan: ShellPlan, frame: Frame): Derived[] {
  const { swing } = frame;
  const found = [
    ...widths(plan, frame),
    ...(swing ? [...swingOpening(frame), swingGap(swing, frame), ...pivotDerived(plan)] : []),
    ...doorHeight(frame),
  ];
  if (plan.choices.roof === 'flat') return found;
  return [
    ...found,
    slopeOrHeight(plan, frame),
    ...(frame.wayIn.kind === 'hole' ? [frontBevel(frame)] : []),
    alongSlope(plan, frame),
  ];
}
