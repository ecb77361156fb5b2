import {
  type AssemblyStep,
  type Body,
  type BoxSide,
  bodiesOf,
  inBox,
  keyOf,
  OPPOSITE,
  planeOf,
} from '../building/index.js';
import { at } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import type { Feature, PanelSet } from '../panels/index.js';
import { add, cross, dot, negate, scale, subtract, unit, type Vec3 } from '../solid/index.js';
import { type Drawing, type DrawingPoint, type DrawingShape, note } from './drawing.js';
import { featureOutline } from './feature-shapes.js';

/** How the box lies on the bench: box space turned so that one of its sides is up. */
const TURNED: Readonly<Record<BoxSide, (point: Vec3) => Vec3>> = {
  top: (point) => point,
  bottom: ([x, y, z]) => [x, -y, -z],
  back: ([x, y, z]) => [x, -z, y],
  front: ([x, y, z]) => [x, z, -y],
  left: ([x, y, z]) => [z, y, -x],
  right: ([x, y, z]) => [-z, y, x],
};

/** How a box lies on the bench in a step: box space turned so that the side that its first fastener wants is up. */
export const asItLies = ({ ups: [up], down }: AssemblyStep): ((point: Vec3) => Vec3) =>
  TURNED[up ?? OPPOSITE[down]];

/** Towards the eye: from in front, the left, and above. */
const EYE: Vec3 = unit([-0.5, -0.75, 0.55]);
const ACROSS: Vec3 = unit(cross([0, 0, 1], EYE));
const UPWARDS: Vec3 = cross(EYE, ACROSS);

const onPaper = (point: Vec3): DrawingPoint => [dot(point, ACROSS), dot(point, UPWARDS)];

/** A body as it is drawn: turned as it lies, a new one drawn out along its way. */
interface Placed {
  body: Body;
  isNew: boolean;
  corners: readonly Vec3[];
  /** Faces that look at the eye, each by its corners, and all faces’ planes. */
  seen: readonly (readonly Vec3[])[];
  planes: readonly { normal: Vec3; offset: number }[];
}

/** Planes this near each other are one. */
const TOUCH: Ticks = fromMm(0.5);

function placedAt(body: Body, isNew: boolean, move: (point: Vec3) => Vec3): Placed {
  const instance = at(body.panel.instances, body.instance);
  const corners = instance.solid.vertices.map(move);
  const faces = instance.solid.faces.map((face) => face.map((index) => at(corners, index)));
  const planes = faces.flatMap((face) => {
    const plane = planeOf(face);
    return plane ? [{ face, ...plane }] : [];
  });
  return {
    body,
    isNew,
    corners,
    planes,
    seen: planes.flatMap(({ face, normal }) => (dot(normal, EYE) > 1e-6 ? [face] : [])),
  };
}

/** Whether one body lies before another as the eye sees them; null where no plane tells. */
function liesBefore(a: Placed, b: Placed): boolean | null {
  const beyond = (planes: Placed['planes'], corners: Placed['corners']): number => {
    const apart = planes.filter(({ normal, offset }) =>
      corners.every((corner) => dot(corner, normal) >= offset - TOUCH),
    );
    return apart.reduce((most, { normal }) => {
      const towards = dot(normal, EYE);
      return Math.abs(towards) > Math.abs(most) ? towards : most;
    }, 0);
  };
  const behindA = beyond(a.planes, b.corners);
  const behindB = beyond(b.planes, a.corners);
  if (Math.abs(behindA) < 1e-6 && Math.abs(behindB) < 1e-6) return null;
  return Math.abs(behindB) >= Math.abs(behindA) ? behindB > 0 : behindA < 0;
}

const middleOf = (corners: readonly Vec3[]): Vec3 =>
  scale(
    corners.reduce((total: Vec3, corner) => add(total, corner), [0, 0, 0]),
    1 / corners.length,
  );

/** Bodies from the farthest to the nearest: each after all that it lies before. */
function fromBehind(placed: readonly Placed[]): Placed[] {
  const before = placed.map((each) =>
    placed.flatMap((other, index) => (other !== each && liesBefore(each, other) ? [index] : [])),
  );
  const depth = placed.map(({ corners }) => dot(middleOf(corners), EYE));
  const drawn = new Set<number>();
  while (drawn.size < placed.length) {
    const open = placed.flatMap((_each, index) => (drawn.has(index) ? [] : [index]));
    const free = open.filter((index) => at(before, index).every((other) => drawn.has(other)));
    // Where three bodies lie before each other in a ring, the farthest goes first.
    const next = (free.length > 0 ? free : open).sort((a, b) => at(depth, a) - at(depth, b))[0];
    if (next === undefined) break;
    drawn.add(next);
  }
  return [...drawn].map((index) => at(placed, index));
}

const isHole = (feature: Feature): boolean =>
  feature.kind === 'entrance' || feature.kind === 'vent' || feature.kind === 'drain';

/** Large holes in the broad face that looks at the eye. */
function holesOn({ body }: Placed, move: (point: Vec3) => Vec3): DrawingShape[] {
  const out = subtract(move(body.outsideNormal), move([0, 0, 0]));
  const towards = dot(out, EYE);
  if (Math.abs(towards) < 0.05 || body.panel.fromLog) return [];
  const deep = towards > 0 ? 0 : body.panel.thickness;
  return body.panel.features.filter(isHole).map((feature) => ({
    kind: 'path',
    layer: 'hole',
    closed: true,
    points: featureOutline(feature).map((point) => onPaper(move(inBox(body, point, deep)))),
  }));
}

