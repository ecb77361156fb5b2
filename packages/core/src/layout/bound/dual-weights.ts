import { endTrimOf, type Part, type Saw, type Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import { TOLERANCE } from '../../measure/index.js';
import {
  areaOf,
  type Bounds,
  chordAt,
  containsAll,
  crossing,
  type Point,
  rectangleAt,
  zoneBounds,
} from '../../plane/index.js';
import { mustBeCutAway } from '../../wood/index.js';
import { sliceMeasures } from './slice-weights.js';
import { axesOf, type Demand, type DualWeights, kerfOf, usable } from './weights.js';

const extent = (polygon: readonly Point[], axis: 0 | 1): number => {
  const values = polygon.map((point) => point[axis]);
  return Math.max(...values) - Math.min(...values);
};

const perimeter = (polygon: readonly Point[]): number =>
  polygon.reduce((sum, [x, y], index) => {
    const [nextX, nextY] = at(polygon, (index + 1) % polygon.length);
    return sum + Math.hypot(nextX - x, nextY - y);
  }, 0);

/** The shortest chord between two levels counted from the polygon's edge; chords of a convex polygon are concave, so an end has it. */
function shortestChord(polygon: readonly Point[], axis: 0 | 1, from: number, to: number): number {
  const other = axis === 0 ? 1 : 0;
  const base = Math.min(...polygon.map((point) => point[other]));
  return Math.min(chordAt(polygon, axis, base + from), chordAt(polygon, axis, base + to));
}

type Lost = Bounds;

/** Whether an upright rectangle lies inside a convex polygon, clear of its edges. */
export const holds = (polygon: readonly Point[], [left, bottom, right, top]: Bounds): boolean =>
  containsAll(polygon, rectangleAt(left, bottom, right - left, top - bottom));

/**
 * Wood of a board that no part can use: upright rectangles inside defects that must be cut away and that the holes of no part are large
 * enough to take in. Those that meet another are left out, so that nothing is counted twice. None where a hole reaches a part's edge:
 * there a defect may lie partly in the hole and partly beside the part.
 */
function lostWood(kind: Stock, demands: readonly Demand[], saw: Saw): Lost[] {
  const holes: (readonly [number, number])[] = [];
  for (const { part } of demands) {
    if (part.cutAway.length === 0) continue;
    const zones = part.cutAway.map(zoneBounds);
    if (!zones.every((zone) => [part.outline, part.underside].every((face) => holds(face, zone))))
      return [];
    const reach = (index: 0 | 1 | 2 | 3) => zones.map((zone) => zone[index]);
    holes.push([
      Math.max(...reach(2)) - Math.min(...reach(0)),
      Math.max(...reach(3)) - Math.min(...reach(1)),
    ]);
  }
  const lost: Lost[] = [];
  for (const { kind: what, zone } of kind.defects) {
    if (!mustBeCutAway(what) || zone.kind === 'polygon') continue;
    const [left, bottom, right, top] = zoneBounds(zone);
    const [length, width] = [right - left, top - bottom];
    // Whichever way a part is turned: a hole takes in at most what is no longer and no wider than it is.
    if (
      holes.some(
        (hole) =>
          Math.max(...hole) >= Math.max(length, width) &&
          Math.min(...hole) >= Math.min(length, width),
      )
    )
      continue;
    const inset = zone.kind === 'circle' ? zone.radius * (1 - Math.SQRT1_2) : 0;
    const inside: Lost = [
      Math.max(endTrimOf(kind, saw), left + inset),
      Math.max(0, bottom + inset),
      Math.min(kind.length - endTrimOf(kind, saw), right - inset),
      Math.min(kind.width, top - inset),
    ];
    const meets = (other: Lost) =>
      inside[0] < other[2] && other[0] < inside[2] && inside[1] < other[3] && other[1] < inside[3];
    if (inside[2] > inside[0] && inside[3] > inside[1] && !lost.some(meets)) lost.push(inside);
  }
  return lost;
}

/**
 * Parts and boards grown by half a kerf on every side still do not overlap: an area with its share of sawdust, less the wood that
 * defects take beyond what grown parts may reach over.
 */
function areaMeasure(demands: readonly Demand[], stock: readonly Stock[], saw: Saw): DualWeights {
  const kerf = kerfOf(saw);
  const round = (Math.PI * kerf * kerf) / 4;
  const shrunk = ([left, bottom, right, top]: Lost) =>
    Math.max(0, right - left - kerf - 4) * Math.max(0, top - bottom - kerf - 4);
  return {
    weights: demands.map(({ part }) =>
      Math.min(
        ...[part.outline, part.underside].map(
          (face) => areaOf(face) + (perimeter(face) * kerf) / 2 + round,
        ),
      ),
    ),
    capacities: stock.map((kind) => {
      const [length, width] = usable(kind, saw);
      const lost = lostWood(kind, demands, saw);
      return Math.max(
        0,
        length * width +
          (length + width) * kerf +
          round -
          lost.reduce((sum, each) => sum + shrunk(each), 0),
      );
    }),
  };
}

/** A part in one way of lying, as lines along the board see it: how wide it is across them, and its face. */
interface Way {
  face: readonly Point[];
  axis: 0 | 1;
  wide: number;
}

/**
 * Lines drawn along each board (or across it), so many and evenly spaced that they part it, with half a kerf on either side, into equal
 * strips. A part that is so many strips wide is crossed by at least as many lines less what its own place may cost; along a line the
 * chords of what it crosses, and the kerfs between them, fit in the board, less what defects take of it. This is the dual feasible
 * function u(k) across the lines (Fekete and Schepers 2004, from memory [M]), true shapes along them.
 */
function lineMeasure(
  lines: number,
  along: 0 | 1,
  demands: readonly Demand[],
  stock: readonly Stock[],
  saw: Saw,
): DualWeights {
  const kerf = kerfOf(saw);
  const sizes = stock.map((kind) => {
    const [length, width] = usable(kind, saw);
    return along === 0 ? { run: length, across: width } : { run: width, across: length };
  });
  const across = along === 0 ? 1 : 0;
  const waysOf = (part: Part): Way[] =>
    axesOf(part, stock).flatMap((turn) => {
      const axis = turn === 0 ? along : across;
      return [part.outline, part.underside].map((face) => ({
        face,
        axis,
        wide: extent(face, axis === 0 ? 1 : 0),
      }));
    });
  /** The least that a part takes of all lines of one board. */
  const taken = ({ face, axis, wide }: Way, size: { run: number; across: number }): number => {
    if (wide > size.across) return Number.POSITIVE_INFINITY;
    const strip = (size.across + kerf) / (lines + 1);
    const crossed = (reach: number) => Math.min(lines, Math.floor((reach - LINE_LEEWAY) / strip));
    const sure = Math.max(0, crossed(wide));
    const touched = Math.max(sure, crossed(wide + kerf));
    if (touched === 0) return 0;
    // One line lies in the middle, so that only chords which can come to lie there count.
    const middle = size.across / 2;
    const least =
      lines === 1
        ? shortestChord(face, axis, Math.max(0, wide - middle), Math.min(wide, middle))
        : shortestChord(face, axis, 0, wide);
    return (
      sure * (least + kerf) + (touched - sure) * Math.min(least, shortestChord(face, axis, 0, wide))
    );
  };
  const weights = demands.map(({ part }) => {
    const least = Math.min(...waysOf(part).flatMap((way) => sizes.map((size) => taken(way, size))));
    return Number.isFinite(least) ? least : 0;
  });
  return {
    weights,
    capacities: stock.map((kind, index) => {
      const { run, across: wide } = at(sizes, index);
      const strip = (wide + kerf) / (lines + 1);
      const lost = lostWood(kind, demands, saw);
      let room = 0;
      for (let line = 1; line <= lines; line += 1) {
        const at = line * strip - kerf / 2 + (along === 0 ? 0 : endTrimOf(kind, saw));
        room += run + kerf;
        for (const each of lost) {
          const [low, high, from, to] =
            along === 0
              ? [each[1], each[3], each[0], each[2]]
              : [each[0], each[2], each[1], each[3]];
          // A piece may end half a kerf beyond what it is; another kerf is gained where the defect parts the line in two.
          if (at > low + LINE_LEEWAY + kerf / 2 && at < high - LINE_LEEWAY - kerf / 2)
            room -= Math.max(0, to - from - kerf - LINE_LEEWAY);
        }
      }
      return Math.max(0, room);
    }),
  };
}

/** Of a line that misses: it enters beyond where it leaves. */
const NOWHERE = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY] as const;

