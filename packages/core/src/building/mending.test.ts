import { describe, expect, test } from '@jest/globals';
import { startFor } from '../../test/plans.js';
import { buildBox, FAMILIES, familyById } from '../families/index.js';
import { type MendedBox, partsFor, readyCopies, soundPieces } from '../job/index.js';
import { must, sum } from '../lists/index.js';
import type { PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { hardwareOf } from './hardware/hardware-of.js';
import { boxesOfStep, boxesWithNew, mendedLines, standingBodies, stepsOfBox } from './mending.js';
import { planBuild, stepKey, USUAL_BUILD } from './plan-build.js';
import { workOf } from './work.js';

const boxed = (id: string): { plan: BoxPlan; box: PanelSet } => {
  const plan = startFor(must(familyById(id), id));
  const built = buildBox(plan);
  if (!built.ok) throw new Error(id);
  return { plan, box: built.box };
};
const mend = (number: number, ...panels: (readonly [string, number])[]): MendedBox => ({
  number,
  panels: panels.map(([panel, count]) => ({ panel, count })),
});
/** Every panel of a box anew. */
const allOf = ({ panels }: PanelSet, number: number): MendedBox =>
  mend(number, ...panels.map(({ id, instances }) => [id, instances.length] as const));
const quantities = (plan: BoxPlan, box: PanelSet, mends: readonly MendedBox[]) =>
  Object.fromEntries(
    partsFor(plan, box, mends.length, soundPieces(plan, box, mends)).map(({ id, quantity }) => [
      id,
      quantity,
    ]),
  );

describe('panels of boxes that are mended', () => {
  test('a worked example: a roof of box 17, a floor and a left side of box 23', () => {
    const { plan, box } = boxed('slant-roof');
    const mends = [mend(17, ['roof', 1]), mend(23, ['floor', 1], ['side-left', 1])];
    expect(quantities(plan, box, mends)).toEqual({ roof: 1, floor: 1, 'side-left': 1 });
    expect(quantities(plan, box, [...mends, mend(9, ['roof', 1])])).toMatchObject({ roof: 2 });
  });

  test.each(FAMILIES.map(({ id }) => [id] as const))(
    '%s: of each panel alone exactly that panel is sawn; of all of them whole boxes are',
    (id) => {
      const { plan, box } = boxed(id);
      for (const panel of box.panels) {
        const mends = [mend(1, [panel.id, 1]), mend(2, [panel.id, panel.instances.length])];
        const own = new Set(partsFor(plan, { ...box, panels: [panel] }, 1).map((part) => part.id));
        const sawn = quantities(plan, box, mends);
        expect(Object.keys(sawn).every((part) => own.has(part))).toBe(true);
        for (const part of own) expect(sawn[part]).toBe(1 + panel.instances.length);
      }
      const whole = partsFor(plan, box, 2);
      const anew = partsFor(plan, box, 2, soundPieces(plan, box, [allOf(box, 1), allOf(box, 2)]));
      expect(anew).toEqual(whole);
    },
  );

  test('a side that stands on one box does not serve as the other side of another, be they alike or not', () => {
    const { plan, box } = boxed('slant-roof');
    const alike = box.panels.map((panel) => ({ ...panel, features: [] }));
    const [left, right] = ['side-left', 'side-right'].map((id) =>
      must(
        alike.find((panel) => panel.id === id),
        id,
      ),
    );
    const twins = {
      ...box,
      panels: [must(left, 'left'), { ...must(left, 'left'), id: must(right, 'right').id }],
    };
    const mends = [mend(1, ['side-left', 1]), mend(2, ['side-left', 1])];
    const { copies, left: over } = readyCopies(plan, twins, 2, soundPieces(plan, twins, mends));
    expect([copies.get('side-left') ?? 0, copies.get('side-right')]).toEqual([0, 2]);
    expect(sum([...over.values()])).toBe(0);
  });
});

describe('building where boxes are mended', () => {
  const { plan, box } = boxed('slant-roof');
  const whole = planBuild(plan, box, 2);
  const build = (...mends: MendedBox[]) =>
    planBuild(plan, box, mends.length, { ...USUAL_BUILD, mends });

  test('holes, steps and fasteners are of the new panels alone, box by box', () => {
    const mended = build(mend(17, ['roof', 1]), mend(23, ['floor', 1]));
    expect(mended.holes.length).toBeGreaterThan(0);
    expect(new Set(mended.holes.map(({ panel }) => panel))).toEqual(
      new Set(whole.holes.map(({ panel }) => panel).filter((id) => /^(roof|floor)$/.test(id))),
    );
    for (const [index, panel] of ['roof', 'floor'].entries())
      for (const { joints, add, stands } of stepsOfBox(mended, index + 1)) {
        expect(joints.every(({ between }) => between.some((each) => each.panel === panel))).toBe(
          true,
        );
        expect(stands).toBe(!add.some((each) => each.panel === panel));
      }
    expect(boxesWithNew(mended, 'roof', 0)).toBe(1);
    expect(boxesWithNew(whole, 'roof', 0)).toBe(2);
    const roofOn = must(
      mended.steps.find(({ add }) => add.some(({ panel }) => panel === 'roof')),
      'the roof’s step',
    );
    expect(boxesOfStep(mended, roofOn)).toEqual([1]);
    const [screws] = mended.hardware.filter(({ item }) => item.startsWith('screw'));
    const driven = [1, 2].flatMap((each) =>
      stepsOfBox(mended, each).flatMap(({ joints }) =>
        joints.flatMap(({ fastener, count }) => (fastener === screws?.item ? [count] : [])),
      ),
    );
    expect(screws?.forAll).toBe(sum(driven));
  });

  test('with every panel new it is the plan of whole boxes', () => {
    const anew = build(allOf(box, 1), allOf(box, 2));
    expect(anew.holes).toEqual(whole.holes);
    expect(anew.steps).toEqual(whole.steps);
    expect(anew.hardware).toEqual(whole.hardware);
    for (const kind of ['drilling', 'assembly', 'finish'] as const)
      expect(anew.times[kind]).toBeCloseTo(whole.times[kind], 6);
    expect(anew.seal.length).toBe(whole.seal.length);
    expect(workOf(anew, box)).toEqual(workOf(whole, box));
    const lines = hardwareOf(plan, box);
    const driven = lines.filter(({ id }) => whole.hardware.some(({ item }) => item === id));
    expect(mendedLines(driven, anew).map(({ id, quantity }) => [id, quantity])).toEqual(
      driven.map(({ id, quantity }) => [id, 2 * quantity]),
    );
  });

  test('less is new, less is done; what stands and what is new make up the box', () => {
    const few = build(mend(1, ['roof', 1]));
    const more = build(mend(1, ['roof', 1], ['front', 1]));
    const minutes = ({ times }: typeof few) => times.drilling + times.assembly + times.finish;
    expect(minutes(few)).toBeLessThan(minutes(more));
    expect(minutes(more)).toBeLessThan(minutes(whole));
    const bodies = sum(box.panels.map(({ instances }) => instances.length));
    expect(standingBodies(more, box, 1).size).toBe(bodies - 2);
    expect(standingBodies(whole, box, 1).size).toBe(0);
    expect(new Set(few.steps.map(stepKey)).size).toBe(few.steps.length);
  });
});
