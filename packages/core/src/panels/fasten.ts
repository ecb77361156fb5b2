import { at, maxBy, must, ringPairs } from '../lists/index.js';
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
import { isSheet, materialName } from '../wood/index.js';
import type { Draft } from './draft.js';
import { type ChosenFastener, fastenerById, fastenerFor, fitsJoint } from './fasteners.js';
import type { JointKind } from './panel-set.js';
import type { Shank } from './shanks.js';

/** From a fastener to the end of its joint: common practice, no source. */
/** Where the plan’s kind of box does not ask: common practice, no source. */
const USUAL_SPACING: Ticks = fromMm(110);
const FROM_END: Ticks = fromMm(22);
/** No two of a row nearer than this: common practice, no source. */
const LEAST_SPACING: Ticks = fromMm(18);
/** A contact shorter than this takes a single fastener. */
const SHORT: Ticks = fromMm(40);
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
  if (fromLog === 'slab') return corners;
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

/** How the fasteners of a contact are set out: how far from its ends, how many more than the spacing asks for, how far beside the middle. */
interface SetOut {
  inset: Ticks;
  more: number;
  aside: Ticks;
}

const AS_USUAL: SetOut = { inset: FROM_END, more: 0, aside: 0 };
const INSETS = [22, 30, 38, 48, 60].map(fromMm);
const ASIDES = [5, -5].map(fromMm);

/** Ways to set them out, the usual one first; ends are moved alike, so that mirror images stay mirror images. */
const WAYS: readonly SetOut[] = [
  AS_USUAL,
  ...[0, 1, -1, 2].flatMap((more) => INSETS.map((inset) => ({ inset, more, aside: 0 }))).slice(1),
  ...ASIDES.flatMap((aside) =>
    [0, 1].flatMap((more) => INSETS.map((inset) => ({ inset, more, aside }))),
  ),
];

/** Where rows of fasteners lie across a contact of which this part can be bored through. */
function rowsOf(
  whole: readonly [number, number],
  [v0, v1]: readonly [number, number],
  aside: number,
): number[] {
  if (v1 - v0 > TWO_ROWS)
    return [v0 + (v1 - v0) / 4 + Math.abs(aside), v1 - (v1 - v0) / 4 - Math.abs(aside)];
  const edge = Math.min(FROM_EDGE, (v1 - v0) / 2);
  return [Math.min(Math.max((whole[0] + whole[1]) / 2 + aside, v0 + edge), v1 - edge)];
}

/** Positions along a row from u0 to u1; a short one has a single place, which may move. */
function spread(
  u0: number,
  u1: number,
  { inset, more }: SetOut,
  { outAlong: sign, spacing, least }: Pick<Field, 'outAlong' | 'spacing' | 'least'>,
): number[] {
  const length = u1 - u0;
  if (length < SHORT) {
    const room = Math.max(0, length / 2 - fromMm(6));
    const step = inset - FROM_END + Math.abs(more) * fromMm(2);
    return [(u0 + u1) / 2 + sign * (more < 0 ? -1 : 1) * Math.min(room, step)];
  }
  const usual = Math.min(FROM_END, length / 4);
  const from = Math.min(usual + inset - FROM_END, length / 2 - fromMm(4));
  const count = Math.max(least, Math.ceil((length - 2 * usual) / spacing) + 1) + more;
  const run = length - 2 * from;
  if (count < 2 || run / (count - 1) < LEAST_SPACING) return [];
  return Array.from({ length: count }, (_, index) => u0 + from + (run * index) / (count - 1));
}

/** Which way along an axis is outwards in the box, so that the two sides of a box are set out as mirror images. */
function outwards(axis: Vec3, { corners }: Contact): number {
  const middle = scale(
    corners.reduce((sum, corner) => add(sum, corner)),
    1 / corners.length,
  );
  const across = axis[0] * middle[0];
  if (Math.abs(axis[0]) > 0.1 && Math.abs(across) > 1) return Math.sign(across);
  return Math.sign(axis[2]) || Math.sign(axis[1]) || 1;
}

