import { describe, expect, test } from '@jest/globals';
import { animalById } from '../animals/find.js';
import { buildBox, checkBox, familyById } from '../box/families/families.js';
import { planFor } from '../box/testing.js';
import { fromInches } from '../measure/ticks.js';
import { fitOffers } from './fit.js';
import type { Stock } from './job.js';
import { STANDARD_SAW } from './job-for-boxes.js';

describe('sizes that save a board', () => {
  const bluebird = animalById('eastern-bluebird')!;
  const plan = planFor(familyById('slant-roof')!, bluebird, 19.05, { width: fromInches(9.25) });
  const stock: Stock[] = [
    {
      id: 'ten-inch',
      quantity: 10,
      material: 'western-red-cedar',
      thickness: fromInches(0.75),
      width: fromInches(9.25),
      length: fromInches(96),
      faceA: 'rough',
      faceB: 'rough',
      price: 2380,
      offcut: false,
      grained: true,
      defects: [],
    },
  ];

  test('each offer costs less, breaks no more rules, and says what changes', () => {
    const steps = fitOffers({ plan, boxes: 8, stock, saw: STANDARD_SAW, inches: true });
    const shares: number[] = [];
    let step = steps.next();
    for (; !step.done; step = steps.next()) shares.push(step.value);
    const offers = step.value;
    expect(shares.at(-1)).toBeCloseTo(1, 6);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(offers.length).toBeGreaterThan(0);
    for (const offer of offers) {
      expect(offer.after).toBeLessThan(offer.before);
      expect(offer.panels.length).toBeGreaterThan(0);
      const built = buildBox(offer.plan);
      if (!built.ok) throw new Error('an offer does not stand');
      expect(checkBox(offer.plan, built.box, bluebird).filter((check) => check.severity !== 'kept')).toEqual([]);
      for (const change of offer.changes) expect(Math.abs(change.after / change.before - 1)).toBeLessThanOrEqual(0.121);
    }
  }, 60_000);
});
