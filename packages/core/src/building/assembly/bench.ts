import { at } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import { HEAD_ROOM, type PanelSet, standsBefore } from '../../panels/index.js';
import { dot, negate, type Vec3 } from '../../solid/index.js';
import { type Body, keyOf } from '../bodies.js';
import type { Driven } from '../driven.js';
import { drawsOut, isLetIn, type Moved, movedOf } from './travel.js';
import { type Before, type Held, heldPairs, type Unit, unitsOf } from './units.js';

/** A drill or driver with its bit reaches so far behind the head: common practice, no source. */
export const DRIVER: Ticks = fromMm(160);
/** A fastener with the indices of its two bodies, and what would stand in the driver’s way: near the head, and farther off. */
export interface Shot {
  driven: Driven;
  through: number;
  into: number;
  near: ReadonlySet<number>;
  far: ReadonlySet<number>;
}

/** What a maker finds on the bench: bodies, what is put in place at once, and what holds what. */
export interface Bench {
  bodies: readonly Body[];
  units: readonly Unit[];
  /** The unit of each body. */
  unitOf: readonly number[];
  /** By unit: the joints and fasteners that concern it. */
  heldBy: readonly (readonly Held[])[];
  shotsBy: readonly (readonly Shot[])[];
  /** By unit: the fasteners whose heads it would cover. */
  nearBy: readonly (readonly Shot[])[];
  /** Ways in which a unit may come, and along which of them (a bit for each) it is free to be drawn out past another unit. */
  directions: readonly (readonly Vec3[])[];
  freeWays(unit: number, other: number): number;
}

function shotsOf(driven: readonly Driven[], bodies: readonly Body[]): Shot[] {
  const index = new Map(bodies.map((body, place) => [keyOf(body), place]));
  return driven.map((each): Shot => {
    const [near, far] = [new Set<number>(), new Set<number>()];
    bodies.forEach((body, place) => {
      if (body === each.through) return;
      const before = standsBefore(body.planes, each.head, each.direction);
      if (before < HEAD_ROOM) near.add(place);
      else if (before < DRIVER) far.add(place);
    });
    return {
      driven: each,
      through: index.get(keyOf(each.through)) ?? 0,
      into: index.get(keyOf(each.into)) ?? 0,
      near,
      far,
    };
  });
}

const AXES: readonly Vec3[] = [
  [0, 0, 1],
  [0, -1, 0],
  [1, 0, 0],
  [-1, 0, 0],
  [0, 1, 0],
  [0, 0, -1],
];

/** A bit for each way, and one for the sign. */
const MOST_WAYS = 30;

/** Ways in which a unit may come: along the box’s axes and square to its own faces. */
function directionsFor({ planes }: Body): Vec3[] {
  const kept: Vec3[] = [...AXES];
  for (const { normal } of planes)
    for (const way of [normal, negate(normal)])
      if (!kept.some((other) => dot(other, way) > 0.999)) kept.push(way);
  return kept.slice(0, MOST_WAYS);
}

/** Remembers which unit is free of which along which of its ways; solids are asked once. */
function freedom(
  units: readonly Unit[],
  moved: readonly Moved[],
  directions: Bench['directions'],
): Bench['freeWays'] {
  const known = units.map(() => new Map<number, number>());
  const ask = (unit: number, other: number, direction: Vec3): boolean =>
    at(units, unit).bodies.every((a) =>
      at(units, other).bodies.every(
        (b) =>
          drawsOut(at(moved, a), at(moved, b), direction) || isLetIn(at(moved, a), at(moved, b)),
      ),
    );
  return (unit, other) => {
    const table = at(known, unit);
    const before = table.get(other);
    if (before !== undefined) return before;
    let ways = 0;
    at(directions, unit).forEach((way, index) => {
      if (ask(unit, other, way)) ways |= 1 << index;
    });
    table.set(other, ways);
    return ways;
  };
}

/** Lays out what a box is put together from. */
export function benchOf(
  { joints }: PanelSet,
  bodies: readonly Body[],
  driven: readonly Driven[],
): Bench {
  const held = heldPairs(joints, bodies);
  const shots = shotsOf(driven, bodies);
  const before = shots.flatMap(({ through, into, near }) =>
    [...near].map((covering): Before => ({ pair: [through, into], covering })),
  );
  const units = unitsOf(bodies, held, before);
  const unitOf = bodies.map((_body, index) =>
    units.findIndex((each) => each.bodies.includes(index)),
  );
  const directions = units.map(({ bodies: [first = 0] }) => directionsFor(at(bodies, first)));
  const concerning = <T>(all: readonly T[], of: (each: T) => readonly [number, number]): T[][] => {
    const lists = units.map((): T[] => []);
    for (const each of all) {
      const [a, b] = of(each).map((body) => at(unitOf, body)) as [number, number];
      at(lists, a).push(each);
      if (b !== a) at(lists, b).push(each);
    }
    return lists;
  };
  return {
    bodies,
    units,
    unitOf,
    heldBy: concerning(held, ({ pair }) => pair),
    shotsBy: concerning(shots, ({ through, into }) => [through, into]),
    nearBy: units.map((unit) =>
      shots.filter(({ near }) => unit.bodies.some((body) => near.has(body))),
    ),
    directions,
    freeWays: freedom(units, bodies.map(movedOf), directions),
  };
}