/** The part of a contact that can be fastened through, with its directions: what does not depend on how fasteners are set out. */
interface Field {
  region: readonly Vec3[];
  along: Vec3;
  across: Vec3;
  origin: Vec3;
  /** Of the whole contact and of the region, across it. */
  whole: readonly [number, number];
  wide: readonly [number, number];
  outAlong: number;
  outAcross: number;
  /** The most between two, and the fewest on a joint, as the plan says. */
  spacing: Ticks;
  least: number;
}

function fieldOf(plan: BoxPlan, contact: Contact, through: Draft): Field | null {
  const { corners, normal } = contact;
  const region = boredThrough(contact, through);
  if (region.length === 0) return null;
  const along = longWay(contact);
  const across = cross(normal, along);
  return {
    region,
    along,
    across,
    origin: scale(normal, dot(at(corners, 0), normal)),
    whole: extent(corners, across),
    wide: extent(region, across),
    outAlong: outwards(along, contact),
    outAcross: outwards(across, contact),
    spacing: plan.sizes.fastenerSpacing ?? USUAL_SPACING,
    least: Number(plan.choices.leastOnEdge ?? 2),
  };
}

/** Where fasteners go: along the longer direction, near the middle of the shorter. */
function pointsOf(field: Field, way: SetOut): Vec3[] {
  const { region, along, across, origin, whole, wide } = field;
  return rowsOf(whole, wide, way.aside * field.outAcross).flatMap((row) => {
    const above = clipFace(region, { normal: across, offset: row });
    const line = clipFace(above, { normal: scale(across, -1), offset: -row });
    const [u0, u1] = extent(line, along);
    if (!(u1 > u0)) return [];
    return spread(u0, u1, way, field).map((u) =>
      add(origin, add(scale(along, u), scale(across, row))),
    );
  });
}

/** A row of fasteners: through which draft, where, and which. */
export interface Fastened {
  through: number;
  into: number;
  points: readonly Vec3[];
  shanks: readonly Shank[];
  /** Which way they are driven, of length 1. */
  direction: Vec3;
  chosen: ChosenFastener;
  /** The heads sit so deep in a counterbore. */
  sunk: Ticks;
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

/** What fasteners have to keep clear of: each other in the wood, and the holes of the panel that they go through. */
export interface Room {
  isFree(shank: Shank): boolean;
  isHole(draft: number, point: Vec3): boolean;
  /** Whether there is an order of assembly in which a driver reaches these heads and those of all joints before. */
  isReached(fastened: Fastened): boolean;
}

interface Way {
  through: number;
  into: number;
  direction: Vec3;
}

/** How deep a head sits in what it is driven through. */
const sunkIn = ({ thickness, counterbore }: Draft): Ticks =>
  counterbore ? Math.max(0, thickness - counterbore.leave) : 0;

/** A sheet this thick holds a screw in its edge: common practice, no source. */
export const HOLDS_IN_EDGE: Ticks = fromMm(17.4);

/** Whether a fastener would be driven into the edge of a thin sheet, where it holds nothing and splits the plies. */
const intoThinEdge = (plan: BoxPlan, { role, thickness }: Draft, enters: boolean): boolean =>
  !enters && thickness < HOLDS_IN_EDGE && isSheet(plan.wood[role]?.material ?? '');

/** Fasteners of one way through, set out in one way, and whether each is free of the others. */
class SetOutTry {
  readonly shanks: readonly Shank[];

  private constructor(
    private readonly way: Way,
    private readonly points: readonly Vec3[],
    thick: readonly number[],
    private readonly chosen: ChosenFastener,
    private readonly room: Room,
    private readonly sunk: Ticks,
  ) {
    const back = scale(way.direction, -1);
    this.shanks = points.map((point, index): Shank => {
      const under = at(thick, index);
      return {
        from: add(point, scale(back, under)),
        to: add(point, scale(way.direction, chosen.fastener.length - under)),
        radius: chosen.fastener.diameter / 2,
      };
    });
  }

