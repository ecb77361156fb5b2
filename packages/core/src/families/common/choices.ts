import { inWords, oneOf } from '../../plan/index.js';

/** Which depth stays: a maker with thinner boards may keep the front's width of the plan and let the depth grow. */
export const MEASURE_DEPTH = oneOf(
  'Depth is kept',
  [
    ['as-width', 'as the width', 'Both inside, or both outside.'],
    ['inside', 'inside', 'The room’s depth stays.'],
    ['outside', 'outside', 'From the front’s face to the back’s.'],
  ],
  { meant: 'as-width' },
);

/** Which size stays when the wood gets thicker. */
export const MEASURE = oneOf('Width is kept', [
  ['inside', 'inside', 'The room stays; thicker wood makes the box bigger outside.'],
  ['outside', 'outside', 'The board’s width stays; thicker wood makes the room smaller.'],
]);

export const FASTENING = oneOf('Held by', [
  [
    'screws-glue',
    'screws and glue',
    'Strong at once; what must come off later is screwed without glue.',
  ],
  [
    'nails',
    'nails and glue',
    'Ring-shank nails and exterior glue: quick, and not to be taken apart.',
  ],
  ['screws', 'screws only', 'No glue, so that any panel can be replaced.'],
]);

/** Questions that every family of boards raises and that change no panel's shape. */
export const COMMON_CHOICES = {
  fastening: FASTENING,
  wide: oneOf('Panels wider than a board', [
    [
      'glued',
      'are glued up',
      'Of staves with their grain the same way, no joint through an entrance or near an edge.',
    ],
    ['whole', 'need a wider board', 'Every panel is of one piece.'],
  ]),
};

/** The maker's own word for how a planed front is made to climb by. */
export const GRIP_BY = inWords('How the grip is made', 60);

/** Front and back stand between the sides, or cover their edges. */
export const BETWEEN_SIDES = [
  'between',
  'between the sides',
  'The sides cover the edges of front and back.',
] as const;
export const OVER_SIDES = [
  'over',
  'over the sides',
  'Front and back cover the edges of the sides.',
] as const;
export const WALLS_PICTURE = { picture: 'plan', highlights: ['front', 'back'] } as const;
