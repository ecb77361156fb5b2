import { atan2, cos, printAngle, tan, toMm } from '../../measure/index.js';
import type { Derived } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import type { Frame } from './frame.js';
import { AGAINST_BACK } from './parameters.js';

/** A length inside a sentence, marked so that the reader's own unit can be put in its place: `{mm}` with millimetres inside. */
const say = (ticks: number): string => `{${Math.round(toMm(ticks) * 1000) / 1000}}`;

/** The sizes that nobody typed, each with the sum that gives it. */
export function derive(plan: BoxPlan, frame: Frame): Derived[] {
  const { schools, sizes } = plan;
  const { t } = frame;
  const run = frame.sideTo - frame.sideFrom;
  const outside = schools.measure === 'outside';
  const found: Derived[] = [
    {
      id: 'roomWidth',
      label: 'Room, wide',
      kind: 'length',
      value: Math.round(frame.width),
      why: outside
        ? `${say(sizes.width ?? 0)} outside − ${say(t.left)} − ${say(t.right)} for the two sides = ${say(frame.width)}.`
        : `The inside is kept at ${say(frame.width)}, whatever the boards.`,
    },
    {
      id: 'roomDepth',
      label: 'Room, deep',
      kind: 'length',
      value: Math.round(frame.depth),
      why: outside
        ? `${say(sizes.depth ?? 0)} outside − ${say(t.front)} front − ${say(t.back)} back = ${say(frame.depth)}.`
        : `The inside is kept at ${say(frame.depth)}, whatever the boards.`,
    },
    {
      id: 'sideWidth',
      label: 'Sides, wide',
      kind: 'length',
      value: Math.round(run),
      why:
        schools.walls === 'over'
          ? `Front and back cover the sides’ edges, so a side is as wide as the room is deep: ${say(run)}.`
          : `Front and back stand between the sides, so a side is ${say(t.front)} + ${say(frame.depth)} + ${say(t.back)} = ${say(run)} wide.`,
    },
  ];
  if (frame.swing) found.push(swingGapOf(frame));
  if (schools.roof === 'flat') return found;
  found.push(
    schools.slope === 'angle'
      ? {
          id: 'backHeight',
          label: 'Sides high at the back',
          kind: 'length',
          value: Math.round(frame.sideBack),
          why: `${say(frame.sideFront)} + ${say(run)} × tan ${printAngle(frame.slope)} = ${say(frame.sideFront + run * tan(frame.slope))}.`,
        }
      : {
          id: 'slope',
          label: 'Slope',
          kind: 'angle',
          value: atan2(frame.sideBack - frame.sideFront, run),
          why: `It rises ${say(frame.sideBack - frame.sideFront)} over ${say(run)}: ${printAngle(frame.slope)}. The saw’s tilt for front, back and roof is this angle.`,
        },
    ...(frame.entrance ? [frontBevel(frame)] : []),
    {
      id: 'roofSlopeLength',
      label: 'Roof down the slope',
      kind: 'length',
      value: Math.round(roofRun(plan, frame) / cos(frame.slope)),
      why: `It runs ${say(roofRun(plan, frame))} level; along the slope that is ${say(roofRun(plan, frame))} ÷ cos ${printAngle(frame.slope)} = ${say(roofRun(plan, frame) / cos(frame.slope))}.`,
    },
  );
  return found;
}

/** How much longer the inside of a bevelled front is. */
const frontBevel = ({ t, slope }: Frame): Derived => ({
  id: 'frontBevel',
  label: 'Front, long less short point',
  kind: 'length',
  value: Math.round(t.front * tan(slope)),
  why: `The front is ${say(t.front)} thick: ${say(t.front)} × tan ${printAngle(slope)} = ${say(t.front * tan(slope))}. The inside face is the longer one.`,
});

/** Level run of the roof's underside, in ticks. */
function roofRun(plan: BoxPlan, frame: Frame): number {
  const eaves = -frame.t.front - (plan.sizes.overhangFront ?? 0);
  const { schools, sizes } = plan;
  if (!AGAINST_BACK.includes(schools.roof ?? ''))
    return frame.depth + frame.t.back + (sizes.overhangRear ?? 0) - eaves;
  return frame.depth + (schools.roof === 'groove' ? (sizes.letIn ?? 0) : 0) - eaves;
}

/** The gap over a wall that swings. */
function swingGapOf({ swing, t, slope }: Frame): Derived {
  const { wall, below, needed, gap } = swing!;
  const out = (wall === 'front' ? t.front : wall === 'side-left' ? t.left : t.right) / 2;
  const rises = `√(${say(below)}² + ${say(out)}²) − ${say(below)} = ${say(Math.hypot(below, out) - below)}`;
  return {
    id: 'swingGap',
    label: wall === 'front' ? 'Gap over the front' : 'Gap over the side that swings',
    kind: 'length',
    value: Math.round(gap),
    why: `Its upper outer corner rises as the lower end swings out: ${rises}${wall === 'front' && slope > 0 ? `, less where the roof climbs at ${printAngle(slope)}: ${say(needed)}` : ''}. With a little play, and never less than the vent: ${say(gap)}.`,
  };
}
