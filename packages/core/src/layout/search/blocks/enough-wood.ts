import { at, sum } from '../../../lists/index.js';
import type { Cents } from '../../../measure/index.js';

/** A kind of board: what one costs and holds, and how many there are. */
export interface Kind {
  price: Cents;
  area: number;
  left: number;
}

const MOST_NODES = 4000;

/**
 * Numbers of boards of each kind that cost less than `below`, no less than what is proven to be needed, and have wood for `need`, the
 * cheapest first and of those that cost the same the one with least wood to spare; boards that cost nothing are all taken. At most so many.
 */
export function enoughWood(
  kinds: readonly Kind[],
  need: number,
  { from, below }: { from: Cents; below: Cents },
  most: number,
): number[][] {
  const priced = kinds.flatMap((kind, index) => (kind.price > 0 && kind.left > 0 ? [index] : []));
  const counts = kinds.map(({ price, left }) => (price > 0 ? 0 : left));
  const free = sum(kinds.map(({ area }, index) => area * at(counts, index)));
  const found: { counts: number[]; cost: Cents; wood: number }[] = [];
  let nodes = 0;
  const descend = (where: number, cost: Cents, wood: number): void => {
    nodes += 1;
    if (nodes > MOST_NODES) return;
    if (wood >= need && cost >= from) {
      found.push({ counts: [...counts], cost, wood });
      return;
    }
    const index = priced[where];
    if (index === undefined) return;
    const { price, area, left } = at(kinds, index);
    for (let count = 0; count <= left && cost + count * price < below; count += 1) {
      counts[index] = count;
      descend(where + 1, cost + count * price, wood + count * area);
    }
    counts[index] = 0;
  };
  descend(0, 0, free);
  return found
    .sort((a, b) => a.cost - b.cost || a.wood - b.wood)
    .slice(0, most)
    .map((each) => each.counts);
}
