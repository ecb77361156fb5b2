import { at, maxBy, minBy, ringPairs } from '../../lists/index.js';
import { acosDegrees, type Degrees, fromMm, type Ticks } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';
import { add, dot, scale, subtract, unit, type Vec3 } from '../../solid/index.js';
import { type Body, chordOf, inBox, inFrame } from '../bodies.js';
import type { BoredFace, FromEdge } from './hole.js';
import { edgeDistance, measuredFrom } from './measured-from.js';

/** Where a bit enters a body: on which face or edge, measured from what. */
export interface Entered {
  face: BoredFace;
  at: Point;
  from: readonly [FromEdge, FromEdge];
  point: Vec3;
  lean: Degrees;
  /** From the middle of the hole to the nearest edge of its face. */
  edge: Ticks;
  /** How far the bit could go before it comes out. */
  wood: Ticks;
}

/** A face is square to a direction to this cosine. */
const SQUARE = 0.9999;
/** The bit enters at most so far from the plane of the face: corners are rounded to the tick. */
const ON_FACE: Ticks = fromMm(0.3);

/** The outward normal of the face that the point lies on and the bit goes in at; of the body’s outline where its bark has none. */
function entryNormal({ planes }: Body, point: Vec3, axis: Vec3): Vec3 | null {
  const at = planes.filter(
    ({ normal, offset }) =>
      dot(normal, axis) < -0.05 && Math.abs(dot(normal, point) - offset) < ON_FACE,
  );
  return maxBy(at, ({ normal }) => -dot(normal, axis))?.normal ?? null;
}

/** The edge of the outline whose face looks most against the bit. */
function edgeAgainst(body: Body, normal: Vec3): number {
  const { panel, frame } = body;
  const facing = ringPairs(panel.outline).map(([from, to], edge) => {
    const out = unit(add(scale(frame.x, to[1] - from[1]), scale(frame.y, from[0] - to[0])));
    return { edge, off: -dot(out, normal) };
  });
  return minBy(facing, ({ off }) => off)?.edge ?? 0;
}

function inEdge(
  body: Body,
  edge: number,
  point: Vec3,
): Pick<Entered, 'face' | 'at' | 'from'> & {
  edge: Ticks;
} {
  const { panel } = body;
  const corner = at(panel.outline, edge);
  const next = at(panel.outline, (edge + 1) % panel.outline.length);
  const { at: where, deep } = inFrame(body, point);
  const length = Math.hypot(next[0] - corner[0], next[1] - corner[1]);
  const along = Math.round(
    ((where[0] - corner[0]) * (next[0] - corner[0]) +
      (where[1] - corner[1]) * (next[1] - corner[1])) /
      length,
  );
  const under = Math.round(deep);
  return {
    face: { edge },
    at: [along, under],
    from: [
      { corner: edge, distance: along },
      { face: 'outside', distance: under },
    ],
    edge: Math.min(under, panel.thickness - under, along, length - along),
  };
}

const inFace = (body: Body, face: 'outside' | 'inside', point: Vec3) => {
  const where = inFrame(body, point).at;
  const spot: Point = [Math.round(where[0]), Math.round(where[1])];
  const polygon = face === 'outside' ? body.panel.outline : body.panel.underside;
  return {
    face,
    at: spot,
    from: measuredFrom(body.panel, face, spot),
    edge: edgeDistance(polygon, spot),
  };
};

/** Where a bit that comes along an axis through a point of a body’s surface goes in. */
export function enteredAt(body: Body, point: Vec3, axis: Vec3): Entered {
  const wood = chordOf(body, point, axis)?.[1] ?? 0;
  const normal = entryNormal(body, point, axis) ?? scale(axis, -1);
  const out = dot(normal, body.outsideNormal);
  const lean = acosDegrees(Math.min(1, -dot(normal, axis)));
  const common = { point, lean, wood };
  // A slab off a round has bark for an outside: what goes in there is measured on its blank.
  const broad = body.panel.fromLog ? Math.abs(out) > 0.7 : Math.abs(out) > SQUARE;
  if (broad) return { ...common, ...inFace(body, out > 0 ? 'outside' : 'inside', point) };
  const edge = edgeAgainst(body, normal);
  return { ...common, ...inEdge(body, edge, onBlank(body, edge, point, axis)) };
}

/** On a slab off a round, whose faces are no edges of its blank: where the bit would cross the edge of the blank. */
function onBlank(body: Body, edge: number, point: Vec3, axis: Vec3): Vec3 {
  const { panel, frame } = body;
  if (!panel.fromLog) return point;
  const [from, to] = [
    at(panel.outline, edge),
    at(panel.outline, (edge + 1) % panel.outline.length),
  ];
  const out = unit(add(scale(frame.x, to[1] - from[1]), scale(frame.y, from[0] - to[0])));
  const rate = dot(out, axis);
  if (Math.abs(rate) < 0.05) return point;
  return add(point, scale(axis, dot(out, subtract(inBox(body, from), point)) / rate));
}

/** The same for a hole that the panel set names, bored in a broad face; its centre lies in the panel’s frame. */
export function enteredOn(
  body: Body,
  face: 'outside' | 'inside',
  centre: Point,
  axis: Vec3,
): Entered {
  const { panel, outsideNormal } = body;
  const point = inBox(body, centre, face === 'outside' ? 0 : panel.thickness);
  const lean = acosDegrees(Math.min(1, Math.abs(dot(outsideNormal, axis))));
  const polygon = face === 'outside' ? panel.outline : panel.underside;
  return {
    face,
    at: centre,
    from: measuredFrom(panel, face, centre),
    point,
    lean,
    edge: edgeDistance(polygon, centre),
    wood: chordOf(body, point, axis)?.[1] ?? panel.thickness,
  };
}

/** How far apart two lines run: of the point of one from the other. */
export const offLine = (point: Vec3, from: Vec3, axis: Vec3): number => {
  const arm = subtract(point, from);
  return Math.hypot(...subtract(arm, scale(axis, dot(arm, axis))));
};
