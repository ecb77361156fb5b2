import { type School, school } from '../../plan/index.js';

/** Which size stays when the wood gets thicker. */
export const MEASURE_SCHOOL: School = school('measure', 'Sizes are kept', [
  ['inside', 'inside', 'The room stays; thicker wood makes the box bigger outside.'],
  ['outside', 'outside', 'The board’s width stays; thicker wood makes the room smaller.'],
]);

/** Questions that every family raises and that change no panel's shape. */
export const COMMON_SCHOOLS: readonly School[] = [
  school('fastening', 'Held by', [
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
  ]),
  school('finish', 'Finish', [
    ['bare', 'bare wood', 'Durable wood weathers by itself; nothing for young animals to breathe.'],
    ['stain', 'stain outside', 'Water-based, outside only, dry for weeks before it is hung.'],
    [
      'oil',
      'linseed oil outside',
      'Outside only, thin; the rags can catch fire by themselves: dry them flat outdoors.',
    ],
    [
      'paint',
      'paint outside',
      'Water-based, outside only: dark for bats in cold or mild climates, pale where summers are hot.',
    ],
  ]),
  school('wide', 'Panels wider than a board', [
    [
      'glued',
      'are glued up',
      'Of staves with their grain the same way, no joint through an entrance or near an edge.',
    ],
    ['whole', 'need a wider board', 'Every panel is of one piece.'],
  ]),
];
