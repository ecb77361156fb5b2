import { atan2, cos, sin, tan } from '../../../measure/angle.js';
import { fromMm, type Ticks } from '../../../measure/ticks.js';
import { type ConvexSolid, solidInside } from '../../../solid/convex-solid.js';
import { atLeast, atMost, behind, between, type HalfSpace } from '../../../solid/half-space.js';
import type { Vec3 } from '../../../solid/vector.js';
import { cutPanel, type PanelDraft } from '../../cut-panel.js';
import type { BuiltBox, Parameter, Refusal } from '../../family.js';
import type { Feature, Joint, Opening } from '../../panel-set.js';
import type { BoxPlan } from '../../plan.js';
import { missingWood, outOfRange } from '../../ranges.js';
import { derive } from './derive.js';
import { PARAMETERS, ROLES } from './parameters.js';

/** Thickness of each panel's board. */
export interface Thicknesses {
  front: Ticks;
  back: Ticks;
  left: Ticks;
  right: Ticks;
  floor: Ticks;
  roof: Ticks;
}

/** Everything the panels are cut from, in box space. Lengths in ticks (not rounded), angle in degrees. */
export interface Frame {
  t: Thicknesses;
  width: number;
  depth: number;
  /** Where a side begins and ends from front to back. */
  sideFrom: number;
  sideTo: number;
  /** Bottom edge of the walls. */
  bottom: number;
  /** Height of a side at its front and back edge. */
  sideFront: number;
  sideBack: number;
  slope: number;
  /** Height of the roof's underside where the sides begin. */
  roofLine: number;
  gapOverSides: number;
  gapOverFront: number;
  /** Null for an open front, which ends `frontAboveFloor` above the floor. */
  entrance: { width: number; height: number; centre: number } | null;
  frontAboveFloor: number;
}

/** The least that is left of a room before it is no room. Common practice, no source. */
const LEAST_ROOM = fromMm(60);
/** The least that stays open above an open front. Common practice, no source. */
const LEAST_OPENING = fromMm(30);
/** Wood left above an entrance. Common practice, no source. */
const OVER_ENTRANCE = fromMm(8);
const SCORE = { depth: fromMm(3), width: fromMm(3.2), spacing: fromMm(10) };

const roofAt = (frame: Frame, y: number): number => frame.roofLine + (y - frame.sideFrom) * tan(frame.slope);

function thicknessesOf(plan: BoxPlan): Thicknesses | Refusal[] {
  const missing = missingWood(plan, ROLES);
  if (missing.length > 0) return missing;
  const of = (role: string) => plan.wood[role]!.thickness;
  return { front: of('front'), back: of('back'), left: of('side-left'), right: of('side-right'), floor: of('floor'), roof: of('roof') };
}

/** The frame that a plan asks for, or what would have to change to make it sound. */
export function frameOf(plan: BoxPlan, parameters: readonly Parameter[]): Frame | Refusal[] {
  const t = thicknessesOf(plan);
  if (Array.isArray(t)) return t;
  const wild = outOfRange(plan, parameters);
  if (wild.length > 0) return wild;
  const { sizes, schools } = plan;
  const size = (id: string): number => sizes[id] ?? 0;
  const outside = schools.measure === 'outside';
  const width = size('width') - (outside ? t.left + t.right : 0);
  const depth = size('depth') - (outside ? t.front + t.back : 0);
  const sideFrom = schools.walls === 'over' ? 0 : -t.front;
  const sideTo = schools.walls === 'over' ? depth : depth + t.back;
  const run = sideTo - sideFrom;
  const sideFront = size('frontHeight');
  const flat = schools.roof === 'flat';
  const sideBack = flat ? sideFront : schools.slope === 'angle' ? sideFront + run * tan(plan.angles.slope ?? 0) : size('backHeight');
  const bottom = -(size('floorRecess') + t.floor);
  const gapOverSides = schools.vents === 'gap-sides' ? size('ventSize') : 0;
  const open = sizes.frontAboveFloor !== undefined;
  const oval = schools.entrance === 'oval';
  const entranceHigh = oval ? size('entranceUpright') : size('entranceWidth');
  const frame: Frame = {
    t,
    width,
    depth,
    sideFrom,
    sideTo,
    bottom,
    sideFront,
    sideBack,
    slope: flat ? 0 : atan2(sideBack - sideFront, run),
    roofLine: bottom + sideFront + gapOverSides,
    gapOverSides,
    gapOverFront: schools.vents === 'gap-front' ? size('ventSize') : 0,
    entrance: open
      ? null
      : {
          width: size('entranceWidth'),
          height: entranceHigh,
          centre: size('entranceHeight') + (schools.entranceTo === 'sill' ? entranceHigh / 2 : 0),
        },
    frontAboveFloor: size('frontAboveFloor'),
  };
  const refusals = faults(plan, frame);
  return refusals.length > 0 ? refusals : frame;
}

