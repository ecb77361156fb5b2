import type { Evidence } from '../measure/index.js';
import type { Text } from '../text/index.js';

export type Region = 'na' | 'eu' | 'au';
export type BoxFamilyId = 'slant-roof' | 'open-front' | 'owl' | 'bat' | 'colony' | 'tube';
export type EntranceShape = 'round' | 'oval' | 'arch' | 'square' | 'open' | 'slot-below' | 'tube';

/** Least and greatest of a figure, both in the same unit. */
export type Range = readonly [min: number, max: number];

/** One animal's needs. Lengths in millimetres; mounting height and spacing in metres; null where the source gives none. */
export interface Animal {
  id: string;
  name: string;
  scientific: string;
  region: Region;
  family: BoxFamilyId;
  entrance: EntranceShape;
  /** Takes an open front as well as a hole. */
  alsoOpen?: true;
  /** Diameter of a round entrance, width of any other. */
  entranceSize: Range | null;
  /** Upright measure of an entrance that is not as high as wide. */
  entranceUpright: number | null;
  floorWidth: number | null;
  floorDepth: number | null;
  /** Height of the room, floor to roof. */
  cavity: Range | null;
  /** Where the entrance's height above the floor is measured to. */
  entranceReference: 'sill' | 'centre' | null;
  entranceAboveFloor: Range | null;
  mount: Range | null;
  readyBy: string;
  facing: string;
  spacing: number | null;
  evidence: Evidence;
  source: string;
  /** What else is known, in words; nothing where there is nothing. */
  note: Text;
}

const PROPER = new Set([
  'European',
  'Eurasian',
  'American',
  'Carolina',
  "Bewick's",
  'North',
  'America',
  'Europe',
  'Australia',
]);

/** The name inside a sentence: `black-capped chickadee`, but `European robin`. */
export const spokenName = (animal: Animal): string =>
  animal.name
    .split(' ')
    .map((word) => (PROPER.has(word.replace(/[()]/g, '')) ? word : word.toLowerCase()))
    .join(' ');

/** When a box is to be up, as words: `early-march` becomes `early March`. */
export const readyWords = (animal: Animal): string =>
  animal.readyBy
    .replace('-', ' ')
    .replace(
      /\b(january|february|march|april|may|june|july|august|september|october|november|december)\b/,
      (month) => month.charAt(0).toUpperCase() + month.slice(1),
    );

/** The same as a sentence about the box: `up and ready by early March`, or `up at any time, spring best`. */
export function readySentence(animal: Animal): string {
  if (!animal.readyBy.startsWith('any')) return `up and ready by ${readyWords(animal)}`;
  const best = animal.readyBy.replace(/^any;?\s*/, '');
  return best === '' ? 'up at any time' : `up at any time, ${best}`;
}

export const REGION_NAMES: Record<Region, string> = {
  na: 'North America',
  eu: 'Europe',
  au: 'Australia',
};

export const FAMILY_NAMES: Record<BoxFamilyId, string> = {
  'slant-roof': 'slant-roof box',
  'open-front': 'open-front box',
  owl: 'deep owl box',
  bat: 'crevice bat box',
  colony: 'colony house',
  tube: 'tube-entrance box',
};
