import { priceOf, type Saw, type Stock } from '../../job/index.js';
import { at, maxBy, once, sum } from '../../lists/index.js';
import type { Cents, Ticks } from '../../measure/index.js';
import { Abreast } from './abreast.js';
import { dualWeightsFor, withSlices } from './dual-weights.js';
import { Distances } from './faces-apart.js';
import type { Counts } from './relaxed-patterns.js';
import { type InRow, NO_ROWS, RowLengths, type Rows } from './row-lengths.js';
import { hasStrips, haveRoom } from './rows-beside.js';
import { type Demand, type DualWeights, kerfOf, usable } from './weights.js';

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
  /** Whether the rectangles among so many of each can lie apart. It takes its time: asked of what is listed, not of what is priced. */
  apart: (counts: Counts) => boolean;
  /** Whether so many of each find room in a row as rows are laid, as far as they lie in one. */
  lays: (counts: Counts) => boolean;
  /** A shortest row of those of so many of each that can only lie in one, and what lies beside it; null where none is known. */
  order: (counts: Counts) => OrderedRow | null;
}

/** A row from the board's left end on, and in which order strips lie beside it. */
export interface OrderedRow {
  row: readonly InRow[];
  strips: readonly InRow[];
}

/** A board and what a relaxed pattern puts on it. */
export interface RelaxedBoard {
  kind: number;
  counts: Counts;
}

/** A demand, of one of the question's parts or of several that are taken for one another: which they are, by the question's indexes. */
export type Wanted = Demand & { members: readonly number[] };

/** The parts that must be placed and the kinds of boards, each with measures of its own. */
export interface Relaxation {
  question: BoundQuestion;
  /** What was reckoned of rows so far, by the thickness of the boards. */
  distances: Map<Ticks, Distances>;
  wanted: readonly Wanted[];
  kinds: readonly RelaxedKind[];
}

/**
 * Boards that differ only in length have the same rows: those of the one with most length to use hold whatever may lie on the others. What
 * their defects forbid comes to it board by board.
 */
function rowsFinder(
  classes: readonly (readonly Demand[])[],
  { stock, saw }: BoundQuestion,
  distances: Map<Ticks, Distances>,
): (kind: Stock) => Rows {
  const known = new Map<string, Rows>();
  return (of) => {
    const apart = distances.get(of.thickness) ?? new Distances(kerfOf(saw), of.thickness);
    distances.set(of.thickness, apart);
    const { width, faceA, faceB, grained } = of;
    const alike = (kind: Stock) =>
      kind.width === width &&
      kind.thickness === of.thickness &&
      kind.faceA === faceA &&
      kind.faceB === faceB &&
      kind.grained === grained;
    const key = `${of.thickness},${width},${faceA},${faceB},${grained}`;
    const longest = maxBy(stock.filter(alike), (kind) => usable(kind, saw)[0]);
    const rows =
      known.get(key) ??
      (longest ? RowLengths.of(classes, { ...longest, defects: [] }, saw, apart) : NO_ROWS);
    known.set(key, rows);
    if (of.defects.length === 0) return rows;
    const past = RowLengths.past(classes, of, saw, apart);
    return { ...past, bounds: [...rows.bounds, ...past.bounds] };
  };
}

/** What a kind of board holds beyond what its measures say. */
type Closely = Pick<RelaxedKind, 'allows' | 'apart' | 'lays' | 'order'>;

const WHATEVER: Closely = {
  allows: () => true,
  apart: () => true,
  lays: () => true,
  order: () => null,
};

/** What rows, and rectangles abreast, say of a kind of board; they are reckoned when they are first asked. */
function closelyOf(
  classes: readonly (readonly Demand[])[],
  rowsOf: (kind: Stock) => Rows,
  stock: Stock,
  saw: Saw,
): Closely {
  const length = usable(stock, saw)[0];
  const rows = once(() => rowsOf(stock));
  const abreast = once(() => new Abreast(classes, stock, saw));
  return {
    allows: (counts) => rows().bounds.every((row) => row.allows(counts, length)),
    apart: (counts) => abreast().allows(counts),
    lays: (counts) => {
      const { laid, beside } = rows();
      return beside && hasStrips(beside, counts)
        ? haveRoom(beside, counts, stock, saw, length)
        : (laid?.allows(counts, length) ?? true);
    },
    order: (counts) => {
      const { laid, beside } = rows();
      const isBeside = beside !== null && hasStrips(beside, counts);
      const row = (isBeside ? beside.row : laid)?.order(counts);
      const strips = isBeside ? beside.strips.order(counts) : [];
      return row && strips ? { row, strips } : null;
    },
  };
}

