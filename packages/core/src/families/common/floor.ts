import { fromMm, type Ticks } from '../../measure/index.js';
import { type Draft, type Feature, type Opening, wood } from '../../panels/index.js';
import { length, oneOf } from '../../plan/index.js';
import type { Point } from '../../plane/index.js';
import { behind, between, type HalfSpace, solidInside, type Vec3 } from '../../solid/index.js';
import { LEVEL, roundHoles, roundOpenings } from './holes.js';

export const DRAINS = {
  clipped: ['clipped', 'clipped corners', 'Four cuts at 45°, nothing to clog.'],
  holes: ['holes', 'five holes', 'One near each corner and one in the middle, as on a die.'],
  'four-holes': ['four-holes', 'four holes', 'One near each corner.'],
  gap: ['gap', 'a gap', 'The floor is short at front and back.'],
} as const;
const { clipped, holes, 'four-holes': four, gap } = DRAINS;

export const DRAIN = oneOf('Drains', [clipped, holes, four, gap], { picture: 'plan' });
/** For floors whose corners stay. */
export const DRAIN_NOT_CLIPPED = oneOf('Drains', [holes, four, gap], { picture: 'plan' });

export const FLOOR_AT = oneOf(
  'Floor',
  [
    ['recessed', 'up inside', 'A little up inside the walls, so that its end grain stays dry.'],
    ['flush', 'flush', 'Level with the walls’ lower edges: simpler, and wetter.'],
  ],
  { picture: 'section' },
);

export const FLOOR_SIZES = {
  floorRecess: length(
    'Floor up inside the walls',
    0,
    60,
    9.5,
    'So that its end grain stays dry.',
    (s) => s.floorAt !== 'flush',
  ),
  drainSize: length(
    'Drain',
    4,
    40,
    12.7,
    'Leg of a clipped corner, diameter of a hole, or width of a gap.',
  ),
};

/** What of a plan says how a floor drains. */
interface DrainPlan {
  sizes: Readonly<Record<'drainSize', Ticks>>;
  choices: { readonly floor: keyof typeof DRAINS };
}

/** A floor between walls at x ± half and from `front` to `back` in y, its upper face at z = 0. */
interface FloorRoom {
  half: number;
  front: number;
  back: number;
  /** How far the floor stays clear of a wall that swings. */
  play?: Readonly<Partial<Record<'left' | 'right' | 'front', Ticks>>>;
}

/** Where a floor may lie: the room less the play of a wall that swings. */
interface FloorArea {
  left: number;
  right: number;
  front: number;
  back: number;
}

const areaIn = ({ half, front, back, play = {} }: FloorRoom): FloorArea => ({
  left: -half + (play.left ?? 0),
  right: half - (play.right ?? 0),
  front: front + (play.front ?? 0),
  back,
});

/** The play of a wall that swings, open at the level of the floor's upper face. */
const playOpenings = ({ half, front, back }: FloorRoom, area: FloorArea): Opening[] =>
  [
    [-half, area.left, front, back],
    [area.right, half, front, back],
    [-half, half, front, area.front],
  ].flatMap(([left = 0, right = 0, from = 0, to = 0]): Opening[] =>
    right - left < 1 || to - from < 1
      ? []
      : [
          {
            kind: 'play',
            polygon: [
              [left, from, 0],
              [right, from, 0],
              [right, to, 0],
              [left, to, 0],
            ],
          },
        ],
  );

export interface Floor {
  spaces: HalfSpace[];
  features: (toFrame: (point: Vec3) => Point) => Feature[];
  openings: Opening[];
  /** Whether it touches front and back. */
  meetsEnds: boolean;
}

type Corner = readonly [x: number, y: number, sx: number, sy: number];

/** The four corners of a floor, each with the way it points out. */
const cornersOf = ({ left, right, front, back }: FloorArea): Corner[] =>
  [-1, 1].flatMap((sx) =>
    [-1, 1].map((sy): Corner => [sx < 0 ? left : right, sy > 0 ? back : front, sx, sy]),
  );

/** Middles of drain holes, `inset` from the walls. */
function drainHoles(plan: DrainPlan, area: FloorArea, inset: number): Vec3[] {
  const { floor } = plan.choices;
  if (floor !== 'holes' && floor !== 'four-holes') return [];
  const { left, right, front, back } = area;
  const inner: Vec3[] = [
    [left + inset, front + inset, 0],
    [right - inset, front + inset, 0],
    [left + inset, back - inset, 0],
    [right - inset, back - inset, 0],
  ];
  return floor === 'holes' ? [...inner, [0, (front + back) / 2, 0]] : inner;
}

/** The triangle that a clipped corner leaves open. */
const clippedOpening = ([x, y, sx, sy]: Corner, drain: number): Opening => ({
  kind: 'drain',
  polygon: [
    [x, y, 0],
    [x - sx * drain, y, 0],
    [x, y - sy * drain, 0],
  ],
});

const gapOpening = ({ left, right }: FloorArea, from: number, to: number): Opening => ({
  kind: 'drain',
  polygon: [
    [left, from, 0],
    [right, from, 0],
    [right, to, 0],
    [left, to, 0],
  ],
});

/** Half-spaces, holes and drains of a floor of the given thickness; holes keep `clear` of the walls. */
export function floorIn(plan: DrainPlan, room: FloorRoom, thickness: Ticks, clear = 0): Floor {
  const area = areaIn(room);
  const { left, right, front, back } = area;
  const drain = plan.sizes.drainSize;
  const way = plan.choices.floor;
  const isShort = way === 'gap';
  const corners = way === 'clipped' ? cornersOf(area) : [];
  const bored = drainHoles(plan, area, clear + Math.max(drain, fromMm(12)) + fromMm(6));
  // A gap that drains is wider than the play, which is part of it then.
  const from = isShort ? Math.max(front, room.front + drain) : front;
  const to = isShort ? back - drain : back;
  const gaps = isShort ? [gapOpening(area, room.front, from), gapOpening(area, to, back)] : [];
  return {
    spaces: [
      ...between('x', left, right),
      ...between('y', from, to),
      ...between('z', -thickness, 0),
      ...corners.map(([x, y, sx, sy]) => behind([sx, sy, 0], [x - sx * drain, y, 0])),
    ],
    features: (toFrame) => roundHoles('drain', bored, drain, toFrame),
    openings: [
      ...roundOpenings('drain', bored, drain, LEVEL),
      ...corners.map((corner) => clippedOpening(corner, drain)),
      ...gaps,
      ...playOpenings(room, isShort ? { ...area, front: room.front } : area),
    ],
    meetsEnds: !isShort,
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
