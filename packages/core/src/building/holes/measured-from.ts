import { at, minBy, ringPairs } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import type { Panel } from '../../panels/index.js';
import type { Point } from '../../plane/index.js';
import type { FromEdge } from './hole.js';

/** An edge as a rule is laid against it: how far the hole lies from it, and whether its foot lies on it. */
interface Reach {
  edge: number;
  distance: number;
  direction: Point;
  reaches: boolean;
  /** Not square to the face: it has two lines, and a rule is laid against the right one. */
  tilted: boolean;
}

/** Within a tick the foot still stands on the edge. */
const NEAR = 1;
/** Two edges whose directions differ by less than some 20° do not fix a point well. */
const APART = 0.34;

const cross2 = (a: Point, b: Point): number => a[0] * b[1] - a[1] * b[0];

const reachesOf = (face: readonly Point[], tilts: readonly number[], [x, y]: Point): Reach[] =>
  ringPairs(face).flatMap(([from, to], edge): Reach[] => {
    const run: Point = [to[0] - from[0], to[1] - from[1]];
    const length = Math.hypot(...run);
    if (length < NEAR) return [];
    const direction: Point = [run[0] / length, run[1] / length];
    const arm: Point = [x - from[0], y - from[1]];
    const along = arm[0] * direction[0] + arm[1] * direction[1];
    return [
      {
        edge,
        distance: cross2(direction, arm),
        direction,
        reaches: along >= -NEAR && along <= length + NEAR,
        tilted: Math.abs(at(tilts, edge)) > 0.005,
      },
    ];
  });

/** A tilted edge has two lines, and is marked from only where a square one lies so much farther away. */
const TILTED_COST = 12;
const costOfEdge = ({ distance, tilted }: Reach): number => distance * (tilted ? TILTED_COST : 1);

/** A pair costs its two distances, and much more the less square they stand. */
function costOf(a: Reach, b: Reach): number {
  const skew = 1 - Math.abs(cross2(a.direction, b.direction));
  return (costOfEdge(a) + costOfEdge(b)) * (1 + 4 * skew);
}

/**
 * The two edges of a face from which a maker marks a point, each reaching as far as it: near, square to the face where there are such, and
 * square to each other. Where the panel ends in so sharp a point that no second edge reaches, the nearest one is laid on with a rule.
 */
export function measuredFrom(
  panel: Panel,
  face: 'outside' | 'inside',
  point: Point,
): readonly [FromEdge, FromEdge] {
  const polygon = face === 'outside' ? panel.outline : panel.underside;
  const all = reachesOf(
    polygon,
    panel.edges.map(({ tilt }) => tilt),
    point,
  );
  const pairsAmong = (some: readonly Reach[], others: readonly Reach[]) =>
    some.flatMap((a) =>
      others.flatMap((b) =>
        Math.abs(cross2(a.direction, b.direction)) > APART ? [[a, b] as const] : [],
      ),
    );
  const reaching = all.filter(({ reaches }) => reaches);
  const cheapest = (pairs: readonly (readonly [Reach, Reach])[]) =>
    minBy(pairs, ([a, b]) => costOf(a, b));
  const best =
    cheapest(pairsAmong(reaching, reaching)) ??
    cheapest(pairsAmong(reaching, all)) ??
    ([at(all, 0), at(all, 1)] as const);
  const said = ({ edge, distance }: Reach): FromEdge => ({ edge, distance: Math.round(distance) });
  return [said(best[0]), said(best[1])];
}

/** The least distance of a point from the edges of a face, in ticks; negative outside. */
export const edgeDistance = (face: readonly Point[], [x, y]: Point): Ticks =>
  Math.min(
    ...ringPairs(face).map(([from, to]) => {
      const run: Point = [to[0] - from[0], to[1] - from[1]];
      return cross2(run, [x - from[0], y - from[1]]) / (Math.hypot(...run) || 1);
    }),
  );
