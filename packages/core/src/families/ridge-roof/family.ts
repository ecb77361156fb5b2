import type { Animal } from '../../animals/index.js';
import {
  accessCheck,
  airChecks,
  type Check,
  entranceChecks,
  everyBox,
  gripCheck,
  roomChecks,
  setSchool,
  swingChecks,
  wallChecks,
  weatherChecks,
} from '../../checks/index.js';
import { cos, fromMm, printAngle, sin, tan, toMm } from '../../measure/index.js';
import {
  assemble,
  type BuiltBox,
  type Derived,
  type Draft,
  type Feature,
  type JointDraft,
  LATCH,
  meet,
  type Opening,
  type PanelSet,
  PIVOT,
  rim,
  swingGap,
  swingRiseUnderSlope,
  wood,
} from '../../panels/index.js';
import {
  angle,
  type BoxPlan,
  entranceOf,
  length,
  missingWood,
  outOfRange,
  type PanelRole,
  type Parameter,
  type Refusal,
  recessOf,
  rolesOf,
  type School,
  school,
  sillOf,
} from '../../plan/index.js';
import { atLeast, between, solidInside, type Vec3 } from '../../solid/index.js';
import { say } from '../../text/index.js';
import type { DrawnDimension, Family } from '../family.js';
import { NEST_CAUTIONS } from '../shared/cautions.js';
import { COMMON_SCHOOLS, MEASURE_SCHOOL } from '../shared/common-choices.js';
import { suitRoom } from '../shared/defaults-for-room.js';
import {
  ENTRANCE_PARAMETERS,
  ENTRANCE_SCHOOLS,
  entranceFaults,
  entranceFeature,
  entranceOpening,
} from '../shared/entrance.js';
import { FLOOR_PARAMETERS, FLOOR_SCHOOLS, floorDraft, floorIn } from '../shared/floor.js';
import { GRIP_SCHOOL, type GripWall, gripFeatures, LADDER_ROLE, ladder } from '../shared/grip.js';
import {
  RIDGE_SCHOOL,
  type Ridge,
  ridgeRoof,
  slopeAt,
  underRidge,
  underSlope,
} from '../shared/ridge.js';

const PARAMETERS: readonly Parameter[] = [
  length('width', 'Width', 60, 700, 127, 'Across the box, as you face it.'),
  length('depth', 'Depth', 60, 900, 127, 'From front to back.'),
  length(
    'sideHeight',
    'Sides high',
    80,
    1000,
    210,
    'Length of a side, inside, from the bottom to the roof line.',
  ),
  angle('pitch', 'Pitch', 30, 60, 45, 'Of each slope, from level.'),
  length(
    'overhangFront',
    'Roof out over the front',
    0,
    200,
    50,
    'Level distance from the front to the roof’s front edge.',
  ),
  length(
    'overhangRear',
    'Roof out over the back',
    0,
    150,
    0,
    'Nothing, so that the box hangs flat.',
  ),
  length(
    'overhangSide',
    'Eaves out over each side',
    0,
    150,
    30,
    'Level distance from the outside of a side to the eave.',
  ),
  ...FLOOR_PARAMETERS,
  length('backBelow', 'Back longer below', 0, 200, 0, 'Below the walls, to fix the box by.'),
  ...ENTRANCE_PARAMETERS,
  length(
    'pivotBelow',
    'Pivots below the upper edge',
    12,
    80,
    25.4,
    'The axis on which the side swings; both nails at this height.',
    (s) => s.access === 'side',
  ),
  length('ventSize', 'Vent', 3, 25, 6.4, 'Height of a gap or diameter of a hole.'),
  length(
    'shelfDeep',
    'Landing shelf, deep',
    40,
    300,
    120,
    'How far it stands out from the front.',
    (s) => s.landing === 'shelf',
  ),
  length(
    'shelfWide',
    'Landing shelf, wide',
    60,
    600,
    160,
    'Across the front.',
    (s) => s.landing === 'shelf',
  ),
];

