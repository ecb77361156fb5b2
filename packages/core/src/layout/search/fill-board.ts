import type { Saw, Stock } from '../../job/index.js';
import { at, entry, must } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';
import type { Goals } from '../goals.js';
import { holesFor, type Obstacle, slideClear } from './defects.js';
import { FreeFiller } from './free-shapes.js';
import { GuillotineFiller } from './guillotine.js';
import { noise } from './noise.js';
import { reachAlong, type Shape } from './shapes.js';
import { stagesOf } from './stages.js';

/** A shape with its lower-left corner at (x, y). */
export interface Piece {
  shape: Shape;
  x: Ticks;
  y: Ticks;
}

/** What is cut from one board: pieces, how many of each part that is, and what they are worth together. */
export interface Filling {
  pieces: readonly Piece[];
  /** Copies by part index. */
  used: readonly number[];
  value: number;
}

/** A rectangle of the board to be filled, freed from its neighbours by straight cuts. */
interface Region {
  left: Ticks;
  right: Ticks;
  bottom: Ticks;
  top: Ticks;
}

/** Pieces laid so far, newest first, with how far they reach on each face. */
interface Chain {
  piece: Piece;
  before: Chain | null;
  reachA: number;
  reachB: number;
  /** How far they reach along other directions, on each face, once it was asked. */
  ends: Map<Point, readonly [number, number]> | null;
}

interface State {
  chain: Chain | null;
  used: Int32Array;
  /** The same sum for the same copies of each part; others hardly ever have it. */
  hash: number;
  value: number;
  reach: Ticks;
  score: number;
}

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

export interface Wanted {
  /** Copies still to place, by part index. */
  copies: ArrayLike<number>;
  /** What one copy is worth, by part index. */
  values: ArrayLike<number>;
  /** One piece after the other along the board, nothing ripped off beside them: fewer cuts. */
  plain?: boolean;
  /** Strips ripped off along the board, each cut across into pieces: two stages, whatever is asked. */
  strips?: boolean;
  /** Rows are also filled exactly, and slopes laid against one another from both edges of the board, which takes its time. */
  thorough?: boolean;
  /** Sloped pieces may lie along the far edge too, so that their slopes interlock in the middle of the board. */
  interlock?: boolean;
}

/** A board so many times wider than its narrowest piece is filled as a sheet too. */
const SHEET = 3.6;
/** On sheets lanes are looked at less widely, and past defects only where time is taken for it: there are very many ways. */
const SHEET_BEAM = 3;
/** Beam width from which boards are also filled by the slower ways. */
export const THOROUGH_FROM_BEAM = 24;
/** Ways of lying that are told from one another, as a factor of their states' key. */
const MOST_WAYS = 1024;
/** How often a rip over a piece follows on another, and whether one piece alone lies over it: in the whole board, a lane ripped off, and the rest. */
const DEPTHS = {
  any: {
    whole: { depth: 2, alone: false },
    rest: { depth: 2, alone: false },
    lane: { depth: 1, alone: false },
  },
  2: {
    whole: { depth: 1, alone: true },
    rest: { depth: 0, alone: false },
    lane: { depth: 0, alone: false },
  },
  3: {
    whole: { depth: 1, alone: false },
    rest: { depth: 1, alone: true },
    lane: { depth: 1, alone: true },
  },
} as const;
/** Widths that are tried for a lane of a board, and how many of those filled go on to be the first. */
const MOST_WIDTHS = 16;
const MOST_LANES = 8;
/** Parts up to which all are tried on a board, and for a first answer; of more some are, since a board holds no more than a few of them. */
const MOST_PARTS = 48;
const MOST_PARTS_QUICKLY = 24;
/** More than any board is wide, in ticks. */
const MOST_WIDTH = 2 ** 22;
/** Rows that a knapsack may remember. */
const MOST_ROWS = 20_000;
const SQUARE: Point = [1, 0];
/** A piece is laid away from the near edge only where that saves more length than this (3 mm): the edge is where one measures from. */
const AWAY_FROM_EDGE: Ticks = 960;
const NOTHING = (parts: number): Filling => ({
  pieces: [],
  used: new Array<number>(parts).fill(0),
  value: 0,
});

