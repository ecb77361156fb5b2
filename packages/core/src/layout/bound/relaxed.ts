import { priceOf, type Saw, type Stock } from '../../job/index.js';
import { at, maxBy } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import { dualWeightsFor, withSlices } from './dual-weights.js';
import type { Counts } from './relaxed-patterns.js';
import { type InRow, RowLengths, type Rows } from './row-lengths.js';
import { type Demand, type DualWeights, usable } from './weights.js';

/** What a bound is asked: parts with copies, kinds of boards, the saw, how many copies may stay unplaced, and which part fits which kind. */
export interface BoundQuestion {
  demands: readonly Demand[];
  stock: readonly Stock[];
  saw: Saw;
  left: number;
  fits: (demand: number, kind: number) => boolean;
}

/** What may lie on one board of a kind, as far as the measures see: a relaxation of the real patterns. */
export interface RelaxedKind {
  stock: Stock;
  price: Cents;
  measures: readonly DualWeights[];
  capacity: readonly number[];
  copies: Counts;
  /** Whether a board may hold so many of each, beyond what the measures say. */
  allows: (counts: Counts) => boolean;
  /** A shortest row of so many of each, where they can only lie in one. */
  order: (counts: Counts) => InRow[] | null;
}

/** A board and what a relaxed pattern puts on it. */
export interface RelaxedBoard {
  kind: number;
  counts: Counts;
}

/** The parts that must be placed and the kinds of boards, each with measures of its own. */
export interface Relaxation {
  wanted: readonly (Demand & { index: number })[];
  kinds: readonly RelaxedKind[];
}

const NO_ROWS: Rows = { bounds: [], laid: null };

/** The relaxation of a question; `closely` with measures by slices and with rows too, which take their time. */
export function relax({ demands, stock, saw, fits }: BoundQuestion, closely: boolean): Relaxation {
  const wanted = demands
    .map((demand, index) => ({ ...demand, index }))
    .filter((demand) => demand.copies > 0);
  // Boards that differ only in length have the same rows: those of the one with most length to use hold whatever may lie on the others.
  const known = new Map<string, Rows>();
  const rowsOf = ({ width, faceA, faceB, grained }: Stock): Rows => {
    const alike = (kind: Stock) =>
      kind.width === width &&
      kind.faceA === faceA &&
      kind.faceB === faceB &&
      kind.grained === grained;
    const key = `${width},${faceA},${faceB},${grained}`;
    const longest = maxBy(stock.filter(alike), (kind) => usable(kind, saw)[0]);
    const rows = known.get(key) ?? (longest ? RowLengths.of(wanted, longest, saw) : NO_ROWS);
    known.set(key, rows);
    return rows;
  };
  const kinds = stock.map((of, kind): RelaxedKind => {
    const copies = wanted.map((demand) => (fits(demand.index, kind) ? demand.copies : 0));
    const own = wanted.map((demand, part) => ({ ...demand, copies: at(copies, part) }));
    const plain = dualWeightsFor(own, [of], saw);
    const measures = closely ? withSlices(plain, own, of, saw) : plain;
    const rows = closely ? rowsOf(of) : NO_ROWS;
    const [length] = usable(of, saw);
    return {
      stock: of,
      price: priceOf(of),
      measures,
      capacity: measures.map((measure) => at(measure.capacities, 0)),
      copies,
      allows: (counts) => rows.bounds.every((row) => row.allows(counts, length)),
      order: (counts) => rows.laid?.order(counts) ?? null,
    };
  });
  return { wanted, kinds };
}