function faults(plan: BoxPlan, frame: Frame): Refusal[] {
  const found: Refusal[] = [];
  const refuse = (field: string, message: string) => found.push({ field, message });
  const walls =
    plan.schools.measure === 'outside'
      ? ' The two walls take the rest: make it larger, choose thinner boards, or keep the inside instead.'
      : '';
  if (frame.width < LEAST_ROOM)
    refuse('width', `Only ${Math.round(frame.width / 320)} mm is left between the sides; 60 mm is the least.${walls}`);
  if (frame.depth < LEAST_ROOM)
    refuse('depth', `Only ${Math.round(frame.depth / 320)} mm is left between front and back; 60 mm is the least.${walls}`);
  if (found.length > 0) return found;
  if (frame.slope < 0)
    refuse(
      'backHeight',
      'The back is lower than the front, so water would run off over the entrance. Make the back at least as high as the front.',
    );
  if (frame.slope > 45) refuse('backHeight', 'The roof would be steeper than 45°. Lower the back or raise the front.');
  if (roofAt(frame, 0) < LEAST_ROOM) refuse('frontHeight', 'Floor and recess leave no room under the roof. Make the sides higher.');
  const drain = plan.sizes.drainSize ?? 0;
  if (drain > Math.min(frame.width, frame.depth) / 3) refuse('drainSize', 'Drains this large leave hardly a floor.');
  const { entrance } = frame;
  if (!entrance) {
    if (frame.frontAboveFloor > roofAt(frame, 0) - LEAST_OPENING)
      refuse('frontAboveFloor', 'Less than 30 mm stays open above the front. Lower the front, or make the sides higher.');
    return found;
  }
  const sill = entrance.centre - entrance.height / 2;
  const top = entrance.centre + entrance.height / 2;
  const frontTop = roofAt(frame, -frame.t.front) - frame.gapOverFront;
  if (sill < 0) refuse('entranceHeight', 'The entrance reaches below the floor. Raise it.');
  if (top > frontTop - OVER_ENTRANCE)
    refuse(
      'entranceHeight',
      'The entrance reaches the roof: at least 8 mm of front must stay above it. Lower it, or make the sides higher at the front.',
    );
  if (entrance.width > frame.width - 2 * OVER_ENTRANCE)
    refuse('entranceWidth', 'The entrance is wider than the front allows: 8 mm must stay on either side. Make the box wider.');
  return found;
}

/** A regular polygon of 24 corners round a point in the plane spanned by two directions, as large as the hole. */
function ring(centre: Vec3, u: Vec3, v: Vec3, radiusU: number, radiusV: number): Vec3[] {
  return Array.from({ length: 24 }, (_unused, index) => {
    const [c, s] = [cos(index * 15) * radiusU, sin(index * 15) * radiusV];
    return [centre[0] + u[0] * c + v[0] * s, centre[1] + u[1] * c + v[1] * s, centre[2] + u[2] * c + v[2] * s];
  });
}