const SCHOOLS: readonly School[] = [
  RIDGE_SCHOOL,
  school(
    'walls',
    'Front and back',
    [
      [
        'over',
        'over the sides',
        'The gables cover the edges of the sides, one of which can then swing.',
      ],
      ['between', 'between the sides', 'The sides cover the edges of the gables.'],
    ],
    { picture: 'plan' },
  ),
  MEASURE_SCHOOL,
  school('access', 'Opens for cleaning by', [
    [
      'side',
      'a side that swings',
      'One side pivots on two nails through the gables; a latch nail holds it shut.',
    ],
    [
      'screwed',
      'screws',
      'The wall that covers its neighbours’ edges is held by screws alone, without glue.',
    ],
  ]),
  school(
    'opensAt',
    'Seen from the front, it opens at the',
    [
      ['right', 'right', 'All boxes of a batch alike.'],
      ['left', 'left', 'All boxes of a batch alike.'],
    ],
    { applies: (s) => s.access === 'side' || s.walls === 'between' },
  ),
  ...FLOOR_SCHOOLS,
  school(
    'floorOn',
    'Floor is held',
    [
      ['walls', 'by the walls', 'Fastened through the walls into its edges.'],
      [
        'cleats',
        'on cleats',
        'It lies loose on two sticks along the sides, so that it can be replaced.',
      ],
    ],
    { picture: 'front' },
  ),
  school(
    'vents',
    'Vents',
    [
      [
        'gap-sides',
        'gap over the sides',
        'Both sides stop short of the roof, which rests on the gables.',
      ],
      ['holes', 'holes', 'Two high in the back gable, under the ridge.'],
    ],
    { picture: 'front' },
  ),
  school(
    'landing',
    'Landing shelf',
    [
      ['none', 'none', 'Small cavity nesters need none; it serves those who rob them.'],
      ['shelf', 'a shelf', 'For larger owls, whose young walk out before they fly.'],
    ],
    { picture: 'section' },
  ),
  GRIP_SCHOOL,
  ...ENTRANCE_SCHOOLS,
  ...COMMON_SCHOOLS,
];

const ROLES: readonly PanelRole[] = [
  { id: 'front', label: 'Front gable' },
  { id: 'back', label: 'Back gable' },
  { id: 'side-left', label: 'Left side' },
  { id: 'side-right', label: 'Right side' },
  { id: 'floor', label: 'Floor' },
  { id: 'roof-left', label: 'Left slope' },
  { id: 'roof-right', label: 'Right slope' },
  { id: 'cleat', label: 'Floor cleat', stick: [12, 25], applies: (s) => s.floorOn === 'cleats' },
  { id: 'shelf', label: 'Landing shelf', applies: (s) => s.landing === 'shelf' },
  LADDER_ROLE,
];