const drawnBody = (placed: Placed, move: (point: Vec3) => Vec3): DrawingShape[] => [
  ...placed.seen.map(
    (face): DrawingShape => ({
      kind: 'path',
      layer: placed.isNew ? 'cut' : 'behind',
      points: face.map(onPaper),
      closed: true,
    }),
  ),
  ...holesOn(placed, move),
];

const line = (from: DrawingPoint, to: DrawingPoint): DrawingShape => ({
  kind: 'path',
  layer: 'mark',
  points: [from, to],
  closed: false,
});

/** A line with a point at its end. */
function arrow(from: DrawingPoint, to: DrawingPoint, long: number): DrawingShape[] {
  const run = [to[0] - from[0], to[1] - from[1]] as const;
  const length = Math.hypot(...run) || 1;
  const [u, v] = [run[0] / length, run[1] / length];
  const barb = (side: number): DrawingPoint => [
    to[0] - long * (u * 0.9 - side * v * 0.4),
    to[1] - long * (v * 0.9 + side * u * 0.4),
  ];
  return [line(from, to), line(barb(1), to), line(barb(-1), to)];
}

export interface StepPicture {
  steps: readonly AssemblyStep[];
  /** Which of them is drawn. */
  step: number;
  /** Heads of what is driven in it, in box space, with the way that they are driven. */
  heads: readonly { point: Vec3; axis: Vec3 }[];
  nameOf: (panel: string) => string;
  /** Bodies that stand before the first step, by their keys: those of a box that is mended. */
  standing?: ReadonlySet<string>;
}

/**
 * One step of the assembly as it lies on the bench: what is together, the new piece coming in along its way, arrows where its fasteners are
 * driven. A drawing in ticks, computed from the solids; nearer bodies are drawn over farther ones.
 */
export function stepDrawing(
  box: PanelSet,
  { steps, step, heads, nameOf, standing = new Set() }: StepPicture,
): Drawing {
  const now = at(steps, step);
  const turn = asItLies(now);
  const bodies = bodiesOf(box);
  const keys = (each: AssemblyStep) =>
    each.add.map(({ panel, instance }) => `${panel}:${instance}`);
  const there = new Set([...standing, ...steps.slice(0, step).flatMap(keys)]);
  const fresh = new Set(keys(now));
  const shown = bodies.filter((body) => there.has(keyOf(body)) || fresh.has(keyOf(body)));
  const size = reachOf(shown);
  const comes = there.size > 0 && now.out !== null && !now.stands;
  const away = comes && now.out ? scale(turn(now.out), size * 0.4) : ([0, 0, 0] as const);
  const moveOf = (isNew: boolean) => (point: Vec3) =>
    isNew ? add(turn(point), away) : turn(point);
  const placed = shown.map((body) => {
    const isNew = fresh.has(keyOf(body));
    return placedAt(body, isNew, moveOf(isNew));
  });
  const first = placed.find(({ body }) => keyOf(body) === keys(now)[0]);
  const middle = first ? middleOf(first.corners) : ([0, 0, 0] as const);
  const words = now.add[0] ? nameOf(now.add[0].panel) : '';
  const letters = size / 18;
  return {
    name: words,
    shapes: [
      ...fromBehind(placed).flatMap((each) => drawnBody(each, moveOf(each.isNew))),
      ...heads.flatMap(({ point, axis }) => {
        const isNew = first ? first.body.panel.id === ownerOf(point, first.body) : false;
        const tip = onPaper(moveOf(isNew)(point));
        const tail = onPaper(add(moveOf(isNew)(point), scale(turn(negate(axis)), size * 0.09)));
        return arrow(tail, tip, size * 0.025);
      }),
      ...(comes
        ? arrow(onPaper(middle), onPaper(subtract(middle, scale(away, 0.75))), size * 0.05)
        : []),
      note(
        [
          onPaper(middle)[0],
          Math.max(...placed.flatMap(({ corners }) => corners.map((each) => onPaper(each)[1]))) +
            letters * 0.8,
        ],
        words,
        { height: letters, layer: 'note' },
      ),
    ],
  };
}

/** The whole box as it stands, seen from in front, the left and above. */
export function assembledDrawing(box: PanelSet): Drawing {
  const stand = TURNED.top;
  const placed = bodiesOf(box).map((body) => placedAt(body, true, stand));
  return { name: 'box', shapes: fromBehind(placed).flatMap((each) => drawnBody(each, stand)) };
}

/** The panel whose surface a head lies on, if it is this body’s. */
const ownerOf = (point: Vec3, { panel, planes }: Body): string =>
  planes.every(({ normal, offset }) => dot(point, normal) <= offset + TOUCH) ? panel.id : '';

function reachOf(bodies: readonly Body[]): number {
  const corners = bodies.flatMap((body) => body.corners);
  return Math.max(
    ...([0, 1, 2] as const).map((axis) => {
      const values = corners.map((corner) => corner[axis]);
      return Math.max(...values) - Math.min(...values);
    }),
  );
}
