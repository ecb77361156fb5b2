import { maxBy, minBy } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import { boundsOf } from '../../plane/index.js';
import { chordOf, leftOfCut, NOTHING, type SawCut, type Wood } from './saw-cut.js';
import { type Candidate, isMade, partedBy, type Sawing, type Wanted } from './target.js';

/** Every cut along an edge of a part that is not made yet and goes through none of the others. */
function* candidates(wood: Wood, all: readonly Wanted[], sawing: Sawing): Generator<Candidate> {
  for (const { target, edges } of all) {
    // An offcut only has to stay whole: its edges are cut where that parts it from something.
    if (!target.part && all.length === 1) return;
    for (const cut of edges) {
      if (isMade(cut, wood, sawing.saw)) continue;
      const parted = partedBy(cut, all, sawing);
      if (parted && (target.part || parted.right.length > 0)) yield parted;
    }
  }
}

/** How a piece lies: whether it is longer along the board than across. */
interface Lie {
  isLong: boolean;
  /** Its middle across the cut's own run is read off these. */
  middle: readonly [number, number];
}

function lieOf(wood: Wood): Lie {
  const [left, bottom, right, top] = boundsOf([...wood.faceA, ...wood.faceB]);
  return {
    isLong: right - left >= top - bottom - NOTHING,
    middle: [(left + right) / 2, (bottom + top) / 2],
  };
}

/** Whether a cut runs the long way of a piece. */
const runsLong = ({ along }: SawCut, { isLong }: Lie): boolean =>
  isLong ? Math.abs(along[0]) > Math.abs(along[1]) : Math.abs(along[1]) > Math.abs(along[0]);

/** Where a cut crosses the middle line of a piece: how far along its long way, or across it. */
function placeOf({ point, along }: SawCut, { middle, isLong }: Lie, long: boolean): number {
  const axis = isLong === long ? 1 : 0;
  const other = axis === 1 ? 0 : 1;
  const run = along[other];
  const steps = run === 0 ? 0 : (middle[other] - point[other]) / run;
  return point[axis] + steps * along[axis];
}

/** The parts on the left that get an edge made by a cut. */
const partsMade = ({ cut, left }: Candidate): Wanted[] =>
  left.filter(({ edges }) =>
    edges.some(
      (edge) =>
        Math.abs(leftOfCut(cut, edge.point)) < 16 &&
        Math.abs(edge.along[0] - cut.along[0]) + Math.abs(edge.along[1] - cut.along[1]) < 1e-3 &&
        Math.abs(edge.shift - cut.shift) < 16,
    ),
  );
const madeBy = (candidate: Candidate): number => partsMade(candidate).length;

/** Of these the one that cuts off least from the low end, or lowest. */
const lowest = (list: readonly Candidate[], lie: Lie): Candidate | null =>
  minBy(list, ({ cut }) => placeOf(cut, lie, runsLong(cut, lie))) ?? null;

/** Whether one rip makes an edge of all these parts together. */
function isRow(row: readonly Wanted[], wood: Wood, lie: Lie, sawing: Sawing): boolean {
  const edges = row[0]?.target.part ? row[0].edges : [];
  return edges.some((cut) => {
    if (!runsLong(cut, lie) || isMade(cut, wood, sawing.saw)) return false;
    const parted = partedBy(cut, row, sawing);
    return parted !== null && parted.right.length === 0 && madeBy(parted) === row.length;
  });
}

/** Parts in a row that one rip makes together, sawn off together so that what is ripped is long; null where there is no such row. */
function rowOff(
  list: readonly Candidate[],
  wood: Wood,
  lie: Lie,
  sawing: Sawing,
): Candidate | null {
  const rows = list.filter(
    ({ left, right }) => left.length > 1 && right.length > 0 && isRow(left, wood, lie, sawing),
  );
  return maxBy(rows, ({ left }) => left.length) ?? null;
}

/** Square to the board to within what rounding turns a short edge by. */
const SQUARE = 1e-3;
/** A cut from long edge to long edge; a shorter one clips a corner. */
const FULL = 0.9;

/** Whether a cut runs from one long edge of a piece to the other. */
function isFull(cut: SawCut, wood: Wood, { isLong }: Lie): boolean {
  const chord = chordOf(cut, wood);
  if (!chord) return false;
  const axis = isLong ? 1 : 0;
  const [left, bottom, right, top] = boundsOf([...wood.faceA, ...wood.faceB]);
  const wide = isLong ? top - bottom : right - left;
  return Math.abs(chord[1][axis] - chord[0][axis]) >= FULL * wide;
}

