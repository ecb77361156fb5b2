import type { Part, Saw, Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { chordAt, type Point } from '../../plane/index.js';
import { axesOf, type Demand, type DualWeights, growth, usable } from './weights.js';

/** What a size counts for against a capacity: whatever sizes fit in the capacity together never count for more than the capacity does. */
type DualFeasible = (size: number, capacity: number) => number;

/** A size may be this much smaller than it is drawn, in ticks, so that rounding cannot pass for a need. */
const LEEWAY: Ticks = 1;
/** Intervals of a slope along the board, in each of which its least slice counts. */
const INTERVALS = 32;

/**
 * The dual feasible function f(CCM,1) of parameter λ: below half the capacity as many λ as fit, twice; above it what is left of the
 * capacity's; Carlier, Clautiaux and Moukrim, Computers & Operations Research 34 (2007), from memory [M].
 */
export const halvesBy =
  (step: number): DualFeasible =>
  (size, capacity) => {
    const whole = Math.floor(capacity / step + 1e-9);
    if (2 * size > capacity + 1e-9)
      return 2 * (whole - Math.floor((capacity - size) / step + 1e-9));
    if (2 * size > capacity - 1e-9) return whole;
    return 2 * Math.floor(size / step + 1e-12);
  };

/** A face as slices see it: its least slice in each interval, and the greatest of all. */
interface Sliced {
  slices: readonly { run: Ticks; high: Ticks }[];
  highest: Ticks;
}

/** Slices of a convex polygon are concave along it, so that the least of an interval stands at one of its ends. */
function slicedAlong(face: readonly Point[], axis: 0 | 1): Sliced {
  const corners = [...new Set(face.map((point) => point[axis]))].sort((a, b) => a - b);
  const high = (stop: number) => Math.max(0, chordAt(face, axis === 0 ? 1 : 0, stop));
  const slices = corners.slice(1).flatMap((to, index) => {
    const from = at(corners, index);
    // Where the slice does not change one interval says all.
    const parts = Math.abs(high(from) - high(to)) < 1 ? 1 : INTERVALS;
    const stops = Array.from(
      { length: parts + 1 },
      (_unused, k) => from + ((to - from) * k) / parts,
    );
    const heights = stops.map(high);
    return stops.slice(1).map((stop, k) => ({
      run: stop - at(stops, k),
      high: Math.min(at(heights, k), at(heights, k + 1)),
    }));
  });
  return { slices, highest: Math.max(...corners.map(high)) };
}

/** The ways in which a part's faces may lie, as slices along one axis of the board. */
const slicedWays = (part: Part, along: 0 | 1, stock: readonly Stock[]): Sliced[] =>
  axesOf(part, stock).flatMap((turn) => {
    const axis = turn === 0 ? along : ((1 - along) as 0 | 1);
    return [part.outline, part.underside].map((face) => slicedAlong(face, axis));
  });

/**
 * Measures by slices square to an axis of one kind of board: at each place along it the slices of what lies there, grown by the kerf,
 * fit in the board's own, and so do their values under a dual feasible function; summed along the axis, the parts grown there too.
 * A weight is the least over both faces and all turns that are allowed.
 */
function sliceMeasure(
  ways: readonly (readonly Sliced[])[],
  kind: Stock,
  along: 0 | 1,
  by: DualFeasible,
  saw: Saw,
): DualWeights {
  const [length, width] = usable(kind, saw);
  const [run, across] = along === 0 ? [length, width] : [width, length];
  const grow = growth(saw);
  const capacity = across + grow;
  const count = (high: Ticks) =>
    by(Math.min(capacity, Math.max(0, high + grow - LEEWAY)), capacity);
  const taken = ({ slices, highest }: Sliced): number =>
    slices.reduce((sum, slice) => sum + slice.run * count(slice.high), 0) + grow * count(highest);
  return {
    weights: ways.map((each) => Math.min(...each.map(taken))),
    capacities: [by(capacity, capacity) * (run + grow)],
  };
}

/** Steps at which f(CCM,1) changes what it says of a size: itself, what it leaves, and both shared by two or three. */
const stepsOf = (size: Ticks, capacity: Ticks): number[] => [
  ...[size, capacity - size].flatMap((base) => [base, base / 2, base / 3]),
  // Just more than what is left beside it counts for nothing.
  capacity - size + 2 * LEEWAY,
];

/** Every measure by slices of one kind of board. Of no use over several kinds at once. */
export function sliceMeasures(demands: readonly Demand[], kind: Stock, saw: Saw): DualWeights[] {
  const [length, width] = usable(kind, saw);
  return ([0, 1] as const).flatMap((along) => {
    const ways = demands.map(({ part }) => slicedWays(part, along, [kind]));
    const capacity = (along === 0 ? width : length) + growth(saw);
    const steps = ways
      .flatMap((each, part) => (at(demands, part).copies > 0 ? each : []))
      .flatMap(({ highest }) => stepsOf(highest + growth(saw) - LEEWAY, capacity))
      .filter((step) => step > 0 && step <= capacity / 2);
    return [...new Set(steps)].map((step) => sliceMeasure(ways, kind, along, halvesBy(step), saw));
  });
}
