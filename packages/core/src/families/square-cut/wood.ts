import type { Animal } from '../../animals/index.js';
import { at } from '../../lists/index.js';
import { fromInches, fromMm, type Ticks } from '../../measure/index.js';
import type { PanelWood } from '../../plan/index.js';

type WoodByRole = Readonly<Record<string, PanelWood>>;

/** Widths of surfaced boards, for a first plan: DOC PS 20, American Softwood Lumber Standard [P]. */
const WIDTHS = [3.5, 5.5, 7.25, 9.25, 11.25].map(fromInches);

/** Roles that come from one board. */
const GROUPS = {
  front: ['front', 'back', 'floor'],
  side: ['side-left', 'side-right'],
  roof: ['roof'],
} as const;

/** Each role's own of three boards. */
const given = <T>(boards: Readonly<Record<keyof typeof GROUPS, T>>): [role: string, board: T][] =>
  (Object.keys(GROUPS) as (keyof typeof GROUPS)[]).flatMap((group) =>
    GROUPS[group].map((role): [string, T] => [role, boards[group]]),
  );

/** Front, back and floor as wide as the animal needs, the sides the next width up that leaves its depth, the roof the next. */
export function startWood(animal: Animal, wood: WoodByRole): WoodByRole {
  const thickness = wood.front?.thickness ?? 0;
  const widest = at(WIDTHS, -1);
  const front = WIDTHS.find((width) => width >= fromMm((animal.floorWidth ?? 0) - 1)) ?? widest;
  const deep = fromMm((animal.floorDepth ?? 60) - 1);
  const side = WIDTHS.find((width) => width > front - 1 && width - 2 * thickness >= deep) ?? widest;
  const roof = WIDTHS.find((width) => width > side) ?? side + fromMm(50);
  const width = new Map(given({ front, side, roof }));
  return Object.fromEntries(
    Object.entries(wood).map(([role, each]) => [
      role,
      { ...each, width: width.get(role) ?? each.width },
    ]),
  );
}

/** How far a floor is short of what the animal needs, in ticks over both ways; 0 when it is large enough. */
const shortOf = (animal: Animal | undefined, width: Ticks, depth: Ticks): Ticks =>
  Math.max(0, fromMm((animal?.floorWidth ?? 95) - 1) - width) +
  Math.max(0, fromMm((animal?.floorDepth ?? 95) - 1) - depth);

/**
 * Three kinds of boards that make a sound box: the smallest floor that is large enough for the animal, or else the one least short of it;
 * the commonest roof that is wide enough.
 */
export function woodFrom(
  wood: WoodByRole,
  boards: readonly PanelWood[],
  animal: Animal | undefined,
  isSound: (wood: WoodByRole) => boolean,
): WoodByRole | null {
  const floors = boards
    .flatMap((front) =>
      boards.map((side) => ({
        front,
        side,
        width: front.width ?? 0,
        depth: (side.width ?? 0) - 2 * front.thickness,
      })),
    )
    .map((floor) => ({ ...floor, short: shortOf(animal, floor.width, floor.depth) }))
    .sort((p, q) => p.short - q.short || p.width * p.depth - q.width * q.depth);
  for (const { front, side } of floors)
    for (const roof of boards) {
      const found = { ...wood, ...Object.fromEntries(given({ front, side, roof })) };
      if (isSound(found)) return found;
    }
  return null;
}
