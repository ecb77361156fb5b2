import { endTrimOf, type LayoutJob, type Part, type Stock, suits } from '../../job/index.js';
import { boundsOf } from '../../plane/index.js';
import { joinTexts, ofAngle, ofLength, type Text, text } from '../../text/index.js';
import type { Misfit } from './shapes.js';

/** Why a part found no place, for a maker to read. */
export function reasonFor(part: Part, job: LayoutJob, misfits: readonly (Misfit | null)[]): Text {
  if (job.stock.length === 0) return text`there are no boards`;
  const thick = job.stock.filter((stock) => suits({ ...part, materials: null }, stock));
  if (thick.length === 0) return noThickness(part, job);
  const suited = job.stock
    .map((stock, index) => ({ stock, misfit: misfits[index] ?? null }))
    .filter(({ stock }) => suits(part, stock));
  if (suited.length === 0)
    return text`no board of this thickness is of ${part.materials?.join(' or ') ?? 'any wood'}`;
  const met = (misfit: Misfit | null) => suited.some((each) => each.misfit === misfit);
  if (suited.every(({ misfit }) => misfit === 'too large'))
    return tooLarge(
      part,
      job,
      suited.map(({ stock }) => stock),
    );
  if (met(null))
    return text`the boards are used up, or what is left of them is too short or has a defect in the way`;
  if (met('no rip')) return text`it is not as wide as any board, and the saw does not rip`;
  if (met('saw'))
    return text`it needs a cut beyond the saw’s mitre of ${ofAngle(job.saw.maxMitre)} or tilt of ${ofAngle(job.saw.maxTilt)}`;
  const face = part.inside !== 'any' ? `${part.inside} inside` : `${part.outside} outside`;
  return text`no board has the face it needs (${face})`;
}

function noThickness(part: Part, job: LayoutJob): Text {
  const there = [...new Set(job.stock.map(({ thickness }) => thickness))].sort((a, b) => a - b);
  const listed = joinTexts(there.map(ofLength), ', ');
  return text`no board is ${ofLength(part.thickness)} thick; there are ${listed}`;
}

function tooLarge(part: Part, job: LayoutJob, stock: readonly Stock[]): Text {
  const [left, bottom, right, top] = boundsOf([...part.outline, ...part.underside]);
  const widest = Math.max(...stock.map(({ width }) => width));
  const longest = Math.max(...stock.map((each) => each.length - 2 * endTrimOf(each, job.saw)));
  return top - bottom > widest
    ? text`wider than any board: ${ofLength(top - bottom)} against ${ofLength(widest)}`
    : text`longer than any board: ${ofLength(right - left)} against ${ofLength(longest)}`;
}
