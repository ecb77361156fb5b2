import { describe, expect, test } from '@jest/globals';
import { plainText } from '../text/index.js';
import { stillAssumed, treatmentRefused, woodRefused } from './facts.js';
import { MATERIALS, materialIn } from './material.js';

describe('wood that no box is built of', () => {
  test.each([
    ['creosoted', 'Creosote'],
    ['pressure-treated', 'Pressure'],
    ['CCA', 'Pressure'],
    ['oily', 'Oily'],
    ['unknown', 'not known'],
    ['mystery dip', 'not known'],
  ])('treated with %s: %s', (treatment, word) => {
    const why = treatmentRefused(treatment);
    expect(why && plainText(why)).toContain(word);
  });

  test.each([undefined, 'none', 'heat-treated', 'kiln dried'])(
    'treated with %s: fit',
    (treatment) => {
      expect(treatmentRefused(treatment)).toBeNull();
    },
  );

  test.each([
    [{ material: 'mdf' }, 'falls apart'],
    [{ material: 'osb' }, 'falls apart'],
    [{ material: 'melamine' }, 'smooth'],
    [{ material: 'unobtainium' }, 'not known'],
    [{ material: 'pallet-wood', stamp: 'MB' }, 'methyl bromide'],
    [{ material: 'plywood', grade: 'interior' }, 'interior'],
    [{ material: 'larch', treatment: 'creosote' }, 'Creosote'],
  ])('%j', (wood, word) => {
    const why = woodRefused(wood);
    expect(why && plainText(why)).toContain(word);
  });

  test('every wood that has no reason against it may be used, and is known by its name', () => {
    for (const { id, name, refused } of MATERIALS) {
      expect([id, woodRefused({ material: id }) === null]).toEqual([id, refused === undefined]);
      expect([name, materialIn(name.toLowerCase())?.id]).toEqual([name, id]);
    }
  });

  test('of several words the one that says most counts; a pallet stays one', () => {
    expect(materialIn('yellow poplar')?.id).toBe('yellow-poplar');
    expect(materialIn('yellow pine')?.id).toBe('southern-pine');
    expect(materialIn('pine pallet boards')?.id).toBe('pallet-wood');
    expect(materialIn('cedar fence pickets')?.id).toBe('western-red-cedar');
    expect(materialIn('old fence boards')?.id).toBe('fence-board');
    expect(materialIn('nice boards')).toBeUndefined();
  });

  test('confirming one thing leaves the others assumed', () => {
    expect(stillAssumed({ assumed: ['faces', 'treatment'] }, 'faces')).toEqual(['treatment']);
    expect(stillAssumed({}, 'faces')).toEqual([]);
  });
});
