import {
  about,
  angle,
  type ChoiceDeclaration,
  length,
  oneOf,
  type PlanOf,
  type RoleDeclarations,
} from '../../plan/index.js';
import { COMMON_CHOICES, GRIP_BY } from '../common/choices.js';
import { entranceTo } from '../common/entrance.js';
import { GRIP_PLAIN, scoreSizes } from '../common/grip.js';
import { BATTEN_ROLE } from '../common/sheet-sticks.js';

export const SIZES = {
  roomWidth: length('Each room, wide', 80, 400, 152, 'Between partitions.'),
  roomDepth: length(
    'Each room, deep',
    80,
    450,
    152,
    'From the front to the back or the wall between.',
  ),
  roomHeight: length(
    'Each room, high',
    100,
    400,
    165,
    'From its floor to what is over it, at the front.',
  ),
  slope: angle('Slope', 3, 25, 8, 'Of the roof, from level.', (s) => s.roof !== 'flat'),
  overhangFront: length(
    'Roof out over the front',
    0,
    250,
    60,
    'Level distance from the front to the roof’s edge.',
  ),
  overhangSide: length(
    'Roof out over the ends',
    0,
    150,
    30,
    'Level distance from an end to the roof’s edge.',
  ),
  overhangRear: length(
    'Roof out over the back',
    0,
    250,
    0,
    'Nothing, so that a terrace hangs flat on a wall.',
    (s) => s.sides !== 'halves',
  ),
  floorRecess: length('Lowest floor up inside', 0, 60, 9.5, 'So that its end grain stays dry.'),
  entranceWidth: length('Entrance', 15, 120, 32, 'Diameter of each.'),
  entranceHeight: length('Entrance above the floor', 0, 300, 130, 'From each room’s floor.'),
  drainSize: length('Drain', 4, 20, 8, 'One hole in the floor of each room.'),
  ...scoreSizes(({ grip }) => grip === 'kerfs'),
  ventSize: length('Vent', 4, 20, 10, 'One hole high in the front of each room.'),
};

/** How many of something, the usual number first. */
const counted = <const O extends string>(
  label: string,
  counts: readonly [O, ...O[]],
  reason: string,
  picture: 'front' | 'section',
): ChoiceDeclaration<O> =>
  oneOf(
    label,
    counts.map((count) => [count, count, reason] as const),
    { picture },
  );

/** How the outer skin of a house is held; floors and partitions are its frame. */
const SKIN = oneOf(
  'Fronts, back and ends are held',
  [
    ['edges', 'edge to face', 'Fastened through into each other’s edges.'],
    [
      'sticks',
      'by sticks in the corners',
      'For a skin of thin sheet, which takes no screw in its edge; floors and partitions stay of boards.',
    ],
  ],
  { picture: 'plan', highlights: ['batten'], meant: 'edges' },
);

export const CHOICES = {
  ...about('Roof', {
    roof: oneOf(
      'Roof',
      [
        ['slant', 'one slope', 'Falls to the front.'],
        ['flat', 'flat and square', 'Every cut is square.'],
      ],
      { picture: 'section', highlights: ['roof'] },
    ),
  }),
  ...about('Walls', {
    corners: SKIN,
    sides: oneOf(
      'Faces',
      [
        ['one', 'to the front', 'A terrace, hung on a wall.'],
        ['two', 'back to back', 'A house on a pole: rooms open to the front and to the back.'],
        [
          'halves',
          'two halves on a frame',
          'Two houses of one side each, back to back on two sticks, the pole between them: lighter to carry and to hang.',
        ],
      ],
      { picture: 'section' },
    ),
    columns: counted(
      'Rooms side by side',
      ['3', '1', '2', '4', '5', '6', '7', '8'],
      'Sparrows nest in terraces of three or more; martins in houses of many rooms.',
      'front',
    ),
    rows: counted(
      'Rows',
      ['1', '2', '3', '4'],
      'One over the other; every floor is shared by the row below.',
      'section',
    ),
    frontGrain: oneOf('Grain of front, back and floors', [
      ['along', 'along the house', 'Long boards lie level; their width is the house’s height.'],
      ['up', 'up the walls', 'As in small boxes; wider than any board, so glued up.'],
    ]),
  }),
  ...about('Opening', {
    access: oneOf('Opens for cleaning by', [
      [
        'screwed',
        'the front',
        'Each front is held by screws alone, without glue: all rooms at once.',
      ],
      ['roof', 'the roof', 'Held by screws; reaches the upper row alone.'],
    ]),
  }),
  ...about('Entrance and grip', {
    entranceTo: entranceTo('sill'),
    grip: GRIP_PLAIN,
    gripBy: GRIP_BY,
  }),
  ...about('Making', { ...COMMON_CHOICES }),
};

export const ROLES = {
  front: { label: 'Front' },
  back: { label: 'Back', applies: (s) => s.sides !== 'two' },
  'side-left': { label: 'Left end' },
  'side-right': { label: 'Right end' },
  floor: { label: 'Floor' },
  partition: { label: 'Partition', applies: (s) => s.columns !== '1' },
  middle: { label: 'Wall between', applies: (s) => s.sides === 'two' },
  roof: { label: 'Roof', kind: 'roof' },
  batten: BATTEN_ROLE,
  frame: { label: 'Frame stick', stick: [89, 38], applies: (s) => s.sides === 'halves' },
} as const satisfies RoleDeclarations;

export type ColonyPlan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;