/** The relaxation of a question; `closely` with measures by slices and with rows too, which take their time. */
export function relax(question: BoundQuestion, closely: boolean): Relaxation {
  const { demands, stock, saw, fits } = question;
  const wanted = demands
    .map((demand, index): Wanted => ({ ...demand, members: [index] }))
    .filter((demand) => demand.copies > 0);
  const distances = new Map<Ticks, Distances>();
  const classes = wanted.map((demand) => [demand]);
  const rowsOf = rowsFinder(classes, question, distances);
  const kinds = stock.map((of, kind): RelaxedKind => {
    const copies = wanted.map((demand) => (fits(at(demand.members, 0), kind) ? demand.copies : 0));
    const own = wanted.map((demand, part) => ({ ...demand, copies: at(copies, part) }));
    const plain = dualWeightsFor(own, [of], saw);
    const measures = closely ? withSlices(plain, own, of, saw) : plain;
    return {
      stock: of,
      price: priceOf(of),
      measures,
      capacity: measures.map((measure) => at(measure.capacities, 0)),
      copies,
      ...(closely ? closelyOf(classes, rowsOf, of, saw) : WHATEVER),
    };
  });
  return { question, distances, wanted, kinds };
}

/** The same of what can be laid as far as rows tell: what it leaves out may be laid all the same, so that it gives no bounds. */
export const asLaid = (relaxation: Relaxation): Relaxation => ({
  ...relaxation,
  kinds: relaxation.kinds.map((kind) => ({ ...kind, allows: kind.lays, apart: () => true })),
});

/** Whether the rectangles of patterns by the question's parts can lie apart on each of their boards. */
export const areApart = (
  { kinds, wanted }: Relaxation,
  patterns: readonly RelaxedBoard[],
): boolean =>
  patterns.every(({ kind, counts }) =>
    at(kinds, kind).apart(
      wanted.map(({ members }) => sum(members.map((index) => at(counts, index)))),
    ),
  );

/** The same as if rectangles had room that need not have it: quicker to list. */
export const whereverApart = (relaxation: Relaxation): Relaxation => ({
  ...relaxation,
  kinds: relaxation.kinds.map((kind) => ({ ...kind, apart: () => true })),
});

/**
 * The same with parts taken for one another, by which of the classes each belongs to: a class weighs what the lightest of its parts does,
 * and lies in a row as any of them may. It allows all that was allowed, with far fewer patterns.
 */
export function merge(whole: Relaxation, classOf: Counts): Relaxation {
  const { question, distances, wanted, kinds } = whole;
  const classes = [...new Set(classOf)].map((of) =>
    wanted.map((_demand, part) => part).filter((part) => at(classOf, part) === of),
  );
  if (classes.length === wanted.length) return whole;
  const demands = classes.map((members) => members.map((part) => at(wanted, part)));
  const rowsOf = rowsFinder(demands, question, distances);
  return {
    question,
    distances,
    wanted: classes.map((members) => ({
      ...at(wanted, at(members, 0)),
      members: members.flatMap((part) => at(wanted, part).members),
      copies: sum(members.map((part) => at(wanted, part).copies)),
    })),
    kinds: kinds.map((kind) => {
      const lightest = (weights: readonly number[]) =>
        classes.map((members) => {
          const lying = members.filter((part) => at(kind.copies, part) > 0);
          return lying.length === 0 ? 0 : Math.min(...lying.map((part) => at(weights, part)));
        });
      return {
        ...kind,
        measures: kind.measures.map(({ weights, capacities }) => ({
          weights: lightest(weights),
          capacities,
        })),
        copies: classes.map((members) => sum(members.map((part) => at(kind.copies, part)))),
        ...closelyOf(demands, rowsOf, kind.stock, question.saw),
      };
    }),
  };
}
