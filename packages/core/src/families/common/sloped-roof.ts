import { cos, sin, type Ticks } from '../../measure/index.js';
import { type Draft, wood } from '../../panels/index.js';
import {
  behind,
  between,
  type HalfSpace,
  negate,
  solidInside,
  type Vec3,
} from '../../solid/index.js';

/** A roof that climbs from front to back at `slope` degrees from level. Lengths in ticks of box space. */
export interface SlopedRoof {
  slope: number;
  /** Height of the underside over y. */
  at: (y: number) => number;
  across: readonly [left: number, right: number];
  /** Where the lower edge lies, level. */
  eaves: number;
  /** Where the upper edge lies, square to the slope; or a plane that ends it, as the back's face. */
  rear: number | HalfSpace;
  thickness: Ticks;
  grain: 'slope' | 'across';
}

/** Square to a roof of this slope, out of it; and up along it. */
export const upFrom = (slope: number): Vec3 => [0, -sin(slope), cos(slope)];
export const alongSlope = (slope: number): Vec3 => [0, cos(slope), sin(slope)];

/** Everything under the roof's underside, `drop` lower (upright). */
export const underSlopedRoof = (
  { slope, at }: Pick<SlopedRoof, 'slope' | 'at'>,
  drop = 0,
): HalfSpace => behind(upFrom(slope), [0, 0, at(0) - drop]);

/** The roof panel, its edges square to the slope but where a plane ends it. */
export function slopedRoof(roof: SlopedRoof, features?: Draft['features']): Draft {
  const { slope, at, across, eaves, rear, thickness, grain } = roof;
  const [up, along] = [upFrom(slope), alongSlope(slope)];
  const under = underSlopedRoof(roof);
  return {
    id: 'roof',
    role: 'roof',
    thickness,
    solid: wood(
      solidInside([
        ...between('x', ...across),
        { normal: negate(up), offset: -under.offset },
        { normal: up, offset: under.offset + thickness },
        behind(negate(along), [0, eaves, at(eaves)]),
        typeof rear === 'number' ? behind(along, [0, rear, at(rear)]) : rear,
      ]),
      'roof',
    ),
    outsideNormal: up,
    grainDirection: grain === 'across' ? [1, 0, 0] : along,
    grain: 'along',
    inside: 'any',
    knots: 'none',
    ...(features && { features }),
  };
}
