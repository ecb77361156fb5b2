import { at, minBy } from '../../lists/index.js';
import type { Bench } from './bench.js';
import { type BoxSide, type Putting, putTo } from './putting.js';
import { type AssemblySchool, ranksOf } from './schools.js';

/** What an order costs; only their ranks matter, each outweighs many of the next. */
const COSTS = {
  covered: 10_000_000,
  noWay: 1_000_000,
  afterMoving: 50_000,
  cramped: 400,
  apart: 120,
  elsewhere: 4,
  school: 10,
  turning: 3,
  /** Large pieces first, where all else is equal: by their share of the largest. */
  later: 0.01,
};

/** What is still together when some of the last pieces have been taken off again. */
interface Taken {
  there: readonly boolean[];
  left: number;
  /** The steps that come after, in their order. */
  after: readonly Putting[];
  /** Sides that the next step which needs any wants up. */
  next: readonly BoxSide[];
  cost: number;
}

/** Turnings over to have each of some sides up, one after the other, and which lies up in the end. */
export function turnings(
  up: BoxSide | null,
  wanted: readonly BoxSide[],
): { turns: number; up: BoxSide | null; order: readonly BoxSide[] } {
  const rest = wanted.filter((side) => side !== up);
  const order = rest.length < wanted.length && up ? [up, ...rest] : rest;
  // The first piece lies as it is wanted.
  const turns = rest.length - (up === null && rest.length > 0 ? 1 : 0);
  return { turns, up: rest.at(-1) ?? up, order };
}

/** Turnings between two steps: the first ends with whichever of its sides suits the second best. */
function turnsBetween(ups: readonly BoxSide[], next: readonly BoxSide[]): number {
  if (next.length === 0) return 0;
  return ups.length === 0 || ups.some((side) => next.includes(side))
    ? next.length - 1
    : next.length;
}

/** Whether two units touch each other or a third. */
function isNear({ touches, unit }: Putting, then: Putting | undefined): boolean {
  if (!then) return true;
  return then.touches.includes(unit) || then.touches.some((other) => touches.includes(other));
}

/** Costs of a step before those that come after it. */
function costOf(
  putting: Putting,
  { there, after, next, left }: Taken,
  bench: Bench,
  ranks: readonly number[],
): number {
  const { unit, comes, touches, ups, covered, cramped } = putting;
  const own = at(bench.units, unit);
  const first = left === 1;
  const overtaken = touches.reduce(
    (total, other) => total + Math.max(0, at(ranks, other) - at(ranks, unit)),
    0,
  );
  // Charged when the fixed piece is taken off, not when the moving one is: else a beam puts it off.
  const movingBefore = own.moves
    ? 0
    : bench.units.filter((each, index) => each.moves && there[index] === true).length;
  return (
    covered.length * COSTS.covered +
    (comes === null ? COSTS.noWay : 0) +
    cramped.length * COSTS.cramped +
    movingBefore * COSTS.afterMoving +
    (!first && touches.length === 0 ? COSTS.apart : 0) +
    (isNear(putting, after[0]) ? 0 : COSTS.elsewhere) +
    overtaken * COSTS.school +
    turnsBetween(ups, next) * COSTS.turning +
    left * own.volume * COSTS.later
  );
}

type Put = (unit: number, there: readonly boolean[]) => Putting;

/** Puts and remembers: states that differ in what comes after have the same pieces together. */
function rememberingPut(bench: Bench): Put {
  const known = new Map<string, Putting>();
  return (unit, there) => {
    const key = `${unit}:${there.map(Number).join('')}`;
    const before = known.get(key);
    if (before) return before;
    const putting = putTo(bench, unit, there);
    known.set(key, putting);
    return putting;
  };
}

const without = (there: readonly boolean[], unit: number): boolean[] =>
  there.map((is, index) => is && index !== unit);

/** By unit: those that come after it, because they would stand before the heads of what holds it. */
function comeAfter({ units, nearBy, unitOf }: Bench): readonly ReadonlySet<number>[] {
  const after = units.map(() => new Set<number>());
  nearBy.forEach((shots, covering) => {
    for (const { through, into } of shots)
      for (const held of [at(unitOf, through), at(unitOf, into)])
        if (held !== covering) at(after, held).add(covering);
  });
  return after;
}

/** The pieces that can be taken off next: nothing that is there had to come after them, and they have a way out. */
function removable({ there }: Taken, after: readonly ReadonlySet<number>[], put: Put): Putting[] {
  const present = there.flatMap((is, unit) => (is ? [unit] : []));
  const open = present.filter((unit) => [...at(after, unit)].every((other) => !there[other]));
  const putOf = (unit: number): Putting => put(unit, without(there, unit));
  const free = open.map(putOf).filter(({ comes }) => comes !== null);
  if (free.length > 0) return free;
  return (open.length > 0 ? open : present).map(putOf);
}

const takenOff = (
  state: Taken,
  putting: Putting,
  bench: Bench,
  ranks: readonly number[],
): Taken => ({
  there: without(state.there, putting.unit),
  left: state.left - 1,
  after: [putting, ...state.after],
  next: putting.ups.length > 0 ? putting.ups : state.next,
  cost: state.cost + costOf(putting, state, bench, ranks),
});

const keyOf = ({ there, next }: Taken): string => `${there.map(Number).join('')}${next.join()}`;

/** States kept at each step: all of them for a small box, the best of them for a house of many rooms. */
const widthFor = (units: number): number => {
  if (units <= 9) return 400;
  return units <= 24 ? 24 : 8;
};

/**
 * An order in which a box can be put together: each fastener reached by a straight driver when it is driven, each piece coming in along a
 * straight line, what moves last; then the order that the school teaches, with the fewest turnings over. It is sought backwards, by taking the
 * whole box apart: a piece that can be taken off stays so when others are gone, so that the search never runs into a dead end where an
 * order exists. A beam search over what is still together, exact for small boxes. Where no order is free of faults it gives one with few,
 * which its puttings name.
 */
export function searchOrder(bench: Bench, school: AssemblySchool): readonly Putting[] {
  const ranks = ranksOf(bench, school);
  const width = widthFor(bench.units.length);
  const put = rememberingPut(bench);
  const after = comeAfter(bench);
  const whole = bench.units.map(() => true);
  let beam: Taken[] = [{ there: whole, left: whole.length, after: [], next: [], cost: 0 }];
  for (let step = 0; step < bench.units.length; step += 1) {
    const best = new Map<string, Taken>();
    for (const state of beam)
      for (const putting of removable(state, after, put)) {
        const next = takenOff(state, putting, bench, ranks);
        const key = keyOf(next);
        const known = best.get(key);
        if (!known || next.cost < known.cost) best.set(key, next);
      }
    beam = [...best.values()].sort((a, b) => a.cost - b.cost).slice(0, width);
  }
  return minBy(beam, ({ cost }) => cost)?.after ?? [];
}

/** The maker’s own order, held against the solids in the same way. */
export function ownOrder(bench: Bench, order: readonly number[]): readonly Putting[] {
  const there = bench.units.map(() => false);
  return order.map((unit) => {
    const putting = putTo(bench, unit, there);
    there[unit] = true;
    return putting;
  });
}
