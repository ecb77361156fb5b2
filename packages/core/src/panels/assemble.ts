import { at, entry, maxBy, sum } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import type { BoxPlan } from '../plan/index.js';
import { contactsOf, dot, faceArea, type Vec3 } from '../solid/index.js';
import type { BoxDraft, Draft, JointDraft } from './draft.js';
import { extent, type Fastened, fasten, longWay, type Room, thinEdgeFault } from './fasten.js';
import type { Fastener } from './fasteners.js';
import { holeSize } from './features.js';
import { gather } from './gather.js';
import { Heads } from './head-room.js';
import { cutPanel, frameOf, type PanelDraft } from './panel-from-solid.js';
import type {
  Cavity,
  Fastening,
  Feature,
  Joint,
  JointKind,
  PanelCopy,
  PanelSet,
} from './panel-set.js';
import { Shanks } from './shanks.js';

/** No fastener this near an entrance. */
const FROM_ENTRANCE: Ticks = fromMm(12);
/** Nor this near another hole. */
const FROM_HOLE: Ticks = fromMm(4);

/** A joint with what it touches by and what holds it. */
interface Held {
  pair: readonly [number, number];
  kind: JointKind;
  length: number;
  area: number;
  fastened: Fastened[];
  /** The draft in whose thin edge alone it could be fastened; null where it is not so. */
  thinEdge: number | null;
}

/** Whether both panels of a joint are fastened to one stick behind it. */
function isBacked({ pair }: Held, all: readonly Held[]): boolean {
  const fastenedTo = (draft: number) =>
    all.flatMap(({ pair: [a, b], fastened }) => {
      if (fastened.length === 0) return [];
      if (a === draft) return [b];
      return b === draft ? [a] : [];
    });
  const behind = fastenedTo(pair[1]);
  return fastenedTo(pair[0]).some((stick) => behind.includes(stick));
}

/** Joints in the edge of thin sheet lean on the stick behind them; one that has none throws a PlanFault. */
const backed = (plan: BoxPlan, drafts: readonly Draft[], all: readonly Held[]): Held[] =>
  all.map((held) => {
    if (held.thinEdge === null || held.fastened.length > 0) return held;
    if (!isBacked(held, all)) throw thinEdgeFault(plan, drafts, held.thinEdge);
    return { ...held, kind: held.kind === 'screwed' ? 'loose' : held.kind };
  });

/** Holds one joint against the solids, clear of what holds the others. Panels that do not touch are a fault of the family, which throws. */
function hold(
  plan: BoxPlan,
  drafts: readonly Draft[],
  indexOf: ReadonlyMap<string, number>,
  { between, kind }: JointDraft,
  taken: { shanks: Shanks; heads: Heads; isHole: Room['isHole'] },
): Held {
  const pair = [entry(indexOf, between[0]), entry(indexOf, between[1])] as const;
  const held: Held = { pair, kind, length: 0, area: 0, fastened: [], thinEdge: null };
  if (kind === 'let-in') return held;
  const contacts = contactsOf(at(drafts, pair[0]).solid, at(drafts, pair[1]).solid);
  if (contacts.length === 0) throw new Error(`${between.join(' and ')} do not touch`);
  for (const contact of contacts) {
    const [from, to] = extent(contact.corners, longWay(contact));
    held.length += to - from;
    held.area += faceArea(contact.corners);
    const { shanks, heads, isHole } = taken;
    const room: Room = {
      isFree: (shank) => shanks.isFree(shank),
      isReached: (fastened) => heads.isReached(fastened),
      isHole,
    };
    const fastened = fasten(plan, drafts, pair, contact, kind, room);
    if (!fastened) continue;
    if ('thinEdge' in fastened) {
      held.thinEdge = fastened.thinEdge;
      continue;
    }
    held.fastened.push(fastened);
    shanks.place(fastened.shanks);
    heads.place(fastened);
  }
  return held;
}

interface Pilot {
  point: Vec3;
  fastener: Fastener;
  direction: Vec3;
  sunk: Ticks;
}

/** Pilot holes by the draft they go through. */
function pilotsOf(held: readonly Held[]): Map<number, Pilot[]> {
  const pilots = new Map<number, Pilot[]>();
  for (const { through, points, direction, chosen, sunk } of held.flatMap(
    (each) => each.fastened,
  )) {
    const list = pilots.get(through) ?? [];
    list.push(...points.map((point) => ({ point, direction, fastener: chosen.fastener, sunk })));
    pilots.set(through, list);
  }
  return pilots;
}

