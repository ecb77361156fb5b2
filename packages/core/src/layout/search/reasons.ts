import { type LayoutJob, type Part, suits } from '../../job/index.js';
import { type Ticks, toMm } from '../../measure/index.js';
import type { Misfit } from './shapes.js';

const showMm = (ticks: Ticks): string => `${Math.round(toMm(ticks) * 10) / 10} mm`;

/** Why a part found no place, for a maker to read. */
export function reasonFor(part: Part, job: LayoutJob, misfits: readonly (Misfit | null)[]): string {
  if (job.stock.length === 0) return 'there are no boards';
  const thick = job.stock.filter((stock) => suits({ ...part, materials: null }, stock));
  if (thick.length === 0)
    return `no board is ${showMm(part.thickness)} thick; there are ${[...new Set(job.stock.map((stock) => showMm(stock.thickness)))].join(', ')}`;
  const suited = job.stock
    .map((stock, index) => ({ stock, misfit: misfits[index] }))
    .filter(({ stock }) => suits(part, stock));
  if (suited.length === 0)
    return `no board of this thickness is of ${part.materials?.join(' or ')}`;
  const points = [...part.outline, ...part.underside];
  const extent = (axis: 0 | 1) =>
    Math.max(...points.map((point) => point[axis])) -
    Math.min(...points.map((point) => point[axis]));
  if (suited.every(({ misfit }) => misfit === 'too large')) {
    const widest = Math.max(...suited.map(({ stock }) => stock.width));
    const longest = Math.max(...suited.map(({ stock }) => stock.length)) - 2 * job.saw.endTrim;
    return extent(1) > widest
      ? `wider than any board: ${showMm(extent(1))} against ${showMm(widest)}`
      : `longer than any board: ${showMm(extent(0))} against ${showMm(longest)}`;
  }
  if (suited.some(({ misfit }) => misfit === null))
    return 'the boards are used up, or what is left of them is too short or has a defect in the way';
  if (suited.some(({ misfit }) => misfit === 'no rip'))
    return 'it is not as wide as any board, and the saw does not rip';
  if (suited.some(({ misfit }) => misfit === 'saw'))
    return `it needs a cut beyond the saw’s mitre of ${job.saw.maxMitre}° or tilt of ${job.saw.maxTilt}°`;
  return `no board has the face it needs (${part.inside !== 'any' ? `${part.inside} inside` : `${part.outside} outside`})`;
}
