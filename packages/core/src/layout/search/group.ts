import type { LayoutJob } from '../../job/index.js';
import { at, sum } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import { meanArea } from '../area.js';
import type { Target } from '../bound/board-counts.js';
import type { BoundQuestion, RelaxedBoard } from '../bound/relaxed.js';
import { isMore, type LeastOut } from '../bound/relaxed-master.js';
import type { Goals } from '../goals.js';
import type { Layout } from '../layout.js';
import { ColumnPool } from './columns.js';
import type { Construction, Pile } from './construct.js';
import type { Proven } from './prover.js';

/** Indexes of parts and kinds of boards that have to do with each other. */
export interface Cluster {
  parts: readonly number[];
  kinds: readonly number[];
}

/** Parts and kinds of boards in connected clusters; parts that fit no board are in none. */
export function clustersOf(partners: readonly ReadonlySet<number>[]): Cluster[] {
  const clusters: Cluster[] = [];
  const seen = new Set<number>();
  partners.forEach((kinds, start) => {
    if (kinds.size === 0 || seen.has(start)) return;
    const cluster = clusterRound(start, partners);
    for (const part of cluster.parts) seen.add(part);
    clusters.push(cluster);
  });
  return clusters;
}

function clusterRound(start: number, partners: readonly ReadonlySet<number>[]): Cluster {
  const parts = new Set([start]);
  const kinds = new Set(partners[start]);
  for (let grew = true; grew; ) {
    grew = false;
    partners.forEach((others, part) => {
      if (parts.has(part) || ![...others].some((kind) => kinds.has(kind))) return;
      parts.add(part);
      for (const kind of others) kinds.add(kind);
      grew = true;
    });
  }
  return { parts: [...parts], kinds: [...kinds] };
}

/** Parts and boards that have to do with each other, with the best that is known of them; groups are searched apart. */
export class Group {
  /** Copies to lay, by part index of the whole job. */
  readonly copies: Int32Array;
  /** What parts are worth when boards are filled, in square ticks; changed as the search learns. */
  readonly values: Float64Array;
  readonly pool: ColumnPool;
  best: Construction;
  bound: Cents = 0;
  proof: Layout['boundProof'] = 'area';
  /** What no layout can do without leaving out, and what one that leaves out no more must cost; null while nothing is known. */
  leastOut: Proven['out'] = null;
  /** Numbers of boards that may be enough for less than the best costs. */
  targets: readonly Target[] = [];
  rounds = 0;
  /** Rounds since something better was found. */
  idle = 0;

  constructor(
    private readonly job: LayoutJob,
    readonly parts: readonly number[],
    readonly piles: readonly Pile[],
    private readonly partners: readonly ReadonlySet<number>[],
    copies: Int32Array,
    private readonly goals: Goals,
  ) {
    const own = new Set(parts);
    this.copies = copies.map((count, part) => (own.has(part) ? count : 0));
    this.values = Float64Array.from(job.parts, meanArea);
    this.pool = new ColumnPool(job, piles, parts, this.copies, goals);
    this.best = { boards: [], missing: this.copies };
  }

  /** The same parts over other numbers of the same boards, with nothing laid yet. */
  over(piles: readonly Pile[]): Group {
    return new Group(this.job, this.parts, piles, this.partners, this.copies, this.goals);
  }

  /** Copies that the best leaves out. */
  get missing(): number {
    return sum(this.best.missing);
  }

  /** What the best leaves out. */
  get out(): LeastOut {
    const { missing } = this.best;
    return {
      copies: this.missing,
      area: missing.reduce(
        (total, count, part) =>
          total + (count > 0 ? count * meanArea(at(this.job.parts, part)) : 0),
        0,
      ),
    };
  }

  /** Whether no layout can lay more: nothing is left out, or no more than must be. */
  get laysMost(): boolean {
    return this.missing === 0 || (this.leastOut !== null && !isMore(this.out, this.leastOut));
  }

  /** No layout that leaves out as little costs less. */
  get leastCost(): Cents {
    const isLeast = this.leastOut && this.laysMost && this.missing > 0;
    return Math.max(this.bound, isLeast ? (this.leastOut?.cost ?? 0) : 0);
  }

  /** What that is proven by. */
  get provenBy(): Layout['boundProof'] {
    return this.leastCost > this.bound ? 'exact' : this.proof;
  }

  /** What the boards of the best cost beside those with pins. */
  get cost(): Cents {
    return sum(this.best.boards.map((board) => board.pile.price));
  }

  /** How the boards of the best are filled, each way once: kinds and copies by the group's own indexes. */
  get patterns(): readonly RelaxedBoard[] {
    const known = new Map<string, RelaxedBoard>();
    for (const { pile, filling } of this.best.boards) {
      const kind = this.piles.indexOf(pile);
      const counts = this.parts.map((part) => filling.used[part] ?? 0);
      known.set(`${kind}|${counts.join()}`, { kind, counts });
    }
    return [...known.values()];
  }

  /** Parts and boards for the bound: boards with pins are free, and their pieces count among the parts. */
  question(): BoundQuestion {
    const { job, piles, parts, partners } = this;
    return {
      demands: parts.map((index) => {
        const part = at(job.parts, index);
        return { part, copies: part.quantity };
      }),
      stock: piles.map((pile) => ({ ...pile.stock, price: pile.price, quantity: pile.left })),
      saw: job.saw,
      left: this.missing,
      fits: (demand, pile) => at(partners, at(parts, demand)).has(at(piles, pile).kind),
    };
  }
}
