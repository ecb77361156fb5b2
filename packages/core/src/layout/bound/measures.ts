import { type Ticks, TOLERANCE } from '../../measure/ticks.js';
import type { Point } from '../../wood/board.js';
import { areaOf } from '../area.js';
import type { Part, Saw, Stock } from '../job.js';

/** Copies of a part that must be placed. */
export interface Demand {
  part: Part;
  copies: number;
}

/**
 * A weight for each part and a capacity for each board such that what lies on a board never weighs more than it holds. Every weight
 * is taken on face A alone, so that it holds whichever way a part is turned, flipped or bevelled.
 */
export interface Measure {
  weights: readonly number[];
  capacities: readonly number[];
}

const extent = (polygon: readonly Point[], axis: 0 | 1): number => {
  const values = polygon.map((point) => point[axis]);
  return Math.max(...values) - Math.min(...values);
};

const perimeter = (polygon: readonly Point[]): number =>
  polygon.reduce((sum, [x, y], index) => {
    const [nextX, nextY] = polygon[(index + 1) % polygon.length]!;
    return sum + Math.hypot(nextX - x, nextY - y);
  }, 0);

/** The polygon's length along one axis where the other has the given value. */
function chord(polygon: readonly Point[], axis: 0 | 1, at: number): number {
  const other = axis === 0 ? 1 : 0;
  let least = Number.POSITIVE_INFINITY;
  let most = Number.NEGATIVE_INFINITY;
  polygon.forEach((from, index) => {
    const to = polygon[(index + 1) % polygon.length]!;
    const [low, high] = from[other] <= to[other] ? [from, to] : [to, from];
    if (at < low[other] || at > high[other]) return;
    const share = high[other] === low[other] ? 0 : (at - low[other]) / (high[other] - low[other]);
    for (const value of high[other] === low[other] ? [low[axis], high[axis]] : [low[axis] + share * (high[axis] - low[axis])]) {
      least = Math.min(least, value);
      most = Math.max(most, value);
    }
  });
  return most > least ? most - least : 0;
}

/** The shortest chord between two levels counted from the polygon's edge; chords of a convex polygon are concave, so an end has it. */
function shortestChord(polygon: readonly Point[], axis: 0 | 1, from: number, to: number): number {
  const other = axis === 0 ? 1 : 0;
  const base = Math.min(...polygon.map((point) => point[other]));
  return Math.min(chord(polygon, axis, base + from), chord(polygon, axis, base + to));
}

/** Ways a part may lie: along the grain, or any way where grain does not bind. Axis 0: its x lies along the board. */
const axesOf = (part: Part, stock: readonly Stock[]): readonly (0 | 1)[] =>
  part.grain === 'any' || stock.some((kind) => !kind.grained) ? [0, 1] : [0];

/** Parts and boards grown by half a kerf on every side still do not overlap: an area with its share of sawdust. */
function areaMeasure(demands: readonly Demand[], stock: readonly Stock[], saw: Saw): Measure {
  const kerf = Math.max(0, saw.kerf - TOLERANCE);
  const round = (Math.PI * kerf * kerf) / 4;
  return {
    weights: demands.map(({ part }) =>
      Math.min(...[part.outline, part.underside].map((face) => areaOf(face) + (perimeter(face) * kerf) / 2 + round)),
    ),
    capacities: stock.map((kind) => {
      const [length, width] = usable(kind, saw);
      return length * width + (length + width) * kerf + round;
    }),
  };
}

const usable = (kind: Stock, saw: Saw): readonly [Ticks, Ticks] => [
  Math.max(0, kind.length - 2 * saw.endTrim) + 2 * TOLERANCE,
  kind.width + 2 * TOLERANCE,
];

/**
 * Parts at least `height` wide, counted by length: draw lines along each board so close that every such part crosses one (the middle
 * alone where two never lie side by side); along a line their chords and the kerfs between them fit in the board's length.
 */
function lengthMeasure(height: number, demands: readonly Demand[], stock: readonly Stock[], saw: Saw): Measure {
  const kerf = Math.max(0, saw.kerf - TOLERANCE);
  const lines = stock.map((kind) => {
    const width = usable(kind, saw)[1];
    return 2 * height > width ? 1 : Math.floor(width / height);
  });
  const weights = demands.map(({ part }) => {
    const faces = [part.outline, part.underside];
    const ways = axesOf(part, stock).flatMap((axis) => faces.map((face) => ({ axis, face, wide: extent(face, axis === 0 ? 1 : 0) })));
    if (ways.some((way) => way.wide < height)) return 0;
    const chords = ways.flatMap(({ axis, face, wide }) =>
      stock.map((kind, index) => {
        const width = usable(kind, saw)[1];
        if (wide > width) return Number.POSITIVE_INFINITY;
        return lines[index] === 1
          ? shortestChord(face, axis, Math.max(0, wide - width / 2), Math.min(wide, width / 2))
          : shortestChord(face, axis, 0, wide);
      }),
    );
    const least = Math.min(...chords);
    return Number.isFinite(least) ? least + kerf : 0;
  });
  return { weights, capacities: stock.map((kind, index) => lines[index]! * (usable(kind, saw)[0] + kerf)) };
}

/** The measure with the largest board as its unit, so that rounding of large numbers cannot pass for a need. */
function inBoards({ weights, capacities }: Measure): Measure {
  const unit = Math.max(...capacities);
  return { weights: weights.map((weight) => weight / unit), capacities: capacities.map((capacity) => capacity / unit) };
}

/** Every measure that says something about these parts on these boards, the largest board as the unit of each. */
export function measuresFor(demands: readonly Demand[], stock: readonly Stock[], saw: Saw): Measure[] {
  const heights = new Set(
    demands.map(({ part }) =>
      Math.min(...axesOf(part, stock).flatMap((axis) => [part.outline, part.underside].map((face) => extent(face, axis === 0 ? 1 : 0)))),
    ),
  );
  return [areaMeasure(demands, stock, saw), ...[...heights].map((height) => lengthMeasure(height, demands, stock, saw))].map(inBoards);
}
