import { at, maxBy } from '../../lists/index.js';
import type { LinearModel, LinearSolver } from '../solver/linear.js';
import { type Counts, worth } from './relaxed-patterns.js';

/** So many boards of one kind, and what may lie on each. */
export interface KindOfBoards {
  boards: number;
  patterns: readonly Counts[];
}

const SECONDS = 1;
const MOST_ROUNDS = 60;
const NOTHING = 1e-7;
/** Far more than any share of the boards that is asked for. */
const MOST = 1e6;

/** Columns: patterns, then the share of the boards that is taken. Rows: parts, kinds. */
function programme(
  copies: Counts,
  kinds: readonly KindOfBoards[],
  columns: readonly { kind: number; counts: Counts }[],
): LinearModel {
  return {
    columns: [...columns.map(() => 0), 1].map((cost) => ({ cost, most: MOST, whole: false })),
    rows: [
      ...copies.map((limit, part) => ({
        terms: columns.flatMap(({ counts }, index) =>
          at(counts, part) > 0 ? [[index, at(counts, part)] as const] : [],
        ),
        sense: 'at least' as const,
        limit,
      })),
      ...kinds.map(({ boards }, kind) => ({
        terms: [
          ...columns.flatMap((column, index) =>
            column.kind === kind ? [[index, 1] as const] : [],
          ),
          [columns.length, -boards] as const,
        ],
        sense: 'at most' as const,
        limit: 0,
      })),
    ],
  };
}

/**
 * Values of the parts under which so many boards of each kind have least to spare: the prices of the programme that takes the least
 * share of them in which all parts find room, patterns taken in fractions. By column generation over the patterns, which may end early: all values
 * are sound. Null where the solver has none.
 */
export function tightestPrices(
  copies: Counts,
  kinds: readonly KindOfBoards[],
  solver: LinearSolver,
): readonly number[] | null {
  const columns = kinds.flatMap(({ patterns }, kind) =>
    copies.flatMap((_count, part) => {
      const most = maxBy(patterns, (counts) => at(counts, part));
      return most ? [{ kind, counts: most }] : [];
    }),
  );
  let values: readonly number[] | null = null;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const solved = solver(programme(copies, kinds, columns), SECONDS);
    if (!solved) return values;
    const prices = copies.map((_count, part) => Math.max(0, at(solved.duals, part)));
    values = prices;
    const before = columns.length;
    kinds.forEach(({ patterns }, kind) => {
      const paid = Math.max(0, -at(solved.duals, copies.length + kind));
      const best = maxBy(patterns, (counts) => worth(counts, prices));
      if (best && worth(best, prices) > paid + NOTHING) columns.push({ kind, counts: best });
    });
    if (columns.length === before) return values;
  }
  return values;
}
