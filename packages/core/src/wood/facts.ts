import { type Text, text } from '../text/index.js';
import { materialById } from './material.js';

/** What is taken to be so because nobody said otherwise; shown as assumed until the maker confirms it. */
export const ASSUMABLE = ['faces', 'width', 'material', 'treatment', 'size'] as const;
export type Assumed = (typeof ASSUMABLE)[number];

/** What matters to an animal and cannot be measured. */
export interface WoodFacts {
  /** What of the board nobody has confirmed; left out: nothing. */
  assumed?: readonly string[];
  /** What it was treated with; left out: nothing. */
  treatment?: string;
  /** Of sheets: exterior, marine, interior; of boards: green, where it is not dry. Null or left out: not said. */
  grade?: string | null;
  /** Stamp of a pallet: HT heat-treated, MB methyl bromide; null or left out: none was seen. */
  stamp?: string | null;
  oldPaint?: boolean;
}

/** Treatments that leave nothing behind which an animal could take harm from. Common practice, no source. */
const HARMLESS = ['none', 'heat', 'heat-treated', 'kiln-dried', 'thermal', 'thermally-modified'];

const POISONS: readonly (readonly [RegExp, Text])[] = [
  [/creosot|tar\b/, text`Creosote and tar poison what touches and breathes them.`],
  [
    /pressure|\bcca\b|\bacq\b|tanali|arsen|copper|treated|preserv/,
    text`Pressure-treated wood carries poisons against what lives in wood, and animals gnaw and breathe it.`,
  ],
  [/oil|smell|chemical/, text`Oily or smelling wood has been where nobody knows.`],
  [/bromide|fumigat/, text`Methyl bromide is a poison.`],
];

/** Why wood with this treatment is not fit for boxes; null where it is. An unknown treatment is none to build with. */
export function treatmentRefused(treatment: string | undefined): Text | null {
  const said = (treatment ?? 'none').toLowerCase().trim();
  if (said === '' || HARMLESS.includes(said.replaceAll(' ', '-'))) return null;
  const known = POISONS.find(([words]) => words.test(said));
  return (
    known?.[1] ??
    text`What “${treatment ?? ''}” leaves in the wood is not known here: take wood of which you know it.`
  );
}

/** The facts of a board or of a panel's wood, and nothing else of it; what nobody said stays away. */
export function factsOf(wood: WoodFacts): WoodFacts {
  const { assumed = [], treatment = 'none', grade = null, stamp = null, oldPaint = false } = wood;
  return {
    ...(assumed.length > 0 && { assumed }),
    ...(treatment !== 'none' && { treatment }),
    ...(grade !== null && { grade }),
    ...(stamp !== null && { stamp }),
    ...(oldPaint && { oldPaint }),
  };
}

/** A single face that is named stands for both: neither has been looked at. */
const factOf = (word: string): string => (/^face[ab]?$/i.test(word) ? 'faces' : word);

export const isAssumed = (wood: WoodFacts, fact: Assumed): boolean =>
  wood.assumed?.some((each) => factOf(each) === fact) ?? false;

/** The faces that may be counted on: one that nobody has looked at counts as planed. */
export const facesSeen = <F extends 'rough' | 'planed'>({
  faceA,
  faceB,
  ...facts
}: WoodFacts & { faceA: F; faceB: F }): { faceA: F | 'planed'; faceB: F | 'planed' } =>
  isAssumed(facts, 'faces') ? { faceA: 'planed', faceB: 'planed' } : { faceA, faceB };

/** What is still assumed of a board once something is confirmed. */
export const stillAssumed = (wood: WoodFacts, fact: Assumed): readonly string[] =>
  (wood.assumed ?? []).filter((each) => factOf(each) !== fact);

const UNKNOWN = (material: string): Text =>
  text`“${material}” is not known here: say which wood it is.`;

/**
 * Why no box is built of this wood; null where one may be: an unknown wood, sheets that fall apart, what was treated with poison, pallets
 * that were fumigated (ISPM 15, mark MB).
 */
export function woodRefused(wood: WoodFacts & { material: string }): Text | null {
  const material = materialById(wood.material);
  if (!material) return UNKNOWN(wood.material);
  if (material.refused) return text`${material.name}: ${material.refused}`;
  const treated = treatmentRefused(wood.treatment);
  if (treated) return treated;
  if (/\bmb\b|methyl|bromide/i.test(wood.stamp ?? ''))
    return text`Stamped MB: fumigated with methyl bromide, a poison.`;
  if (material.sheet && /interior/i.test(wood.grade ?? ''))
    return text`Plywood of interior grade comes apart in the first wet winter.`;
  return null;
}
