import { fromMm, type Ticks } from '../../measure/index.js';
import type { Refusal } from '../../plan/index.js';
import { ofLength, type Text, text } from '../../text/index.js';
import { entranceFaults, refusalsOf } from '../common/entrance.js';
import { gripFaults } from '../common/grip.js';
import type { OwlPlan, ROLES } from './declared.js';
import { type OwlFrame, PLAY, stickOf } from './frame.js';

type Fault = Refusal & { when: boolean };
const fault = (when: boolean, field: string, message: Text): Fault => ({ when, field, message });

/** Side left over a flap; room left inside the frame. Common practice, no source. */
const OVER_FLAP = fromMm(40);
const LEAST_ROOM = fromMm(60);
const WIDEST_RUNG = fromMm(60);

/** A stick both of whose measures are used, and that is not too large where it goes. */
function stickFaults(plan: OwlPlan, role: keyof typeof ROLES, most: Ticks): Fault[] {
  const { wide } = stickOf(plan, role);
  const field = `wood.${role}`;
  return [
    fault(!wide, field, text`Choose a stick whose width is known: both its measures are used.`),
    fault(
      wide > most,
      field,
      text`A stick ${ofLength(wide)} wide is too large here; ${ofLength(most)} is the most.`,
    ),
  ];
}

function frameFaults(plan: OwlPlan, frame: OwlFrame): Fault[] {
  const { sizes, choices } = plan;
  const { posts, half, post, batten, width, depth } = frame;
  const deep = posts ? post.thick : batten.thick;
  return [
    ...(posts
      ? stickFaults(plan, 'post', half / 2)
      : stickFaults(plan, 'batten', sizes.frontHeight / 4)),
    ...(choices.lid === 'lift-off' ? stickFaults(plan, 'lid-batten', half / 2) : []),
    ...(choices.platform === 'platform' ? stickFaults(plan, 'bearer', sizes.frontHeight / 3) : []),
    ...(isRimmed(choices) ? stickFaults(plan, 'rim', sizes.platformDeep / 3) : []),
    ...(choices.perch === 'rod'
      ? [
          ...stickFaults(plan, 'perch-strip', WIDEST_RUNG),
          ...stickFaults(plan, 'perch-rod', WIDEST_RUNG),
        ]
      : []),
    ...(choices.grip === 'ladder' ? stickFaults(plan, 'ladder', WIDEST_RUNG) : []),
    fault(
      2 * deep + 2 * PLAY > depth - LEAST_ROOM,
      posts ? 'wood.post' : 'wood.batten',
      text`The frame leaves hardly a room. Choose thinner sticks.`,
    ),
    fault(
      choices.floor === 'gap' && !posts,
      'floor',
      text`The lower battens lie over a gap along front and back. Drain through holes, or stand the walls on corner posts.`,
    ),
    fault(
      sizes.drainSize > Math.min(width, depth) / 3,
      'drainSize',
      text`Drains this large leave hardly a floor.`,
    ),
  ];
}

function flapFaults({ posts, batten, flap, roofAt, vent, hanging }: OwlFrame): Fault[] {
  if (!flap) return [];
  return [
    fault(
      !posts && flap.from < batten.wide,
      'flapFrom',
      text`The flap begins behind the lower batten. Raise it to the batten’s upper edge.`,
    ),
    fault(
      flap.to > roofAt(0) - vent - hanging - OVER_FLAP,
      'flapHigh',
      text`Less than ${ofLength(OVER_FLAP)} of side is left above the flap. Make it lower.`,
    ),
  ];
}

const isRimmed = ({ platform, rim }: OwlPlan['choices']): boolean =>
  platform === 'platform' && rim === 'rim';

/** A perch that the front carries, with nothing else before the entrance. */
function perchFaults(
  plan: OwlPlan,
  { t, half, sill, bottom, entrance, roofAt }: OwlFrame,
): Fault[] {
  const { sizes, choices } = plan;
  if (choices.perch !== 'rod') return [];
  const arm = stickOf(plan, 'perch-strip');
  const rod = stickOf(plan, 'perch-rod');
  const reach = entrance.width / 2 + fromMm(8) + arm.thick;
  const under = roofAt(-t.front - Math.min(sizes.perchOut, sizes.overhangFront));
  return [
    fault(
      choices.platform === 'platform',
      'perch',
      text`The platform lies before the entrance already. Leave the perch out, or the platform.`,
    ),
    fault(
      reach > half,
      'perch',
      text`The perch’s strips stand beside the entrance and would reach past the front. Make the box wider, or the entrance narrower.`,
    ),
    fault(
      sill - Math.max(arm.wide, arm.wide / 2 + rod.wide / 2) < bottom,
      'entranceHeight',
      text`The perch would hang below the walls. Raise the entrance.`,
    ),
    fault(
      rod.thick > sizes.perchOut,
      'perchOut',
      text`The perch is thicker than it stands out. Let it stand out further.`,
    ),
    fault(
      under < sill + fromMm(30),
      'entranceHeight',
      text`The lid comes down over the perch. Lower the entrance, or make the room higher at the front.`,
    ),
  ];
}

function platformFaults(plan: OwlPlan, frame: OwlFrame): Fault[] {
  const { sizes, choices, wood } = plan;
  if (choices.platform !== 'platform') return [];
  const { t, width, sill, bottom, roofAt } = frame;
  // Under the lid, which falls to the front and comes down over the platform.
  const under = roofAt(-t.front - Math.min(sizes.platformDeep, sizes.overhangFront));
  const low = sill - wood.platform.thickness - stickOf(plan, 'bearer').wide;
  return [
    fault(
      under < sill + (isRimmed(choices) ? stickOf(plan, 'rim').thick : 0),
      'entranceHeight',
      text`The lid comes down over the platform. Lower the entrance, or make the room higher at the front.`,
    ),
    fault(
      sizes.platformWide > width + t.left + t.right,
      'platformWide',
      text`The platform is wider than the front that carries it.`,
    ),
    fault(
      low < bottom,
      'entranceHeight',
      text`The platform’s bearer would hang below the walls. Raise the entrance.`,
    ),
  ];
}

/** What would have to change to make the frame sound; none where it is. */
export function owlFaults(plan: OwlPlan, frame: OwlFrame): Refusal[] {
  const first = refusalsOf(frameFaults(plan, frame));
  if (first.length > 0) return first;
  const { posts, post, batten, width, t, sill, roofAt, entrance } = frame;
  const top = roofAt(-t.front) - (posts ? 0 : batten.wide);
  return [
    ...entranceFaults(entrance, top, posts ? width - 2 * post.wide : width),
    ...gripFaults(plan, plan.wood.ladder),
    ...refusalsOf([
      fault(
        !posts && sill < batten.wide,
        'entranceHeight',
        text`The entrance reaches the lower batten. Raise it.`,
      ),
      ...flapFaults(frame),
      ...platformFaults(plan, frame),
      ...perchFaults(plan, frame),
    ]),
  ];
}