/** What lies on a board, counted by part index. */
export function fillingOf(pieces: readonly Piece[], parts: number, value = 0): Filling {
  const used = new Array<number>(parts).fill(0);
  for (const piece of pieces) used[piece.shape.part] = at(used, piece.shape.part) + 1;
  return { pieces, used, value };
}

/** Fills boards of one kind, cutting through from the left end to the right, along lanes that are ripped first. */
export class BoardFiller {
  private readonly maxLean: number;
  private readonly narrowest: Ticks;
  private readonly shortest: Ticks;
  private strips = new Map<string, Filling>();
  private readonly within = new Map<number, readonly number[]>();
  /** A number for each part, so that sums of them tell what lies on a board. */
  private readonly marks: Float64Array;
  /** For saws that turn inside the wood. */
  private readonly free: FreeFiller | null;
  private readonly hasSlopes: boolean;
  /** The parts that fit, with the least area that one takes up. */
  private readonly parts: readonly { part: number; area: number }[];
  /** For sheets, on which many pieces lie side by side. */
  private readonly sheet: GuillotineFiller | null;

  constructor(
    private readonly stock: Stock,
    private readonly shapes: readonly Shape[],
    private readonly obstacles: readonly Obstacle[],
    private readonly saw: Saw,
    private readonly partCount: number,
    private readonly goals: Pick<Goals, 'stages'> = {},
  ) {
    // A saw that tilts to 45° makes a bevel of 45°, whatever its tangent comes to.
    this.maxLean = stock.thickness * Math.tan((Math.min(89, saw.maxTilt + 0.01) * Math.PI) / 180);
    this.narrowest = Math.min(...shapes.map((shape) => shape.width));
    this.shortest = Math.min(...shapes.map((shape) => shape.length));
    const random = noise(4_057);
    this.marks = Float64Array.from({ length: partCount }, () => Math.floor(random() * 2 ** 30));
    const areas = new Map<number, number>();
    for (const { part, length, width } of shapes)
      areas.set(part, Math.min(areas.get(part) ?? Number.POSITIVE_INFINITY, length * width));
    this.parts = [...areas].map(([part, area]) => ({ part, area }));
    this.hasSlopes =
      saw.rip && shapes.some((shape) => shape.leftSlopes.length + shape.rightSlopes.length > 0);
    this.sheet =
      saw.rip && stock.width >= SHEET * this.narrowest
        ? new GuillotineFiller(shapes, obstacles, saw, partCount)
        : null;
    this.free =
      saw.rip && !saw.throughCuts ? new FreeFiller(stock, shapes, obstacles, saw, partCount) : null;
  }

  /** Every way in which a part may lie on these boards. */
  get ways(): readonly Shape[] {
    return this.shapes;
  }

  /**
   * Pieces one behind the other in the order given, as far from the lower edge as it is said, each as near to the last as a cut between them lets it stand and clear of
   * defects; null where they do not end on the stretch.
   */
  inOrder(
    row: readonly { shape: Shape; up: Ticks }[],
    [left, right]: readonly [Ticks, Ticks],
  ): Filling | null {
    let chain: Chain | null = null;
    const pieces: Piece[] = [];
    for (const { shape, up } of row) {
      const y = Math.min(up, this.stock.width - shape.width);
      const from = chain ? this.leastX(chain, shape, y) : left;
      const x = slideClear(shape, this.obstacles, Math.max(left, from), y, right);
      if (x === null || x + shape.length > right) return null;
      const piece = { shape, x, y };
      pieces.push(piece);
      chain = linked(chain, piece);
    }
    return fillingOf(pieces, this.partCount);
  }

  /** How far along the board the next shape lies when both stand on one edge: their slopes and bevels may share a cut. */
  follow(first: Shape, next: Shape): Ticks {
    return this.leastX(linked(null, { shape: first, x: 0, y: 0 }), next, 0);
  }

