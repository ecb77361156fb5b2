import { fromMm } from '../../measure/index.js';
import type { Feature } from '../../panels/index.js';
import type { Point } from '../../plane/index.js';

/** Shallow kerfs to hang by, 6–13 mm apart: The Bat House Builder's Handbook, from memory [M]; their depth common practice, no source. */
const SCORE = { depth: fromMm(1.6), width: fromMm(3.2), spacing: fromMm(12), edge: fromMm(12) };

/**
 * Kerfs across a roosting face from one height to another. `at(u, z)` gives the point of the panel's frame at height z, u = −1 and 1
 * being the two ends of the face.
 */
export function scores(
  at: (u: number, z: number) => Point,
  from: number,
  to: number,
  face: 'inside' | 'outside',
): Feature[] {
  const grooves: Feature[] = [];
  for (let z = from + SCORE.edge; z < to - SCORE.edge; z += SCORE.spacing)
    grooves.push({
      kind: 'groove',
      purpose: 'grip',
      from: at(-1, z),
      to: at(1, z),
      face,
      width: SCORE.width,
      depth: SCORE.depth,
    });
  return grooves;
}
