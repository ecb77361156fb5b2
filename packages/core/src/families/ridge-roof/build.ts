import {
  type Draft,
  type JointDraft,
  type JointKind,
  meet,
  type Opening,
} from '../../panels/index.js';
import { type Refusal, sillOf } from '../../plan/index.js';
import { atLeast, atMost, type Vec3 } from '../../solid/index.js';
import { entranceOpening } from '../common/entrance.js';
import { type Floor, floorDraft, floorIn } from '../common/floor.js';
import { ladder, type Parts } from '../common/grip.js';
import { ACROSS, roundOpenings } from '../common/holes.js';
import { uprightPlay } from '../common/play.js';
import { ridgeRoof, slopeAt, underSlope } from '../common/ridge.js';
import { type RoomFace, sticksBehind } from '../common/sheet-sticks.js';
import type { Cut } from '../define-family.js';
import type { RidgePlan } from './declared.js';
import { derive } from './derive.js';
import { frameOf, type RidgeFrame, ridgeFaults } from './frame.js';
import {
  backGable,
  brackets,
  cleats,
  frontGable,
  gripWallOf,
  shelf,
  side,
  triangles,
  ventsOf,
} from './panels.js';

const SIDES = ['side-left', 'side-right'] as const;
const SLOPES = ['roof-left', 'roof-right'] as const;

/** The wall that screws alone hold, so that it comes off. */
function comesOff({ choices }: RidgePlan): string | null {
  if (choices.access !== 'screwed') return null;
  if (choices.walls === 'over') return 'front';
  return choices.opensAt === 'left' ? 'side-left' : 'side-right';
}

interface Pieces {
  floor: Floor;
  cleats: readonly Draft[];
  shelf: readonly Draft[];
  brackets: readonly Draft[];
  triangles: readonly Draft[];
}

/** How each pair of neighbours is held: what swings is loose, what comes off is screwed. */
function jointsOf(plan: RidgePlan, frame: RidgeFrame, pieces: Pieces): JointDraft[] {
  const off = comesOff(plan);
  const swinging = frame.swing?.wall;
  const held = (...pair: string[]): JointKind => {
    if (pair.some((id) => id === swinging)) return 'loose';
    return pair.some((id) => id === off) ? 'screwed' : 'butt';
  };
  const roofed = (wall: string): JointKind =>
    plan.choices.access === 'lift-off' ? 'loose' : held('roof', wall);
  const onFloor = (wall: string): JointKind => (frame.cleat ? 'loose' : held('floor', wall));
  const { floor } = pieces;
  const { play } = frame;
  // A side with play touches nothing but its pivots.
  const touches = (side: string, apart: number) => side !== swinging || apart === 0;
  return [
    ...SIDES.flatMap((s, index) => [
      ...meet('front', s, held('front', s), touches(s, play.sides)),
      ...meet('back', s, held('back', s), touches(s, play.sides)),
      ...meet('floor', s, onFloor(s), touches(s, play.floor)),
      ...meet(SLOPES[index] ?? SLOPES[0], s, roofed(s), frame.gapOver(s) === 0),
    ]),
    ...meet('floor', 'front', onFloor('front'), floor.meetsFront),
    ...meet('floor', 'back', onFloor('back'), floor.meetsBack),
    ...['front', 'back'].flatMap((g) => SLOPES.flatMap((r) => meet(g, r, roofed(g)))),
    ...pieces.cleats.flatMap(({ id }, index) => {
      const wall = SIDES[index] ?? SIDES[0];
      return [
        ...meet(id, wall, wall === swinging ? 'loose' : 'butt', touches(wall, play.floor)),
        ...meet(id, 'floor', 'loose'),
      ];
    }),
    ...[...pieces.shelf, ...pieces.brackets].flatMap(({ id }) => meet(id, 'front', 'screwed')),
    ...pieces.brackets.flatMap(({ id }) => meet('shelf', id, 'screwed')),
    ...pieces.triangles.flatMap(({ id }, index) => [
      ...SLOPES.flatMap((slope) => meet(slope, id)),
      ...meet(id, index === 0 ? 'front' : 'back', 'loose'),
    ]),
  ];
}

/** The strip over a side that stops short of the roof. */
function overSide(frame: RidgeFrame, sign: -1 | 1): Opening[] {
  const gap = frame.gapOver(sign < 0 ? 'side-left' : 'side-right');
  if (gap === 0) return [];
  const { half, depth } = frame;
  const high = slopeAt(frame, half);
  const x = sign * half;
  const polygon: Vec3[] = [
    [x, 0, high - gap],
    [x, depth, high - gap],
    [x, depth, high],
    [x, 0, high],
  ];
  return [{ kind: 'vent-gap', polygon }];
}

