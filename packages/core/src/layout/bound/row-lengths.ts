import type { Part, Saw, Stock } from '../../job/index.js';
import { at, sum } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';
import { type Shape, shapesOf } from '../search/shapes.js';
import { stretchesBlocked } from './blocked.js';
import { Distances, endsOf, heights, LEEWAY, type Place } from './faces-apart.js';
import type { Counts } from './relaxed-patterns.js';
import { type Demand, kerfOf, usable } from './weights.js';

/** How a part lies in a row: in which shape, or in one like it of another that it was taken for, and how far from the lower edge of the board. */
export interface InRow {
  part: number;
  shape: Shape;
  /** The part that the shape is of. */
  of: Part;
  up: Ticks;
}

/** A part lying in a row. */
interface Way extends InRow {
  /** Stretches of the board that its left end cannot stand in, however far across it lies. */
  blocked: readonly (readonly [from: Ticks, to: Ticks])[];
  /** Its faces there: against one edge, or against either where that is not told apart. */
  places: readonly Place[];
  width: Ticks;
  left: Ticks;
  right: Ticks;
}

/** A part in one of its ways, and which of those in question it is or is taken for. */
interface Lying {
  part: Part;
  shape: Shape;
}

/** What a row is reckoned by. */
interface Reckoning {
  kind: Stock;
  saw: Saw;
  /** Whether past the defects of the board. */
  past: boolean;
  /** Whether a part lies against one edge or against the other, or else in how many bands of places across it may lie anywhere. */
  across: 'edges' | number;
  /** Width along the lower edge that what fits into it keeps to; null where all of the board is free. */
  lane: Ticks | null;
  /** How wide a piece the cuts between parts run across, as they are laid; null where nothing is to be taken for granted of them. */
  through: Ticks | null;
  distances: Distances;
}

/** Steps of reckoning for boards of one width; beyond that no row is forbidden that is not yet known. */
const MOST_STEPS = 200_000_000;
/** Rows reckoned at most, for the same reason. */
const MOST_ROWS = 60_000;
/** Ways of lying beyond which rows are not reckoned. */
const MOST_WAYS = 96;
/** Against the edges of the board alone. */
const EDGES = 'edges' as const;
/** Bands of places across in which a part may lie past defects, and ways of lying in them up to which there are as many. */
const MOST_BANDS = 4;
/** Bands for as much room as the part is wide. */
const BANDS_ACROSS = 12;
const WAYS_IN_BANDS = 120;

/** Rows of one kind of board. */
export interface Rows {
  /** No row is shorter than any of these says. */
  bounds: readonly RowLengths[];
  /** Rows to be laid. */
  laid: RowLengths | null;
  /** Rows to be laid where something narrow lies beside them; null where nothing is so narrow. */
  beside: RowsBeside | null;
}

/** What is asked of rows that leave a lane. */
export type RowByLane = Pick<
  RowLengths,
  'least' | 'order' | 'copiesIn' | 'lengthWithin' | 'allows'
>;

/** Rows that leave a lane along the upper edge for what is narrow, and rows of that. */
export interface RowsBeside {
  row: RowByLane;
  strips: RowLengths;
  lane: Ticks;
}

/** All that keeps to a lane, one behind the other, and behind it what needs more of the board: so strips lie over all of it with no cut between. */
class RowInBlocks implements RowByLane {
  constructor(
    private readonly inLane: RowLengths,
    private readonly rest: RowLengths,
    private readonly kerf: number,
  ) {}

  least(counts: Counts): Ticks {
    const [first, second] = [this.inLane.least(counts), this.rest.least(counts)];
    return first > 0 && second > 0 ? first + this.kerf + second : first + second;
  }

  order(counts: Counts): InRow[] | null {
    const [first, second] = [this.inLane.order(counts), this.rest.order(counts)];
    return first && second && [...first, ...second];
  }