function build(plan: BoxPlan): BuiltBox {
  const { sizes, schools } = plan;
  const wild = [
    ...missingWood(plan, rolesOf({ roles: ROLES }, schools)),
    ...outOfRange(plan, PARAMETERS),
  ];
  if (wild.length > 0) return { ok: false, refusals: wild };
  const size = (id: string): number => sizes[id] ?? 0;
  const thick = (role: string): number => plan.wood[role]!.thickness;
  const t = {
    front: thick('front'),
    back: thick('back'),
    left: thick('side-left'),
    right: thick('side-right'),
    floor: thick('floor'),
  };
  const outside = schools.measure === 'outside';
  const width = size('width') - (outside ? t.left + t.right : 0);
  const depth = size('depth') - (outside ? t.front + t.back : 0);
  const pitch = plan.angles.pitch ?? 45;
  const half = width / 2;
  const over = schools.walls !== 'between';
  const cleats = schools.floorOn === 'cleats';
  const cleat = cleats ? { high: thick('cleat'), wide: plan.wood.cleat?.width ?? 0 } : null;
  const bottom = -(recessOf(plan) + t.floor + (cleat?.high ?? 0));
  const eavesHeight = bottom + size('sideHeight');
  const vent = schools.vents === 'gap-sides' ? size('ventSize') : 0;
  const swings =
    schools.access === 'side' ? (schools.opensAt === 'left' ? 'side-left' : 'side-right') : null;
  const below = size('pivotBelow');
  const needed = swings
    ? swingRiseUnderSlope(below, (swings === 'side-left' ? t.left : t.right) / 2, pitch)
    : 0;
  const gapOver = (side: string) => (side === swings ? swingGap(needed, vent) : vent);
  const apex = eavesHeight + vent + half * tan(pitch);
  const shape = { apex, pitch };
  const entrance = entranceOf(plan);
  const refusals = faults();
  if (refusals.length > 0) return { ok: false, refusals };

  const [sideFrom, sideTo] = over ? [0, depth] : [-t.front, depth + t.back];
  const across = over ? between('x', -half - t.left, half + t.right) : between('x', -half, half);
  const sill = sillOf(entrance);
  const gripWall: GripWall = { panel: 'front', x: 0, half, y: 0, floor: 0, sill };
  const floor = floorIn(plan, { half, front: 0, back: depth }, t.floor);
  const upright = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;
  const ventHoles: Vec3[] =
    schools.vents === 'holes'
      ? [-1, 1].map(
          (sign): Vec3 => [
            sign * (half / 3),
            depth,
            slopeAt(shape, half / 3) - size('ventSize') / 2 - fromMm(14),
          ],
        )
      : [];
  const sideTop = (side: 'side-left' | 'side-right') =>
    slopeAt(shape, half + (side === 'side-left' ? t.left : t.right)) - gapOver(side);
  const axis = swings
    ? {
        x: swings === 'side-left' ? -half - t.left / 2 : half + t.right / 2,
        z: sideTop(swings) - below,
      }
    : null;
  const nails = (
    y: number,
    latch: boolean,
    inwards: number,
    toFrame: (point: Vec3) => readonly [number, number],
  ): Feature[] =>
    axis
      ? [
          {
            kind: 'pivot',
            shape: 'round',
            centre: toFrame([axis.x, y, axis.z]),
            diameter: PIVOT,
            depth: 'through',
          },
          ...(latch
            ? [
                {
                  kind: 'latch',
                  shape: 'round',
                  centre: toFrame([axis.x, y, bottom + LATCH.above]),
                  diameter: LATCH.diameter,
                  depth: 'through',
                  axis: [0, inwards * cos(LATCH.slope), -sin(LATCH.slope)],
                } as const,
              ]
            : []),
        ]
      : [];
  const gable = (id: 'front' | 'back'): Draft => {
    const [from, to] = id === 'front' ? [-t.front, 0] : [depth, depth + t.back];
    return {
      ...upright,
      id,
      role: id,
      thickness: t[id],
      solid: wood(
        solidInside([
          ...across,
          ...between('y', from, to),
          atLeast('z', bottom - (id === 'back' ? size('backBelow') : 0)),
          ...underRidge(shape),
        ]),
        id,
      ),
      outsideNormal: [0, id === 'front' ? -1 : 1, 0],
      inside: id === 'front' && schools.grip === 'rough' ? 'rough' : 'any',
      features: (toFrame) =>
        id === 'front'
          ? [
              entranceFeature(entrance, toFrame([0, -t.front, entrance.centre])),
              ...gripFeatures(plan, gripWall, toFrame),
              ...nails(-t.front, true, 1, toFrame),
            ]
          : [
              ...ventHoles.map(
                (hole): Feature => ({
                  kind: 'vent',
                  shape: 'round',
                  centre: toFrame(hole),
                  diameter: size('ventSize'),
                  depth: 'through',
                }),
              ),
              ...nails(depth + t.back, false, -1, toFrame),
            ],
    };
  };
  const side = (id: 'side-left' | 'side-right'): Draft => {
    const sign = id === 'side-left' ? -1 : 1;
    const thickness = sign < 0 ? t.left : t.right;
    return {
      ...upright,
      id,
      role: id,
      thickness,
      solid: wood(
        solidInside([
          ...(sign < 0
            ? between('x', -half - thickness, -half)
            : between('x', half, half + thickness)),
          ...between('y', sideFrom, sideTo),
          atLeast('z', bottom),
          underSlope(sign, shape, gapOver(id)),
        ]),
        id,
      ),
      outsideNormal: [sign, 0, 0],
      inside: 'any',
    };
  };
  const roof = ridgeRoof({
    ...shape,
    eaves: half + Math.max(t.left, t.right) + size('overhangSide'),
    from: -t.front - size('overhangFront'),
    to: depth + t.back + size('overhangRear'),
    thickness: { left: thick('roof-left'), right: thick('roof-right') },
    lapped: schools.ridge !== 'mitred',
  } satisfies Ridge);
  const drain = size('drainSize');
  const cleatDrafts: Draft[] = cleat
    ? [-1, 1].map(
        (sign): Draft => ({
          id: `cleat-${sign}`,
          group: 'cleat',
          role: 'cleat',
          thickness: cleat.high,
          solid: wood(
            solidInside([
              ...between(
                'x',
                sign < 0 ? -half : half - cleat.wide,
                sign < 0 ? -half + cleat.wide : half,
              ),
              ...between(
                'y',
                Math.min(2 * drain, depth / 4),
                depth - Math.min(2 * drain, depth / 4),
              ),
              ...between('z', -t.floor - cleat.high, -t.floor),
            ]),
            'cleat',
          ),
          outsideNormal: [0, 0, -1],
          grainDirection: [0, 1, 0],
          grain: 'along',
          inside: 'any',
          knots: 'sound',
        }),
      )
    : [];
  const shelf: Draft[] =
    schools.landing === 'shelf'
      ? [
          {
            id: 'shelf',
            role: 'shelf',
            thickness: thick('shelf'),
            solid: wood(
              solidInside([
                ...between('x', -size('shelfWide') / 2, size('shelfWide') / 2),
                ...between('y', -t.front - size('shelfDeep'), -t.front),
                ...between('z', sill - fromMm(6) - thick('shelf'), sill - fromMm(6)),
              ]),
              'shelf',
            ),
            outsideNormal: [0, 0, 1],
            grainDirection: [1, 0, 0],
            grain: 'along',
            outside: 'any',
            inside: 'any',
            knots: 'sound',
          },
        ]
      : [];
  const rungs = ladder(plan, gripWall);
  const drafts: Draft[] = [
    gable('front'),
    gable('back'),
    side('side-left'),
    side('side-right'),
    floorDraft(floor, t.floor),
    ...roof.drafts,
    ...cleatDrafts,
    ...shelf,
    ...rungs.drafts,
  ];
  const off =
    schools.access === 'screwed'
      ? over
        ? 'front'
        : schools.opensAt === 'left'
          ? 'side-left'
          : 'side-right'
      : null;
  const held = (a: string, b: string) =>
    [a, b].includes(swings ?? '') ? 'loose' : [a, b].includes(off ?? '') ? 'screwed' : 'butt';
  const floorHeld = (wall: string) => (cleats ? 'loose' : held('floor', wall));
  const sides = ['side-left', 'side-right'];
  const joints: JointDraft[] = [
    ...sides.flatMap((s) => [
      ...meet('front', s, held('front', s)),
      ...meet('back', s, held('back', s)),
      ...meet('floor', s, floorHeld(s)),
      ...meet(s === 'side-left' ? 'roof-left' : 'roof-right', s, held('roof', s), gapOver(s) === 0),
    ]),
    ...meet('floor', 'front', floorHeld('front'), floor.meetsEnds),
    ...meet('floor', 'back', floorHeld('back'), floor.meetsEnds),
    ...['front', 'back'].flatMap((g) =>
      ['roof-left', 'roof-right'].flatMap((r) => meet(g, r, held(g, r))),
    ),
    ...roof.joints,
    ...cleatDrafts.flatMap((draft, index) => [
      ...meet(draft.id, sides[index]!, swings === sides[index] ? 'loose' : 'butt'),
      ...meet(draft.id, 'floor', 'loose'),
    ]),
    ...(shelf.length > 0 ? meet('shelf', 'front', 'screwed') : []),
    ...rungs.joints,
  ];
  const strip = (sign: -1 | 1, gap: number): Vec3[] => {
    const high = slopeAt(shape, half);
    return [
      [sign * half, 0, high - gap],
      [sign * half, depth, high - gap],
      [sign * half, depth, high],
      [sign * half, 0, high],
    ];
  };
  const openings: Opening[] = [
    entranceOpening(entrance, 0, 0),
    ...([-1, 1] as const).flatMap((sign): Opening[] => {
      const gap = gapOver(sign < 0 ? 'side-left' : 'side-right');
      return gap > 0 ? [{ kind: 'vent-gap', polygon: strip(sign, gap) }] : [];
    }),
    ...ventHoles.map(
      (hole): Opening => ({
        kind: 'vent-hole',
        polygon: rim('round', hole, [1, 0, 0], [0, 0, 1], size('ventSize'), size('ventSize')),
      }),
    ),
    ...floor.openings,
  ];
  const eaves = slopeAt(shape, half);
  return {
    ok: true,
    box: assemble(plan, drafts, joints, openings, [
      { origin: [0, 0, 0], width, depth, heightFront: eaves, heightBack: eaves, sill, ridge: apex },
    ]),
    derived: derive(),
  };

  function faults(): Refusal[] {
    const found: Refusal[] = [];
    const refuse = (field: string, message: string) => found.push({ field, message });
    if (width < fromMm(60))
      refuse(
        'width',
        'Less than 60 mm is left between the sides. Make it wider, or choose thinner boards.',
      );
    if (depth < fromMm(60))
      refuse(
        'depth',
        'Less than 60 mm is left between the gables. Make it deeper, or choose thinner boards.',
      );
    if (eavesHeight < fromMm(40))
      refuse('sideHeight', 'Floor and recess leave hardly a wall. Make the sides higher.');
    if (size('drainSize') > Math.min(width, depth) / 3)
      refuse('drainSize', 'Drains this large leave hardly a floor.');
    if (schools.access === 'side' && !over)
      refuse(
        'access',
        'A side that covers the edges of the gables has nothing to pivot in. Put the gables over the sides, or hold a side with screws.',
      );
    if (swings && below > size('sideHeight') / 2)
      refuse(
        'pivotBelow',
        'The axis lies below the middle of the wall. Set it nearer the upper edge.',
      );
    if (cleat && (!cleat.wide || cleat.wide > width / 3))
      refuse('wood.cleat', 'Choose a stick for the cleats, no wider than a third of the room.');
    if (schools.landing === 'shelf' && sillOf(entrance) - fromMm(6) - thick('shelf') < bottom)
      refuse('entranceHeight', 'The landing shelf would hang below the walls. Raise the entrance.');
    if (schools.landing === 'shelf' && size('shelfWide') > width + (over ? t.left + t.right : 0))
      refuse('shelfWide', 'The shelf is wider than the front that carries it.');
    if (
      schools.landing === 'shelf' &&
      slopeAt(shape, size('shelfWide') / 2) < sillOf(entrance) - fromMm(6)
    )
      refuse(
        'shelfWide',
        'The shelf’s ends would run into the roof where it comes down over them. Make it narrower, or the entrance lower.',
      );
    if (found.length > 0) return found;
    // An entrance under two slopes: its upper corners must stay clear of both.
    const top = slopeAt(
      shape,
      entrance.shape === 'round' || entrance.shape === 'arch'
        ? entrance.width / 4
        : entrance.width / 2,
    );
    return entranceFaults(entrance, Math.min(top, apex), width);
  }

  function derive(): Derived[] {
    const outer = half + t.left + size('overhangSide');
    const found: Derived[] = [
      {
        id: 'ridgeHeight',
        label: 'Ridge over the floor',
        kind: 'length',
        value: Math.round(apex),
        why: `${say(eavesHeight + vent)} where the roof meets the sides’ inside, and half the room ${say(half)} × tan ${printAngle(pitch)} = ${say(half * tan(pitch))} more.`,
      },
      {
        id: 'slopeLength',
        label: 'Each slope, under',
        kind: 'length',
        value: Math.round(outer / cos(pitch)),
        why: `From the ridge it runs ${say(half)} + ${say(t.left)} + ${say(size('overhangSide'))} = ${say(outer)} level; along the slope that is ${say(outer)} ÷ cos ${printAngle(pitch)} = ${say(outer / cos(pitch))}.`,
      },
      {
        id: 'ridgeTilt',
        label: 'Blade tilt at the ridge',
        kind: 'angle',
        value: schools.ridge === 'mitred' ? pitch : Math.abs(90 - 2 * pitch),
        why:
          schools.ridge === 'mitred'
            ? `Both upper edges are upright in the box, so each is tilted by the pitch, ${printAngle(pitch)}.`
            : `The slopes meet at 180° − 2 × ${printAngle(pitch)}; the one that is covered is tilted by 90° − 2 × ${printAngle(pitch)} = ${printAngle(90 - 2 * pitch)}.`,
      },
    ];
    if (swings)
      found.push({
        id: 'swingGap',
        label: 'Gap over the side that swings',
        kind: 'length',
        value: Math.round(gapOver(swings)),
        why: `Its upper outer corner lies ${say(below)} above the axis and swings in under a roof that climbs at ${printAngle(pitch)}: it needs ${say(needed)}. With a little play, and never less than the vent: ${say(gapOver(swings))}.`,
      });
    return found;
  }
}

