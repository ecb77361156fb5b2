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
  'gap-back': ['gap-back', 'a gap at the back', 'The floor is short at the back only.'],
} as const;
const { clipped, holes, 'four-holes': four, gap, 'gap-back': gapBack } = DRAINS;

export const DRAIN = oneOf('Drains', [clipped, holes, four, gap, gapBack], { picture: 'plan' });
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

/** A floor between walls at x ± half and from `front` to `back` in y, its upper face at `top` or z = 0. */
interface FloorRoom {
  half: number;
  front: number;
  back: number;
  top?: number;
  /** How far it stays clear of the walls: of one that swings, or of all where it lies loose. */
  play?: Readonly<Partial<Record<'left' | 'right' | 'front' | 'back', Ticks>>>;
}

/** Where a floor may lie: the room less its play. */
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
  back: back - (play.back ?? 0),
});

/** The play at the walls, open at the level of the floor's upper face. */
const playOpenings = ({ half, front, back, top = 0 }: FloorRoom, area: FloorArea): Opening[] =>
  [
    [-half, area.left, front, back],
    [area.right, half, front, back],
    [-half, half, front, area.front],
    [-half, half, area.back, back],
  ].flatMap(([left = 0, right = 0, from = 0, to = 0]): Opening[] =>
    right - left < 1 || to - from < 1
      ? []
      : [
          {
            kind: 'play',
            polygon: [
              [left, from, top],
              [right, from, top],
              [right, to, top],
              [left, to, top],
            ],
          },
        ],
  );

export interface Floor {
  spaces: HalfSpace[];
  features: (toFrame: (point: Vec3) => Point) => Feature[];
  openings: Opening[];
  /** Whether it reaches the front, and the back. */
  meetsFront: boolean;
  meetsBack: boolean;
}

type Corner = readonly [x: number, y: number, sx: number, sy: number];

/** The four corners of a floor, each with the way it points out. */
const cornersOf = ({ left, right, front, back }: FloorArea): Corner[] =>
  [-1, 1].flatMap((sx) =>
    [-1, 1].map((sy): Corner => [sx < 0 ? left : right, sy > 0 ? back : front, sx, sy]),
  );

/** Middles of drain holes, `inset` from the walls. */
function drainHoles(
  plan: DrainPlan,
  area: FloorArea,
  { inset, top }: { inset: number; top: number },
): Vec3[] {
  const { floor } = plan.choices;
  if (floor !== 'holes' && floor !== 'four-holes') return [];
  const { left, right, front, back } = area;
  const inner: Vec3[] = [
    [left + inset, front + inset, top],
    [right - inset, front + inset, top],
    [left + inset, back - inset, top],
    [right - inset, back - inset, top],
  ];
  return floor === 'holes' ? [...inner, [0, (front + back) / 2, top]] : inner;
}

/** The triangle that a clipped corner leaves open. */
const clippedOpening = ([x, y, sx, sy]: Corner, drain: number, top: number): Opening => ({
  kind: 'drain',
  polygon: [
    [x, y, top],
    [x - sx * drain, y, top],
    [x, y - sy * drain, top],
  ],
});

const gapOpening = (
  { left, right }: FloorArea,
  [from, to]: readonly [number, number],
  top: number,
): Opening => ({
  kind: 'drain',
  polygon: [
    [left, from, top],
    [right, from, top],
    [right, to, top],
    [left, to, top],
  ],
});

/** Where the floor is short, so that water runs off it: a gap is wider than the play, which is part of it then. */
function gapsOf({ sizes, choices }: DrainPlan, room: FloorRoom, area: FloorArea) {
  const atBack = choices.floor === 'gap' || choices.floor === 'gap-back';
  const atFront = choices.floor === 'gap';
  const from = atFront ? Math.max(area.front, room.front + sizes.drainSize) : area.front;
  const to = atBack ? Math.min(area.back, room.back - sizes.drainSize) : area.back;
  const { top = 0 } = room;
  return {
    from,
    to,
    openings: [
      ...(atFront ? [gapOpening(area, [room.front, from], top)] : []),
      ...(atBack ? [gapOpening(area, [to, room.back], top)] : []),
    ],
    // What a gap takes up is no play any more.
    left: {
      ...area,
      ...(atFront && { front: room.front }),
      ...(atBack && { back: room.back }),
    },
  };
}

/** How far the middles of drain holes lie from the walls, where they keep `clear` of them. */
export const drainInset = (drain: Ticks, clear: number): number =>
  clear + Math.max(drain, fromMm(12)) + fromMm(6);

/** Half-spaces, holes and drains of a floor of the given thickness; holes keep `clear` of the walls. */
export function floorIn(plan: DrainPlan, room: FloorRoom, thickness: Ticks, clear = 0): Floor {
  const area = areaIn(room);
  const { left, right, front, back } = area;
  const { top = 0 } = room;
  const drain = plan.sizes.drainSize;
  const corners = plan.choices.floor === 'clipped' ? cornersOf(area) : [];
  const bored = drainHoles(plan, area, { inset: drainInset(drain, clear), top });
  const gaps = gapsOf(plan, room, area);
  return {
    spaces: [
      ...between('x', left, right),
      ...between('y', gaps.from, gaps.to),
      ...between('z', top - thickness, top),
      ...corners.map(([x, y, sx, sy]) => behind([sx, sy, 0], [x - sx * drain, y, 0])),
    ],
    features: (toFrame) => roundHoles('drain', bored, drain, toFrame),
    openings: [
      ...roundOpenings('drain', bored, drain, LEVEL),
      ...corners.map((corner) => clippedOpening(corner, drain, top)),
      ...gaps.openings,
      ...playOpenings(room, gaps.left),
    ],
    meetsFront: gaps.from <= room.front && front <= room.front,
    meetsBack: gaps.to >= room.back && back >= room.back,
  };
}

/** The floor as a panel: its outside looks down, and it may be turned on its board. */
export const floorDraft = (floor: Floor, thickness: Ticks, id = 'floor'): Draft => ({
  id,
  role: id,
  thickness,
  solid: wood(solidInside(floor.spaces), id),
  outsideNormal: [0, 0, -1],
  grainDirection: [0, 1, 0],
  grain: 'any',
  inside: 'any',
  knots: 'sound',
  features: floor.features,
});
