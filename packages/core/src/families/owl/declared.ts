import {
  about,
  angle,
  length,
  oneOf,
  type PlanOf,
  type RoleDeclarations,
  since,
} from '../../plan/index.js';
import {
  BETWEEN_SIDES,
  COMMON_CHOICES,
  GRIP_BY,
  OVER_SIDES,
  WALLS_PICTURE,
} from '../common/choices.js';
import { ENTRANCE_SIZES, entranceShape, entranceTo } from '../common/entrance.js';
import { DRAIN_NOT_CLIPPED, FLOOR_AT, FLOOR_SIZES } from '../common/floor.js';
import { GRIP_ON_SHEET, GRIP_SIZES, LADDER_ROLE } from '../common/grip.js';

type Answers = Readonly<Record<string, string>>;
const flapped = (s: Answers): boolean => s.access === 'flap';
const withPlatform = (s: Answers): boolean => s.platform === 'platform';
const withRim = (s: Answers): boolean => withPlatform(s) && s.rim === 'rim';
const withPerch = (s: Answers): boolean => s.perch === 'rod';
const stoodOff = (s: Answers): boolean => s.standoff === 'board';

export const SIZES = {
  width: length('Room, wide', 200, 1000, 400, 'Across the box, inside.'),
  depth: length('Room, deep', 200, 1000, 400, 'From front to back, inside.'),
  frontHeight: length(
    'Room, high at the front',
    250,
    1200,
    650,
    'From the floor to the lid’s underside, at the front.',
  ),
  slope: angle('Slope', 0, 25, 6, 'Of the lid, from level, falling to the front.'),
  overhangFront: length(
    'Lid out over the front',
    0,
    250,
    60,
    'Level distance from the front to the lid’s lower edge.',
  ),
  overhangSide: length(
    'Lid out over the sides',
    0,
    150,
    25,
    'Level distance from the outside of a side to the lid’s edge.',
  ),
  overhangRear: length('Lid out over the back', 0, 150, 0, 'Nothing, so that the box hangs flat.'),
  ...FLOOR_SIZES,
  ...ENTRANCE_SIZES,
  ...GRIP_SIZES,
  ventSize: length('Vent', 3, 30, 15, 'Diameter of a hole or height of a gap.'),
  flapFrom: length(
    'Flap, from the floor',
    40,
    400,
    60,
    'Lower edge of the flap above the floor.',
    flapped,
  ),
  flapHigh: length('Flap, high', 80, 500, 200, 'Large enough for an arm and a dustpan.', flapped),
  platformDeep: length(
    'Platform, deep',
    80,
    500,
    200,
    'How far it stands out from the front.',
    withPlatform,
  ),
  platformWide: length('Platform, wide', 100, 900, 350, 'Across the front.', withPlatform),
  perchOut: since(
    length(
      'Perch out of the front',
      40,
      250,
      100,
      'How far the rod stands before the front.',
      withPerch,
    ),
    100,
  ),
  standoffHigh: since(
    length(
      'Low board, high',
      30,
      300,
      90,
      'Of the board that keeps the box off the bark.',
      stoodOff,
    ),
    90,
  ),
  taper: angle(
    'Lid battens taper',
    0,
    15,
    5,
    'So that the lid drops on and sits tight.',
    (s) => s.lid === 'lift-off',
  ),
};

export const CHOICES = {
  ...about('Roof', {
    lid: oneOf(
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
  }),
  ...about('Walls', {
    walls: oneOf('Front and back', [OVER_SIDES, BETWEEN_SIDES], {
      ...WALLS_PICTURE,
      meant: 'over',
    }),
    frame: oneOf(
      'Frame',
      [
        ['posts', 'corner posts', 'A square post in each corner takes all screws.'],
        [
          'battens',
          'battens',
          'An upright batten in each corner, a ring round the floor and one under the lid: lighter.',
        ],
      ],
      { picture: 'plan' },
    ),
    vents: oneOf(
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
  }),
  ...about('Opening', {
    access: oneOf(
      'Opens for cleaning by',
      [
        ['flap', 'a flap', 'Low in the right side, on hinges.'],
        ['lid', 'the lid', 'From above, nothing else opens.'],
      ],
      { picture: 'section' },
    ),
  }),
  ...about('Floor', { floor: DRAIN_NOT_CLIPPED, floorAt: FLOOR_AT }),
  ...about('Entrance and grip', {
    entrance: entranceShape(['square', 'arch', 'oval', 'round']),
    entranceTo: entranceTo('sill'),
    grip: GRIP_ON_SHEET,
    gripBy: GRIP_BY,
    platform: oneOf(
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
  }),
  ...about('Hanging', {
    standoff: oneOf(
      'Low behind the back',
      [
        ['none', 'nothing', 'It hangs flat.'],
        ['board', 'a board', 'It keeps the box off the bark; one screw through it steadies it.'],
      ],
      { picture: 'section', highlights: ['low-board'], meant: 'none' },
    ),
    hang: oneOf('Hung by', [
      ['screws', 'coach screws through the back', 'On a beam or a trunk, over a batten.'],
      [
        'eyes',
        'eyes and wire',
        'Two eyes high in the back’s posts; protected wire, slackened as the tree grows.',
      ],
    ]),
  }),
  ...about('Entrance and grip', {
    rim: oneOf(
      'Round the platform',
      [
        [
          'rim',
          'a rim',
          'A grip batten along its three free edges, so that the young do not slip off.',
        ],
        ['none', 'nothing', 'The sheet’s edge.'],
      ],
      { applies: withPlatform, picture: 'section', highlights: ['rim'], meant: 'none' },
    ),
    perch: oneOf(
      'Before the entrance',
      [
        ['none', 'nothing', 'For owls whose young stay in until they fly.'],
        ['rod', 'a perch', 'Two strips and a rod between, for owls whose young walk out.'],
      ],
      { picture: 'section', highlights: ['perch-rod', 'perch-strip'], meant: 'none' },
    ),
  }),
  ...about('Making', { ...COMMON_CHOICES }),
};

export const ROLES = {
  front: { label: 'Front' },
  back: { label: 'Back' },
  'side-left': { label: 'Left side' },
  'side-right': { label: 'Right side' },
  flap: { label: 'Flap', applies: flapped },
  floor: { label: 'Floor' },
  roof: { label: 'Lid', kind: 'roof' },
  post: { label: 'Corner post', stick: [38, 38], applies: (s) => s.frame === 'posts' },
  batten: { label: 'Batten', stick: [25, 38], applies: (s) => s.frame === 'battens' },
  'lid-batten': { label: 'Lid batten', stick: [19, 38], applies: (s) => s.lid === 'lift-off' },
  platform: { label: 'Platform', applies: withPlatform },
  bearer: { label: 'Platform bearer', stick: [38, 38], applies: withPlatform },
  rim: { label: 'Rim batten', stick: [19, 25], applies: withRim },
  'perch-strip': { label: 'Perch strip', stick: [19, 38], applies: withPerch },
  'perch-rod': { label: 'Perch rod', stick: [25, 25], applies: withPerch },
  'low-board': { label: 'Low board behind', applies: stoodOff },
  ladder: LADDER_ROLE,
} as const satisfies RoleDeclarations;

export type OwlPlan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;
