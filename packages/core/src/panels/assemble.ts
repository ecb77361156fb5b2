import { fromMm, type Ticks } from '../measure/index.js';
import type { BoxPlan } from '../plan/index.js';
import {
  add,
  type Contact,
  type ConvexSolid,
  clipFace,
  contactsOf,
  cross,
  depthAlong,
  dot,
  faceArea,
  lengthOf,
  scale,
  subtract,
  unit,
  type Vec3,
} from '../solid/index.js';
import { type ChosenFastener, fastenerFor } from './fasteners.js';
import { holeSize } from './features.js';
import { cutPanel, type PanelDraft } from './panel-from-solid.js';
import type {
  Cavity,
  Feature,
  Fitting,
  Joint,
  JointKind,
  Opening,
  Panel,
  PanelSet,
} from './panel-set.js';

/** A panel as a family declares it. Drafts of one group that come out alike become copies of one panel, named for the group. */
export interface Draft extends PanelDraft {
  group?: string;
}

/** Two drafts that are meant to touch. */
export interface JointDraft {
  between: readonly [string, string];
  kind: JointKind;
}

export const meet = (a: string, b: string, kind: JointKind = 'butt', when = true): JointDraft[] =>
  when ? [{ between: [a, b], kind }] : [];

/** Distance between fasteners along a joint, and from its ends: common practice, no source. */
const SPACING: Ticks = fromMm(110);
const FROM_END: Ticks = fromMm(22);
/** A contact wider than this takes two rows. */
const TWO_ROWS: Ticks = fromMm(80);
/** No fastener this near an entrance. */
const FROM_ENTRANCE: Ticks = fromMm(12);

/** Wood left between a row of fasteners and the edge of the panel that they go through, where there is as much: common practice, no source. */
const FROM_EDGE: Ticks = fromMm(3);

/** The part of a contact from which a hole square to it comes out in the outer face of the panel, not in one of its edges. */
function boredThrough({ corners, normal }: Contact, { solid, thickness, fromLog }: Draft): Vec3[] {
  // A slab off a round has no outer face: its bark comes down to its edges.
  if (fromLog) return [...corners];
  let region = [...corners];
  for (const { plane } of solid.faces) {
    const lean = dot(plane.normal, normal);
    if (Math.abs(lean) > 0.999 || region.length < 3) continue;
    region = clipFace(region, {
      normal: plane.normal,
      offset: plane.offset + Math.min(0, lean * thickness),
    });
  }
  return region.length < 3 ? [] : region;
}

const extent = (corners: readonly Vec3[], axis: Vec3): readonly [number, number] => {
  const at = corners.map((corner) => dot(corner, axis));
  return [Math.min(...at), Math.max(...at)];
};

/** The contact's longer direction. */
function longWay({ corners }: Contact): Vec3 {
  const edges = corners.map((from, index) =>
    subtract(corners[(index + 1) % corners.length]!, from),
  );
  return unit(
    edges.reduce((longest, edge) => (lengthOf(edge) > lengthOf(longest) ? edge : longest)),
  );
}

/** Where fasteners go on a contact, through a panel on one side of it: along its longer direction, in the middle of the shorter. */
function fastenerRun(contact: Contact, through: Draft): Vec3[] {
  const { corners, normal } = contact;
  const region = boredThrough(contact, through);
  if (region.length === 0) return [];
  const along = longWay(contact);
  const across = cross(normal, along);
  const [v0, v1] = extent(region, across);
  const edge = Math.min(FROM_EDGE, (v1 - v0) / 2);
  const whole = extent(corners, across);
  const middle = Math.min(Math.max((whole[0] + whole[1]) / 2, v0 + edge), v1 - edge);
  const rows = v1 - v0 > TWO_ROWS ? [v0 + (v1 - v0) / 4, v1 - (v1 - v0) / 4] : [middle];
  const origin = scale(normal, dot(corners[0]!, normal));
  return rows.flatMap((row) => {
    const above = clipFace(region, { normal: across, offset: row });
    const [u0, u1] = extent(clipFace(above, { normal: scale(across, -1), offset: -row }), along);
    if (!(u1 > u0)) return [];
    const inset = Math.min(FROM_END, (u1 - u0) / 4);
    const count =
      u1 - u0 < fromMm(40) ? 1 : Math.max(2, Math.ceil((u1 - u0 - 2 * inset) / SPACING) + 1);
    return Array.from({ length: count }, (_, index) => {
      const at =
        count === 1 ? (u0 + u1) / 2 : u0 + inset + ((u1 - u0 - 2 * inset) * index) / (count - 1);
      return add(origin, add(scale(along, at), scale(across, row)));
    });
  });
}

