import { cos, fromMm, sin, tan } from '../../measure/index.js';
import { type Draft, type Feature, wood } from '../../panels/index.js';
import { sillOf } from '../../plan/index.js';
import { atLeast, atMost, behind, between, solidInside, type Vec3 } from '../../solid/index.js';
import { entranceFeature } from '../common/entrance.js';
import { type GripWall, gripFeatures } from '../common/grip.js';
import { roundHoles } from '../common/holes.js';
import { type HungHole, hungFeatures, hungHoles } from '../common/hung-wall.js';
import { slopeAt, underRidge, underSlope } from '../common/ridge.js';
import type { RidgePlan } from './declared.js';
import { type RidgeFrame, UNDER_SILL } from './frame.js';

type ToFrame = Parameters<NonNullable<Draft['features']>>[0];
/** For a bolt of 5 mm. Common practice, no source. */
const BOLT_HOLE = fromMm(5.5);

const UPRIGHT = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;

/** Two vent holes high in the back gable, where holes are asked for. */
export function ventsOf({ sizes, choices }: RidgePlan, frame: RidgeFrame): Vec3[] {
  if (choices.vents !== 'holes') return [];
  const out = frame.half / 3;
  const under = (frame.sticks?.wide ?? 0) / cos(frame.pitch);
  const z = slopeAt(frame, out) - under - sizes.ventSize / 2 - fromMm(14);
  return [-1, 1].map((sign): Vec3 => [sign * out, frame.depth, z]);
}

export function gripWallOf({ half, apex, pitch, entrance, sticks }: RidgeFrame): GripWall {
  // Battens stand in the corners, under the slopes and round the floor.
  const { wide = 0 } = sticks ?? {};
  return {
    panel: 'front',
    x: 0,
    half: half - wide,
    freeAt: (z) => (apex - z) / tan(pitch) - wide / sin(pitch),
    y: 0,
    floor: wide,
    sill: sillOf(entrance) - wide,
  };
}

/** What goes through the gables where a side swings: the front takes a single latch. */
function hungIn(
  { sizes, choices }: RidgePlan,
  { swing, bottom, t, depth }: RidgeFrame,
): HungHole[] {
  if (!swing) return [];
  return hungHoles(
    { choices },
    [
      { panel: 'front', at: [swing.x, -t.front, 0], inwards: [0, 1, 0] },
      { panel: 'back', at: [swing.x, depth + t.back, 0], inwards: [0, -1, 0] },
    ],
    { pivotZ: swing.z, latchZ: bottom + sizes.latchAbove },
  );
}

const acrossGable = ({ over, half, t }: RidgeFrame) =>
  over ? between('x', -half - t.left, half + t.right) : between('x', -half, half);

export function frontGable(plan: RidgePlan, frame: RidgeFrame): Draft {
  const { t, bottom, entrance } = frame;
  const spaces = [
    ...acrossGable(frame),
    ...between('y', -t.front, 0),
    atLeast('z', bottom),
    ...underRidge(frame),
  ];
  return {
    ...UPRIGHT,
    id: 'front',
    role: 'front',
    thickness: t.front,
    solid: wood(solidInside(spaces), 'front'),
    outsideNormal: [0, -1, 0],
    inside: plan.choices.grip === 'rough' ? 'rough' : 'any',
    features: (toFrame) => [
      entranceFeature(entrance, toFrame([0, -t.front, entrance.centre])),
      ...gripFeatures(plan, gripWallOf(frame), toFrame),
      ...hungFeatures(plan, hungIn(plan, frame), 'front', toFrame),
      ...boltIn(plan, frame, -t.front, toFrame),
    ],
  };
}

export function backGable(plan: RidgePlan, frame: RidgeFrame): Draft {
  const { t, bottom, depth } = frame;
  const spaces = [
    ...acrossGable(frame),
    ...between('y', depth, depth + t.back),
    atLeast('z', bottom - plan.sizes.backBelow),
    ...underRidge(frame),
  ];
  return {
    ...UPRIGHT,
    id: 'back',
    role: 'back',
    thickness: t.back,
    solid: wood(solidInside(spaces), 'back'),
    outsideNormal: [0, 1, 0],
    inside: 'any',
    features: (toFrame) => [
      ...roundHoles('vent', ventsOf(plan, frame), plan.sizes.ventSize, toFrame),
      ...hungFeatures(plan, hungIn(plan, frame), 'back', toFrame),
      ...boltIn(plan, frame, depth + t.back, toFrame),
    ],
  };
}

export function side(frame: RidgeFrame, sign: -1 | 1): Draft {
  const { t, half, depth, over, bottom, gapOver, swing } = frame;
  const id = sign < 0 ? 'side-left' : 'side-right';
  const play = swing?.wall === id ? frame.play.sides : 0;
  const thickness = sign < 0 ? t.left : t.right;
  const across =
    sign < 0 ? between('x', -half - thickness, -half) : between('x', half, half + thickness);
  const spaces = [
    ...across,
    ...(over ? between('y', play, depth - play) : between('y', -t.front, depth + t.back)),
    atLeast('z', bottom),
    underSlope(sign, frame, gapOver(id)),
  ];
  return {
    ...UPRIGHT,
    id,
    role: id,
    thickness,
    solid: wood(solidInside(spaces), id),
    outsideNormal: [sign, 0, 0],
    inside: 'any',
  };
}

