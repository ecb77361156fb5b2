import { at } from '../lists/index.js';

type Distance = (a: number, b: number) => number;

/** Steps of the ascent; more raise the bound by less than a thousandth on random places. */
const STEPS = 160;

/** The shortest tree over all places but the first (R. C. Prim, Bell System Technical Journal 36, 1957); counts the ways at each place. */
function treeLength(count: number, way: Distance, ways: Int32Array): number {
  const cost = new Float64Array(count).fill(Number.POSITIVE_INFINITY);
  const parent = new Int32Array(count).fill(1);
  const left = Array.from({ length: count - 1 }, (_unused, index) => index + 1);
  let length = 0;
  cost[1] = 0;
  while (left.length > 0) {
    let nearest = 0;
    for (let index = 1; index < left.length; index += 1)
      if (at(cost, at(left, index)) < at(cost, at(left, nearest))) nearest = index;
    const next = at(left, nearest);
    left[nearest] = at(left, -1);
    left.pop();
    if (next !== 1) {
      length += at(cost, next);
      ways[next] = at(ways, next) + 1;
      ways[at(parent, next)] = at(ways, at(parent, next)) + 1;
    }
    for (const place of left) {
      const reached = way(next, place);
      if (reached >= at(cost, place)) continue;
      cost[place] = reached;
      parent[place] = next;
    }
  }
  return length;
}

/** A tree over all places but the first, and the two shortest ways from the first to it: no round is shorter. */
function oneTree(count: number, distance: Distance, prices: Float64Array) {
  const way: Distance = (a, b) => distance(a, b) + at(prices, a) + at(prices, b);
  const degree = new Int32Array(count);
  let length = treeLength(count, way, degree);
  const nearest = Array.from({ length: count - 1 }, (_unused, index) => index + 1).sort(
    (a, b) => way(0, a) - way(0, b),
  );
  for (const place of nearest.slice(0, 2)) {
    degree[place] = at(degree, place) + 1;
    length += way(0, place);
  }
  degree[0] = 2;
  return { length, degree };
}

/**
 * A length below which no round over the places is: the ascent of M. Held and R. Karp (Mathematical Programming 1, 1971) over trees with
 * one ring, prices on places that have too many ways or too few.
 *
 * @param known the length of some round
 */
export function shortestBound(count: number, distance: Distance, known: number): number {
  const prices = new Float64Array(count);
  let best = 0;
  let reach = 1;
  let since = 0;
  for (let step = 0; step < STEPS; step += 1) {
    const { length, degree } = oneTree(count, distance, prices);
    const bound = length - 2 * prices.reduce((sum, price) => sum + price, 0);
    since = bound > best ? 0 : since + 1;
    best = Math.max(best, bound);
    const over = degree.reduce((sum, ways) => sum + (ways - 2) ** 2, 0);
    // Every place has two ways: the tree is a round, and the shortest.
    if (over === 0) return best;
    if (since > 8) {
      reach *= 0.7;
      since = 0;
    }
    const stride = (reach * (1.02 * known - bound)) / over;
    degree.forEach((ways, place) => {
      prices[place] = at(prices, place) + stride * (ways - 2);
    });
  }
  return best;
}
