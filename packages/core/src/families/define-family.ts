import type { Animal } from '../animals/index.js';
import type { Rule } from '../checks/index.js';
import {
  assemble,
  type BoxDraft,
  type BuiltBox,
  type Derived,
  type PanelSet,
} from '../panels/index.js';
import {
  type BoxPlan,
  type ChoiceDeclarations,
  caulkFor,
  FASTENING_CHOICES,
  FASTENING_SIZES,
  HOLE_PLATE,
  METAL,
  type PanelWood,
  PlanFault,
  type PlanOf,
  planFaults,
  type Refusal,
  ROOF_COVER,
  type RoleDeclarations,
  type SizeDeclarations,
  standardChoices,
} from '../plan/index.js';
import { type Text, text } from '../text/index.js';
import { withHangingHoles } from './common/hanging-holes.js';
import type { DrawnDimension, Family, Guests } from './family.js';

/** What a family cuts out of space, and the numbers that it worked out on the way. */
export interface Cut extends BoxDraft {
  derived: readonly Derived[];
}

/** Sizes, angles and answers to begin with, every key known by name. */
export type StartOf<S extends SizeDeclarations, C extends ChoiceDeclarations> = Pick<
  PlanOf<S, C>,
  'sizes' | 'angles' | 'choices'
>;

/** A kind of box: what may be chosen, what it is cut from, what it is held against. Everything else follows. */
export interface FamilyDeclaration<
  S extends SizeDeclarations,
  C extends ChoiceDeclarations,
  R extends RoleDeclarations,
> {
  id: string;
  name: string;
  summary: string;
  about: Text;
  guests: Guests;
  cautions: readonly string[];
  example: string;
  sizes: S;
  choices: C;
  roles: R;
  fromSheet?: Family['fromSheet'];
  notTrimmed?: readonly (keyof S & string)[];
  trimmedTogether?: readonly (readonly (keyof S & string)[])[];
  /** The standard choices bent to an animal's needs. */
  defaultsFor(animal: Animal, start: StartOf<S, C>): StartOf<S, C>;
  /** Cuts the box out of space, or says what would have to change. Pure. */
  build(plan: PlanOf<S, C, keyof R & string>): Cut | readonly Refusal[];
  dimensions(
    plan: PlanOf<S, C, keyof R & string>,
    box: PanelSet,
  ): readonly DrawnDimension<keyof S & string>[];
  rules: readonly Rule<PlanOf<S, C, keyof R & string>>[];
  startWood?: NonNullable<Family['startWood']>;
  woodFrom?(
    plan: PlanOf<S, C, keyof R & string>,
    boards: readonly PanelWood[],
    animal: Animal | undefined,
  ): Readonly<Record<string, PanelWood>> | null;
}

const listed = <T>(record: Readonly<Record<string, T>>): (T & { id: string })[] =>
  Object.entries(record).map(([id, each]) => ({ ...each, id }));

/** What every kind of box is asked besides: how it is fastened, and what is bought for what it has. */
const boughtFor = ({
  sizes,
  roles,
  guests,
}: Pick<
  FamilyDeclaration<SizeDeclarations, ChoiceDeclarations, RoleDeclarations>,
  'sizes' | 'roles' | 'guests'
>): ChoiceDeclarations => ({
  ...(Object.values(roles).some(({ kind }) => kind === 'roof') && ROOF_COVER),
  ...('entranceWidth' in sizes && HOLE_PLATE),
  ...FASTENING_CHOICES,
  ...METAL,
  ...caulkFor(guests),
});

const isRefused = (made: Cut | readonly Refusal[]): made is readonly Refusal[] =>
  Array.isArray(made);

/** A fault of the family itself, told rather than thrown: one bad plan takes nothing else down. */
const broken = (name: string, error: unknown): Refusal => ({
  field: 'family',
  message: text`${name} cannot be cut with these choices: ${error instanceof Error ? error.message : String(error)}. Undo the last change, or set another size.`,
});

/**
 * A family from its declaration: its sizes, choices and roles become lists for everybody else, and its plan is held against them before
 * anything is cut. What it throws becomes a refusal.
 */
export function defineFamily<
  const S extends SizeDeclarations,
  const C extends ChoiceDeclarations,
  const R extends RoleDeclarations,
>(declared: FamilyDeclaration<S, C, R>): Family {
  type Plan = PlanOf<S, C, keyof R & string>;
  const {
    sizes,
    choices,
    roles,
    rules,
    woodFrom,
    notTrimmed = [],
    trimmedTogether = [],
    ...rest
  } = declared;
  const parameters = listed({ ...sizes, ...FASTENING_SIZES });
  const questions = listed({ ...choices, ...boughtFor(declared) });
  // The one place where a plan becomes typed: after `planFaults` has found every key and option to be the family's own.
  const known = (plan: BoxPlan): Plan => plan as Plan;
  /** Cuts the box and reads it off; whatever is wrong with the plan, and whatever goes wrong in cutting, is a refusal. */
  const made = (plan: BoxPlan, as: (cut: Cut) => Cut): BuiltBox => {
    const refusals = planFaults(family, plan);
    if (refusals.length > 0) return { ok: false, refusals };
    try {
      const cut = declared.build(known(plan));
      if (isRefused(cut)) return { ok: false, refusals: cut };
      return {
        ok: true,
        box: assemble(plan, withHangingHoles(plan, as(cut))),
        derived: cut.derived,
      };
    } catch (error) {
      const refusal = error instanceof PlanFault ? error.refusal : broken(declared.name, error);
      return { ok: false, refusals: [refusal] };
    }
  };
  const family: Family = {
    ...rest,
    parameters,
    choices: questions,
    roles: listed(roles),
    notTrimmed: [...notTrimmed, ...Object.keys(FASTENING_SIZES)],
    trimmedTogether,
    rules: rules.map(
      (rule): Rule =>
        (held) =>
          rule({ ...held, plan: known(held.plan) }),
    ),
    defaultsFor: (animal) => {
      const start = standardChoices(animal, { parameters, choices: questions });
      return declared.defaultsFor(animal, start as StartOf<S, C>);
    },
    dimensions: (plan, box) => declared.dimensions(known(plan), box),
    build: (plan) => made(plan, (cut) => cut),
    shape: (plan) => made(plan, (cut) => ({ ...cut, joints: [] })),
    ...(woodFrom && {
      woodFrom: (plan, boards, animal) => woodFrom(known(plan), boards, animal),
    }),
  };
  return family;
}
