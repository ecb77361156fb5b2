import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalById } from '../animals/index.js';
import { buildBox, FAMILIES, familyById } from '../families/index.js';
import { must } from '../lists/index.js';
import { printAngle } from '../measure/index.js';
import type { BoxPlan } from '../plan/index.js';
import { plainText } from '../text/index.js';
import { cutWords } from './cut-words.js';
import type { PanelSet } from './panel-set.js';

const built = (
  family: string,
  animal: string,
  choices: BoxPlan['choices'] = {},
  angles: BoxPlan['angles'] = {},
): PanelSet => {
  const start = planFor(
    must(familyById(family), 'familyById'),
    must(animalById(animal), 'animalById'),
  );
  const result = buildBox({
    ...start,
    choices: { ...start.choices, ...choices },
    angles: { ...start.angles, ...angles },
  });
  if (!result.ok) throw new Error(JSON.stringify(result.refusals));
  return result.box;
};
const wordsOf = (box: PanelSet, id: string) =>
  cutWords(
    must(
      box.panels.find((panel) => panel.id === id),
      'one of the panels',
    ),
  )
    .map(plainText)
    .join('; ');

describe('how a panel is cut, in words', () => {
  test('a slant-roof box at 10°: bevelled front and roof, sloped sides, a clipped floor', () => {
    const box = built(
      'slant-roof',
      'great-tit',
      { slope: 'angle', walls: 'between', access: 'screwed' },
      { slope: 10 },
    );
    expect(wordsOf(box, 'front')).toBe('one end tilted 10°, inside face longer');
    expect(wordsOf(box, 'side-left')).toBe('one end sloped 10°');
    expect(wordsOf(box, 'floor')).toBe('four corners clipped at 45°');
    expect(wordsOf(box, 'roof')).toBe('one end tilted 10°, outside face longer');
  });

  test('a roof whose grain runs across is ripped at its tilt, not crosscut', () => {
    const box = built(
      'slant-roof',
      'great-tit',
      { slope: 'angle', walls: 'between', access: 'screwed', roofGrain: 'across' },
      { slope: 10 },
    );
    expect(wordsOf(box, 'roof')).toBe('one edge along the grain tilted 10°, outside face longer');
  });

  test('a gable comes to a point, and a batten under a lid has parallel ends', () => {
    expect(wordsOf(built('ridge-roof', 'tree-swallow', {}, { pitch: 45 }), 'front')).toBe(
      'one end sloped 45° from both sides to a point',
    );
    const words = wordsOf(built('owl', 'barn-owl-eu'), 'lid-batten-left');
    expect(words).toContain('both ends tilted 6°, parallel');
    expect(words).toContain('one edge along the grain tilted 5°');
  });

  test('every angle of every panel of every family is named, and square panels say nothing', () => {
    for (const family of FAMILIES) {
      const animal = must(
        animalById(
          family.id.includes('bat')
            ? 'crevice-bats-na'
            : family.id === 'owl'
              ? 'barn-owl-eu'
              : 'great-tit',
        ),
        'animal',
      );
      const start = planFor(family, animal);
      for (const choice of family.choices)
        for (const option of choice.options) {
          const result = buildBox({
            ...start,
            choices: { ...start.choices, [choice.id]: option.id },
          });
          for (const panel of result.ok ? result.box.panels : []) {
            const words = cutWords(panel).map(plainText).join('; ');
            const angles = panel.edges
              .flatMap(({ tilt, mitre }) => [Math.abs(tilt), mitre])
              .filter((angle) => angle > 0.05);
            for (const angle of angles) expect(words).toContain(printAngle(angle));
            if (angles.length === 0) expect(words).toBe('');
          }
        }
    }
  });
});
