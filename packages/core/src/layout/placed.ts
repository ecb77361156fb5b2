import type { Part, Placement } from '../job/index.js';
import type { Ticks } from '../measure/index.js';
import { type Point, transformZone, turnPoint, type Zone } from '../plane/index.js';

/** A part lying on a board: its polygon on each of the board's faces, anticlockwise seen from face A, and its zones there. */
export interface PlacedPart {
  faceA: readonly Point[];
  faceB: readonly Point[];
  clear: readonly Zone[];
  cutAway: readonly Zone[];
  /** Bounding box of both faces. */
  bounds: readonly [left: Ticks, bottom: Ticks, right: Ticks, top: Ticks];
}

const anticlockwise = (points: readonly Point[], mirrored: boolean): Point[] =>
  mirrored ? [...points].reverse() : [...points];

type Lying = Pick<Placement, 'x' | 'y' | 'turn' | 'flipped'>;

/** Where on the board a placement puts points of a part, the board seen from face A. */
export function moverOf(
  part: Pick<Part, 'outline' | 'underside'>,
  placement: Lying,
): (point: Point) => Point {
  const rotate = (point: Point): Point => turnPoint(point, placement.turn, placement.flipped);
  const corners = [...part.outline, ...part.underside].map(rotate);
  const dx = placement.x - Math.min(...corners.map((corner) => corner[0]));
  const dy = placement.y - Math.min(...corners.map((corner) => corner[1]));
  return (point) => {
    const [x, y] = rotate(point);
    return [x + dx, y + dy];
  };
}

/** Where on the board a placement puts a part. Lengths in ticks, the board seen from face A. */
export function placePart(part: Part, placement: Lying): PlacedPart {
  const move = moverOf(part, placement);
  const outside = anticlockwise(part.outline.map(move), placement.flipped);
  const inside = anticlockwise(part.underside.map(move), placement.flipped);
  const corners = [...outside, ...inside];
  const xs = corners.map((corner) => corner[0]);
  const ys = corners.map((corner) => corner[1]);
  return {
    faceA: placement.flipped ? inside : outside,
    faceB: placement.flipped ? outside : inside,
    clear: part.clear.map((zone) => transformZone(zone, move)),
    cutAway: part.cutAway.map((zone) => transformZone(zone, move)),
    bounds: [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)],
  };
}
