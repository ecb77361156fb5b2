import {
  about,
  angle,
  type Chosen,
  length,
  oneOf,
  type PlanOf,
  type RoleDeclarations,
  since,
} from '../../plan/index.js';
import { COMMON_CHOICES, GRIP_BY, MEASURE, MEASURE_DEPTH } from '../common/choices.js';
import { ENTRANCE_SIZES, entranceShape, entranceTo } from '../common/entrance.js';
import { DRAIN, FLOOR_AT, FLOOR_SIZES } from '../common/floor.js';
import { GRIP, GRIP_SIZES, LADDER_ROLE } from '../common/grip.js';
import { hungChoices, hungSizes } from '../common/hung-wall.js';
import { playSizes } from '../common/play.js';
import { RIDGE } from '../common/ridge.js';
import { BATTEN_ROLE, CORNERS } from '../common/sheet-sticks.js';

const byApex = (s: Chosen): boolean => s.gableBy === 'apex';
const liftsOff = (s: Chosen): boolean => s.access === 'lift-off';
const isShelved = (s: Chosen): boolean => s.landing === 'shelf' || s.landing === 'shelf-braced';
const swings = (s: Chosen): boolean => s.access === 'side';
const bySides = (s: Chosen): boolean => !byApex(s);

export const SIZES = {
  width: length('Width', 60, 700, 127, 'Across the box, as you face it.'),
  depth: length('Depth', 60, 900, 127, 'From front to back.'),
  sideHeight: length(
    'Sides high',
    80,
    1000,
    210,
    'Length of a side, inside, from the bottom to the roof line.',
    bySides,
  ),
  apexHeight: since(
    length(
      'Apex of the gable',
      120,
      1400,
      290,
      'From the lower edge of the front to its point.',
      byApex,
    ),
    290,
  ),
  shoulderHeight: since(
    length(
      'Shoulders of the gable',
      80,
      1200,
      210,
      'From the lower edge of the front to where its slopes begin.',
      byApex,
    ),
    210,
  ),
  pitch: angle('Pitch', 30, 60, 45, 'Of each slope, from level.', bySides),
  overhangFront: length(
    'Roof out over the front',
    0,
    200,
    50,
    'Level distance from the front to the roof’s front edge.',
  ),
  overhangRear: length('Roof out over the back', 0, 150, 0, 'Nothing, so that the box hangs flat.'),
  overhangSide: length(
    'Eaves out over each side',
    0,
    150,
    30,
    'Level distance from the outside of a side to the eave.',
  ),
  ...FLOOR_SIZES,
  backBelow: length('Back longer below', 0, 200, 0, 'Below the walls, to fix the box by.'),
  ...ENTRANCE_SIZES,
  pivotBelow: length(
    'Pivots below the upper edge',
    12,
    80,
    25.4,
    'The axis on which the side swings; both pivots at this height.',
    swings,
  ),
  ...playSizes(swings),
  ...hungSizes(swings),
  ...GRIP_SIZES,
  ventSize: length('Vent', 3, 25, 6.4, 'Height of a gap or diameter of a hole.'),
  shelfDeep: length(
    'Landing shelf, deep',
    40,
    300,
    120,
    'How far it stands out from the front.',
    isShelved,
  ),
  shelfWide: length('Landing shelf, wide', 60, 600, 160, 'Across the front.', isShelved),
  triangleHigh: since(
    length(
      'Triangles under the roof, high',
      25,
      300,
      45,
      'From the ridge down to their lower edge; they hold the two slopes together.',
      liftsOff,
    ),
    45,
  ),
};

export const CHOICES = {
  ...about('Roof', {
    ridge: RIDGE,
    gableBy: oneOf(
      'The gable is given by',
      [
        ['sides', 'sides and pitch', 'How high the sides are, and how steep the roof.'],
        [
          'apex',
          'apex and shoulders',
          'Marked on the board: where the point is, and where the slopes begin.',
        ],
      ],
      { meant: 'sides' },
    ),
  }),
  ...about('Walls', {
    walls: oneOf(
      'Front and back',
      [
        [
          'over',
          'over the sides',
          'The gables cover the edges of the sides, one of which can then swing.',
        ],
        ['between', 'between the sides', 'The sides cover the edges of the gables.'],
      ],
      { picture: 'plan', highlights: ['front', 'back'] },
    ),
    corners: CORNERS,
    measure: MEASURE,
    measureDepth: MEASURE_DEPTH,
    vents: oneOf(
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
  }),
  ...about('Opening', {
    access: oneOf('Opens for cleaning by', [
      [
        'side',
        'a side that swings',
        'One side pivots on two nails or screws through the gables; a latch holds it shut.',
      ],
      [
        'lift-off',
        'a roof that lifts off',
        'A triangle under each end holds the two slopes together; a bolt through each gable into an insert holds them down.',
      ],
      [
        'screwed',
        'screws',
        'The wall that covers its neighbours’ edges is held by screws alone, without glue.',
      ],
    ]),
    opensAt: oneOf(
      'Seen from the front, it opens at the',
      [
        ['right', 'right', 'All boxes of a batch alike.'],
        ['left', 'left', 'All boxes of a batch alike.'],
      ],
      { applies: (s) => s.access === 'side' || (s.access === 'screwed' && s.walls === 'between') },
    ),
    ...hungChoices(swings),
  }),
  ...about('Floor', {
    floor: DRAIN,
    floorAt: FLOOR_AT,
    floorOn: oneOf(
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
  }),
  ...about('Entrance and grip', {
    entrance: entranceShape(['round', 'oval', 'arch', 'square']),
    entranceTo: entranceTo(),
    grip: GRIP,
    gripBy: GRIP_BY,
    landing: oneOf(
      'Landing shelf',
      [
        ['none', 'none', 'Small cavity nesters need none; it serves those who rob them.'],
        ['shelf', 'a shelf', 'For larger owls, whose young walk out before they fly.'],
        ['shelf-braced', 'a shelf in three pieces', 'A shelf on two brackets, for a large box.'],
      ],
      { picture: 'section' },
    ),
  }),
  ...about('Making', { ...COMMON_CHOICES }),
};

export const ROLES = {
  front: { label: 'Front gable' },
  back: { label: 'Back gable' },
  'side-left': { label: 'Left side' },
  'side-right': { label: 'Right side' },
  floor: { label: 'Floor' },
  'roof-left': { label: 'Left slope', kind: 'roof' },
  'roof-right': { label: 'Right slope', kind: 'roof' },
  cleat: { label: 'Floor cleat', stick: [12, 25], applies: (s) => s.floorOn === 'cleats' },
  shelf: { label: 'Landing shelf', applies: isShelved },
  bracket: { label: 'Bracket', applies: (s) => s.landing === 'shelf-braced' },
  'roof-triangle': { label: 'Triangle under the roof', applies: liftsOff },
  batten: BATTEN_ROLE,
  ladder: LADDER_ROLE,
} as const satisfies RoleDeclarations;

export type RidgePlan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;
