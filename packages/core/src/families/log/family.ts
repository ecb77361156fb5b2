import type { Animal } from '../../animals/index.js';
import {
  accessCheck,
  airChecks,
  type Check,
  entranceChecks,
  everyBox,
  roomChecks,
  setSize,
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
import { GRIP_SCHOOL, type GripWall, gripFeatures } from '../shared/grip.js';
import { slopedRoof, underSlopedRoof } from '../shared/sloped-roof.js';

const PARAMETERS: readonly Parameter[] = [
  length('diameter', 'Log, through', 140, 900, 230, 'Without bark, at its thinner end.'),
  length('wall', 'Wood left at the narrowest', 12, 80, 22, 'At the cavity’s corners.'),
  length(
    'height',
    'Log, high at the front',
    150,
    1000,
    330,
    'From its lower end to the lid, at the front.',
  ),
  angle('slope', 'Slope', 0, 30, 10, 'At which the log’s upper end is sawn, falling to the front.'),
  length(
    'overhangFront',
    'Lid out over the front',
    0,
    150,
    50,
    'Level distance from the log to the lid’s edge.',
  ),
  length(
    'overhangSide',
    'Lid out over the sides',
    0,
    100,
    15,
    'Level distance from the log to the lid’s edge.',
  ),
  ...FLOOR_PARAMETERS,
  ...ENTRANCE_PARAMETERS,
  length('ventSize', 'Vent', 4, 20, 8, 'Diameter of a hole high in each side slab.'),
];

const SCHOOLS: readonly School[] = [
  school('access', 'Opens for cleaning by', [
    ['roof', 'the lid', 'The lid turns up on hinges and is hooked shut.'],
    ['screwed', 'the front slab', 'Held by screws alone, without glue.'],
  ]),
  ...FLOOR_SCHOOLS,
  {
    ...GRIP_SCHOOL,
    options: [
      {
        id: 'rough',
        label: 'split or sawn face',
        reason: 'The core’s face is rough as it comes from saw or froe.',
      },
      GRIP_SCHOOL.options[1]!,
    ],
  },
  {
    ...ENTRANCE_SCHOOLS[0]!,
    options: ENTRANCE_SCHOOLS[0]!.options.filter((option) => option.id !== 'square'),
  },
  ENTRANCE_SCHOOLS[1]!,
  ...COMMON_SCHOOLS.filter((each) => each.id === 'fastening' || each.id === 'finish'),
];

const ROLES: readonly PanelRole[] = [
  { id: 'slab-front', label: 'Front slab', offBoard: true },
  { id: 'slab-back', label: 'Back slab', offBoard: true },
  { id: 'slab-left', label: 'Left slab', offBoard: true },
  { id: 'slab-right', label: 'Right slab', offBoard: true },
  { id: 'floor', label: 'Floor plug' },
  { id: 'roof', label: 'Lid' },
];

/** The round as a prism of this many sides, inside the true round. */
const SIDES = 32;

function build(plan: BoxPlan): BuiltBox {
  const { sizes, schools } = plan;
  const boards = rolesOf({ roles: ROLES }, schools).filter((role) => !role.offBoard);
  const wild = [...missingWood(plan, boards), ...outOfRange(plan, PARAMETERS)];
  if (wild.length > 0) return { ok: false, refusals: wild };
  const size = (id: string): number => sizes[id] ?? 0;
  const thick = (role: string): number => plan.wood[role]!.thickness;
  const radius = size('diameter') / 2;
  const room = (size('diameter') - 2 * size('wall')) / Math.SQRT2;
  const half = room / 2;
  const slope = plan.angles.slope ?? 0;
  // The cavity's front face is the plane y = 0; the log's axis stands at y = half.
  const bottom = -(recessOf(plan) + thick('floor'));
  const front = half - radius;
  const topAt = (y: number): number => bottom + size('height') + (y - front) * tan(slope);
  const underLid: HalfSpace = underSlopedRoof({ slope, at: topAt });
  const entrance = entranceOf(plan);
  const refusals = faults();
  if (refusals.length > 0) return { ok: false, refusals };

  const apothem = radius * Math.cos(Math.PI / SIDES);
  const round = Array.from({ length: SIDES }, (_unused, index): HalfSpace => {
    const turn = (360 / SIDES) * index;
    const normal: Vec3 = [cos(turn), sin(turn), 0];
    return behind(normal, [normal[0] * apothem, half + normal[1] * apothem, 0]);
  });
  const sill = sillOf(entrance);
  const wall: GripWall = { panel: 'slab-front', x: 0, half: half * 0.9, y: 0, floor: 0, sill };
  const vents: Vec3[] = [-1, 1].map(
    (sign): Vec3 => [sign * half, half, topAt(half) - size('ventSize') / 2 - fromMm(20)],
  );
  const slab = (
    id: string,
    normal: Vec3,
    spaces: HalfSpace[],
    features: Draft['features'],
  ): Draft => ({
    id,
    role: id,
    thickness: Math.round(apothem - half),
    solid: wood(solidInside([...round, atLeast('z', bottom), underLid, ...spaces]), id),
    outsideNormal: normal,
    grainDirection: [0, 0, 1],
    grain: 'along',
    inside: 'any',
    knots: 'sound',
    fromLog: true,
    ...(features && { features }),
  });
  const sideVent =
    (sign: number): Draft['features'] =>
    (toFrame) =>
      vents
        .filter((hole) => Math.sign(hole[0]) === sign)
        .map(
          (hole): Feature => ({
            kind: 'vent',
            shape: 'round',
            centre: toFrame(hole),
            diameter: size('ventSize'),
            depth: 'through',
          }),
        );
  const floor = floorIn(plan, { half, front: 0, back: room }, thick('floor'));
  const rear = half + radius;
  const slabs = [
    slab('slab-front', [0, -1, 0], [behind([0, 1, 0], [0, 0, 0])], (toFrame) => [
      entranceFeature(entrance, toFrame([0, half - apothem, entrance.centre])),
      ...gripFeatures(plan, wall, toFrame),
    ]),
    slab('slab-back', [0, 1, 0], [behind([0, -1, 0], [0, room, 0])], undefined),
    slab(
      'slab-left',
      [-1, 0, 0],
      [behind([1, 0, 0], [-half, 0, 0]), ...between('y', 0, room)],
      sideVent(-1),
    ),
    slab(
      'slab-right',
      [1, 0, 0],
      [behind([-1, 0, 0], [half, 0, 0]), ...between('y', 0, room)],
      sideVent(1),
    ),
  ];
  const drafts: Draft[] = [
    ...slabs,
    floorDraft(floor, thick('floor')),
    slopedRoof({
      slope,
      at: topAt,
      across: [-radius - size('overhangSide'), radius + size('overhangSide')],
      eaves: front - size('overhangFront'),
      rear,
      thickness: thick('roof'),
      grain: 'slope',
    }),
  ];
  const off = schools.access === 'screwed' ? 'slab-front' : null;
  const held = (a: string, b: string) => (a === off || b === off ? 'screwed' : 'butt');
  const joints: JointDraft[] = [
    ...['slab-left', 'slab-right'].flatMap((s) => [
      ...meet('slab-front', s, held('slab-front', s)),
      ...meet('slab-back', s),
      ...meet('floor', s),
    ]),
    ...meet('floor', 'slab-front', held('floor', 'slab-front'), floor.meetsEnds),
    ...meet('floor', 'slab-back', 'butt', floor.meetsEnds),
    ...slabs.flatMap((s) =>
      meet(
        'roof',
        s.id,
        schools.access === 'roof'
          ? s.id === 'slab-back'
            ? 'hinged'
            : 'loose'
          : held('roof', s.id),
      ),
    ),
  ];
  const openings: Opening[] = [
    entranceOpening(entrance, 0, 0),
    ...vents.map(
      (hole): Opening => ({
        kind: 'vent-hole',
        polygon: rim('round', hole, [0, 1, 0], [0, 0, 1], size('ventSize'), size('ventSize')),
      }),
    ),
    ...floor.openings,
  ];
  const box = assemble(plan, drafts, joints, openings, [
    {
      origin: [0, 0, 0],
      width: room,
      depth: room,
      heightFront: topAt(0),
      heightBack: topAt(room),
      sill,
    },
  ]);
  const derived: Derived[] = [
    {
      id: 'room',
      label: 'Room, square',
      kind: 'length',
      value: Math.round(room),
      why: `A square in the round, ${say(size('wall'))} of wood left at its corners: (${say(size('diameter'))} − 2 × ${say(size('wall'))}) ÷ √2 = ${say(room)}.`,
    },
    {
      id: 'slab',
      label: 'Slabs, thick in the middle',
      kind: 'length',
      value: Math.round(radius - half),
      why: `Half the log, ${say(radius)}, less half the room, ${say(half)} = ${say(radius - half)}.`,
    },
    {
      id: 'backHeight',
      label: 'Log, high at the back',
      kind: 'length',
      value: Math.round(topAt(rear) - bottom),
      why: `Sawn at the slope across the log: ${say(size('height'))} + ${say(2 * radius)} × tan ${printAngle(slope)} = ${say(topAt(rear) - bottom)}.`,
    },
  ];
  return { ok: true, box, derived };

  function faults(): Refusal[] {
    const found: Refusal[] = [];
    const refuse = (field: string, message: string) => found.push({ field, message });
    if (room < fromMm(60))
      refuse(
        'diameter',
        `A log of ${Math.round(size('diameter') / 320)} mm with ${Math.round(size('wall') / 320)} mm left at the corners has a room of ${Math.round(room / 320)} mm; 60 mm is the least. Find a thicker log.`,
      );
    else if (size('drainSize') > room / 3)
      refuse('drainSize', 'Drains this large leave hardly a floor.');
    if (found.length === 0) found.push(...entranceFaults(entrance, topAt(half - radius), room));
    return found;
  }
}

function dimensions({ sizes, schools }: BoxPlan, box: PanelSet): DrawnDimension[] {
  const radius = (sizes.diameter ?? 0) / 2;
  const { depth, sill } = box.cavities[0]!;
  const low = Math.min(...box.panels[0]!.instances[0]!.solid.vertices.map((vertex) => vertex[2]));
  const front = depth / 2 - radius;
  const entrance = entranceOf({ sizes, schools });
  return [
    { size: 'diameter', view: 'front', side: 'below', from: -radius, to: radius, start: low },
    {
      size: 'entranceHeight',
      view: 'front',
      side: 'left',
      from: 0,
      to: schools.entranceTo === 'sill' ? sill : entrance.centre,
      start: -radius,
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
      size: 'wall',
      view: 'section',
      side: 'below',
      from: front,
      to: front + (sizes.wall ?? 0),
      start: low,
    },
    {
      size: 'height',
      view: 'section',
      side: 'left',
      from: low,
      to: low + (sizes.height ?? 0),
      start: front,
    },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: front - (sizes.overhangFront ?? 0),
      to: front,
      start: low + (sizes.height ?? 0),
    },
  ];
}

