import { describe, expect, test } from '@jest/globals';
import { must } from '../lists/index.js';
import { readySentence, spokenName } from './animal.js';
import { animalById, findAnimals } from './find.js';
import { ANIMALS } from './table.js';

describe('the table of animals', () => {
  test('ids are unique and every figure carries a mark and a source', () => {
    expect(new Set(ANIMALS.map((animal) => animal.id)).size).toBe(ANIMALS.length);
    for (const animal of ANIMALS) {
      expect(['P', 'M', 'C']).toContain(animal.evidence);
      expect(animal.source).not.toBe('');
      for (const range of [
        animal.entranceSize,
        animal.cavity,
        animal.entranceAboveFloor,
        animal.mount,
      ]) {
        if (range) expect(range[0]).toBeLessThanOrEqual(range[1]);
      }
    }
  });

  // USFWS, Homes for Birds, quoted from memory: chickadee 1 1/8 in entrance over a 4 × 4 in floor.
  test('the chickadee has its own entrance', () => {
    const chickadee = animalById('black-capped-chickadee');
    expect(chickadee?.entranceSize?.[0]).toBeCloseTo(1.125 * 25.4, 0);
    expect(chickadee?.floorWidth).toBeCloseTo(4 * 25.4, 0);
    expect(chickadee?.evidence).toBe('M');
  });

  test('names and dates read well inside a sentence', () => {
    expect(spokenName(must(animalById('black-capped-chickadee'), 'black-capped-chickadee'))).toBe(
      'black-capped chickadee',
    );
    expect(spokenName(must(animalById('european-robin'), 'european-robin'))).toBe('European robin');
    expect(spokenName(must(animalById('barn-owl-na'), 'barn-owl-na'))).toBe(
      'barn owl (North America)',
    );
    expect(readySentence(must(animalById('tree-swallow'), 'tree-swallow'))).toBe(
      'up and ready by late March',
    );
    expect(readySentence(must(animalById('crevice-bats-na'), 'crevice-bats-na'))).toBe(
      'up at any time, spring best',
    );
  });

  test('searching takes words in any order, by beginnings, names first', () => {
    expect(findAnimals('owl saw').map((animal) => animal.id)).toEqual(['saw-whet-owl']);
    expect(findAnimals('Tit')[0]?.name).toContain('tit');
    expect(findAnimals('europe bat').map((animal) => animal.id)).toContain('crevice-bats-eu');
    expect(findAnimals('')).toHaveLength(ANIMALS.length);
    expect(findAnimals('zeppelin')).toHaveLength(0);
  });
});
