import { at, sum } from '../../../lists/index.js';
import type { Bin, Block } from './block.js';
import { add, type Packed, type Packing } from './counts.js';
import { isInRow, type Row, rowsWith } from './rows.js';

/** Times that rows are looked for, in one cover. */
const MOST_ASKED = 400;
/** Rows tried for a board: few while many boards are left, and all that are found for the last two. */
const FEW_ROWS = 6;
const MANY_ROWS = 1500;
const NODES = 12_000;
/** Blocks tried to begin a row with. */
const BEGINNINGS = 6;

export interface Covering {
  bins: readonly Bin[];
  /** Blocks that may lie on each kind of board. */
  blocks: readonly (readonly Block[])[];
  packing: Packing;
  demand: readonly number[];
  /** Square ticks that may be wasted on all boards together. */
  slack: number;
  chance: () => number;
  halted: () => boolean;
}

/**
 * A row for each board so that all copies are cut and none twice, or the most that was found: what fewest blocks hold is laid first, on
 * each kind of board, with what else fills that board; from there on with what is left (bin completion; as in minimum bin slack, Gupta and
 * Ho, Production Planning & Control 10 (1999), from memory [M]).
 */
export class Cover {
  best: { bin: number; row: Row }[] = [];
  isWhole = false;
  private asked = 0;
  private fewest = Number.POSITIVE_INFINITY;
  private readonly chosen: { bin: number; row: Row }[] = [];

  constructor(private readonly covering: Covering) {
    const { bins, blocks, packing, slack } = covering;
    this.descend(
      bins.map(({ count }) => count),
      new Int32Array(packing.words),
      bins.map((bin, index) => at(blocks, index).filter((block) => isInRow(block, bin, slack))),
      0,
    );
  }

  private get isOver(): boolean {
    return this.isWhole || this.asked > MOST_ASKED || this.covering.halted();
  }

  private missing(copies: Packed): number {
    const { demand, packing } = this.covering;
    return sum(demand.map((wanted, type) => wanted - packing.copies(copies, type)));
  }

  private descend(
    left: readonly number[],
    copies: Packed,
    open: readonly (readonly Block[])[],
    waste: number,
  ): void {
    const missing = this.missing(copies);
    if (missing < this.fewest) {
      this.fewest = missing;
      this.best = [...this.chosen];
      this.isWhole = missing === 0;
    }
    if (this.isOver || sum(left) === 0) return;
    const { packing } = this.covering;
    const still = open.map((list, bin) =>
      at(left, bin) === 0 ? [] : list.filter((block) => packing.fits(copies, block.copies)),
    );
    const type = this.scarcest(copies, still);
    if (type === null) return;
    for (const { bin, row } of this.rowsOf(type, still, copies, waste, sum(left))) {
      const rest = left.map((count, index) => (index === bin ? count - 1 : count));
      this.chosen.push({ bin, row });
      this.descend(rest, add(copies, row.copies), still, waste + row.waste);
      this.chosen.pop();
      if (this.isOver) return;
    }
  }

  /** Rows that hold a type, on each kind of board that is left, the smallest kinds first. */
  private *rowsOf(
    type: number,
    still: readonly (readonly Block[])[],
    copies: Packed,
    waste: number,
    boards: number,
  ): Generator<{ bin: number; row: Row }, void, void> {
    const { bins, packing, slack } = this.covering;
    const kinds = bins
      .map((_bin, index) => index)
      .sort((a, b) => at(bins, a).long * at(bins, a).wide - at(bins, b).long * at(bins, b).wide);
    for (const bin of kinds) {
      const blocks = this.shuffled(at(still, bin));
      const holding = blocks.filter((block) => packing.copies(block.copies, type) > 0);
      for (const first of holding.slice(0, boards > 2 ? BEGINNINGS : holding.length)) {
        if (this.isOver) return;
        this.asked += 1;
        const limits = {
          waste: slack - waste,
          rows: boards > 2 ? FEW_ROWS : MANY_ROWS,
          nodes: NODES,
          packing,
        };
        const rows = rowsWith(first, at(bins, bin), blocks, copies, limits);
        for (const row of rows.sort((a, b) => a.waste - b.waste)) yield { bin, row };
      }
    }
  }

  private shuffled(blocks: readonly Block[]): Block[] {
    return blocks
      .map((block) => ({ block, key: this.covering.chance() - 0.3 * block.pieces }))
      .sort((a, b) => a.key - b.key)
      .map(({ block }) => block);
  }

  /** The type not yet whole that fewest blocks hold; null when one can be laid no more. */
  private scarcest(copies: Packed, still: readonly (readonly Block[])[]): number | null {
    const { demand, packing } = this.covering;
    let best: number | null = null;
    let fewest = Number.POSITIVE_INFINITY;
    for (const [type, wanted] of demand.entries()) {
      if (packing.copies(copies, type) >= wanted) continue;
      const count = sum(
        still.map((list) => list.filter((block) => packing.copies(block.copies, type) > 0).length),
      );
      if (count < fewest) [fewest, best] = [count, type];
    }
    return fewest === 0 ? null : best;
  }
}
