import { at, must, ringPairs } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import { type BoxPlan, PlanFault } from '../plan/index.js';
import {
  add,
  type Contact,
  clipFace,
  cross,
  depthAlong,
  dot,
  lengthOf,
  scale,
  subtract,
  unit,
  type Vec3,
} from '../solid/index.js';
import { ofLength, text } from '../text/index.js';
import type { Draft } from './draft.js';
import { type ChosenFastener, fastenerById, fastenerFor, fitsJoint } from './fasteners.js';
import type { JointKind } from './panel-set.js';

/** Distance between fasteners along a joint, and from its ends: common practice, no source. */
const SPACING: Ticks = fromMm(110);
const FROM_END: Ticks = fromMm(22);
/** A contact wider than this takes two rows. */
const TWO_ROWS: Ticks = fromMm(80);
/** Wood left between a row of fasteners and the edge of the panel that they go through, where there is as much: common practice, no source. */
const FROM_EDGE: Ticks = fromMm(3);
/** Normals that agree to this are of one direction. */
const SQUARE = 0.999;

/** The part of a contact from which a hole square to it comes out in the outer face of the panel, not in one of its edges. */
function boredThrough(
  { corners, normal }: Contact,
  { solid, thickness, fromLog }: Draft,
): readonly Vec3[] {
  // A slab off a round has no outer face: its bark comes down to its edges.
  if (fromLog) return corners;
  let region: readonly Vec3[] = corners;
  for (const { plane } of solid.faces) {
    const lean = dot(plane.normal, normal);
    if (Math.abs(lean) > SQUARE || region.length < 3) continue;
    region = clipFace(region, {
      normal: plane.normal,
      offset: plane.offset + Math.min(0, lean * thickness),
    });
  }
  return region.length < 3 ? [] : region;
}

export const extent = (corners: readonly Vec3[], axis: Vec3): readonly [number, number] => {
  const along = corners.map((corner) => dot(corner, axis));
  return [Math.min(...along), Math.max(...along)];
};

/** The contact's longer direction. */
export function longWay({ corners }: Contact): Vec3 {
  const edges = ringPairs(corners).map(([from, to]) => subtract(to, from));
  return unit(
    edges.reduce((longest, edge) => (lengthOf(edge) > lengthOf(longest) ? edge : longest)),
  );
}

/** Where rows of fasteners lie across a contact of which this part can be bored through. */
function rowsOf(whole: readonly [number, number], [v0, v1]: readonly [number, number]): number[] {
  if (v1 - v0 > TWO_ROWS) return [v0 + (v1 - v0) / 4, v1 - (v1 - v0) / 4];
  const edge = Math.min(FROM_EDGE, (v1 - v0) / 2);
  return [Math.min(Math.max((whole[0] + whole[1]) / 2, v0 + edge), v1 - edge)];
}

/** Positions along a row from u0 to u1. */
function spread(u0: number, u1: number): number[] {
  const inset = Math.min(FROM_END, (u1 - u0) / 4);
  const run = u1 - u0 - 2 * inset;
  if (u1 - u0 < fromMm(40)) return [(u0 + u1) / 2];
  const count = Math.max(2, Math.ceil(run / SPACING) + 1);
  return Array.from({ length: count }, (_, index) => u0 + inset + (run * index) / (count - 1));
}

/** Where fasteners go on a contact, through a panel on one side of it: along its longer direction, in the middle of the shorter. */
function fastenerRun(contact: Contact, through: Draft): Vec3[] {
  const { corners, normal } = contact;
  const region = boredThrough(contact, through);
  if (region.length === 0) return [];
  const along = longWay(contact);
  const across = cross(normal, along);
  const origin = scale(normal, dot(at(corners, 0), normal));
  return rowsOf(extent(corners, across), extent(region, across)).flatMap((row) => {
    const above = clipFace(region, { normal: across, offset: row });
    const line = clipFace(above, { normal: scale(across, -1), offset: -row });
    const [u0, u1] = extent(line, along);
    if (!(u1 > u0)) return [];
    return spread(u0, u1).map((u) => add(origin, add(scale(along, u), scale(across, row))));
  });
}

/** A row of fasteners: through which draft, where, and which. */
export interface Fastened {
  through: number;
  points: Vec3[];
  chosen: ChosenFastener;
}

const kindFor = (plan: BoxPlan, joint: JointKind): 'screw' | 'nail' | null => {
  if (joint === 'screwed') return 'screw';
  if (joint !== 'butt') return null;
  return plan.choices.fastening === 'nails' ? 'nail' : 'screw';
};

/** The maker's own fastener for panels of a role, or the program's choice; one that would come through is refused. */
function choose(
  plan: BoxPlan,
  role: string,
  kind: 'screw' | 'nail',
  thick: Ticks,
  behind: Ticks,
): ChosenFastener | null {
  const field = plan.fasteners[role] ? role : 'default';
  const wanted = plan.fasteners[field] ?? null;
  if (wanted === null) return fastenerFor(kind, thick, behind);
  const own = must(fastenerById(wanted), `the fastener “${wanted}”`);
  if (own.kind === 'nail' && kind === 'screw') return fastenerFor(kind, thick, behind);
  const chosen = fitsJoint(own, thick, behind);
  if (chosen) return chosen;
  throw new PlanFault(
    `fasteners.${field}`,
    text`A fastener ${ofLength(own.length)} long does not hold where ${ofLength(thick)} is screwed to wood ${ofLength(behind)} deep: its point would come through, or not reach. Leave the choice to the program, or take another.`,
  );
}

/** Which panel is fastened through into which, and with what: through a broad face into what lies behind it. */
export function fasten(
  plan: BoxPlan,
  drafts: readonly Draft[],
  [a, b]: readonly [number, number],
  contact: Contact,
  joint: JointKind,
): Fastened | null {
  const kind = kindFor(plan, joint);
  if (!kind) return null;
  const broad = (index: number) =>
    Math.abs(dot(at(drafts, index).outsideNormal, contact.normal)) > SQUARE;
  const ways: [number, number, Vec3][] = [];
  if (broad(a)) ways.push([a, b, contact.normal]);
  if (broad(b)) ways.push([b, a, scale(contact.normal, -1)]);
  ways.sort((p, q) => at(drafts, p[0]).thickness - at(drafts, q[0]).thickness);
  for (const [through, into, direction] of ways) {
    const outer = at(drafts, through);
    const points = fastenerRun({ ...contact, normal: direction }, outer);
    if (points.length === 0) continue;
    const back = scale(direction, -1);
    const behind = points.map((point) => depthAlong(at(drafts, into).solid, point, direction));
    const thick = points.map((point) => depthAlong(outer.solid, point, back));
    const deepest = Math.round(Math.max(...thick));
    const chosen = choose(plan, outer.role, kind, deepest, Math.min(...behind));
    if (chosen) return { through, points, chosen };
  }
  return null;
}
