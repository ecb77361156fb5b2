import type { Animal } from '../../animals/index.js';
import {
  airChecks,
  type Check,
  entranceChecks,
  everyBox,
  gripCheck,
  roomChecks,
  setSize,
  wallChecks,
} from '../../checks/index.js';
import { fromMm, printAngle, tan, toMm } from '../../measure/index.js';
import {
  assemble,
  type BuiltBox,
  type Cavity,
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
  middle,
  missingWood,
  outOfRange,
  type PanelRole,
  type Parameter,
  type Refusal,
  rolesOf,
  roundingFor,
  type School,
  school,
  sillOf,
  standardChoices,
} from '../../plan/index.js';
import {
  atLeast,
  atMost,
  between,
  type HalfSpace,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { say } from '../../text/index.js';
import type { DrawnDimension, Family } from '../family.js';
import { NEST_CAUTIONS } from '../shared/cautions.js';
import { COMMON_SCHOOLS } from '../shared/common-choices.js';
import { entranceFaults, entranceFeature, entranceOpening } from '../shared/entrance.js';
import { GRIP_SCHOOL, type GripWall, gripFeatures } from '../shared/grip.js';
import { slopedRoof, underSlopedRoof } from '../shared/sloped-roof.js';

const PARAMETERS: readonly Parameter[] = [
  length('roomWidth', 'Each room, wide', 80, 400, 152, 'Between partitions.'),
  length(
    'roomDepth',
    'Each room, deep',
    80,
    450,
    152,
    'From the front to the back or the wall between.',
  ),
  length(
    'roomHeight',
    'Each room, high',
    100,
    400,
    165,
    'From its floor to what is over it, at the front.',
  ),
  angle('slope', 'Slope', 3, 25, 8, 'Of the roof, from level.', (s) => s.roof !== 'flat'),
  length(
    'overhangFront',
    'Roof out over the front',
    0,
    250,
    60,
    'Level distance from the front to the roof’s edge.',
  ),
  length(
    'overhangSide',
    'Roof out over the ends',
    0,
    150,
    30,
    'Level distance from an end to the roof’s edge.',
  ),
  length(
    'overhangRear',
    'Roof out over the back',
    0,
    250,
    0,
    'Nothing, so that a terrace hangs flat on a wall.',
  ),
  length('floorRecess', 'Lowest floor up inside', 0, 60, 9.5, 'So that its end grain stays dry.'),
  length('entranceWidth', 'Entrance', 15, 120, 32, 'Diameter of each.'),
  length('entranceHeight', 'Entrance above the floor', 0, 300, 130, 'From each room’s floor.'),
  length('drainSize', 'Drain', 4, 20, 8, 'One hole in each lowest floor’s room.'),
  length('ventSize', 'Vent', 4, 20, 10, 'One hole high in the front of each room.'),
];

const counts = (
  id: string,
  label: string,
  most: number,
  first: number,
  reason: string,
  more: Pick<School, 'picture'> = {},
): School =>
  school(
    id,
    label,
    [
      first,
      ...Array.from({ length: most }, (_unused, index) => index + 1).filter(
        (count) => count !== first,
      ),
    ].map((count) => [String(count), String(count), reason]),
    more,
  );

const SCHOOLS: readonly School[] = [
  counts(
    'columns',
    'Rooms side by side',
    8,
    3,
    'Sparrows nest in terraces of three or more; martins in houses of many rooms.',
    {
      picture: 'front',
    },
  ),
  counts('rows', 'Rows', 4, 1, 'One over the other; every floor is shared by the row below.', {
    picture: 'section',
  }),
  school(
    'sides',
    'Faces',
    [
      ['one', 'to the front', 'A terrace, hung on a wall.'],
      ['two', 'back to back', 'A house on a pole: rooms open to the front and to the back.'],
    ],
    { picture: 'section' },
  ),
  school(
    'roof',
    'Roof',
    [
      ['slant', 'one slope', 'Falls to the front.'],
      ['flat', 'flat and square', 'Every cut is square.'],
    ],
    { picture: 'section' },
  ),
  school('frontGrain', 'Grain of front, back and floors', [
    ['along', 'along the house', 'Long boards lie level; their width is the house’s height.'],
    ['up', 'up the walls', 'As in small boxes; wider than any board, so glued up.'],
  ]),
  school('access', 'Opens for cleaning by', [
    [
      'screwed',
      'the front',
      'Each front is held by screws alone, without glue: all rooms at once.',
    ],
    ['roof', 'the roof', 'Held by screws; reaches the upper row alone.'],
  ]),
  {
    ...GRIP_SCHOOL,
    options: GRIP_SCHOOL.options.filter((option) => option.id === 'rough' || option.id === 'kerfs'),
  },
  school('entranceTo', 'Entrance height is to its', [
    ['sill', 'sill', 'The lower edge: what the young have to climb to.'],
    ['centre', 'centre', 'Where the bit’s point goes.'],
  ]),
  ...COMMON_SCHOOLS,
];

const ROLES: readonly PanelRole[] = [
  { id: 'front', label: 'Front' },
  { id: 'back', label: 'Back', applies: (s) => s.sides !== 'two' },
  { id: 'side-left', label: 'Left end' },
  { id: 'side-right', label: 'Right end' },
  { id: 'floor', label: 'Floor' },
  { id: 'partition', label: 'Partition', applies: (s) => s.columns !== '1' },
  { id: 'middle', label: 'Wall between', applies: (s) => s.sides === 'two' },
  { id: 'roof', label: 'Roof' },
];

const VENT_IN = fromMm(22);

function build(plan: BoxPlan): BuiltBox {
  const { sizes, schools } = plan;
  const wild = [
    ...missingWood(plan, rolesOf({ roles: ROLES }, schools)),
    ...outOfRange(plan, PARAMETERS),
  ];
  if (wild.length > 0) return { ok: false, refusals: wild };
  const size = (id: string): number => sizes[id] ?? 0;
  const thick = (role: string): number => plan.wood[role]?.thickness ?? 0;
  const [columns, rows] = [Number(schools.columns ?? 3), Number(schools.rows ?? 1)];
  const two = schools.sides === 'two';
  const t = {
    front: thick('front'),
    back: two ? thick('front') : thick('back'),
    left: thick('side-left'),
    right: thick('side-right'),
    floor: thick('floor'),
    part: thick('partition'),
    middle: thick('middle'),
  };
  const [w, d, h] = [size('roomWidth'), size('roomDepth'), size('roomHeight')];
  const across = columns * w + (columns - 1) * t.part;
  const half = across / 2;
  const depth = two ? 2 * d + t.middle : d;
  const storey = h + t.floor;
  const slope = schools.roof === 'flat' ? 0 : (plan.angles.slope ?? 8);
  const roofAt = (y: number): number => (rows - 1) * storey + h + y * tan(slope);
  const underRoof: HalfSpace = underSlopedRoof({ slope, at: roofAt });
  const bottom = -(size('floorRecess') + t.floor);
  const entrance = entranceOf({ sizes, schools: { ...schools, entrance: 'round' } });
  /** Of a vent's middle over the floor: low enough for the front's outer face, which ends lower under a roof that falls to it. */
  const ventHeight = h - t.front * tan(slope) - size('ventSize') / 2 - fromMm(10);
  const refusals = faults();
  if (refusals.length > 0) return { ok: false, refusals };

  const level = Array.from({ length: rows }, (_unused, row) => row * storey);
  const xOf = (column: number) => -half + column * (w + t.part);
  const faces = two ? (['front', 'rear'] as const) : (['front'] as const);
  const rooms = level.flatMap((z, row) =>
    Array.from({ length: columns }, (_unused, column) => column).flatMap((column) =>
      faces.map((face) => ({ row, column, face, z, x: xOf(column) + w / 2 })),
    ),
  );
  const along2 = schools.frontGrain !== 'up';
  const wallGrain: Vec3 = along2 ? [1, 0, 0] : [0, 0, 1];
  const upright = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;
  const wallOf = (face: 'front' | 'rear', y: number) => ({
    outer: face === 'front' ? y - t.front : y + t.back,
    inner: y,
  });
  const frontOf = (face: 'front' | 'rear', id: string): Draft => {
    const inner = face === 'front' ? 0 : depth;
    const outer = wallOf(face, inner).outer;
    return {
      ...upright,
      grainDirection: wallGrain,
      id,
      role: 'front',
      thickness: t.front,
      solid: wood(
        solidInside([
          ...between('x', -half, half),
          ...between('y', Math.min(inner, outer), Math.max(inner, outer)),
          atLeast('z', bottom),
          underRoof,
        ]),
        id,
      ),
      outsideNormal: [0, face === 'front' ? -1 : 1, 0],
      inside: schools.grip === 'kerfs' ? 'any' : 'rough',
      features: (toFrame) =>
        rooms
          .filter((room) => room.face === face)
          .flatMap((room): Feature[] => {
            const wall: GripWall = {
              panel: id,
              x: room.x,
              half: w / 2,
              y: inner,
              floor: room.z,
              sill: sillOf(entrance),
            };
            const vent = ventAt(room, outer);
            return [
              entranceFeature(entrance, toFrame([room.x, outer, room.z + entrance.centre])),
              {
                kind: 'vent',
                shape: 'round',
                centre: toFrame(vent),
                diameter: size('ventSize'),
                depth: 'through',
              },
              ...gripFeatures(plan, wall, toFrame),
            ];
          }),
    };
  };
  const backPanel: Draft = {
    ...upright,
    grainDirection: wallGrain,
    id: 'back',
    role: 'back',
    thickness: t.back,
    solid: wood(
      solidInside([
        ...between('x', -half, half),
        ...between('y', depth, depth + t.back),
        atLeast('z', bottom),
        underRoof,
      ]),
      'back',
    ),
    outsideNormal: [0, 1, 0],
    inside: 'any',
  };
  const end = (id: string, from: number, to: number): Draft => ({
    ...upright,
    id,
    role: id,
    thickness: Math.abs(to - from),
    solid: wood(
      solidInside([
        ...between('x', from, to),
        ...between('y', -t.front, depth + t.back),
        atLeast('z', bottom),
        underRoof,
      ]),
      id,
    ),
    outsideNormal: [Math.sign(from + to), 0, 0],
    inside: 'any',
  });
  const drains: Vec3[] = faces.flatMap((face) =>
    Array.from(
      { length: columns },
      (_unused, column): Vec3 => [xOf(column) + w / 2, face === 'front' ? d / 2 : depth - d / 2, 0],
    ),
  );
  const floors = level.map(
    (z, row): Draft => ({
      id: `floor-${row}`,
      group: row === 0 ? 'floor' : 'floor-upper',
      role: 'floor',
      thickness: t.floor,
      solid: wood(
        solidInside([
          ...between('x', -half, half),
          ...between('y', 0, depth),
          ...between('z', z - t.floor, z),
        ]),
        'floor',
      ),
      outsideNormal: [0, 0, -1],
      grainDirection: along2 ? [1, 0, 0] : [0, 1, 0],
      grain: 'along',
      inside: 'any',
      knots: 'sound',
      features: (toFrame) =>
        row === 0
          ? drains.map((hole) => ({
              kind: 'drain',
              shape: 'round',
              centre: toFrame(hole),
              diameter: size('drainSize'),
              depth: 'through',
            }))
          : [],
    }),
  );
  const storeySpaces = (row: number): HalfSpace[] => [
    atLeast('z', level[row]!),
    row === rows - 1 ? underRoof : atMost('z', level[row]! + h),
  ];
  const middles = two
    ? level.map(
        (_z, row): Draft => ({
          ...upright,
          grainDirection: wallGrain,
          id: `middle-${row}`,
          group: 'middle',
          role: 'middle',
          thickness: t.middle,
          solid: wood(
            solidInside([
              ...between('x', -half, half),
              ...between('y', d, d + t.middle),
              ...storeySpaces(row),
            ]),
            'wall between',
          ),
          outsideNormal: [0, -1, 0],
          inside: 'any',
        }),
      )
    : [];
  const partitions = level.flatMap((_z, row) =>
    Array.from({ length: columns - 1 }, (_unused, column) => xOf(column) + w).flatMap((x, column) =>
      faces.map(
        (face): Draft => ({
          ...upright,
          id: `partition-${row}-${column}-${face}`,
          group: 'partition',
          role: 'partition',
          thickness: t.part,
          solid: wood(
            solidInside([
              ...between('x', x, x + t.part),
              ...(face === 'front' ? between('y', 0, d) : between('y', depth - d, depth)),
              ...storeySpaces(row),
            ]),
            'partition',
          ),
          outsideNormal: [-1, 0, 0],
          inside: 'any',
        }),
      ),
    ),
  );
  const roof = slopedRoof({
    slope,
    at: roofAt,
    across: [-half - t.left - size('overhangSide'), half + t.right + size('overhangSide')],
    eaves: -t.front - size('overhangFront'),
    rear: depth + t.back + size('overhangRear'),
    thickness: thick('roof'),
    grain: 'across',
  });
  const fronts = faces.map((face) => frontOf(face, face === 'front' ? 'front' : 'front-rear'));
  const backs = two ? [] : [backPanel];
  const ends = [end('side-left', -half - t.left, -half), end('side-right', half, half + t.right)];
  const drafts: Draft[] = [
    ...fronts,
    ...backs,
    ...ends,
    ...floors,
    ...middles,
    ...partitions,
    roof,
  ];
  const frontHeld = schools.access === 'roof' ? 'butt' : 'screwed';
  const roofHeld = schools.access === 'roof' ? 'screwed' : 'butt';
  const joints: JointDraft[] = [
    ...fronts.flatMap((front) => [
      ...ends.flatMap((e) => meet(front.id, e.id, frontHeld)),
      ...floors.flatMap((f) => meet(front.id, f.id, frontHeld)),
      ...meet('roof', front.id, schools.access === 'roof' ? 'screwed' : 'loose'),
    ]),
    ...backs.flatMap((b) => [
      ...ends.flatMap((e) => meet(b.id, e.id)),
      ...floors.flatMap((f) => meet(b.id, f.id)),
      ...meet('roof', b.id, roofHeld),
    ]),
    ...ends.flatMap((e) => [
      ...floors.flatMap((f) => meet(e.id, f.id)),
      ...meet('roof', e.id, roofHeld),
    ]),
    ...middles.flatMap((m, row) => [
      ...ends.flatMap((e) => meet(e.id, m.id)),
      ...meet(m.id, floors[row]!.id),
      ...(row === rows - 1 ? meet('roof', m.id, roofHeld) : meet(m.id, floors[row + 1]!.id)),
    ]),
    ...partitions.flatMap((p) => {
      const [, row, , face] = p.id.split('-') as [string, string, string, 'front' | 'rear'];
      const at = Number(row);
      return [
        ...meet(face === 'front' ? 'front' : 'front-rear', p.id, 'loose'),
        ...meet(two ? `middle-${row}` : 'back', p.id),
        ...meet(floors[at]!.id, p.id),
        ...(at === rows - 1
          ? meet('roof', p.id, 'loose')
          : meet(floors[at + 1]!.id, p.id, 'loose')),
      ];
    }),
  ];
  const openings: Opening[] = [
    ...rooms.map((room) =>
      entranceOpening(entrance, room.x, room.face === 'front' ? 0 : depth, room.z),
    ),
    ...rooms.map(
      (room): Opening => ({
        kind: 'vent-hole',
        polygon: rim(
          'round',
          ventAt(room, room.face === 'front' ? 0 : depth),
          [1, 0, 0],
          [0, 0, 1],
          size('ventSize'),
          size('ventSize'),
        ),
      }),
    ),
    ...drains.map(
      (hole): Opening => ({
        kind: 'drain',
        polygon: rim('round', hole, [1, 0, 0], [0, 1, 0], size('drainSize'), size('drainSize')),
      }),
    ),
  ];
  const cavities = rooms.map(({ row, face, z, x }): Cavity => {
    const y = face === 'front' ? 0 : depth - d;
    const top = row === rows - 1;
    return {
      origin: [x, y, z],
      width: w,
      depth: d,
      heightFront: top ? roofAt(y) - z : h,
      heightBack: top ? roofAt(y + d) - z : h,
      sill: sillOf(entrance),
    };
  });
  return { ok: true, box: assemble(plan, drafts, joints, openings, cavities), derived: derive() };

  function ventAt(room: { x: number; z: number }, y: number): Vec3 {
    return [room.x + w / 2 - VENT_IN, y, room.z + ventHeight];
  }

  function faults(): Refusal[] {
    const found = entranceFaults(entrance, h, w);
    const refuse = (field: string, message: string) => found.push({ field, message });
    const apart = Math.hypot(w / 2 - VENT_IN, ventHeight - entrance.centre);
    if (apart < (entrance.width + size('ventSize')) / 2 + fromMm(6))
      refuse(
        'ventSize',
        'The vent would run into the entrance. Make it smaller, or the rooms larger.',
      );
    if (size('drainSize') > Math.min(w, d) / 3)
      refuse('drainSize', 'Drains this large leave hardly a floor.');
    if (schools.access === 'roof' && rows > 1)
      refuse(
        'access',
        'Through the roof only the upper row can be reached. Let the fronts come off.',
      );
    return found;
  }

  function derive(): Derived[] {
    return [
      {
        id: 'across',
        label: 'House, wide inside the ends',
        kind: 'length',
        value: Math.round(across),
        why: `${columns} × ${say(w)}${columns > 1 ? ` and ${columns - 1} × partition ${say(t.part)}` : ''} = ${say(across)}.`,
      },
      {
        id: 'deep',
        label: 'House, deep inside',
        kind: 'length',
        value: Math.round(depth),
        why: two
          ? `Two rooms of ${say(d)} and the wall between, ${say(t.middle)} = ${say(depth)}.`
          : `One room of ${say(d)}.`,
      },
      {
        id: 'high',
        label: 'House, high at the front',
        kind: 'length',
        value: Math.round(roofAt(0) - bottom),
        why: `${rows} × ${say(h)}, ${rows} × floor ${say(t.floor)} and the recess ${say(size('floorRecess'))} = ${say(roofAt(0) - bottom)}${slope > 0 ? `; the roof climbs at ${printAngle(slope)} behind it` : ''}.`,
      },
    ];
  }
}

function dimensions({ sizes, schools, wood: boards }: BoxPlan, box: PanelSet): DrawnDimension[] {
  const first = box.cavities[0]!;
  const left = first.origin[0] - first.width / 2;
  const low = Math.min(
    ...box.panels
      .find((panel) => panel.id === 'side-left')!
      .instances[0]!.solid.vertices.map((vertex) => vertex[2]),
  );
  const entrance = entranceOf({ sizes, schools: { ...schools, entrance: 'round' } });
  const front = boards.front?.thickness ?? 0;
  return [
    {
      size: 'roomWidth',
      view: 'front',
      side: 'below',
      from: left,
      to: left + first.width,
      start: low,
    },
    {
      size: 'entranceHeight',
      view: 'front',
      side: 'left',
      from: 0,
      to: schools.entranceTo === 'sill' ? first.sill : entrance.centre,
      start: left,
    },
    { size: 'roomDepth', view: 'section', side: 'below', from: 0, to: first.depth, start: low },
    {
      size: 'roomHeight',
      view: 'section',
      side: 'left',
      from: 0,
      to: sizes.roomHeight ?? 0,
      start: 0,
    },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: -front - (sizes.overhangFront ?? 0),
      to: -front,
      start: Math.max(...box.cavities.map((cavity) => cavity.origin[2] + cavity.heightFront)),
    },
  ];
}