function dimensions({ sizes, schools, wood: boards }: BoxPlan, box: PanelSet): DrawnDimension[] {
  const { width, depth, sill } = box.cavities[0]!;
  const thick = (role: string) => boards[role]?.thickness ?? 0;
  const outside = schools.measure === 'outside';
  const half = width / 2;
  const side = box.panels.find((panel) => panel.id === 'side-left')!.instances[0]!.solid.vertices;
  const low = Math.min(...side.map((vertex) => vertex[2]));
  const entrance = entranceOf({ sizes, schools });
  const shelf = schools.landing === 'shelf';
  return [
    {
      size: 'width',
      view: 'front',
      side: 'below',
      from: outside ? -half - thick('side-left') : -half,
      to: outside ? half + thick('side-right') : half,
      start: low,
    },
    {
      size: 'entranceHeight',
      view: 'front',
      side: 'left',
      from: 0,
      to: schools.entranceTo === 'sill' ? sill : entrance.centre,
      start: -half,
    },
    {
      size: 'entranceWidth',
      view: 'front',
      side: 'leader',
      from: entrance.centre,
      to: entrance.centre,
      start: entrance.width / 2,
    },
    {
      size: 'depth',
      view: 'section',
      side: 'below',
      from: outside ? -thick('front') : 0,
      to: outside ? depth + thick('back') : depth,
      start: low,
    },
    {
      size: 'sideHeight',
      view: 'section',
      side: 'left',
      from: low,
      to: low + (sizes.sideHeight ?? 0),
      start: 0,
    },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: -thick('front') - (sizes.overhangFront ?? 0),
      to: -thick('front'),
      start: box.cavities[0]!.ridge ?? 0,
    },
    ...(shelf
      ? [
          {
            size: 'shelfDeep',
            view: 'section',
            side: 'below',
            from: -thick('front') - (sizes.shelfDeep ?? 0),
            to: -thick('front'),
            start: sill,
          } as const,
        ]
      : []),
  ];
}

