import { fromMm } from '../../measure/index.js';
import type { Draft, Feature, Fitting } from '../../panels/index.js';
import type { Refusal } from '../../plan/index.js';
import type { Vec3 } from '../../solid/index.js';
import { ofLength, text } from '../../text/index.js';
import { refusalsOf } from '../common/entrance.js';
import type { ShellPlan } from './declared.js';
import { type Frame, roofAt } from './frame.js';
import { isAgainstBack, isMounted } from './when.js';

/** A rod's hole lies so far under the roof, inside; wood round such holes. Common practice, no source. */
const UNDER_ROOF = fromMm(50);
const ROUND = fromMm(6);

/** Middles of the holes in the back's outer face. */
function mountsIn({ sizes, choices }: ShellPlan, frame: Frame): Vec3[] {
  if (!isMounted(choices)) return [];
  const { t, depth, bottom, slope } = frame;
  const y = depth + t.back;
  const below: Vec3 = [0, y, bottom - sizes.backBelow / 2];
  if (choices.mount === 'rod') return [[0, y, roofAt(frame, depth) - UNDER_ROOF], below];
  const overRoof = roofAt(frame, depth) + t.roof / Math.cos((slope * Math.PI) / 180);
  return [[0, y, overRoof + sizes.backAbove / 2], below];
}

export const mountFeatures = (
  plan: ShellPlan,
  frame: Frame,
  toFrame: Parameters<NonNullable<Draft['features']>>[0],
): Feature[] =>
  mountsIn(plan, frame).map((at) => ({
    kind: 'mount',
    shape: 'round',
    centre: toFrame(at),
    diameter: plan.sizes.mountSize,
    depth: 'through',
  }));

/** An eye stands so far in from the room's corner. Common practice, no source. */
const EYE_IN = fromMm(12);

/** Four screw eyes near the corners of the back's outer face, where wire is to hold it. */
export function eyesOf({ choices }: ShellPlan, frame: Frame): Extract<Fitting, { kind: 'eye' }>[] {
  if (choices.mount !== 'eyes') return [];
  const { width, depth, t } = frame;
  const out = Math.round(width / 2) - EYE_IN;
  const high = Math.round(roofAt(frame, depth)) - UNDER_ROOF;
  return [EYE_IN, high].flatMap((z) =>
    [-out, out].map((x) => ({
      kind: 'eye' as const,
      at: [x, Math.round(depth) + t.back, z] as const,
    })),
  );
}

/** Holes that the back has no wood for. */
export function mountFaults({ sizes, choices }: ShellPlan): Refusal[] {
  const least = sizes.mountSize + 2 * ROUND;
  const above = isAgainstBack(choices) ? sizes.backAbove : 0;
  return refusalsOf([
    {
      when: isMounted(choices) && sizes.backBelow < least,
      field: 'backBelow',
      message: text`The lower hole needs wood: let the back stand ${ofLength(least)} or more below the walls, or leave the holes out.`,
    },
    {
      when: choices.mount === 'ends' && above < least,
      field: isAgainstBack(choices) ? 'backAbove' : 'mount',
      message: text`The upper hole needs wood above the roof: let the back end ${ofLength(least)} or more above it, or take a rod through the back inside.`,
    },
  ]);
}