function checks(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] {
  const common = { mark: 'C', source: 'common practice, no source' } as const;
  const wall = plan.sizes.wall ?? 0;
  const thickEnough = wall >= fromMm(15);
  // The room is square, so its side must be the longer of what is wanted.
  const wanted = Math.max(animal?.floorWidth ?? 0, animal?.floorDepth ?? 0);
  const bigger = wanted > 0 ? fromMm(Math.ceil(wanted * Math.SQRT2 + 2 * toMm(wall))) : null;
  return [
    {
      ...common,
      id: 'grip',
      severity: 'kept',
      role: 'slab-front',
      text: 'The core’s split or sawn face is rough enough to climb by.',
      remedies: [],
    },
    ...(animal
      ? [
          ...entranceChecks(plan, box, animal),
          ...roomChecks(plan, box, animal, null).map((check) =>
            check.severity === 'kept' || bigger === null
              ? check
              : {
                  ...check,
                  remedies: [{ label: 'A thicker log', apply: setSize('diameter', bigger) }],
                },
          ),
        ]
      : []),
    {
      ...common,
      id: 'walls',
      severity: thickEnough ? 'kept' : 'warn',
      role: 'slab-front',
      text: `${say(wall)} of wood at the narrowest; {15} or more keeps heat and cold out.`,
      remedies: thickEnough ? [] : [{ label: 'Leave more', apply: setSize('wall', fromMm(20)) }],
    },
    ...weatherChecks(plan),
    ...airChecks(box),
    accessCheck(plan, box),
    {
      ...common,
      id: 'log',
      severity: 'kept',
      role: null,
      text: 'Saw or split it green or dry, but screw it together dry: a round that dries afterwards opens at its joints.',
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
  const { width, depth, ...rest } = sizes;
  const side = Math.max(toMm(width ?? fromMm(120)), toMm(depth ?? 0));
  const diameter = up(side * Math.SQRT2 + 2 * toMm(sizes.wall ?? 0) + 1);
  const entranceTop = toMm(sizes.entranceHeight ?? 0) + toMm(entranceOf({ sizes, schools }).height);
  // The upper end falls to the front: the lid lies lower there than over the room.
  return {
    sizes: {
      ...rest,
      diameter,
      height: up(Math.max(room, entranceTop + 15) + 30 + toMm(sizes.floorRecess ?? 0)),
    },
    angles,
    schools,
  };
}

/** Slabs sawn off a round, its core cut away, a plug for a floor and a lid. */
export const logBox: Family = {
  id: 'log',
  name: 'Log box',
  summary: 'Slabs off a round, the core cut away, a plug for a floor, a lid.',
  about:
    'A round is sawn or split into four slabs round its core; the core is taken out and the slabs put together again. The log’s diameter decides the room.',
  parameters: PARAMETERS,
  schools: SCHOOLS,
  roles: ROLES,
  cautions: [
    ...NEST_CAUTIONS,
    'Round wood rolls and pinches: wedge it, clamp it, split it rather than saw it freehand. Chainsaw work is for those trained in it.',
  ],
  build,
  dimensions,
  checks,
  suit,
};