  copiesIn(counts: Counts): number {
    return this.inLane.copiesIn(counts) + this.rest.copiesIn(counts);
  }

  /** How much of the board's length strips may lie over, a kerf with it. */
  lengthWithin(counts: Counts): Ticks {
    return this.inLane.copiesIn(counts) > 0 ? this.inLane.least(counts) + this.kerf : 0;
  }

  allows(counts: Counts, length: Ticks): boolean {
    return this.least(counts) <= length + LEEWAY;
  }
}

export const NO_ROWS: Rows = { bounds: [], laid: null, beside: null };

/**
 * How long a row of parts is at least that all cross the middle of their board, or miss it by less than half a kerf: whatever order they
 * lie in, which way round, and how far across. Two of them cannot lie abreast, since a cut between them takes a kerf. One behind the other
 * they keep a kerf on every line along the board that both cross; how far apart that is, is concave in how far
 * across they lie, and so is their sum: the least is reached with each against an edge. Then it is a dynamic programme over how many of
 * each lie there and what lies last, which is a shortest row too. Where defects are heeded a part slides on past what it cannot lie over anywhere in that band, and is taken to follow
 * what lies before it as closely as it could anywhere in its band of places across.
 */
export class RowLengths {
  private readonly known = new Map<number, Float64Array>();
  /** How long the rows are at least that were asked for. */
  private readonly leasts = new Map<number, Ticks>();
  /** How much further along a way of lying stands than what lies before it, by the way, then by what is before. */
  private readonly advance: Float64Array;
  /** Ways of lying of each part that crosses the middle, by part; and these parts. */
  private readonly waysOf = new Map<number, number[]>();
  private readonly inRow: readonly (readonly [part: number, ways: readonly number[]])[];
  /** How far each way of lying reaches beyond where it stands, and where it stands at least. */
  private readonly right: Float64Array;
  private readonly first: Float64Array;
  /** What one copy of each part adds to the number by which a row is known. */
  private readonly key: readonly number[];
  private steps = 0;
  /** Its parts lie anywhere in a band of places across, or nothing hangs on where. */
  private readonly isInBands: boolean;
  /** Length with a kerf of each part that keeps to the lane; 0 of all others. */
  private readonly inLane: readonly Ticks[];

  private readonly ways: readonly Way[];

  private constructor(all: readonly Way[], copies: readonly number[], by: Reckoning) {
    const { saw, across, lane } = by;
    const kerf = kerfOf(saw);
    const apart = all.map((first) => all.map((after) => nearest(first, after, by)));
    const kept = undominated(all, apart);
    const ways = kept.map((index) => at(all, index));
    this.ways = ways;
    const size = ways.length;
    for (const [index, { part }] of ways.entries())
      this.waysOf.set(part, [...(this.waysOf.get(part) ?? []), index]);
    this.inRow = [...this.waysOf];
    this.right = Float64Array.from(ways, (way) => way.right);
    this.first = Float64Array.from(ways, (way) => -way.left);
    let next = 1;
    this.key = copies.map((count, part) => {
      if (!this.waysOf.has(part)) return 0;
      const key = next;
      next *= count + 1;
      return key;
    });
    this.advance = new Float64Array(size * size);
    for (const [i, first] of kept.entries())
      for (const [j, after] of kept.entries())
        this.advance[j * size + i] = at(at(apart, first), after);
    this.isInBands = across !== 'edges';
    this.inLane = copies.map((_count, part) => {
      const own = all.filter((way) => way.part === part);
      const isIn = lane !== null && own.length > 0 && own.every((way) => way.width <= lane);
      return isIn ? Math.min(...own.map(({ right, left }) => right - left)) + kerf : 0;
    });
    // Rows that could not be told from one another are not reckoned.
    if (next > Number.MAX_SAFE_INTEGER) this.steps = MOST_STEPS;
  }

