import { at, sum } from '../../../lists/index.js';
import { fromMm, type Ticks } from '../../../measure/index.js';
import type { Pile } from '../construct.js';
import type { Shape } from '../shapes.js';
import type { Block, BlockItem } from './block.js';
import { add, type Packed, type Packing } from './counts.js';

/** A shape of an item, away from the item's lower-left corner. */
export interface Lain {
  shape: Shape;
  x: Ticks;
}

/** Two that lean against one another are one item only where that saves more length than this. */
const SAVED: Ticks = fromMm(1);
/** Ways of lying of sloped pieces that are tried against one another. */
const MOST_SLOPED = 40;

/** What blocks are made of: each part in each way of a size, and pairs whose slopes or bevels lie against one another. */
export class Leaves {
  readonly items: BlockItem[] = [];
  /** By kind of board: the shapes of each item that can lie on it. */
  readonly lain: Map<number, readonly Lain[]>[] = [];
  private readonly known = new Map<string, number>();

  constructor(
    piles: readonly Pile[],
    private readonly parts: readonly number[],
    private readonly demand: readonly number[],
    private readonly kerf: Ticks,
  ) {
    for (const pile of piles) {
      const lain = new Map<number, readonly Lain[]>();
      this.lain.push(lain);
      const ways = pile.filler.ways.filter(({ part }) => (demand[parts.indexOf(part)] ?? 0) > 0);
      for (const shape of ways) this.learn([{ shape, x: 0 }], lain);
      const sloped = ways
        .filter(
          ({ leftSlopes, rightSlopes, lean }) =>
            leftSlopes.length + rightSlopes.length > 0 || lean > 0,
        )
        .slice(0, MOST_SLOPED);
      for (const first of sloped) for (const next of sloped) this.pair(pile, first, next, lain);
    }
  }

  private pair(pile: Pile, first: Shape, next: Shape, lain: Map<number, readonly Lain[]>): void {
    const isTwice = first.part === next.part;
    if (isTwice && at(this.demand, this.parts.indexOf(first.part)) < 2) return;
    const x = pile.filler.follow(first, next);
    if (x > first.length + this.kerf - SAVED || x < 0 || x + next.length < first.length) return;
    this.learn(
      [
        { shape: first, x: 0 },
        { shape: next, x },
      ],
      lain,
    );
  }

  private learn(shapes: readonly Lain[], lain: Map<number, readonly Lain[]>): void {
    const types = shapes.map(({ shape }) => this.parts.indexOf(shape.part)).sort((a, b) => a - b);
    const grown = (size: Ticks) => Math.ceil(size - 1e-6) + this.kerf;
    const long = grown(Math.max(...shapes.map(({ shape, x }) => x + shape.length)));
    const wide = grown(Math.max(...shapes.map(({ shape }) => shape.width)));
    const key = `${types.join('+')},${long},${wide}`;
    const item = this.known.get(key) ?? this.items.push({ types, long, wide }) - 1;
    this.known.set(key, item);
    if (!lain.has(item)) lain.set(item, shapes);
  }

  /** The least that a copy of each type takes of a board, alone or as half of a pair: no block takes less. */
  get areas(): number[] {
    return this.demand.map((_copies, type) =>
      Math.min(
        ...this.items
          .filter(({ types }) => types.includes(type))
          .map(({ types, long, wide }) => (long * wide) / types.length),
      ),
    );
  }

  /** The items as blocks; `marks` is a number for each type. */
  blocks(packing: Packing, marks: readonly number[]): Block[] {
    const { areas } = this;
    return this.items.map(({ types, long, wide }, item): Block => {
      const copies = types.reduce<Packed>(
        (all, type) => add(all, packing.of(type, 1)),
        new Int32Array(packing.words),
      );
      return {
        long,
        wide,
        waste: Math.max(0, long * wide - sum(types.map((type) => at(areas, type)))),
        copies,
        mark: sum(types.map((type) => at(marks, type))),
        pieces: types.length,
        made: { item },
      };
    });
  }
}
