import type { Ticks } from '../measure/ticks.js';
import type { Point, Zone } from '../wood/board.js';
import type { Part, Placement } from './job.js';

/** A part lying on a board: its polygon on each of the board's faces, anticlockwise seen from face A, and its zones there. */
export interface PlacedPart {
  faceA: readonly Point[];
  faceB: readonly Point[];
  clear: readonly Zone[];
  cutAway: readonly Zone[];
  /** Bounding box of both faces. */
  bounds: readonly [left: Ticks, bottom: Ticks, right: Ticks, top: Ticks];
}

const turnPoint = ([x, y]: Point, turn: Placement['turn']): Point =>
  turn === 0 ? [x, y] : turn === 90 ? [-y, x] : turn === 180 ? [-x, -y] : [y, -x];

function moveZone(zone: Zone, move: (point: Point) => Point): Zone {
  if (zone.kind === 'circle') return { ...zone, centre: move(zone.centre) };
  if (zone.kind === 'polygon') return { ...zone, points: zone.points.map(move) };
  const [a, b] = [move(zone.corner), move([zone.corner[0] + zone.width, zone.corner[1] + zone.height])];
  return {
    kind: 'rect',
    corner: [Math.min(a[0], b[0]), Math.min(a[1], b[1])],
    width: Math.abs(a[0] - b[0]),
    height: Math.abs(a[1] - b[1]),
  };
}

const anticlockwise = (points: readonly Point[], mirrored: boolean): Point[] => (mirrored ? [...points].reverse() : [...points]);

/** Where on the board a placement puts a part. Lengths in ticks, the board seen from face A. */
export function placePart(part: Part, placement: Pick<Placement, 'x' | 'y' | 'turn' | 'flipped'>): PlacedPart {
  const rotate = ([x, y]: Point): Point => turnPoint(placement.flipped ? [-x, y] : [x, y], placement.turn);
  const corners = [...part.outline, ...part.underside].map(rotate);
  const dx = placement.x - Math.min(...corners.map((corner) => corner[0]));
  const dy = placement.y - Math.min(...corners.map((corner) => corner[1]));
  const move = (point: Point): Point => {
    const [x, y] = rotate(point);
    return [x + dx, y + dy];
  };
  const outside = anticlockwise(part.outline.map(move), placement.flipped);
  const inside = anticlockwise(part.underside.map(move), placement.flipped);
  const xs = corners.map((corner) => corner[0] + dx);
  const ys = corners.map((corner) => corner[1] + dy);
  return {
    faceA: placement.flipped ? inside : outside,
    faceB: placement.flipped ? outside : inside,
    clear: part.clear.map((zone) => moveZone(zone, move)),
    cutAway: part.cutAway.map((zone) => moveZone(zone, move)),
    bounds: [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)],
  };
}
