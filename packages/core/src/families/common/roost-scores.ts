import { fromMm } from '../../measure/index.js';
import type { Feature } from '../../panels/index.js';
import type { Point } from '../../plane/index.js';
import type { ScorePlan } from './grip.js';

/** Shallow kerfs to hang by, usually 12 mm apart: The Bat House Builder's Handbook, 6–13 mm, from memory [M]; depth common practice, no source. */
export const ROOST_SPACING_MM = 12;
const DEPTH = fromMm(1.6);
const FROM_EDGE = fromMm(12);

/**
 * Kerfs across a roosting face from one height to another. `at(u, z)` gives the point of the panel's frame at height z, u = −1 and 1
 * being the two ends of the face.
 */
export function roostScores(
  { scoreSpacing, scoreWidth }: ScorePlan['sizes'],
  at: (u: number, z: number) => Point,
  [from, to]: readonly [number, number],
  face: 'inside' | 'outside',
): Feature[] {
  const grooves: Feature[] = [];
  const step = Math.max(scoreSpacing, scoreWidth);
  for (let z = from + FROM_EDGE; z < to - FROM_EDGE; z += step)
    grooves.push({
      kind: 'groove',
      purpose: 'grip',
      from: at(-1, z),
      to: at(1, z),
      face,
      width: scoreWidth,
      depth: DEPTH,
    });
  return grooves;
}
