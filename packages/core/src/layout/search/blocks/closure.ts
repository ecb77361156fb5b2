import { at } from '../../../lists/index.js';
import type { Ticks } from '../../../measure/index.js';
import type { Bin, Block } from './block.js';
import { add, type Packing } from './counts.js';

/** How far a closure goes. */
export interface ClosureLimits {
  /** Blocks of one number of pieces that are kept. */
  perLevel: number;
  /** Blocks of one size that are kept. */
  perSize: number;
  /** Square ticks that may be wasted in one block. */
  waste: number;
  /** Sizes that differ by no more than this are joined. */
  tolerance: Ticks;
  /** Most pieces in a block. */
  pieces: number;
}

/**
 * Blocks that hold little or no waste, grown from the pieces by joining two that share a size (Wang, Operations Research 31 (1983), from
 * memory [M]): blocks of n pieces from those of fewer. Blocks as wide as the boards are joined no further along them: they are what
 * rows are made of.
 */
export class Closure {
  /** By number of pieces. */
  readonly levels: Block[][] = [[]];
  private readonly known = new Set<string>();
  private readonly perSize = new Map<string, number>();
  private readonly most: { long: Ticks; wide: Ticks };

  constructor(
    private readonly packing: Packing,
    private readonly bins: readonly Bin[],
    private readonly limits: ClosureLimits,
    private readonly chance: () => number,
  ) {
    this.most = {
      long: Math.max(...bins.map(({ long }) => long)),
      wide: Math.max(...bins.map(({ wide }) => wide)),
    };
  }

  /** Every block, those of fewest pieces first. */
  get blocks(): Block[] {
    return this.levels.flat();
  }

  /** Grows all blocks from single ones, and from blocks that are taken as one (frozen). */
  grow(single: readonly Block[], frozen: readonly Block[], halted: () => boolean): void {
    const first = [...single, ...frozen];
    this.levels[1] = first.filter(({ pieces }) => pieces === 1).filter((block) => this.take(block));
    for (let level = 2; level <= this.limits.pieces && !halted(); level += 1) {
      const found = first.filter(({ pieces }) => pieces === level);
      for (let part = Math.ceil(level / 2); part < level; part += 1)
        this.joinLevels(at(this.levels, part), at(this.levels, level - part), found);
      this.levels[level] = this.best(found);
    }
  }

  private take(block: Block): boolean {
    const key = `${block.long},${block.wide},${block.mark}`;
    if (this.known.has(key)) return false;
    this.known.add(key);
    return true;
  }

  /** The best of a level: little waste, sizes that others share, and chance; few of each size. */
  private best(found: readonly Block[]): Block[] {
    const ranked = found
      .map((block) => ({
        block,
        rank: block.waste / (block.long * block.wide) + 0.01 * this.chance(),
      }))
      .sort((a, b) => a.rank - b.rank);
    const kept: Block[] = [];
    for (const { block } of ranked) {
      if (kept.length >= this.limits.perLevel) break;
      const size = `${block.long},${block.wide}`;
      const alike = this.perSize.get(size) ?? 0;
      if (alike >= this.limits.perSize) continue;
      this.perSize.set(size, alike + 1);
      kept.push(block);
    }
    return kept;
  }

  private joinLevels(larger: readonly Block[], smaller: readonly Block[], found: Block[]): void {
    for (const along of [true, false]) {
      const shared = (block: Block) => (along ? block.wide : block.long);
      const sorted = [...smaller].sort((a, b) => shared(a) - shared(b));
      const sizes = sorted.map(shared);
      for (const one of larger) {
        if (along && one.wide > this.most.wide - this.limits.tolerance - 1) continue;
        const [low, high] = [
          shared(one) - this.limits.tolerance,
          shared(one) + this.limits.tolerance,
        ];
        for (
          let index = firstFrom(sizes, low);
          index < sizes.length && at(sizes, index) <= high;
          index += 1
        )
          this.join(one, at(sorted, index), along, found);
      }
    }
  }

  private join(one: Block, other: Block, along: boolean, found: Block[]): void {
    const long = along ? one.long + other.long : Math.max(one.long, other.long);
    const wide = along ? Math.max(one.wide, other.wide) : one.wide + other.wide;
    if (long > this.most.long || wide > this.most.wide) return;
    if (!this.bins.some((bin) => long <= bin.long && wide <= bin.wide)) return;
    const waste =
      one.waste + other.waste + long * wide - one.long * one.wide - other.long * other.wide;
    if (waste > this.limits.waste || !this.packing.fits(one.copies, other.copies)) return;
    const block: Block = {
      long,
      wide,
      waste,
      copies: add(one.copies, other.copies),
      mark: one.mark + other.mark,
      pieces: one.pieces + other.pieces,
      made: { first: one, second: other, along },
    };
    if (this.take(block)) found.push(block);
  }
}

/** Index of the first that is not below `low`, in numbers sorted upwards. */
function firstFrom(sorted: readonly number[], low: number): number {
  let [from, to] = [0, sorted.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (at(sorted, middle) < low) from = middle + 1;
    else to = middle;
  }
  return from;
}
