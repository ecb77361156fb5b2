import { minBy } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import type { Feature, HoleKind } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import { add, dot, negate, scale, type Vec3 } from '../../solid/index.js';
import { type Body, chordOf, keyOf } from '../bodies.js';
import type { Driven } from '../driven.js';
import { type Entered, enteredAt, enteredOn, offLine } from './entered.js';
import type { Hole, HoleSize, HoleUse } from './hole.js';

/** A pilot is this share of a pivot or locking screw: common practice, no source. */
const PILOT_SHARE = 0.7;
/** Between a wall that holds a pivot and the wall that swings there is at most so much play. */
const MOST_PLAY: Ticks = fromMm(4.2);
/** How far pivots, locking screws and latch nails reach into the wall that swings, where there is as much wood: common practice, no source. */
const REACH_IN: Ticks = fromMm(25);
/** A threaded insert of 5 mm: hole and depth, common practice, no source; its packet says. */
const INSERT = { diameter: fromMm(7), depth: fromMm(13) };
/** Wood left in front of a hole’s end: common practice, no source. */
const COVER: Ticks = fromMm(3);
/** Lines no further apart than this are one. */
const IN_LINE: Ticks = fromMm(0.1);
/** A countersunk head is about twice its shank: common practice, no source. */
const HEAD_SHARE = 2;

type Bored = Exclude<Feature, { kind: 'groove' | 'mesh' }>;

const isBored = (feature: Feature): feature is Bored & { kind: Exclude<HoleKind, 'pilot'> } =>
  feature.kind !== 'groove' && feature.kind !== 'mesh' && feature.kind !== 'pilot';

const sizeOf = (feature: Bored): HoleSize =>
  feature.shape === 'round'
    ? { shape: 'round', diameter: feature.diameter }
    : { shape: feature.shape, width: feature.width, height: feature.height };

const acrossOf = (size: HoleSize): Ticks =>
  size.shape === 'round' ? size.diameter : Math.max(size.width, size.height);

interface Boring {
  body: Body;
  for: HoleUse;
  size: HoleSize;
  depth: Hole['depth'];
  axis: Vec3;
  drillWith: readonly string[];
  fastener?: string;
}

const holeAt = (
  { body, size, axis, ...rest }: Boring,
  { edge, point, face, at, from, lean }: Entered,
): Hole => ({
  panel: body.panel.id,
  instance: body.instance,
  ...rest,
  size,
  axis,
  face,
  at,
  from,
  point,
  lean,
  cover: Math.round(edge - acrossOf(size) / 2),
});

/** The holes of one joint’s fastener: a screw slips through the first panel and bites in the second; a nail has a pilot in the first alone. */
function fastenerHoles({ through, into, fastener, ...driven }: Driven): Hole[] {
  const { head, face, direction, thick, behind, bored } = driven;
  const isScrew = fastener.clearance !== null;
  const first = holeAt(
    {
      body: through,
      for: isScrew ? 'clearance' : 'pilot',
      size: { shape: 'round', diameter: bored },
      depth: 'through',
      axis: direction,
      fastener: fastener.id,
      drillWith: isScrew ? [into.panel.id] : [],
    },
    enteredOn(through, face, centreOf(through, head), direction),
  );
  const wider = driven.counterbore && {
    ...counterbored(first, driven.counterbore),
    cover: first.cover - Math.round((driven.counterbore.diameter - bored) / 2),
  };
  if (!isScrew) return wider ? [wider, first] : [first];
  const entered = enteredAt(into, add(head, scale(direction, thick)), direction);
  const bite = fastener.length - thick;
  const second = holeAt(
    {
      body: into,
      for: 'pilot',
      size: { shape: 'round', diameter: fastener.pilot },
      depth: Math.round(Math.max(1, Math.min(bite, behind - COVER))),
      axis: direction,
      fastener: fastener.id,
      drillWith: [through.panel.id],
    },
    entered,
  );
  return wider
    ? [wider, first, second]
    : [{ ...first, countersink: HEAD_SHARE * fastener.diameter }, second];
}

/** The wider hole that a head sits in, on the axis of the one that goes on from it. */
const counterbored = (
  hole: Hole,
  { diameter, depth }: NonNullable<Driven['counterbore']>,
): Hole => ({ ...hole, for: 'counterbore', size: { shape: 'round', diameter }, depth });

const centreOf = ({ frame }: Body, point: Vec3) =>
  [
    Math.round(dot(point, frame.x) - dot(frame.origin, frame.x)),
    Math.round(dot(point, frame.y) - dot(frame.origin, frame.y)),
  ] as const;

