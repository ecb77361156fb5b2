import { type Text, text } from '../text/index.js';
import type { Applies, PlanDeclaration } from './declaration.js';
import { standardOption } from './defaults.js';
import { type BoxPlan, type Finish, type PanelWood, UNKNOWN_PLACE } from './plan.js';

/** A plan as the first version of its file said it: answers under names of their own, much left out. */
export interface EarlierPlan {
  family: string;
  animal: string | null;
  sizes: Readonly<Record<string, number>>;
  angles: Readonly<Record<string, number>>;
  schools: Readonly<Record<string, string>>;
  wood: Readonly<Record<string, EarlierWood>>;
}

/** Wood whose faces may not be said. */
type EarlierWood = Omit<PanelWood, 'faceA' | 'faceB'> & Partial<Pick<PanelWood, 'faceA' | 'faceB'>>;

/** Something that an earlier file left out or said beyond what is known, at its path there. */
export interface PlanNote {
  path: string;
  message: Text;
}

/** What one answer of an earlier file says in today's words. */
const FINISHES: Readonly<Record<string, readonly Finish[]>> = {
  bare: [],
  stain: [{ where: 'outside', what: 'stain', base: 'water', shade: null }],
  oil: [{ where: 'outside', what: 'oil', base: 'oil', shade: null }],
  paint: [{ where: 'outside', what: 'paint', base: 'water', shade: null }],
};

/** Answers that are said elsewhere in a plan now. */
const MOVED = ['finish', 'palletStamp'];

const known = (declared: readonly { id: string }[], id: string): boolean =>
  declared.some((each) => each.id === id);

const dropped = (path: string): PlanNote => ({
  path,
  message: text`is not known to this kind of box and is left out`,
});

const given = <T>(
  record: Readonly<Record<string, T>>,
  declared: readonly { id: string }[],
): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([id]) => known(declared, id)));

/** Wood with its faces, planed where nobody said otherwise, and the stamp that was asked for the whole plan. */
const wholeWood = (wood: EarlierWood, palletStamp: string | undefined): PanelWood => ({
  ...wood,
  faceA: wood.faceA ?? 'planed',
  faceB: wood.faceB ?? 'planed',
  ...(!(wood.faceA && wood.faceB) && { assumed: ['faces'] }),
  ...(palletStamp === 'ht' && wood.material === 'pallet-wood' && { stamp: 'HT' }),
});

/**
 * An earlier plan as a whole one of its family. What it leaves out takes the family's default (where a question was asked later, the
 * answer that was meant before); what is not known is left out. Both are told, at their paths.
 */
export function fromEarlier(
  family: PlanDeclaration,
  earlier: EarlierPlan,
): { plan: BoxPlan; notes: PlanNote[] } {
  const notes: PlanNote[] = [];
  const lengths = family.parameters.filter(({ kind }) => kind === 'length');
  const turns = family.parameters.filter(({ kind }) => kind === 'angle');
  const fill = (
    kind: 'sizes' | 'angles' | 'schools',
    declared: readonly { id: string }[],
    moved: readonly string[] = [],
  ) => {
    for (const id of Object.keys(earlier[kind]))
      if (!known(declared, id) && !moved.includes(id)) notes.push(dropped(`${kind}.${id}`));
    for (const { id } of declared)
      if (!Object.hasOwn(earlier[kind], id))
        notes.push({ path: `${kind}.${id}`, message: text`is not given; the usual one is taken` });
  };
  fill('sizes', lengths);
  fill('angles', turns);
  fill('schools', family.choices, MOVED);
  for (const id of Object.keys(earlier.wood))
    if (!known(family.roles, id)) notes.push(dropped(`wood.${id}`));
  const { finish = 'bare', palletStamp } = earlier.schools;
  if (!Object.hasOwn(FINISHES, finish))
    notes.push({
      path: 'schools.finish',
      message: text`“${finish}” is not known; bare wood is taken`,
    });
  for (const [id, wood] of Object.entries(earlier.wood))
    if (!wood.faceA || !wood.faceB)
      notes.push({
        path: `wood.${id}`,
        message: text`does not say how its faces are; they are taken for planed until somebody confirms them`,
      });
  return {
    notes,
    plan: {
      family: earlier.family,
      animals: earlier.animal === null ? [] : [earlier.animal],
      sizes: {
        ...Object.fromEntries(lengths.map(({ id, standard, meant }) => [id, meant ?? standard])),
        ...given(earlier.sizes, lengths),
      },
      angles: {
        ...Object.fromEntries(turns.map(({ id, standard, meant }) => [id, meant ?? standard])),
        ...given(earlier.angles, turns),
      },
      choices: {
        ...Object.fromEntries(
          family.choices.map((each) => [
            each.id,
            each.meant ?? each.before ?? standardOption(each),
          ]),
        ),
        ...given(earlier.schools, family.choices),
      },
      wood: Object.fromEntries(
        Object.entries(given(earlier.wood, family.roles)).map(([id, wood]) => [
          id,
          wholeWood(wood, palletStamp),
        ]),
      ),
      place: UNKNOWN_PLACE,
      finish: FINISHES[finish] ?? [],
      fasteners: { default: null },
      hanging: null,
    },
  };
}

/**
 * A plan of today's version that was written before its family could be asked so much: what it does not say is what such plans meant, and
 * is told, at its path. What was always asked is not filled in.
 */
export function withLater(
  { parameters, choices }: PlanDeclaration,
  plan: BoxPlan,
): { plan: BoxPlan; notes: PlanNote[] } {
  const notes: PlanNote[] = [];
  const filled = <V>(
    kind: 'sizes' | 'angles' | 'choices',
    declared: readonly { id: string; meant?: V | undefined; applies?: Applies }[],
    given: Readonly<Record<string, V>>,
  ): Record<string, V> => {
    const later = declared.flatMap(({ id, meant, applies }): [string, V][] => {
      if (meant === undefined || Object.hasOwn(given, id)) return [];
      // What means nothing with the plan's choices is not worth a word.
      if (applies?.(plan.choices) ?? true)
        notes.push({
          path: `${kind}.${id}`,
          message: text`is not given; it is as it was before it could be set`,
        });
      return [[id, meant]];
    });
    return { ...given, ...Object.fromEntries(later) };
  };
  const ofKind = (kind: 'length' | 'angle') => parameters.filter((each) => each.kind === kind);
  return {
    plan: {
      ...plan,
      sizes: filled('sizes', ofKind('length'), plan.sizes),
      angles: filled('angles', ofKind('angle'), plan.angles),
      choices: filled<string>('choices', choices, plan.choices),
    },
    notes,
  };
}
