import { at } from '../../../lists/index.js';
import type { Bin, Block } from './block.js';
import { add, less, type Packed, type Packing } from './counts.js';

/** A board filled by blocks one after the other. */
export interface Row {
  blocks: readonly Block[];
  copies: Packed;
  /** Square ticks of the board that no piece takes. */
  waste: number;
}

/** How many rows are looked for, and how long. */
export interface RowLimits {
  waste: number;
  rows: number;
  nodes: number;
}

/** Steps into which a board's length is divided to tell which lengths can still be reached, where its blocks share no larger measure. */
const STEPS = 4096;
const MOST_STEPS = 20_000;

const commonMeasure = (a: number, b: number): number => (b < 0.5 ? a : commonMeasure(b, a % b));

/** Whether a block may be part of a row on a board. */
export const isInRow = (block: Block, bin: Bin, waste: number): boolean =>
  block.long <= bin.long &&
  block.wide <= bin.wide &&
  block.waste + (bin.wide - block.wide) * block.long <= waste;

/**
 * Rows that begin with a block and fill a board to within the waste, out of blocks that are part of a row there: depth first in their
 * order, where what is left of the length can still be reached by those that follow. `taken` is what may not be cut twice.
 */
export function rowsWith(
  first: Block,
  bin: Bin,
  blocks: readonly Block[],
  taken: Packed,
  { packing, ...limits }: RowLimits & { packing: Packing },
): Row[] {
  return new RowSearch(bin, blocks, packing, limits, first, taken).rows;
}

class RowSearch {
  readonly rows: Row[] = [];
  private nodes = 0;
  private readonly step: number;
  /** Every length is a whole number of steps. */
  private readonly isExact: boolean;
  /** Whether blocks from an index on may come to so many steps, counts left aside. */
  private readonly reach: Uint8Array[];
  private readonly chosen: Block[] = [];
  private readonly taken: Packed;

  constructor(
    private readonly bin: Bin,
    private readonly blocks: readonly Block[],
    private readonly packing: Packing,
    private readonly limits: RowLimits,
    first: Block,
    taken: Packed,
  ) {
    const common = blocks.reduce((measure, { long }) => commonMeasure(measure, long), bin.long);
    this.isExact = bin.long / common <= MOST_STEPS;
    this.step = this.isExact ? common : Math.max(1, bin.long / STEPS);
    this.reach = this.reachable();
    this.taken = taken;
    this.chosen.push(first);
    const waste = first.waste + (bin.wide - first.wide) * first.long;
    this.descend(0, bin.long - first.long, add(taken, first.copies), waste);
  }

  private stepsOf(long: number): number {
    return this.isExact ? Math.round(long / this.step) : Math.floor(long / this.step);
  }

  private reachable(): Uint8Array[] {
    const size = this.stepsOf(this.bin.long) + 2;
    let after = new Uint8Array(size);
    after[0] = 1;
    const reach: Uint8Array[] = [after];
    for (let index = this.blocks.length - 1; index >= 0; index -= 1) {
      const block = at(this.blocks, index);
      const now = Uint8Array.from(after);
      // What there is more than one of may be laid again and again.
      const from = this.packing.fits(block.copies, block.copies) ? now : after;
      const length = this.stepsOf(block.long);
      // Rounding down leaves a step of doubt for each block: both are marked.
      for (let sum = 0; sum + length < size; sum += 1)
        if (from[sum]) {
          now[sum + length] = 1;
          if (!this.isExact && sum + length + 1 < size) now[sum + length + 1] = 1;
        }
      reach.push(now);
      after = now;
    }
    return reach.reverse();
  }

  /** Whether what is left can be filled from `index` on but for what may be wasted. */
  private canEnd(index: number, left: number, wasted: number): boolean {
    const free = (this.limits.waste - wasted) / this.bin.wide;
    const reach = at(this.reach, index);
    const doubt = this.isExact ? 0 : 1;
    const low = Math.ceil(Math.max(0, left - free) / this.step - 1e-9) - 2 * doubt;
    const high = this.stepsOf(left) + doubt;
    for (let sum = Math.max(0, low); sum <= high && sum < reach.length; sum += 1)
      if (reach[sum]) return true;
    return false;
  }

  private descend(from: number, left: number, copies: Packed, wasted: number): void {
    const { bin, limits, packing } = this;
    const waste = wasted + left * bin.wide;
    if (waste <= limits.waste)
      this.rows.push({ blocks: [...this.chosen], copies: less(copies, this.taken), waste });
    for (let index = from; index < this.blocks.length; index += 1) {
      if (this.rows.length >= limits.rows || this.nodes > limits.nodes) return;
      if (!this.canEnd(index, left, wasted)) return;
      this.nodes += 1;
      const block = at(this.blocks, index);
      const more = wasted + block.waste + (bin.wide - block.wide) * block.long;
      if (block.long > left || more > limits.waste || !packing.fits(copies, block.copies)) continue;
      this.chosen.push(block);
      this.descend(index, left - block.long, add(copies, block.copies), more);
      this.chosen.pop();
    }
  }
}
