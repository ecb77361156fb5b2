import { cos } from '../../measure/index.js';
import {
  type Cavity,
  type Derived,
  type JointDraft,
  type JointKind,
  meet,
  type Opening,
} from '../../panels/index.js';
import type { Refusal } from '../../plan/index.js';
import { rectangleAt } from '../../plane/index.js';
import type { Vec3 } from '../../solid/index.js';
import { ofAngle, ofLength, text } from '../../text/index.js';
import { ACROSS, roundOpenings } from '../common/holes.js';
import { ridgeRoof } from '../common/ridge.js';
import type { Cut } from '../define-family.js';
import type { PolePlan } from './declared.js';
import { frameOf, type PoleFrame, poleFaults } from './frame.js';
import { gable, post, type SpacerDraft, side, spacers, ventsOf } from './panels.js';
import { cornerSticks } from './sticks.js';

const GABLES = ['front', 'back'] as const;
const SIDES = ['side-left', 'side-right'] as const;
const SLOPES = ['roof-left', 'roof-right'] as const;

function jointsOf(
  { sizes: { notch }, choices }: PolePlan,
  spaced: readonly SpacerDraft[],
  ridge: JointDraft[],
): JointDraft[] {
  // A side that is sawn square meets the roof along a line, which holds nothing.
  const isBevelled = choices.sideTops === 'bevelled';
  // Sticks behind them hold panels of sheet, which only touch.
  const held: JointKind = choices.corners === 'sticks' ? 'loose' : 'butt';
  return [
    ...GABLES.flatMap((g) => SIDES.flatMap((s) => meet(g, s, held))),
    ...GABLES.flatMap((g) => SLOPES.flatMap((r) => meet(g, r, held))),
    ...meet('roof-left', 'side-left', held, isBevelled),
    ...meet('roof-right', 'side-right', held, isBevelled),
    ...(held === 'loose' ? ridge.map((joint) => ({ ...joint, kind: held })) : ridge),
    ...SLOPES.flatMap((r) => meet('post', r, 'loose', choices.postTop === 'roof')),
    ...spaced.flatMap(({ draft, wall }) => [
      ...meet(draft.id, wall, 'screwed'),
      ...meet(draft.id, 'post', notch > 0 ? 'let-in' : 'butt'),
    ]),
  ];
}

/** The crevice all round the post, open below. */
function ring({ half, depth, crevice, post: { x, y } }: PoleFrame): Opening[] {
  const level = (left: number, near: number, wide: number, deep: number): Opening => ({
    kind: 'crevice',
    polygon: rectangleAt(left, near, wide, deep).map((corner): Vec3 => [...corner, 0]),
  });
  return [
    level(-half, 0, 2 * half, crevice),
    level(-half, depth - crevice, 2 * half, crevice),
    level(-half, crevice, half - x / 2, y),
    level(x / 2, crevice, half - x / 2, y),
  ];
}

const cavityAt = ({ half, crevice, eaves, apex }: PoleFrame, y: number): Cavity => ({
  origin: [0, y, 0],
  width: 2 * half,
  depth: crevice,
  heightFront: eaves,
  heightBack: eaves,
  sill: 0,
  ridge: apex,
});

/** The hole up into the post's foot, where it stands on a rod. */
function footDerived({ sizes, choices }: PolePlan, { post }: PoleFrame): Derived[] {
  if (choices.foot !== 'rod') return [];
  return [
    {
      id: 'rodHole',
      label: 'Hole in the post’s foot',
      kind: 'length',
      value: sizes.rodSize,
      why: text`Bored ${ofLength(sizes.rodDeep)} up into the end grain, ${ofLength(post.x / 2)} and ${ofLength(post.y / 2)} from its edges: the rod’s ${ofLength(sizes.rodSize)}.`,
    },
  ];
}

function derive({ sizes, choices }: PolePlan, frame: PoleFrame): Derived[] {
  const isOver = choices.walls === 'over';
  const { t, crevice, spacer, outer, pitch, half } = frame;
  const { x } = frame.post;
  const thicker = Math.max(t.left, t.right);
  const slope = outer / cos(pitch);
  return [
    {
      id: 'crevice',
      label: 'Crevice',
      kind: 'length',
      value: crevice,
      why: text`Spacers ${ofLength(spacer.thick)} thick, let ${ofLength(sizes.notch)} into the post: ${ofLength(crevice)} stay open.`,
    },
    {
      id: 'pitch',
      label: 'Pitch',
      kind: 'angle',
      value: pitch,
      why: text`It rises ${ofLength(sizes.rise)} over half the width, ${ofLength(x / 2)} + ${ofLength(crevice)} + ${ofLength(thicker)} = ${ofLength(outer)}: ${ofAngle(pitch)} from level.`,
    },
    {
      id: 'slopeLength',
      label: 'Each slope to the outside of a side',
      kind: 'length',
      value: Math.round(slope),
      why: text`√(${ofLength(outer)}² + ${ofLength(sizes.rise)}²) = ${ofLength(slope)}; the eaves stand out beyond it.`,
    },
    {
      id: 'frontWidth',
      label: 'Front and back, wide',
      kind: 'length',
      value: Math.round(2 * half + (isOver ? t.left + t.right : 0)),
      why: isOver
        ? text`Post ${ofLength(x)}, two crevices ${ofLength(crevice)} and the sides’ edges ${ofLength(t.left)} and ${ofLength(t.right)} that they cover = ${ofLength(2 * half + t.left + t.right)}.`
        : text`Post ${ofLength(x)} and two crevices ${ofLength(crevice)} = ${ofLength(2 * half)}; the sides cover their edges.`,
    },
  ];
}

/** Cuts a tube round a post, held off it by spacers, under two slopes. */
export function build(plan: PolePlan): Cut | readonly Refusal[] {
  const frame = frameOf(plan);
  const refusals = poleFaults(plan, frame);
  if (refusals.length > 0) return refusals;
  const { sizes, wood, choices } = plan;
  const { t, depth, outer, crevice, apex, pitch } = frame;
  const roof = ridgeRoof({
    apex,
    pitch,
    eaves: outer + sizes.overhangSide,
    from: -t.front - sizes.overhangFront,
    to: depth + t.back + sizes.overhangFront,
    thickness: { left: wood['roof-left'].thickness, right: wood['roof-right'].thickness },
    lapped: choices.ridge !== 'mitred',
  });
  const held = spacers(frame);
  const sticks = cornerSticks(frame);
  return {
    drafts: [
      gable(plan, frame, 'front'),
      gable(plan, frame, 'back'),
      side(plan, frame, -1),
      side(plan, frame, 1),
      ...roof.drafts,
      post(plan, frame),
      ...held.map(({ draft }) => draft),
      ...sticks.drafts,
    ],
    joints: [...jointsOf(plan, held, roof.joints), ...sticks.joints],
    openings: [
      ...ring(frame),
      ...roundOpenings('vent-hole', ventsOf(plan, frame), sizes.ventSize, ACROSS),
    ],
    cavities: [cavityAt(frame, 0), cavityAt(frame, depth - crevice)],
    derived: [...derive(plan, frame), ...footDerived(plan, frame)],
  };
}
