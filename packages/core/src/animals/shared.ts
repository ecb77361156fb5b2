import type { Animal, Range } from './animal.js';
import { ANIMALS } from './table.js';

/** Figures in which animals of one box must agree. */
export const SHARED_FIGURES = ['entrance', 'height', 'cavity', 'mount'] as const;
export type SharedFigure = (typeof SHARED_FIGURES)[number];

/** What several animals can have in one box. Millimetres, mounting height in metres; null where none of them says anything, or they share nothing. */
export interface SharedNeeds {
  entrance: Range | null;
  /** Of the entrance above the floor, where all measure it to the same point. */
  height: Range | null;
  cavity: Range | null;
  mount: Range | null;
  floorWidth: number | null;
  floorDepth: number | null;
  /** Those that want a box first; the others can wait. Empty where any time will do. */
  first: readonly Animal[];
  /** Figures in which no value suits all of them. */
  clashes: readonly SharedFigure[];
}

/** Guides round between inches and millimetres. */
const LEEWAY_MM = 0.6;

/** What all ranges have in common; undefined where they have nothing. */
function common(ranges: readonly Range[]): Range | null | undefined {
  if (ranges.length === 0) return null;
  const low = Math.max(...ranges.map(([min]) => min));
  const high = Math.min(...ranges.map(([, max]) => max));
  if (low > high + LEEWAY_MM) return undefined;
  return [Math.min(low, high), Math.max(low, high)];
}

const said = <T>(values: readonly (T | null)[]): T[] =>
  values.flatMap((value) => (value === null ? [] : [value]));

/** Heights above the floor; animals whose guides measure to different points share none. */
function heightsOf(animals: readonly Animal[]): Range | null | undefined {
  const measured = animals.filter(({ entranceAboveFloor }) => entranceAboveFloor);
  const points = new Set(measured.map(({ entranceReference }) => entranceReference));
  return points.size > 1 ? null : common(said(measured.map((each) => each.entranceAboveFloor)));
}

const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
];
const PARTS = ['early', 'mid', 'late'];

/** When in its year a box is to be up, in thirds of a month from the beginning of the year; null for any time. */
export function readyThird({ readyBy }: Pick<Animal, 'readyBy'>): number | null {
  const [first = '', second] = readyBy.split('-');
  const month = MONTHS.indexOf(second ?? first);
  if (month < 0) return null;
  return 3 * month + Math.max(0, second ? PARTS.indexOf(first) : 0);
}

/** Animals that want their box before the others; those of other seasons cannot be told apart, and all are named. */
function firstOf(animals: readonly Animal[]): readonly Animal[] {
  const dated = animals.filter((animal) => readyThird(animal) !== null);
  if (new Set(dated.map(({ region }) => region === 'au')).size > 1) return dated;
  const earliest = Math.min(...dated.map((animal) => readyThird(animal) ?? 0));
  return dated.filter((animal) => readyThird(animal) === earliest);
}

/**
 * What several animals can have in one box: the ranges of entrance, height and room that they share, the largest floor, and who wants it
 * first.
 *
 * @example sharedNeeds([chickadee, wren]).entrance
 */
export function sharedNeeds(animals: readonly Animal[]): SharedNeeds {
  const ranges: Record<SharedFigure, Range | null | undefined> = {
    entrance: common(said(animals.map(({ entranceSize }) => entranceSize))),
    height: heightsOf(animals),
    cavity: common(said(animals.map(({ cavity }) => cavity))),
    mount: common(said(animals.map(({ mount }) => mount))),
  };
  const most = (values: readonly (number | null)[]): number | null => {
    const known = said(values);
    return known.length > 0 ? Math.max(...known) : null;
  };
  return {
    entrance: ranges.entrance ?? null,
    height: ranges.height ?? null,
    cavity: ranges.cavity ?? null,
    mount: ranges.mount ?? null,
    floorWidth: most(animals.map(({ floorWidth }) => floorWidth)),
    floorDepth: most(animals.map(({ floorDepth }) => floorDepth)),
    first: firstOf(animals),
    clashes: SHARED_FIGURES.filter((figure) => ranges[figure] === undefined),
  };
}

const THROUGH_HOLES = ['slant-roof', 'colony', 'tube'];

/** Animals of the same part of the world that nest behind a hole, as a hole of this size, in millimetres, sees them. */
export function atTheHole(
  region: Animal['region'],
  size: number,
): { keptOut: readonly Animal[]; comeInToo: readonly Animal[] } {
  const nesters = ANIMALS.filter(
    (animal) => animal.region === region && THROUGH_HOLES.includes(animal.family),
  );
  const needs = (animal: Animal) => animal.entranceSize?.[0] ?? Number.POSITIVE_INFINITY;
  return {
    keptOut: nesters.filter(
      (animal) => animal.entranceSize !== null && needs(animal) > size + LEEWAY_MM,
    ),
    comeInToo: nesters.filter((animal) => needs(animal) <= size + LEEWAY_MM),
  };
}
