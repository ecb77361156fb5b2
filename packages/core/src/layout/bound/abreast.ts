import type { Part, Saw, Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { type Bounds, boundsOf, type Point } from '../../plane/index.js';
import { LEEWAY } from './faces-apart.js';
import type { Counts } from './relaxed-patterns.js';
import { axesOf, type Demand, growth, usable } from './weights.js';

/** Length and width of a rectangle as it lies. */
type Size = readonly [long: Ticks, wide: Ticks];

/** Rectangles together beyond which nothing is asked. */
const MOST_ITEMS = 10;
/** Places of one rectangle beside another that are tried for a pattern, and for all of one kind of board: beyond that nothing is forbidden. */
const MOST_TRIES = 2_000;
const MOST_TRIES_IN_ALL = 30_000_000;

/** Rounding of corners, in ticks: a size may be so much smaller than it is drawn. */
const ROUNDED: Ticks = 1;

/** The corners of a face are those of an upright rectangle. */
const isUpright = (face: readonly Point[], [left, bottom, right, top]: Bounds): boolean =>
  face.length === 4 &&
  face.every(
    ([x, y]) =>
      Math.min(Math.abs(x - left), Math.abs(x - right)) <= ROUNDED / 2 &&
      Math.min(Math.abs(y - bottom), Math.abs(y - top)) <= ROUNDED / 2,
  );

/** The ways in which a part takes a rectangle of a board; none where it is no rectangle square through its thickness. */
function sizesOf(part: Part, kind: Stock): Size[] {
  const bounds = boundsOf([...part.outline, ...part.underside]);
  if (![part.outline, part.underside].every((face) => isUpright(face, bounds))) return [];
  const [long, wide] = [bounds[2] - bounds[0] - ROUNDED, bounds[3] - bounds[1] - ROUNDED];
  return axesOf(part, [kind]).map((axis) => (axis === 0 ? [long, wide] : [wide, long]));
}

/** Sizes that none of the others is no larger than. */
const smallest = (sizes: readonly Size[]): Size[] =>
  sizes.filter(
    ([long, wide], index) =>
      !sizes.some(
        ([l, w], other) =>
          other !== index && l <= long && w <= wide && (l < long || w < wide || other < index),
      ),
  );

/** Sides of a rectangle on which another may lie: which of the two stands first, and along the board or across it. */
const SIDES = [
  { isFirst: false, axis: 0 },
  { isFirst: false, axis: 1 },
  { isFirst: true, axis: 0 },
  { isFirst: true, axis: 1 },
] as const;

/**
 * Rectangles lying apart in a larger one: of each two of them one lies before the other or below it. Depth first over the pairs, with
 * the least that each can stand from the lower left corner.
 */
class Arrangement {
  tries = 0;
  private readonly size: Size[] = [];
  /** Where each stands at least, by axis. */
  private readonly stands: readonly [Float64Array, Float64Array];
  /** What lies behind each, by axis. */
  private readonly behind: readonly [number[][], number[][]];
  /** What stood where before it was moved on: axis, which, and where. */
  private readonly moved: number[] = [];

  constructor(
    /** Of each rectangle the sizes in which it may lie; copies share the list. */
    private readonly items: readonly (readonly Size[])[],
    private readonly room: Size,
    private readonly most: number,
  ) {
    this.stands = [new Float64Array(items.length), new Float64Array(items.length)];
    this.behind = [items.map(() => []), items.map(() => [])];
  }

  /** Whether they have room from one of them on; true as well where too much would have to be tried. */
  hasRoom(index = 0): boolean {
    if (index === this.items.length) return true;
    for (const size of this.items[index] as readonly Size[]) {
      if (size.some((side, axis) => side > (this.room[axis as 0 | 1] as number) + LEEWAY)) continue;
      this.size[index] = size;
      if (this.hasRoomBeside(index, 0)) return true;
    }
    return false;
  }

  /** The same by every side of what was laid before, from `other` on. */
  private hasRoomBeside(index: number, other: number): boolean {
    if (other === index) return this.hasRoom(index + 1);
    for (const { isFirst, axis } of SIDES) {
      if (isFirst && this.isMirrored(index, other, axis)) continue;
      this.tries += 1;
      if (this.tries > this.most) return true;
      const [first, next] = isFirst ? [index, other] : [other, index];
      const from = this.moved.length;
      const behind = this.behind[axis][first] as number[];
      behind.push(next);
      const end = (this.stands[axis][first] as number) + (this.size[first] as Size)[axis];
      if (this.push(next, end, axis) && this.hasRoomBeside(index, other + 1)) return true;
      behind.pop();
      this.takeBack(from);
    }
    return false;
  }

  /** Of two that are alike the first is the one further to the left; of a layout and its mirror one is enough, so that the second does not lie below the first. */
  private isMirrored(index: number, other: number, axis: 0 | 1): boolean {
    return axis === 1 ? index === 1 : this.size[index] === this.size[other];
  }

  /** Moves a rectangle on to where it stands at least, and what lies behind it; false where one of them has no room there. */
  private push(index: number, to: Ticks, axis: 0 | 1): boolean {
    const stands = this.stands[axis];
    const end = to + (this.size[index] as Size)[axis];
    if (end > this.room[axis] + LEEWAY) return false;
    if (to <= (stands[index] as number)) return true;
    this.moved.push(axis, index, stands[index] as number);
    stands[index] = to;
    for (const next of this.behind[axis][index] as number[])
      if (!this.push(next, end, axis)) return false;
    return true;
  }

  /** Puts everything back that was moved since then. */
  private takeBack(from: number): void {
    while (this.moved.length > from) {
      const [was, index, axis] = [this.moved.pop(), this.moved.pop(), this.moved.pop()];
      this.stands[axis as 0 | 1][index as number] = was as number;
    }
  }
}

/**
 * Which rectangles a board may hold, some of them abreast: whether they can lie apart in any way at all, through cuts or not,
 * each grown by what any cut leaves. What is no rectangle is left out; of too many, or where too much would have to be tried, nothing is forbidden.
 */
export class Abreast {
  private readonly known = new Map<string, boolean>();
  /** The rectangles among the parts, the largest first: in what sizes they lie, a gap with each. */
  private readonly own: readonly { part: number; sizes: readonly Size[] }[];
  private readonly room: Size;
  private tries = 0;

  /** Parts that are taken for one another are given together. */
  constructor(classes: readonly (readonly Demand[])[], kind: Stock, saw: Saw) {
    const gap = growth(saw);
    const grown = ([long, wide]: Size): Size => [long + gap, wide + gap];
    const area = ([long, wide]: Size) => long * wide;
    this.own = classes
      .map((members, part) => {
        const lying = members.filter(({ copies }) => copies > 0);
        const sizes = lying.map((each) => sizesOf(each.part, kind));
        const isOther = sizes.some((each) => each.length === 0);
        return { part, sizes: isOther ? [] : smallest(sizes.flat()).map(grown) };
      })
      .filter(({ sizes }) => sizes.length > 0)
      .sort((one, other) => area(at(other.sizes, 0)) - area(at(one.sizes, 0)));
    this.room = grown(usable(kind, saw));
  }

  /** Whether a board may hold so many of each. */
  allows(counts: Counts): boolean {
    let pieces = 0;
    for (const { part } of this.own) pieces += counts[part] as number;
    if (pieces < 2 || pieces > MOST_ITEMS) return true;
    const key = this.own.map(({ part }) => counts[part]).join();
    const known = this.known.get(key);
    if (known !== undefined) return known;
    if (this.tries > MOST_TRIES_IN_ALL) return true;
    const items = this.own.flatMap(({ part, sizes }) =>
      new Array<readonly Size[]>(at(counts, part)).fill(sizes),
    );
    const arrangement = new Arrangement(items, this.room, MOST_TRIES);
    const hasRoom = arrangement.hasRoom();
    this.tries += arrangement.tries;
    this.known.set(key, hasRoom);
    return hasRoom;
  }
}
