import { at, must } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { type Filling, fillingOf, type Piece, type Region, type Wanted } from './filling.js';
import type { Shape } from './shapes.js';

/** Rows that a knapsack may remember. */
const MOST_ROWS = 20_000;

/** Pieces one after the other, newest first: how long with their kerfs, and worth what. */
interface Row {
  at: Ticks;
  value: number;
  shape: Shape | null;
  before: Row | null;
}

/** Two lists of rows as one, from the shortest on; those that are no more valuable than a shorter one are left out. */
function better(a: readonly Row[], b: readonly Row[]): Row[] {
  const kept: Row[] = [];
  let most = Number.NEGATIVE_INFINITY;
  for (let i = 0, j = 0; i < a.length || j < b.length; ) {
    const one = a[i];
    const other = b[j];
    const first =
      !other || (one && (one.at < other.at || (one.at === other.at && one.value >= other.value)));
    const next = first ? must(one, 'one') : other;
    if (first) i += 1;
    else j += 1;
    if (next.value > most) {
      kept.push(next);
      most = next.value;
    }
  }
  return kept;
}

/**
 * The most valuable row of pieces one after the other, each in its shortest way and square to the next: a knapsack by dynamic
 * programming, exact where no two pieces lie side by side. For clean boards; `parts` counts the kinds of parts. Null where there are too many pieces.
 */
export function fillLine(
  shapes: readonly Shape[],
  region: Region,
  wanted: Wanted,
  { kerf, parts }: { kerf: Ticks; parts: number },
): Filling | null {
  const room = region.right - region.left + kerf;
  const ways = new Map<number, Shape>();
  for (const shape of shapes) {
    if (
      at(wanted.copies, shape.part) <= 0 ||
      at(wanted.values, shape.part) <= 0 ||
      shape.width > region.top - region.bottom
    )
      continue;
    const known = ways.get(shape.part);
    if (!known || shape.length < known.length) ways.set(shape.part, shape);
  }
  // Rows so far, the longer the more valuable: of two that are worth the same only the shorter goes on.
  let rows: Row[] = [{ at: 0, value: 0, shape: null, before: null }];
  for (const shape of ways.values()) {
    const length = Math.ceil(shape.length + kerf);
    const worth = at(wanted.values, shape.part);
    const most = Math.min(at(wanted.copies, shape.part), Math.floor(room / Math.max(1, length)));
    for (let copy = 0; copy < most; copy += 1) {
      const longer = rows.flatMap((row): Row[] =>
        row.at + length <= room
          ? [{ at: row.at + length, value: row.value + worth, shape, before: row }]
          : [],
      );
      rows = better(rows, longer);
      if (rows.length > MOST_ROWS) return null;
    }
  }
  const best = at(rows, -1);
  const pieces: Piece[] = [];
  for (let row: Row | null = best; row?.shape; row = row.before)
    pieces.push({ shape: row.shape, x: 0, y: region.bottom });
  if (pieces.length === 0) return null;
  let x = region.left;
  const row = pieces.map((piece) => {
    const placed = { ...piece, x };
    x = Math.ceil(x + piece.shape.length + kerf);
    return placed;
  });
  return fillingOf(row, parts, best.value);
}
