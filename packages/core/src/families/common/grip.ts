import { fromMm, type Ticks } from '../../measure/index.js';
import { type Draft, type Feature, type JointDraft, wood } from '../../panels/index.js';
import {
  type Chosen,
  length,
  oneOf,
  type PanelWood,
  type Refusal,
  type RoleDeclaration,
  since,
} from '../../plan/index.js';
import { boundsOf, type Point } from '../../plane/index.js';
import { between, solidInside, type Vec3 } from '../../solid/index.js';
import { ofLength, text } from '../../text/index.js';
import { refusalsOf } from './entrance.js';

/** Grooves to climb by are 3 mm deep: common practice, no source. */
const SCORE_DEPTH = fromMm(3);
/** Wood left between two scores. Common practice, no source. */
const LEAST_RIB = fromMm(2);
/** Room between one strip and the next, for a foot. Common practice, no source. */
const BETWEEN_RUNGS = fromMm(8);
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
const { rough, kerfs, ladder: inStrips, mesh } = GRIPS;
export const GRIP = oneOf(LABEL, [rough, kerfs, inStrips, mesh]);
/** For boxes of sheet, which is smooth. */
export const GRIP_ON_SHEET = oneOf(LABEL, [kerfs, inStrips, mesh, rough]);
export const GRIP_PLAIN = oneOf(LABEL, [rough, kerfs]);

export const LADDER_ROLE: RoleDeclaration = {
  label: 'Ladder strip',
  stick: [6, 12],
  applies: (s) => s.grip === 'ladder',
};

/** Scores to climb or hang by, as the maker's tool makes them: 6–13 mm apart, common practice, no source. */
export const scoreSizes = (applies: (choices: Chosen) => boolean, spacing = 10) => ({
  scoreSpacing: since(
    length('Scores apart', 4, 30, spacing, 'From one groove to the next.', applies),
    spacing,
  ),
  scoreWidth: since(
    length('Scores wide', 0.8, 8, 3.2, 'A saw’s kerf, a chisel’s or a nail’s scratch.', applies),
    3.2,
  ),
});

/** Scores and strips under an entrance. */
export const GRIP_SIZES = {
  ...scoreSizes(({ grip }) => grip === 'kerfs'),
  rungSpacing: since(
    length(
      'Strips apart',
      16,
      400,
      32,
      'From the lower edge of one to the next: three or four do for an owl.',
      ({ grip }) => grip === 'ladder',
    ),
    32,
  ),
};

/** What of a plan says how a wall is made to climb by. */
export interface GripPlan {
  sizes: Readonly<Record<'scoreSpacing' | 'scoreWidth' | 'rungSpacing', Ticks>>;
  choices: { readonly grip: keyof typeof GRIPS };
}
/** The same where only scores are asked for. */
export type ScorePlan = {
  sizes: Pick<GripPlan['sizes'], 'scoreSpacing' | 'scoreWidth'>;
  choices: GripPlan['choices'];
};

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
  /** Grip on the wall’s outside, for those that climb to the entrance; otherwise within. */
  outside?: true;
}

const halfAt = ({ half, freeAt }: GripWall, z: number): number =>
  Math.min(half, freeAt?.(z) ?? half);

const levels = ({ floor, sill }: GripWall, spacing: number, high: number): number[] => {
  const found: number[] = [];
  for (let z = floor + FROM_FLOOR; z + high < floor + sill - TO_SILL; z += spacing) found.push(z);
  return found;
};

type ToFrame = (point: Vec3) => Point;

function kerfFeatures(
  { scoreSpacing, scoreWidth }: ScorePlan['sizes'],
  wall: GripWall,
  toFrame: ToFrame,
): Feature[] {
  return levels(wall, Math.max(scoreSpacing, scoreWidth), 0).flatMap((z): Feature[] => {
    const reach = halfAt(wall, z + scoreWidth) - FROM_SIDE;
    if (reach < LEAST_REACH) return [];
    const end = (side: number) => toFrame([wall.x + side * reach, wall.y, z]);
    return [
      {
        kind: 'groove',
        purpose: 'grip',
        from: end(1),
        to: end(-1),
        face: wall.outside ? 'outside' : 'inside',
        width: scoreWidth,
        depth: SCORE_DEPTH,
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
export function gripFeatures(
  { sizes, choices }: ScorePlan,
  wall: GripWall,
  toFrame: ToFrame,
): Feature[] {
  if (choices.grip === 'kerfs') return kerfFeatures(sizes, wall, toFrame);
  return choices.grip === 'mesh' ? meshFeatures(wall, toFrame) : [];
}

const reachOfRung = (wall: GripWall, high: Ticks, z: number): number =>
  halfAt(wall, z + high) - fromMm(12);

function rung(wall: GripWall, thickness: Ticks, high: Ticks, z: number, index: number): Draft {
  const role = wall.outside ? 'outer-ladder' : 'ladder';
  const id = `${wall.panel}-${role}-${index}`;
  const inward = wall.outside ? -1 : (wall.inward ?? 1);
  const reach = reachOfRung(wall, high, z);
  const far = wall.y + inward * thickness;
  return {
    id,
    group: role,
    role,
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

/** Strips on the wall, as sticks of their own; none where no stick is chosen. */
export function strips(
  { sizes }: Pick<GripPlan, 'sizes'>,
  stick: PanelWood | undefined,
  wall: GripWall,
): Parts {
  const { thickness, width } = stick ?? {};
  if (!thickness || !width) return NO_PARTS;
  const drafts = levels(wall, Math.max(sizes.rungSpacing, width), width)
    .filter((z) => reachOfRung(wall, width, z) >= LEAST_REACH)
    .map((z, index) => rung(wall, thickness, width, z, index));
  return {
    drafts,
    joints: drafts.map((draft) => ({ between: [draft.id, wall.panel], kind: 'butt' })),
  };
}

/** Strips within, where the grip is a ladder. */
export const ladder = (
  plan: GripPlan & { wood: { readonly ladder?: PanelWood } },
  wall: GripWall,
): Parts => (plan.choices.grip === 'ladder' ? strips(plan, plan.wood.ladder, wall) : NO_PARTS);

/** Strips that no stick is chosen for, or that leave no room for a foot; scores that run into each other. */
export function gripFaults(
  { sizes, choices }: ScorePlan & { sizes: Partial<GripPlan['sizes']> },
  stick: PanelWood | undefined,
): Refusal[] {
  const wide = stick?.width ?? 0;
  const { scoreSpacing, scoreWidth, rungSpacing = 0 } = sizes;
  const isLadder = choices.grip === 'ladder';
  return refusalsOf([
    {
      when: isLadder && wide === 0,
      field: 'wood.ladder',
      message: text`Choose a stick for the ladder strips: its width decides how many there are.`,
    },
    {
      when: isLadder && rungSpacing < wide + BETWEEN_RUNGS,
      field: 'rungSpacing',
      message: text`Strips ${ofLength(wide)} wide so near each other leave no room for a foot. Set them ${ofLength(wide + BETWEEN_RUNGS)} or more apart, or choose a narrower stick.`,
    },
    {
      when: choices.grip === 'kerfs' && scoreSpacing < scoreWidth + LEAST_RIB,
      field: 'scoreSpacing',
      message: text`Scores ${ofLength(scoreWidth)} wide so near each other leave no rib between them. Set them ${ofLength(scoreWidth + LEAST_RIB)} or more apart.`,
    },
  ]);
}
