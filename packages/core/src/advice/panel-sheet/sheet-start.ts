import { buildBox, type Family } from '../../families/index.js';
import { minBy } from '../../lists/index.js';
import { fromInches, fromMm, type Ticks } from '../../measure/index.js';
import { applying, type BoxPlan, startPlan } from '../../plan/index.js';
import type { SheetQuestion } from './fit-sheet.js';
import type { PanelSheet } from './read-sheet.js';
import type { Asked } from './sheet-fitter.js';

/** Names on sheets, and the roles that they may mean. */
const NAMES: Readonly<Record<string, readonly string[]>> = {
  side: ['side-left', 'side-right'],
  end: ['side-left', 'side-right'],
  cheek: ['side-left', 'side-right'],
  'left side': ['side-left'],
  'right side': ['side-right'],
  top: ['roof'],
  lid: ['roof'],
  slope: ['roof-left', 'roof-right'],
  bottom: ['floor'],
  base: ['floor'],
  'front gable': ['front'],
  'back gable': ['back'],
  gable: ['front', 'back'],
};

/** What each line gives in a kind of box; null where the box has no such panel, or has one that the sheet would have to name. */
export function rolesIn(family: Family, { lines }: PanelSheet): Asked[] | null {
  const known = new Set(family.roles.map(({ id }) => id));
  const labelled = new Map(family.roles.map(({ id, label }) => [label.toLowerCase(), id]));
  const asked: Asked[] = [];
  for (const line of lines) {
    const roles = NAMES[line.name] ?? [labelled.get(line.name) ?? line.name];
    const there = roles.filter((role) => known.has(role));
    if (there.length === 0) return null;
    asked.push(...there.map((role) => ({ line, role })));
  }
  return asked;
}

const SIXTY_FOURTH = fromInches(1 / 64);
/** A size this near a sixty-fourth or a tenth of a millimetre is meant to be it. */
const MEANT = 8;

/** Sizes as they are read on a tape. */
export const tidy = (plan: BoxPlan): BoxPlan => ({
  ...plan,
  sizes: Object.fromEntries(
    Object.entries(plan.sizes).map(([id, value]) => {
      const near = [SIXTY_FOURTH, fromMm(0.1)].map((grid) => Math.round(value / grid) * grid);
      const best = minBy(near, (each) => Math.abs(each - value)) ?? value;
      return [id, Math.abs(best - value) <= MEANT ? best : value];
    }),
  ),
});

/** The plan to begin from in one kind of box: the sheet’s thicknesses, a hole that does not stand in the way of its sizes. */
export function startFrom(
  family: Family,
  { sheet, animal, wood }: SheetQuestion,
  asked: readonly Asked[],
): BoxPlan {
  const plan = startPlan(family, animal, wood);
  const boards = Object.fromEntries(
    Object.entries(plan.wood).map(([role, own]) => {
      const stick = family.roles.find(({ id }) => id === role)?.stick;
      const said = asked.find((each) => each.role === role)?.line.thickness ?? sheet.thickness;
      return [role, said === null || stick ? own : { ...own, thickness: said }];
    }),
  );
  const { hole } = sheet;
  return {
    ...plan,
    wood: boards,
    sizes: {
      ...plan.sizes,
      ...(hole !== null && 'entranceWidth' in plan.sizes && { entranceWidth: hole }),
    },
    choices: { ...plan.choices, ...family.fromSheet?.fixed },
  };
}

/** A hole low and small enough for any front, while sizes are looked for. */
export const withLowHole = (plan: BoxPlan): BoxPlan => ({
  ...plan,
  sizes: {
    ...plan.sizes,
    ...('entranceHeight' in plan.sizes && {
      entranceHeight: fromMm(60),
      entranceWidth: fromMm(25),
      entranceUpright: fromMm(25),
    }),
  },
});

/** A size of the entrance that the box found has no room for as it was asked. */
export interface HoleMoved {
  label: string;
  asked: Ticks;
  set: Ticks;
}

/** The hole that was asked for put back: where the box has no room for it, lower, or at last as the search had it; what changed is told. */
export function withOwnHole(
  { parameters }: Family,
  found: BoxPlan,
  start: BoxPlan,
): { plan: BoxPlan; moved: HoleMoved[] } {
  if (!('entranceHeight' in start.sizes)) return { plan: found, moved: [] };
  const { entranceHeight = 0, entranceWidth = 0, entranceUpright = 0 } = start.sizes;
  const holes: BoxPlan[] = [];
  for (let height = entranceHeight; height > entranceWidth; height -= fromMm(5))
    holes.push({
      ...found,
      sizes: { ...found.sizes, entranceHeight: height, entranceWidth, entranceUpright },
    });
  const plan = holes.find((each) => buildBox(each).ok) ?? found;
  const moved = applying(parameters, plan.choices).flatMap(({ id, label }): HoleMoved[] => {
    const [asked, set] = [start.sizes[id], plan.sizes[id]];
    const isHole = id.startsWith('entrance') && asked !== undefined && set !== undefined;
    return isHole && asked !== set ? [{ label, asked, set }] : [];
  });
  return { plan, moved };
}
