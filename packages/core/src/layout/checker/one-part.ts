import {
  endTrimOf,
  type LayoutJob,
  type Saw,
  type Stock,
  THICKNESS_LEEWAY,
} from '../../job/index.js';
import { ringPairs } from '../../lists/index.js';
import { atan2, type Ticks, TOLERANCE } from '../../measure/index.js';
import {
  boundsMeet,
  intersectPolygons,
  type Point,
  subtractPolygon,
  zoneBounds,
} from '../../plane/index.js';
import { ofAngle, ofLength, text } from '../../text/index.js';
import { mustBeCutAway } from '../../wood/index.js';
import { ANGLE_LEEWAY, mitreOf } from '../separation/saw-limits.js';
import { hasArea, outlineOf } from './polygons.js';
import type { Lying, Report } from './violation.js';

/** Rules 1 and 4: thickness, material, grain, faces. */
export function checkWood(lying: Lying, stock: Stock, report: Report): void {
  const { part, placement, path, name } = lying;
  if (Math.abs(part.thickness - stock.thickness) > THICKNESS_LEEWAY)
    report(
      1,
      path,
      text`${name} is ${ofLength(part.thickness)} thick and lies on a board of ${ofLength(stock.thickness)}`,
    );
  if (part.materials && !part.materials.includes(stock.material))
    report(1, path, text`${name} may not be of ${stock.material}`);
  if (part.grain === 'along' && stock.grained && placement.turn % 180 !== 0)
    report(4, path, text`${name} lies across the grain`);
  const faces = placement.flipped
    ? { outside: stock.faceB, inside: stock.faceA }
    : { outside: stock.faceA, inside: stock.faceB };
  for (const face of ['outside', 'inside'] as const)
    if (part[face] !== 'any' && part[face] !== faces[face])
      report(
        4,
        path,
        text`the ${face} of ${name} must be ${part[face]} and would be ${faces[face]}`,
      );
}

/** Rule 2: on both faces inside the board less its end trim. */
export function checkInside(lying: Lying, stock: Stock, endTrim: Ticks, report: Report): void {
  const [left, bottom, right, top] = lying.placed.bounds;
  const along = left < endTrim - TOLERANCE || right > stock.length - endTrim + TOLERANCE;
  const across = bottom < -TOLERANCE || top > stock.width + TOLERANCE;
  if (along || across)
    report(
      2,
      lying.path,
      text`${lying.name} reaches over the edge of the board (${ofLength(left)} to ${ofLength(right)} along, ${ofLength(bottom)} to ${ofLength(top)} across)`,
    );
}

/** Rule 5: what must be cut away touches no part but in its holes; sound knots lie in no clear zone. */
export function checkDefects(lying: Lying, stock: Stock, report: Report): void {
  const { part, placed, path, name } = lying;
  const away = placed.cutAway.map(outlineOf);
  const touches = (zone: readonly Point[], within: readonly Point[]): boolean => {
    let pieces = [intersectPolygons(zone, within)].filter((piece) => piece.length > 0);
    for (const hole of away) pieces = pieces.flatMap((piece) => subtractPolygon(piece, hole));
    return pieces.some(hasArea);
  };
  stock.defects.forEach((defect, index) => {
    const bounds = zoneBounds(defect.zone);
    // Most lie elsewhere on the board.
    if (!boundsMeet(bounds, placed.bounds)) return;
    const zone = outlineOf(defect.zone);
    const onFace = (region: readonly Point[]) =>
      [placed.faceA, placed.faceB].some((face) => touches(intersectPolygons(zone, region), face));
    const where = `stock “${stock.id}”, defect ${index}`;
    if (mustBeCutAway(defect.kind) || part.knots === 'none') {
      if (onFace(zone)) report(5, path, text`${name} takes in a ${defect.kind} (${where})`);
    } else if (
      placed.clear.some(
        (clear) => boundsMeet(zoneBounds(clear), bounds) && onFace(outlineOf(clear)),
      )
    )
      report(5, path, text`a sound knot lies in a clear zone of ${name} (${where})`);
  });
}

type Edge = readonly [from: Point, to: Point];
const runOf = ([from, to]: Edge) => Math.hypot(to[0] - from[0], to[1] - from[1]);

/** Whether an edge stays as the board's own. */
const isBoardEdge = (points: readonly Point[], stock: Stock, saw: Saw): boolean => {
  const endTrim = endTrimOf(stock, saw);
  const on = (axis: 0 | 1, at: Ticks) =>
    points.every((point) => Math.abs(point[axis] - at) <= TOLERANCE);
  return on(1, 0) || on(1, stock.width) || on(0, endTrim) || on(0, stock.length - endTrim);
};

/** Rule 7 for one edge: its mitre and its tilt are the saw's. */
function checkEdge(
  [upper, lower]: readonly [Edge, Edge],
  { path, name }: Lying,
  stock: Stock,
  saw: Saw,
  report: Report,
): void {
  const [from, to] = runOf(upper) >= runOf(lower) ? upper : lower;
  const length = runOf([from, to]);
  if (length < 1) return;
  const normal: Point = [(to[1] - from[1]) / length, -(to[0] - from[0]) / length];
  // Both long edges may stay as they are bought when a part reaches them to within the leeway of a shop without a rip.
  if (!saw.rip && Math.abs(normal[0]) < 1e-6) return;
  const mitre = mitreOf(normal, saw.rip);
  if (mitre > saw.maxMitre + ANGLE_LEEWAY)
    report(
      7,
      path,
      text`an edge of ${name} needs a mitre of ${ofAngle(mitre)}; the saw turns ${ofAngle(saw.maxMitre)}`,
    );
  const lean = normal[0] * (lower[0][0] - upper[0][0]) + normal[1] * (lower[0][1] - upper[0][1]);
  const tilt = Math.abs(atan2(lean, stock.thickness));
  if (tilt > saw.maxTilt + ANGLE_LEEWAY)
    report(
      7,
      path,
      text`an edge of ${name} needs a tilt of ${ofAngle(tilt)}; the blade tilts ${ofAngle(saw.maxTilt)}`,
    );
}

/** Rule 7: no cut needs more than the saw's mitre or tilt. */
export function checkEdges(lying: Lying, stock: Stock, { saw }: LayoutJob, report: Report): void {
  const uppers = ringPairs(lying.placed.faceA);
  const lowers = ringPairs(lying.placed.faceB);
  uppers.forEach((upper, index) => {
    const lower = lowers[index];
    if (!lower || isBoardEdge([...upper, ...lower], stock, saw)) return;
    checkEdge([upper, lower], lying, stock, saw, report);
  });
}