/** The features of a draft with its pilot holes; for a screw each is opened to a clearance hole in the panel that it goes through. */
const withPilots =
  (draft: Draft, pilots: readonly Pilot[]): NonNullable<PanelDraft['features']> =>
  (toFrame) => [
    ...(draft.features?.(toFrame) ?? []),
    ...pilots.map(
      ({ point, direction, fastener, sunk }): Feature => ({
        kind: 'pilot',
        shape: 'round',
        centre: toFrame(point),
        diameter: fastener.pilot,
        depth: 'through',
        ...(fastener.clearance !== null && { clearance: fastener.clearance }),
        fastener: fastener.id,
        face: dot(direction, draft.outsideNormal) < 0 ? 'outside' : 'inside',
        ...(draft.counterbore &&
          sunk > 0 && { counterbore: draft.counterbore.diameter, counterboreDepth: sunk }),
      }),
    ),
  ];

/** Whether a fastener at a point of box space would meet a hole of the panel that it goes through, or stand too near an entrance. */
function holesOf(drafts: readonly Draft[]): Room['isHole'] {
  const known = new Map<number, (point: Vec3) => boolean>();
  const of = (draft: Draft): ((point: Vec3) => boolean) => {
    if (!draft.features || draft.fromLog === 'slab') return () => false;
    const toFrame = frameOf(draft);
    const holes = draft.features(toFrame).flatMap((feature) => {
      const size = holeSize(feature);
      if (!size || !('centre' in feature)) return [];
      const from = feature.kind === 'entrance' ? FROM_ENTRANCE : FROM_HOLE;
      return [{ centre: feature.centre, reach: Math.max(size.width, size.height) / 2 + from }];
    });
    return (point) => {
      const [x, y] = toFrame(point);
      return holes.some(({ centre, reach }) => Math.hypot(centre[0] - x, centre[1] - y) < reach);
    };
  };
  return (index, point) => {
    const isHole = known.get(index) ?? of(at(drafts, index));
    known.set(index, isHole);
    return isHole(point);
  };
}

/** What fastens a joint, its longest fastener named. */
function fasteningOf(fastened: readonly Fastened[]): Fastening | null {
  const best = maxBy(fastened, ({ chosen }) => chosen.fastener.length);
  if (!best) return null;
  return {
    fastener: best.chosen.fastener.id,
    count: sum(fastened.map(({ points }) => points.length)),
    length: best.chosen.fastener.length,
    pilot: best.chosen.fastener.pilot,
    clearance: best.chosen.fastener.clearance,
    bite: best.chosen.bite,
    enough: fastened.every(({ chosen }) => chosen.enough),
  };
}

/** Joints copy by copy. */
const jointsOf = (held: readonly Held[], copyOf: readonly PanelCopy[]): Joint[] =>
  held.map(({ pair, kind, length, area, fastened }) => {
    const [a, b] = [at(copyOf, pair[0]), at(copyOf, pair[1])];
    return {
      between: [a.panel, b.panel],
      copies: [a.instance, b.instance],
      kind,
      contact: { length: Math.round(length), area: Math.round(area) },
      fastening: fasteningOf(fastened),
    };
  });

const whole = (value: number): Ticks => Math.round(value) || 0;
const rounded = ([x, y, z]: Vec3): Vec3 => [whole(x), whole(y), whole(z)];

const roundedCavity = (cavity: Cavity): Cavity => ({
  ...cavity,
  origin: rounded(cavity.origin),
  width: Math.round(cavity.width),
  depth: Math.round(cavity.depth),
  heightFront: Math.round(cavity.heightFront),
  heightBack: Math.round(cavity.heightBack),
  sill: Math.round(cavity.sill),
  ...(cavity.ridge !== undefined && { ridge: Math.round(cavity.ridge) }),
});

/**
 * Cuts every draft, holds the joints against the solids and drills their pilot holes. A joint whose panels do not touch is a fault of
 * the family and throws; a fastener of the maker's own that does not fit throws a PlanFault.
 */
export function assemble(plan: BoxPlan, parts: BoxDraft): PanelSet {
  const { drafts, joints, openings, cavities, fittings = [] } = parts;
  const indexOf = new Map(drafts.map((draft, index) => [draft.id, index]));
  const taken = { shanks: new Shanks(), heads: new Heads(drafts), isHole: holesOf(drafts) };
  // What screws alone must hold takes its places first; glue helps the others.
  const order = [...joints].sort(
    (a, b) => Number(b.kind === 'screwed') - Number(a.kind === 'screwed'),
  );
  const byJoint = new Map(order.map((joint) => [joint, hold(plan, drafts, indexOf, joint, taken)]));
  const held = backed(
    plan,
    drafts,
    joints.map((joint) => entry(byJoint, joint)),
  );
  const pilots = pilotsOf(held);
  const cut = drafts.map((draft, index) =>
    cutPanel({ ...draft, features: withPilots(draft, pilots.get(index) ?? []) }),
  );
  const { panels, copyOf } = gather(drafts, cut);
  return {
    cavities: cavities.map(roundedCavity),
    panels,
    joints: jointsOf(held, copyOf),
    openings: openings.map((opening) => ({ ...opening, polygon: opening.polygon.map(rounded) })),
    ...(fittings.length > 0 && { fittings }),
  };
}
