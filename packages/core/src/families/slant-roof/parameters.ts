import {
  angle,
  length,
  type PanelRole,
  type Parameter,
  type School,
  school,
} from '../../plan/index.js';
import { COMMON_SCHOOLS, MEASURE_SCHOOL } from '../shared/common-choices.js';
import { ENTRANCE_PARAMETERS, ENTRANCE_SCHOOLS } from '../shared/entrance.js';
import { FLOOR_PARAMETERS, FLOOR_SCHOOLS } from '../shared/floor.js';
import { GRIP_SCHOOL, LADDER_ROLE } from '../shared/grip.js';

/** Roofs that end against the back, which may stand on above them. */
export const AGAINST_BACK = ['butt', 'strip', 'groove'];
const against = (s: Readonly<Record<string, string>>): boolean =>
  AGAINST_BACK.includes(s.roof ?? '');
const swings = (s: Readonly<Record<string, string>>): boolean =>
  s.access === 'side' || s.access === 'front';

/** Lengths are written here in millimetres. Figures without a source are common practice. */
export const PARAMETERS: readonly Parameter[] = [
  length('width', 'Width', 60, 700, 127, 'Across the box, as you face it.'),
  length('depth', 'Depth', 60, 700, 127, 'From front to back.'),
  length(
    'frontHeight',
    'Sides high at the front',
    80,
    1200,
    230,
    'Length of a side along its front edge, from the bottom to the roof line.',
  ),
  length(
    'backHeight',
    'Sides high at the back',
    80,
    1300,
    255,
    'Length of a side along its back edge, from the bottom to the roof line.',
    (s) => s.roof !== 'flat' && s.slope === 'heights',
  ),
  angle(
    'slope',
    'Slope',
    2,
    40,
    10,
    'Of the roof, from level.',
    (s) => s.roof !== 'flat' && s.slope === 'angle',
  ),
  length(
    'overhangFront',
    'Roof out over the front',
    0,
    250,
    50,
    'Level distance from the front to the lower edge of the roof.',
  ),
  length(
    'overhangSide',
    'Roof out over each side',
    0,
    150,
    19,
    'Level distance from the outside of a side to the edge of the roof.',
  ),
  length(
    'overhangRear',
    'Roof out over the back',
    0,
    150,
    0,
    'Level distance behind the back; nothing, so that the box hangs flat.',
    (s) => !against(s),
  ),
  length(
    'letIn',
    'Roof let into the back',
    3,
    19,
    6,
    'Depth of the groove in the back that takes the roof’s rear edge.',
    (s) => s.roof === 'groove',
  ),
  ...FLOOR_PARAMETERS,
  length(
    'backAbove',
    'Back longer above',
    0,
    200,
    0,
    'Above the roof, to fix the box by.',
    against,
  ),
  length('backBelow', 'Back longer below', 0, 200, 38, 'Below the walls, to fix the box by.'),
  ...ENTRANCE_PARAMETERS,
  length(
    'pivotBelow',
    'Pivots below the upper edge',
    12,
    80,
    25.4,
    'The axis on which the wall swings; both nails at this height.',
    swings,
  ),
  length('ventSize', 'Vent', 3, 25, 6.4, 'Height of a gap or diameter of a hole.'),
];

