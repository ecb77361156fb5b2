import type { Animal } from '../animals/index.js';
import { at } from '../lists/index.js';
import { fromMm, type Ticks, toMm } from '../measure/index.js';
import type { PanelSet } from '../panels/index.js';
import { type BoxPlan, keepsOutside } from '../plan/index.js';
import { ofLength, text } from '../text/index.js';
import { type Check, forEachAnimal, LEEWAY_MM, ofMm, type Remedy, type Rule } from './check.js';

/** Which sizes of the plan make the floor larger. */
export interface FloorSizes {
  width: string;
  depth: string;
}

const ROOM: FloorSizes = { width: 'width', depth: 'depth' };

interface Need {
  floorWidth: number;
  floorDepth: number;
}

/** The plan with a floor that is large enough, walls allowed for where outside sizes are kept. */
function grown(plan: BoxPlan, { floorWidth, floorDepth }: Need, sizes: FloorSizes): BoxPlan {
  const walls = (direction: 'width' | 'depth', ...roles: string[]) =>
    keepsOutside(plan.choices, direction)
      ? roles.reduce((sum, role) => sum + (plan.wood[role]?.thickness ?? 0), 0)
      : 0;
  const atLeast = (id: string, mm: number, around: number) =>
    Math.max(plan.sizes[id] ?? 0, fromMm(mm) + around);
  return {
    ...plan,
    sizes: {
      ...plan.sizes,
      [sizes.width]: atLeast(sizes.width, floorWidth, walls('width', 'side-left', 'side-right')),
      [sizes.depth]: atLeast(sizes.depth, floorDepth, walls('depth', 'front', 'back')),
    },
  };
}

/** How much of the first room's depth is no floor: gaps that run right across it. */
function gapsAcross(box: PanelSet): Ticks {
  const { origin, width, depth } = at(box.cavities, 0);
  const gaps = box.openings.flatMap(({ kind, polygon }) => {
    if (kind !== 'drain') return [];
    const [xs, ys, zs] = [0, 1, 2].map((axis) => polygon.map((point) => at(point, axis)));
    if (!xs || !ys || !zs) return [];
    const reach = (values: readonly number[]) => Math.max(...values) - Math.min(...values);
    const isHere = Math.min(...ys) >= origin[1] - 1 && Math.max(...ys) <= origin[1] + depth + 1;
    return isHere && reach(zs) < 2 && reach(xs) > width * 0.95 ? [reach(ys)] : [];
  });
  return gaps.reduce((sum, gap) => sum + gap, 0);
}

/** The floor of a room against what an animal needs, whichever way round it lies; none where nothing is known of it. */
export function floorCheck(box: PanelSet, animal: Animal, remedies: readonly Remedy[]): Check[] {
  const { width, depth: whole } = at(box.cavities, 0);
  const depth = whole - gapsAcross(box);
  const { floorWidth, floorDepth } = animal;
  if (!floorWidth || !floorDepth) return [];
  const short = (have: number, need: number) => toMm(have) < need - LEEWAY_MM;
  const fits =
    !short(Math.min(width, depth), Math.min(floorWidth, floorDepth)) &&
    !short(Math.max(width, depth), Math.max(floorWidth, floorDepth));
  return [
    {
      id: 'floor',
      severity: fits ? 'kept' : 'warn',
      role: 'floor',
      text: text`Floor inside ${ofLength(width)} × ${ofLength(depth)}; at least ${ofMm(floorWidth)} × ${ofMm(floorDepth)} is wanted.`,
      evidence: animal.evidence,
      source: animal.source,
      remedies: fits ? [] : remedies,
    },
  ];
}

/** The floor against what each animal needs. `sizes` are those that make it larger; null where none does. */
export const roomRule = (sizes: FloorSizes | null = ROOM): Rule =>
  forEachAnimal(({ box }, animal) => {
    const { floorWidth, floorDepth } = animal;
    if (!sizes || !floorWidth || !floorDepth) return floorCheck(box, animal, []);
    const apply = (current: BoxPlan) => grown(current, { floorWidth, floorDepth }, sizes);
    return floorCheck(box, animal, [{ label: 'Grow the floor', apply }]);
  });
