import { cos, sin, tan } from '../../measure/index.js';
import { type Draft, type JointDraft, wood } from '../../panels/index.js';
import { oneOf } from '../../plan/index.js';
import {
  atLeast,
  atMost,
  behind,
  between,
  dot,
  type HalfSpace,
  negate,
  solidInside,
  type Vec3,
} from '../../solid/index.js';

export const RIDGE = oneOf(
  'Ridge',
  [
    [
      'lapped',
      'one laps the other',
      'One slope covers the other’s upper edge: easier to keep dry, and the tilt is small.',
    ],
    ['mitred', 'mitred', 'Both upper edges are tilted alike and meet in the middle.'],
  ],
  { picture: 'front' },
);

/** Two slopes that meet over x = 0 at `apex`, each `pitch` degrees from level. Lengths in ticks. */
export interface Ridge {
  apex: number;
  pitch: number;
  /** Level distance from the ridge to each eave, measured on the underside. */
  eaves: number;
  from: number;
  to: number;
  thickness: { left: number; right: number };
  lapped: boolean;
}

const upOf = (side: -1 | 1, pitch: number): Vec3 => [side * sin(pitch), 0, cos(pitch)];

/** Under the slope on one side, `drop` lower (upright). */
export const underSlope = (
  side: -1 | 1,
  { apex, pitch }: Pick<Ridge, 'apex' | 'pitch'>,
  drop = 0,
): HalfSpace => behind(upOf(side, pitch), [0, 0, apex - drop]);

/** Under both slopes. */
export const underRidge = (ridge: Pick<Ridge, 'apex' | 'pitch'>, drop = 0): HalfSpace[] => [
  underSlope(-1, ridge, drop),
  underSlope(1, ridge, drop),
];

/** Height of the underside over x. */
export const slopeAt = ({ apex, pitch }: Pick<Ridge, 'apex' | 'pitch'>, x: number): number =>
  apex - Math.abs(x) * tan(pitch);

/** The two roof panels and the joint at their ridge. */
export function ridgeRoof(ridge: Ridge): { drafts: Draft[]; joints: JointDraft[] } {
  const { pitch, eaves, from, to, thickness, lapped } = ridge;
  const under = (side: -1 | 1) => underSlope(side, ridge);
  const over = (side: -1 | 1): HalfSpace => ({
    normal: upOf(side, pitch),
    offset: under(side).offset + (side < 0 ? thickness.left : thickness.right),
  });
  const slab = (side: -1 | 1): Draft => {
    const id = side < 0 ? 'roof-left' : 'roof-right';
    const down: Vec3 = [side * cos(pitch), 0, -sin(pitch)];
    const mitre = side < 0 ? atMost('x', 0) : atLeast('x', 0);
    const lap = side < 0 ? over(1) : under(-1);
    return {
      id,
      role: id,
      thickness: side < 0 ? thickness.left : thickness.right,
      solid: wood(
        solidInside([
          { normal: negate(under(side).normal), offset: -under(side).offset },
          over(side),
          lapped ? lap : mitre,
          { normal: down, offset: dot(down, [side * eaves, 0, slopeAt(ridge, eaves)]) },
          ...between('y', from, to),
        ]),
        id,
      ),
      outsideNormal: upOf(side, pitch),
      grainDirection: [0, 1, 0],
      grain: 'along',
      inside: 'any',
      knots: 'none',
    };
  };
  return {
    drafts: [slab(-1), slab(1)],
    joints: [{ between: ['roof-left', 'roof-right'], kind: 'butt' }],
  };
}