/** Two sticks along the sides that carry the floor. */
export function cleats({ sizes }: RidgePlan, frame: RidgeFrame): Draft[] {
  const { cleat, half, depth, t, swing, play } = frame;
  if (!cleat) return [];
  const clear = Math.min(2 * sizes.drainSize, depth / 4);
  return [-1, 1].map((sign) => {
    const clearOf = swing?.wall === (sign < 0 ? 'side-left' : 'side-right') ? play.floor : 0;
    const to = half - clearOf;
    const [left, right] = sign < 0 ? [-to, cleat.wide - to] : [to - cleat.wide, to];
    const spaces = [
      ...between('x', left, right),
      ...between('y', clear, depth - clear),
      ...between('z', -t.floor - cleat.high, -t.floor),
    ];
    return {
      id: `cleat-${sign}`,
      group: 'cleat',
      role: 'cleat',
      thickness: cleat.high,
      solid: wood(solidInside(spaces), 'cleat'),
      outsideNormal: [0, 0, -1],
      grainDirection: [0, 1, 0],
      grain: 'along',
      inside: 'any',
      knots: 'sound',
    };
  });
}

/** What of a shelf's depth a bracket under it reaches. Common practice, no source. */
const BRACKET_REACH = 0.8;

/** Two brackets under a shelf in three pieces, sloping from its underside back to the front. */
export function brackets({ sizes, choices, wood: boards }: RidgePlan, frame: RidgeFrame): Draft[] {
  if (choices.landing !== 'shelf-braced') return [];
  const top = sillOf(frame.entrance) - UNDER_SILL - boards.shelf.thickness;
  const { thickness } = boards.bracket;
  const out = sizes.shelfDeep * BRACKET_REACH;
  const high = Math.min(out, top - frame.bottom);
  const face = -frame.t.front;
  const end = sizes.shelfWide / 2;
  return ([-1, 1] as const).map((sign) => {
    const id = sign < 0 ? 'bracket-left' : 'bracket-right';
    const across =
      sign < 0 ? between('x', -end, -end + thickness) : between('x', end - thickness, end);
    return {
      id,
      group: 'bracket',
      role: 'bracket',
      thickness,
      solid: wood(
        solidInside([
          ...across,
          ...between('y', face - out, face),
          atMost('z', top),
          behind([0, -high, -out], [0, face - out, top]),
        ]),
        id,
      ),
      outsideNormal: [sign, 0, 0],
      grainDirection: [0, out, high],
      grain: 'along',
      inside: 'any',
      knots: 'sound',
    };
  });
}

/** A triangle under each end of a roof that lifts off, inside the gable. */
export function triangles({ sizes, choices, wood: boards }: RidgePlan, frame: RidgeFrame): Draft[] {
  if (choices.access !== 'lift-off') return [];
  const { thickness } = boards['roof-triangle'];
  const { apex, depth } = frame;
  return (['front', 'back'] as const).map((end) => {
    const id = `roof-triangle-${end}`;
    const through =
      end === 'front' ? between('y', 0, thickness) : between('y', depth - thickness, depth);
    return {
      id,
      group: 'roof-triangle',
      role: 'roof-triangle',
      thickness,
      solid: wood(
        solidInside([...through, atLeast('z', apex - sizes.triangleHigh), ...underRidge(frame)]),
        id,
      ),
      outsideNormal: [0, end === 'front' ? -1 : 1, 0],
      grainDirection: [1, 0, 0],
      grain: 'along',
      inside: 'any',
      knots: 'sound',
    };
  });
}

/** Where a bolt goes through a gable into the insert in its triangle: a third of the way up it. */
function boltIn(
  { sizes, choices }: RidgePlan,
  { apex }: RidgeFrame,
  y: number,
  toFrame: ToFrame,
): Feature[] {
  if (choices.access !== 'lift-off') return [];
  return [
    {
      kind: 'latch',
      shape: 'round',
      centre: toFrame([0, y, apex - (sizes.triangleHigh * 2) / 3]),
      diameter: BOLT_HOLE,
      depth: 'through',
    },
  ];
}

/** The landing shelf, where one is asked for. */
export function shelf({ sizes, choices, wood: boards }: RidgePlan, frame: RidgeFrame): Draft[] {
  if (choices.landing === 'none') return [];
  const top = sillOf(frame.entrance) - UNDER_SILL;
  const { thickness } = boards.shelf;
  const { front } = frame.t;
  const spaces = [
    ...between('x', -sizes.shelfWide / 2, sizes.shelfWide / 2),
    ...between('y', -front - sizes.shelfDeep, -front),
    ...between('z', top - thickness, top),
  ];
  return [
    {
      id: 'shelf',
      role: 'shelf',
      thickness,
      solid: wood(solidInside(spaces), 'shelf'),
      outsideNormal: [0, 0, 1],
      grainDirection: [1, 0, 0],
      grain: 'along',
      outside: 'any',
      inside: 'any',
      knots: 'sound',
    },
  ];
}