  static of(
    plan: BoxPlan,
    drafts: readonly Draft[],
    way: Way,
    points: readonly Vec3[],
    kind: 'screw' | 'nail',
    room: Room,
  ): SetOutTry | null {
    if (points.length === 0) return null;
    const outer = at(drafts, way.through);
    const { solid } = at(drafts, way.into);
    const back = scale(way.direction, -1);
    const behind = points.map((point) => depthAlong(solid, point, way.direction));
    const sunk = sunkIn(outer);
    const thick = points.map((point) => depthAlong(outer.solid, point, back) - sunk);
    const deepest = Math.round(Math.max(...thick));
    const chosen = choose(plan, outer.role, kind, deepest, Math.min(...behind));
    return chosen && new SetOutTry(way, points, thick, chosen, room, sunk);
  }

  private isFree(index: number): boolean {
    const { room, way } = this;
    return !room.isHole(way.through, at(this.points, index)) && room.isFree(at(this.shanks, index));
  }

  isWhollyFree(): boolean {
    return this.points.every((_point, index) => this.isFree(index));
  }

  /** What is left of it when those that are not free are left out. */
  free(): Fastened {
    const free = this.points.map((_point, index) => this.isFree(index));
    const kept = <T>(list: readonly T[]) => list.filter((_each, index) => free[index]);
    const { through, into, direction } = this.way;
    const { chosen, sunk } = this;
    return {
      through,
      into,
      direction,
      chosen,
      sunk,
      points: kept(this.points),
      shanks: kept(this.shanks),
    };
  }
}

/** The ways through that there are: through a broad face, and not into the edge of thin sheet; the thinner panel first. */
function waysThrough(
  plan: BoxPlan,
  drafts: readonly Draft[],
  [a, b]: readonly [number, number],
  { normal }: Contact,
): { ways: Way[]; thinEdge: number | null } {
  const broad = (index: number) => Math.abs(dot(at(drafts, index).outsideNormal, normal)) > SQUARE;
  const both: Way[] = [
    { through: a, into: b, direction: normal },
    { through: b, into: a, direction: scale(normal, -1) },
  ];
  const bored = both.filter(({ through }) => broad(through));
  const ways = bored.filter(({ into }) => !intoThinEdge(plan, at(drafts, into), broad(into)));
  ways.sort((p, q) => at(drafts, p.through).thickness - at(drafts, q.through).thickness);
  const refused = ways.length === 0 ? bored[0] : undefined;
  return { ways, thinEdge: refused?.into ?? null };
}

/** A joint that could only be held in the edge of thin sheet, and has no stick behind it. */
export const thinEdgeFault = (plan: BoxPlan, drafts: readonly Draft[], into: number): PlanFault => {
  const { role, thickness } = at(drafts, into);
  return new PlanFault(
    `wood.${role}`,
    text`${materialName(plan.wood[role]?.material ?? '')} ${ofLength(thickness)} thick takes no screw in its edge: its plies split. Take sheet of ${ofLength(fromMm(18))} or more, or boards, or a kind of box with sticks behind its joints.`,
  );
};

/**
 * Which panel is fastened through into which, with what and where: through a broad face into what lies behind it, so that no shank meets
 * another and a driver reaches every head in some order of assembly. The way that keeps most fasteners is taken, of equals the usual
 * one. For a joint that could only be held in the edge of thin
 * sheet it names the draft whose edge that is.
 */
export function fasten(
  plan: BoxPlan,
  drafts: readonly Draft[],
  pair: readonly [number, number],
  contact: Contact,
  joint: JointKind,
  room: Room,
): Fastened | { thinEdge: number } | null {
  const kind = kindFor(plan, joint);
  if (!kind) return null;
  const { ways, thinEdge } = waysThrough(plan, drafts, pair, contact);
  if (thinEdge !== null) return { thinEdge };
  for (const way of ways) {
    const field = fieldOf(plan, { ...contact, normal: way.direction }, at(drafts, way.through));
    if (!field) continue;
    const tried: SetOutTry[] = [];
    for (const setOut of WAYS) {
      const one = SetOutTry.of(plan, drafts, way, pointsOf(field, setOut), kind, room);
      if (one?.isWhollyFree() && room.isReached(one.free())) return one.free();
      if (one) tried.push(one);
    }
    const reached = tried
      .map((one) => one.free())
      .filter((one) => one.points.length > 0 && room.isReached(one));
    const best = maxBy(reached, ({ points }) => points.length);
    if (best) return best;
  }
  return null;
}
