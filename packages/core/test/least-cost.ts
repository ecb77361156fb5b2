import type { LayoutJob, Stock } from '../src/job/index.js';

/** A piece of a small job: its ways of lying as length and width. */
type Ways = readonly (readonly [long: number, wide: number])[];

/** Whether every piece alone, and all of them by their area, would have room. */
const haveRoom = (pieces: readonly Ways[], long: number, wide: number): boolean => {
  let area = 0;
  for (const ways of pieces) {
    if (!ways.some(([l, w]) => l <= long && w <= wide)) return false;
    area += (ways[0]?.[0] ?? 0) * (ways[0]?.[1] ?? 0);
  }
  return area <= long * wide;
};

/** Whether pieces can be sawn from a rectangle by cuts right through it: every division into two and every place of the first cut. */
function fits(pieces: readonly Ways[], long: number, wide: number, kerf: number): boolean {
  if (!haveRoom(pieces, long, wide)) return false;
  if (pieces.length <= 1) return true;
  // The first piece is on one side of the first cut, with some of the others.
  for (let mask = 0; mask < 2 ** (pieces.length - 1) - 1; mask += 1) {
    const here = pieces.filter((_piece, index) => index === 0 || (mask >> (index - 1)) & 1);
    const there = pieces.filter((_piece, index) => index > 0 && !((mask >> (index - 1)) & 1));
    const across = sizesOf(here, 0, kerf).some(
      (size) => fits(there, long - size - kerf, wide, kerf) && fits(here, size, wide, kerf),
    );
    if (across) return true;
    const along = sizesOf(here, 1, kerf).some(
      (size) => fits(there, long, wide - size - kerf, kerf) && fits(here, long, size, kerf),
    );
    if (along) return true;
  }
  return false;
}

/** Sizes that a cut-off side may have: those to which some of its pieces come, one after the other, with their kerfs. */
function sizesOf(pieces: readonly Ways[], axis: 0 | 1, kerf: number): number[] {
  let sums = new Set<number>();
  for (const ways of pieces) {
    const sizes = ways.map((way) => way[axis]);
    sums = new Set([
      ...sums,
      ...sizes,
      ...[...sums].flatMap((known) => sizes.map((size) => known + kerf + size)),
    ]);
  }
  return [...sums];
}

/** What the cheapest layout of a small job of rectangles costs, by trying all of them; null where none holds every piece. */
export function leastOf({ parts, stock, saw }: LayoutJob): number | null {
  const pieces = parts.flatMap((part): Ways[] => {
    const [long, wide] = [0, 1].map((axis) =>
      Math.max(...part.outline.map((point) => point[axis as 0 | 1])),
    );
    const upright = [long ?? 0, wide ?? 0] as const;
    const ways: Ways = part.grain === 'any' ? [upright, [upright[1], upright[0]]] : [upright];
    return Array.from({ length: part.quantity }, () => ways);
  });
  const boards = stock.flatMap((kind) => Array.from({ length: kind.quantity }, () => kind));
  const all = 2 ** pieces.length - 1;
  const known = new Map<string, boolean>();
  const holds = (kind: Stock, mask: number): boolean => {
    const key = `${kind.id}|${mask}`;
    const found =
      known.get(key) ??
      fits(
        pieces.filter((_piece, index) => (mask >> index) & 1),
        kind.length,
        kind.width,
        saw.kerf,
      );
    known.set(key, found);
    return found;
  };
  /** The least that boards from an index on cost for what is still to be laid. */
  const cheapest = (index: number, left: number): number => {
    if (left === 0) return 0;
    const kind = boards[index];
    if (!kind) return Number.POSITIVE_INFINITY;
    let best = cheapest(index + 1, left);
    for (let mask = left; mask > 0; mask = (mask - 1) & left)
      if (holds(kind, mask))
        best = Math.min(best, (kind.price ?? 0) + cheapest(index + 1, left & ~mask));
    return best;
  };
  const least = cheapest(0, all);
  return Number.isFinite(least) ? least : null;
}

/** What must stay out of a small job of rectangles, by trying all: copies, of those the least area, and what the rest then costs. */
export function leastOutOf(of: LayoutJob): { copies: number; area: number; cost: number } {
  /** Every way to leave copies out of the parts from an index on. */
  const ways = (index: number): number[][] => {
    const part = of.parts[index];
    if (!part) return [[]];
    return ways(index + 1).flatMap((rest) =>
      Array.from({ length: part.quantity + 1 }, (_unused, out) => [out, ...rest]),
    );
  };
  const areas = of.parts.map(({ outline }) =>
    [0, 1].reduce((area, axis) => area * Math.max(...outline.map((p) => p[axis as 0 | 1])), 1),
  );
  const tried = ways(0).flatMap((out) => {
    const cost = leastOf({
      ...of,
      parts: of.parts.map((part, index) => ({
        ...part,
        quantity: part.quantity - (out[index] ?? 0),
      })),
    });
    if (cost === null) return [];
    const copies = out.reduce((total, count) => total + count, 0);
    const area = out.reduce((total, count, index) => total + count * (areas[index] ?? 0), 0);
    return [{ copies, area, cost }];
  });
  const [least] = tried.sort((a, b) => a.copies - b.copies || a.area - b.area || a.cost - b.cost);
  if (!least) throw new Error('nothing at all can be left out of it');
  return least;
}
