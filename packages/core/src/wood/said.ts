import type { Face } from './board.js';
import { factsOf, type WoodFacts } from './facts.js';
import type { Material } from './material.js';
import type { NominalSize } from './nominal.js';

interface Faces {
  faceA: Face;
  faceB: Face;
}

const both = (face: Face): Faces => ({ faceA: face, faceB: face });

/** Faces that words state; null where they say nothing of them. */
function facesSaid(words: string): Faces | null {
  const rough = /\brough|\bsawn/.test(words);
  const planed = /\bplaned|\bsmooth|\bsurfaced|\bs4s\b|\bdressed/.test(words);
  const one = /\bone (side|face)/.test(words);
  if ((rough && planed) || ((rough || planed) && one)) return { faceA: 'rough', faceB: 'planed' };
  if (planed) return both('planed');
  return rough ? both('rough') : null;
}

/** How boards of a name or a wood are usually sold; everything else is planed until the maker says otherwise. */
export function usualFaces(words: string, wood: Material, nominal: NominalSize | null): Face {
  if (wood.sheet) return 'planed';
  if (nominal) return nominal.faces;
  const sold = /\bpickets?\b|\bpallet|\bslats?\b|\bscaffold/.test(words);
  return sold || wood.id === 'pallet-wood' || wood.id === 'scaffold-board' ? 'rough' : 'planed';
}

/** The faces that a line says, or those that such boards usually have, which then stand as assumed. */
export function readFaces(
  words: string,
  wood: Material,
  nominal: NominalSize | null,
): { faces: Faces; assumed: string[] } {
  const said = facesSaid(words);
  return said
    ? { faces: said, assumed: [] }
    : { faces: both(usualFaces(words, wood, nominal)), assumed: ['faces'] };
}

const TREATMENTS: readonly (readonly [RegExp, string])[] = [
  [/\buntreated\b/, 'none'],
  [/creosot/, 'creosoted'],
  [/heat[ -]treated/, 'heat-treated'],
  [/kiln[ -]dried/, 'kiln-dried'],
  [/\btreated|tanali[sz]ed|pressure/, 'pressure-treated'],
  [/\boily\b/, 'oily'],
];

const GRADES: readonly (readonly [RegExp, string])[] = [
  [/\bmarine\b/, 'marine'],
  [/\bexterior\b|\bwbp\b|\bexternal\b/, 'exterior'],
  [/\binterior\b/, 'interior'],
  [/\bgreen\b|\bunseasoned\b|\bwet\b/, 'green'],
];

const firstOf = (words: string, table: readonly (readonly [RegExp, string])[]): string | null =>
  table.find(([pattern]) => pattern.test(words))?.[1] ?? null;

/** Treatment, grade, stamp and paint that a line states; of used boards, whose past nobody knows, no treatment is an assumption. */
export function factsSaid(line: string, wood: Material, assumed: readonly string[]): WoodFacts {
  const treatment = firstOf(line, TREATMENTS);
  const stamp = /\b(mb|ht)\b/.exec(line)?.[1]?.toUpperCase() ?? null;
  const unknownPast = wood.reclaimed && wood.id !== 'pallet-wood' && treatment === null;
  return factsOf({
    assumed: [...assumed, ...(unknownPast ? ['treatment'] : [])],
    treatment: treatment ?? 'none',
    grade: firstOf(line, GRADES),
    stamp,
    oldPaint: /\b(old )?paint(ed)?\b|\bvarnish/.test(line) && !/\bno paint|\bunpainted/.test(line),
  });
}
