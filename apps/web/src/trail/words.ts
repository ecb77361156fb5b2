import { ANIMALS, animalById, REGION_NAMES, type Region } from '@spare-knot/core/animals';
import { type Day, daysBetween } from '@spare-knot/core/building';
import type { Finding, VisitKind } from '@spare-knot/core/trail';

export const FINDING_WORDS: Readonly<Record<Finding, string>> = {
  empty: 'Empty',
  nest: 'A nest',
  eggs: 'Eggs',
  young: 'Young',
  fledged: 'Flown',
  unwanted: 'Another kind',
  wasps: 'Wasps, bees',
  'not-opened': 'Not opened',
};

export const KIND_WORDS: Readonly<Record<VisitKind, string>> = {
  first: 'first visit',
  look: 'look in',
  hatched: 'look while the young are small',
  flown: 'look whether they have flown',
  clean: 'clean',
  rid: 'look whether it is free',
  below: 'look below it',
};

/** Today where the maker is, as 2027-03-01. */
export function today(now = new Date()): Day {
  const two = (part: number) => String(part).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

/** How far off a day is, in words. */
export function whenWords(day: Day, from: Day): string {
  const days = daysBetween(from, day);
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  if (days > 1) return `in ${days} days`;
  return days === -1 ? 'a day late' : `${-days} days late`;
}

export const animalName = (id: string | null): string =>
  id === null ? 'for nobody told yet' : (animalById(id)?.name ?? id);

/** Animals by the part of the world they live in, as they are chosen from. */
export const ANIMALS_BY_REGION = (Object.keys(REGION_NAMES) as Region[]).map((region) => ({
  region: REGION_NAMES[region],
  animals: ANIMALS.filter((animal) => animal.region === region),
}));

export const percent = (share: number): string => `${Math.round(100 * share)} %`;
