import { at } from '../lists/index.js';
import { Tour } from './tour.js';
import { shortestBound } from './tour-bound.js';

/** A round over places, in the order of the walk, back to where it began. */
export interface Walk {
  /** Places by their number in the list that was given, the first of it first. */
  order: number[];
  metres: number;
  /** No round is shorter than this. */
  bound: number;
}

/** Neighbours of a place that are tried. */
const NEAR = 8;
/** Places that are moved together. */
const LONGEST_MOVE = 3;
const EPSILON = 1e-7;
/** As near to the bound as that, nothing better is looked for. */
const ENOUGH = 1.004;
/** Rounds of shaking for each place; more bring less than a tenth of a percent on random trails. */
const SHAKES = 10;
const LONGEST_SHAKE = 30;

type Distance = (a: number, b: number) => number;

/** The same on any machine: multiplier and increment of ANSI C’s example. */
function chance(): (below: number) => number {
  let state = 20_261;
  return (below) => {
    state = (Math.imul(state, 1_103_515_245) + 12_345) & 0x7fffffff;
    return (state >>> 8) % below;
  };
}

function nearestFirst(count: number, distance: Distance): Int32Array {
  const order = new Int32Array(count);
  const left = new Set(Array.from({ length: count - 1 }, (_unused, index) => index + 1));
  for (let step = 1; step < count; step += 1) {
    const here = order[step - 1] ?? 0;
    let next = -1;
    for (const place of left)
      if (next < 0 || distance(here, place) < distance(here, next)) next = place;
    order[step] = next;
    left.delete(next);
  }
  return order;
}

/** Makes a tour shorter by turning stretches of it round (2-opt) and moving up to three places elsewhere (Or-opt), until neither helps. */
class Shortening {
  private readonly waiting: number[] = [];
  private readonly isWaiting: Uint8Array;

  constructor(
    private readonly tour: Tour,
    private readonly distance: Distance,
    private readonly near: readonly (readonly number[])[],
  ) {
    this.isWaiting = new Uint8Array(near.length);
  }

  look(...places: number[]): void {
    for (const place of places) {
      if (this.isWaiting[place]) continue;
      this.isWaiting[place] = 1;
      this.waiting.push(place);
    }
  }

  /** Gives how much shorter the tour has become. */
  run(): number {
    let gained = 0;
    for (let place = this.waiting.pop(); place !== undefined; place = this.waiting.pop()) {
      this.isWaiting[place] = 0;
      for (let gain = this.better(place); gain > 0; gain = this.better(place)) gained += gain;
    }
    return gained;
  }

  private better(place: number): number {
    return this.turning(place) || this.moving(place);
  }

  private turning(a: number): number {
    const { tour, distance } = this;
    for (const isForward of [true, false]) {
      const b = isForward ? tour.after(a) : tour.before(a);
      const kept = distance(a, b);
      for (const c of at(this.near, a)) {
        const first = kept - distance(a, c);
        if (first <= EPSILON) break;
        const d = isForward ? tour.after(c) : tour.before(c);
        const gain = first + distance(c, d) - distance(b, d);
        if (gain <= EPSILON) continue;
        if (isForward) tour.turn(b, c);
        else tour.turn(a, d);
        this.look(a, b, c, d);
        return gain;
      }
    }
    return 0;
  }

  private moving(a: number): number {
    for (let count = 1; count <= Math.min(LONGEST_MOVE, this.near.length - 3); count += 1)
      for (const isFirst of [true, false]) {
        const gain = this.movingSome(a, count, isFirst);
        if (gain > 0) return gain;
      }
    return 0;
  }

  /** Moves so many places, `a` the first or the last of them, to where `a` stands beside a near one. */
  private movingSome(a: number, count: number, isFirst: boolean): number {
    const { tour, distance } = this;
    const other = tour.from(a, isFirst ? count - 1 : 1 - count);
    const [first, last] = isFirst ? [a, other] : [other, a];
    const [p, q] = [tour.before(first), tour.after(last)];
    const freed = distance(p, first) + distance(last, q) - distance(p, q);
    const isInside = (place: number): boolean => tour.steps(first, place) < count;
    for (const c of at(this.near, a)) {
      const left = freed - distance(a, c);
      if (left <= EPSILON) break;
      if (isInside(c)) continue;
      for (const isAfter of [true, false]) {
        const d = isAfter ? tour.after(c) : tour.before(c);
        const gain = left - distance(other, d) + distance(c, d);
        if (gain <= EPSILON || isInside(d)) continue;
        // After c comes a: turned where a is the last of them; before c comes a: turned where a is the first.
        tour.move(first, count, isAfter ? c : d, isAfter !== isFirst);
        this.look(p, q, c, d, first, last);
        return gain;
      }
    }
    return 0;
  }
}