export const SCHOOLS: readonly School[] = [
  school(
    'roof',
    'Roof',
    [
      [
        'butt',
        'against the back',
        'The roof’s rear edge is tilted and meets the back, which may stand on above it for hanging.',
      ],
      ['over', 'over the back', 'The back ends under the roof, so no water stands in the joint.'],
      [
        'groove',
        'let into the back',
        'A router cuts a groove across the back; the roof sits in it and no light shows.',
      ],
      [
        'strip',
        'strip over the joint',
        'A strip of rubber covers the joint at the back and is the hinge too.',
      ],
      [
        'flat',
        'flat and square',
        'Every cut is square: a chop saw alone builds it. Posts are never plumb, so water runs off anyway.',
      ],
    ],
    { picture: 'section' },
  ),
  school(
    'slope',
    'Slope is set by',
    [
      ['heights', 'two heights', 'Mark both heights on a side and join them; the angle follows.'],
      ['angle', 'angle', 'Set the saw; the back height follows.'],
    ],
    { applies: (s) => s.roof !== 'flat' },
  ),
  school(
    'walls',
    'Front and back',
    [
      ['between', 'between the sides', 'The sides cover the edges of front and back.'],
      [
        'over',
        'over the sides',
        'Front and back cover the edges of the sides, one of which can then swing.',
      ],
    ],
    { picture: 'plan' },
  ),
  MEASURE_SCHOOL,
  school(
    'access',
    'Opens for cleaning by',
    [
      [
        'side',
        'a side that swings',
        'One side pivots on two nails through front and back, opposite each other; a latch nail holds it shut.',
      ],
      [
        'front',
        'a front that swings',
        'The front pivots on two nails through the sides; a latch nail holds it shut.',
      ],
      [
        'roof',
        'a roof that lifts',
        'The roof turns up on hinges, or on the strip, and is hooked shut.',
      ],
      [
        'screwed',
        'screws',
        'The wall that covers its neighbours’ edges is held by screws alone, without glue.',
      ],
    ],
    { before: 'screwed' },
  ),
  school(
    'opensAt',
    'Seen from the front, it opens at the',
    [
      ['right', 'right', 'All boxes of a batch alike.'],
      ['left', 'left', 'All boxes of a batch alike.'],
    ],
    { applies: (s) => s.access === 'side' || (s.access === 'screwed' && s.walls !== 'over') },
  ),
  ...FLOOR_SCHOOLS,
  school(
    'vents',
    'Vents',
    [
      [
        'gap-sides',
        'gap over the sides',
        'Both sides stop short of the roof, which rests on front and back.',
      ],
      [
        'gap-front',
        'gap over the front',
        'The front stops short of the roof, which rests on the sides.',
      ],
      ['holes', 'holes', 'Two high in each side, under the roof.'],
    ],
    { picture: 'section' },
  ),
  school(
    'faces',
    'Rough face',
    [
      ['inside', 'inside everywhere', 'Every wall’s sawn face looks in, to climb by.'],
      ['front', 'front only', 'Only the front’s sawn face looks in; the other walls as they come.'],
      ['outside', 'outside', 'For looks; the front is then scored, laddered or meshed inside.'],
      [
        'any',
        'as it comes',
        'For boards planed on both faces; the front is then scored, laddered or meshed inside.',
      ],
    ],
    { before: 'front' },
  ),
  GRIP_SCHOOL,
  {
    ...ENTRANCE_SCHOOLS[0]!,
    options: [
      ...ENTRANCE_SCHOOLS[0]!.options,
      {
        id: 'slot',
        label: 'slot at the top',
        reason: 'The front stops short of the roof by the entrance’s height, right across.',
      },
    ],
  },
  ...ENTRANCE_SCHOOLS.slice(1),
  school('roofGrain', 'Roof grain', [
    ['slope', 'down the slope', 'Water runs along the grain.'],
    ['across', 'across', 'The board’s width covers the slope.'],
  ]),
  school('drip', 'Under the roof’s edge', [
    ['none', 'plain', 'The tilted lower edge lets drops fall.'],
    [
      'kerf',
      'a drip kerf',
      'A shallow saw kerf under the front edge keeps water from creeping back.',
    ],
  ]),
  ...COMMON_SCHOOLS,
];

export const ROLES: readonly PanelRole[] = [
  { id: 'front', label: 'Front' },
  { id: 'back', label: 'Back' },
  { id: 'side-left', label: 'Left side' },
  { id: 'side-right', label: 'Right side' },
  { id: 'floor', label: 'Floor' },
  { id: 'roof', label: 'Roof' },
  LADDER_ROLE,
];
