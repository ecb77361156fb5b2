import { at, must, ringPairs } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import type { PanelCopy, PanelSet } from '../panels/index.js';
import type { Point } from '../plane/index.js';
import { add, contactsOf, faceArea, scale, type Vec3 } from '../solid/index.js';
import { type Body, bodiesOf, bodyKey, inFrame, keyOf, solidOf } from './bodies.js';
import type { Letter } from './letters.js';

/** A letter where it is pencilled on one piece: on its inside, beside where the neighbour comes. In the panel’s frame. */
export interface LetterMark extends PanelCopy {
  letter: string;
  face: 'inside' | 'outside';
  at: Point;
}

/** A contact this near a face lies in it. */
const IN_FACE: Ticks = fromMm(1);
/** A letter stands so far from the edge that meets its neighbour, and from another letter; less on narrow pieces. */
const FROM_EDGE: Ticks = fromMm(14);
const APART: Ticks = fromMm(16);

const middle = (points: readonly Vec3[]): Vec3 =>
  scale(
    points.reduce((sum, point) => add(sum, point), [0, 0, 0] as Vec3),
    1 / points.length,
  );

/** The middle of where two bodies touch; where they only come near each other, half-way between them. */
function meeting(a: Body, b: Body): Vec3 {
  const contacts = contactsOf(solidOf(a), solidOf(b), IN_FACE);
  const [first, ...rest] = contacts;
  if (!first) return scale(add(middle(a.corners), middle(b.corners)), 0.5);
  const largest = rest.reduce(
    (best, each) => (faceArea(each.corners) > faceArea(best.corners) ? each : best),
    first,
  );
  return middle(largest.corners);
}

/** The nearest point on a polygon’s rim, and the direction from there into it (anticlockwise as it is). */
function rimNear(polygon: readonly Point[], [x, y]: Point): { rim: Point; inwards: Point } {
  const found = ringPairs(polygon).map(([from, to]) => {
    const run = [to[0] - from[0], to[1] - from[1]] as const;
    const long = Math.hypot(...run) || 1;
    const along = ((x - from[0]) * run[0] + (y - from[1]) * run[1]) / long;
    const kept = Math.max(0, Math.min(long, along));
    const rim: Point = [from[0] + (run[0] / long) * kept, from[1] + (run[1] / long) * kept];
    const inwards: Point = [-run[1] / long, run[0] / long];
    return { rim, inwards, off: Math.hypot(x - rim[0], y - rim[1]) };
  });
  return found.reduce((best, each) => (each.off < best.off ? each : best));
}

/** How wide a polygon is along a direction. */
const widthAlong = (polygon: readonly Point[], [u, v]: Point): number => {
  const along = polygon.map(([x, y]) => x * u + y * v);
  return Math.max(...along) - Math.min(...along);
};

/** Where one of two pieces bears the letter: in the face that the other lies on, else inside, beside the edge that it meets. */
function markOn(body: Body, point: Vec3): Omit<LetterMark, 'letter'> {
  const { panel, instance } = body;
  const { at: place, deep } = inFrame(body, point);
  const copy = { panel: panel.id, instance };
  const isOutside = Math.abs(deep) <= IN_FACE;
  const face = isOutside && !panel.fromLog ? 'outside' : 'inside';
  const polygon = face === 'outside' ? panel.outline : panel.underside;
  const { rim, inwards } = rimNear(polygon, place);
  const inset = Math.min(FROM_EDGE, widthAlong(polygon, inwards) / 3);
  const off = Math.hypot(place[0] - rim[0], place[1] - rim[1]);
  const inFace = isOutside || Math.abs(deep - panel.thickness) <= IN_FACE;
  const at: Point =
    inFace && off >= inset ? place : [rim[0] + inwards[0] * inset, rim[1] + inwards[1] * inset];
  return { ...copy, face, at };
}

/** Letters that would stand on one another are spread along the longer measure of their piece. */
function spread(marks: readonly LetterMark[], bodies: ReadonlyMap<string, Body>): LetterMark[] {
  const placed: LetterMark[] = [];
  for (const mark of marks) {
    const { panel } = must(bodies.get(bodyKey(mark.panel, mark.instance)), mark.panel);
    const polygon = mark.face === 'outside' ? panel.outline : panel.underside;
    const axis = widthAlong(polygon, [1, 0]) >= widthAlong(polygon, [0, 1]) ? 0 : 1;
    const ends = polygon.map((corner) => corner[axis]);
    const centre = (Math.max(...ends) + Math.min(...ends)) / 2;
    const towards = mark.at[axis] > centre ? -1 : 1;
    const others = placed.filter(
      ({ panel: id, instance, face }) =>
        id === mark.panel && instance === mark.instance && face === mark.face,
    );
    let point = mark.at;
    const isTaken = () =>
      others.some(({ at: [x, y] }) => Math.hypot(x - point[0], y - point[1]) < APART);
    for (let tries = 0; tries < others.length && isTaken(); tries += 1)
      point =
        axis === 0
          ? [point[0] + towards * APART, point[1]]
          : [point[0], point[1] + towards * APART];
    placed.push({ ...mark, at: point });
  }
  return placed;
}

/** Every letter of a box, twice: once on each of the two pieces that meet there. */
export function letterMarks(box: PanelSet, letters: readonly Letter[]): LetterMark[] {
  const bodies = new Map(bodiesOf(box).map((body) => [keyOf(body), body]));
  const marks = letters.flatMap(({ letter, between }) => {
    const pair = between.map(({ panel, instance }) =>
      must(bodies.get(bodyKey(panel, instance)), panel),
    );
    const point = meeting(at(pair, 0), at(pair, 1));
    return pair.map((body) => ({ letter, ...markOn(body, point) }));
  });
  return spread(marks, bodies);
}