function checks(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] {
  const pitch = plan.angles.pitch ?? 45;
  const steep = plan.schools.ridge === 'mitred' && pitch > 45;
  const large = (plan.sizes.entranceWidth ?? 0) >= fromMm(120);
  const shelf = plan.schools.landing === 'shelf';
  return [
    gripCheck(plan),
    ...(animal ? [...entranceChecks(plan, box, animal), ...roomChecks(plan, box, animal)] : []),
    ...wallChecks(plan, box),
    ...weatherChecks(plan),
    ...airChecks(box),
    accessCheck(plan, box),
    ...swingRidge(plan, box),
    {
      id: 'ridge',
      severity: steep ? 'stop' : 'kept',
      role: 'roof-left',
      text: steep
        ? `A mitre at the ridge needs the blade at ${printAngle(pitch)}; saws tilt to about 45°.`
        : 'The slopes meet without a gap at the computed tilt.',
      mark: 'C',
      source: 'common practice, no source',
      remedies: steep
        ? [{ label: 'Lap one over the other', apply: setSchool('ridge', 'lapped') }]
        : [],
    },
    {
      id: 'perch',
      severity: shelf && !large ? 'warn' : 'kept',
      role: shelf ? 'shelf' : 'front',
      text:
        shelf && !large
          ? 'A shelf at a small entrance serves predators and competitors.'
          : shelf
            ? 'A landing shelf, for owls whose young walk out before they fly.'
            : 'No perch: small cavity nesters need none, and it serves those who rob them.',
      mark: 'C',
      source: 'common practice, no source',
      remedies:
        shelf && !large ? [{ label: 'Leave it off', apply: setSchool('landing', 'none') }] : [],
    },
    ...everyBox(plan, box),
  ];
}

