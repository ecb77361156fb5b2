import { cos, fromMm } from '../../measure/index.js';
import type { Draft, Feature } from '../../panels/index.js';
import type { Point } from '../../plane/index.js';
import type { Vec3 } from '../../solid/index.js';
import { backWider, type ShellPlan } from './declared.js';
import { type Frame, roofAt } from './frame.js';

/** A saw kerf under the roof's edge: common practice, no source. */
const DRIP = { from: fromMm(12), width: fromMm(3.2), depth: fromMm(3) };

/** The groove across the back that takes the roof's rear edge. */
export function grooveFeature(
  plan: ShellPlan,
  frame: Frame,
  toFrame: (point: Vec3) => Point,
): Feature {
  const { sizes, choices } = plan;
  const { t, depth, slope } = frame;
  const high = t.roof / cos(slope);
  const middle = roofAt(frame, depth) + high / 2;
  const wide = choices.walls === 'over' ? Math.max(t.left, t.right) : 0;
  // A back that is wider than the roof keeps its wood beside it.
  const beside = Math.min(backWider(plan), sizes.overhangSide);
  const reach = frame.width / 2 + wide + beside;
  return {
    kind: 'groove',
    purpose: 'dado',
    from: toFrame([reach, depth, middle]),
    to: toFrame([-reach, depth, middle]),
    face: 'inside',
    width: Math.round(high),
    depth: sizes.letIn,
    tilt: slope,
  };
}

/** The kerf under the roof's front edge, where one is asked for and the roof stands out far enough. */
export const dripFeatures =
  ({ sizes, choices }: ShellPlan, frame: Frame): NonNullable<Draft['features']> =>
  (toFrame) => {
    if (choices.drip !== 'kerf' || sizes.overhangFront < 2 * DRIP.from) return [];
    const y = -frame.t.front - sizes.overhangFront + DRIP.from * cos(frame.slope);
    const reach = frame.width / 2 + sizes.overhangSide;
    return [
      {
        kind: 'groove',
        purpose: 'drip',
        from: toFrame([-reach, y, roofAt(frame, y)]),
        to: toFrame([reach, y, roofAt(frame, y)]),
        face: 'inside',
        width: DRIP.width,
        depth: DRIP.depth,
      },
    ];
  };
