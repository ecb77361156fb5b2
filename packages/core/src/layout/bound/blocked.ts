import { endTrimOf, type Part, type Saw, type Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import { type Ticks, TOLERANCE } from '../../measure/index.js';
import {
  type Bounds,
  boundsMeet,
  intersectPolygons,
  type Point,
  type Zone,
  zoneBounds,
  zoneOutline,
} from '../../plane/index.js';
import { type Defect, mustBeCutAway } from '../../wood/index.js';
import type { Shape } from '../search/shapes.js';
import { holds } from './dual-weights.js';
import { apart, LEEWAY, raised, sighted } from './faces-apart.js';

/** Corners of a round zone that are looked at: between them it is a little wider. */
const CORNERS = 24;

/** A zone less what a checker takes for nothing, so that what only grazes it is not held back. */
function within(zone: Zone): Zone {
  switch (zone.kind) {
    case 'circle':
      return { ...zone, radius: Math.max(0, zone.radius - LEEWAY) };
    case 'rect': {
      const [left, bottom] = zone.corner;
      const [offX, offY] = [zone.width, zone.height].map((size) => Math.min(LEEWAY, size / 2)) as [
        Ticks,
        Ticks,
      ];
      return {
        ...zone,
        corner: [left + offX, bottom + offY],
        width: zone.width - 2 * offX,
        height: zone.height - 2 * offY,
      };
    }
    case 'polygon':
      return zone;
  }
}

/** From where on, and up to where, along the board. */
type Stretch = readonly [from: Ticks, to: Ticks];

/** What of a shape must not lie over a defect, and where its left end may stand all the same since a hole takes the defect in. */
interface Missing {
  regions: readonly (readonly Point[])[];
  taken: readonly Stretch[];
}

/** Faces, or over a sound knot that they take in what of them must be clear, as far as no hole takes it away. */
function mustMiss(part: Part, shape: Shape, defect: Defect, ups: readonly Ticks[]): Missing {
  const { a, b, clear, cutAway } = shape;
  const faces = a === b ? [a] : [a, b];
  const holes = cutAway.map(zoneBounds);
  if (mustBeCutAway(defect.kind) || part.knots === 'none') {
    // Where a hole reaches an edge, a defect may lie partly in it and partly beside the part.
    const isInside = (hole: Bounds) => faces.every((face) => holds(face, hole));
    if (!holes.every(isInside)) return { regions: [], taken: [] };
    return { regions: faces, taken: holes.flatMap((hole) => takenIn(hole, defect, ups)) };
  }
  const regions = clear
    .filter((zone) => !holes.some((hole) => boundsMeet(hole, zoneBounds(zone))))
    .flatMap((zone) => faces.map((face) => intersectPolygons(zoneOutline(zone, CORNERS), face)))
    .filter((region) => region.length >= 3);
  return { regions, taken: [] };
}

/** Where a shape may stand for a hole of it to take in a defect in some of these places across, as far as the rectangles round them tell. */
function takenIn(
  [left, bottom, right, top]: Bounds,
  { zone }: Defect,
  ups: readonly Ticks[],
): Stretch[] {
  const [from, low, to, high] = zoneBounds(zone);
  const [lowest, highest] = [Math.min(...ups), Math.max(...ups)];
  const isWithin = low >= bottom + lowest - LEEWAY && high <= top + highest + LEEWAY;
  return isWithin && to - from <= right - left + LEEWAY
    ? [[to - right - LEEWAY, from - left + LEEWAY]]
    : [];
}

/** A stretch less others. */
const less = (stretch: Stretch, others: readonly Stretch[]): Stretch[] =>
  others.reduce<Stretch[]>(
    (rest, [from, to]) =>
      rest.flatMap((each): Stretch[] => [
        [each[0], Math.min(each[1], from)],
        [Math.max(each[0], to), each[1]],
      ]),
    [stretch],
  );

/**
 * Stretches in which the left end of a shape cannot stand for the defects of its board, wherever it lies between the lowest and the highest
 * of these places across; by where they begin.
 */
export function stretchesBlocked(
  part: Part,
  shape: Shape,
  ups: readonly Ticks[],
  { kind, saw }: { kind: Stock; saw: Saw },
): Stretch[] {
  const trim = endTrimOf(kind, saw) - TOLERANCE;
  const moved = (points: readonly Point[]) =>
    points.map(([x, y]): Point => [x - trim, y + TOLERANCE]);
  return kind.defects
    .flatMap((defect) => {
      const zone = sighted(moved(zoneOutline(within(defect.zone), CORNERS)));
      const { regions, taken } = mustMiss(part, shape, defect, ups);
      return regions.flatMap((region) => {
        // Between two places across where it lies over the defect it does so everywhere: both are convex.
        const spans = ups.map((up) => [
          -apart(raised(region, up), zone, 0),
          apart(zone, raised(region, up), 0),
        ]);
        const from = Math.max(...spans.map((span) => at(span, 0))) + LEEWAY;
        const to = Math.min(...spans.map((span) => at(span, 1))) - LEEWAY;
        return less(
          [from, to],
          taken.map(([first, last]) => [first - trim, last - trim]),
        );
      });
    })
    .filter(([from, to]) => from < to)
    .sort((one, other) => one[0] - other[0]);
}
