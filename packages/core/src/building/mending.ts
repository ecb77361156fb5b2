import type { MendedBox } from '../job/index.js';
import { at, sum } from '../lists/index.js';
import type { PanelCopy, PanelSet } from '../panels/index.js';
import { areaOf } from '../plane/index.js';
import type { AssemblyStep, StepJoint } from './assembly/steps.js';
import { bodyKey } from './bodies.js';
import { type Coats, finishId } from './hardware/covered.js';
import type { HardwareLine } from './hardware/line.js';
import { type HardwareCount, itemsOf, spareOf } from './items.js';

/** What is new in a box that is mended: its copies of panels, by their keys. */
export type NewInBox = ReadonlySet<string>;

const copyKey = ({ panel, instance }: PanelCopy): string => bodyKey(panel, instance);

/** Box by box what goes in new. Of a panel that stands several times in a box the first copies are the new ones: they are alike. */
export const newInBoxes = (mends: readonly MendedBox[]): NewInBox[] =>
  mends.map(
    ({ panels }) =>
      new Set(
        panels.flatMap(({ panel, count }) =>
          Array.from({ length: count }, (_unused, instance) => bodyKey(panel, instance)),
        ),
      ),
  );

const isNewIn = (fresh: NewInBox) => (copy: PanelCopy) => fresh.has(copyKey(copy));

/** A step as far as something new goes in or is fastened by it; nothing where all that it puts together stands. */
function mendingStep(step: AssemblyStep, fresh: NewInBox): AssemblyStep[] {
  const isNew = isNewIn(fresh);
  const touches = ({ between }: StepJoint): boolean => between.some(isNew);
  const joints = step.joints.filter(touches);
  if (joints.length === 0 && !step.add.some(isNew)) return [];
  return [{ ...step, joints, stands: !step.add.some(isNew) }];
}

export const mendingSteps = (steps: readonly AssemblyStep[], fresh: NewInBox): AssemblyStep[] =>
  steps.flatMap((step) => mendingStep(step, fresh));

/** What the steps of all boxes take; for one box, the most that any takes. */
export function mendedItems(boxes: readonly (readonly AssemblyStep[])[]): HardwareCount[] {
  const counts = new Map<string, { forOneBox: number; forAll: number }>();
  for (const steps of boxes)
    for (const { item, forOneBox: own } of itemsOf(steps, 1)) {
      const { forOneBox = 0, forAll = 0 } = counts.get(item) ?? {};
      counts.set(item, { forOneBox: Math.max(forOneBox, own), forAll: forAll + own });
    }
  return [...counts]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([item, { forOneBox, forAll }]) => ({
      item,
      forOneBox,
      forAll,
      spare: spareOf(item, forAll),
    }));
}

/** How much of the wood of so many boxes is new, by the faces of their panels: from 0 to 1. */
export function newShare({ panels }: PanelSet, boxes: readonly NewInBox[]): number {
  const faces = panels.flatMap(({ id, outline, instances }) =>
    instances.map((_unused, instance) => ({ key: bodyKey(id, instance), area: areaOf(outline) })),
  );
  const isNew = (key: string) => boxes.filter((fresh) => fresh.has(key)).length;
  const all = sum(faces.map(({ area }) => area)) * boxes.length;
  return all > 0 ? sum(faces.map(({ key, area }) => area * isNew(key))) / all : 0;
}

/** Coats on what is new alone. */
export const mendedCoats = (coats: readonly Coats[], share: number): Coats[] =>
  coats.map((each) => ({
    ...each,
    squareMetres: each.squareMetres * share,
    millilitres: Math.ceil(each.millilitres * share),
  }));

/** In how many of the boxes a copy of a panel goes in new; in all of them where none is mended. */
export const boxesWithNew = (
  { boxes, mended }: { boxes: number; mended: readonly NewInBox[] | null },
  panel: string,
  instance: number,
): number => mended?.filter((fresh) => fresh.has(bodyKey(panel, instance))).length ?? boxes;

/** The steps of one box of the batch, from 1. */
export const stepsOfBox = (
  { steps, mended }: { steps: readonly AssemblyStep[]; mended: readonly NewInBox[] | null },
  box: number,
): readonly AssemblyStep[] => (mended ? mendingSteps(steps, at(mended, box - 1)) : steps);

/** Bodies that stand already when a box is mended, by their keys; of the whole batch those that are new in none of its boxes. */
export function standingBodies(
  { mended }: { mended: readonly NewInBox[] | null },
  { panels }: PanelSet,
  box: number | null,
): ReadonlySet<string> {
  if (!mended) return new Set();
  const fresh = box === null ? mended : [at(mended, box - 1)];
  return new Set(
    panels
      .flatMap(({ id, instances }) => instances.map((_unused, index) => bodyKey(id, index)))
      .filter((key) => !fresh.some((own) => own.has(key))),
  );
}

/** The boxes that a step is done for, from 1. */
export const boxesOfStep = (
  build: { boxes: number; steps: readonly AssemblyStep[]; mended: readonly NewInBox[] | null },
  { add: [first] }: AssemblyStep,
): number[] =>
  Array.from({ length: build.boxes }, (_unused, index) => index + 1).filter((box) =>
    stepsOfBox(build, box).some(
      ({ add: [own] }) => own && first && copyKey(own) === copyKey(first),
    ),
  );

/**
 * Of what whole boxes take that which mending takes, for all of the batch: fasteners of the joints that are made anew, coats and caulk on
 * what is new. What the old box may still give (glue, covers, plates, fixings) is not counted.
 *
 * @param lines of one whole box
 */
export function mendedLines(
  lines: readonly HardwareLine[],
  { hardware, finish, seal, boxes }: Mended,
): HardwareLine[] {
  const counts = new Map<string, number>([
    ...hardware.map(({ item, forAll }) => [item, forAll] as const),
    ...finish.map(({ millilitres }, index) => [finishId(index), millilitres * boxes] as const),
    ['caulk', seal.length * boxes],
  ]);
  return lines.flatMap((line) => {
    const quantity = counts.get(line.id) ?? 0;
    return quantity > 0 ? [{ ...line, quantity }] : [];
  });
}

interface Mended {
  boxes: number;
  hardware: readonly HardwareCount[];
  finish: readonly Coats[];
  seal: { length: number };
}
