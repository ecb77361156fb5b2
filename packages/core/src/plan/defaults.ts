import type { Animal } from '../animals/index.js';
import { at } from '../lists/index.js';
import { fromInches, fromMm, type Ticks, toMm } from '../measure/index.js';
import type { Choice, Parameter, PlanDeclaration } from './declaration.js';

export interface Rounding {
  /** Up to what the region's tapes show: eighths of an inch, or millimetres. */
  up: (mm: number) => Ticks;
  /** To the nearest sixteenth, or as given in millimetres. */
  exact: (mm: number) => Ticks;
}

export const roundingFor = (animal: Animal): Rounding =>
  animal.region === 'na'
    ? {
        up: (mm) => fromInches(Math.max(0, Math.ceil((mm - 0.6) / 3.175)) / 8),
        exact: (mm) => fromInches(Math.round((mm / 25.4) * 16) / 16),
      }
    : { up: (mm) => fromMm(Math.ceil(mm)), exact: fromMm };

/** The option that stands first; no word where the answer is in words. */
export const standardOption = ({ options, words }: Pick<Choice, 'options' | 'words'>): string =>
  words === undefined ? at(options, 0).id : '';

/** Below this a size is rounded to the nearest sixteenth. */
const SMALL_MM = 3;

const standards = (parameters: readonly Parameter[], kind: Parameter['kind']) =>
  parameters.filter((each) => each.kind === kind);

/** Every parameter at its standard value, lengths rounded for the animal's region, and every choice at its first option. */
export function standardChoices(
  animal: Animal,
  { parameters, choices }: Pick<PlanDeclaration, 'parameters' | 'choices'>,
): {
  sizes: Record<string, Ticks>;
  angles: Record<string, number>;
  choices: Record<string, string>;
} {
  const { up, exact } = roundingFor(animal);
  const inches = animal.region === 'na';
  // The next eighth of an inch would double a size as small as a wall's play.
  const inchesOf = (mm: number) => (mm < SMALL_MM ? exact(mm) : up(mm));
  const rounded = (standard: Ticks) => (inches ? inchesOf(toMm(standard)) : standard);
  return {
    sizes: Object.fromEntries(
      standards(parameters, 'length').map(({ id, standard }) => [id, rounded(standard)]),
    ),
    angles: Object.fromEntries(
      standards(parameters, 'angle').map(({ id, standard }) => [id, standard]),
    ),
    choices: Object.fromEntries(choices.map((each) => [each.id, standardOption(each)])),
  };
}

export const middle = ([min, max]: readonly [number, number]): number => (min + max) / 2;
