import { describe, expect, test } from '@jest/globals';
import { animalById } from '@spare-knot/core/animals';
import { buildBox, FAMILIES } from '@spare-knot/core/families';
import { must } from '@spare-knot/core/lists';
import { fromMm } from '@spare-knot/core/measure';
import { sectionX } from '@spare-knot/core/sheets';
import { planFor } from '../../../../packages/core/test/boxes.js';
import { cutFeatures } from './cut-features';

const boxOf = (id: string, choices: Record<string, string> = {}) => {
  const family = must(
    FAMILIES.find((each) => each.id === id),
    id,
  );
  const plan = planFor(family, must(animalById(family.example), family.example));
  const built = buildBox({ ...plan, choices: { ...plan.choices, ...choices } });
  if (!built.ok) throw new Error(id);
  return { plan, box: built.box };
};

describe('holes and grooves in the section', () => {
  test('the entrance is cut where the section goes through it, as high as it is and as deep as its wall', () => {
    const { plan, box } = boxOf('slant-roof');
    const [hole, ...others] = cutFeatures(box.panels, sectionX(box)).filter((each) => each.hole);
    expect(others).toEqual([]);
    expect(hole?.high).toBe(plan.sizes.entranceWidth);
    const front = must(
      box.panels.find(({ id }) => id === 'front'),
      'front',
    );
    expect(hole?.deep).toBe(front.thickness);
    expect(hole?.y).toBe(-front.thickness);
    expect(cutFeatures(box.panels, sectionX(box) + fromMm(200))).toEqual([]);
  });

  test('kerfs to climb by are cut into the inside of the front', () => {
    const { box } = boxOf('slant-roof', { grip: 'kerfs' });
    const kerfs = cutFeatures(box.panels, sectionX(box)).filter((each) => !each.hole);
    expect(kerfs.length).toBeGreaterThan(3);
    for (const { y, deep } of kerfs) expect(y + deep).toBe(0);
  });

  test('of every family stay within its panels', () => {
    for (const family of FAMILIES) {
      const { box } = boxOf(family.id);
      const zs = box.panels.flatMap(({ instances }) =>
        instances.flatMap(({ solid }) => solid.vertices.map(([, , z]) => z)),
      );
      for (const { z, high } of cutFeatures(box.panels, sectionX(box))) {
        expect(z).toBeLessThanOrEqual(Math.max(...zs));
        expect(z - high).toBeGreaterThanOrEqual(Math.min(...zs));
      }
    }
  });
});
