import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { inBraces } from '../../test/texts.js';
import { lumberOffers } from '../advice/index.js';
import { animalById } from '../animals/index.js';
import { buildBox, familyById } from '../families/index.js';
import { must } from '../lists/index.js';
import { fromMm, toMm } from '../measure/index.js';
import { measuresOf, type Panel, stavesOf } from '../panels/index.js';
import { areaOf } from '../plane/index.js';
import { type Bit, boringOf } from './bits.js';

const chickadee = must(animalById('black-capped-chickadee'), 'black-capped-chickadee');
const slant = must(familyById('slant-roof'), 'slant-roof');

describe('letting the lumber decide', () => {
  test('each offer makes its panel as wide as its board, by one size, and leaves the box sound', () => {
    const plan = planFor(slant, chickadee, 16, { width: fromMm(140) });
    const offers = lumberOffers(plan);
    expect(offers.length).toBeGreaterThan(1);
    expect(offers.map((offer) => offer.size)).toEqual(expect.arrayContaining(['width', 'depth']));
    for (const offer of offers) {
      const panel = must(
        offer.box.panels.find((each) => each.id === offer.panel),
        'panel',
      );
      expect(Math.abs(measuresOf(panel).blankWidth - fromMm(140))).toBeLessThanOrEqual(160);
      expect(
        Object.entries(offer.plan.sizes)
          .filter(([id, size]) => size !== plan.sizes[id])
          .map(([id]) => id),
      ).toEqual([offer.size]);
    }
  });

  test('nothing is offered where every board fits or its width is not known', () => {
    expect(lumberOffers(planFor(slant, chickadee, 16))).toEqual([]);
  });
});

describe('bits', () => {
  const hole = (diameter: number) => ({ shape: 'round', diameter: fromMm(diameter) }) as const;
  const bits: Bit[] = [28.6, 32, 35, 38].map((mm) => ({ kind: 'spade', diameter: fromMm(mm) }));

  test('a bit of the size is named; otherwise the nearest that the animal allows, never larger', () => {
    expect(boringOf(hole(28.575), bits, chickadee).bit?.diameter).toBe(fromMm(28.6));
    // Chickadees take 28.6 to 31.8 mm: of 25 and 35 neither, of 28.6 and 35 the smaller although 35 may be nearer.
    expect(boringOf(hole(31), [{ kind: 'spade', diameter: fromMm(35) }], chickadee)).toMatchObject({
      bit: null,
      nearest: null,
    });
    expect(toMm(must(boringOf(hole(30), bits, chickadee).nearest, 'nearest'))).toBeLessThanOrEqual(
      32.3,
    );
    expect(
      boringOf(hole(28.575), [{ kind: 'twist', diameter: fromMm(28.6) }], chickadee).bit,
    ).toBeNull();
  });

  test('an oval is two holes and a rasp, an arch one hole and saw cuts', () => {
    const oval = boringOf({ shape: 'oval', width: fromMm(100), height: fromMm(76) }, [], undefined);
    expect(inBraces(oval.words)).toContain('Two holes of {76}, their centres {24} apart across');
    const arch = boringOf(
      { shape: 'arch', width: fromMm(180), height: fromMm(200) },
      [],
      undefined,
    );
    expect(inBraces(arch.words)).toContain('its centre {110} above the sill');
  });
});

describe('panels glued up', () => {
  const build = (id: string, animal: string): readonly Panel[] => {
    const built = buildBox(
      planFor(must(familyById(id), 'familyById'), must(animalById(animal), 'animalById')),
    );
    if (!built.ok) throw new Error(JSON.stringify(built.refusals));
    return built.box.panels;
  };

  test('staves are no wider than the board, make up the panel, and keep their joints from entrance and edges', () => {
    let glued = 0;
    for (const panel of [
      ...build('slant-roof', 'wood-duck'),
      ...build('colony', 'purple-martin'),
      ...build('ridge-roof', 'american-kestrel'),
    ]) {
      for (const width of [90, 140, 184].map(fromMm)) {
        const staves = stavesOf(panel, width);
        if (!staves) continue;
        glued += 1;
        const area = staves.reduce((sum, stave) => sum + areaOf(stave.outline), 0);
        expect(Math.abs(area / areaOf(panel.outline) - 1)).toBeLessThan(1e-4);
        for (const stave of staves) expect(stave.high - stave.low).toBeLessThanOrEqual(width);
        const ys = [...panel.outline, ...panel.underside].map((point) => point[1]);
        const joints = staves.slice(1).map((stave) => stave.low);
        for (const joint of joints) {
          expect(Math.min(joint - Math.min(...ys), Math.max(...ys) - joint)).toBeGreaterThanOrEqual(
            fromMm(20),
          );
          for (const feature of panel.features) {
            if (feature.kind !== 'entrance') continue;
            const wide = feature.shape === 'round' ? feature.diameter : feature.width;
            expect(Math.abs(joint - feature.centre[1])).toBeGreaterThanOrEqual(
              wide / 2 + fromMm(20) - 2,
            );
          }
        }
      }
    }
    expect(glued).toBeGreaterThan(8);
  });

  test('where the entrance leaves no place for a joint there is no way to glue it up', () => {
    const front = must(
      build('slant-roof', 'american-kestrel').find((panel) => panel.id === 'front'),
      'front',
    );
    expect(
      stavesOf(
        {
          ...front,
          features: front.features.map((feature) =>
            feature.kind === 'entrance' && feature.shape === 'round'
              ? { ...feature, diameter: fromMm(200) }
              : feature,
          ),
        },
        fromMm(140),
      ),
    ).toBeNull();
  });
});
