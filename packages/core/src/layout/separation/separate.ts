import { must } from '../../lists/index.js';
import { chooseCut } from './choose-cut.js';
import { partAnywhere } from './part-along.js';
import { cutWood, type SawCut, type Wood } from './saw-cut.js';
import {
  type Candidate,
  isMade,
  type Sawing,
  type Target,
  type Wanted,
  wantedOf,
} from './target.js';

/** A piece of a board: the board itself, what is cut further, or a leaf. */
export interface TreePiece {
  /** Null for what a free cut leaves: the wood that it came from less the freed parts. */
  wood: Wood | null;
  /** Null: it is cut further. */
  is: { readonly part: string; readonly copy: number } | 'offcut' | 'waste' | null;
}

/** A cut right across the piece in hand; pieces by their place in the list. */
export interface ThroughCut {
  kind: 'through';
  of: number;
  cut: SawCut;
  gives: readonly [left: number, right: number | null];
}

/** A part freed where the saw turns inside the wood. */
export interface FreeCut {
  kind: 'free';
  of: number;
  gives: readonly [part: number, rest: number];
}

export type TreeCut = ThroughCut | FreeCut;

/** How a board is cut: the board is piece 0, every other piece is given by exactly one cut. */
export interface CutTree {
  pieces: readonly TreePiece[];
  cuts: readonly TreeCut[];
  /** What no through cut separates, where the saw only makes such cuts. */
  stuck: readonly Target[];
  /** Parts with an edge that the saw cannot make. */
  unmade: readonly Target[];
}

/** A piece that still has to be cut. */
interface InHand {
  id: number;
  wood: Wood;
  wanted: readonly Wanted[];
}

class Tree {
  readonly pieces: TreePiece[] = [];
  readonly cuts: TreeCut[] = [];
  readonly stuck: Target[] = [];
  readonly unmade: Target[] = [];
  private readonly waiting: InHand[] = [];

  constructor(private readonly sawing: Sawing) {}

  /** Cuts until nothing more is to be cut. */
  grow(board: Wood, wanted: readonly Wanted[]): void {
    this.add(board, wanted);
    while (this.waiting.length > 0) this.cut(must(this.waiting.pop(), 'piece in hand'));
  }

  /** A piece of wood with what is wanted from it. */
  private add(wood: Wood, wanted: readonly Wanted[]): number {
    const id = this.pieces.length;
    this.pieces.push({ wood, is: wanted.length === 0 ? 'waste' : null });
    if (wanted.length > 0) this.waiting.push({ id, wood, wanted });
    return id;
  }

  private cut(piece: InHand): void {
    const { wood, wanted } = piece;
    const { saw } = this.sawing;
    const parted =
      chooseCut(wood, wanted, this.sawing) ??
      (wanted.length > 1 ? partAnywhere(wanted, this.sawing) : null);
    if (parted) this.saw(piece, parted);
    else if (wanted.length === 1) this.end(piece);
    else if (saw.throughCuts) this.stuck.push(...wanted.map(({ target }) => target));
    else this.free(piece);
  }

  private saw({ id, wood }: InHand, { cut, left, right }: Candidate): void {
    const { saw, depth } = this.sawing;
    const [kept, beyond] = cutWood(cut, wood, saw.kerf, depth);
    // What lies beyond waits longer: pieces come off from the low end on.
    const off = beyond ? this.add(beyond, right) : null;
    const on = this.add(must(kept, 'what lies to the left of a cut'), left);
    this.cuts.push({ kind: 'through', of: id, cut, gives: [on, off] });
  }

  /** A piece that holds one thing and needs no further cut. */
  private end({ id, wood, wanted }: InHand): void {
    const { target, edges, others } = must(wanted[0], 'what is wanted of a piece');
    const { part } = target;
    this.pieces[id] = { wood, is: part ? { part: part.id, copy: part.copy } : 'offcut' };
    const left = [...edges, ...others].some((cut) => !isMade(cut, wood, this.sawing.saw));
    if (part && left) this.unmade.push(target);
  }

  /** Frees part after part along its lines; what is left is kept where an offcut lies in it. */
  private free({ id, wanted }: InHand): void {
    const parts = wanted.filter(({ target }) => target.part);
    const left = parts.length < wanted.length ? 'offcut' : 'waste';
    let of = id;
    parts.forEach(({ target }, index) => {
      const { wood, part } = target;
      const last = index === parts.length - 1;
      const leaf = this.pieces.length;
      const rest = last ? left : null;
      const { id: name, copy } = must(part, 'part');
      this.pieces.push({ wood, is: { part: name, copy } }, { wood: null, is: rest });
      this.cuts.push({ kind: 'free', of, gives: [leaf, leaf + 1] });
      of = leaf + 1;
    });
  }
}

/**
 * How a board comes apart into its parts and offcuts: cuts that run right across the piece in hand, each along an edge of what comes
 * out wherever that is possible. Taking any cut that fits is safe, since what comes apart together also comes apart in every smaller
 * group. Polygons in ticks, as placed.
 */
export function separate(board: Wood, targets: readonly Target[], sawing: Sawing): CutTree {
  const tree = new Tree(sawing);
  tree.grow(
    board,
    targets.map((target) => wantedOf(target, sawing)),
  );
  return tree;
}