  /** What has to be kept clear of on these boards. */
  get defects(): readonly Obstacle[] {
    return this.obstacles;
  }

  /** Nothing on these boards has to be kept clear of. */
  get isClean(): boolean {
    return this.obstacles.length === 0;
  }

  /** The best filling found of the board between the given ends, `beam` states wide. */
  fill(wanted: Wanted, beam: number, ends: readonly (readonly [Ticks, Ticks])[]): Filling {
    this.strips = new Map();
    const copies = this.likely(wanted, beam === 1 ? MOST_PARTS_QUICKLY : MOST_PARTS);
    const total = {
      pieces: [] as Piece[],
      used: new Array<number>(this.partCount).fill(0),
      value: 0,
    };
    for (const [left, right] of ends) {
      const region = { left, right, bottom: 0, top: this.stock.width };
      const filling = this.fillEnd(region, { ...wanted, copies }, beam);
      total.pieces.push(...filling.pieces);
      total.value += filling.value;
      filling.used.forEach((count, part) => {
        total.used[part] = at(total.used, part) + count;
        copies[part] = at(copies, part) - count;
      });
    }
    return total;
  }

  /** The best of all the ways in which a stretch of the board is filled. */
  private fillEnd(region: Region, wanted: Wanted, beam: number): Filling {
    const { copies, values, plain } = wanted;
    const { stages } = this.goals;
    const keeps = (pieces: readonly Piece[]) => !stages || stagesOf(pieces, this.stock) <= stages;
    if (wanted.strips) return this.fillRegion(region, wanted, this.widthOf(beam), false);
    const found = plain ? null : this.sheet?.fill(region, copies, values, beam);
    const sheet = found && keeps(found.pieces) ? found : null;
    // For a first answer one way of filling a sheet will do.
    const quick =
      (beam === 1 || (this.obstacles.length > 0 && beam < THOROUGH_FROM_BEAM)) &&
      sheet &&
      sheet.pieces.length > 0;
    let filling = quick
      ? fillingOf(sheet.pieces, this.partCount, sheet.value)
      : this.fillRegion(region, wanted, this.widthOf(beam), true);
    if (!keeps(filling.pieces)) filling = this.fillLane(region, wanted, beam, 0, false);
    const take = (other: Filling | null) => {
      if (other && other.value > filling.value + 1e-9 && keeps(other.pieces)) filling = other;
    };
    if (wanted.thorough) {
      take(this.fillLine(region, wanted));
      if (this.hasSlopes && this.obstacles.length === 0) {
        this.strips = new Map();
        const { depth, alone } = DEPTHS[stages ?? 'any'].whole;
        take(this.fillLane(region, { ...wanted, interlock: true }, beam, depth, alone));
      }
    }
    const free = plain ? null : this.free?.fill(region, copies, values, beam);
    if (free) take(fillingOf(free.pieces, this.partCount, free.value));
    if (sheet) take(fillingOf(sheet.pieces, this.partCount, sheet.value));
    return filling;
  }

  /**
   * Copies that are tried on one board: of very many parts those worth most, those worth most for their area, and some of all the others,
   * each time counted from the most valuable on.
   */
  private likely({ copies, values }: Wanted, most: number): Int32Array {
    const all = Int32Array.from({ length: this.partCount }, (_unused, part) => copies[part] ?? 0);
    const parts = this.parts.filter(({ part }) => at(all, part) > 0 && at(values, part) > 0);
    if (parts.length <= most) return all;
    const worth = ({ part }: { part: number }) => at(values, part);
    const byWorth = [...parts].sort((a, b) => worth(b) - worth(a));
    const byArea = [...parts].sort((a, b) => worth(b) / b.area - worth(a) / a.area);
    const share = most / 4;
    const every = parts.length / share;
    const spread = Array.from({ length: share }, (_unused, step) =>
      at(byWorth, Math.floor(step * every)),
    );
    const tried = new Set(
      [...byWorth.slice(0, 2 * share), ...byArea.slice(0, share), ...spread].map(
        ({ part }) => part,
      ),
    );
    return all.map((count, part) => (tried.has(part) ? count : 0));
  }