function mustBe(solid: ConvexSolid | null, role: string): ConvexSolid {
  if (!solid) throw new Error(`the ${role} has no wood left`);
  return solid;
}

/** The inside of the front from a height up to the roof, across the room. */
const acrossOpening = (frame: Frame, half: number, from: number): Vec3[] => [
  [-half, 0, from],
  [half, 0, from],
  [half, 0, roofAt(frame, 0)],
  [-half, 0, roofAt(frame, 0)],
];

/** Cuts a slant-roof box out of space. Pure: the same plan always gives the same panels. */
export function build(plan: BoxPlan, parameters: readonly Parameter[] = PARAMETERS): BuiltBox {
  const frame = frameOf(plan, parameters);
  if (Array.isArray(frame)) return { ok: false, refusals: frame };
  const { t, width, depth, slope, bottom } = frame;
  const { schools, sizes } = plan;
  const size = (id: string): number => sizes[id] ?? 0;
  const half = width / 2;
  const wallsOver = schools.walls === 'over';
  const butt = schools.roof === 'butt';
  const up: Vec3 = [0, -sin(slope), cos(slope)];
  const along: Vec3 = [0, cos(slope), sin(slope)];
  const back: Vec3 = [0, -cos(slope), -sin(slope)];
  const underRoof = (drop = 0): HalfSpace => behind(up, [0, frame.sideFrom, frame.roofLine - drop]);
  const acrossFront = wallsOver ? between('x', -half - t.left, half + t.right) : between('x', -half, half);
  const roofTopAtBack = roofAt(frame, depth) + t.roof / cos(slope);

  const front = solidInside([
    ...acrossFront,
    ...between('y', -t.front, 0),
    atLeast('z', bottom),
    frame.entrance ? underRoof(frame.gapOverFront) : atMost('z', frame.frontAboveFloor),
  ]);
  const backTop = butt ? atMost('z', roofTopAtBack + size('backAbove')) : underRoof();
  const backSolid = solidInside([
    ...acrossFront,
    ...between('y', depth, depth + t.back),
    atLeast('z', bottom - size('backBelow')),
    backTop,
  ]);
  const side = (from: number, to: number) =>
    solidInside([
      ...between('x', from, to),
      ...between('y', frame.sideFrom, frame.sideTo),
      atLeast('z', bottom),
      underRoof(frame.gapOverSides),
    ]);
  const drain = size('drainSize');
  const short = schools.floor === 'gap' ? drain : 0;
  const corners: HalfSpace[] =
    schools.floor === 'clipped'
      ? [-1, 1].flatMap((sx) => [-1, 1].map((sy) => behind([sx, sy, 0], [sx * (half - drain), sy > 0 ? depth : 0, 0])))
      : [];
  const floor = solidInside([
    ...between('x', -half, half),
    ...between('y', short, depth - short),
    ...between('z', -t.floor, 0),
    ...corners,
  ]);
  const eaves = -t.front - size('overhangFront');
  const rear = depth + t.back + size('overhangRear');
  const roof = solidInside([
    ...between('x', -half - t.left - size('overhangSide'), half + t.right + size('overhangSide')),
    behind([-up[0], -up[1], -up[2]], [0, frame.sideFrom, frame.roofLine]),
    { normal: up, offset: underRoof().offset + t.roof },
    behind(back, [0, eaves, roofAt(frame, eaves)]),
    butt ? atMost('y', depth) : behind(along, [0, rear, roofAt(frame, rear)]),
  ]);

  const { entrance } = frame;
  const sill = entrance ? entrance.centre - entrance.height / 2 : frame.frontAboveFloor;
  const inside = schools.grip === 'rough' ? 'rough' : 'any';

  const frontFeatures: PanelDraft['features'] = (toFrame) => {
    if (!entrance) return [];
    const centre = toFrame([0, -t.front, entrance.centre]);
    const hole: Feature =
      schools.entrance === 'oval'
        ? {
            kind: 'entrance',
            shape: 'oval',
            centre,
            width: Math.round(entrance.width),
            height: Math.round(entrance.height),
            depth: 'through',
          }
        : { kind: 'entrance', shape: 'round', centre, diameter: Math.round(entrance.width), depth: 'through' };
    if (schools.grip !== 'kerfs') return [hole];
    const grooves: Feature[] = [];
    for (let z = fromMm(20); z < sill - fromMm(4); z += SCORE.spacing) {
      grooves.push({
        kind: 'groove',
        from: toFrame([half - fromMm(8), 0, z]),
        to: toFrame([-half + fromMm(8), 0, z]),
        face: 'inside',
        width: SCORE.width,
        depth: SCORE.depth,
      });
    }
    return [hole, ...grooves];
  };

  const ventHoles: Vec3[] =
    schools.vents === 'holes'
      ? [-1, 1].flatMap((side) =>
          [0.28, 0.72].map((share): Vec3 => [side * half, depth * share, roofAt(frame, depth * share) - size('ventSize') / 2 - fromMm(14)]),
        )
      : [];
  const sideFeatures =
    (sign: number): PanelDraft['features'] =>
    (toFrame) =>
      ventHoles
        .filter((hole) => Math.sign(hole[0]) === sign)
        .map((hole): Feature => ({ kind: 'vent', shape: 'round', centre: toFrame(hole), diameter: size('ventSize'), depth: 'through' }));

  const inset = Math.max(drain, fromMm(12)) + fromMm(6);
  const drainHoles: Vec3[] =
    schools.floor === 'holes'
      ? [
          [-half + inset, inset],
          [half - inset, inset],
          [-half + inset, depth - inset],
          [half - inset, depth - inset],
          [0, depth / 2],
        ].map(([x, y]): Vec3 => [x!, y!, 0])
      : [];
  const floorFeatures: PanelDraft['features'] = (toFrame): Feature[] =>
    drainHoles.map((hole) => ({ kind: 'drain', shape: 'round', centre: toFrame(hole), diameter: drain, depth: 'through' }));

  const wall = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;
  const panels = [
    cutPanel({
      ...wall,
      id: 'front',
      role: 'front',
      thickness: t.front,
      solid: mustBe(front, 'front'),
      outsideNormal: [0, -1, 0],
      inside,
      features: frontFeatures,
    }),
    cutPanel({
      ...wall,
      id: 'back',
      role: 'back',
      thickness: t.back,
      solid: mustBe(backSolid, 'back'),
      outsideNormal: [0, 1, 0],
      inside: 'any',
    }),
    cutPanel({
      ...wall,
      id: 'side-left',
      role: 'side-left',
      thickness: t.left,
      solid: mustBe(side(-half - t.left, -half), 'left side'),
      outsideNormal: [-1, 0, 0],
      inside: 'any',
      features: sideFeatures(-1),
    }),
    cutPanel({
      ...wall,
      id: 'side-right',
      role: 'side-right',
      thickness: t.right,
      solid: mustBe(side(half, half + t.right), 'right side'),
      outsideNormal: [1, 0, 0],
      inside: 'any',
      features: sideFeatures(1),
    }),
    cutPanel({
      id: 'floor',
      role: 'floor',
      thickness: t.floor,
      solid: mustBe(floor, 'floor'),
      outsideNormal: [0, 0, -1],
      grainDirection: [0, 1, 0],
      grain: 'any',
      inside: 'any',
      knots: 'sound',
      features: floorFeatures,
    }),
    cutPanel({
      id: 'roof',
      role: 'roof',
      thickness: t.roof,
      solid: mustBe(roof, 'roof'),
      outsideNormal: up,
      grainDirection: schools.roofGrain === 'across' ? [1, 0, 0] : along,
      grain: 'along',
      inside: 'any',
      knots: 'none',
    }),
  ];

  const meet = (a: string, b: string, when = true): Joint[] => (when ? [{ between: [a, b], kind: 'butt' }] : []);
  const sides = ['side-left', 'side-right'];
  const joints = [
    ...sides.flatMap((s) => [...meet('front', s), ...meet('back', s), ...meet('floor', s), ...meet('roof', s, frame.gapOverSides === 0)]),
    ...meet('floor', 'front', schools.floor !== 'gap'),
    ...meet('floor', 'back', schools.floor !== 'gap'),
    ...meet('roof', 'front', frame.entrance !== null && frame.gapOverFront === 0),
    ...meet('roof', 'back'),
  ];

  const strip = (x: number): Vec3[] => [
    [x, 0, roofAt(frame, 0) - frame.gapOverSides],
    [x, depth, roofAt(frame, depth) - frame.gapOverSides],
    [x, depth, roofAt(frame, depth)],
    [x, 0, roofAt(frame, 0)],
  ];
  const flatDrain = (points: readonly (readonly [number, number])[]): Opening => ({
    kind: 'drain',
    polygon: points.map(([x, y]): Vec3 => [x, y, 0]),
  });
  const openings: Opening[] = [
    entrance
      ? { kind: 'entrance', polygon: ring([0, 0, entrance.centre], [1, 0, 0], [0, 0, 1], entrance.width / 2, entrance.height / 2) }
      : { kind: 'open-front', polygon: acrossOpening(frame, half, frame.frontAboveFloor) },
    ...(frame.gapOverSides > 0 ? [-half, half].map((x): Opening => ({ kind: 'vent-gap', polygon: strip(x) })) : []),
    ...(frame.gapOverFront > 0
      ? [
          {
            kind: 'vent-gap' as const,
            polygon: [
              [-half, 0, roofAt(frame, 0) - frame.gapOverFront],
              [half, 0, roofAt(frame, 0) - frame.gapOverFront],
              [half, 0, roofAt(frame, 0)],
              [-half, 0, roofAt(frame, 0)],
            ] as Vec3[],
          },
        ]
      : []),
    ...ventHoles.map(
      (hole): Opening => ({ kind: 'vent-hole', polygon: ring(hole, [0, 1, 0], [0, 0, 1], size('ventSize') / 2, size('ventSize') / 2) }),
    ),
    ...drainHoles.map((hole): Opening => ({ kind: 'drain', polygon: ring(hole, [1, 0, 0], [0, 1, 0], drain / 2, drain / 2) })),
    ...(schools.floor === 'clipped'
      ? [-1, 1].flatMap((sx) =>
          [-1, 1].map((sy) => {
            const [x, y] = [sx * half, sy > 0 ? depth : 0];
            return flatDrain([
              [x, y],
              [x - sx * drain, y],
              [x, y - sy * drain],
            ]);
          }),
        )
      : []),
    ...(schools.floor === 'gap'
      ? [[0, drain] as const, [depth - drain, depth] as const].map(([from, to]) =>
          flatDrain([
            [-half, from],
            [half, from],
            [half, to],
            [-half, to],
          ]),
        )
      : []),
  ];
  const rounded = (point: Vec3): Vec3 => [Math.round(point[0]), Math.round(point[1]), Math.round(point[2])];

  return {
    ok: true,
    box: {
      cavities: [
        {
          origin: [0, 0, 0],
          width: Math.round(width),
          depth: Math.round(depth),
          heightFront: Math.round(roofAt(frame, 0)),
          heightBack: Math.round(roofAt(frame, depth)),
          sill: Math.round(sill),
        },
      ],
      panels,
      joints,
      openings: openings.map((opening) => ({ ...opening, polygon: opening.polygon.map(rounded) })),
    },
    derived: derive(plan, frame),
  };
}
