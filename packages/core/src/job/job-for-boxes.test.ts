import { describe, expect, test } from '@jest/globals';
import { board as panelBoard, planFor } from '../../test/boxes.js';
import { stepClock } from '../../test/clock.js';
import { board } from '../../test/layouts.js';
import { animalById } from '../animals/index.js';
import { buildBox, owlBox, slantRoof } from '../families/index.js';
import { checkLayout, searchLayout } from '../layout/index.js';
import { must } from '../lists/index.js';
import { fromMm, toMm } from '../measure/index.js';
import { jobForBoxes, STANDARD_SAW } from './job-for-boxes.js';

const owls = (() => {
  const plan = planFor(
    owlBox,
    must(animalById('barn-owl-na'), 'barn-owl-na'),
    12,
    panelBoard(12, { material: 'plywood', faceA: 'planed', faceB: 'planed' }),
  );
  const built = buildBox(plan);
  if (!built.ok) throw new Error(built.refusals.map(({ message }) => message).join('; '));
  return { plan, box: built.box };
})();
const sticks = [
  ...new Map(
    Object.values(owls.plan.wood).map((wood) => [`${wood.thickness}x${wood.width}`, wood]),
  ).values(),
].filter((wood) => wood.width !== null && wood.width < STANDARD_SAW.keep.width);
const stock = [
  board(2440, 1220, {
    id: 'ply',
    thickness: fromMm(12),
    material: 'plywood',
    faceA: 'planed',
    faceB: 'planed',
    grained: false,
    quantity: 3,
  }),
  ...sticks.map((wood, index) =>
    board(2400, toMm(must(wood.width, 'width')), {
      id: `stick${index}`,
      thickness: wood.thickness,
      material: wood.material,
      quantity: 9,
    }),
  ),
];

describe('a job for boxes', () => {
  test('has every panel of every box once, with the wood that the plan names', () => {
    const built = buildBox(
      planFor(slantRoof, must(animalById('black-capped-chickadee'), 'black-capped-chickadee'), 16),
    );
    if (!built.ok) throw new Error('not sound');
    const plan = planFor(
      slantRoof,
      must(animalById('black-capped-chickadee'), 'black-capped-chickadee'),
      16,
    );
    const three = jobForBoxes('three', plan, built.box, 3, [board(1800, 140)]);
    expect(three.parts.reduce((sum, part) => sum + part.quantity, 0)).toBe(
      3 * built.box.panels.reduce((sum, panel) => sum + panel.instances.length, 0),
    );
    for (const part of three.parts) expect(part.materials).toEqual(['western-red-cedar']);
    // No sticks among its boards: the saw is as the maker set it.
    expect(three.saw).toBe(STANDARD_SAW);
  });

  test('keeps what is left of a stick, though it is narrower than any strip worth keeping off a sheet', () => {
    expect(sticks.length).toBeGreaterThan(0);
    const of = { ...jobForBoxes('owls', owls.plan, owls.box, 1, stock), effort: { seconds: 0.3 } };
    const found = searchLayout(of, { clock: stepClock(of.effort.seconds, 60) });
    expect(found.unplaced).toEqual([]);
    expect(checkLayout(of, found)).toEqual([]);
    const kept = (id: string) =>
      found.boards.filter((each) => each.stock === id).flatMap((each) => each.offcuts);
    for (const [index, wood] of sticks.entries()) {
      if (!found.boards.some((each) => each.stock === `stick${index}`)) continue;
      expect(Math.max(...kept(`stick${index}`).map((offcut) => offcut.length))).toBeGreaterThan(
        fromMm(150),
      );
      for (const offcut of kept(`stick${index}`)) expect(offcut.width).toBe(wood.width);
    }
    for (const offcut of kept('ply'))
      expect(offcut.width).toBeGreaterThanOrEqual(STANDARD_SAW.keep.width);
  });
});
