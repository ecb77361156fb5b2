import type { Saw, Stock } from '../../job/index.js';
import type { Ticks } from '../../measure/index.js';
import { LEEWAY } from './faces-apart.js';
import type { Counts } from './relaxed-patterns.js';
import type { RowsBeside } from './row-lengths.js';
import { kerfOf } from './weights.js';

/** Whether anything of these copies would lie beside the row. */
export const hasStrips = ({ strips }: RowsBeside, counts: Counts): boolean =>
  strips.copiesIn(counts) > 0;

/** Of these copies the strips from one on, so many of them, counted part by part. */
function someOf({ strips }: RowsBeside, counts: Counts, from: number, many: number): number[] {
  let before = 0;
  return counts.map((count, part) => {
    if (!strips.holds(part)) return 0;
    const [first, last] = [Math.max(before, from), Math.min(before + count, from + many)];
    before += count;
    return Math.max(0, last - first);
  });
}

/**
 * Whether a row and what is narrow beside it find room on a board of this length, as they are laid: strips over what keeps to the lane, and
 * behind the row, in lanes, what has no room there. No bound: they may lie otherwise.
 */
export function haveRoom(
  beside: RowsBeside,
  counts: Counts,
  { width }: Stock,
  saw: Saw,
  length: Ticks,
): boolean {
  const { row, strips, lane } = beside;
  if (!row.allows(counts, length)) return false;
  const kerf = kerfOf(saw);
  const many = strips.copiesIn(counts);
  const along = strips.least(counts);
  const room = row.lengthWithin(counts) + LEEWAY;
  if (along + kerf <= room) return true;
  let over = Math.min(many, Math.floor((room * many) / (along + kerf)));
  while (over > 0 && strips.least(someOf(beside, counts, 0, over)) + kerf > room) over -= 1;
  const lanes = Math.floor((width + kerf) / (width - lane));
  const each = Math.ceil((many - over) / lanes);
  const taken = row.copiesIn(counts) > 0 ? row.least(counts) + kerf : 0;
  for (let from = over; from < many; from += each)
    if (taken + strips.least(someOf(beside, counts, from, each)) > length + LEEWAY) return false;
  return true;
}
