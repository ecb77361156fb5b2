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
  setSize,
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
  type Fitting,
  type JointDraft,
  meet,
  type Opening,
  type PanelSet,
  rim,
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
import {
  atLeast,
  atMost,
  behind,
  between,
  type HalfSpace,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { say } from '../../text/index.js';
import type { DrawnDimension, Family } from '../family.js';
import { NEST_CAUTIONS } from '../shared/cautions.js';
import { COMMON_SCHOOLS } from '../shared/common-choices.js';
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
import { alongSlope, slopedRoof, underSlopedRoof, upFrom } from '../shared/sloped-roof.js';

const PARAMETERS: readonly Parameter[] = [
  length('width', 'Room, wide', 200, 1000, 400, 'Across the box, inside.'),
  length('depth', 'Room, deep', 200, 1000, 400, 'From front to back, inside.'),
  length(
    'frontHeight',
    'Room, high at the front',
    250,
    1200,
    650,
    'From the floor to the lid’s underside, at the front.',
  ),
  angle('slope', 'Slope', 0, 25, 6, 'Of the lid, from level, falling to the front.'),
  length(
    'overhangFront',
    'Lid out over the front',
    0,
    250,
    60,
    'Level distance from the front to the lid’s lower edge.',
  ),
  length(
    'overhangSide',
    'Lid out over the sides',
    0,
    150,
    25,
    'Level distance from the outside of a side to the lid’s edge.',
  ),
  length(
    'overhangRear',
    'Lid out over the back',
    0,
    150,
    0,
    'Nothing, so that the box hangs flat.',
  ),
  ...FLOOR_PARAMETERS,
  ...ENTRANCE_PARAMETERS,
  length('ventSize', 'Vent', 3, 30, 15, 'Diameter of a hole or height of a gap.'),
  length(
    'flapFrom',
    'Flap, from the floor',
    40,
    400,
    60,
    'Lower edge of the flap above the floor.',
    (s) => s.access === 'flap',
  ),
  length(
    'flapHigh',
    'Flap, high',
    80,
    500,
    200,
    'Large enough for an arm and a dustpan.',
    (s) => s.access === 'flap',
  ),
  length(
    'platformDeep',
    'Platform, deep',
    80,
    500,
    200,
    'How far it stands out from the front.',
    (s) => s.platform === 'platform',
  ),
  length(
    'platformWide',
    'Platform, wide',
    100,
    900,
    350,
    'Across the front.',
    (s) => s.platform === 'platform',
  ),
  angle(
    'taper',
    'Lid battens taper',
    0,
    15,
    5,
    'So that the lid drops on and sits tight.',
    (s) => s.lid === 'lift-off',
  ),
];

const SCHOOLS: readonly School[] = [
  school(
    'frame',
    'Frame',
    [
      ['posts', 'corner posts', 'A square post in each corner takes all screws.'],
      ['battens', 'battens', 'A ring of battens on the floor and one under the lid: lighter.'],
    ],
    { picture: 'plan' },
  ),
  school(
    'lid',
    'Lid',
    [
      [
        'lift-off',
        'lifts off',
        'Two tapered battens under it hold it by its own weight; a hook against wind.',
      ],
      ['hinged', 'on hinges', 'Turns up at the back.'],
      ['screwed', 'screwed', 'Comes off with four or more screws.'],
    ],
    { picture: 'front' },
  ),
  school(
    'access',
    'Opens for cleaning by',
    [
      ['flap', 'a flap', 'Low in the right side, on hinges.'],
      ['lid', 'the lid', 'From above, nothing else opens.'],
    ],
    { picture: 'section' },
  ),
  school(
    'platform',
    'Platform',
    [
      ['none', 'none', 'For boxes 700 mm deep or more, in which the young stay until they fly.'],
      [
        'platform',
        'a platform',
        'Level with the entrance: the young walk out and exercise before they fly.',
      ],
    ],
    { picture: 'section' },
  ),
  {
    ...FLOOR_SCHOOLS[0]!,
    options: FLOOR_SCHOOLS[0]!.options.filter((option) => option.id !== 'clipped'),
  },
  FLOOR_SCHOOLS[1]!,
  school(
    'vents',
    'Vents',
    [
      ['holes', 'holes', 'Two high in each side, under the lid.'],
      [
        'gap-sides',
        'gap over the sides',
        'Both sides stop short of the lid, which rests on front and back.',
      ],
    ],
    { picture: 'front' },
  ),
  {
    ...GRIP_SCHOOL,
    options: [
      GRIP_SCHOOL.options[1]!,
      GRIP_SCHOOL.options[2]!,
      GRIP_SCHOOL.options[3]!,
      GRIP_SCHOOL.options[0]!,
    ],
  },
  { ...ENTRANCE_SCHOOLS[0]!, options: [...ENTRANCE_SCHOOLS[0]!.options].reverse() },
  { ...ENTRANCE_SCHOOLS[1]!, options: [...ENTRANCE_SCHOOLS[1]!.options].reverse() },
  school('hang', 'Hung by', [
    ['screws', 'coach screws through the back', 'On a beam or a trunk, over a batten.'],
    [
      'eyes',
      'eyes and wire',
      'Two eyes high in the back’s posts; protected wire, slackened as the tree grows.',
    ],
  ]),
  ...COMMON_SCHOOLS,
];

const ROLES: readonly PanelRole[] = [
  { id: 'front', label: 'Front' },
  { id: 'back', label: 'Back' },
  { id: 'side-left', label: 'Left side' },
  { id: 'side-right', label: 'Right side' },
  { id: 'flap', label: 'Flap', applies: (s) => s.access === 'flap' },
  { id: 'floor', label: 'Floor' },
  { id: 'roof', label: 'Lid' },
  { id: 'post', label: 'Corner post', stick: [38, 38], applies: (s) => s.frame === 'posts' },
  { id: 'batten', label: 'Batten', stick: [25, 38], applies: (s) => s.frame === 'battens' },
  { id: 'lid-batten', label: 'Lid batten', stick: [19, 38], applies: (s) => s.lid === 'lift-off' },
  { id: 'platform', label: 'Platform', applies: (s) => s.platform === 'platform' },
  {
    id: 'bearer',
    label: 'Platform bearer',
    stick: [38, 38],
    applies: (s) => s.platform === 'platform',
  },
  LADDER_ROLE,
];

/** Room for a hand round the lid's battens. Common practice, no source. */
const PLAY = fromMm(2);

function build(plan: BoxPlan): BuiltBox {
  const { sizes, schools } = plan;
  const roles = rolesOf({ roles: ROLES }, schools);
  const wild = [...missingWood(plan, roles), ...outOfRange(plan, PARAMETERS)];
  if (wild.length > 0) return { ok: false, refusals: wild };
  const size = (id: string): number => sizes[id] ?? 0;
  const thick = (role: string): number => plan.wood[role]!.thickness;
  const stick = (role: string) => ({
    thick: plan.wood[role]?.thickness ?? 0,
    wide: plan.wood[role]?.width ?? 0,
  });
  const t = {
    front: thick('front'),
    back: thick('back'),
    left: thick('side-left'),
    right: thick('side-right'),
    floor: thick('floor'),
    roof: thick('roof'),
  };
  const [width, depth] = [size('width'), size('depth')];
  const half = width / 2;
  const slope = plan.angles.slope ?? 0;
  const posts = schools.frame !== 'battens';
  const [post, batten] = [stick('post'), stick('batten')];
  const bottom = -(recessOf(plan) + t.floor);
  const roofAt = (y: number): number => size('frontHeight') + y * tan(slope);
  const [up, along] = [upFrom(slope), alongSlope(slope)];
  const underLid = (drop = 0): HalfSpace => underSlopedRoof({ slope, at: roofAt }, drop);
  const vent = schools.vents === 'gap-sides' ? size('ventSize') : 0;
  const entrance = entranceOf(plan);
  const flap =
    schools.access === 'flap'
      ? { from: size('flapFrom'), to: size('flapFrom') + size('flapHigh') }
      : null;
  const refusals = faults();
  if (refusals.length > 0) return { ok: false, refusals };

  const sill = sillOf(entrance);
  const upright = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;
  const gripHalf = posts ? half - post.wide : half;
  const gripWall: GripWall = {
    panel: 'front',
    x: 0,
    half: gripHalf,
    y: 0,
    floor: posts ? 0 : batten.wide,
    sill: posts ? sill : sill - batten.wide,
  };
  const ventHoles: Vec3[] =
    schools.vents === 'holes'
      ? [-1, 1].flatMap((sign) =>
          [0.35, 0.65].map(
            (share): Vec3 => [
              sign * half,
              depth * share,
              roofAt(depth * share) - highest() - size('ventSize') / 2 - fromMm(10),
            ],
          ),
        )
      : [];
  const wall = (
    id: string,
    solid: ReturnType<typeof solidInside>,
    outsideNormal: Vec3,
    more: Partial<Draft> = {},
  ): Draft => ({
    ...upright,
    id,
    role: id,
    thickness: thick(id),
    solid: wood(solid, id),
    outsideNormal,
    inside: 'any',
    ...more,
  });
  const acrossFront = between('x', -half - t.left, half + t.right);
  const side = (
    id: string,
    from: number,
    to: number,
    low: number,
    high: number | null,
    role: string,
  ): Draft => ({
    ...upright,
    id,
    role,
    thickness: thick(role),
    solid: wood(
      solidInside([
        ...between('x', from, to),
        ...between('y', 0, depth),
        atLeast('z', low),
        high === null ? underLid(vent) : atMost('z', high),
      ]),
      id,
    ),
    outsideNormal: [Math.sign(from + to), 0, 0],
    inside: 'any',
    features: (toFrame) =>
      high === null
        ? ventHoles
            .filter((hole) => Math.sign(hole[0]) === Math.sign(from + to))
            .map(
              (hole): Feature => ({
                kind: 'vent',
                shape: 'round',
                centre: toFrame(hole),
                diameter: size('ventSize'),
                depth: 'through',
              }),
            )
        : [],
  });
  const rightPieces = flap
    ? [
        side('side-right-lower', half, half + t.right, bottom, flap.from, 'side-right'),
        side('flap', half, half + thick('flap'), flap.from, flap.to, 'flap'),
        side('side-right-upper', half, half + t.right, flap.to, null, 'side-right'),
      ]
    : [side('side-right', half, half + t.right, bottom, null, 'side-right')];
  const right = rightPieces.filter((piece) => piece.id !== 'flap').map((piece) => piece.id);
  const floor = floorIn(
    plan,
    { half, front: 0, back: depth },
    t.floor,
    0,
    posts ? post.wide : batten.thick,
  );
  const rungs = ladder(plan, gripWall);
  const frame = posts ? cornerPosts() : battenRings();
  const lidBattens = schools.lid === 'lift-off' ? tapered() : [];
  const platform = schools.platform === 'platform' ? landing() : { drafts: [], joints: [] };
  const drafts: Draft[] = [
    wall(
      'front',
      solidInside([...acrossFront, ...between('y', -t.front, 0), atLeast('z', bottom), underLid()]),
      [0, -1, 0],
      {
        inside: schools.grip === 'rough' ? 'rough' : 'any',
        features: (toFrame) => [
          entranceFeature(entrance, toFrame([0, -t.front, entrance.centre])),
          ...gripFeatures(plan, gripWall, toFrame),
        ],
      },
    ),
    wall(
      'back',
      solidInside([
        ...acrossFront,
        ...between('y', depth, depth + t.back),
        atLeast('z', bottom),
        underLid(),
      ]),
      [0, 1, 0],
    ),
    side('side-left', -half - t.left, -half, bottom, null, 'side-left'),
    ...rightPieces,
    floorDraft(floor, t.floor),
    slopedRoof({
      slope,
      at: roofAt,
      across: [-half - t.left - size('overhangSide'), half + t.right + size('overhangSide')],
      eaves: -t.front - size('overhangFront'),
      rear: depth + t.back + size('overhangRear'),
      thickness: t.roof,
      grain: 'across',
    }),
    ...frame.drafts,
    ...lidBattens,
    ...platform.drafts,
    ...rungs.drafts,
  ];
  const walls = ['side-left', ...right];
  const lowest = ['side-left', right[0]!];
  const tops = ['side-left', right.at(-1)!];
  const lidded = schools.lid === 'screwed' ? 'screwed' : 'loose';
  const joints: JointDraft[] = [
    ...walls.flatMap((s) => [...meet('front', s), ...meet('back', s)]),
    ...lowest.flatMap((s) => meet('floor', s)),
    ...meet('floor', 'front', 'butt', floor.meetsEnds),
    ...meet('floor', 'back', 'butt', floor.meetsEnds),
    ...meet('roof', 'front', lidded),
    ...meet('roof', 'back', schools.lid === 'hinged' ? 'hinged' : lidded),
    ...tops.flatMap((s) => meet('roof', s, lidded, vent === 0)),
    ...(flap
      ? [
          ...meet('flap', right[0]!, 'hinged'),
          ...meet('flap', right[1]!, 'loose'),
          ...meet('flap', 'front', 'loose'),
          ...meet('flap', 'back', 'loose'),
        ]
      : []),
    ...frame.joints,
    ...lidBattens.flatMap((draft) => meet(draft.id, 'roof')),
    ...platform.joints,
    ...rungs.joints,
  ];
  const strip = (x: number): Vec3[] => [
    [x, 0, roofAt(0) - vent],
    [x, depth, roofAt(depth) - vent],
    [x, depth, roofAt(depth)],
    [x, 0, roofAt(0)],
  ];
  const openings: Opening[] = [
    entranceOpening(entrance, 0, 0),
    ...(vent > 0
      ? [-half, half].map((x): Opening => ({ kind: 'vent-gap', polygon: strip(x) }))
      : []),
    ...ventHoles.map(
      (hole): Opening => ({
        kind: 'vent-hole',
        polygon: rim('round', hole, [0, 1, 0], [0, 0, 1], size('ventSize'), size('ventSize')),
      }),
    ),
    ...floor.openings,
  ];
  const fittings: Fitting[] =
    schools.hang === 'eyes'
      ? [-1, 1].map(
          (sign): Fitting => ({
            kind: 'eye',
            at: [sign * (half - fromMm(20)), depth + t.back, Math.round(roofAt(depth) * 0.85)],
          }),
        )
      : [];
  return {
    ok: true,
    box: assemble(
      plan,
      drafts,
      joints,
      openings,
      [
        {
          origin: [0, 0, 0],
          width,
          depth,
          heightFront: roofAt(0),
          heightBack: roofAt(depth),
          sill,
        },
      ],
      fittings,
    ),
    derived: derive(),
  };

  /** How far the frame or the lid's battens hang down from the lid along the sides. */
  function highest(): number {
    return Math.max(
      posts ? 0 : batten.wide,
      schools.lid === 'lift-off' ? stick('lid-batten').wide : 0,
    );
  }

  function cornerPosts(): { drafts: Draft[]; joints: JointDraft[] } {
    const made = [-1, 1].flatMap((sx) =>
      [0, 1].map(
        (rear): Draft => ({
          id: `post${sx}${rear}`,
          group: 'post',
          role: 'post',
          thickness: post.thick,
          solid: wood(
            solidInside([
              ...(sx < 0
                ? between('x', -half, -half + post.wide)
                : between('x', half - post.wide, half)),
              ...(rear === 0
                ? between('y', 0, post.thick)
                : between('y', depth - post.thick, depth)),
              atLeast('z', 0),
              underLid(),
            ]),
            'post',
          ),
          outsideNormal: [0, rear === 0 ? -1 : 1, 0],
          grainDirection: [0, 0, 1],
          grain: 'along',
          inside: 'any',
          knots: 'sound',
        }),
      ),
    );
    return {
      drafts: made,
      joints: made.flatMap((draft, index) => {
        const wallsHere = index < 2 ? ['side-left'] : rightPieces.map((piece) => piece.id);
        return [
          ...meet(draft.id, index % 2 === 0 ? 'front' : 'back'),
          ...wallsHere.flatMap((id) => meet(draft.id, id, id === 'flap' ? 'loose' : 'butt')),
          ...meet(draft.id, 'floor', 'loose', schools.floor !== 'gap'),
          ...meet(draft.id, 'roof', 'loose'),
        ];
      }),
    };
  }

  function battenRings(): { drafts: Draft[]; joints: JointDraft[] } {
    const { thick: deep, wide: high } = batten;
    const bar = (
      id: string,
      axis: 'x' | 'y',
      at: readonly [number, number],
      spaces: HalfSpace[],
      normal: Vec3,
    ): Draft => ({
      id,
      group: 'batten',
      role: 'batten',
      thickness: deep,
      solid: wood(
        solidInside([
          ...(axis === 'x'
            ? [...between('x', -half, half), ...between('y', ...at)]
            : [...between('x', ...at), ...between('y', deep, depth - deep)]),
          ...spaces,
        ]),
        id,
      ),
      outsideNormal: normal,
      grainDirection: axis === 'x' ? [1, 0, 0] : along,
      grain: 'along',
      inside: 'any',
      knots: 'sound',
    });
    const drafts: Draft[] = [];
    const joints: JointDraft[] = [];
    for (const ring of ['low', 'high'] as const) {
      const low = ring === 'low';
      const level = between('z', 0, high);
      // Under the lid, the bars along front and back are bevelled on top only, and those along the sides lie in the slope.
      const under = (top: number): HalfSpace[] =>
        low ? level : [underLid(), atLeast('z', top - high)];
      const inSlope: HalfSpace[] = low
        ? level
        : [underLid(), { normal: [-up[0], -up[1], -up[2]], offset: -(underLid().offset - high) }];
      const grain = low ? { grainDirection: [0, 1, 0] as Vec3 } : {};
      const four = [
        bar(`batten-${ring}-front`, 'x', [0, deep], under(roofAt(deep)), [0, -1, 0]),
        bar(`batten-${ring}-back`, 'x', [depth - deep, depth], under(roofAt(depth)), [0, 1, 0]),
        {
          ...bar(`batten-${ring}-left`, 'y', [-half, -half + deep], inSlope, [-1, 0, 0]),
          ...grain,
        },
        { ...bar(`batten-${ring}-right`, 'y', [half - deep, half], inSlope, [1, 0, 0]), ...grain },
      ];
      drafts.push(...four);
      joints.push(
        ...meet(four[0]!.id, 'front'),
        ...meet(four[1]!.id, 'back'),
        ...meet(four[2]!.id, 'side-left'),
        ...meet(four[3]!.id, ring === 'low' ? right[0]! : right.at(-1)!),
        ...four.flatMap((each) => meet(each.id, ring === 'low' ? 'floor' : 'roof', 'loose')),
      );
    }
    return { drafts, joints };
  }

  /** Two battens under the lid, inside the walls, leaning in so that the lid drops on. */
  function tapered(): Draft[] {
    const { thick: high, wide } = stick('lid-batten');
    const taper = plan.angles.taper ?? 0;
    const frontEnd = (posts ? post.thick : batten.thick) + PLAY;
    const inset = (posts ? 0 : batten.thick) + PLAY;
    return [-1, 1].map(
      (sx): Draft => ({
        id: `lid-batten${sx}`,
        group: sx < 0 ? 'lid-batten-left' : 'lid-batten-right',
        role: 'lid-batten',
        thickness: high,
        solid: wood(
          solidInside([
            ...between('y', frontEnd, depth - frontEnd),
            sx < 0 ? atMost('x', -half + inset + wide) : atLeast('x', half - inset - wide),
            behind(
              [sx * cos(taper), -sin(taper) * up[1], -sin(taper) * up[2]],
              [sx * (half - inset), 0, roofAt(0)],
            ),
            underLid(),
            { normal: [-up[0], -up[1], -up[2]], offset: -(underLid().offset - high) },
          ]),
          'lid batten',
        ),
        outsideNormal: up,
        grainDirection: along,
        grain: 'along',
        inside: 'any',
        knots: 'sound',
      }),
    );
  }

  function landing(): { drafts: Draft[]; joints: JointDraft[] } {
    const bearer = stick('bearer');
    const [wide, deep, tp] = [size('platformWide') / 2, size('platformDeep'), thick('platform')];
    const top = sill;
    return {
      drafts: [
        {
          id: 'platform',
          role: 'platform',
          thickness: tp,
          solid: wood(
            solidInside([
              ...between('x', -wide, wide),
              ...between('y', -t.front - deep, -t.front),
              ...between('z', top - tp, top),
            ]),
            'platform',
          ),
          outsideNormal: [0, 0, 1],
          grainDirection: [1, 0, 0],
          grain: 'along',
          inside: 'any',
          knots: 'sound',
        },
        {
          id: 'bearer',
          role: 'bearer',
          thickness: bearer.thick,
          solid: wood(
            solidInside([
              ...between('x', -wide, wide),
              ...between('y', -t.front - bearer.thick, -t.front),
              ...between('z', top - tp - bearer.wide, top - tp),
            ]),
            'bearer',
          ),
          outsideNormal: [0, -1, 0],
          grainDirection: [1, 0, 0],
          grain: 'along',
          inside: 'any',
          knots: 'sound',
        },
      ],
      joints: [
        ...meet('bearer', 'front', 'screwed'),
        ...meet('platform', 'bearer', 'screwed'),
        ...meet('platform', 'front', 'screwed'),
      ],
    };
  }

  function faults(): Refusal[] {
    const found: Refusal[] = [];
    const refuse = (field: string, message: string) => found.push({ field, message });
    const squarish = (role: string, most: number) => {
      const { wide } = stick(role);
      if (!wide)
        refuse(`wood.${role}`, 'Choose a stick whose width is known: both its measures are used.');
      else if (wide > most)
        refuse(
          `wood.${role}`,
          `A stick ${Math.round(wide / 320)} mm wide is too large here; ${Math.round(most / 320)} mm is the most.`,
        );
    };
    if (posts) squarish('post', half / 2);
    else squarish('batten', size('frontHeight') / 4);
    if (schools.lid === 'lift-off') squarish('lid-batten', half / 2);
    if (schools.platform === 'platform') squarish('bearer', size('frontHeight') / 3);
    if (schools.grip === 'ladder') squarish('ladder', fromMm(60));
    const stickDeep = posts ? post.thick : batten.thick;
    if (2 * stickDeep + 2 * PLAY > depth - fromMm(60))
      refuse(
        posts ? 'wood.post' : 'wood.batten',
        'The frame leaves hardly a room. Choose thinner sticks.',
      );
    if (schools.floor === 'gap' && !posts)
      refuse(
        'floor',
        'The lower battens lie over a gap along front and back. Drain through holes, or stand the walls on corner posts.',
      );
    if (size('drainSize') > Math.min(width, depth) / 3)
      refuse('drainSize', 'Drains this large leave hardly a floor.');
    if (found.length > 0) return found;
    const frontTop = roofAt(-t.front) - (posts ? 0 : batten.wide);
    found.push(...entranceFaults(entrance, frontTop, posts ? width - 2 * post.wide : width));
    if (!posts && sillOf(entrance) < batten.wide)
      refuse('entranceHeight', 'The entrance reaches the lower batten. Raise it.');
    if (flap) {
      if (!posts && flap.from < batten.wide)
        refuse(
          'flapFrom',
          'The flap begins behind the lower batten. Raise it to the batten’s upper edge.',
        );
      if (flap.to > roofAt(0) - vent - highest() - fromMm(40))
        refuse('flapHigh', 'Less than 40 mm of side is left above the flap. Make it lower.');
    }
    if (schools.platform === 'platform') {
      // Under the lid, which falls to the front and comes down over the platform.
      if (
        roofAt(-t.front - Math.min(size('platformDeep'), size('overhangFront'))) < sillOf(entrance)
      )
        refuse(
          'entranceHeight',
          'The lid comes down over the platform. Lower the entrance, or make the room higher at the front.',
        );
      if (size('platformWide') > width + t.left + t.right)
        refuse('platformWide', 'The platform is wider than the front that carries it.');
      if (sillOf(entrance) - thick('platform') - stick('bearer').wide < bottom)
        refuse(
          'entranceHeight',
          'The platform’s bearer would hang below the walls. Raise the entrance.',
        );
    }
    return found;
  }

  function derive(): Derived[] {
    const lidRun = depth + t.front + t.back + size('overhangFront') + size('overhangRear');
    return [
      {
        id: 'backHeight',
        label: 'Room, high at the back',
        kind: 'length',
        value: Math.round(roofAt(depth)),
        why: `${say(size('frontHeight'))} + ${say(depth)} × tan ${printAngle(slope)} = ${say(roofAt(depth))}.`,
      },
      {
        id: 'frontWidth',
        label: 'Front and back, wide',
        kind: 'length',
        value: Math.round(width + t.left + t.right),
        why: `They cover the sides’ edges: ${say(t.left)} + ${say(width)} + ${say(t.right)} = ${say(width + t.left + t.right)}.`,
      },
      {
        id: 'lidLength',
        label: 'Lid down the slope',
        kind: 'length',
        value: Math.round(lidRun / cos(slope)),
        why: `It runs ${say(lidRun)} level; along the slope that is ${say(lidRun)} ÷ cos ${printAngle(slope)} = ${say(lidRun / cos(slope))}.`,
      },
    ];
  }
}

function dimensions({ sizes, schools, wood: boards }: BoxPlan, box: PanelSet): DrawnDimension[] {
  const { width, depth, sill, heightFront } = box.cavities[0]!;
  const half = width / 2;
  const front = boards.front?.thickness ?? 0;
  const low = Math.min(
    ...box.panels
      .find((panel) => panel.id === 'side-left')!
      .instances[0]!.solid.vertices.map((vertex) => vertex[2]),
  );
  const entrance = entranceOf({ sizes, schools });
  return [
    { size: 'width', view: 'front', side: 'below', from: -half, to: half, start: low },
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
    { size: 'depth', view: 'section', side: 'below', from: 0, to: depth, start: low },
    { size: 'frontHeight', view: 'section', side: 'left', from: 0, to: heightFront, start: 0 },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: -front - (sizes.overhangFront ?? 0),
      to: -front,
      start: heightFront,
    },
    ...(schools.platform === 'platform'
      ? [
          {
            size: 'platformDeep',
            view: 'section',
            side: 'below',
            from: -front - (sizes.platformDeep ?? 0),
            to: -front,
            start: sill,
          } as const,
        ]
      : []),
  ];
}

