import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalById } from '../animals/index.js';
import { buildBox, FAMILIES, familyById } from '../families/index.js';
import { must } from '../lists/index.js';
import { panelNames, partName, plainName } from './panel-names.js';

describe('what panels are called', () => {
  test('in a sentence, sides come first and numbers go', () => {
    expect(
      [
        'side-left',
        'side-right-lower',
        'slab-front',
        'lid-batten-left',
        'spacer-2',
        'middle-1',
        'front',
      ].map(plainName),
    ).toEqual([
      'left side',
      'lower right side',
      'front slab',
      'left lid batten',
      'spacer',
      'middle',
      'front',
    ]);
  });

  test('every panel of every family has a name of its own', () => {
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
      const built = buildBox(planFor(family, animal));
      if (!built.ok) throw new Error(`${family.id}: ${JSON.stringify(built.refusals)}`);
      const names = panelNames(family, built.box);
      expect([...names.keys()].sort()).toEqual(built.box.panels.map((panel) => panel.id).sort());
      expect(new Set(names.values()).size).toBe(built.box.panels.length);
    }
  });

  test('a stave is named for its panel', () => {
    const names = new Map([['back', 'Back']]);
    expect(partName(names, 'back.2')).toBe('Back, stave 2');
    expect(partName(names, 'back')).toBe('Back');
    expect(partName(new Map(), 'unknown')).toBe('unknown');
    expect(familyById('owl')?.roles.some((role) => role.label === 'Lid batten')).toBe(true);
  });
});
