import { oneOf } from '../../plan/index.js';
import { BETWEEN_SIDES } from '../common/choices.js';

export const MOUNT = oneOf(
  'To hang it by, in the back',
  [
    ['none', 'nothing yet', 'Holes are bored where it is hung.'],
    [
      'eyes',
      'four eyes and wire',
      'Screw eyes near the back’s corners; wire over a strip of rubber, slackened as the tree grows.',
    ],
    [
      'ends',
      'a hole above, one below',
      'In what the back stands out above the roof and below the walls.',
    ],
    [
      'rod',
      'a hole for a rod, one for a nail below',
      'A threaded rod through back and post, high inside; a nail in the back’s lower end steadies it.',
    ],
  ],
  { meant: 'none' },
);

const ROOFS = {
  butt: [
    'butt',
    'against the back',
    'The roof’s rear edge is tilted and meets the back, which may stand on above it for hanging.',
  ],
  over: ['over', 'over the back', 'The back ends under the roof, so no water stands in the joint.'],
  groove: [
    'groove',
    'let into the back',
    'A router cuts a groove across the back; the roof sits in it and no light shows.',
  ],
  strip: [
    'strip',
    'strip over the joint',
    'A strip of rubber covers the joint at the back and is the hinge too.',
  ],
  flat: [
    'flat',
    'flat and square',
    'Every cut is square: a chop saw alone builds it. Posts are never plumb, so water runs off anyway.',
  ],
} as const;

export const ROOF = oneOf('Roof', [ROOFS.butt, ROOFS.over, ROOFS.groove, ROOFS.strip, ROOFS.flat], {
  picture: 'section',
  highlights: ['roof'],
});
/** For a box that nothing of opens. */
export const ROOF_FIXED = oneOf('Roof', [ROOFS.butt, ROOFS.over, ROOFS.groove, ROOFS.flat], {
  picture: 'section',
  highlights: ['roof'],
});

export const ROOF_REAR = oneOf(
  'Roof’s rear edge',
  [
    [
      'square',
      'square to the slope',
      'As it comes off the saw; its lower corner stands out a little.',
    ],
    ['plumb', 'bevelled, plumb', 'Flush with the back’s outer face, so that the box hangs flat.'],
  ],
  {
    picture: 'section',
    highlights: ['roof'],
    applies: (s) => s.roof === 'over',
    meant: 'square',
  },
);

export const LOWER_EDGES = oneOf(
  'Lower edges of front and sides',
  [
    ['square', 'square', 'One cut for all.'],
    ['bevelled', 'bevelled', 'They drip on the outside.'],
  ],
  { picture: 'section', meant: 'square' },
);

export const OUTSIDE = oneOf(
  'Outside under the entrance',
  [
    ['none', 'plain', 'Small birds fly in; what they could climb by serves others.'],
    ['notches', 'notches', 'Shallow kerfs across, for those that climb to their hole.'],
    ['ladder', 'strips', 'Thin strips as a ladder, for parrots.'],
  ],
  { meant: 'none' },
);

export const SIDE_IN = oneOf(
  'The side that swings is',
  [
    ['one', 'one piece', 'From the bottom to the roof.'],
    [
      'two',
      'split',
      'A door below, a fixed part above it and a slit between: for large boxes, and to look in through.',
    ],
  ],
  { applies: (s) => s.access === 'side', meant: 'one' },
);

export const TRAY = oneOf(
  'Over the floor',
  [
    ['none', 'nothing', 'The nest stands on the floor.'],
    [
      'tray',
      'a tray',
      'A second floor that lies loose on the first and is lifted out with the nest.',
    ],
  ],
  { picture: 'section', highlights: ['tray'], meant: 'none' },
);

export const SLOPE_BY = oneOf(
  'Slope is set by',
  [
    ['heights', 'two heights', 'Mark both heights on a side and join them; the angle follows.'],
    ['angle', 'angle', 'Set the saw; the back height follows.'],
  ],
  { applies: (s) => s.roof !== 'flat' },
);

export const WALLS = oneOf(
  'Front and back',
  [
    BETWEEN_SIDES,
    [
      'over',
      'over the sides',
      'Front and back cover the edges of the sides, one of which can then swing.',
    ],
  ],
  { picture: 'plan', highlights: ['front', 'back'] },
);

export const FRONT_SWINGS = [
  'front',
  'a front that swings',
  'The front pivots on two nails or screws through the sides; a latch holds it shut.',
] as const;

export const ACCESS = oneOf(
  'Opens for cleaning by',
  [
    [
      'side',
      'a side that swings',
      'One side pivots on two nails or screws through front and back, opposite each other; a latch holds it shut.',
    ],
    FRONT_SWINGS,
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
);

export const OPENS_AT = oneOf(
  'Seen from the front, it opens at the',
  [
    ['right', 'right', 'All boxes of a batch alike.'],
    ['left', 'left', 'All boxes of a batch alike.'],
  ],
  { applies: (s) => s.access === 'side' || (s.access === 'screwed' && s.walls !== 'over') },
);

export const VENTS = {
  'gap-sides': [
    'gap-sides',
    'gap over the sides',
    'Both sides stop short of the roof, which rests on front and back.',
  ],
  'gap-front': [
    'gap-front',
    'gap over the front',
    'The front stops short of the roof, which rests on the sides.',
  ],
  'gap-ends': [
    'gap-ends',
    'gap over front and back',
    'Front and back stop short alike, so that they are of one size; the roof rests on the sides.',
  ],
  holes: ['holes', 'holes', 'Two high in each side, under the roof.'],
} as const;

const FACES = {
  inside: ['inside', 'inside everywhere', 'Every wall’s sawn face looks in, to climb by.'],
  front: [
    'front',
    'front only',
    'Only the front’s sawn face looks in; the other walls as they come.',
  ],
  outside: [
    'outside',
    'outside',
    'For looks; the front is then scored, laddered or meshed inside.',
  ],
  'but-back': [
    'but-back',
    'outside, but the back’s in',
    'For looks, and the back to climb by; the front is then scored, laddered or meshed inside.',
  ],
  any: [
    'any',
    'as it comes',
    'For boards planed on both faces; the front is then scored, laddered or meshed inside.',
  ],
} as const;

export const ROUGH_FACE = oneOf(
  'Rough face',
  [FACES.inside, FACES.front, FACES.outside, FACES['but-back'], FACES.any],
  { before: 'front' },
);
/** For a front that stands open: nothing has to be climbed. */
export const ROUGH_FACE_OPEN = oneOf(
  'Rough face',
  [FACES.inside, FACES.outside, FACES['but-back'], FACES.any],
  {
    before: 'any',
  },
);

export const ROOF_GRAIN = oneOf('Roof grain', [
  ['slope', 'down the slope', 'Water runs along the grain.'],
  ['across', 'across', 'The board’s width covers the slope.'],
]);

export const DRIP = oneOf('Under the roof’s edge', [
  ['none', 'plain', 'The tilted lower edge lets drops fall.'],
  [
    'kerf',
    'a drip kerf',
    'A shallow saw kerf under the front edge keeps water from creeping back.',
  ],
]);