/** The upright rectangle that lies inside a part on both faces, whichever way it may be turned: at least so long and so wide. */
function coreOf(part: Part, stock: readonly Stock[]): { long: number; wide: number } | null {
  const faces = [part.outline, part.underside];
  const low = Math.max(...faces.map((face) => Math.min(...face.map((point) => point[1]))));
  const high = Math.min(...faces.map((face) => Math.max(...face.map((point) => point[1]))));
  if (high <= low) return null;
  // Both sides of a convex polygon bulge outwards, so the narrowest chord between two levels is at one of them.
  const ends = faces.flatMap((face) =>
    [low, high].flatMap((at) => [crossing(face, 0, at) ?? NOWHERE]),
  );
  const [left, right] = [
    Math.max(...ends.map((end) => end[0])),
    Math.min(...ends.map((end) => end[1])),
  ];
  if (right <= left) return null;
  const [long, wide] = [right - left, high - low];
  return axesOf(part, stock).length === 1
    ? { long, wide }
    : { long: Math.min(long, wide), wide: Math.min(long, wide) };
}

/** Whether a part can by no means lie over a defect: no hole of it takes the defect in, wholly or at its edge. */
function shuns(part: Part, { kind, zone }: Stock['defects'][number]): boolean {
  if (!mustBeCutAway(kind) && part.knots !== 'none') return false;
  const [left, bottom, right, top] = zoneBounds(zone);
  const size = [right - left, top - bottom].sort((a, b) => a - b);
  return part.cutAway.every((hole) => {
    const bounds = zoneBounds(hole);
    if (![part.outline, part.underside].every((face) => holds(face, bounds))) return false;
    const room = [bounds[2] - bounds[0], bounds[3] - bounds[1]].sort((a, b) => a - b);
    return at(room, 0) < at(size, 0) || at(room, 1) < at(size, 1);
  });
}