  /** How many states are kept: fewer where each has very many ways to go on. */
  private widthOf(beam: number): number {
    if (this.sheet) return Math.min(beam, SHEET_BEAM);
    return this.obstacles.length > 0 ? Math.ceil(beam / 2) : beam;
  }

  /**
   * The most valuable row of pieces one after the other, each in its shortest way and square to the next: a knapsack by dynamic
   * programming, exact where no two pieces lie side by side. Null on boards with defects, and where there are too many pieces for it.
   */
  private fillLine(region: Region, wanted: Wanted): Filling | null {
    if (this.obstacles.length > 0) return null;
    const { kerf } = this.saw;
    const room = region.right - region.left + kerf;
    const ways = new Map<number, Shape>();
    for (const shape of this.shapes) {
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
    const used = new Array<number>(this.partCount).fill(0);
    const row = pieces.map((piece) => {
      const placed = { ...piece, x };
      x = Math.ceil(x + piece.shape.length + kerf);
      used[piece.shape.part] = at(used, piece.shape.part) + 1;
      return placed;
    });
    return { pieces: row, used, value: best.value };
  }

  /** One lane as wide as the region, or a lane ripped off its lower edge and the rest above it, whichever is worth more. */
  private fillRegion(region: Region, wanted: Wanted, beam: number, isWhole: boolean): Filling {
    if (wanted.plain) return this.fillLane(region, wanted, beam, 0, false);
    const { lane, ...of } = DEPTHS[wanted.strips ? 2 : (this.goals.stages ?? 'any')];
    const first = isWhole ? of.whole : of.rest;
    const whole = this.fillLane(region, wanted, beam, first.depth, first.alone);
    const wide = region.top - region.bottom;
    if (!this.saw.rip || wide < 2 * this.narrowest + this.saw.kerf) return whole;
    const heights = this.laneWidths(wanted, wide - this.saw.kerf - this.narrowest);
    const lanes = heights.map((height) => ({
      height,
      filling: this.fillLane(
        { ...region, top: region.bottom + height },
        wanted,
        beam,
        lane.depth,
        lane.alone,
      ),
    }));
    // Few lanes: try each as the first. Many: only those worth most for their width.
    const most = wide < SHEET * this.narrowest ? MOST_LANES : 1;
    const worth = ({ height, filling }: (typeof lanes)[number]) =>
      filling.value / (height + this.saw.kerf);
    const tried =
      lanes.length > most
        ? lanes.sort((one, other) => worth(other) - worth(one)).slice(0, most)
        : lanes;
    let best = whole;
    for (const { height, filling } of tried) {
      if (filling.value === 0) continue;
      const rest = this.fillRegion(
        { ...region, bottom: region.bottom + height + this.saw.kerf },
        less(wanted, filling),
        beam,
        false,
      );
      if (filling.value + rest.value > best.value + 1e-9) best = together(filling, rest);
    }
    return best;
  }

  /** Widths that a first lane may have: those of parts, of very many those that are worth most for their area. */
  private laneWidths({ copies, values }: Wanted, most: Ticks): Ticks[] {
    const worth = new Map<Ticks, number>();
    for (const { part, width, length } of this.shapes) {
      if (at(copies, part) <= 0 || width > most) continue;
      const rate = at(values, part) / (length * width);
      worth.set(width, Math.max(worth.get(width) ?? 0, rate));
    }
    const widths = [...worth.keys()];
    if (widths.length <= MOST_WIDTHS) return widths;
    return widths
      .sort((one, other) => entry(worth, other) - entry(worth, one))
      .slice(0, MOST_WIDTHS);
  }

  /** Beam search from left to right; each piece is parted from all before it by one straight cut across the lane. */
  private fillLane(
    lane: Region,
    wanted: Wanted,
    beam: number,
    /** How often a rip over a piece may follow on another. */
    depth: number,
    /** Over a piece lies one other alone. */
    alone: boolean,
    most: number = Number.POSITIVE_INFINITY,
  ): Filling {
    const shapes = this.shapes.filter(
      (shape) =>
        at(wanted.copies, shape.part) > 0 &&
        shape.width <= lane.top - lane.bottom &&
        shape.length <= lane.right - lane.left,
    );
    if (shapes.length === 0) return NOTHING(this.partCount);
    const density = Math.max(
      ...shapes.map((shape) => at(wanted.values, shape.part) / (shape.length + this.saw.kerf)),
    );
    const ways = shapes.map((shape, index) => ({
      shape,
      index,
      levels: this.levels(shape, lane, wanted),
    }));
    const start: State = {
      chain: null,
      used: new Int32Array(this.partCount),
      hash: 0,
      value: 0,
      reach: lane.left,
      score: 0,
    };
    let best = start;
    for (let [states, laid] = [[start], 0]; states.length > 0 && laid < most; laid += 1) {
      const next = new NextStates(lane, density * 0.98);
      for (const state of states)
        for (const way of ways) this.extend(state, way, next, { lane, wanted, beam, depth, alone });
      states = next.best(beam);
      for (const state of next.all()) if (isMore(state, best)) best = state;
    }
    return fillingOfState(best);
  }

  /** Lays one shape after a state in every way that is tried. */
  private extend(
    state: State,
    { shape, index, levels }: Way,
    next: NextStates,
    { lane, wanted, beam, depth, alone }: LaneQuestion,
  ): void {
    if (at(state.used, shape.part) >= at(wanted.copies, shape.part)) return;
    const consider = (pieces: readonly Piece[]): void => {
      const grown = this.reached(state, pieces, wanted);
      const score = next.scoreOf(grown, at(pieces, -1));
      if (next.takes(grown.hash, index, score))
        next.add(grown.hash, index, this.grow(state, pieces, grown, score));
    };
    for (const y of levels) {
      const from = state.chain ? this.leastX(state.chain, shape, y) : lane.left;
      const x = slideClear(shape, this.obstacles, Math.max(lane.left, from), y, lane.right);
      if (x !== null) consider([{ shape, x, y }]);
    }
    const pair = this.withStrip(state, shape, { lane, wanted, beam, depth, alone });
    if (pair) consider(pair);
  }

  /** Heights at which a shape is tried in a lane: its edges, and where a hole would take a defect away. */
  private levels(shape: Shape, lane: Region, wanted: Wanted): Ticks[] {
    const high = lane.top - shape.width;
    if (high <= lane.bottom || !this.saw.rip) return [lane.bottom];
    if (this.obstacles.length === 0) return wanted.interlock ? [lane.bottom, high] : [lane.bottom];
    const swallowing = this.obstacles.flatMap((obstacle) =>
      holesFor(shape, obstacle)
        .map((centre) => Math.round((obstacle.bottom + obstacle.top) / 2 - centre[1]))
        .filter((y) => y > lane.bottom && y < high),
    );
    return [...new Set([lane.bottom, high, ...swallowing])];
  }

  /** A piece narrower than the lane with what fills the strip over it, parted from it by a rip as long as the piece. */
  private withStrip(
    state: State,
    shape: Shape,
    { lane, wanted, beam, depth, alone }: LaneQuestion,
  ): Piece[] | null {
    const strip = lane.top - lane.bottom - shape.width - this.saw.kerf;
    if (!this.saw.rip || depth === 0 || strip < this.narrowest || shape.length < this.shortest)
      return null;
    const squareX = state.chain
      ? Math.ceil(Math.max(state.chain.reachA, state.chain.reachB) + this.saw.kerf)
      : lane.left;
    const fitting = this.partsWithin(shape.length, strip);
    const left = fitting.map(
      (part) => at(wanted.copies, part) - at(state.used, part) - Number(part === shape.part),
    );
    if (left.every((count) => count <= 0)) return null;
    const x = slideClear(shape, this.obstacles, squareX, lane.bottom, lane.right);
    if (x === null) return null;
    const above = this.fillStrip(
      { left: x, right: x + shape.length, bottom: lane.top - strip, top: lane.top },
      { parts: fitting, left, values: wanted.values },
      beam,
      alone ? 0 : depth - 1,
      alone ? 1 : Number.POSITIVE_INFINITY,
    );
    return above.value === 0 ? null : [{ shape, x, y: lane.bottom }, ...above.pieces];
  }

  /** Parts that find room in a rectangle by themselves. */
  private partsWithin(length: Ticks, width: Ticks): readonly number[] {
    const key = length * MOST_WIDTH + width;
    let parts = this.within.get(key);
    if (!parts) {
      const fitting = this.shapes.filter((shape) => shape.length <= length && shape.width <= width);
      parts = [...new Set(fitting.map(({ part }) => part))];
      this.within.set(key, parts);
    }
    return parts;
  }

  /** The rectangle over a piece, filled with what finds room in it: these parts, so many copies of each. */
  private fillStrip(
    region: Region,
    { parts, left: copies, values }: InStrip,
    beam: number,
    depth: number,
    most: number,
  ): Filling {
    const narrow = Math.max(2, beam >> 2);
    const { left, bottom } = region;
    const fill = (): Filling => {
      const all = new Int32Array(this.partCount);
      for (const [index, part] of parts.entries()) all[part] = at(copies, index);
      return this.fillLane(region, { copies: all, values }, narrow, depth, false, most);
    };
    const met = this.obstacles.some(
      (each) =>
        each.left < region.right &&
        each.right > left &&
        each.bottom < region.top &&
        each.top > bottom,
    );
    if (met) return fill();
    // Clean wood is filled alike wherever it lies, and whatever there is of parts that it cannot hold.
    const key = `${region.right - left}x${region.top - bottom}/${depth},${most}/${copies.join()}`;
    let filling = this.strips.get(key);
    if (!filling) {
      const found = fill();
      filling = {
        ...found,
        pieces: found.pieces.map((piece) => ({ ...piece, x: piece.x - left, y: piece.y - bottom })),
      };
      this.strips.set(key, filling);
    }
    return {
      ...filling,
      pieces: filling.pieces.map((piece) => ({ ...piece, x: piece.x + left, y: piece.y + bottom })),
    };
  }

  /** What a state comes to with more pieces, before it is made. */
  private reached(
    state: State,
    pieces: readonly Piece[],
    wanted: Wanted,
  ): { value: number; reach: Ticks; hash: number } {
    let [value, hash, reach] = [
      state.value,
      state.hash,
      state.chain ? state.reach : Number.NEGATIVE_INFINITY,
    ];
    for (const { shape, x } of pieces) {
      value += at(wanted.values, shape.part);
      hash += at(this.marks, shape.part);
      reach = Math.max(reach, x + shape.length);
    }
    return { value, reach, hash };
  }

  private grow(
    state: State,
    pieces: readonly Piece[],
    { value, reach, hash }: ReturnType<BoardFiller['reached']>,
    score: number,
  ): State {
    const used = Int32Array.from(state.used);
    let chain = state.chain;
    for (const piece of pieces) {
      const { shape } = piece;
      used[shape.part] = at(used, shape.part) + 1;
      chain = linked(chain, piece);
    }
    return { chain, used, hash, value, reach, score };
  }

  /**
   * Smallest x at which a flat cut, square or along a sloped end of either neighbour, tilted as either is bevelled, passes between the
   * shape and everything before it. The cut takes kerf / cos tilt on each face.
   */
  private leastX(chain: Chain, shape: Shape, y: Ticks): Ticks {
    const { kerf } = this.saw;
    const depth = this.stock.thickness;
    let best = Number.POSITIVE_INFINITY;
    for (const normal of [SQUARE, ...chain.piece.shape.rightSlopes, ...shape.leftSlopes]) {
      const [endA, endB] =
        normal === SQUARE ? [chain.reachA, chain.reachB] : endsAlong(chain, normal);
      const startA = reachAlong(shape.a, normal, 0, y, false);
      const startB = shape.b === shape.a ? startA : reachAlong(shape.b, normal, 0, y, false);
      for (const lean of [0, endB - endA, startB - startA]) {
        if (Math.abs(lean) > this.maxLean) continue;
        const onA = Math.max(endA, endB - lean);
        const width = kerf * Math.hypot(1, lean / depth);
        best = Math.min(
          best,
          Math.max(onA + width - startA, onA + lean + width - startB) / normal[0],
        );
      }
    }
    return Math.ceil(best - 1e-6);
  }
}

/** What may lie in a strip: parts that find room there, and the copies of each that are left. */
interface InStrip {
  parts: readonly number[];
  left: readonly number[];
  values: ArrayLike<number>;
}

/** A chain with one piece more. */
function linked(before: Chain | null, piece: Piece): Chain {
  const { shape, x, y } = piece;
  const reach = (known: number | undefined, face: readonly Point[]) =>
    Math.max(known ?? Number.NEGATIVE_INFINITY, reachAlong(face, SQUARE, x, y, true));
  return {
    piece,
    before,
    reachA: reach(before?.reachA, shape.a),
    reachB: reach(before?.reachB, shape.b),
    ends: null,
  };
}

/** A shape with the heights at which it is tried in a lane. */
interface Way {
  shape: Shape;
  index: number;
  levels: readonly Ticks[];
}

/** What a lane is filled with, how widely it is searched, and how deep strips go inside strips. */
interface LaneQuestion {
  lane: Region;
  wanted: Wanted;
  beam: number;
  depth: number;
  alone: boolean;
}

/** States one piece further, by what lies on the board and the piece laid last; of states alike in both only the best goes on. */
class NextStates {
  private readonly states = new Map<number, State>();