const lengthOf = (order: Int32Array, distance: Distance): number =>
  order.reduce(
    (sum, place, index) => sum + distance(place, order[(index + 1) % order.length] ?? 0),
    0,
  );

/** The nearest of every place, the nearest first. */
const nearOnes = (count: number, distance: Distance): number[][] =>
  Array.from({ length: count }, (_unused, place) =>
    Array.from({ length: count }, (_none, other) => other)
      .filter((other) => other !== place)
      .sort((a, b) => distance(place, a) - distance(place, b))
      .slice(0, NEAR),
  );

/** Two stretches of a tour change places: a double bridge, which 2-opt does not undo. Gives how much longer it is, and where it was cut. */
function doubleBridge(tour: Tour, distance: Distance, start: number, one: number, two: number) {
  const [a, b] = [tour.from(start, 1), tour.from(start, one)];
  const [c, d] = [tour.from(start, one + 1), tour.from(start, one + two)];
  const end = tour.from(start, one + two + 1);
  const longer =
    distance(start, c) +
    distance(d, a) +
    distance(b, end) -
    distance(start, a) -
    distance(b, c) -
    distance(d, end);
  tour.move(a, one, d, false);
  return { longer, cuts: [start, a, b, c, d, end] };
}

/** Shakes a tour where it is and shortens it again; what is longer afterwards is undone. */
function shaken(order: Int32Array, distance: Distance, bound: number): number {
  const count = order.length;
  const tour = new Tour(order);
  const shortening = new Shortening(tour, distance, nearOnes(count, distance));
  shortening.look(...order);
  shortening.run();
  let length = lengthOf(order, distance);
  const random = chance();
  const longest = Math.min(LONGEST_SHAKE, Math.floor((count - 2) / 2));
  for (let round = 0; round < SHAKES * count && length > bound * ENOUGH; round += 1) {
    const before = order.slice();
    const start = at(order, random(count));
    const [one, two] = [1 + random(longest), 1 + random(longest)];
    const { longer, cuts } = doubleBridge(tour, distance, start, one, two);
    shortening.look(...cuts);
    const change = longer - shortening.run();
    if (change <= 0) length += change;
    else tour.set(before);
  }
  return lengthOf(order, distance);
}

/**
 * A short round over some places from the first of them and back, with a proof of how short it could be at best: 2-opt and Or-opt with
 * neighbour lists, shaken (O. Martin, S. Otto, E. Felten, Complex Systems 5, 1991), against the bound of Held and Karp (Operations
 * Research 18, 1970).
 *
 * @param metres between two places, the same both ways
 * @example shortWalk(3, (a, b) => Math.abs(a - b)).order // [0, 1, 2]
 */
export function shortWalk(count: number, metres: Distance): Walk {
  if (count === 0) return { order: [], metres: 0, bound: 0 };
  const table = Float64Array.from({ length: count * count }, (_unused, index) =>
    metres(Math.floor(index / count), index % count),
  );
  const distance: Distance = (a, b) => table[a * count + b] ?? 0;
  const order = nearestFirst(count, distance);
  if (count <= 3) {
    const length = lengthOf(order, distance);
    return { order: [...order], metres: length, bound: length };
  }
  const bound = shortestBound(count, distance, lengthOf(order, distance));
  // Four places have so few rounds that shaking adds nothing.
  const length = count < 8 ? bestOfFew(order, distance) : shaken(order, distance, bound);
  const begin = order.indexOf(0);
  return {
    order: [...order.slice(begin), ...order.slice(0, begin)],
    metres: length,
    bound: count < 8 ? length : Math.min(bound, length),
  };
}

/** All rounds over a few places, tried; the first stays where it is. */
function bestOfFew(order: Int32Array, distance: Distance): number {
  let best = Number.POSITIVE_INFINITY;
  const found = order.slice();
  const tried = order.slice();
  const place = (depth: number): void => {
    if (depth === tried.length) {
      const length = lengthOf(tried, distance);
      if (length < best) {
        best = length;
        found.set(tried);
      }
      return;
    }
    for (let index = depth; index < tried.length; index += 1) {
      [tried[depth], tried[index]] = [at(tried, index), at(tried, depth)];
      place(depth + 1);
      [tried[depth], tried[index]] = [at(tried, index), at(tried, depth)];
    }
  };
  place(1);
  order.set(found);
  return best;
}
