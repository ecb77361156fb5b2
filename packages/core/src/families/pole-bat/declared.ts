import { length, oneOf, type PlanOf, type RoleDeclarations } from '../../plan/index.js';
import { BETWEEN_SIDES, COMMON_CHOICES, OVER_SIDES, WALLS_PICTURE } from '../common/choices.js';
import { RIDGE } from '../common/ridge.js';

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
    3,
    'How deep a spacer sits in the post; the crevice is its thickness less this.',
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
  ridge: RIDGE,
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
  grip: oneOf('Roosting faces', [
    ['kerfs', 'scored', 'Shallow kerfs across every face that bats hang on, the post’s too.'],
    ['rough', 'rough sawn', 'Every roosting face is rough from the saw.'],
  ]),
  walls: oneOf('Front and back', [BETWEEN_SIDES, OVER_SIDES], {
    ...WALLS_PICTURE,
    meant: 'between',
  }),
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
  ...COMMON_CHOICES,
};

export const ROLES = {
  front: { label: 'Front' },
  back: { label: 'Back' },
  'side-left': { label: 'Left side' },
  'side-right': { label: 'Right side' },
  'roof-left': { label: 'Left slope', kind: 'roof' },
  'roof-right': { label: 'Right slope', kind: 'roof' },
  post: { label: 'Post', stick: [89, 89] },
  spacer: { label: 'Spacer', stick: [22, 30] },
} as const satisfies RoleDeclarations;

export type PolePlan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;
