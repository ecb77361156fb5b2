import type { LayoutJob } from '../../job/index.js';
import { at, minBy, sum } from '../../lists/index.js';
import type { Point } from '../../plane/index.js';
import type { OrderedRow, RelaxedBoard } from '../bound/relaxed.js';
import type { RelaxedMaster } from '../bound/relaxed-master.js';
import type { InRow } from '../bound/row-lengths.js';
import type { Goals } from '../goals.js';
import type { LinearSolver } from '../solver/linear.js';
import type { ColumnPool } from './columns.js';
import { type FilledBoard, type Pile, weigh } from './construct.js';
import { type Filling, fillingOf } from './filling.js';
import type { Group } from './group.js';
import type { Shape } from './shapes.js';
import { withStripsBeside } from './strips-beside.js';

/** How widely what is no row is tried: while boards are priced, and where a pattern is proposed. */
const PRICING_BEAM = 12;
const PROPOSED_BEAM = 48;
/** Patterns tried of each kind of board in one round of pricing, until one can be laid. */
const TRIES = 3;

/** A board with as many of a pattern's copies as found room, and whether that is all of them. */
export interface Laid {
  board: FilledBoard;
  isWhole: boolean;
}

/** How far the corners of two shapes lie apart: a part is listed in a shape of its own, or of another that it was taken for. */
function unlike(one: Shape, other: Shape): number {
  const far = (from: readonly Point[], to: readonly Point[]) =>
    sum(from.map(([x, y]) => Math.min(...to.map(([u, v]) => Math.hypot(x - u, y - v)))));
  return far(one.a, other.a) + far(other.a, one.a) + far(one.b, other.b) + far(other.b, one.b);
}

/** Lays listed patterns on the boards of a group: in the row that the listing knows, what is narrow beside it, or else as boards are filled. */
export class LaidRows {
  /** Patterns that could not be laid, by board and copies. */
  private readonly failed = new Set<string>();
  private readonly known = new Map<string, Laid>();

  constructor(
    private readonly listed: RelaxedMaster,
    private readonly job: LayoutJob,
    private readonly goals: Goals,
  ) {}

  /** A pattern that is proposed for a board of a group. */
  propose(group: Group, { kind, counts }: RelaxedBoard): Laid {
    return this.lay(group, kind, counts, PROPOSED_BEAM);
  }

  private lay(group: Group, kind: number, counts: readonly number[], beam: number): Laid {
    const pile = at(group.piles, kind);
    const copies = new Int32Array(this.job.parts.length);
    for (const [demand, count] of counts.entries()) copies[at(group.parts, demand)] = count;
    const filling =
      this.inRow(group, pile, counts, this.listed.order({ kind, counts })) ??
      pile.filler.fill({ copies, values: group.values }, beam, pile.ends);
    return {
      board: weigh(pile, filling, this.job.saw, this.goals),
      isWhole: filling.used.every((count, part) => count >= at(copies, part)),
    };
  }

  /**
   * One round of pricing: for each pile the listed patterns worth more than a board of it costs, of what the pool has left to lay. True when a
   * board came in.
   */
  price(group: Group, pool: ColumnPool, solver: LinearSolver, halted: () => boolean): boolean {
    const prices = pool.prices(solver);
    if (!prices) return false;
    const values = group.parts.map((part) => at(prices.values, part));
    const left = group.parts.map((part) => pool.wanted(part));
    let grown = false;
    for (const [kind, pile] of group.piles.entries()) {
      if (halted()) break;
      if (pool.leftOf(kind) <= 0) continue;
      const keyOf = (counts: readonly number[]) => `${kind}|${counts.join()}`;
      const dearest = this.listed.dearest(
        kind,
        { values, left, above: pile.price - at(prices.quota, kind) },
        (counts) => !this.failed.has(keyOf(counts)),
        TRIES,
      );
      // Of parts taken for one another those that are worth most, or that their row is made of.
      const proposed = dearest.flatMap((counts) => [
        counts,
        this.listed.asRow({ kind, counts }, left),
      ]);
      for (const counts of proposed) {
        const key = keyOf(counts);
        if (this.failed.has(key)) continue;
        const laid = this.known.get(key) ?? this.lay(group, kind, counts, PRICING_BEAM);
        this.known.set(key, laid);
        grown = pool.offer({ ...laid.board, pile }, prices) || grown;
        if (laid.isWhole) break;
        this.failed.add(key);
      }
    }
    return grown;
  }

  /** The pattern as a shortest row of its parts, where it is known and has room, what need not lie in it beside it. */
  private inRow(
    group: Group,
    pile: Pile,
    counts: readonly number[],
    order: OrderedRow | null,
  ): Filling | null {
    const { job } = this;
    const [stretch] = pile.ends;
    if (!order || !stretch || pile.ends.length > 1) return null;
    const { filler } = pile;
    const shapesOf = (list: readonly InRow[]) =>
      list.flatMap(({ part, shape: wanted, up }) => {
        const own = filler.ways.filter((way) => way.part === at(group.parts, part));
        const shape = minBy(own, (way) => unlike(way, wanted));
        return shape ? [{ shape, up }] : [];
      });
    const [row, ordered] = [shapesOf(order.row), shapesOf(order.strips).map(({ shape }) => shape)];
    const found = row.length === order.row.length ? filler.inOrder(row, stretch) : null;
    const lying = [...row.map(({ shape }) => shape), ...ordered];
    // What is in neither, as narrow as it can lie.
    const others = counts.flatMap((count, demand) => {
      const part = at(group.parts, demand);
      const beside = count - lying.filter((shape) => shape.part === part).length;
      const shape = minBy(
        filler.ways.filter((way) => way.part === part),
        ({ width }) => width,
      );
      return shape && beside > 0 ? new Array<Shape>(beside).fill(shape) : [];
    });
    const strips = [...ordered, ...others];
    if (!found || strips.length === 0) return found;
    if (!job.saw.rip) return null;
    const pieces = withStripsBeside(found.pieces, strips, {
      stock: pile.stock,
      saw: job.saw,
      obstacles: filler.defects,
      end: stretch[1],
      follow: (first, next) => filler.follow(first, next),
    });
    return pieces && fillingOf(pieces, job.parts.length);
  }
}