interface Fastened {
  through: number;
  points: Vec3[];
  chosen: ChosenFastener;
}

/** Which panel is fastened through into which, and with what: through a broad face into what lies behind it. */
function fasten(
  drafts: readonly Draft[],
  [a, b]: readonly [number, number],
  contact: Contact,
  kind: 'screw' | 'nail',
): Fastened | null {
  const broad = (index: number) =>
    Math.abs(dot(drafts[index]!.outsideNormal, contact.normal)) > 0.999;
  const ways: [number, number, Vec3][] = [];
  if (broad(a)) ways.push([a, b, contact.normal]);
  if (broad(b)) ways.push([b, a, scale(contact.normal, -1)]);
  ways.sort((p, q) => drafts[p[0]]!.thickness - drafts[q[0]]!.thickness);
  for (const [through, into, direction] of ways) {
    const points = fastenerRun({ ...contact, normal: direction }, drafts[through]!);
    if (points.length === 0) continue;
    const behind = points.map((point) => depthAlong(drafts[into]!.solid, point, direction));
    const thick = points.map((point) =>
      depthAlong(drafts[through]!.solid, point, scale(direction, -1)),
    );
    const chosen = fastenerFor(kind, Math.round(Math.max(...thick)), Math.min(...behind));
    if (chosen) return { through, points, chosen };
  }
  return null;
}

const fastenerKind = (plan: BoxPlan, joint: JointKind): 'screw' | 'nail' | null => {
  if (joint === 'screwed') return 'screw';
  if (joint !== 'butt') return null;
  return plan.schools.fastening === 'nails' ? 'nail' : 'screw';
};

/**
 * Cuts every draft, holds the joints against the solids and drills their pilot holes. A joint whose panels do not touch is a fault of
 * the family and throws.
 */
