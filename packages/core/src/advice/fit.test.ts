import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalById } from '../animals/index.js';
import { buildBox, checkBox, familyById } from '../families/index.js';
import { STANDARD_SAW, type Stock } from '../job/index.js';
import { at, must } from '../lists/index.js';
import { fromInches } from '../measure/index.js';
import type { BoxPlan } from '../plan/index.js';
import { fitOffers } from './fit.js';

describe('sizes that save a board', () => {
  const bluebird = must(animalById('eastern-bluebird'), 'eastern-bluebird');
  const plan = planFor(must(familyById('slant-roof'), 'slant-roof'), bluebird, 19.05, {
    width: fromInches(9.25),
  });
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
      expect(
        offer.after < offer.before || (offer.after === offer.before && offer.pieces.length > 0),
      ).toBe(true);
      expect(offer.panels.length).toBeGreaterThan(0);
      const built = buildBox(offer.plan);
      if (!built.ok) throw new Error('an offer does not stand');
      expect(checkBox(offer.plan, built.box).filter((check) => check.severity !== 'kept')).toEqual(
        [],
      );
      for (const change of offer.changes)
        expect(Math.abs(change.after / change.before - 1)).toBeLessThanOrEqual(0.121);
    }
    expect(offers.some((offer) => offer.after < offer.before)).toBe(true);
  });

  test('at 11 7/8 in instead of 12 in a 96 in board gives eight: offered though it costs the same', () => {
    const chickadee = must(animalById('black-capped-chickadee'), 'black-capped-chickadee');
    const body = {
      thickness: fromInches(0.75),
      width: fromInches(5.5),
      material: 'western-red-cedar',
      faceA: 'rough',
      faceB: 'rough',
    } as const;
    const wide = { ...body, width: fromInches(9.25), material: 'eastern-white-pine' };
    const start = planFor(must(familyById('slant-roof'), 'slant-roof'), chickadee, 19.05);
    const plan: BoxPlan = {
      ...start,
      sizes: { ...start.sizes, frontHeight: fromInches(11), backHeight: fromInches(12) },
      wood: {
        ...start.wood,
        'side-left': body,
        'side-right': body,
        front: wide,
        back: wide,
        floor: wide,
        roof: wide,
      },
    };
    const boards: Stock[] = [
      { ...at(stock, 0), ...body, id: 'six', price: 1000 },
      { ...at(stock, 0), ...wide, id: 'ten', price: 2000 },
    ];
    const steps = fitOffers({
      plan,
      boxes: 8,
      stock: boards,
      saw: { ...STANDARD_SAW, kerf: fromInches(1 / 8) },
      inches: true,
    });
    let step = steps.next();
    while (!step.done) step = steps.next();
    const offer = must(
      step.value.find((each) => each.changes.some((change) => change.parameter === 'backHeight')),
      'offer',
    );
    expect(offer.changes.find((change) => change.parameter === 'backHeight')).toMatchObject({
      before: fromInches(12),
      after: fromInches(11.875),
    });
    expect(offer.after).toBe(offer.before);
    expect(offer.pieces).toContainEqual({
      panel: 'side-left',
      boardLength: fromInches(96),
      before: 7,
      after: 8,
    });
  });
});
