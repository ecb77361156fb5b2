import { cos, sin } from '../../measure/index.js';
import { type Draft, type JointDraft, meet, wood } from '../../panels/index.js';
import { atLeast, behind, between, solidInside, type Vec3 } from '../../solid/index.js';
import { NO_PARTS, type Parts } from '../common/grip.js';
import { slopeAt, underSlope } from '../common/ridge.js';
import type { PoleFrame } from './frame.js';

type Sign = -1 | 1;
const SIGNS: readonly Sign[] = [-1, 1];
type Gable = 'front' | 'back';
const GABLES: readonly Gable[] = ['front', 'back'];

const STICK = { grain: 'along', inside: 'any', knots: 'sound' } as const;

/** From a gable's inner face so far into the crevice. */
const offGable = (gable: Gable, depth: number, thick: number) =>
  gable === 'front' ? between('y', 0, thick) : between('y', depth - thick, depth);

const facing = (gable: Gable): Vec3 => [0, gable === 'front' ? -1 : 1, 0];

/** A stick in one corner of the crevice, from below up to the roof or the side's upper edge. */
function corner(frame: PoleFrame, size: { x: number; y: number }, gable: Gable, sign: Sign): Draft {
  const { half, depth } = frame;
  const id = `corner-${gable}-${sign < 0 ? 'left' : 'right'}`;
  const across = sign < 0 ? between('x', -half, -half + size.x) : between('x', half - size.x, half);
  return {
    ...STICK,
    id,
    group: 'corner',
    role: 'corner',
    thickness: size.y,
    solid: wood(
      solidInside([
        ...across,
        ...offGable(gable, depth, size.y),
        atLeast('z', 0),
        underSlope(sign, frame),
      ]),
      id,
    ),
    outsideNormal: facing(gable),
    grainDirection: [0, 0, 1],
  };
}

/** A stick along a gable under one slope, from the ridge down to the corner's stick. */
function rafter(
  frame: PoleFrame,
  { thick, high, to }: { thick: number; high: number; to: number },
  gable: Gable,
  sign: Sign,
): Draft {
  const { pitch, depth } = frame;
  const id = `rafter-${gable}-${sign < 0 ? 'left' : 'right'}`;
  const up: Vec3 = [sign * sin(pitch), 0, cos(pitch)];
  const under: Vec3 = [-up[0], 0, -up[2]];
  const top: Vec3 = [0, 0, slopeAt(frame, 0)];
  return {
    ...STICK,
    id,
    group: 'rafter',
    role: 'rafter',
    thickness: thick,
    solid: wood(
      solidInside([
        ...(sign < 0 ? between('x', -to, 0) : between('x', 0, to)),
        ...offGable(gable, depth, thick),
        underSlope(sign, frame),
        behind(under, [top[0] - up[0] * high, 0, top[2] - up[2] * high]),
      ]),
      id,
    ),
    outsideNormal: facing(gable),
    grainDirection: [-sign * cos(pitch), 0, sin(pitch)],
  };
}

/** Sticks in the corners and under the roof that take all screws, so that none goes into an edge of sheet. */
export function cornerSticks(frame: PoleFrame): Parts {
  const { sticks, half } = frame;
  if (!sticks) return NO_PARTS;
  const { corner: post, rafter: bar } = sticks;
  const parts = GABLES.flatMap((gable) =>
    SIGNS.map((sign) => {
      const side = sign < 0 ? 'side-left' : 'side-right';
      const roof = sign < 0 ? 'roof-left' : 'roof-right';
      const upright = corner(frame, post, gable, sign);
      const under = rafter(frame, { ...bar, to: half - post.x }, gable, sign);
      const joints: JointDraft[] = [
        ...meet(gable, upright.id),
        ...meet(side, upright.id),
        ...meet(gable, under.id),
        ...meet(roof, under.id),
        ...meet(roof, upright.id, 'loose'),
      ];
      return { drafts: [upright, under], joints };
    }),
  );
  return {
    drafts: parts.flatMap(({ drafts }) => drafts),
    joints: parts.flatMap(({ joints }) => joints),
  };
}