function checks(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] {
  const high = box.cavities[0]!.heightFront;
  const needs = animal?.id === 'barn-owl-eu' && high < fromMm(700);
  const has = plan.schools.platform === 'platform';
  return [
    { ...gripCheck(plan), role: 'front' },
    ...(animal ? [...entranceChecks(plan, box, animal), ...roomChecks(plan, box, animal)] : []),
    ...wallChecks(
      plan,
      box,
      ['front', 'back', 'side-left', 'side-right', 'roof'],
      plan.sizes.overhangFront && plan.sizes.overhangFront >= fromMm(25) ? 9 : 12,
    ),
    ...weatherChecks(plan),
    ...airChecks(box),
    accessCheck(plan, box),
    {
      id: 'platform',
      severity: needs && !has ? 'warn' : 'kept',
      role: has ? 'platform' : 'front',
      text: has
        ? 'A platform level with the entrance: the young walk out before they fly.'
        : needs
          ? `The room is ${say(high)} deep; under {700} a barn owl’s box has an exercise platform level with the entrance.`
          : 'No platform: deep enough that the young stay in until they fly, or none is asked for.',
      mark: 'C',
      source: 'common practice, no source',
      remedies:
        needs && !has
          ? [
              {
                label: 'Add a platform',
                // No wider than the room, so that the front carries it.
                apply: (current) => {
                  const { platformWide = 0, width = platformWide } = current.sizes;
                  return setSchool(
                    'platform',
                    'platform',
                  )(setSize('platformWide', Math.min(platformWide, width))(current));
                },
              },
              { label: 'Make it deep', apply: setSize('frontHeight', fromMm(700)) },
            ]
          : [],
    },
    {
      id: 'hoist',
      severity: 'kept',
      role: null,
      text: 'A box this size is hoisted by two people and a rope; see its weight below.',
      mark: 'C',
      source: 'common practice, no source',
      remedies: [],
    },
    ...everyBox(plan, box),
  ];
}

function suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'> {
  const { sizes, angles, schools, room, up } = suitRoom(animal, {
    parameters: PARAMETERS,
    schools: SCHOOLS,
  });
  // Deep enough under the entrance, and 700 mm where the animal's range allows it, so that no platform is needed.
  const least = Math.max(
    room,
    toMm(sizes.entranceHeight ?? 0) + toMm(entranceOf({ sizes, schools }).height) + 40,
  );
  sizes.frontHeight = up(animal.cavity && animal.cavity[1] >= 700 ? Math.max(least, 700) : least);
  // Room for an arm and the flap, whoever moves in.
  sizes.frontHeight = Math.max(sizes.frontHeight, fromMm(400));
  if (animal.region !== 'na') sizes.width = Math.max(sizes.width ?? 0, fromMm(400));
  sizes.platformWide = Math.min(sizes.platformWide ?? 0, sizes.width ?? 0);
  return { sizes, angles, schools };
}

/** Plywood on posts or battens, with a large entrance high up, a lid, a flap and perhaps a platform. */
export const owlBox: Family = {
  id: 'owl',
  name: 'Deep owl box',
  summary: 'Plywood on posts or battens, a large entrance high up, a lid and a flap.',
  about:
    'For barn, tawny and barred owls: plywood on corner posts or battens. For barn owls the entrance is 450 mm or more above the floor, so that the young do not fall out before they can fly; a box under 700 mm deep has a platform level with the entrance.',
  parameters: PARAMETERS,
  schools: SCHOOLS,
  roles: ROLES,
  cautions: [
    ...NEST_CAUTIONS,
    'Barn owls are specially protected in some countries: ask before visiting an occupied box.',
  ],
  build,
  dimensions,
  checks,
  suit,
};