/** The swing under the slope that lies over it. */
function swingRidge(plan: BoxPlan, box: PanelSet): Check[] {
  const roof = box.panels.find(
    (panel) => panel.id === (plan.schools.opensAt === 'left' ? 'roof-left' : 'roof-right'),
  )!;
  return swingChecks(plan, {
    ...box,
    panels: [
      ...box.panels.filter((panel) => !panel.role.startsWith('roof')),
      { ...roof, role: 'roof' },
    ],
  });
}

function suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'> {
  const { sizes, angles, schools, room, up } = suitRoom(animal, {
    parameters: PARAMETERS,
    schools: SCHOOLS,
  });
  const rise = (toMm(sizes.width ?? 0) / 2) * Math.tan((45 * Math.PI) / 180);
  sizes.sideHeight = up(Math.max(room - rise * 0.4, 60) + 20 + toMm(sizes.floorRecess ?? 0));
  if (animal.family === 'owl') schools.landing = 'shelf';
  return { sizes, angles, schools };
}

/** Two slopes that meet at a ridge over gables. */
export const ridgeRoofBox: Family = {
  id: 'ridge-roof',
  name: 'Ridge-roof box',
  summary: 'Two slopes that meet at a ridge, over gables.',
  about:
    'Two roof slopes of 30 to 60° meet at a mitred or lapped ridge. With higher walls, a landing shelf and a floor on cleats it serves larger owls too.',
  parameters: PARAMETERS,
  schools: SCHOOLS,
  roles: ROLES,
  cautions: NEST_CAUTIONS,
  build,
  dimensions,
  checks,
  suit,
};