/** Stretches along a board in which something can lie that covers the levels from `low` to `high` and shuns these defects. */
function freeStretches(
  kind: Stock,
  saw: Saw,
  shunned: Stock['defects'],
  low: number,
  high: number,
): number[] {
  const blocked = shunned.flatMap(({ zone }): [number, number][] => {
    if (zone.kind === 'polygon') return [];
    const [left, bottom, right, top] = zoneBounds(zone);
    if (Math.min(top, high) - Math.max(bottom, low) <= LINE_LEEWAY) return [];
    let [from, to] = [left, right];
    if (zone.kind === 'circle') {
      const off = Math.max(0, low - zone.centre[1], zone.centre[1] - high);
      const half = Math.sqrt(Math.max(0, zone.radius ** 2 - off ** 2));
      [from, to] = [zone.centre[0] - half, zone.centre[0] + half];
    }
    return to - from > 2 * LINE_LEEWAY ? [[from + LINE_LEEWAY, to - LINE_LEEWAY]] : [];
  });
  const stretches: number[] = [];
  let at = endTrimOf(kind, saw);
  for (const [from, to] of [
    ...blocked,
    [kind.length - endTrimOf(kind, saw), Number.POSITIVE_INFINITY] as [number, number],
  ].sort((p, q) => p[0] - q[0])) {
    if (from > at) stretches.push(from - at + 2 * TOLERANCE);
    at = Math.max(at, to);
  }
  return stretches;
}

/**
 * Parts at least as wide as one of them, seen along boards on which no two such lie side by side: each covers the middle, and so every
 * defect there parts the board. By length, and by count of those that are at least as long. On wider boards as many lines as such parts
 * can lie side by side.
 */
function bandMeasures(
  demands: readonly Demand[],
  stock: readonly Stock[],
  saw: Saw,
): DualWeights[] {
  const kerf = kerfOf(saw);
  const cores = demands.map(({ part }) => coreOf(part, stock));
  return demands.flatMap(({ part: leader }, index): DualWeights[] => {
    const core = cores[index];
    if (!core) return [];
    const shunned = stock.map((kind) => kind.defects.filter((defect) => shuns(leader, defect)));
    const wideEnough = demands.map(
      ({ part }, at) =>
        (cores[at]?.wide ?? 0) >= core.wide - TOLERANCE &&
        shunned.every((defects) => defects.every((defect) => shuns(part, defect))),
    );
    const shortest = Math.min(
      ...cores.flatMap((each, at) => (wideEnough[at] && each ? [each.long] : [])),
    );
    const wide = core.wide - TOLERANCE;
    let parted = false;
    const rooms = stock.map((kind, index) => {
      const [length, across] = usable(kind, saw);
      const lines = Math.floor(across / wide);
      if (lines !== 1)
        return {
          length: lines * (length + kerf),
          count: lines * Math.floor((length + kerf) / (core.long - TOLERANCE + kerf)),
        };
      const stretches = freeStretches(kind, saw, at(shunned, index), across - wide, wide);
      parted ||= stretches.length > 1 || (stretches[0] ?? 0) < length - 4 * TOLERANCE;
      return {
        length: stretches.reduce(
          (sum, each) => sum + (each >= shortest - TOLERANCE ? each + kerf : 0),
          0,
        ),
        count: stretches.reduce(
          (sum, each) => sum + Math.floor((each + kerf) / (core.long - TOLERANCE + kerf)),
          0,
        ),
      };
    });
    if (!parted) return [];
    const weights = (of: (core: { long: number }) => number) =>
      cores.map((each, at) => (each && wideEnough[at] ? of(each) : 0));
    return [
      {
        weights: weights(({ long }) => long - TOLERANCE + kerf),
        capacities: rooms.map((room) => room.length),
      },
      {
        weights: weights(({ long }) => (long >= core.long - TOLERANCE ? 1 : 0)),
        capacities: rooms.map((room) => room.count),
      },
    ];
  });
}