  /**
   * Rows on a kind of board, and on shorter ones like it, as if they had no defects: as bounds, and as they can be laid. Parts that are taken
   * for one another are given together.
   */
  static of(
    classes: readonly (readonly Demand[])[],
    kind: Stock,
    saw: Saw,
    distances: Distances = new Distances(kerfOf(saw), kind.thickness),
  ): Rows {
    const lying = lyingAcross(classes, kind, saw);
    if (lying.length === 0) return NO_ROWS;
    // Where all ends are square nothing hangs on how far across its parts lie.
    const across = lying.some(({ shape }) => isFreeOn(shape, kind, saw)) ? EDGES : 1;
    const by = { kind, saw, past: false, across, lane: null, through: null, distances };
    const row = RowLengths.by(lying, classes, by);
    const through = throughOf(kind, saw);
    const laid =
      across === EDGES && through ? RowLengths.by(lying, classes, { ...by, through }) : row;
    return { bounds: [row], laid, beside: RowLengths.beside(lying, classes, by, laid) };
  }

  /** Rows on one kind of board past its defects. */
  static past(
    classes: readonly (readonly Demand[])[],
    kind: Stock,
    saw: Saw,
    distances: Distances = new Distances(kerfOf(saw), kind.thickness),
  ): Rows {
    const lying = lyingAcross(classes, kind, saw);
    if (lying.length === 0) return NO_ROWS;
    const by = { kind, saw, past: true, across: EDGES, lane: null, through: null, distances };
    const bands = Math.max(1, Math.min(MOST_BANDS, Math.floor(WAYS_IN_BANDS / lying.length)));
    const laid = RowLengths.by(lying, classes, { ...by, through: throughOf(kind, saw) });
    return {
      bounds: [RowLengths.by(lying, classes, { ...by, across: bands })],
      laid,
      beside: RowLengths.beside(lying, classes, by, laid),
    };
  }

  /** The same beside a lane for all that need not cross the middle, as wide as the widest of it; where nothing is so narrow that it keeps to the lane it is the row itself. */
  private static beside(
    lying: readonly Lying[],
    classes: readonly (readonly Demand[])[],
    by: Reckoning,
    row: RowLengths,
  ): RowsBeside | null {
    const { kind, saw, distances } = by;
    const strips = narrowest(classes, new Set(lying.map(({ shape }) => shape.part)), kind, saw);
    const width = Math.max(0, ...strips.map(({ shape }) => shape.width));
    const lane = kind.width - saw.kerf - width;
    if (!saw.rip || strips.length === 0 || lane <= 0) return null;
    const own = {
      kind: { ...kind, width },
      saw,
      past: false,
      across: 1,
      lane: null,
      through: null,
    };
    return {
      row: RowLengths.byLane(lying, classes, { ...by, across: EDGES, lane }, row),
      strips: RowLengths.by(strips, classes, { ...own, distances }),
      lane,
    };
  }

  /** Past defects nothing is known of a row but from the board's end on: there it is one, else in two blocks. */
  private static byLane(
    lying: readonly Lying[],
    classes: readonly (readonly Demand[])[],
    by: Reckoning,
    row: RowLengths,
  ): RowByLane {
    const { lane } = by;
    const narrow = lying.filter(({ shape }) => lane !== null && shape.width <= lane);
    if (narrow.length === 0) return row;
    const through = throughOf(by.kind, by.saw);
    if (by.past) return RowLengths.by(lying, classes, { ...by, through });
    const within = new Set(narrow.map(({ shape }) => shape.part));
    const wide = lying.filter(({ shape }) => !within.has(shape.part));
    return new RowInBlocks(
      RowLengths.by(narrow, classes, { ...by, through: through && lane }),
      RowLengths.by(wide, classes, { ...by, through }),
      kerfOf(by.saw),
    );
  }

