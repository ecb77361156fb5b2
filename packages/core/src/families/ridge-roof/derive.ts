import { cos, tan } from '../../measure/index.js';
import { type Derived, derivedLength } from '../../panels/index.js';
import { ofAngle, ofLength, text } from '../../text/index.js';
import { pivotDerived } from '../common/hung-wall.js';
import { swingWidth } from '../common/play.js';
import type { RidgePlan } from './declared.js';
import type { RidgeFrame } from './frame.js';

function swingGap({ sizes }: RidgePlan, { swing, pitch, gapOver }: RidgeFrame): Derived[] {
  if (!swing) return [];
  const gap = gapOver(swing.wall);
  return [
    {
      id: 'swingGap',
      label: 'Gap over the side that swings',
      kind: 'length',
      value: Math.round(gap),
      why: text`Its upper outer corner lies ${ofLength(sizes.pivotBelow)} above the axis and swings in under a roof that climbs at ${ofAngle(pitch)}: it needs ${ofLength(swing.needed)}. With a little play, and never less than the vent: ${ofLength(gap)}.`,
    },
  ];
}

/** What apex and shoulders give. */
function fromGable({ sizes, choices }: RidgePlan, frame: RidgeFrame): Derived[] {
  if (choices.gableBy !== 'apex') return [];
  const { half, t, over, pitch, vent, sideHeight } = frame;
  const { apexHeight, shoulderHeight } = sizes;
  const wide = over ? half + Math.max(t.left, t.right) : half;
  const rise = apexHeight - shoulderHeight;
  return [
    {
      id: 'pitch',
      label: 'Pitch',
      kind: 'angle',
      value: pitch,
      why: text`From shoulder to apex it rises ${ofLength(rise)} over ${ofLength(wide)}: ${ofAngle(pitch)} from level.`,
    },
    derivedLength(
      'sideHeight',
      'Sides high, inside',
      sideHeight,
      text`The apex ${ofLength(apexHeight)} less half the room ${ofLength(half)} × tan ${ofAngle(pitch)} and the gap ${ofLength(vent)}`,
    ),
  ];
}

/** The sizes that nobody typed, each with the sum that gives it. */
export function derive(plan: RidgePlan, frame: RidgeFrame): Derived[] {
  const { sizes, choices } = plan;
  const { half, t, pitch, apex, eavesHeight, vent } = frame;
  const outer = half + t.left + sizes.overhangSide;
  const mitred = choices.ridge === 'mitred';
  const lap = 90 - 2 * pitch;
  return [
    ...fromGable(plan, frame),
    {
      id: 'ridgeHeight',
      label: 'Ridge over the floor',
      kind: 'length',
      value: Math.round(apex),
      why: text`${ofLength(eavesHeight + vent)} where the roof meets the sides’ inside, and half the room ${ofLength(half)} × tan ${ofAngle(pitch)} = ${ofLength(half * tan(pitch))} more.`,
    },
    derivedLength(
      'slopeLength',
      'Each slope, under',
      outer / cos(pitch),
      text`From the ridge it runs ${ofLength(half)} + ${ofLength(t.left)} + ${ofLength(sizes.overhangSide)} = ${ofLength(outer)} level; along the slope that is ${ofLength(outer)} ÷ cos ${ofAngle(pitch)}`,
    ),
    {
      id: 'ridgeTilt',
      label: 'Blade tilt at the ridge',
      kind: 'angle',
      value: mitred ? pitch : Math.abs(lap),
      why: mitred
        ? text`Both upper edges are upright in the box, so each is tilted by the pitch, ${ofAngle(pitch)}.`
        : text`The slopes meet at 180° − 2 × ${ofAngle(pitch)}; the one that is covered is tilted by 90° − 2 × ${ofAngle(pitch)} = ${ofAngle(lap)}.`,
    },
    ...swingWidth('Side', frame.depth, frame.play),
    ...swingGap(plan, frame),
    ...(frame.swing ? pivotDerived(plan) : []),
  ];
}
