import type { Animal } from '../animals/index.js';
import { type Degrees, fromMm, type Ticks } from '../measure/index.js';
import type { BoxPlan, PanelWood } from './plan.js';

/** Options chosen so far, for what applies only with some of them. */
export type Chosen = Readonly<Record<string, string>>;
export type Applies = (choices: Chosen) => boolean;

interface Ranged<K extends 'length' | 'angle'> {
  kind: K;
  label: string;
  min: number;
  max: number;
  standard: number;
  help: string;
  /** False when a choice makes the parameter meaningless; then it is neither shown nor read. */
  applies?: Applies;
  /** What plans mean that were written before it could be set. */
  meant?: number;
}
export type LengthDeclaration = Ranged<'length'>;
export type AngleDeclaration = Ranged<'angle'>;

/** A size the maker may set. Lengths in ticks, angles in degrees. */
export type Parameter = (LengthDeclaration | AngleDeclaration) & { id: string };

export interface Option<O extends string = string> {
  id: O;
  label: string;
  reason: string;
}

/** A question on which makers differ. The first option is the standard one. */
export interface ChoiceDeclaration<O extends string = string> {
  label: string;
  options: readonly Option<O>[];
  applies?: Applies;
  /** The option that plans from before the question was asked meant, where it is not the standard one. */
  before?: NoInfer<O>;
  /** The option that plans of today's version mean which were written before the question was asked. */
  meant?: NoInfer<O>;
  /** The answer is the maker's own words, at most so many letters; none is the empty word. */
  words?: number;
  /** The view in which the options differ, drawn small beside each; none where it cannot be seen. */
  picture?: 'section' | 'front' | 'plan';
  /** Roles whose panels its options differ in, pointed out in the pictures. */
  highlights?: readonly string[];
  /** Of what of the box it asks: questions of one group stand together. */
  group?: string;
}
export type Choice = ChoiceDeclaration & { id: string };

export interface RoleDeclaration {
  label: string;
  /** Sticks (battens, posts, strips) take both measures of their cross-section from the wood; the usual ones, thickness × width in millimetres, are common practice, no source. */
  stick?: readonly [thickness: number, width: number];
  /** Roofs usually come from a board of their own. */
  kind?: 'roof';
  /** True for what comes off a log or a sheet of its own and is not laid out on boards. */
  offBoard?: boolean;
  applies?: Applies;
}
export type PanelRole = RoleDeclaration & { id: string };

export type SizeDeclarations = Readonly<Record<string, LengthDeclaration | AngleDeclaration>>;
export type ChoiceDeclarations = Readonly<Record<string, ChoiceDeclaration>>;
export type RoleDeclarations = Readonly<Record<string, RoleDeclaration>>;

type KeysOfKind<S extends SizeDeclarations, K extends string> = {
  [P in keyof S & string]: S[P]['kind'] extends K ? P : never;
}[keyof S & string];
type OptionOf<C> = C extends ChoiceDeclaration<infer O> ? O : never;

/** The plan of one family, every key known by name. */
export interface PlanOf<
  S extends SizeDeclarations,
  C extends ChoiceDeclarations,
  R extends string = string,
> extends BoxPlan {
  sizes: Readonly<Record<KeysOfKind<S, 'length'>, Ticks>>;
  angles: Readonly<Record<KeysOfKind<S, 'angle'>, Degrees>>;
  choices: { readonly [P in keyof C & string]: OptionOf<C[P]> };
  wood: Readonly<Record<R, PanelWood>>;
}

/** A length that the maker may set. Written in millimetres; ranges without a source are common practice. */
export const length = (
  label: string,
  min: number,
  max: number,
  standard: number,
  help: string,
  applies?: Applies,
): LengthDeclaration => ({
  kind: 'length',
  label,
  min: fromMm(min),
  max: fromMm(max),
  standard: fromMm(standard),
  help,
  ...(applies && { applies }),
});

/** An angle that the maker may set, in degrees. */
export const angle = (
  label: string,
  min: number,
  max: number,
  standard: number,
  help: string,
  applies?: Applies,
): AngleDeclaration => ({
  kind: 'angle',
  label,
  min,
  max,
  standard,
  help,
  ...(applies && { applies }),
});

/** What can be set only since plans of today's version have been written: those without it mean this. */
export const since = <D extends LengthDeclaration | AngleDeclaration>(
  declared: D,
  meant: number,
): D => ({ ...declared, meant: declared.kind === 'length' ? fromMm(meant) : meant });

/** A question with its options, each `[id, label, reason]`, the standard one first. */
export const oneOf = <const O extends string>(
  label: string,
  options: readonly (readonly [id: O, label: string, reason: string])[],
  more: Pick<ChoiceDeclaration<O>, 'applies' | 'picture' | 'before' | 'meant' | 'highlights'> = {},
): ChoiceDeclaration<O> => ({
  label,
  options: options.map(([id, name, reason]) => ({ id, label: name, reason })),
  ...more,
});

/** Questions that stand together under one heading. */
export const about = <C extends Readonly<Record<string, ChoiceDeclaration>>>(
  group: string,
  questions: C,
): C =>
  Object.fromEntries(
    Object.entries(questions).map(([id, question]) => [id, { ...question, group }]),
    // Every key keeps its question, and every question its options.
  ) as C;

/** A question that is answered in the maker's own words. */
export const inWords = (label: string, words: number, applies?: Applies): ChoiceDeclaration => ({
  label,
  options: [],
  words,
  ...(applies && { applies }),
});

/** What a plan of one kind of box may say, and what it says to begin with. */
export interface PlanDeclaration {
  id: string;
  name: string;
  parameters: readonly Parameter[];
  choices: readonly Choice[];
  roles: readonly PanelRole[];
  /** Sizes, angles and choices that suit an animal. */
  defaultsFor(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'choices'>;
  /** The wood to begin with where boards' widths matter to the family; otherwise every panel begins with the same. */
  startWood?(
    animal: Animal,
    wood: Readonly<Record<string, PanelWood>>,
  ): Readonly<Record<string, PanelWood>>;
}

/** What applies with these choices. */
export const applying = <T extends { applies?: Applies }>(
  declared: readonly T[],
  choices: Chosen,
): readonly T[] => declared.filter((each) => !each.applies || each.applies(choices));
