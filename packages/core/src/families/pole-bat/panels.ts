import { at } from '../../lists/index.js';
import { atan2, fromMm } from '../../measure/index.js';
import { type Draft, type Feature, wood } from '../../panels/index.js';
import {
  atLeast,
  atMost,
  between,
  type HalfSpace,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { roundHoles } from '../common/holes.js';
import { slopeAt, underRidge, underSlope } from '../common/ridge.js';
import { roostScores } from '../common/roost-scores.js';
import type { PolePlan } from './declared.js';
import { type PoleFrame, SPACER } from './frame.js';

/** Wood left round a niche. Common practice, no source. */
const AROUND_NICHE = fromMm(18);

type ToFrame = Parameters<NonNullable<Draft['features']>>[0];

const UPRIGHT = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;
const roughInside = ({ choices }: PolePlan) => (choices.grip === 'rough' ? 'rough' : 'any');

/** Middles of the vent holes in front and back. */
export const ventsOf = ({ sizes, choices }: PolePlan, { depth }: PoleFrame): Vec3[] =>
  choices.vents === 'holes' ? [0, depth].map((y): Vec3 => [0, y, sizes.ventAbove]) : [];

export function gable(plan: PolePlan, frame: PoleFrame, id: 'front' | 'back'): Draft {
  const { t, half, depth, eaves, scored } = frame;
  const corner = frame.sticks?.corner.x ?? 0;
  const [from, to, face] = id === 'front' ? [-t.front, 0, 0] : [depth, depth + t.back, depth];
  const isOver = plan.choices.walls === 'over';
  const spaces = [
    ...(isOver ? between('x', -half - t.left, half + t.right) : between('x', -half, half)),
    ...between('y', from, to),
    atLeast('z', 0),
    ...underRidge(frame),
  ];
  const vents = ventsOf(plan, frame).filter((hole) => hole[1] === face);
  return {
    ...UPRIGHT,
    id,
    role: id,
    thickness: t[id],
    solid: wood(solidInside(spaces), id),
    outsideNormal: [0, id === 'front' ? -1 : 1, 0],
    inside: roughInside(plan),
    features: (toFrame) => [
      ...(scored
        ? roostScores(
            plan.sizes,
            (u, z) => toFrame([u * (half - corner), face, z]),
            [0, eaves],
            'inside',
          )
        : []),
      ...roundHoles('vent', vents, plan.sizes.ventSize, toFrame),
    ],
  };
}

export function side(plan: PolePlan, frame: PoleFrame, sign: -1 | 1): Draft {
  const { t, half, depth, eaves, scored } = frame;
  const corner = frame.sticks?.corner.y ?? 0;
  const id = sign < 0 ? 'side-left' : 'side-right';
  const thickness = sign < 0 ? t.left : t.right;
  const isSquare = plan.choices.sideTops === 'square';
  const top = slopeAt(frame, half + thickness);
  const across =
    sign < 0 ? between('x', -half - thickness, -half) : between('x', half, half + thickness);
  const spaces = [
    ...across,
    ...(plan.choices.walls === 'over'
      ? between('y', 0, depth)
      : between('y', -t.front, depth + t.back)),
    atLeast('z', 0),
    isSquare ? atMost('z', top) : underSlope(sign, frame),
  ];
  const point = (toFrame: ToFrame) => (u: number, z: number) =>
    toFrame([sign * half, depth / 2 + u * (depth / 2 - corner), z]);
  return {
    ...UPRIGHT,
    id,
    role: id,
    thickness,
    solid: wood(solidInside(spaces), id),
    outsideNormal: [sign, 0, 0],
    inside: roughInside(plan),
    features: (toFrame) =>
      scored
        ? roostScores(
            plan.sizes,
            point(toFrame),
            [0, isSquare ? Math.min(top, eaves) : eaves],
            'inside',
          )
        : [],
  };
}

/** The four faces of the post, and the wall of the tube over each. */
const FACES = [
  { face: 'front', wall: 'front', facing: [0, -1, 0] },
  { face: 'back', wall: 'back', facing: [0, 1, 0] },
  { face: 'left', wall: 'side-left', facing: [-1, 0, 0] },
  { face: 'right', wall: 'side-right', facing: [1, 0, 0] },
] as const;

export interface SpacerDraft {
  draft: Draft;
  wall: string;
}

/** Where a spacer lies on its face: along y on front and back, along x on the sides. */
function spacerSpaces(frame: PoleFrame, face: (typeof FACES)[number]['face']): HalfSpace[] {
  const { half, depth, spacer } = frame;
  const acrossX = between('x', -spacer.wide / 2, spacer.wide / 2);
  const acrossY = between('y', (depth - spacer.wide) / 2, (depth + spacer.wide) / 2);
  switch (face) {
    case 'front':
      return [...between('y', 0, spacer.thick), ...acrossX];
    case 'back':
      return [...between('y', depth - spacer.thick, depth), ...acrossX];
    case 'left':
      return [...between('x', -half, -half + spacer.thick), ...acrossY];
    case 'right':
      return [...between('x', half - spacer.thick, half), ...acrossY];
  }
}

/** Spacers on the four faces of the post, in two rows. */
export const spacers = (frame: PoleFrame): SpacerDraft[] =>
  frame.levels.flatMap((z) =>
    FACES.map(({ face, wall, facing }) => ({
      wall,
      draft: {
        id: `spacer-${face}-${z}`,
        group: 'spacer',
        role: 'spacer',
        thickness: frame.spacer.thick,
        solid: wood(
          solidInside([...spacerSpaces(frame, face), ...between('z', z, z + SPACER.long)]),
          'spacer',
        ),
        outsideNormal: facing,
        grainDirection: [0, 0, 1],
        grain: 'along',
        inside: 'any',
        knots: 'sound',
      },
    })),
  );

/** Notches in the post that take one row of spacers. */
function notches(frame: PoleFrame, depth: number, z: number, toFrame: ToFrame): Feature[] {
  const { post, spacer, crevice } = frame;
  const [front, back] = [crevice, crevice + post.y];
  const middle = z + SPACER.long / 2;
  const common = { kind: 'groove', purpose: 'notch', width: SPACER.long } as const;
  const faces = [
    ['outside', front],
    ['inside', back],
  ] as const;
  return [
    ...faces.map(
      ([face, y]): Feature => ({
        ...common,
        from: toFrame([spacer.wide / 2, y, middle]),
        to: toFrame([-spacer.wide / 2, y, middle]),
        face,
        depth,
      }),
    ),
    // On the two other faces the notch is sawn right across the post's edge.
    ...[-1, 1].map(
      (sign): Feature => ({
        ...common,
        from: toFrame([(sign * post.x) / 2, front, middle]),
        to: toFrame([sign * (post.x / 2 - depth), front, middle]),
        face: 'outside',
        depth: post.y,
      }),
    ),
  ];
}

/** Roosting niches in the front and the back of the post, staggered, between the spacers and clear of them. */
function nichesOf({ sizes, choices }: PolePlan, frame: PoleFrame, toFrame: ToFrame): Feature[] {
  if (choices.niches !== 'niches') return [];
  const { post, crevice, levels, eaves } = frame;
  const { nicheDeep: depth, nicheLong: long } = sizes;
  const found: Feature[] = [];
  // Between the tube's lower edge, the rows of spacers and the eaves.
  const ends = [0, ...levels.flatMap((z) => [z, z + SPACER.long]), eaves];
  const gaps = ends.flatMap((from, index) =>
    index % 2 === 0 ? [[from, at(ends, index + 1)]] : [],
  );
  const lows = gaps.flatMap(([from = 0, to = 0]) => {
    const room = to - from - long - 2 * AROUND_NICHE;
    const count = room < 0 ? 0 : 1 + Math.floor(room / (long / 2 + AROUND_NICHE));
    return Array.from(
      { length: count },
      (_, index) => from + AROUND_NICHE + index * (long / 2 + AROUND_NICHE),
    );
  });
  for (const low of lows) {
    const face = found.length % 2 === 0 ? 'outside' : 'inside';
    const y = face === 'outside' ? crevice : crevice + post.y;
    const middle = low + long / 2;
    found.push({
      kind: 'groove',
      purpose: 'niche',
      from: toFrame([post.x / 2, y, middle]),
      to: toFrame([-post.x / 2, y, middle]),
      face,
      width: long,
      depth,
    });
  }
  return found;
}

/** The post's two slopes: the roof's, or a point of its own with its tip under the ridge. */
function postTop({ sizes, choices }: PolePlan, frame: PoleFrame): HalfSpace[] {
  if (choices.postTop === 'roof') return underRidge(frame);
  return underRidge({ apex: frame.apex, pitch: atan2(sizes.postPoint, frame.post.x / 2) });
}

export function post(plan: PolePlan, frame: PoleFrame): Draft {
  const { sizes } = plan;
  const { crevice, eaves, scored } = frame;
  const { x, y } = frame.post;
  const spaces = [
    ...between('x', -x / 2, x / 2),
    ...between('y', crevice, crevice + y),
    atLeast('z', -sizes.postBelow),
    ...postTop(plan, frame),
  ];
  const shoulders = Math.min(eaves, frame.apex - sizes.postPoint);
  const scoredTo = plan.choices.postTop === 'point' ? shoulders : eaves;
  return {
    ...UPRIGHT,
    id: 'post',
    role: 'post',
    thickness: y,
    solid: wood(solidInside(spaces), 'post'),
    outsideNormal: [0, -1, 0],
    inside: 'any',
    features: (toFrame) => [
      ...(sizes.notch > 0
        ? frame.levels.flatMap((z) => notches(frame, sizes.notch, z, toFrame))
        : []),
      ...nichesOf(plan, frame, toFrame),
      ...(scored
        ? roostScores(sizes, (u, z) => toFrame([(u * x) / 2, crevice, z]), [0, scoredTo], 'outside')
        : []),
    ],
  };
}
