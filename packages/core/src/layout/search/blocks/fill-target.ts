import type { LayoutJob } from '../../../job/index.js';
import { at, entry, sum } from '../../../lists/index.js';
import type { Goals } from '../../goals.js';
import { type Construction, construct, type FilledBoard, type Pile, weigh } from '../construct.js';
import type { Group } from '../group.js';
import { BlockPacker, type Packed, type PackedBoard } from './block-packer.js';

/** How widely boards with defects, and what blocks leave over, are filled. */
const BEAM = 8;
/** Of the boards known for a pile with defects, how many of the fullest one is chosen among. */
const FULLEST = 6;

/** Of so many ways, in one what blocks leave over is laid too. */
const LEFT_OVER_EVERY = 6;

/** Times that two boards are packed anew while all others are kept. */
const REPAIRS = 4;

/** What a filler of targets is told of its search. */
export interface TargetSetting {
  job: LayoutJob;
  goals: Goals;
  random: () => number;
  halted: () => boolean;
}

/**
 * Lays all of a group's copies on just the boards that its piles have, filled to the last: first those with defects or pins, as they
 * were filled before; then the others block by block; what is left over on what is left of the boards.
 */
export class TargetFiller {
  private readonly marked: readonly Pile[];
  private readonly clean: readonly Pile[];
  private packer: BlockPacker | null = null;
  private turns = 0;

  constructor(
    private readonly group: Group,
    private readonly setting: TargetSetting,
  ) {
    const isClean = ({ filler, ends, pinned }: Pile) =>
      filler.isClean && ends.length === 1 && !pinned;
    const piles = group.piles.filter(({ left }) => left > 0);
    this.clean = piles.filter(isClean);
    this.marked = piles.filter((pile) => !isClean(pile));
  }

  /** Whether the boards would be so full that filling them block by block is worth its time. */
  get isWorthwhile(): boolean {
    return this.clean.length > 0 && this.packed(this.group.copies).isWorthwhile;
  }

  private packed(copies: ArrayLike<number>): BlockPacker {
    const { job } = this.setting;
    if (this.marked.length === 0 && this.packer) return this.packer;
    this.packer = new BlockPacker(this.clean, this.group.parts, copies, job.saw, job.parts.length);
    return this.packer;
  }

  /** One more way; another each time. What blocks leave over is laid now and then only: that takes far longer. */
  next(): Construction {
    const { job, goals, halted } = this.setting;
    this.turns += 1;
    const copies = Int32Array.from(this.group.copies);
    const boards: FilledBoard[] = [];
    const lay = (board: FilledBoard) => {
      boards.push(board);
      for (const [part, used] of board.filling.used.entries())
        copies[part] = at(copies, part) - used;
    };
    for (const pile of this.marked)
      for (let board = 0; board < pile.left; board += 1) lay(this.filled(pile, copies));
    if (this.clean.length > 0) {
      const packer = this.packed(copies);
      if (packer.isWorthwhile)
        for (const { pile, filling } of this.packedAnew(packer.next(halted), copies))
          lay(weigh(pile, filling, job.saw, goals));
    }
    if (sum(copies) === 0 || this.turns % LEFT_OVER_EVERY !== 0) return { boards, missing: copies };
    const rest = this.clean
      .map((pile) => ({
        pile,
        left: pile.left - boards.filter((board) => board.pile === pile).length,
      }))
      .filter(({ left }) => left > 0);
    const piles = rest.map(({ pile, left }) => ({ ...pile, left }));
    const more = construct(job, piles, { copies, values: this.group.values }, BEAM, goals, halted);
    const own = (pile: Pile) => at(rest, piles.indexOf(pile)).pile;
    return {
      boards: [...boards, ...more.boards.map((board) => ({ ...board, pile: own(board.pile) }))],
      missing: more.missing,
    };
  }

  /**
   * What was packed where it is whole; else all its boards but two, and two packed anew with what is then left, as often as is worth its time
   * (repair). What it was where that helps nothing.
   */
  private packedAnew({ boards, isWhole }: Packed, copies: ArrayLike<number>): PackedBoard[] {
    const { job, random, halted } = this.setting;
    const all = sum(this.clean.map(({ left }) => left));
    if (isWhole || all <= 2 || boards.length < all - 2) return boards;
    for (let repair = 0; repair < REPAIRS && !halted(); repair += 1) {
      const order = boards.map((board) => ({ board, key: random() })).sort((a, b) => a.key - b.key);
      const kept = order.slice(0, all - 2).map(({ board }) => board);
      const rest = Int32Array.from(copies, (count, part) =>
        kept.reduce((left, { filling }) => left - at(filling.used, part), count),
      );
      const open = this.clean.map((pile) => ({
        ...pile,
        left: pile.left - kept.filter((board) => board.pile === pile).length,
      }));
      const own = new Map(open.map((pile, index) => [pile, at(this.clean, index)]));
      const packer = new BlockPacker(open, this.group.parts, rest, job.saw, job.parts.length);
      const two = packer.isWorthwhile ? packer.next(halted) : null;
      if (two?.isWhole)
        return [
          ...kept,
          ...two.boards.map(({ pile, filling }) => ({ pile: entry(own, pile), filling })),
        ];
    }
    return boards;
  }

  /** A board with defects or pins: one of the fullest that are known and still wanted, or one filled now. */
  private filled(pile: Pile, copies: Int32Array): FilledBoard {
    const { job, goals, random } = this.setting;
    const known = this.group.pool
      .boardsOf(pile)
      .filter(({ filling }) => filling.used.every((used, part) => used <= at(copies, part)))
      .map((board) => ({
        board,
        full: sum(board.filling.used.map((used, part) => used * at(this.group.values, part))),
      }))
      .sort((a, b) => b.full - a.full);
    const chosen = known[Math.floor(random() * Math.min(FULLEST, known.length))];
    if (chosen) return chosen.board;
    const wanted = { copies, values: this.group.values };
    return weigh(pile, pile.filler.fill(wanted, BEAM, pile.ends), job.saw, goals);
  }
}
