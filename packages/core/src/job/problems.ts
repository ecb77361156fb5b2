import { at } from '../lists/index.js';
import { toMm } from '../measure/index.js';
import { areaOf, type Point } from '../plane/index.js';
import { liesOnBoard } from '../wood/index.js';
import type { LayoutJob, Part } from './job.js';

/** Something in a document that cannot be, with the path to it. */
export interface Problem {
  path: string;
  message: string;
}

const MOST_COPIES = 100_000;

/** Whether a polygon turns left (or runs straight on) at every corner. */
function isConvex(points: readonly Point[]): boolean {
  const turns = points.map((point, index) => {
    const next = at(points, (index + 1) % points.length);
    const after = at(points, (index + 2) % points.length);
    const length = Math.hypot(next[0] - point[0], next[1] - point[1]) || 1;
    return (
      ((next[0] - point[0]) * (after[1] - next[1]) - (next[1] - point[1]) * (after[0] - next[0])) /
      length
    );
  });
  // A corner may dent by two ticks of rounding.
  return turns.every((turn) => turn >= -2) && areaOf(points) > 0;
}

function partProblems(part: Part, path: string): Problem[] {
  const found: Problem[] = [];
  const say = (where: string, message: string) => found.push({ path: `${path}${where}`, message });
  if (part.thickness <= 0)
    say('.thickness', `a thickness of ${toMm(part.thickness)} mm cannot be: it must be above zero`);
  if (part.quantity > MOST_COPIES)
    say('.quantity', `${part.quantity} copies are more than the ${MOST_COPIES} that are read`);
  for (const face of ['outline', 'underside'] as const) {
    const points = part[face];
    if (points.length < 3) say(`.${face}`, 'a polygon needs at least three corners');
    else if (areaOf(points) <= 0)
      say(`.${face}`, 'the corners must run anticlockwise and enclose an area');
    else if (!isConvex(points)) say(`.${face}`, 'the polygon is not convex');
  }
  if (part.outline.length !== part.underside.length)
    say(
      '.underside',
      `has ${part.underside.length} corners and the outline ${part.outline.length}: they must match one to one`,
    );
  return found;
}

/** Everything in a job that contradicts itself or the world, one line for each. A part too big for every board is no problem here: it stays unplaced. */
export function jobProblems(job: LayoutJob): Problem[] {
  const found: Problem[] = [];
  const seen = (kind: string) => {
    const ids = new Set<string>();
    return (id: string, path: string) => {
      if (ids.has(id))
        found.push({ path: `${path}.id`, message: `the ${kind} “${id}” stands here twice` });
      ids.add(id);
    };
  };
  const { saw } = job;
  if (saw.kerf < 0) found.push({ path: 'saw.kerf', message: 'a kerf cannot be negative' });
  if (saw.endTrim < 0)
    found.push({ path: 'saw.endTrim', message: 'an end trim cannot be negative' });
  const part = seen('part');
  job.parts.forEach((each, index) => {
    part(each.id, `parts[${index}]`);
    found.push(...partProblems(each, `parts[${index}]`));
  });
  const stock = seen('stock');
  job.stock.forEach((each, index) => {
    const path = `stock[${index}]`;
    stock(each.id, path);
    for (const measure of ['thickness', 'width', 'length'] as const) {
      if (each[measure] <= 0)
        found.push({
          path: `${path}.${measure}`,
          message: `a ${measure} of ${toMm(each[measure])} mm cannot be: it must be above zero`,
        });
    }
    if (each.price !== null && each.price < 0)
      found.push({ path: `${path}.price`, message: 'a price cannot be negative' });
    each.defects.forEach((defect, at) => {
      if (!liesOnBoard(defect.zone, each.length, each.width)) {
        found.push({
          path: `${path}.defects[${at}]`,
          message: `the ${defect.kind} lies outside its board of ${toMm(each.length)} × ${toMm(each.width)} mm`,
        });
      }
    });
  });
  const taken = new Set<string>();
  job.pinned.forEach((pin, index) => {
    const path = `pinned[${index}]`;
    const of = job.parts.find((each) => each.id === pin.part);
    const on = job.stock.find((each) => each.id === pin.stock);
    if (!of) found.push({ path: `${path}.part`, message: `there is no part “${pin.part}”` });
    else if (pin.copy >= of.quantity)
      found.push({
        path: `${path}.copy`,
        message: `copy ${pin.copy} of “${pin.part}” does not exist; there are ${of.quantity}, counted from 0`,
      });
    if (!on) found.push({ path: `${path}.stock`, message: `there is no stock “${pin.stock}”` });
    else if (pin.piece >= on.quantity)
      found.push({
        path: `${path}.piece`,
        message: `piece ${pin.piece} of “${pin.stock}” does not exist; there are ${on.quantity}, counted from 0`,
      });
    const key = `${pin.part}/${pin.copy}`;
    if (taken.has(key))
      found.push({ path, message: `copy ${pin.copy} of “${pin.part}” is pinned twice` });
    taken.add(key);
  });
  return found;
}
