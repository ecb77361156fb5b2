import { fromMm, type Ticks } from '../measure/index.js';
import type { PanelSet } from '../panels/index.js';
import { type Fastener, type Feature, fastenerById, type Joint } from '../panels/index.js';
import { add, negate, scale, type Vec3 } from '../solid/index.js';
import { type Body, bodyKey, chordOf, inBox, keyOf } from './bodies.js';

/** A screw or a nail where it is driven: through one body into another, along a direction of length 1. Lengths in ticks. */
export interface Driven {
  joint: Joint;
  through: Body;
  into: Body;
  fastener: Fastener;
  /** Hole in the body under its head: clearance of a screw, pilot of a nail. */
  bored: Ticks;
  /** On the face that the head lies on. */
  head: Vec3;
  face: 'outside' | 'inside';
  direction: Vec3;
  /** A wider hole that the head sits in, with how deep it is; null where it lies on the face. */
  counterbore: { diameter: Ticks; depth: Ticks } | null;
  /** Wood from the head to the second body, and behind that. */
  thick: Ticks;
  behind: Ticks;
}

export type Pilot = Extract<Feature, { shape: 'round' }> & { fastener: string };

const isPilot = (feature: Feature): feature is Pilot =>
  feature.kind === 'pilot' && feature.shape === 'round' && feature.fastener !== undefined;

/** The second body begins at most so far from where the first ends: corners are rounded to the tick. */
const TOUCH: Ticks = fromMm(0.3);

/** Along its axis, from the face that its head lies on: the point of entry, the direction, and how much of the body it goes through. */
function drivenThrough(body: Body, pilot: Pilot) {
  const { centre, face = 'outside', counterbore, counterboreDepth: sunk = 0 } = pilot;
  const direction = face === 'outside' ? negate(body.outsideNormal) : body.outsideNormal;
  const plane = inBox(body, centre, face === 'outside' ? 0 : body.panel.thickness);
  const chord = chordOf(body, plane, direction);
  const [enter, leave] = chord ?? [0, body.panel.thickness];
  // A slab off a round has its bark where its blank has a face.
  const mouth = body.panel.fromLog ? add(plane, scale(direction, enter)) : plane;
  const thick = body.panel.fromLog ? leave - enter : body.panel.thickness;
  return {
    direction,
    head: add(mouth, scale(direction, sunk)),
    face,
    thick: thick - sunk,
    counterbore: counterbore === undefined ? null : { diameter: counterbore, depth: sunk },
  };
}

/** What is driven through one body, each into the neighbour of a joint that lies behind it. */
function drivenIn(
  body: Body,
  joints: readonly Joint[],
  bodies: ReadonlyMap<string, Body>,
): Driven[] {
  const neighbours = joints.flatMap((joint) => {
    const [a, b] = [0, 1].map((side) =>
      bodyKey(joint.between[side as 0 | 1], joint.copies[side as 0 | 1]),
    );
    const other = [a, b].find((key) => key !== keyOf(body)) ?? '';
    const into = bodies.get(other);
    return into && joint.fastening ? [{ joint, into }] : [];
  });
  return body.panel.features.filter(isPilot).flatMap((pilot): Driven[] => {
    const way = drivenThrough(body, pilot);
    const fastener = fastenerById(pilot.fastener);
    const found = neighbours.flatMap(({ joint, into }) => {
      const chord = chordOf(into, way.head, way.direction);
      return chord && Math.abs(chord[0] - way.thick) < TOUCH
        ? [{ joint, into, behind: chord[1] - way.thick }]
        : [];
    })[0];
    if (!found || !fastener) return [];
    const bored = pilot.clearance ?? pilot.diameter;
    return [{ ...found, ...way, through: body, fastener, bored }];
  });
}

/** Every screw and nail of a box’s joints, body by body. */
export function drivenFasteners({ joints }: PanelSet, bodies: readonly Body[]): Driven[] {
  const known = new Map(bodies.map((body) => [keyOf(body), body]));
  const of = new Map<string, Joint[]>();
  for (const joint of joints)
    for (const side of [0, 1] as const) {
      const key = bodyKey(joint.between[side], joint.copies[side]);
      of.set(key, [...(of.get(key) ?? []), joint]);
    }
  return bodies.flatMap((body) => drivenIn(body, of.get(keyOf(body)) ?? [], known));
}
