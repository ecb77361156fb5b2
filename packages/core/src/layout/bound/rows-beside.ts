import type { Saw, Stock } from '../../job/index.js';
import type { Ticks } from '../../measure/index.js';
import { LEEWAY } from './faces-apart.js';
import type { Counts } from './relaxed-patterns.js';
import type { RowsBeside } from './row-lengths.js';
import { kerfOf } from './weights.js';

/** Whether anything of these copies would lie beside the row. */
export const hasStrips = ({ strips }: RowsBeside, counts: Counts): boolean =>
  strips.copiesIn(counts) > 0;

/**
 * Whether a row and what is narrow beside it find room on a board of this length, as they are laid: strips over what keeps to the lane, and
 * behind the row, stacked, what has no room there. No bound: they may lie otherwise.
 */
export function haveRoom(
  { row, strips, lane }: RowsBeside,
  counts: Counts,
  { width }: Stock,
  saw: Saw,
  length: Ticks,
): boolean {
  if (!row.allows(counts, length)) return false;
  const kerf = kerfOf(saw);
  const many = strips.copiesIn(counts);
  const along = strips.least(counts);
  const own = (along + kerf) / many;
  const over = row.lengthWithin(counts) + LEEWAY;
  const beside = along + kerf <= over ? many : Math.min(many, Math.floor(over / own));
  if (beside === many) return true;
  const abreast = Math.floor((width + kerf) / (width - lane));
  const columns = Math.ceil((many - beside) / abreast);
  const taken = row.copiesIn(counts) > 0 ? row.least(counts) + kerf : 0;
  return taken + columns * own - kerf <= length + LEEWAY;
}