/** The body that a hole through another one points at, a little play between them. */
function behindHole(hole: Hole, bodies: readonly Body[]): { body: Body; point: Vec3 } | null {
  const found = bodies.flatMap((body) => {
    if (keyOf(body) === `${hole.panel}:${hole.instance}`) return [];
    const chord = chordOf(body, hole.point, hole.axis);
    return chord && chord[0] > 0 ? [{ body, enter: chord[0] }] : [];
  });
  const own = bodies.find((body) => keyOf(body) === `${hole.panel}:${hole.instance}`);
  const thick = own ? (chordOf(own, hole.point, hole.axis)?.[1] ?? 0) : 0;
  const first = minBy(found, ({ enter }) => enter);
  if (!first || first.enter - thick > MOST_PLAY) return null;
  return { body: first.body, point: add(hole.point, scale(hole.axis, first.enter)) };
}

/** What is bored in the panel behind a hole of a pivot or a latch. */
function innerBoring(
  { sizes, choices }: BoxPlan,
  hole: Hole,
): { for: HoleUse; diameter: Ticks; most: Ticks } {
  if (hole.for === 'pivot') {
    const diameter = Math.round((sizes.pivotSize ?? 0) * PILOT_SHARE);
    return { for: 'pivot', diameter, most: REACH_IN };
  }
  if (choices.access === 'lift-off')
    return { for: 'insert', diameter: INSERT.diameter, most: INSERT.depth };
  const loose = (choices.latch ?? 'nail') === 'nail';
  const across = hole.size.shape === 'round' ? hole.size.diameter : 0;
  const diameter = loose ? across : Math.round((sizes.latchSize ?? 0) * PILOT_SHARE);
  return { for: 'latch', diameter, most: REACH_IN };
}

/** The holes in line with those that a pivot, a latch or a bolt goes through first. */
function innerHoles(plan: BoxPlan, holes: readonly Hole[], bodies: readonly Body[]): Hole[] {
  return holes.flatMap((hole) => {
    if (hole.for !== 'pivot' && hole.for !== 'latch') return [];
    const behind = behindHole(hole, bodies);
    if (!behind) return [];
    const { body, point } = behind;
    const { axis } = hole;
    const inner = innerBoring(plan, hole);
    const entered = enteredAt(body, point, axis);
    const depth = Math.max(1, Math.round(Math.min(inner.most, entered.wood - COVER)));
    const size = { shape: 'round', diameter: inner.diameter } as const;
    return [holeAt({ body, for: inner.for, size, depth, axis, drillWith: [] }, entered)];
  });
}

/** Names, for each of some holes, the panels that have a hole on the same line. */
const withLines = (holes: readonly Hole[]): Hole[] =>
  holes.map((hole) => {
    const inLine = holes.filter(
      (other) =>
        (other.panel !== hole.panel || other.instance !== hole.instance) &&
        Math.abs(dot(other.axis, hole.axis)) > 0.999 &&
        offLine(other.point, hole.point, hole.axis) < IN_LINE,
    );
    return { ...hole, drillWith: [...new Set(inLine.map(({ panel }) => panel))] };
  });

/** The holes that the panel set names on its own account, bored from outside where it does not say. */
const declaredHoles = (bodies: readonly Body[]): Hole[] =>
  bodies.flatMap((body) =>
    body.panel.features.filter(isBored).map((feature) => {
      const round = feature.shape === 'round' ? feature : null;
      const face = round?.face ?? 'outside';
      const square = face === 'inside' ? body.outsideNormal : negate(body.outsideNormal);
      const axis = round?.axis ?? square;
      return holeAt(
        {
          body,
          for: feature.kind,
          size: sizeOf(feature),
          depth: feature.depth,
          axis,
          drillWith: [],
        },
        enteredOn(body, face, feature.centre, axis),
      );
    }),
  );

/**
 * Every hole of one box: those that the panel set names, those of the screws and nails of its joints, and those that pivots, latches and
 * bolts find in the panel behind. Each with its two distances from real edges of the face that it is bored in.
 */
export function holesOf(
  plan: BoxPlan,
  bodies: readonly Body[],
  driven: readonly Driven[],
): readonly Hole[] {
  const declared = declaredHoles(bodies);
  const moving = declared.filter((hole) => hole.for === 'pivot' || hole.for === 'latch');
  const still = declared.filter((hole) => !moving.includes(hole));
  return [
    ...still,
    ...withLines([...moving, ...innerHoles(plan, moving, bodies)]),
    ...driven.flatMap(fastenerHoles),
  ];
}
