import { at, entry, sum } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import type { Target } from '../bound/board-counts.js';
import type { RelaxedMaster } from '../bound/relaxed-master.js';
import { TargetFiller, type TargetSetting } from './blocks/fill-target.js';
import type { Construction, Pile } from './construct.js';
import type { Group } from './group.js';

/** By what patterns are listed: by how rows and what is narrow beside them are laid, or by no more than what bounds forbid. */
export type Listing = 'laid' | 'not forbidden';

/** A search of its own for a layout out of so many boards of each kind and no more: what counts is that nothing is left out. */
export class Aim {
  readonly group: Group;
  /** Slices of time that it has had; each is twice as long as the last. */
  slices = 0;
  /** Listed patterns by how they were listed, without those that could not be laid; null where no choice of them is left. */
  readonly listed = new Map<Listing, RelaxedMaster | null>();
  private filled: TargetFiller | null = null;
  private readonly original: ReadonlyMap<Pile, Pile>;

  constructor(
    private readonly of: Group,
    readonly target: Target,
    private readonly setting: TargetSetting,
  ) {
    const piles = of.piles.map((pile, kind) => ({ ...pile, left: at(target.counts, kind) }));
    this.original = new Map(piles.map((pile, kind) => [pile, at(of.piles, kind)]));
    this.group = of.over(piles);
    // Whatever it costs it is good enough, once nothing is left out.
    this.group.bound = Number.POSITIVE_INFINITY;
    const own = new Map([...this.original].map(([pile, before]) => [before, pile]));
    this.group.pool.learn(
      [...of.pool.boards]
        .map((board) => ({ ...board, pile: entry(own, board.pile) }))
        .filter(({ pile }) => pile.left > 0),
    );
  }

  /** Fills its boards block by block. */
  get filler(): TargetFiller {
    this.filled ??= new TargetFiller(this.group, this.setting);
    return this.filled;
  }

  get cost(): Cents {
    return sum(this.group.piles.map(({ price, left }) => price * left));
  }

  /** How patterns are listed that are tried next, by turns; null where none are left. */
  get listing(): Listing | null {
    const turns: Listing[] =
      this.slices % 2 === 0 ? ['laid', 'not forbidden'] : ['not forbidden', 'laid'];
    return turns.find((how) => this.listed.get(how) !== null) ?? null;
  }

  /** Whether it is for these numbers of boards: told by another thread they are never the same object. */
  isFor({ counts }: Target): boolean {
    return counts.every((count, kind) => count === at(this.target.counts, kind));
  }

  get isReached(): boolean {
    return this.group.best.boards.length > 0 && sum(this.group.best.missing) === 0;
  }

  /** Its best as a layout of the whole group; what it learnt serves there too. */
  handBack(): Construction {
    const back = (boards: Construction['boards']) =>
      boards.map((board) => ({ ...board, pile: entry(this.original, board.pile) }));
    this.of.pool.learn(back([...this.group.pool.boards]));
    return { boards: back(this.group.best.boards), missing: this.group.best.missing };
  }
}