/** A line that only grazes a part is not counted. */
const LINE_LEEWAY = 2 * TOLERANCE;
/** Lines in one measure, and measures for one question. */
const MOST_LINES = 24;
const MOST_MEASURES = 18;
const MOST_WITH_SLICES = 26;

/** The measure with the largest board as its unit, so that rounding of large numbers cannot pass for a need. */
function inBoards({ weights, capacities }: DualWeights): DualWeights {
  const unit = Math.max(1, ...capacities);
  return {
    weights: weights.map((weight) => weight / unit),
    capacities: capacities.map((capacity) => capacity / unit),
  };
}

/** Numbers of lines that may tell something along one axis: one, and as many as make strips just narrower than some part. */
function lineCounts(
  along: 0 | 1,
  demands: readonly Demand[],
  stock: readonly Stock[],
  saw: Saw,
): number[] {
  const counts = new Set([1]);
  const kerf = kerfOf(saw);
  for (const kind of stock) {
    const across = usable(kind, saw)[along === 0 ? 1 : 0];
    for (const { part } of demands) {
      const widths = axesOf(part, stock).flatMap((turn) =>
        [part.outline, part.underside].map((face) => extent(face, turn === along ? 1 : 0)),
      );
      const strips = Math.floor((across + kerf) / (Math.min(...widths) + kerf - LINE_LEEWAY));
      if (strips >= 1 && strips <= MOST_LINES) counts.add(strips);
    }
  }
  return [...counts].sort((a, b) => a - b);
}

/** Whether one measure allows whatever another allows, and more. */
const weaker = (a: DualWeights, b: DualWeights): boolean =>
  a.capacities.every((capacity, kind) =>
    a.weights.every(
      (weight, part) => weight * at(b.capacities, kind) <= at(b.weights, part) * capacity + 1e-12,
    ),
  );

/** Measures that say something and that no earlier one makes needless, so many at most. */
function strongest(
  measures: readonly DualWeights[],
  before: readonly DualWeights[],
  most: number,
): DualWeights[] {
  const found = [...before];
  for (const measure of measures.map(inBoards)) {
    if (found.length >= most) break;
    if (
      measure.weights.every((weight) => weight === 0) ||
      found.some((other) => weaker(measure, other))
    )
      continue;
    found.push(measure);
  }
  return found;
}

/** Every measure that says something about these parts on these boards, the largest board as the unit of each. */
export function dualWeightsFor(
  demands: readonly Demand[],
  stock: readonly Stock[],
  saw: Saw,
): DualWeights[] {
  const lines = ([0, 1] as const).flatMap((along) =>
    lineCounts(along, demands, stock, saw).map((count) =>
      lineMeasure(count, along, demands, stock, saw),
    ),
  );
  return strongest(
    [...lines, ...bandMeasures(demands, stock, saw)],
    [inBoards(areaMeasure(demands, stock, saw))],
    MOST_MEASURES,
  );
}

/** These measures of one kind of board, and by slices those beside them that the parts weigh most in. */
export function withSlices(
  measures: readonly DualWeights[],
  demands: readonly Demand[],
  kind: Stock,
  saw: Saw,
): DualWeights[] {
  const load = ({ weights, capacities }: DualWeights) =>
    demands.reduce((sum, { copies }, part) => sum + copies * at(weights, part), 0) /
    Math.max(1e-9, at(capacities, 0));
  const slices = sliceMeasures(demands, kind, saw).filter(
    ({ capacities }) => at(capacities, 0) > 0,
  );
  return strongest(
    slices.sort((a, b) => load(b) - load(a)),
    measures,
    MOST_WITH_SLICES,
  );
}
