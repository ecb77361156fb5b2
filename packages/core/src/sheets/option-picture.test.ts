import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalById } from '../animals/index.js';
import { buildBox, FAMILIES } from '../families/index.js';
import { must } from '../lists/index.js';
import { toMm } from '../measure/index.js';
import { boundsOf } from '../plane/index.js';
import { plainText } from '../text/index.js';
import { drawOption } from './option-picture.js';
import { facesOf } from './picture.js';

describe('pictures of options', () => {
  test('of every family: each shows the box it would be, in true proportion, or says why there is none', () => {
    let drawn = 0;
    for (const family of FAMILIES) {
      const plan = planFor(family, must(animalById(family.example), family.example));
      for (const choice of family.choices) {
        for (const { id } of choice.options) {
          const option = drawOption(plan, choice, id);
          expect(option === null).toBe(choice.picture === undefined);
          if (!option || !choice.picture) continue;
          const built = buildBox({ ...plan, choices: { ...plan.choices, [choice.id]: id } });
          expect(option.ok).toBe(built.ok);
          if (!option.ok || !built.ok) continue;
          const { cut, behind } = facesOf(built.box, choice.picture);
          const [left, bottom, right, top] = boundsOf(
            [...cut, ...behind].flatMap(({ points }) => points),
          );
          const [, , width, height] = option.picture.box;
          expect(width).toBeCloseTo(toMm(right - left), 0);
          expect(height).toBeCloseTo(toMm(top - bottom), 0);
          drawn += 1;
        }
      }
    }
    expect(drawn).toBeGreaterThan(60);
  });

  test('points out the panels that the choice declares, and only those', () => {
    const family = must(
      FAMILIES.find(({ id }) => id === 'slant-roof'),
      'the slant-roof box',
    );
    const plan = planFor(family, must(animalById(family.example), family.example));
    const choice = must(
      family.choices.find(({ id }) => id === 'roof'),
      'its roof',
    );
    const option = must(drawOption(plan, choice, 'butt'), 'a picture');
    if (!option.ok)
      throw new Error(option.refusals.map(({ message }) => plainText(message)).join());
    expect(option.picture.accent.split('M').length - 1).toBe(1);
    const plain = must(drawOption(plan, { ...choice, highlights: [] }, 'butt'), 'a picture');
    expect(plain).toMatchObject({ picture: { accent: '' } });
  });
});
