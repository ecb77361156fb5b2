import { fromMm, type Ticks, tan } from '../../measure/index.js';
import { type Entrance, entranceOf, recessOf, sillOf } from '../../plan/index.js';
import type { HalfSpace, Vec3 } from '../../solid/index.js';
import type { GripWall } from '../common/grip.js';
import { underSlopedRoof } from '../common/sloped-roof.js';
import type { OwlPlan, ROLES } from './declared.js';

/** Both measures of a stick's cross-section; 0 where its board's width is not known. */
export interface Stick {
  thick: Ticks;
  wide: Ticks;
}

export const stickOf = ({ wood }: OwlPlan, role: keyof typeof ROLES): Stick => ({
  thick: wood[role].thickness,
  wide: wood[role].width ?? 0,
});

const NO_STICK: Stick = { thick: 0, wide: 0 };

/** What an owl box is cut by. Lengths in ticks, angle in degrees. */
export interface OwlFrame {
  t: Readonly<Record<'front' | 'back' | 'left' | 'right' | 'floor' | 'roof', Ticks>>;
  width: Ticks;
  depth: Ticks;
  half: number;
  slope: number;
  bottom: number;
  /** Whether front and back cover the edges of the sides; else the sides cover theirs. */
  over: boolean;
  /** Whether corner posts carry the sheets; else rings of battens. */
  posts: boolean;
  post: Stick;
  batten: Stick;
  lidBatten: Stick | null;
  vent: Ticks;
  entrance: Entrance;
  sill: Ticks;
  flap: { from: Ticks; to: Ticks } | null;
  /** How far the frame or the lid's battens hang down from the lid along the sides. */
  hanging: Ticks;
  roofAt: (y: number) => number;
  underLid: (drop?: number) => HalfSpace;
}

/** Room for a hand round the lid's battens. Common practice, no source. */
export const PLAY = fromMm(2);

export function frameOf(plan: OwlPlan): OwlFrame {
  const { sizes, choices, angles, wood } = plan;
  const { slope } = angles;
  const t = {
    front: wood.front.thickness,
    back: wood.back.thickness,
    left: wood['side-left'].thickness,
    right: wood['side-right'].thickness,
    floor: wood.floor.thickness,
    roof: wood.roof.thickness,
  };
  const posts = choices.frame === 'posts';
  const batten = posts ? NO_STICK : stickOf(plan, 'batten');
  const lidBatten = choices.lid === 'lift-off' ? stickOf(plan, 'lid-batten') : null;
  const entrance = entranceOf(plan);
  const roofAt = (y: number): number => sizes.frontHeight + y * tan(slope);
  return {
    t,
    width: sizes.width,
    depth: sizes.depth,
    half: sizes.width / 2,
    slope,
    bottom: -(recessOf(plan) + t.floor),
    over: choices.walls === 'over',
    posts,
    post: posts ? stickOf(plan, 'post') : NO_STICK,
    batten,
    lidBatten,
    vent: choices.vents === 'gap-sides' ? sizes.ventSize : 0,
    entrance,
    sill: sillOf(entrance),
    flap:
      choices.access === 'flap'
        ? { from: sizes.flapFrom, to: sizes.flapFrom + sizes.flapHigh }
        : null,
    hanging: Math.max(batten.wide, lidBatten?.wide ?? 0),
    roofAt,
    underLid: (drop = 0) => underSlopedRoof({ slope, at: roofAt }, drop),
  };
}

/** The inside of the front below the entrance, between the posts or over the lower battens. */
export const gripWallOf = ({ posts, half, post, batten, sill }: OwlFrame): GripWall => ({
  panel: 'front',
  x: 0,
  half: half - (posts ? post.wide : batten.wide),
  y: 0,
  floor: posts ? 0 : batten.wide,
  sill: posts ? sill : sill - batten.wide,
});

/** Middles of the vent holes high in both sides, under what hangs from the lid. */
export function ventsOf({ sizes, choices }: OwlPlan, frame: OwlFrame): Vec3[] {
  if (choices.vents !== 'holes') return [];
  const { half, depth, roofAt, hanging } = frame;
  const drop = hanging + sizes.ventSize / 2 + fromMm(10);
  return [-1, 1].flatMap((sign) =>
    [0.35, 0.65].map((share): Vec3 => [sign * half, depth * share, roofAt(depth * share) - drop]),
  );
}
