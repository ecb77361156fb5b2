import { cos, sin } from '../../measure/index.js';
import { type Draft, type JointDraft, meet, wood } from '../../panels/index.js';
import {
  atLeast,
  atMost,
  behind,
  between,
  type HalfSpace,
  negate,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { NO_PARTS, type Parts } from '../common/grip.js';
import { alongSlope, upFrom } from '../common/sloped-roof.js';
import type { OwlPlan } from './declared.js';
import { type OwlFrame, PLAY } from './frame.js';
import { highestOfSide, lowestOfSide } from './walls.js';

const STICK = { grain: 'along', inside: 'any', knots: 'sound' } as const;

/** Not deeper under the lid than this, square to it. */
const downTo = ({ slope, underLid }: OwlFrame, deep: number): HalfSpace => ({
  normal: negate(upFrom(slope)),
  offset: -(underLid().offset - deep),
});

function cornerPost(frame: OwlFrame, sx: -1 | 1, rear: 0 | 1): Draft {
  const { half, depth, post, underLid } = frame;
  const spaces = [
    ...(sx < 0 ? between('x', -half, -half + post.wide) : between('x', half - post.wide, half)),
    ...(rear === 0 ? between('y', 0, post.thick) : between('y', depth - post.thick, depth)),
    atLeast('z', 0),
    underLid(),
  ];
  return {
    ...STICK,
    id: `post${sx}${rear}`,
    group: 'post',
    role: 'post',
    thickness: post.thick,
    solid: wood(solidInside(spaces), 'post'),
    outsideNormal: [0, rear === 0 ? -1 : 1, 0],
    grainDirection: [0, 0, 1],
  };
}

/** A square post in each corner. */
export function cornerPosts({ choices }: OwlPlan, frame: OwlFrame, right: readonly Draft[]): Parts {
  const corners = ([-1, 1] as const).flatMap((sx) =>
    ([0, 1] as const).map((rear) => ({ sx, rear, draft: cornerPost(frame, sx, rear) })),
  );
  return {
    drafts: corners.map(({ draft }) => draft),
    joints: corners.flatMap(({ sx, rear, draft: { id } }) => {
      const walls = sx < 0 ? ['side-left'] : right.map((piece) => piece.id);
      return [
        ...meet(id, rear === 0 ? 'front' : 'back'),
        ...walls.flatMap((wall) => meet(id, wall, wall === 'flap' ? 'loose' : 'butt')),
        ...meet(id, 'floor', 'butt', choices.floor !== 'gap'),
        ...meet(id, 'roof', choices.lid === 'screwed' ? 'screwed' : 'loose'),
      ];
    }),
  };
}

interface Bar {
  side: 'front' | 'back' | 'left' | 'right';
  normal: Vec3;
  spaces: HalfSpace[];
  grainDirection: Vec3;
}

/** The four battens of a ring: along front and back from side to side, along the sides between those. */
function barsOf(frame: OwlFrame, ring: 'low' | 'high'): Bar[] {
  const { half, depth, slope, batten, underLid, roofAt } = frame;
  const { thick: deep, wide: high } = batten;
  const level = between('z', 0, high);
  const low = ring === 'low';
  // Under the lid, the bars along front and back are bevelled on top only, and those along the sides lie in the slope.
  const under = (top: number) => (low ? level : [underLid(), atLeast('z', top - high)]);
  const inSlope = low ? level : [underLid(), downTo(frame, high)];
  const alongSide: Vec3 = low ? [0, 1, 0] : alongSlope(slope);
  const across = between('x', -half, half);
  const inner = between('y', deep, depth - deep);
  return [
    {
      side: 'front',
      normal: [0, -1, 0],
      spaces: [...across, ...between('y', 0, deep), ...under(roofAt(deep))],
      grainDirection: [1, 0, 0],
    },
    {
      side: 'back',
      normal: [0, 1, 0],
      spaces: [...across, ...between('y', depth - deep, depth), ...under(roofAt(depth))],
      grainDirection: [1, 0, 0],
    },
    {
      side: 'left',
      normal: [-1, 0, 0],
      spaces: [...between('x', -half, -half + deep), ...inner, ...inSlope],
      grainDirection: alongSide,
    },
    {
      side: 'right',
      normal: [1, 0, 0],
      spaces: [...between('x', half - deep, half), ...inner, ...inSlope],
      grainDirection: alongSide,
    },
  ];
}

/** A batten upright in a corner, from ring to ring: sheets are screwed to it from both sides. */
function upright(frame: OwlFrame, sx: -1 | 1, rear: 0 | 1): Draft {
  const { half, depth, batten, roofAt } = frame;
  const { thick: deep, wide } = batten;
  const top = roofAt(rear === 0 ? deep : depth) - wide;
  const spaces = [
    ...(sx < 0 ? between('x', -half, -half + wide) : between('x', half - wide, half)),
    ...(rear === 0 ? between('y', 0, deep) : between('y', depth - deep, depth)),
    ...between('z', wide, top),
  ];
  return {
    ...STICK,
    id: `upright${sx}${rear}`,
    group: 'upright',
    role: 'batten',
    thickness: deep,
    solid: wood(solidInside(spaces), 'upright'),
    outsideNormal: [0, rear === 0 ? -1 : 1, 0],
    grainDirection: [0, 0, 1],
  };
}

/** Pieces of the right side that an upright reaches along for more than a few millimetres. */
function alongUpright(frame: OwlFrame, right: readonly Draft[]): readonly Draft[] {
  const { flap, batten, roofAt } = frame;
  if (!flap) return right;
  const high = roofAt(0) - batten.wide;
  return right.filter(({ id }) => {
    if (id === 'flap') return true;
    return id === lowestOfSide(right) ? flap.from > batten.wide + PLAY : flap.to < high - PLAY;
  });
}

function uprights(frame: OwlFrame, right: readonly Draft[]): Parts {
  const corners = ([-1, 1] as const).flatMap((sx) =>
    ([0, 1] as const).map((rear) => ({ sx, rear, draft: upright(frame, sx, rear) })),
  );
  const pieces = alongUpright(frame, right).map(({ id }) => id);
  return {
    drafts: corners.map(({ draft }) => draft),
    joints: corners.flatMap(({ sx, rear, draft: { id } }) => [
      ...meet(id, rear === 0 ? 'front' : 'back'),
      ...(sx < 0 ? ['side-left'] : pieces).flatMap((wall) =>
        meet(id, wall, wall === 'flap' ? 'loose' : 'butt'),
      ),
    ]),
  };
}

/** A ring of battens on the floor and one under the lid, and one upright in each corner between them. */
export function battenRings({ choices }: OwlPlan, frame: OwlFrame, right: readonly Draft[]): Parts {
  const rings = (['low', 'high'] as const).map((ring): Parts => {
    const low = ring === 'low';
    const rightWall = low ? lowestOfSide(right) : highestOfSide(right);
    const walls = { front: 'front', back: 'back', left: 'side-left', right: rightWall };
    const bars = barsOf(frame, ring);
    const idOf = ({ side }: Bar) => `batten-${ring}-${side}`;
    return {
      drafts: bars.map((bar) => ({
        ...STICK,
        id: idOf(bar),
        group: 'batten',
        role: 'batten',
        thickness: frame.batten.thick,
        solid: wood(solidInside(bar.spaces), idOf(bar)),
        outsideNormal: bar.normal,
        grainDirection: bar.grainDirection,
      })),
      joints: bars.flatMap((bar): JointDraft[] => [
        ...meet(idOf(bar), walls[bar.side]),
        ...(low
          ? meet(idOf(bar), 'floor')
          : meet(idOf(bar), 'roof', choices.lid === 'screwed' ? 'screwed' : 'loose')),
      ]),
    };
  });
  const all = [...rings, uprights(frame, right)];
  return {
    drafts: all.flatMap(({ drafts }) => drafts),
    joints: all.flatMap(({ joints }) => joints),
  };
}

/** Two battens under the lid, inside the walls, leaning in so that the lid drops on. */
export function lidBattens({ angles }: OwlPlan, frame: OwlFrame): Parts {
  const { lidBatten, posts, post, batten, half, depth, slope, roofAt, underLid } = frame;
  if (!lidBatten) return NO_PARTS;
  const { thick: high, wide } = lidBatten;
  const { taper } = angles;
  const up = upFrom(slope);
  const frontEnd = (posts ? post.thick : batten.thick) + PLAY;
  const inset = (posts ? 0 : batten.thick) + PLAY;
  const drafts = [-1, 1].map((sx): Draft => {
    const lean: Vec3 = [sx * cos(taper), -sin(taper) * up[1], -sin(taper) * up[2]];
    const spaces = [
      ...between('y', frontEnd, depth - frontEnd),
      sx < 0 ? atMost('x', -half + inset + wide) : atLeast('x', half - inset - wide),
      behind(lean, [sx * (half - inset), 0, roofAt(0)]),
      underLid(),
      downTo(frame, high),
    ];
    return {
      ...STICK,
      id: `lid-batten${sx}`,
      group: sx < 0 ? 'lid-batten-left' : 'lid-batten-right',
      role: 'lid-batten',
      thickness: high,
      solid: wood(solidInside(spaces), 'lid-batten'),
      outsideNormal: up,
      grainDirection: alongSlope(slope),
    };
  });
  return { drafts, joints: drafts.flatMap(({ id }) => meet(id, 'roof')) };
}
