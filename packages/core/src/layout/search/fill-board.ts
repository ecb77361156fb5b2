import type { Saw, Stock } from '../../job/index.js';
import { at, entry } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import type { Goals } from '../goals.js';
import { type Chain, type CutBetween, leastX, linked } from './chain.js';
import { holesFor, type Obstacle, slideClear } from './defects.js';
import { fillLine } from './fill-line.js';
import {
  type Filling,
  fillingOf,
  less,
  nothingOn,
  type Piece,
  type Region,
  together,
  type Wanted,
} from './filling.js';
import { FreeFiller } from './free-shapes.js';
import { GuillotineFiller } from './guillotine.js';
import { fillingOfState, isMore, NextStates, type State } from './lane-states.js';
import { noise } from './noise.js';
import type { Shape } from './shapes.js';
import { stagesOf } from './stages.js';

/** A board so many times wider than its narrowest piece is filled as a sheet too. */
const SHEET = 3.6;
/** On sheets lanes are looked at less widely, and past defects only where time is taken for it: there are very many ways. */
const SHEET_BEAM = 3;
/** Beam width from which boards are also filled by the slower ways. */
export const THOROUGH_FROM_BEAM = 24;
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
/** Fills boards of one kind, cutting through from the left end to the right, along lanes that are ripped first. */
export class BoardFiller {
  private readonly cut: CutBetween;
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
    const { kerf, maxTilt } = saw;
    const { thickness } = stock;
    const maxLean = thickness * Math.tan((Math.min(89, maxTilt + 0.01) * Math.PI) / 180);
    this.cut = { kerf, thickness, maxLean };
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
      const from = chain ? leastX(chain, shape, y, this.cut) : left;
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
    return leastX(linked(null, { shape: first, x: 0, y: 0 }), next, 0, this.cut);
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
      const { kerf } = this.saw;
      if (this.isClean)
        take(fillLine(this.shapes, region, wanted, { kerf, parts: this.partCount }));
      if (this.hasSlopes && this.isClean) {
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
    if (shapes.length === 0) return nothingOn(this.partCount);
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
      const from = state.chain ? leastX(state.chain, shape, y, this.cut) : lane.left;
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
}

/** What may lie in a strip: parts that find room there, and the copies of each that are left. */
interface InStrip {
  parts: readonly number[];
  left: readonly number[];
  values: ArrayLike<number>;
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
