import { fromMm, type Ticks, tan } from '../../measure/index.js';
import { type Draft, HOLDS_IN_EDGE, type JointDraft, meet } from '../../panels/index.js';
import { oneOf, type PanelWood, type Refusal } from '../../plan/index.js';
import {
  cross,
  dot,
  type HalfSpace,
  negate,
  scale,
  solidInside,
  subtract,
  unit,
  type Vec3,
} from '../../solid/index.js';
import { ofLength, text } from '../../text/index.js';
import { isSheet } from '../../wood/index.js';
import { refusalsOf } from './entrance.js';

/** How panels are held where they meet. */
export const CORNERS = oneOf(
  'Panels are held',
  [
    ['edges', 'edge to face', 'Boards are fastened through into each other’s edges.'],
    [
      'sticks',
      'by sticks behind them',
      'A stick in every corner, under the roof and round the floor: thin sheet takes no screw in its edge.',
    ],
  ],
  { picture: 'plan', highlights: ['batten'], meant: 'edges' },
);

export const BATTEN_ROLE = {
  label: 'Batten',
  stick: [25, 38],
  applies: (s: Readonly<Record<string, string>>) => s.corners === 'sticks',
} as const;

/** A stick's cross-section: so deep off the wall that it lies against, so wide along the other panel. */
export interface StickSize {
  deep: Ticks;
  wide: Ticks;
}

/** The sticks' cross-section where panels are held by sticks; null where they are not, or no stick is chosen. */
export const stickSize = (
  corners: 'edges' | 'sticks',
  batten: PanelWood | undefined,
): StickSize | null =>
  corners === 'sticks' && batten ? { deep: batten.thickness, wide: batten.width ?? 0 } : null;

/** A flat side of the room: the inner face of one panel. Of two that meet, a stick lies broad against the one that comes first. */
export interface RoomFace {
  panel: string;
  /** The room lies inside. */
  inside: HalfSpace;
  /** How far sticks on this panel may reach, where that is less than the room. */
  within?: readonly HalfSpace[];
}

interface Stick {
  wall: RoomFace;
  other: RoomFace;
  spaces: readonly HalfSpace[];
  along: Vec3;
  /** Everything beyond the stick as seen from the wall, and from the other panel. */
  beyond: readonly [HalfSpace, HalfSpace];
}

/** Not farther than this from the plane of a face. */
const near = ({ normal, offset }: HalfSpace, distance: number): HalfSpace => ({
  normal: negate(normal),
  offset: distance - offset,
});
const far = ({ normal, offset }: HalfSpace, distance: number): HalfSpace => ({
  normal,
  offset: offset - distance,
});

/**
 * Where a stick of this section that lies against a wall ends away from the other panel: square to the wall, so far down it that the
 * stick, its edge bevelled to the other panel, comes out of a board as wide as its width.
 */
function edgeOf(wall: HalfSpace, other: HalfSpace, { deep, wide }: StickSize): HalfSpace {
  const lean = dot(other.normal, wall.normal);
  const across = Math.sqrt(1 - lean * lean);
  const down = unit(subtract(scale(wall.normal, lean), other.normal));
  const corner = (lean * wall.offset - other.offset) / across;
  return { normal: down, offset: corner + Math.min(0, (-deep * lean) / across) + wide };
}

function stickIn(
  room: readonly HalfSpace[],
  wall: RoomFace,
  other: RoomFace,
  size: StickSize,
): Stick {
  const edge = edgeOf(wall.inside, other.inside, size);
  return {
    wall,
    other,
    spaces: [
      ...room,
      near(wall.inside, size.deep),
      edge,
      ...(wall.within ?? []),
      ...(other.within ?? []),
    ],
    along: unit(cross(wall.inside.normal, other.inside.normal)),
    beyond: [far(wall.inside, size.deep), { normal: negate(edge.normal), offset: -edge.offset }],
  };
}

/** A later stick ends where it would run into an earlier one: at that face of it which lies most across the later one's length. */
function endedAt(stick: Stick, earlier: readonly Stick[]): Stick {
  let { spaces } = stick;
  for (const before of earlier) {
    if (!solidInside([...spaces, ...before.spaces])) continue;
    const [a, b] = before.beyond;
    const across = (each: HalfSpace) => Math.abs(dot(each.normal, stick.along));
    spaces = [...spaces, across(a) >= across(b) ? a : b];
  }
  return { ...stick, spaces };
}

