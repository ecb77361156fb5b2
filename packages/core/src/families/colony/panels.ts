import { at } from '../../lists/index.js';
import { type Draft, wood } from '../../panels/index.js';
import { sillOf } from '../../plan/index.js';
import {
  atLeast,
  atMost,
  between,
  type HalfSpace,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { entranceFeature } from '../common/entrance.js';
import { type GripWall, gripFeatures } from '../common/grip.js';
import { roundHoles } from '../common/holes.js';
import { slopedRoof, underSlopedRoof } from '../common/sloped-roof.js';
import type { ColonyPlan } from './declared.js';
import { type ColonyFrame, drainsOf, type Facing, type Room, ventAt } from './frame.js';

const UPRIGHT = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;

const underRoof = ({ slope, roofAt }: ColonyFrame): HalfSpace =>
  underSlopedRoof({ slope, at: roofAt });

const isAlong = ({ choices }: ColonyPlan): boolean => choices.frontGrain === 'along';
const wallGrain = (plan: ColonyPlan): Vec3 => (isAlong(plan) ? [1, 0, 0] : [0, 0, 1]);

export const frontId = (face: Facing): string => (face === 'front' ? 'front' : 'front-rear');

/** Entrance, vent and grip of one room, in its front. */
function roomFeatures(
  plan: ColonyPlan,
  frame: ColonyFrame,
  room: Room,
  { inner, outer }: { inner: number; outer: number },
): NonNullable<Draft['features']> {
  const { entrance, w } = frame;
  const wall: GripWall = {
    panel: frontId(room.face),
    x: room.x,
    half: w / 2 - (frame.sticks?.wide ?? 0),
    y: inner,
    floor: room.z,
    sill: sillOf(entrance),
  };
  return (toFrame) => [
    entranceFeature(entrance, toFrame([room.x, outer, room.z + entrance.centre])),
    ...roundHoles('vent', [ventAt(frame, room, outer)], plan.sizes.ventSize, toFrame),
    ...gripFeatures(plan, wall, toFrame),
  ];
}

export function front(plan: ColonyPlan, frame: ColonyFrame, face: Facing): Draft {
  const { t, half, depth, bottom } = frame;
  const before = face === 'front';
  const inner = before ? 0 : depth;
  const outer = before ? inner - t.front : inner + t.back;
  const id = frontId(face);
  const spaces = [
    ...between('x', -half, half),
    ...between('y', Math.min(inner, outer), Math.max(inner, outer)),
    atLeast('z', bottom),
    underRoof(frame),
  ];
  const cut = frame.rooms
    .filter((room) => room.face === face)
    .map((room) => roomFeatures(plan, frame, room, { inner, outer }));
  return {
    ...UPRIGHT,
    grainDirection: wallGrain(plan),
    id,
    role: 'front',
    thickness: t.front,
    solid: wood(solidInside(spaces), id),
    outsideNormal: [0, before ? -1 : 1, 0],
    inside: plan.choices.grip === 'kerfs' ? 'any' : 'rough',
    features: (toFrame) => cut.flatMap((features) => features(toFrame)),
  };
}

export function back(plan: ColonyPlan, frame: ColonyFrame): Draft {
  const { t, half, depth, bottom } = frame;
  const spaces = [
    ...between('x', -half, half),
    ...between('y', depth, depth + t.back),
    atLeast('z', bottom),
    underRoof(frame),
  ];
  return {
    ...UPRIGHT,
    grainDirection: wallGrain(plan),
    id: 'back',
    role: 'back',
    thickness: t.back,
    solid: wood(solidInside(spaces), 'back'),
    outsideNormal: [0, 1, 0],
    inside: 'any',
  };
}

export function end(frame: ColonyFrame, sign: -1 | 1): Draft {
  const { t, half, depth, bottom } = frame;
  const id = sign < 0 ? 'side-left' : 'side-right';
  const thickness = sign < 0 ? t.left : t.right;
  const across =
    sign < 0 ? between('x', -half - thickness, -half) : between('x', half, half + thickness);
  const spaces = [
    ...across,
    ...between('y', -t.front, depth + t.back),
    atLeast('z', bottom),
    underRoof(frame),
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

/** A floor for each row, drained in every room. */
export const floors = (plan: ColonyPlan, frame: ColonyFrame): Draft[] =>
  frame.levels.map((z, row) => {
    const { t, half, depth } = frame;
    const spaces = [
      ...between('x', -half, half),
      ...between('y', 0, depth),
      ...between('z', z - t.floor, z),
    ];
    const drains = drainsOf(frame, z);
    return {
      id: `floor-${row}`,
      group: row === 0 ? 'floor' : 'floor-upper',
      role: 'floor',
      thickness: t.floor,
      solid: wood(solidInside(spaces), 'floor'),
      outsideNormal: [0, 0, -1],
      grainDirection: isAlong(plan) ? [1, 0, 0] : [0, 1, 0],
      grain: 'along',
      inside: 'any',
      knots: 'sound',
      features: (toFrame) => roundHoles('drain', drains, plan.sizes.drainSize, toFrame),
    };
  });

/** From a row's floors to what is over them. */
export const storey = (frame: ColonyFrame, row: number): HalfSpace[] => {
  const z = at(frame.levels, row);
  return [atLeast('z', z), row === frame.rows - 1 ? underRoof(frame) : atMost('z', z + frame.h)];
};

/** A panel of one row. */
export interface RowPanel {
  row: number;
  draft: Draft;
}

/** The walls between rooms that stand back to back. */
export const middles = (plan: ColonyPlan, frame: ColonyFrame): RowPanel[] =>
  frame.two
    ? frame.levels.map((_, row) => {
        const { t, half, d } = frame;
        const spaces = [
          ...between('x', -half, half),
          ...between('y', d, d + t.middle),
          ...storey(frame, row),
        ];
        return {
          row,
          draft: {
            ...UPRIGHT,
            grainDirection: wallGrain(plan),
            id: `middle-${row}`,
            group: 'middle',
            role: 'middle',
            thickness: t.middle,
            solid: wood(solidInside(spaces), 'wall between'),
            outsideNormal: [0, -1, 0],
            inside: 'any',
          },
        };
      })
    : [];

function partition(frame: ColonyFrame, row: number, column: number, face: Facing): Draft {
  const { t, d, w, depth, xOf } = frame;
  const x = xOf(column) + w;
  const spaces = [
    ...between('x', x, x + t.part),
    ...(face === 'front' ? between('y', 0, d) : between('y', depth - d, depth)),
    ...storey(frame, row),
  ];
  return {
    ...UPRIGHT,
    id: `partition-${row}-${column}-${face}`,
    group: 'partition',
    role: 'partition',
    thickness: t.part,
    solid: wood(solidInside(spaces), 'partition'),
    outsideNormal: [-1, 0, 0],
    inside: 'any',
  };
}

/** The walls between rooms side by side. */
export const partitions = (frame: ColonyFrame): (RowPanel & { face: Facing })[] =>
  frame.levels.flatMap((_, row) =>
    Array.from({ length: frame.columns - 1 }, (_unused, column) => column).flatMap((column) =>
      frame.faces.map((face) => ({ row, face, draft: partition(frame, row, column, face) })),
    ),
  );

export function roof({ sizes, choices, wood: boards }: ColonyPlan, frame: ColonyFrame): Draft {
  // Two halves stand back to back: nothing stands out between them.
  const overRear = choices.sides === 'halves' ? 0 : sizes.overhangRear;
  const { t, half, depth, slope, roofAt } = frame;
  return slopedRoof({
    slope,
    at: roofAt,
    across: [-half - t.left - sizes.overhangSide, half + t.right + sizes.overhangSide],
    eaves: -t.front - sizes.overhangFront,
    rear: depth + t.back + overRear,
    thickness: boards.roof.thickness,
    grain: 'across',
  });
}
