import { at, entry, sum } from '../../lists/index.js';
import { instanceVolume, type Joint } from '../../panels/index.js';
import { type Body, bodyKey, keyOf } from '../bodies.js';

/** A joint whose panels stay together: fastened, glued or let in. */
const isRigid = ({ kind }: Joint): boolean =>
  kind !== 'loose' && kind !== 'hinged' && kind !== 'strip';

/** What is put in place at once: a panel with the small parts that sit on it alone, put on while it lies on the bench. */
export interface Unit {
  /** The panel first, then what sits on it. Indices of bodies. */
  bodies: readonly number[];
  /** Swings, lifts or comes out: no joint that stays holds it to the box. */
  moves: boolean;
  /** Of its wood, as a share of the largest unit’s. */
  volume: number;
}

/** Joints by the indices of the bodies that they hold. */
export interface Held {
  joint: Joint;
  pair: readonly [number, number];
}

export function heldPairs(joints: readonly Joint[], bodies: readonly Body[]): Held[] {
  const index = new Map(bodies.map((body, place) => [keyOf(body), place]));
  const of = ({ between, copies }: Joint, side: 0 | 1): number =>
    entry(index, bodyKey(between[side], copies[side]));
  return joints.map((joint) => ({ joint, pair: [of(joint, 0), of(joint, 1)] }));
}

/** A part is small beside the panel that it sits on below this share of its wood. */
const SMALL = 0.25;

/** The one panel that a small part sits on, if all that holds it goes into that one. */
function hostOf(part: number, held: readonly Held[], volumes: readonly number[]): number | null {
  const hosts = new Set(
    held
      .filter(({ joint, pair }) => pair.includes(part) && isRigid(joint))
      .map(({ pair }) => (pair[0] === part ? pair[1] : pair[0])),
  );
  const [host] = hosts;
  if (host === undefined || hosts.size > 1) return null;
  return at(volumes, part) < SMALL * at(volumes, host) ? host : null;
}

/** The bodies that joints which stay hold together, each named by its first. */
function rigidBodies(count: number, held: readonly Held[]): number[] {
  const root = Array.from({ length: count }, (_unused, index) => index);
  const find = (index: number): number => {
    let at = index;
    while (root[at] !== undefined && root[at] !== at) at = root[at] ?? at;
    return at;
  };
  for (const { joint, pair } of held) {
    if (!isRigid(joint)) continue;
    const [a, b] = [find(pair[0]), find(pair[1])];
    if (a !== b) root[Math.max(a, b)] = Math.min(a, b);
  }
  return root.map((_unused, index) => find(index));
}

/** Two bodies that must hold each other before a third comes, which then stands before the heads. */
export interface Before {
  pair: readonly [number, number];
  covering: number;
}

const rootIn =
  (hosts: readonly (number | null)[]) =>
  (part: number): number => {
    let root = part;
    for (let host = hosts[root]; typeof host === 'number'; host = hosts[root]) root = host;
    return root;
  };

/** Whether some order of whole units has every pair together before what covers it, which then is no part of either’s unit. */
function hasOrder(rootOf: (part: number) => number, count: number, before: readonly Before[]) {
  const after = Array.from({ length: count }, () => new Set<number>());
  const waits = new Array<number>(count).fill(0);
  for (const { pair, covering } of before) {
    const b = rootOf(covering);
    for (const a of pair.map(rootOf)) {
      if (a === b) return false;
      if (at(after, a).has(b)) continue;
      at(after, a).add(b);
      waits[b] = at(waits, b) + 1;
    }
  }
  const ready = waits.flatMap((wait, body) => (wait === 0 ? [body] : []));
  for (const body of ready)
    for (const next of at(after, body)) {
      waits[next] = at(waits, next) - 1;
      if (waits[next] === 0) ready.push(next);
    }
  return ready.length === count;
}

/** Small parts with the panel that each sits on, where a unit of both can still be put in place in some order. */
function hostsOf(
  held: readonly Held[],
  volumes: readonly number[],
  before: readonly Before[],
): readonly (number | null)[] {
  const hosts: (number | null)[] = volumes.map(() => null);
  volumes.forEach((_volume, part) => {
    hosts[part] = hostOf(part, held, volumes);
    if (hosts[part] !== null && !hasOrder(rootIn(hosts), volumes.length, before))
      hosts[part] = null;
  });
  return hosts;
}

/** What is put in place at once, in the order of the panel set. */
export function unitsOf(
  bodies: readonly Body[],
  held: readonly Held[],
  before: readonly Before[],
): Unit[] {
  const volumes = bodies.map(({ panel, instance }) =>
    instanceVolume(at(panel.instances, instance)),
  );
  const rootOf = rootIn(hostsOf(held, volumes, before));
  const rigid = rigidBodies(bodies.length, held);
  const weights = new Map<number, number>();
  rigid.forEach((root, index) => {
    weights.set(root, (weights.get(root) ?? 0) + at(volumes, index));
  });
  const heaviest = Math.max(...weights.values());
  const units = bodies.flatMap((_body, index): Unit[] => {
    if (rootOf(index) !== index) return [];
    const members = bodies.flatMap((_each, other) =>
      other !== index && rootOf(other) === index ? [other] : [],
    );
    const own = [index, ...members];
    return [
      {
        bodies: own,
        moves: weights.get(at(rigid, index)) !== heaviest,
        volume: sum(own.map((each) => at(volumes, each))),
      },
    ];
  });
  const largest = Math.max(...units.map(({ volume }) => volume));
  return units.map((unit) => ({ ...unit, volume: unit.volume / largest }));
}