/** How long a target is along the long way of the piece, to a tenth of a millimetre; an offcut has no length that a stop is set to. */
const lengthOf = ({ target, box }: Wanted, { isLong }: Lie): number =>
  target.part ? Math.round(box[isLong ? 2 : 3] / 16) : 0;

/** Whether a cut parts pieces of different lengths: each group by itself can wait until the stop stands at its length. */
function isBoundary({ left, right }: Candidate, lie: Lie): boolean {
  if (right.length === 0) return false;
  const axis = lie.isLong ? 0 : 1;
  const place = ({ box }: Wanted) => box[axis];
  const [mine, theirs] = [left.map(place), right.map(place)];
  const leftIsLow = Math.max(...mine) < Math.min(...theirs);
  const [last, first] = leftIsLow
    ? [maxBy(left, place), minBy(right, place)]
    : [minBy(left, place), maxBy(right, place)];
  return !last || !first || lengthOf(last, lie) !== lengthOf(first, lie);
}

/** The one with as much on either side: what lies apart need not wait for each other. */
const midmost = (list: readonly Candidate[]): Candidate | null =>
  minBy(list, ({ left, right }) => Math.abs(left.length - right.length)) ?? null;

/** Shortest piece that a hand holds; common practice, no source. */
const HELD: Ticks = fromMm(200);

/** Whether a hand holds a piece by its ends alone: then its corners are clipped along these, and not along its edges. */
function isHeldAcross(wood: Wood): boolean {
  const [left, bottom, right, top] = boundsOf([...wood.faceA, ...wood.faceB]);
  return right - left < HELD && top - bottom >= HELD;
}

/** What comes first: the lower. */
const RANKS = {
  rip: 0,
  shortTilted: 1,
  boundary: 2,
  square: 3,
  tilted: 4,
  mitred: 5,
  offcut: 6,
  trim: 7,
  clip: 8,
} as const;

/** Whether a part is too short, once it is off, to be held by hand: its bevel is cut while the board is long. */
const isOfShort = (candidate: Candidate, { isLong }: Lie): boolean =>
  partsMade(candidate).some(({ box }) => 2 * box[isLong ? 2 : 3] < HELD);

function rankOf(candidate: Candidate, wood: Wood, lie: Lie): number {
  const { cut, left, right } = candidate;
  if (runsLong(cut, lie))
    return right.length > 0 || 4 * madeBy(candidate) >= 3 * left.length ? RANKS.rip : RANKS.trim;
  if (!isFull(cut, wood, lie)) return RANKS.clip;
  // An offcut comes off by the edge of a part beside it, where that does.
  if (partsMade(candidate).every(({ target }) => !target.part)) return RANKS.offcut;
  if (cut.shift !== 0) return isOfShort(candidate, lie) ? RANKS.shortTilted : RANKS.tilted;
  if (Math.abs(cut.along[lie.isLong ? 0 : 1]) > SQUARE) return RANKS.mitred;
  return isBoundary(candidate, lie) ? RANKS.boundary : RANKS.square;
}

/**
 * The cut that a piece in hand gets next, as a maker would, and so that boards come through the same settings in the same order: rips
 * while the piece is long, where they part something or make an edge of three quarters of what lies beside them; rows that are to be
 * ripped, off together; bevels of panels that no hand could hold alone; crosscuts between pieces of different lengths, then each length by
 * its stop from the low end on; the other bevels, then mitres; offcuts that come off by no part's edge; last what trims a single part and
 * clips its corners.
 */
export function chooseCut(wood: Wood, all: readonly Wanted[], sawing: Sawing): Candidate | null {
  const lie = lieOf(wood);
  const ranked = [...candidates(wood, all, sawing)].map((candidate) => ({
    candidate,
    rank: rankOf(candidate, wood, lie),
  }));
  const best = Math.min(...ranked.map(({ rank }) => rank));
  if (best > RANKS.rip) {
    const row = rowOff(
      ranked.flatMap(({ candidate, rank }) =>
        rank >= RANKS.shortTilted && rank <= RANKS.offcut ? [candidate] : [],
      ),
      wood,
      lie,
      sawing,
    );
    if (row) return row;
  }
  const found = ranked.flatMap(({ candidate, rank }) => (rank === best ? [candidate] : []));
  if (best === RANKS.boundary) return midmost(found);
  return lowest(
    found,
    // Corners of one end after those of the other: the stop then stands for two.
    best === RANKS.clip ? { ...lie, isLong: !isHeldAcross(wood) } : lie,
  );
}
