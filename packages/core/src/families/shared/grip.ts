import { fromMm } from '../../measure/index.js';
import { type Draft, type Feature, type JointDraft, wood } from '../../panels/index.js';
import { type BoxPlan, type PanelRole, type School, school } from '../../plan/index.js';
import type { Point } from '../../plane/index.js';
import { between, solidInside, type Vec3 } from '../../solid/index.js';

/** Grooves to climb by: 3 mm deep, 6–13 mm apart, common practice, no source. */
const SCORE = { depth: fromMm(3), width: fromMm(3.2), spacing: fromMm(10) };
/** Strips to climb by: common practice, no source. */
const RUNG = fromMm(32);
/** Grip begins this high above the floor and ends this far below the sill: common practice, no source. */
const FROM_FLOOR = fromMm(20);
const TO_SILL = fromMm(4);
const FROM_SIDE = fromMm(8);

export const GRIP_SCHOOL: School = school('grip', 'Grip under the entrance', [
  ['rough', 'rough face in', 'The sawn face of the board looks inwards.'],
  [
    'kerfs',
    'saw kerfs',
    'Shallow kerfs or chisel scores across the inside, from near the floor to the sill.',
  ],
  ['ladder', 'strips', 'Thin strips across the inside as a ladder, from stick stock.'],
  [
    'mesh',
    'mesh',
    'A strip of mesh stapled flat, its cut edges folded under so that no foot is caught.',
  ],
]);

export const LADDER_ROLE: PanelRole = {
  id: 'ladder',
  label: 'Ladder strip',
  stick: [6, 12],
  applies: (s) => s.grip === 'ladder',
};

/** The inside of the wall below an entrance: where the grip goes. `y` is the wall's inside face. */
export interface GripWall {
  panel: string;
  x: number;
  half: number;
  y: number;
  floor: number;
  sill: number;
  /** +1 where the room lies behind the wall (greater y), −1 where it lies before it. */
  inward?: 1 | -1;
}

const levels = ({ floor, sill }: GripWall, spacing: number, high: number): number[] => {
  const found: number[] = [];
  for (let z = floor + FROM_FLOOR; z + high < floor + sill - TO_SILL; z += spacing) found.push(z);
  return found;
};

/** Kerfs or mesh on the wall, as its features. */
export function gripFeatures(
  plan: BoxPlan,
  wall: GripWall,
  toFrame: (point: Vec3) => Point,
): Feature[] {
  const reach = wall.half - FROM_SIDE;
  const at = (side: number, z: number) => toFrame([wall.x + side * reach, wall.y, z]);
  if (plan.schools.grip === 'kerfs')
    return levels(wall, SCORE.spacing, 0).map((z) => ({
      kind: 'groove',
      purpose: 'grip',
      from: at(1, z),
      to: at(-1, z),
      face: 'inside',
      width: SCORE.width,
      depth: SCORE.depth,
    }));
  if (plan.schools.grip !== 'mesh' || wall.sill < FROM_FLOOR + TO_SILL + fromMm(20)) return [];
  const half = Math.min(reach, fromMm(50));
  const corners = [
    toFrame([wall.x - half, wall.y, wall.floor + FROM_FLOOR]),
    toFrame([wall.x + half, wall.y, wall.floor + wall.sill - TO_SILL]),
  ];
  const xs = corners.map((corner) => corner[0]);
  const ys = corners.map((corner) => corner[1]);
  return [
    {
      kind: 'mesh',
      face: 'inside',
      corner: [Math.min(...xs), Math.min(...ys)],
      height: Math.max(...xs) - Math.min(...xs),
      width: Math.max(...ys) - Math.min(...ys),
    },
  ];
}

/** Strips on the wall, as sticks of their own. */
export function ladder(plan: BoxPlan, wall: GripWall): { drafts: Draft[]; joints: JointDraft[] } {
  const stick = plan.wood.ladder;
  if (plan.schools.grip !== 'ladder' || !stick?.width) return { drafts: [], joints: [] };
  const { thickness } = stick;
  const high = stick.width;
  const inward = wall.inward ?? 1;
  const reach = wall.half - fromMm(12);
  const drafts = levels(wall, Math.max(RUNG, high + fromMm(12)), high).map((z, index): Draft => {
    const id = `${wall.panel}-ladder-${index}`;
    return {
      id,
      group: 'ladder',
      role: 'ladder',
      thickness,
      solid: wood(
        solidInside([
          ...between('x', wall.x - reach, wall.x + reach),
          ...between(
            'y',
            Math.min(wall.y, wall.y + inward * thickness),
            Math.max(wall.y, wall.y + inward * thickness),
          ),
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
  });
  return {
    drafts,
    joints: drafts.map((draft) => ({ between: [draft.id, wall.panel], kind: 'butt' })),
  };
}
