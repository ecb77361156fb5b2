import { fromMm, type Ticks, tan } from '../../measure/index.js';
import { type Entrance, entranceOf, type Refusal } from '../../plan/index.js';
import type { Vec3 } from '../../solid/index.js';
import { text } from '../../text/index.js';
import { entranceFaults, refusalsOf } from '../common/entrance.js';
import { gripFaults } from '../common/grip.js';
import { type StickSize, stickSize } from '../common/sheet-sticks.js';
import type { ColonyPlan } from './declared.js';

/** A vent's middle stands this far from the partition. */
const VENT_IN = fromMm(22);

export type Facing = 'front' | 'rear';

/** One room: its row, the middle of its floor, and which way it opens. */
export interface Room {
  row: number;
  face: Facing;
  x: number;
  z: number;
}

/** What a house of rooms is cut by. Lengths in ticks, angle in degrees. */
export interface ColonyFrame {
  columns: number;
  rows: number;
  two: boolean;
  faces: readonly Facing[];
  t: Readonly<Record<'front' | 'back' | 'left' | 'right' | 'floor' | 'part' | 'middle', Ticks>>;
  /** Width, depth and height of a room. */
  w: Ticks;
  d: Ticks;
  h: Ticks;
  across: number;
  half: number;
  depth: number;
  slope: number;
  bottom: number;
  /** Height of each row's floors. */
  levels: readonly number[];
  rooms: readonly Room[];
  entrance: Entrance;
  /** Battens in the outer corners; null where panels are fastened edge to face. */
  sticks: StickSize | null;
  /** Of a vent's middle over the floor. */
  ventHeight: number;
  roofAt: (y: number) => number;
  /** Left side of a column's rooms. */
  xOf: (column: number) => number;
}

const thicknesses = ({ wood, choices }: ColonyPlan): ColonyFrame['t'] => {
  const two = choices.sides === 'two';
  return {
    front: wood.front.thickness,
    back: two ? wood.front.thickness : wood.back.thickness,
    left: wood['side-left'].thickness,
    right: wood['side-right'].thickness,
    floor: wood.floor.thickness,
    part: choices.columns === '1' ? 0 : wood.partition.thickness,
    middle: two ? wood.middle.thickness : 0,
  };
};

const counted = (count: number): number[] => Array.from({ length: count }, (_, index) => index);

export function entranceOfRoom({ sizes, choices }: ColonyPlan): Entrance {
  const { entranceWidth, entranceHeight } = sizes;
  return entranceOf({
    sizes: { entranceWidth, entranceUpright: entranceWidth, entranceHeight },
    choices: { entrance: 'round', entranceTo: choices.entranceTo },
  });
}

export function frameOf(plan: ColonyPlan): ColonyFrame {
  const { sizes, choices, angles } = plan;
  const t = thicknesses(plan);
  const [columns, rows] = [Number(choices.columns), Number(choices.rows)];
  const two = choices.sides === 'two';
  const { roomWidth: w, roomDepth: d, roomHeight: h, ventSize } = sizes;
  const across = columns * w + (columns - 1) * t.part;
  const half = across / 2;
  const storey = h + t.floor;
  const slope = choices.roof === 'flat' ? 0 : angles.slope;
  const levels = counted(rows).map((row) => row * storey);
  const faces: readonly Facing[] = two ? ['front', 'rear'] : ['front'];
  const xOf = (column: number) => -half + column * (w + t.part);
  const rooms = levels.flatMap((z, row) =>
    counted(columns).flatMap((column) =>
      faces.map((face): Room => ({ row, face, z, x: xOf(column) + w / 2 })),
    ),
  );
  return {
    columns,
    rows,
    two,
    faces,
    t,
    w,
    d,
    h,
    across,
    half,
    depth: two ? 2 * d + t.middle : d,
    slope,
    bottom: -(sizes.floorRecess + t.floor),
    levels,
    rooms,
    entrance: entranceOfRoom(plan),
    sticks: stickSize(choices.corners, plan.wood.batten),
    // Low enough for the front's outer face, which ends lower under a roof that falls to it.
    ventHeight: h - t.front * tan(slope) - ventSize / 2 - fromMm(10),
    roofAt: (y) => (rows - 1) * storey + h + y * tan(slope),
    xOf,
  };
}

/** The middle of a room's vent, in the wall at `y`. */
export const ventAt = ({ w, ventHeight, sticks }: ColonyFrame, room: Room, y: number): Vec3 => [
  room.x + w / 2 - VENT_IN - (sticks?.wide ?? 0),
  y,
  room.z + ventHeight,
];

/** Middles of the drain holes in the floor of one row, one in each room. */
export const drainsOf = ({ faces, columns, xOf, w, d, depth }: ColonyFrame, z: number): Vec3[] =>
  faces.flatMap((face) =>
    counted(columns).map((column): Vec3 => {
      const y = face === 'front' ? d / 2 : depth - d / 2;
      return [xOf(column) + w / 2, y, z];
    }),
  );

export function colonyFaults(plan: ColonyPlan, frame: ColonyFrame): Refusal[] {
  const { sizes, choices } = plan;
  const { entrance, w, d, h, rows, ventHeight } = frame;
  const wide = frame.sticks?.wide ?? 0;
  const apart = Math.hypot(w / 2 - VENT_IN - wide, ventHeight - entrance.centre);
  return [
    ...entranceFaults(entrance, h, w - 2 * wide),
    ...gripFaults(plan, undefined),
    ...refusalsOf([
      {
        when: apart < (entrance.width + sizes.ventSize) / 2 + fromMm(6),
        field: 'ventSize',
        message: text`The vent would run into the entrance. Make it smaller, or the rooms larger.`,
      },
      {
        when: sizes.drainSize > Math.min(w, d) / 3,
        field: 'drainSize',
        message: text`Drains this large leave hardly a floor.`,
      },
      {
        when:
          frame.sticks !== null &&
          (wide === 0 || Math.max(wide, frame.sticks.deep) > Math.min(w, d) / 3),
        field: 'wood.batten',
        message: text`Choose sticks for the corners whose width is known, no larger than a third of a room.`,
      },
      {
        when: choices.sides === 'halves' && !plan.wood.frame.width,
        field: 'wood.frame',
        message: text`Choose a stick whose width is known for the frame between the halves.`,
      },
      {
        when: choices.sides === 'halves' && (plan.wood.frame.width ?? 0) > frame.half * 0.8,
        field: 'wood.frame',
        message: text`The frame’s sticks meet behind the halves. Choose narrower ones.`,
      },
      {
        when: choices.access === 'roof' && rows > 1,
        field: 'access',
        message: text`Through the roof only the upper row can be reached. Let the fronts come off.`,
      },
    ]),
  ];
}
