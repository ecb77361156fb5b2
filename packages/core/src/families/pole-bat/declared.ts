import {
  about,
  type Chosen,
  length,
  oneOf,
  type PlanOf,
  type RoleDeclarations,
  since,
} from '../../plan/index.js';
import { BETWEEN_SIDES, COMMON_CHOICES, OVER_SIDES, WALLS_PICTURE } from '../common/choices.js';
import { scoreSizes } from '../common/grip.js';
import { RIDGE } from '../common/ridge.js';
import { ROOST_SPACING_MM } from '../common/roost-scores.js';

const isOnSticks = ({ corners }: Chosen): boolean => corners === 'sticks';
const hasRod = ({ foot }: Chosen): boolean => foot === 'rod';
const hasNiches = ({ niches }: Chosen): boolean => niches === 'niches';

export const SIZES = {
  height: length(
    'Tube, high at the sides',
    300,
    1500,
    900,
    'From the lower edge to the roof, at the outside of a side.',
  ),
  rise: length('Roof rises', 20, 400, 127, 'From the outside of a side to the ridge.'),
  notch: length(
    'Notch for the spacers',
    0,
    15,
    0,
    'How deep a spacer sits in the post, where it is let in; the crevice is its thickness less this.',
  ),
  postPoint: since(
    length(
      'Post’s point, high',
      20,
      600,
      178,
      'From its shoulders to its tip, under the ridge: steeper than the roof, so that bats find room all round.',
      ({ postTop }) => postTop === 'point',
    ),
    178,
  ),
  rodSize: since(
    length('Rod for the post’s foot', 8, 40, 16, 'Its hole is bored as wide.', hasRod),
    16,
  ),
  rodDeep: since(
    length('Hole for the rod, deep', 60, 600, 200, 'Up into the end grain, in the middle.', hasRod),
    200,
  ),
  nicheDeep: since(
    length('Roosting niches, deep', 8, 40, 25, 'Sawn into opposite faces of the post.', hasNiches),
    25,
  ),
  nicheLong: since(
    length('Roosting niches, long', 60, 400, 180, 'Along the post, staggered.', hasNiches),
    180,
  ),
  postBelow: length('Post below the tube', 50, 3000, 300, 'To land on, and to bolt to the pole.'),
  overhangFront: length(
    'Roof out over front and back',
    0,
    150,
    30,
    'Level distance to the roof’s edge.',
  ),
  overhangSide: length(
    'Eaves out over each side',
    0,
    150,
    30,
    'Level distance from a side to the eave.',
  ),
  ...scoreSizes(({ grip }) => grip === 'kerfs', ROOST_SPACING_MM),
  ventSize: length(
    'Vent',
    6,
    25,
    13,
    'Diameter of the holes in front and back.',
    (s) => s.vents === 'holes',
  ),
  ventAbove: length(
    'Vents above the lower edge',
    100,
    1000,
    300,
    'Height of the holes.',
    (s) => s.vents === 'holes',
  ),
};

export const CHOICES = {
  ...about('Roof', { ridge: RIDGE }),
  ...about('Walls', {
    walls: oneOf('Front and back', [BETWEEN_SIDES, OVER_SIDES], {
      ...WALLS_PICTURE,
      meant: 'between',
    }),
    corners: oneOf(
      'Corners and roof are held',
      [
        ['edges', 'edge to face', 'Boards are fastened through into each other’s edges.'],
        [
          'sticks',
          'by sticks',
          'A stick in every corner of the crevice and under the roof: thin sheet takes no screw in its edge.',
        ],
      ],
      { picture: 'plan', meant: 'edges' },
    ),
    sideTops: oneOf(
      'Sides’ upper edges',
      [
        [
          'square',
          'square',
          'Sawn square where the slope meets the outside: any saw does it. The wedge under the roof is caulked.',
        ],
        [
          'bevelled',
          'bevelled to the slope',
          'They meet the roof all over, and need a blade that tilts as steeply as the roof.',
        ],
      ],
      { picture: 'front', meant: 'bevelled' },
    ),
    vents: oneOf(
      'Vents',
      [
        [
          'holes',
          'holes',
          'One in front and back, a third of the way up: cooler below, warm under the roof.',
        ],
        ['none', 'none', 'For small boxes and cool summers.'],
      ],
      { picture: 'front' },
    ),
  }),
  ...about('Entrance and grip', {
    grip: oneOf('Roosting faces', [
      ['kerfs', 'scored', 'Shallow kerfs across every face that bats hang on, the post’s too.'],
      ['rough', 'rough sawn', 'Every roosting face is rough from the saw.'],
    ]),
  }),
  ...about('Post', {
    foot: oneOf(
      'The post’s foot',
      [
        ['plain', 'plain', 'Bolted or strapped to a pole, or set in the ground.'],
        [
          'rod',
          'takes a rod',
          'A hole up into its end grain for a steel rod that stands in the ground.',
        ],
      ],
      { meant: 'plain' },
    ),
    niches: oneOf(
      'Niches in the post',
      [
        ['none', 'none', 'The post is plain.'],
        [
          'niches',
          'roosting niches',
          'Hollows in front and back of it, one over the other, to roost in.',
        ],
      ],
      { meant: 'none' },
    ),
    postTop: oneOf(
      'The post’s upper end',
      [
        ['roof', 'fits the roof', 'Sawn to the roof’s two slopes, which rest on it.'],
        ['point', 'a point of its own', 'Steeper than the roof, which it meets along the ridge.'],
      ],
      { picture: 'front', highlights: ['post'], meant: 'roof' },
    ),
    spacersAt: oneOf(
      'Spacers',
      [
        ['half-way', 'near the top and half-way', 'Bats come in from below unhindered.'],
        ['ends', 'near both ends', 'They hold the tube straight.'],
      ],
      { meant: 'ends' },
    ),
  }),
  ...about('Making', { ...COMMON_CHOICES }),
};

export const ROLES = {
  front: { label: 'Front' },
  back: { label: 'Back' },
  'side-left': { label: 'Left side' },
  'side-right': { label: 'Right side' },
  'roof-left': { label: 'Left slope', kind: 'roof' },
  'roof-right': { label: 'Right slope', kind: 'roof' },
  post: { label: 'Post', stick: [89, 89] },
  spacer: { label: 'Spacer', stick: [20, 25] },
  corner: { label: 'Corner stick', stick: [18, 18], applies: isOnSticks },
  rafter: { label: 'Stick under the roof', stick: [18, 18], applies: isOnSticks },
} as const satisfies RoleDeclarations;

export type PolePlan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;
