import type { Animal } from '../animals/index.js';
import { fromInches, fromMm, type Ticks, toMm } from '../measure/index.js';
import type { PanelRole, Parameter, PlanDeclaration, School } from './declaration.js';
import type { BoxPlan } from './plan.js';

type Schools = Readonly<Record<string, string>>;

/** A length that the maker may set. Written in millimetres; ranges without a source are common practice. */
export const length = (
  id: string,
  label: string,
  least: number,
  greatest: number,
  standard: number,
  help: string,
  applies?: Parameter['applies'],
): Parameter => ({
  id,
  label,
  kind: 'length',
  least: fromMm(least),
  greatest: fromMm(greatest),
  standard: fromMm(standard),
  help,
  ...(applies && { applies }),
});

/** An angle that the maker may set, in degrees. */
export const angle = (
  id: string,
  label: string,
  least: number,
  greatest: number,
  standard: number,
  help: string,
  applies?: Parameter['applies'],
): Parameter => ({
  id,
  label,
  kind: 'angle',
  least,
  greatest,
  standard,
  help,
  ...(applies && { applies }),
});

/** A question with its options, each `[id, label, reason]`, the standard one first. */
export const school = (
  id: string,
  label: string,
  options: readonly (readonly [id: string, label: string, reason: string])[],
  more: Pick<School, 'applies' | 'picture' | 'before'> = {},
): School => ({
  id,
  label,
  options: options.map(([option, name, reason]) => ({ id: option, label: name, reason })),
  ...more,
});

/** The roles that a plan's schools call for. */
export const rolesOf = (
  family: Pick<PlanDeclaration, 'roles'>,
  schools: Schools,
): readonly PanelRole[] => family.roles.filter((role) => !role.applies || role.applies(schools));

/** The option chosen, or the standard one where a plan from before the question was asked says nothing. */
export const chosen = (
  family: Pick<PlanDeclaration, 'schools'>,
  schools: Schools,
): Record<string, string> => ({
  ...Object.fromEntries(
    family.schools.map((each) => [each.id, each.before ?? each.options[0]!.id]),
  ),
  ...schools,
});

/** The plan with the standard choice wherever it says nothing, so that plans from before a question was asked still open. */
export function completePlan(family: PlanDeclaration, plan: BoxPlan): BoxPlan {
  const missing = (kind: Parameter['kind'], given: Readonly<Record<string, number>>) => ({
    ...Object.fromEntries(
      family.parameters
        .filter((each) => each.kind === kind)
        .map((each) => [each.id, each.standard]),
    ),
    ...given,
  });
  return {
    ...plan,
    schools: chosen(family, plan.schools),
    sizes: missing('length', plan.sizes),
    angles: missing('angle', plan.angles),
  };
}

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

/** Every parameter at its standard value, lengths rounded for the animal's region, and every school at its first option. */
export function standardChoices(
  animal: Animal,
  { parameters, schools }: Pick<PlanDeclaration, 'parameters' | 'schools'>,
): {
  sizes: Record<string, Ticks>;
  angles: Record<string, number>;
  schools: Record<string, string>;
} {
  const { up } = roundingFor(animal);
  const inches = animal.region === 'na';
  return {
    sizes: Object.fromEntries(
      parameters
        .filter((each) => each.kind === 'length')
        .map((each) => [each.id, inches ? up(toMm(each.standard)) : each.standard]),
    ),
    angles: Object.fromEntries(
      parameters.filter((each) => each.kind === 'angle').map((each) => [each.id, each.standard]),
    ),
    schools: Object.fromEntries(schools.map((each) => [each.id, each.options[0]!.id])),
  };
}

export const middle = ([least, greatest]: readonly [number, number]): number =>
  (least + greatest) / 2;
