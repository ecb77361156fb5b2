import { at, entry, maxBy, sum } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import type { BoxPlan } from '../plan/index.js';
import type { Point } from '../plane/index.js';
import { contactsOf, faceArea, type Vec3 } from '../solid/index.js';
import type { BoxDraft, Draft, JointDraft } from './draft.js';
import { extent, type Fastened, fasten, longWay } from './fasten.js';
import { holeSize } from './features.js';
import { gather } from './gather.js';
import { cutPanel, type PanelDraft } from './panel-from-solid.js';
import type { Cavity, Fastening, Feature, Joint, JointKind, PanelSet } from './panel-set.js';

/** No fastener this near an entrance. */
const FROM_ENTRANCE: Ticks = fromMm(12);

/** A joint with what it touches by and what holds it. */
interface Held {
  pair: readonly [number, number];
  kind: JointKind;
  length: number;
  area: number;
  fastened: Fastened[];
}

/** Holds one joint against the solids. A joint whose panels do not touch is a fault of the family and throws. */
function hold(
  plan: BoxPlan,
  drafts: readonly Draft[],
  indexOf: ReadonlyMap<string, number>,
  { between, kind }: JointDraft,
): Held {
  const pair = [entry(indexOf, between[0]), entry(indexOf, between[1])] as const;
  const held: Held = { pair, kind, length: 0, area: 0, fastened: [] };
  if (kind === 'let-in') return held;
  const contacts = contactsOf(at(drafts, pair[0]).solid, at(drafts, pair[1]).solid);
  if (contacts.length === 0) throw new Error(`${between.join(' and ')} do not touch`);
  for (const contact of contacts) {
    const [from, to] = extent(contact.corners, longWay(contact));
    held.length += to - from;
    held.area += faceArea(contact.corners);
    const fastened = fasten(plan, drafts, pair, contact, kind);
    if (fastened) held.fastened.push(fastened);
  }
  return held;
}

interface Pilot {
  point: Vec3;
  size: Ticks;
}

/** Pilot holes by the draft they go through. */
function pilotsOf(held: readonly Held[]): Map<number, Pilot[]> {
  const pilots = new Map<number, Pilot[]>();
  for (const { through, points, chosen } of held.flatMap((each) => each.fastened)) {
    const list = pilots.get(through) ?? [];
    list.push(...points.map((point) => ({ point, size: chosen.fastener.pilot })));
    pilots.set(through, list);
  }
  return pilots;
}

/** The features of a draft with its pilot holes, none of them too near an entrance. */
const withPilots =
  (draft: Draft, pilots: readonly Pilot[]): NonNullable<PanelDraft['features']> =>
  (toFrame) => {
    const own = draft.features?.(toFrame) ?? [];
    const entrances = own.flatMap((feature) => {
      if (feature.kind !== 'entrance') return [];
      const size = holeSize(feature);
      const reach = Math.max(size?.width ?? 0, size?.height ?? 0) / 2 + FROM_ENTRANCE;
      return [{ centre: feature.centre, reach }];
    });
    const isNear = ([x, y]: Point) =>
      entrances.some(({ centre, reach }) => Math.hypot(centre[0] - x, centre[1] - y) < reach);
    const drilled = pilots.flatMap(({ point, size }): Feature[] => {
      const centre = toFrame(point);
      if (isNear(centre)) return [];
      return [{ kind: 'pilot', shape: 'round', centre, diameter: size, depth: 'through' }];
    });
    return [...own, ...drilled];
  };

/** What fastens a joint, its longest fastener named. */
function fasteningOf(fastened: readonly Fastened[], known: Fastening | null): Fastening | null {
  const best = maxBy(fastened, ({ chosen }) => chosen.fastener.length);
  if (!best) return null;
  return {
    fastener: best.chosen.fastener.id,
    count: sum(fastened.map(({ points }) => points.length)) + (known?.count ?? 0),
    length: best.chosen.fastener.length,
    bite: best.chosen.bite,
    enough: fastened.every(({ chosen }) => chosen.enough) && (known?.enough ?? true),
  };
}

/** Joints by the panels' names, those of copies added up. */
function jointsOf(held: readonly Held[], nameOf: readonly string[]): Joint[] {
  const joints = new Map<string, Joint>();
  for (const { pair, kind, length, area, fastened } of held) {
    const between = [at(nameOf, pair[0]), at(nameOf, pair[1])] as const;
    const longest = fasteningOf(fastened, null)?.fastener ?? '';
    const key = `${between.join('|')}|${kind}|${longest}`;
    const known = joints.get(key);
    joints.set(key, {
      between,
      kind,
      contact: {
        length: Math.round(length) + (known?.contact.length ?? 0),
        area: Math.round(area) + (known?.contact.area ?? 0),
      },
      fastening: fasteningOf(fastened, known?.fastening ?? null),
    });
  }
  return [...joints.values()];
}

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
  const held = joints.map((joint) => hold(plan, drafts, indexOf, joint));
  const pilots = pilotsOf(held);
  const cut = drafts.map((draft, index) =>
    cutPanel({ ...draft, features: withPilots(draft, pilots.get(index) ?? []) }),
  );
  const { panels, nameOf } = gather(drafts, cut);
  return {
    cavities: cavities.map(roundedCavity),
    panels,
    joints: jointsOf(held, nameOf),
    openings: openings.map((opening) => ({ ...opening, polygon: opening.polygon.map(rounded) })),
    ...(fittings.length > 0 && { fittings }),
  };
}
