import type { Saw } from '../../../job/index.js';
import { at, sum } from '../../../lists/index.js';
import { fromMm, type Ticks } from '../../../measure/index.js';
import type { Pile } from '../construct.js';
import { type Filling, fillingOf, type Piece } from '../filling.js';
import { noise } from '../noise.js';
import { type Bin, type Block, itemsOf } from './block.js';
import { Closure, type ClosureLimits } from './closure.js';
import { complements, type Whole } from './complement.js';
import { Packing } from './counts.js';
import { Cover } from './cover.js';
import { Leaves } from './leaves.js';

/** Boards filled block by block, each with the pile that it comes from. */
export interface PackedBoard {
  pile: Pile;
  filling: Filling;
}

/** What was packed at once, and whether nothing is left out. */
export interface Packed {
  boards: PackedBoard[];
  isWhole: boolean;
}

/** Blocks of a level and of a size, in turn; sizes alike to so many ticks are joined where something may be wasted. */
const TURNS: readonly (readonly [perLevel: number, perSize: number])[] = [
  [300, 1],
  [300, 2],
  [600, 2],
  [300, 1],
  [1000, 3],
  [300, 4],
];
const TOLERANCES: readonly Ticks[] = [0, fromMm(5), fromMm(12), fromMm(25)];
/** Blocks among which one is taken as a piece for the next closure, and how far that goes. */
const LARGEST = 40;
const FROZEN: readonly [number, number] = [250, 4];
/** Boards that would stay emptier than this are not a matter of filling them to the last. */
const MOST_SLACK = 0.12;

/**
 * Fills all of some boards at once, almost completely: rectangles are joined to blocks without waste, blocks to rows, and rows are
 * chosen so that nothing is cut twice. Two whose slopes or bevels lie against one another are one piece; boards with defects or pins are
 * left alone.
 */
export class BlockPacker {
  private readonly random = noise(7_919);
  private readonly leaves: Leaves;
  private readonly single: readonly Block[];
  private readonly bins: Bin[];
  private readonly packing: Packing;
  private readonly demand: readonly number[];
  private readonly whole: Whole;
  /** Square ticks of all boards that no piece takes. */
  readonly slack: number;
  private turns = 0;
  private largest: Block[] = [];

  constructor(
    private readonly piles: readonly Pile[],
    parts: readonly number[],
    copies: ArrayLike<number>,
    saw: Saw,
    private readonly partCount: number,
  ) {
    const kerf = Math.ceil(saw.kerf);
    this.demand = parts.map((part) => at(copies, part));
    this.packing = new Packing(this.demand);
    this.leaves = new Leaves(piles, parts, this.demand, kerf);
    const marks = parts.map(() => 1 + Math.floor(this.random() * 2 ** 40));
    this.single = this.leaves.blocks(this.packing, marks);
    this.whole = {
      mark: sum(this.demand.map((count, type) => count * at(marks, type))),
      pieces: sum(this.demand),
    };
    this.bins = piles.map(({ stock, ends, left }) => ({
      long: at(ends, 0)[1] - at(ends, 0)[0] + kerf,
      wide: stock.width + kerf,
      count: left,
    }));
    const { areas } = this.leaves;
    this.slack =
      sum(this.bins.map(({ long, wide, count }) => long * wide * count)) -
      sum(this.demand.map((count, type) => (count > 0 ? count * at(areas, type) : 0)));
  }

  /** Whether the boards would be so full that this is the way to fill them. */
  get isWorthwhile(): boolean {
    const all = sum(this.bins.map(({ long, wide, count }) => long * wide * count));
    return this.slack >= 0 && this.slack <= MOST_SLACK * all && this.bins.length > 0;
  }

  /** One closure with its rows and what they cover: every board that was filled; `isWhole` when nothing is left out. */
  next(halted: () => boolean): Packed {
    const tolerance = this.slack === 0 ? 0 : at(TOLERANCES, this.turns % TOLERANCES.length);
    const freezes = this.largest.length > 0 && this.turns % 2 === 1;
    const [perLevel, perSize] = freezes ? FROZEN : at(TURNS, (this.turns >> 1) % TURNS.length);
    this.turns += 1;
    const frozen = freezes
      ? [at(this.largest, Math.floor(this.random() * this.largest.length))]
      : [];
    const most = Math.max(...this.bins.map((bin) => this.mostOn(bin)));
    const limits: ClosureLimits = {
      perLevel,
      perSize,
      tolerance,
      waste: this.slack,
      pieces: Math.min(most, 24),
    };
    const closure = new Closure(this.packing, this.bins, limits, this.random);
    closure.grow(this.single, frozen, halted);
    const { blocks } = closure;
    this.largest = blocks.slice(-LARGEST);
    return this.covered(blocks, halted);
  }

  /** Pieces that a board can hold at most, by the smallest. */
  private mostOn({ long, wide, count }: Bin): number {
    if (count === 0) return 0;
    const { areas } = this.leaves;
    const sizes = this.demand
      .flatMap((copies, type) => Array<number>(copies).fill(at(areas, type)))
      .sort((a, b) => a - b);
    let room = long * wide;
    return sizes.filter((size) => {
      room -= size;
      return room >= 0;
    }).length;
  }

  private covered(blocks: readonly Block[], halted: () => boolean): Packed {
    const two = this.onTwo(blocks);
    if (two) return { boards: two, isWhole: true };
    const cover = new Cover({
      bins: this.bins,
      blocks: this.bins.map((_bin, index) => blocks.filter((block) => this.isOn(block, index))),
      packing: this.packing,
      demand: this.demand,
      slack: this.slack,
      chance: this.random,
      halted,
    });
    return {
      boards: cover.best.map(({ bin, row }) => this.laid(bin, row.blocks)),
      isWhole: cover.isWhole,
    };
  }

  /** Where there are two boards: a block on each, that hold all between them. */
  private onTwo(blocks: readonly Block[]): PackedBoard[] | null {
    const bins = this.bins.flatMap(({ count }, bin) => new Array<number>(count).fill(bin));
    const [one, other] = bins;
    if (one === undefined || other === undefined || bins.length > 2) return null;
    const isOn = (block: Block, bin: number) => this.isOn(block, bin);
    const found = complements(blocks, [one, other], isOn, this.bins, this.packing, this.whole);
    return found?.map(({ bin, block }) => this.laid(bin, [block])) ?? null;
  }

  /** Whether a kind of board takes all that a block is made of. */
  private isOn(block: Block, bin: number): boolean {
    const lain = at(this.leaves.lain, bin);
    if (lain.size === this.leaves.items.length) return true;
    return itemsOf(block, 0, 0).every(({ item }) => lain.has(item));
  }

  private laid(bin: number, row: readonly Block[]): PackedBoard {
    const pile = at(this.piles, bin);
    const lain = at(this.leaves.lain, bin);
    const pieces: Piece[] = [];
    let [x] = at(pile.ends, 0);
    for (const block of row) {
      for (const { item, x: left, y } of itemsOf(block, x, 0))
        for (const { shape, x: away } of lain.get(item) ?? [])
          pieces.push({ shape, x: left + away, y });
      x += block.long;
    }
    return { pile, filling: fillingOf(pieces, this.partCount) };
  }
}