  constructor(
    private readonly lane: Region,
    /** What a length of free lane is counted for. */
    private readonly density: number,
  ) {}

  scoreOf({ value, reach }: { value: number; reach: Ticks }, last: Piece): number {
    const away = last.y > this.lane.bottom ? AWAY_FROM_EDGE : 0;
    return value + this.density * (this.lane.right - reach - away);
  }

  takes(hash: number, way: number, score: number): boolean {
    const known = this.states.get(hash * MOST_WAYS + way);
    return !known || known.score < score;
  }

  add(hash: number, way: number, state: State): void {
    this.states.set(hash * MOST_WAYS + way, state);
  }

  all(): Iterable<State> {
    return this.states.values();
  }

  best(beam: number): State[] {
    return [...this.states.values()].sort((p, q) => q.score - p.score).slice(0, beam);
  }
}

/** More value, or as much on a shorter stretch. */
const isMore = (state: State, than: State): boolean =>
  state.value > than.value + 1e-9 || (state.value > than.value - 1e-9 && state.reach < than.reach);

function fillingOfState({ chain, used, value }: State): Filling {
  const pieces: Piece[] = [];
  for (let link = chain; link; link = link.before) pieces.push(link.piece);
  return { pieces: pieces.reverse(), used: Array.from(used), value };
}

/** How far a chain of pieces reaches along a direction, on each face. */
function endsAlong(chain: Chain, normal: Point): readonly [number, number] {
  const known = chain.ends?.get(normal);
  if (known) return known;
  const before = chain.before
    ? endsAlong(chain.before, normal)
    : ([Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY] as const);
  const { shape, x, y } = chain.piece;
  const found = [
    Math.max(before[0], reachAlong(shape.a, normal, x, y, true)),
    Math.max(before[1], reachAlong(shape.b, normal, x, y, true)),
  ] as const;
  chain.ends ??= new Map();
  chain.ends.set(normal, found);
  return found;
}

function minus(copies: ArrayLike<number>, used: ArrayLike<number>): Int32Array {
  return Int32Array.from(
    { length: copies.length },
    (_unused, part) => at(copies, part) - at(used, part),
  );
}

const less = (wanted: Wanted, filling: Filling): Wanted => ({
  copies: minus(wanted.copies, filling.used),
  values: wanted.values,
});

const together = (a: Filling, b: Filling): Filling => ({
  pieces: [...a.pieces, ...b.pieces],
  used: a.used.map((count, part) => count + at(b.used, part)),
  value: a.value + b.value,
});