function checks(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] {
  const common = { mark: 'C', source: 'common practice, no source' } as const;
  const two = plan.schools.sides === 'two';
  const recess = plan.sizes.floorRecess ?? 0;
  const overhang = plan.sizes.overhangFront ?? 0;
  const dry = recess >= fromMm(6);
  const covered = overhang >= fromMm(49);
  return [
    gripCheck(plan),
    ...(animal
      ? [
          ...entranceChecks(
            { ...plan, schools: { ...plan.schools, entrance: 'round' } },
            box,
            animal,
          ),
          ...roomChecks(plan, box, animal, { width: 'roomWidth', depth: 'roomDepth' }),
        ]
      : []),
    ...wallChecks(plan, box),
    ...airChecks(box),
    {
      ...common,
      id: 'recess',
      severity: dry ? 'kept' : 'warn',
      role: 'floor',
      text: dry
        ? `Lowest floor ${say(recess)} up inside the walls, so its end grain stays dry.`
        : `Lowest floor ${say(recess)} up; {6} or more keeps its end grain dry.`,
      remedies: dry ? [] : [{ label: 'Raise it', apply: setSize('floorRecess', fromMm(9.5)) }],
    },
    {
      ...common,
      id: 'overhang',
      severity: covered ? 'kept' : 'warn',
      role: 'roof',
      text: `The roof stands ${say(overhang)} out over the entrances${two && (plan.sizes.overhangRear ?? 0) < fromMm(49) ? `, and ${say(plan.sizes.overhangRear ?? 0)} behind` : ''}; {50} or more keeps rain and paws off.`,
      remedies: covered
        ? []
        : [{ label: 'Lengthen it', apply: setSize('overhangFront', fromMm(50.8)) }],
    },
    {
      ...common,
      id: 'access',
      severity: 'kept',
      role: null,
      text:
        plan.schools.access === 'roof'
          ? 'The roof comes off with its screws.'
          : 'Each front comes off with its screws: every room can be cleaned.',
      remedies: [],
    },
    ...everyBox(plan, box),
  ];
}

function suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'> {
  const { sizes, angles, schools } = standardChoices(animal, {
    parameters: PARAMETERS,
    schools: SCHOOLS,
  });
  const { up, exact } = roundingFor(animal);
  if (animal.floorWidth) sizes.roomWidth = up(animal.floorWidth);
  if (animal.floorDepth) sizes.roomDepth = up(animal.floorDepth);
  if (animal.cavity) sizes.roomHeight = up(middle(animal.cavity));
  if (animal.entranceSize) sizes.entranceWidth = exact(animal.entranceSize[0]);
  if (animal.entranceAboveFloor) sizes.entranceHeight = up(middle(animal.entranceAboveFloor));
  schools.entranceTo = animal.entranceReference ?? 'sill';
  const needed =
    toMm(
      (sizes.entranceHeight ?? 0) +
        (sizes.entranceWidth ?? 0) * (schools.entranceTo === 'sill' ? 1 : 0.5),
    ) + 12;
  sizes.roomHeight = Math.max(sizes.roomHeight ?? 0, up(needed));
  if (animal.id === 'purple-martin') {
    Object.assign(schools, { columns: '4', rows: '2', sides: 'two', roof: 'flat' });
    sizes.overhangRear = sizes.overhangFront ?? 0;
  }
  return { sizes, angles, schools };
}

/** Rooms in a row or back to back, in one or more rows, sharing their partitions and floors. */
export const colonyHouse: Family = {
  id: 'colony',
  name: 'Terrace and colony house',
  summary: 'Rooms side by side, in rows, perhaps back to back, sharing their walls.',
  about:
    'Terraces of three or more rooms for sparrows, hung under eaves; houses of many rooms on poles for martins, rooms back to back. Panels wider than any board are glued up, or lie with their grain along the house.',
  parameters: PARAMETERS,
  schools: SCHOOLS,
  roles: ROLES,
  cautions: [
    ...NEST_CAUTIONS,
    'A house of many rooms is heavy: a pole that lowers, two people and a rope.',
  ],
  build,
  dimensions,
  checks,
  suit,
};
