import { describe, expect, test } from '@jest/globals';
import { at } from '../lists/index.js';
import { plainText } from '../text/index.js';
import { animalById, findAnimals } from './find.js';
import { ANIMALS } from './table.js';

describe('looking for an animal', () => {
  test('every animal is found by its name, and stands first among those of that name', () => {
    for (const { id, name } of ANIMALS) {
      const found = findAnimals(name);
      expect([id, found.map((animal) => animal.id)]).toEqual([id, expect.arrayContaining([id])]);
      expect(at(found, 0).name.toLowerCase()).toContain(at(name.toLowerCase().split(' '), 0));
    }
  });

  test('by the beginnings of words in any order, capitals and accents aside', () => {
    const chickadee = animalById('black-capped-chickadee');
    for (const words of ['chick', 'BLACK chick', 'cap black', 'poecile'])
      expect([words, findAnimals(words).includes(chickadee as never)]).toEqual([words, true]);
    expect(findAnimals('hickadee')).not.toContain(chickadee);
  });

  test('by what is said of it, whichever values stand in that', () => {
    for (const animal of ANIMALS.filter(({ note }) => note.length > 0)) {
      const word = plainText(animal.note)
        .split(/[^A-Za-z]+/)
        .find((each) => each.length > 4);
      if (word)
        expect([animal.id, findAnimals(word)]).toEqual([
          animal.id,
          expect.arrayContaining([animal]),
        ]);
    }
  });

  test('nothing typed finds all, and words that nothing has find none', () => {
    expect(findAnimals('')).toHaveLength(ANIMALS.length);
    expect(findAnimals('zeppelin')).toEqual([]);
    expect([animalById(null), animalById('zeppelin')]).toEqual([undefined, undefined]);
  });
});
