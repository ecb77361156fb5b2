import { describe, expect, test } from '@jest/globals';
import { expectSound, planFor } from '../../../test/boxes.js';
import { animalById } from '../../animals/index.js';
import { at, must } from '../../lists/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import { plainText } from '../../text/index.js';
import { buildBox, checkBox, familyById } from '../registry.js';

const family = must(familyById('roost-shelf'), 'the shelf');
const animal = (id: string) => must(animalById(id), id);
const robin = planFor(family, animal('american-robin'), 19);

const withSizes = (
  sizes: Record<string, number>,
  choices: Record<string, string> = {},
): BoxPlan => ({
  ...robin,
  sizes: { ...robin.sizes, ...sizes },
  choices: { ...robin.choices, ...choices },
});

function built(plan: BoxPlan): PanelSet {
  const result = buildBox(plan);
  if (!result.ok)
    throw new Error(result.refusals.map(({ message }) => plainText(message)).join(' '));
  return result.box;
}

const panelOf = (box: PanelSet, id: string) =>
  must(
    box.panels.find((panel) => panel.id === id),
    id,
  );

describe('a shelf in a corner', () => {
  test('stands on two brackets that are copies of each other, held to floor and wall', () => {
    const box = built(robin);
    expect(panelOf(box, 'bracket').instances).toHaveLength(2);
    const held = box.joints.filter(({ between }) => between.includes('bracket'));
    expect(held.map(({ between }) => between.find((id) => id !== 'bracket')).sort()).toEqual([
      'back',
      'back',
      'floor',
      'floor',
    ]);
    for (const { fastening } of held) expect(fastening).toMatchObject({ enough: true });
  });

  test('a bracket 110 high and 120 out is half a board of 110 × 120 and half its nose of 25', () => {
    const box = built(withSizes({ bracketHigh: fromMm(110), bracketOut: fromMm(120) }));
    const { outline } = panelOf(box, 'bracket');
    const doubled = outline.reduce((sum, [x, y], index) => {
      const [u, v] = at(outline, (index + 1) % outline.length);
      return sum + x * v - u * y;
    }, 0);
    const area = Math.abs(doubled) / 2;
    expect(area / fromMm(1) ** 2).toBeCloseTo((120 * (110 + 25)) / 2, 0);
  });

  test('with the other wall on the right it is the mirror image of the one on the left', () => {
    const [left, right] = ['left', 'right'].map((corner) => built(withSizes({}, { corner })));
    const corners = (box: PanelSet | undefined, mirror: number) =>
      must(box, 'a box')
        .panels.flatMap(({ id, instances }) =>
          instances.flatMap(({ solid }) =>
            solid.vertices.map(([x, y, z]) =>
              [id, Math.round(mirror * x) || 0, Math.round(y), Math.round(z)].join(' '),
            ),
          ),
        )
        .sort();
    expect(corners(right, -1)).toEqual(corners(left, 1));
  });

  test('is as wide outside as its tray and the boards at its ends', () => {
    const xs = built(withSizes({ width: fromMm(200) })).panels.flatMap(({ instances }) =>
      instances.flatMap(({ solid }) => solid.vertices.map(([x]) => x)),
    );
    expect(toMm(Math.max(...xs) - Math.min(...xs))).toBeCloseTo(200 + 2 * 19, 6);
  });

  test.each([
    ['brackets up to the rim', { bracketOut: fromMm(300), depth: fromMm(200) }, 'bracketOut'],
    ['walls lower than the rim', { wallsAboveFloor: fromMm(20) }, 'wallsAboveFloor'],
    ['a drain over a bracket', { width: fromMm(110), drainSize: fromMm(20) }, 'drainSize'],
  ])('%s: refused at the size that would have to change', (_, sizes, field) => {
    const result = buildBox(withSizes(sizes, { floor: 'four-holes' }));
    expect(result).toMatchObject({ ok: false, refusals: [{ field }] });
  });

  test('an animal that nests behind an entrance is told to take another kind of box', () => {
    const plan = planFor(family, animal('great-tit'), 19);
    const stop = checkBox(plan, built(plan)).find(({ id }) => id === 'entrance-size');
    expect(stop).toMatchObject({ severity: 'stop' });
    expect(checkBox(robin, built(robin)).some(({ severity }) => severity === 'stop')).toBe(false);
  });

  const sheet = (mm: number, corners: string, sizes: Record<string, number> = {}): BoxPlan => {
    const plan = withSizes({ frontAboveFloor: fromMm(45), ...sizes }, { corners, floor: 'holes' });
    const ply = {
      ...must(plan.wood.floor, 'wood'),
      thickness: fromMm(mm),
      width: fromMm(1220),
      material: 'plywood',
    };
    const stick = { ...ply, thickness: fromMm(25), width: fromMm(38), material: 'larch' };
    const wood = Object.fromEntries(Object.keys(plan.wood).map((role) => [role, ply]));
    return { ...plan, wood: { ...wood, batten: stick } };
  };

  test('of thin sheet it is refused edge to face, and held by sticks behind every joint', () => {
    for (const mm of [9, 12, 15]) {
      const refused = buildBox(sheet(mm, 'edges'));
      if (refused.ok) throw new Error(`built of ${mm} mm edge to face`);
      expect(plainText(at(refused.refusals, 0).message)).toContain('takes no screw in its edge');
      const box = built(sheet(mm, 'sticks'));
      expectSound(box);
      const held = new Set(
        box.joints
          .filter(({ fastening }) => fastening)
          .flatMap(({ between: [a, b] }) => [`${a}|${b}`]),
      );
      for (const pair of held) expect(pair).toContain('batten');
      // One in each of four corners, one along each of the floor’s four edges, and two a bracket.
      const sticks = box.panels.filter(({ role }) => role === 'batten');
      expect(sticks.reduce((sum, { instances }) => sum + instances.length, 0)).toBe(12);
      for (const { thickness } of sticks) expect(thickness).toBe(fromMm(25));
    }
  });

  test.each([
    ['a rim lower than the battens', { frontAboveFloor: fromMm(20) }, 'frontAboveFloor'],
    ['drains over battens', { width: fromMm(130) }, 'drainSize'],
    ['brackets too small for battens', { bracketHigh: fromMm(60) }, 'bracketHigh'],
  ])('%s: refused at the size that would have to change', (_, sizes, field) => {
    const result = buildBox(sheet(12, 'sticks', sizes));
    expect(result.ok ? [] : result.refusals.map((each) => each.field)).toContain(field);
  });
});