const HELD = ['butt', 'screwed'];

/**
 * Sticks behind every joint of two faces of a room that is fastened: round the floor, under the roof, upright in the corners, in the
 * order of the joints. Gives the sticks, and the joints with those that a stick takes over only touching. What is held by screws alone
 * stays so, on its stick.
 */
export function sticksBehind(
  joints: readonly JointDraft[],
  faces: readonly RoomFace[],
  size: StickSize,
): { drafts: Draft[]; joints: JointDraft[] } {
  const room = faces.map(({ inside }) => inside);
  const drafts: Draft[] = [];
  const made: Stick[] = [];
  const joined = joints.flatMap((joint): JointDraft[] => {
    const [wall, other] = faces.filter(({ panel }) => joint.between.includes(panel));
    if (!wall || !other || !HELD.includes(joint.kind)) return [joint];
    const stick = endedAt(stickIn(room, wall, other, size), made);
    const solid = solidInside(stick.spaces);
    if (!solid) return [joint];
    made.push(stick);
    const id = `batten-${wall.panel}-${other.panel}`;
    drafts.push({
      id,
      group: 'batten',
      role: 'batten',
      thickness: size.deep,
      solid,
      outsideNormal: wall.inside.normal,
      grainDirection: stick.along,
      grain: 'along',
      inside: 'any',
      knots: 'sound',
    });
    // The panel that comes off is screwed to the stick; the stick stays on the other.
    const off = joint.kind === 'screwed' ? comesOff(joints, [wall.panel, other.panel]) : null;
    const onto = (panel: string) => meet(id, panel, panel === off ? 'screwed' : 'butt');
    return [{ ...joint, kind: 'loose' }, ...onto(wall.panel), ...onto(other.panel)];
  });
  return { drafts, joints: joined };
}

/** Of two panels the one that only screws hold: all of whose fastened joints are screwed. */
const comesOff = (joints: readonly JointDraft[], pair: readonly string[]): string | null =>
  pair.find((id) =>
    joints.every(
      ({ between, kind }) => !between.includes(id) || kind === 'screwed' || kind === 'loose',
    ),
  ) ?? null;

/** What two battens may take of a room, each, and what of a bevelled one lies on its wall at least. Common practice, no source. */
const MOST_OF_ROOM = 0.4;
const ON_WALL = fromMm(10);

/** Sticks that are not chosen or leave no room, and floors whose drains they would cover. */
export function sheetStickFaults(
  size: StickSize | null,
  { width, depth, slope, floor }: { width: number; depth: number; slope: number; floor: string },
): Refusal[] {
  if (!size) return [];
  const most = Math.min(width, depth) * MOST_OF_ROOM;
  // Under a slope a batten’s edge is bevelled, and still reaches down the wall.
  const least = Math.ceil(size.deep * tan(slope) + ON_WALL);
  return refusalsOf([
    {
      when: size.wide === 0,
      field: 'wood.batten',
      message: text`Choose a stick whose width is known for the battens: both its measures are used.`,
    },
    {
      when: size.wide > 0 && size.wide < least,
      field: 'wood.batten',
      message: text`Bevelled to the roof, battens ${ofLength(size.deep)} thick must be ${ofLength(least)} wide or more to hold a wall. Choose a wider or a thinner stick.`,
    },
    {
      when: Math.max(size.deep, size.wide) > most,
      field: 'wood.batten',
      message: text`Battens so large leave hardly a room; ${ofLength(most)} is the most. Choose thinner sticks.`,
    },
    {
      when: floor !== 'holes' && floor !== 'four-holes',
      field: 'floor',
      message: text`The battens round the floor lie over gaps and clipped corners. Drain through holes.`,
    },
  ]);
}

/** A wall of thin sheet that is to swing on pivots in its edge. */
export const thinSwingFaults = (wall: PanelWood | undefined): Refusal[] =>
  refusalsOf([
    {
      when: !!wall && isSheet(wall.material) && wall.thickness < HOLDS_IN_EDGE,
      field: 'access',
      message: text`Sheet ${ofLength(wall?.thickness ?? 0)} thick takes no pivot in its edge: its plies split. Hold a wall with screws, or make the one that swings of board.`,
    },
  ]);