/** The play at both edges of the side that swings. */
function playOpenings(frame: RidgeFrame): Opening[] {
  const { swing, play, half, depth, bottom } = frame;
  if (!swing || play.sides === 0) return [];
  const x = swing.wall === 'side-left' ? -half : half;
  const roofAt = () => slopeAt(frame, half);
  return [
    uprightPlay([x, 0], [x, play.sides], bottom, roofAt),
    uprightPlay([x, depth - play.sides], [x, depth], bottom, roofAt),
  ];
}

function roofOf({ sizes, choices, wood }: RidgePlan, frame: RidgeFrame) {
  const { half, t, depth, apex, pitch } = frame;
  return ridgeRoof({
    apex,
    pitch,
    eaves: half + Math.max(t.left, t.right) + sizes.overhangSide,
    from: -t.front - sizes.overhangFront,
    to: depth + t.back + sizes.overhangRear,
    thickness: { left: wood['roof-left'].thickness, right: wood['roof-right'].thickness },
    lapped: choices.ridge !== 'mitred',
  });
}

/** The flat sides of the room, in the order in which sticks lie against them. */
function roomFaces(frame: RidgeFrame): RoomFace[] {
  const { half, depth, gapOver } = frame;
  const under = (side: 'side-left' | 'side-right') =>
    underSlope(side === 'side-left' ? -1 : 1, frame, gapOver(side));
  return [
    { panel: 'front', inside: atLeast('y', 0) },
    { panel: 'back', inside: atMost('y', depth) },
    { panel: 'side-left', inside: atLeast('x', -half), within: [under('side-left')] },
    { panel: 'side-right', inside: atMost('x', half), within: [under('side-right')] },
    { panel: 'floor', inside: atLeast('z', 0) },
    { panel: 'roof-left', inside: underSlope(-1, frame) },
    { panel: 'roof-right', inside: underSlope(1, frame) },
  ];
}

/** How the panels are held: fastened into each other, or by battens behind their joints. */
const heldBy = (frame: RidgeFrame, joints: readonly JointDraft[]): Parts =>
  frame.sticks
    ? sticksBehind(joints, roomFaces(frame), frame.sticks)
    : { drafts: [], joints: [...joints] };

/** Cuts a box of gables and sides under two slopes out of space. */
export function build(plan: RidgePlan): Cut | readonly Refusal[] {
  const frame = frameOf(plan);
  const refusals = ridgeFaults(plan, frame);
  if (refusals.length > 0) return refusals;
  const { half, depth, width, apex, entrance } = frame;
  const swinging = frame.swing?.wall.replace('side-', '');
  const clear = swinging ? { [swinging]: frame.play.floor } : {};
  const room = { half, front: 0, back: depth, play: clear };
  const floor = floorIn(plan, room, frame.t.floor, frame.sticks?.deep);
  const pieces: Pieces = {
    floor,
    cleats: cleats(plan, frame),
    shelf: shelf(plan, frame),
    brackets: brackets(plan, frame),
    triangles: triangles(plan, frame),
  };
  const roof = roofOf(plan, frame);
  const rungs = ladder(plan, gripWallOf(frame));
  const held = heldBy(frame, [...jointsOf(plan, frame, pieces), ...roof.joints]);
  const eaves = slopeAt(frame, half);
  return {
    drafts: [
      frontGable(plan, frame),
      backGable(plan, frame),
      side(frame, -1),
      side(frame, 1),
      floorDraft(floor, frame.t.floor),
      ...roof.drafts,
      ...pieces.cleats,
      ...pieces.shelf,
      ...pieces.brackets,
      ...pieces.triangles,
      ...held.drafts,
      ...rungs.drafts,
    ],
    joints: [...held.joints, ...rungs.joints],
    openings: [
      entranceOpening(entrance, 0, 0),
      ...overSide(frame, -1),
      ...overSide(frame, 1),
      ...roundOpenings('vent-hole', ventsOf(plan, frame), plan.sizes.ventSize, ACROSS),
      ...floor.openings,
      ...playOpenings(frame),
    ],
    cavities: [
      {
        origin: [0, 0, 0],
        width,
        depth,
        heightFront: eaves,
        heightBack: eaves,
        sill: sillOf(entrance),
        ridge: apex,
      },
    ],
    derived: derive(plan, frame),
  };
}