  private static by(
    lying: readonly Lying[],
    classes: readonly (readonly Demand[])[],
    by: Reckoning,
  ): RowLengths {
    const ways = lying.flatMap((each) => waysOf(each, by));
    return new RowLengths(ways, classes.map(copiesOf), by);
  }

  /** The least length of a row of so many copies of each part; those that need not cross the middle are left out. */
  least(counts: Counts): Ticks {
    const { key: keys } = this;
    let key = 0;
    for (let part = 0; part < keys.length; part += 1)
      key += (counts[part] as number) * (keys[part] as number);
    const known = this.leasts.get(key);
    if (known !== undefined) return known;
    const row = this.row(
      counts.map((count, part) => (this.waysOf.has(part) ? count : 0)),
      key,
    );
    if (!row) return 0;
    const least = row.reduce(
      (end, stands, way) => Math.min(end, stands + at(this.right, way)),
      Number.POSITIVE_INFINITY,
    );
    this.leasts.set(key, least);
    return least;
  }

  /** Whether a part lies in the row. */
  holds(part: number): boolean {
    return this.waysOf.has(part);
  }

  /** How many of these copies lie in the row. */
  copiesIn(counts: Counts): number {
    return counts.reduce((total, count, part) => total + (this.waysOf.has(part) ? count : 0), 0);
  }

  /** How long the pieces of the row are together that are no wider than a lane, a kerf with each. */
  lengthWithin(counts: Counts): Ticks {
    return counts.reduce((total, count, part) => total + count * at(this.inLane, part), 0);
  }

  /** Whether such a row may have room on a board of this length. */
  allows(counts: Counts, length: Ticks): boolean {
    const least = this.least(counts);
    return !Number.isFinite(least) || least <= length + LEEWAY;
  }

  /** A shortest row of so many copies, from the board's left end on, without those that need not cross its middle; null where too much has been asked. */
  order(counts: Counts): InRow[] | null {
    const left = counts.map((count, part) => (this.waysOf.has(part) ? count : 0));
    const order: InRow[] = [];
    let last: number | null = null;
    for (;;) {
      const key = left.reduce((sum, count, part) => sum + count * at(this.key, part), 0);
      if (key === 0) return order.reverse();
      const row = this.row(left, key);
      if (!row) return null;
      const next: number | null = this.lastOf(row, last);
      if (next === null) return null;
      const way = at(this.ways, next);
      order.push(way);
      left[way.part] = at(left, way.part) - 1;
      last = next;
    }
  }

  /** The way in which a row ends so that what follows it stands soonest, or the row itself ends soonest. */
  private lastOf(row: Float64Array, follower: number | null): number | null {
    const size = this.ways.length;
    let [best, soonest]: [number | null, number] = [null, Number.POSITIVE_INFINITY];
    for (let index = 0; index < size; index += 1) {
      const more =
        follower === null ? at(this.ways, index).right : at(this.advance, follower * size + index);
      const end = at(row, index) + more;
      if (end < soonest) [best, soonest] = [index, end];
    }
    return best;
  }

  /** Where the last part stands at least, by its way of lying; null where nothing lies, or too much has been asked. */
  private row(counts: number[], key: number): Float64Array | null {
    if (key === 0) return null;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    if (this.steps >= MOST_STEPS || this.known.size >= MOST_ROWS) return null;
    const found = new Float64Array(this.ways.length).fill(Number.POSITIVE_INFINITY);
    for (const [part, lying] of this.inRow) {
      const count = counts[part] as number;
      if (count === 0) continue;
      counts[part] = count - 1;
      const isKnown = this.endWith(lying, counts, key - (this.key[part] as number), found);
      counts[part] = count;
      if (!isKnown) return null;
    }
    this.known.set(key, found);
    return found;
  }