export function assemble(
  plan: BoxPlan,
  drafts: readonly Draft[],
  jointDrafts: readonly JointDraft[],
  openings: readonly Opening[],
  cavities: readonly Cavity[],
  fittings: readonly Fitting[] = [],
): PanelSet {
  const indexOf = new Map(drafts.map((draft, index) => [draft.id, index]));
  const pilots: Map<number, { point: Vec3; size: Ticks }[]> = new Map();
  interface Held {
    pair: [number, number];
    kind: JointKind;
    length: number;
    area: number;
    fastened: Fastened[];
  }
  const held: Held[] = [];
  for (const { between, kind } of jointDrafts) {
    const pair = between.map((id) => indexOf.get(id)) as [number, number];
    if (pair.some((index) => index === undefined))
      throw new Error(`a joint names a panel that is not there: ${between.join(', ')}`);
    const [a, b] = pair;
    const contacts = kind === 'let-in' ? [] : contactsOf(drafts[a]!.solid, drafts[b]!.solid);
    if (kind !== 'let-in' && contacts.length === 0)
      throw new Error(`${between.join(' and ')} do not touch`);
    const fastens = fastenerKind(plan, kind);
    const one: Held = { pair, kind, length: 0, area: 0, fastened: [] };
    for (const contact of contacts) {
      const [from, to] = extent(contact.corners, longWay(contact));
      one.length += to - from;
      one.area += faceArea(contact.corners);
      const fastened = fastens && fasten(drafts, pair, contact, fastens);
      if (fastened) one.fastened.push(fastened);
    }
    held.push(one);
  }
  const features = drafts.map((draft, index): PanelDraft['features'] => (toFrame) => {
    const own = draft.features?.(toFrame) ?? [];
    const entrances = own.flatMap((feature) => {
      const size = feature.kind === 'entrance' ? holeSize(feature) : null;
      return size && feature.kind === 'entrance'
        ? [{ centre: feature.centre, reach: Math.max(size.width, size.height) / 2 + FROM_ENTRANCE }]
        : [];
    });
    const drilled = (pilots.get(index) ?? []).flatMap(({ point, size }): Feature[] => {
      const centre = toFrame(point);
      if (
        entrances.some(
          (hole) => Math.hypot(hole.centre[0] - centre[0], hole.centre[1] - centre[1]) < hole.reach,
        )
      )
        return [];
      return [{ kind: 'pilot', shape: 'round', centre, diameter: size, depth: 'through' }];
    });
    return [...own, ...drilled];
  });
  for (const { fastened } of held) {
    for (const { through, points, chosen } of fastened) {
      const list = pilots.get(through) ?? [];
      list.push(...points.map((point) => ({ point, size: chosen.fastener.pilot })));
      pilots.set(through, list);
    }
  }
  const cut = drafts.map((draft, index) => cutPanel({ ...draft, features: features[index]! }));
  const { panels, nameOf } = gather(drafts, cut);
  const joints = new Map<string, Joint>();
  for (const { pair, kind, length, area, fastened } of held) {
    const between = pair.map((index) => nameOf[index]!) as [string, string];
    const best = [...fastened].sort(
      (p, q) => q.chosen.fastener.length - p.chosen.fastener.length,
    )[0];
    const key = `${between.join('|')}|${kind}|${best?.chosen.fastener.id ?? ''}`;
    const known = joints.get(key);
    const count = fastened.reduce((sum, each) => sum + each.points.length, 0);
    joints.set(key, {
      between,
      kind,
      contact: {
        length: Math.round(length) + (known?.contact.length ?? 0),
        area: Math.round(area) + (known?.contact.area ?? 0),
      },
      fastening: best
        ? {
            fastener: best.chosen.fastener.id,
            count: count + (known?.fastening?.count ?? 0),
            length: best.chosen.fastener.length,
            bite: best.chosen.bite,
            enough:
              fastened.every((each) => each.chosen.enough) && (known?.fastening?.enough ?? true),
          }
        : null,
    });
  }
  const rounded = (point: Vec3): Vec3 => [
    Math.round(point[0]) || 0,
    Math.round(point[1]) || 0,
    Math.round(point[2]) || 0,
  ];
  return {
    cavities: cavities.map((cavity) => ({
      ...cavity,
      origin: rounded(cavity.origin),
      width: Math.round(cavity.width),
      depth: Math.round(cavity.depth),
      heightFront: Math.round(cavity.heightFront),
      heightBack: Math.round(cavity.heightBack),
      sill: Math.round(cavity.sill),
      ...(cavity.ridge !== undefined && { ridge: Math.round(cavity.ridge) }),
    })),
    panels,
    joints: [...joints.values()],
    openings: openings.map((opening) => ({ ...opening, polygon: opening.polygon.map(rounded) })),
    ...(fittings.length > 0 && { fittings }),
  };
}

/** Copies that came out alike become instances of one panel. */
function gather(
  drafts: readonly Draft[],
  cut: readonly Panel[],
): { panels: Panel[]; nameOf: string[] } {
  const panels: Panel[] = [];
  const nameOf: string[] = [];
  const shapes = new Map<string, number>();
  const groups = new Map<string, number>();
  cut.forEach((panel, index) => {
    const group = drafts[index]!.group;
    if (!group) {
      nameOf.push(panel.id);
      panels.push(panel);
      return;
    }
    const { outline, underside, features, role, thickness, inside, outside } = panel;
    const key = JSON.stringify([
      group,
      role,
      thickness,
      outline,
      underside,
      features,
      inside,
      outside,
    ]);
    const known = shapes.get(key);
    if (known !== undefined) {
      panels[known] = {
        ...panels[known]!,
        instances: [...panels[known]!.instances, ...panel.instances],
      };
      nameOf.push(panels[known]!.id);
      return;
    }
    const number = (groups.get(group) ?? 0) + 1;
    groups.set(group, number);
    const id = number === 1 ? group : `${group}-${number}`;
    shapes.set(key, panels.length);
    nameOf.push(id);
    panels.push({ ...panel, id });
  });
  return { panels, nameOf };
}

/** A solid that must have wood left; a family calls it where its own rules have ruled out the other case. */
export function wood(solid: ConvexSolid | null, id: string): ConvexSolid {
  if (!solid) throw new Error(`the ${id} has no wood left`);
  return solid;
}
