import { fromMm, type Ticks } from '../../measure/index.js';
import { type Draft, type Feature, type JointDraft, wood } from '../../panels/index.js';
import { oneOf, type PanelWood, type RoleDeclaration } from '../../plan/index.js';
import { boundsOf, type Point } from '../../plane/index.js';
import { between, solidInside, type Vec3 } from '../../solid/index.js';

/** Grooves to climb by: 3 mm deep, 6–13 mm apart, common practice, no source. */
const SCORE = { depth: fromMm(3), width: fromMm(3.2), spacing: fromMm(10) };
/** Strips to climb by: common practice, no source. */
const RUNG = fromMm(32);
/** Grip begins this high above the floor and ends this far below the sill: common practice, no source. */
const FROM_FLOOR = fromMm(20);
const TO_SILL = fromMm(4);
const FROM_SIDE = fromMm(8);
/** Half of the shortest score, strip or mesh that a foot finds: common practice, no source. */
const LEAST_REACH = fromMm(15);

export const GRIPS = {
  rough: ['rough', 'rough face in', 'The sawn face of the board looks inwards.'],
  kerfs: [
    'kerfs',
    'saw kerfs',
    'Shallow kerfs or chisel scores across the inside, from near the floor to the sill.',
  ],
  ladder: ['ladder', 'strips', 'Thin strips across the inside as a ladder, from stick stock.'],
  mesh: [
    'mesh',
    'mesh',
    'A strip of mesh stapled flat, its cut edges folded under so that no foot is caught.',
  ],
} as const;

const LABEL = 'Grip under the entrance';
const { rough, kerfs, ladder: strips, mesh } = GRIPS;
export const GRIP = oneOf(LABEL, [rough, kerfs, strips, mesh]);
/** For boxes of sheet, which is smooth. */
export const GRIP_ON_SHEET = oneOf(LABEL, [kerfs, strips, mesh, rough]);
export const GRIP_PLAIN = oneOf(LABEL, [rough, kerfs]);

export const LADDER_ROLE: RoleDeclaration = {
  label: 'Ladder strip',
  stick: [6, 12],
  applies: (s) => s.grip === 'ladder',
};

/** What of a plan says how a wall is made to climb by. */
interface GripPlan {
  choices: { readonly grip: keyof typeof GRIPS };
}

/** The inside of the wall below an entrance: where the grip goes. `y` is the wall's inside face. */
export interface GripWall {
  panel: string;
  x: number;
  half: number;
  /** How far the wall is free on either side of `x` at height z, where that is less than `half`: under two slopes. */
  freeAt?: (z: number) => number;
  y: number;
  floor: number;
  sill: number;
  /** +1 where the room lies behind the wall (greater y), −1 where it lies before it. */
  inward?: 1 | -1;
}

const halfAt = ({ half, freeAt }: GripWall, z: number): number =>
  Math.min(half, freeAt?.(z) ?? half);

const levels = ({ floor, sill }: GripWall, spacing: number, high: number): number[] => {
  const found: number[] = [];
  for (let z = floor + FROM_FLOOR; z + high < floor + sill - TO_SILL; z += spacing) found.push(z);
  return found;
};

type ToFrame = (point: Vec3) => Point;

function kerfFeatures(wall: GripWall, toFrame: ToFrame): Feature[] {
  return levels(wall, SCORE.spacing, 0).flatMap((z): Feature[] => {
    const reach = halfAt(wall, z + SCORE.width) - FROM_SIDE;
    if (reach < LEAST_REACH) return [];
    const end = (side: number) => toFrame([wall.x + side * reach, wall.y, z]);
    return [
      {
        kind: 'groove',
        purpose: 'grip',
        from: end(1),
        to: end(-1),
        face: 'inside',
        width: SCORE.width,
        depth: SCORE.depth,
      },
    ];
  });
}

function meshFeatures(wall: GripWall, toFrame: ToFrame): Feature[] {
  if (wall.sill < FROM_FLOOR + TO_SILL + fromMm(20)) return [];
  const top = wall.floor + wall.sill - TO_SILL;
  const half = Math.min(halfAt(wall, top) - FROM_SIDE, fromMm(50));
  if (half < LEAST_REACH) return [];
  const [left, bottom, right, above] = boundsOf([
    toFrame([wall.x - half, wall.y, wall.floor + FROM_FLOOR]),
    toFrame([wall.x + half, wall.y, top]),
  ]);
  return [
    {
      kind: 'mesh',
      face: 'inside',
      corner: [left, bottom],
      height: right - left,
      width: above - bottom,
    },
  ];
}

/** Kerfs or mesh on the wall, as its features. */
export function gripFeatures({ choices }: GripPlan, wall: GripWall, toFrame: ToFrame): Feature[] {
  if (choices.grip === 'kerfs') return kerfFeatures(wall, toFrame);
  return choices.grip === 'mesh' ? meshFeatures(wall, toFrame) : [];
}

const reachOfRung = (wall: GripWall, high: Ticks, z: number): number =>
  halfAt(wall, z + high) - fromMm(12);

function rung(wall: GripWall, thickness: Ticks, high: Ticks, z: number, index: number): Draft {
  const id = `${wall.panel}-ladder-${index}`;
  const inward = wall.inward ?? 1;
  const reach = reachOfRung(wall, high, z);
  const far = wall.y + inward * thickness;
  return {
    id,
    group: 'ladder',
    role: 'ladder',
    thickness,
    solid: wood(
      solidInside([
        ...between('x', wall.x - reach, wall.x + reach),
        ...between('y', Math.min(wall.y, far), Math.max(wall.y, far)),
        ...between('z', z, z + high),
      ]),
      id,
    ),
    outsideNormal: [0, inward, 0],
    grainDirection: [1, 0, 0],
    grain: 'along',
    inside: 'any',
    knots: 'none',
  };
}

export interface Parts {
  drafts: Draft[];
  joints: JointDraft[];
}
export const NO_PARTS: Parts = { drafts: [], joints: [] };

/** Strips on the wall, as sticks of their own. */
export function ladder(
  plan: GripPlan & { wood: { readonly ladder?: PanelWood } },
  wall: GripWall,
): Parts {
  if (plan.choices.grip !== 'ladder') return NO_PARTS;
  const { thickness, width } = plan.wood.ladder ?? {};
  if (!thickness || !width) return NO_PARTS;
  const drafts = levels(wall, Math.max(RUNG, width + fromMm(12)), width)
    .filter((z) => reachOfRung(wall, width, z) >= LEAST_REACH)
    .map((z, index) => rung(wall, thickness, width, z, index));
  return {
    drafts,
    joints: drafts.map((draft) => ({ between: [draft.id, wall.panel], kind: 'butt' })),
  };
}