  /** Where a part stands at least behind a row of so many copies, by its ways of lying; false where too much has been asked. */
  private endWith(
    lying: readonly number[],
    counts: number[],
    key: number,
    found: Float64Array,
  ): boolean {
    const row = this.row(counts, key);
    if (!row && key > 0) return false;
    const ends: number[] = [];
    if (row)
      for (const [part, ways] of this.inRow) if ((counts[part] as number) > 0) ends.push(...ways);
    this.steps += ends.length * lying.length;
    for (const last of lying) {
      const first = this.first[last] as number;
      found[last] = slid(at(this.ways, last), row ? this.after(row, ends, last, first) : first);
    }
    return true;
  }

  /** Where a part lying so stands at least behind a row that may end in these ways; none stands before `first`. */
  private after(stands: Float64Array, ends: readonly number[], last: number, first: Ticks): Ticks {
    const { advance } = this;
    const from = last * this.ways.length;
    let least = Number.POSITIVE_INFINITY;
    for (let which = 0; which < ends.length; which += 1) {
      const index = ends[which] as number;
      const x = (stands[index] as number) + (advance[from + index] as number);
      if (x < least) least = x;
    }
    // The greater of two concave lengths is not concave: edges alone do not tell it for what lies between them.
    return this.isInBands ? Math.max(first, least) : least;
  }
}

/** Rounding of floating point in how far apart parts lie. */
const SAME = 1e-6;

/**
 * Ways of lying without those that another of the same part is never worse than, whatever lies before and behind; how far apart one stands from
 * the next is given by the first, then by the next.
 */
function undominated(ways: readonly Way[], apart: readonly (readonly Ticks[])[]): number[] {
  const isFree = ({ blocked }: Way, than: Way) =>
    blocked.length === 0 || String(blocked) === String(than.blocked);
  const isNoWorse = (one: number, than: number) => {
    const [way, other] = [at(ways, one), at(ways, than)];
    return (
      way.part === other.part &&
      way.right <= other.right + SAME &&
      way.left >= other.left - SAME &&
      isFree(way, other) &&
      apart.every(
        (next, index) =>
          at(next, one) <= at(next, than) + SAME &&
          at(at(apart, one), index) <= at(at(apart, than), index) + SAME,
      )
    );
  };
  const kept: number[] = [];
  for (let way = 0; way < ways.length; way += 1) {
    if (kept.some((other) => isNoWorse(other, way))) continue;
    kept.splice(0, kept.length, ...kept.filter((other) => !isNoWorse(way, other)), way);
  }
  return kept;
}

/** Where a part that lies so comes to stand that would stand at `x`, defects before it left behind. */
function slid({ blocked }: Way, x: Ticks): Ticks {
  let stands = x;
  for (const [from, to] of blocked) if (stands > from && stands < to) stands = to;
  return stands;
}

const copiesOf = (members: readonly Demand[]): number => sum(members.map(({ copies }) => copies));

/** Every way in which the parts of a class may lie on a board. */
const lyingOf = (
  members: readonly Demand[],
  index: number,
  kind: Stock,
  saw: Saw,
): readonly Lying[] =>
  members.flatMap(({ part, copies }): Lying[] => {
    const found = copies > 0 ? shapesOf(part, index, kind, saw) : [];
    return typeof found === 'string' ? [] : found.map((shape) => ({ part, shape }));
  });

/** All that must lie across its board, by class; none where it is fewer than two copies, or too many ways are open. */
function lyingAcross(
  classes: readonly (readonly Demand[])[],
  kind: Stock,
  saw: Saw,
): readonly Lying[] {
  const [, width] = usable(kind, saw);
  const lying = classes.map((members, index) => {
    const own = lyingOf(members, index, kind, saw);
    return own.every(({ shape }) => isAcross(shape, width, kerfOf(saw) / 2)) ? own : [];
  });
  const copies = sum(
    classes.map((members, index) => (at(lying, index).length > 0 ? copiesOf(members) : 0)),
  );
  const all = different(lying.flat(), kind.defects.length > 0);
  return copies < 2 || 2 * all.length > MOST_WAYS ? [] : all;
}

