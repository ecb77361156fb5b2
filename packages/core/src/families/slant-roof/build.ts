import { cos, fromMm, sin } from '../../measure/index.js';
import {
  assemble,
  type BuiltBox,
  type Draft,
  type Feature,
  LATCH,
  meet,
  type Opening,
  type PanelDraft,
  PIVOT,
  rim,
  wood,
} from '../../panels/index.js';
import { type BoxPlan, type Parameter, rolesOf } from '../../plan/index.js';
import {
  atLeast,
  atMost,
  between,
  type HalfSpace,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { entranceFeature, entranceOpening } from '../shared/entrance.js';
import { floorDraft, floorIn } from '../shared/floor.js';
import { type GripWall, gripFeatures, ladder } from '../shared/grip.js';
import { slopedRoof, underSlopedRoof } from '../shared/sloped-roof.js';
import { derive } from './derive.js';
import { type Frame, frameOf, frontSill, roofAt } from './frame.js';
import { AGAINST_BACK, PARAMETERS, ROLES } from './parameters.js';

/** The inside of the front from a height up to the roof, across the room. */
const acrossOpening = (frame: Frame, half: number, from: number): Vec3[] => [
  [-half, 0, from],
  [half, 0, from],
  [half, 0, roofAt(frame, 0)],
  [-half, 0, roofAt(frame, 0)],
];

const DRIP = { from: fromMm(12), width: fromMm(3.2), depth: fromMm(3) };

/** Cuts a slant-roof box out of space. Pure: the same plan always gives the same panels. */
export function build(plan: BoxPlan, parameters: readonly Parameter[] = PARAMETERS): BuiltBox {
  const frame = frameOf(plan, parameters, rolesOf({ roles: ROLES }, plan.schools));
  if (Array.isArray(frame)) return { ok: false, refusals: frame };
  const { t, width, depth, slope, bottom, swing } = frame;
  const { schools, sizes } = plan;
  const size = (id: string): number => sizes[id] ?? 0;
  const half = width / 2;
  const wallsOver = schools.walls === 'over';
  const against = AGAINST_BACK.includes(schools.roof ?? 'butt');
  const underRoof = (drop = 0): HalfSpace =>
    underSlopedRoof({ slope, at: (y) => roofAt(frame, y) }, drop);
  const acrossFront = wallsOver
    ? between('x', -half - t.left, half + t.right)
    : between('x', -half, half);
  const roofTopAtBack = roofAt(frame, depth) + t.roof / cos(slope);
  const sill = frontSill(frame);
  const openFront = !frame.entrance && frame.slot === 0;

  const front = solidInside([
    ...acrossFront,
    ...between('y', -t.front, 0),
    atLeast('z', bottom),
    openFront ? atMost('z', frame.frontAboveFloor) : underRoof(frame.gapOverFront + frame.slot),
  ]);
  const backSolid = solidInside([
    ...acrossFront,
    ...between('y', depth, depth + t.back),
    atLeast('z', bottom - size('backBelow')),
    against ? atMost('z', roofTopAtBack + size('backAbove')) : underRoof(),
  ]);
  const side = (from: number, to: number, gap: number) =>
    solidInside([
      ...between('x', from, to),
      ...between('y', frame.sideFrom, frame.sideTo),
      atLeast('z', bottom),
      underRoof(gap),
    ]);
  const floor = floorIn(plan, { half, front: 0, back: depth }, t.floor);
  const eaves = -t.front - size('overhangFront');
  const letIn = schools.roof === 'groove' ? size('letIn') : 0;
  const faces = schools.faces ?? 'inside';
  const frontIn = schools.grip === 'rough' ? 'rough' : 'any';
  const wallFaces = {
    outside: faces === 'outside' ? 'rough' : 'any',
    inside: faces === 'inside' && schools.grip === 'rough' ? 'rough' : 'any',
  } as const;
  const gripWall: GripWall = { panel: 'front', x: 0, half, y: 0, floor: 0, sill };

  // Pivots opposite each other and the latch, through the walls that hold the one that swings.
  const axisHeight = swing
    ? swing.wall === 'front'
      ? roofAt(frame, -t.front) - frame.gapOverFront - swing.below
      : roofAt(frame, frame.sideFrom) - swing.gap - swing.below
    : 0;
  const sideAxis = swing?.wall === 'side-left' ? -half - t.left / 2 : half + t.right / 2;
  const latchHeight = bottom + LATCH.above;
  const nails = (
    pivot: Vec3,
    latch: Vec3 | null,
    inwards: Vec3,
    toFrame: (point: Vec3) => readonly [number, number],
  ): Feature[] => [
    { kind: 'pivot', shape: 'round', centre: toFrame(pivot), diameter: PIVOT, depth: 'through' },
    ...(latch
      ? [
          {
            kind: 'latch',
            shape: 'round',
            centre: toFrame(latch),
            diameter: LATCH.diameter,
            depth: 'through',
            axis: [inwards[0] * cos(LATCH.slope), inwards[1] * cos(LATCH.slope), -sin(LATCH.slope)],
          } as const,
        ]
      : []),
  ];
  const swingsSide = swing !== null && swing.wall !== 'front';

  const frontFeatures: PanelDraft['features'] = (toFrame) => [
    ...(frame.entrance
      ? [entranceFeature(frame.entrance, toFrame([0, -t.front, frame.entrance.centre]))]
      : []),
    ...(openFront ? [] : gripFeatures(plan, gripWall, toFrame)),
    ...(swingsSide
      ? nails(
          [sideAxis, -t.front, axisHeight],
          [sideAxis, -t.front, latchHeight],
          [0, 1, 0],
          toFrame,
        )
      : []),
  ];
  const ventHoles: Vec3[] =
    schools.vents === 'holes'
      ? [-1, 1].flatMap((sign) =>
          [0.28, 0.72].map(
            (share): Vec3 => [
              sign * half,
              depth * share,
              roofAt(frame, depth * share) -
                Math.max(frame.gapOverLeft, frame.gapOverRight) -
                size('ventSize') / 2 -
                fromMm(14),
            ],
          ),
        )
      : [];
  const sideFeatures =
    (sign: number): PanelDraft['features'] =>
    (toFrame) => [
      ...ventHoles
        .filter((hole) => Math.sign(hole[0]) === sign)
        .map(
          (hole): Feature => ({
            kind: 'vent',
            shape: 'round',
            centre: toFrame(hole),
            diameter: size('ventSize'),
            depth: 'through',
          }),
        ),
      ...(swing?.wall === 'front'
        ? nails(
            [sign * half, -t.front / 2, axisHeight],
            sign > 0 ? [sign * (half + t.right), -t.front / 2, latchHeight] : null,
            [-sign, 0, 0],
            toFrame,
          )
        : []),
    ];
  const groove = (toFrame: Parameters<NonNullable<PanelDraft['features']>>[0]): Feature => {
    const at = roofAt(frame, depth) + t.roof / cos(slope) / 2;
    const reach = wallsOver ? half + Math.max(t.left, t.right) : half;
    return {
      kind: 'groove',
      purpose: 'dado',
      from: toFrame([reach, depth, at]),
      to: toFrame([-reach, depth, at]),
      face: 'inside',
      width: Math.round(t.roof / cos(slope)),
      depth: letIn,
      tilt: slope,
    };
  };
  const backFeatures: PanelDraft['features'] = (toFrame) => [
    ...(letIn > 0 ? [groove(toFrame)] : []),
    ...(swingsSide ? nails([sideAxis, depth + t.back, axisHeight], null, [0, -1, 0], toFrame) : []),
  ];
  const drip: PanelDraft['features'] = (toFrame) => {
    const y = eaves + DRIP.from * cos(slope);
    if (schools.drip !== 'kerf' || size('overhangFront') < 2 * DRIP.from) return [];
    const reach = half + size('overhangSide');
    return [
      {
        kind: 'groove',
        purpose: 'drip',
        from: toFrame([-reach, y, roofAt(frame, y)]),
        to: toFrame([reach, y, roofAt(frame, y)]),
        face: 'inside',
        width: DRIP.width,
        depth: DRIP.depth,
      },
    ];
  };

  const wall = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;
  const rungs = openFront ? { drafts: [], joints: [] } : ladder(plan, gripWall);
  const drafts: Draft[] = [
    {
      ...wall,
      id: 'front',
      role: 'front',
      thickness: t.front,
      solid: wood(front, 'front'),
      outsideNormal: [0, -1, 0],
      inside: openFront ? wallFaces.inside : frontIn,
      outside: wallFaces.outside,
      features: frontFeatures,
    },
    {
      ...wall,
      ...wallFaces,
      id: 'back',
      role: 'back',
      thickness: t.back,
      solid: wood(backSolid, 'back'),
      outsideNormal: [0, 1, 0],
      features: backFeatures,
    },
    {
      ...wall,
      ...wallFaces,
      id: 'side-left',
      role: 'side-left',
      thickness: t.left,
      solid: wood(side(-half - t.left, -half, frame.gapOverLeft), 'left side'),
      outsideNormal: [-1, 0, 0],
      features: sideFeatures(-1),
    },
    {
      ...wall,
      ...wallFaces,
      id: 'side-right',
      role: 'side-right',
      thickness: t.right,
      solid: wood(side(half, half + t.right, frame.gapOverRight), 'right side'),
      outsideNormal: [1, 0, 0],
      features: sideFeatures(1),
    },
    floorDraft(floor, t.floor),
    slopedRoof(
      {
        slope,
        at: (y) => roofAt(frame, y),
        across: [-half - t.left - size('overhangSide'), half + t.right + size('overhangSide')],
        eaves,
        rear: against ? atMost('y', depth + letIn) : depth + t.back + size('overhangRear'),
        thickness: t.roof,
        grain: schools.roofGrain === 'across' ? 'across' : 'slope',
      },
      drip,
    ),
    ...rungs.drafts,
  ];

  // How each pair of neighbours is held: what swings or lifts is loose, what comes off is screwed.
  const off =
    schools.access === 'screwed'
      ? wallsOver
        ? 'front'
        : schools.opensAt === 'left'
          ? 'side-left'
          : 'side-right'
      : null;
  const held = (a: string, b: string) =>
    swing && (a === swing.wall || b === swing.wall)
      ? 'loose'
      : off && (a === off || b === off)
        ? 'screwed'
        : 'butt';
  const lifts = schools.access === 'roof';
  const roofed = (id: string, when: boolean) =>
    meet('roof', id, lifts ? 'loose' : held('roof', id), when);
  const sides = ['side-left', 'side-right'];
  const gapOver = (id: string) => (id === 'side-left' ? frame.gapOverLeft : frame.gapOverRight);
  const joints = [
    ...sides.flatMap((s) => [
      ...meet('front', s, held('front', s)),
      ...meet('back', s, held('back', s)),
      ...meet('floor', s, held('floor', s)),
      ...roofed(s, gapOver(s) === 0),
    ]),
    ...meet('floor', 'front', held('floor', 'front'), floor.meetsEnds),
    ...meet('floor', 'back', 'butt', floor.meetsEnds),
    ...roofed('front', !openFront && frame.slot === 0 && frame.gapOverFront === 0),
    ...meet(
      'roof',
      'back',
      letIn > 0 ? 'let-in' : lifts ? (schools.roof === 'strip' ? 'strip' : 'hinged') : 'butt',
    ),
    ...rungs.joints,
  ];

  const strip = (x: number, gap: number): Vec3[] => [
    [x, 0, roofAt(frame, 0) - gap],
    [x, depth, roofAt(frame, depth) - gap],
    [x, depth, roofAt(frame, depth)],
    [x, 0, roofAt(frame, 0)],
  ];
  const openings: Opening[] = [
    frame.entrance
      ? entranceOpening(frame.entrance, 0, 0)
      : {
          kind: openFront ? 'open-front' : 'entrance',
          polygon: acrossOpening(
            frame,
            half,
            openFront ? frame.frontAboveFloor : sill - frame.gapOverFront,
          ),
        },
    ...[[-half, frame.gapOverLeft] as const, [half, frame.gapOverRight] as const].flatMap(
      ([x, gap]): Opening[] => (gap > 0 ? [{ kind: 'vent-gap', polygon: strip(x, gap) }] : []),
    ),
    ...(frame.gapOverFront > 0 && frame.slot === 0
      ? [
          {
            kind: 'vent-gap',
            polygon: acrossOpening(frame, half, roofAt(frame, 0) - frame.gapOverFront),
          } as const,
        ]
      : []),
    ...ventHoles.map(
      (hole): Opening => ({
        kind: 'vent-hole',
        polygon: rim('round', hole, [0, 1, 0], [0, 0, 1], size('ventSize'), size('ventSize')),
      }),
    ),
    ...floor.openings,
  ];

  return {
    ok: true,
    box: assemble(plan, drafts, joints, openings, [
      {
        origin: [0, 0, 0],
        width,
        depth,
        heightFront: roofAt(frame, 0),
        heightBack: roofAt(frame, depth),
        sill: Math.max(0, sill - (frame.slot > 0 ? frame.gapOverFront : 0)),
      },
    ]),
    derived: derive(plan, frame),
  };
}
