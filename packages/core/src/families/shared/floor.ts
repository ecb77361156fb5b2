import { fromMm, type Ticks } from '../../measure/index.js';
import { type Draft, type Feature, type Opening, rim, wood } from '../../panels/index.js';
import { type BoxPlan, length, type Parameter, type School, school } from '../../plan/index.js';
import type { Point } from '../../plane/index.js';
import { behind, between, type HalfSpace, solidInside, type Vec3 } from '../../solid/index.js';

export const FLOOR_SCHOOLS: readonly School[] = [
  school(
    'floor',
    'Drains',
    [
      ['clipped', 'clipped corners', 'Four cuts at 45°, nothing to clog.'],
      ['holes', 'five holes', 'One near each corner and one in the middle, as on a die.'],
      ['four-holes', 'four holes', 'One near each corner.'],
      ['gap', 'a gap', 'The floor is short at front and back.'],
    ],
    { picture: 'plan' },
  ),
  school(
    'floorAt',
    'Floor',
    [
      ['recessed', 'up inside', 'A little up inside the walls, so that its end grain stays dry.'],
      ['flush', 'flush', 'Level with the walls’ lower edges: simpler, and wetter.'],
    ],
    { picture: 'section' },
  ),
];

export const FLOOR_PARAMETERS: readonly Parameter[] = [
  length(
    'floorRecess',
    'Floor up inside the walls',
    0,
    60,
    9.5,
    'So that its end grain stays dry.',
    (s) => s.floorAt !== 'flush',
  ),
  length(
    'drainSize',
    'Drain',
    4,
    40,
    12.7,
    'Leg of a clipped corner, diameter of a hole, or width of a gap.',
  ),
];

/** A floor between walls at x ± half and from `front` to `back` in y, its upper face at z = 0. */
export interface FloorRoom {
  half: number;
  front: number;
  back: number;
}

export interface Floor {
  spaces: HalfSpace[];
  features: (toFrame: (point: Vec3) => Point) => Feature[];
  openings: Opening[];
  /** Whether it touches front and back. */
  meetsEnds: boolean;
}

/** Half-spaces, holes and drains of a floor of the given thickness whose upper face lies at `z`; holes keep `clear` of the walls. */
export function floorIn(plan: BoxPlan, room: FloorRoom, thickness: Ticks, z = 0, clear = 0): Floor {
  const { half, front, back } = room;
  const drain = plan.sizes.drainSize ?? 0;
  const way = plan.schools.floor ?? 'clipped';
  const short = way === 'gap' ? drain : 0;
  const corners =
    way === 'clipped' ? [-1, 1].flatMap((sx) => [-1, 1].map((sy) => [sx, sy] as const)) : [];
  const inset = clear + Math.max(drain, fromMm(12)) + fromMm(6);
  const four: Vec3[] = [
    [-half + inset, front + inset, z],
    [half - inset, front + inset, z],
    [-half + inset, back - inset, z],
    [half - inset, back - inset, z],
  ];
  const holes: Vec3[] =
    way === 'holes' ? [...four, [0, (front + back) / 2, z]] : way === 'four-holes' ? four : [];
  return {
    spaces: [
      ...between('x', -half, half),
      ...between('y', front + short, back - short),
      ...between('z', z - thickness, z),
      ...corners.map(([sx, sy]) =>
        behind([sx, sy, 0], [sx * (half - drain), sy > 0 ? back : front, z]),
      ),
    ],
    features: (toFrame) =>
      holes.map((hole) => ({
        kind: 'drain',
        shape: 'round',
        centre: toFrame(hole),
        diameter: drain,
        depth: 'through',
      })),
    openings: [
      ...holes.map(
        (hole): Opening => ({
          kind: 'drain',
          polygon: rim('round', hole, [1, 0, 0], [0, 1, 0], drain, drain),
        }),
      ),
      ...corners.map(([sx, sy]): Opening => {
        const [x, y] = [sx * half, sy > 0 ? back : front];
        return {
          kind: 'drain',
          polygon: [
            [x, y, z],
            [x - sx * drain, y, z],
            [x, y - sy * drain, z],
          ],
        };
      }),
      ...(way === 'gap'
        ? [[front, front + drain] as const, [back - drain, back] as const].map(
            ([from, to]): Opening => ({
              kind: 'drain',
              polygon: [
                [-half, from, z],
                [half, from, z],
                [half, to, z],
                [-half, to, z],
              ],
            }),
          )
        : []),
    ],
    meetsEnds: way !== 'gap',
  };
}

/** The floor as a panel: its outside looks down, and it may be turned on its board. */
export const floorDraft = (floor: Floor, thickness: Ticks): Draft => ({
  id: 'floor',
  role: 'floor',
  thickness,
  solid: wood(solidInside(floor.spaces), 'floor'),
  outsideNormal: [0, 0, -1],
  grainDirection: [0, 1, 0],
  grain: 'any',
  inside: 'any',
  knots: 'sound',
  features: floor.features,
});
