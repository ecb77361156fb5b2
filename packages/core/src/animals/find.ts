import { plainText } from '../text/index.js';
import { type Animal, FAMILY_NAMES, REGION_NAMES } from './animal.js';
import { ANIMALS } from './table.js';

const BY_ID = new Map(ANIMALS.map((animal) => [animal.id, animal]));

export const animalById = (id: string | null): Animal | undefined => BY_ID.get(id ?? '');

const words = (text: string): string[] =>
  text
    .normalize('NFD')
    .replace(/\p{Diacritic}/gu, '')
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word !== '');

/** Animals in which every typed word begins some word of the names, region, family or note; names that match come first. */
export function findAnimals(query: string): readonly Animal[] {
  const wanted = words(query);
  const begins = (text: string) => {
    const there = words(text);
    return wanted.every((word) => there.some((candidate) => candidate.startsWith(word)));
  };
  const byName = ANIMALS.filter((animal) => begins(animal.name));
  const byAny = ANIMALS.filter((animal) =>
    begins(
      [
        animal.name,
        animal.scientific,
        REGION_NAMES[animal.region],
        FAMILY_NAMES[animal.family],
        plainText(animal.note),
      ].join(' '),
    ),
  );
  return [...new Set([...byName, ...byAny])];
}