/**
 * Without those that look like another of the same part: squares are alike whichever way round they lie, but where defects are heeded for their
 * holes and what must be clear.
 */
function different(lying: readonly Lying[], withZones: boolean): Lying[] {
  const key = (face: readonly Point[]) =>
    face
      .map((point) => point.map(Math.round).join(' '))
      .sort()
      .join();
  const seen = new Set<string>();
  return lying.filter(({ part, shape }) => {
    const { a, b, clear, cutAway } = shape;
    const zones = withZones ? JSON.stringify([clear, cutAway]) : '';
    const name = `${part.id}|${shape.part}|${key(a)}|${key(b)}|${zones}`;
    if (seen.has(name)) return false;
    seen.add(name);
    return true;
  });
}

/** Whether both faces come nearer than `reach` to the middle line however far across the board their part lies. */
const isAcross = ({ a, b, width: own }: Shape, width: Ticks, reach: number): boolean =>
  [a, b].every((face) => {
    const [low, high] = [Math.min(...heights(face)), Math.max(...heights(face))];
    return high + reach > width / 2 + LEEWAY && width - own + low - reach < width / 2 - LEEWAY;
  });

/** Whether how near a shape comes to its neighbours hangs on how far across the board it lies. */
const isFreeOn = ({ a, b, width }: Shape, kind: Stock, saw: Saw): boolean =>
  usable(kind, saw)[1] - width > 1 && !(endsOf(a).isSquare && endsOf(b).isSquare);

/** Parts that none of these are, lying as narrow as they can. */
function narrowest(
  classes: readonly (readonly Demand[])[],
  but: ReadonlySet<number>,
  kind: Stock,
  saw: Saw,
): Lying[] {
  return classes.flatMap((members, index) => {
    if (but.has(index)) return [];
    const own = lyingOf(members, index, kind, saw);
    const width = Math.min(...own.map(({ shape }) => shape.width));
    return own.filter(({ shape }) => shape.width === width);
  });
}

/** A shape against the lower edge of the board, or of the lane that it keeps to, and against the upper. */
function waysOf({ part, shape }: Lying, by: Reckoning): Way[] {
  const { a, b, width: own } = shape;
  const [onA, onB] = [endsOf(a), endsOf(b)];
  const free = by.lane !== null && own <= by.lane ? by.lane : usable(by.kind, by.saw)[1];
  const room = Math.max(0, free - own);
  const way = (ups: readonly Ticks[]): Way => ({
    part: shape.part,
    shape,
    of: part,
    width: own,
    up: at(ups, 0),
    places: ups.map((up) => by.distances.place(shape, up)),
    blocked: by.past ? stretchesBlocked(part, shape, ups, by) : [],
    left: Math.min(onA.left, onB.left),
    right: Math.max(onA.right, onB.right),
  });
  if (room <= 1) return [way([0])];
  if (by.across === EDGES) return [way([0]), way([room])];
  // What has little room across lies much the same everywhere.
  const bands = Math.max(1, Math.min(by.across, Math.ceil((BANDS_ACROSS * room) / own)));
  return Array.from({ length: bands }, (_unused, band) =>
    way([(band * room) / bands, ((band + 1) * room) / bands]),
  );
}

/** How far the cuts between parts run across a board; null for saws that turn inside the wood. */
const throughOf = ({ width }: Stock, saw: Saw): Ticks | null =>
  saw.throughCuts || !saw.rip ? width : null;

/** How much further along the next must stand, whichever of their places across they take. */
function nearest(first: Way, next: Way, { distances, through }: Reckoning): Ticks {
  let least = Number.POSITIVE_INFINITY;
  for (const one of first.places)
    for (const other of next.places) {
      const apart =
        through === null
          ? distances.between(one, other)
          : distances.betweenAcross(one, other, through);
      least = Math.min(least, apart);
    }
  return least;
}
