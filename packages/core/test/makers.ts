import { beforeAll, expect } from '@jest/globals';
import { animalById } from '../src/animals/index.js';
import { buildBox, checkBox, familyById } from '../src/families/index.js';
import { layoutJob, STANDARD_SAW, type Stock } from '../src/job/index.js';
import { checkLayout, type LinearSolver, searchLayout } from '../src/layout/index.js';
import { at, must } from '../src/lists/index.js';
import { fromInches } from '../src/measure/index.js';
import { measuresOf, type Panel, type PanelSet } from '../src/panels/index.js';
import type { BoxPlan, PanelWood } from '../src/plan/index.js';
import { expectSound, planFor } from './boxes.js';
import { testSolver } from './solver.js';

/** Boxes built from their makers' own numbers, read back in inches, and laid out on their boards. */

let solver: LinearSolver;
beforeAll(async () => {
  solver = await testSolver();
});
/** The solver that boxes are laid out with, there once a test runs. */
export const makersSolver = (): LinearSolver => solver;

export const start = (family: string, animal: string): BoxPlan =>
  planFor(must(familyById(family), family), must(animalById(animal), animal));

export interface Change {
  sizes?: Record<string, number>;
  angles?: Record<string, number>;
  choices?: Record<string, string>;
  wood?: (role: string, own: PanelWood) => Partial<PanelWood>;
}

export const built = (
  from: BoxPlan,
  { sizes, angles, choices, wood }: Change,
): { plan: BoxPlan; box: PanelSet } => {
  const plan: BoxPlan = {
    ...from,
    sizes: { ...from.sizes, ...sizes },
    angles: { ...from.angles, ...angles },
    choices: { ...from.choices, ...choices },
    wood: Object.fromEntries(
      Object.entries(from.wood).map(([role, own]) => [role, { ...own, ...wood?.(role, own) }]),
    ),
  };
  const made = buildBox(plan);
  if (!made.ok) throw new Error(JSON.stringify(made.refusals));
  expectSound(made.box);
  return { plan, box: made.box };
};
export const panel = ({ panels }: PanelSet, id: string): Panel =>
  must(
    panels.find((each) => each.id === id),
    id,
  );
/** Length along the grain and width, in inches. */
export const inches = (box: PanelSet, id: string): number[] => {
  const { longPoint, blankWidth } = measuresOf(panel(box, id));
  return [longPoint, blankWidth].map((ticks) => ticks / 320 / 25.4);
};
export const near = (values: readonly number[], wanted: readonly number[], by = 0.002): void => {
  expect(values).toHaveLength(wanted.length);
  values.forEach((value, index) => {
    expect(Math.abs(value - at(wanted, index))).toBeLessThan(by);
  });
};
export const stock = (id: string, width: number, feet: number, price: number): Stock => ({
  id,
  quantity: 400,
  material: 'western-red-cedar',
  thickness: fromInches(0.75),
  width: fromInches(width),
  length: fromInches(12 * feet),
  faceA: 'rough',
  faceB: 'rough',
  price,
  offcut: false,
  grained: true,
  defects: [],
});

/** The boards that so many of them take; the layout stands, and nothing is left over. */
export const boardsFor = (plan: BoxPlan, boxes: number, boards: Stock[]) => {
  const saw = { ...STANDARD_SAW, kerf: fromInches(1 / 8) };
  const made = layoutJob({ name: '', plan, boxes, stock: boards, saw, seconds: 5, pinned: [] });
  if (!made.ok) throw new Error('no job');
  let asked = 0;
  const layout = searchLayout(made.job, {
    clock: () => 0,
    solver,
    stopped: () => ++asked > 400,
  });
  expect(layout.unplaced).toEqual([]);
  expect(checkLayout(made.job, layout)).toEqual([]);
  return { boards: layout.boards.map(({ stock: of }) => of).sort(), optimal: layout.optimal };
};
export const stops = (plan: BoxPlan, box: PanelSet) =>
  checkBox(plan, box).filter(({ severity }) => severity === 'stop');

/** Two metres and forty-four: an 8 ft board, and the long side of a sheet. */
const LONG = fromInches(96);
const SHEET_WIDE = fromInches(48);
const WIDEST_BOARD = fromInches(11.25);

/** Boards, sheets and sticks of just the woods that a plan names: eight feet long, as wide as it says, or the widest there is. */
export function woodsOf({ wood }: BoxPlan): Stock[] {
  const found = new Map<string, Stock>();
  for (const [role, own] of Object.entries(wood)) {
    const { thickness, material, faceA, faceB } = own;
    const isPly = material === 'plywood';
    const width = isPly ? SHEET_WIDE : (own.width ?? WIDEST_BOARD);
    const key = [thickness, width, material, faceA, faceB].join();
    if (found.has(key)) continue;
    const price = Math.round((thickness * width) / 1e5);
    found.set(key, {
      ...stock(role, 1, 8, price),
      ...{ thickness, width, material, faceA, faceB, length: LONG, grained: !isPly },
      quantity: 12,
    });
  }
  return [...found.values()];
}

/** Lays one box out on its woods: every panel finds its place, and the layout breaks no rule. Gives the boards touched. */
export const laidOut = (plan: BoxPlan): number => boardsFor(plan, 1, woodsOf(plan)).boards.length;
