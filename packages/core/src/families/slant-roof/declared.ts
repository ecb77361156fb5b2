import type { Ticks } from '../../measure/index.js';
import {
  about,
  angle,
  type Chosen,
  length,
  oneOf,
  type PanelWood,
  type PlanOf,
  since,
} from '../../plan/index.js';
import {
  BETWEEN_SIDES,
  COMMON_CHOICES,
  GRIP_BY,
  MEASURE,
  MEASURE_DEPTH,
} from '../common/choices.js';
import { ENTRANCE_SIZES, entranceShape, entranceTo } from '../common/entrance.js';
import { DRAIN, FLOOR_AT, FLOOR_SIZES } from '../common/floor.js';
import { GRIP, GRIP_SIZES, LADDER_ROLE } from '../common/grip.js';
import { hungChoices, hungSizes } from '../common/hung-wall.js';
import { playSizes } from '../common/play.js';
import { BATTEN_ROLE, CORNERS } from '../common/sheet-sticks.js';

/** How far the back stands out beside the box; it can only where it covers the sides' edges. */
export const backWider = ({ sizes, choices }: ShellPlan): Ticks =>
  choices.walls === 'over' ? sizes.backWider : 0;

/** Roofs that end against the back, which may stand on above them. */
const AGAINST_BACK = ['butt', 'strip', 'groove'];
export const isAgainstBack = ({ roof }: Chosen): boolean => AGAINST_BACK.includes(roof ?? '');
const swings = ({ access }: Chosen): boolean => access === 'side' || access === 'front';
const isSplit = ({ access, sideIn }: Chosen): boolean => access === 'side' && sideIn === 'two';
const isScored = ({ grip, outside }: Chosen): boolean => grip === 'kerfs' || outside === 'notches';
const isLaddered = ({ grip, outside }: Chosen): boolean =>
  grip === 'ladder' || outside === 'ladder';
const hasTray = ({ tray }: Chosen): boolean => tray === 'tray';

/** Lengths are written here in millimetres. Figures without a source are common practice. */
export const SHELL_SIZES = {
  width: length('Width', 60, 700, 127, 'Across the box, as you face it.'),
  depth: length('Depth', 60, 700, 127, 'From front to back.'),
  frontHeight: length(
    'Sides high at the front',
    80,
    1200,
    230,
    'Length of a side along its front edge, from the bottom to the roof line.',
  ),
  backHeight: length(
    'Sides high at the back',
    80,
    1300,
    255,
    'Length of a side along its back edge, from the bottom to the roof line.',
    (s) => s.roof !== 'flat' && s.slope === 'heights',
  ),
  slope: angle(
    'Slope',
    2,
    40,
    10,
    'Of the roof, from level.',
    (s) => s.roof !== 'flat' && s.slope === 'angle',
  ),
  overhangFront: length(
    'Roof out over the front',
    0,
    250,
    50,
    'Level distance from the front to the lower edge of the roof.',
  ),
  overhangSide: length(
    'Roof out over each side',
    0,
    150,
    19,
    'Level distance from the outside of a side to the edge of the roof.',
  ),
  overhangRear: length(
    'Roof out over the back',
    0,
    150,
    0,
    'Level distance behind the back; nothing, so that the box hangs flat.',
    (s) => !isAgainstBack(s),
  ),
  letIn: length(
    'Roof let into the back',
    3,
    19,
    6,
    'Depth of the groove in the back that takes the roof’s rear edge.',
    (s) => s.roof === 'groove',
  ),
  ...FLOOR_SIZES,
  backAbove: length(
    'Back longer above',
    0,
    200,
    0,
    'Above the roof, to fix the box by.',
    isAgainstBack,
  ),
  backBelow: length('Back longer below', 0, 200, 38, 'Below the walls, to fix the box by.'),
  backWider: since(
    length(
      'Back wider than the box, at each side',
      0,
      150,
      0,
      'A board that stands out beside the box, to fix it by or to keep the rain off.',
      (s) => s.walls === 'over',
    ),
    0,
  ),
  lowerBevel: since(
    angle(
      'Bevel of the lower edges',
      5,
      30,
      15,
      'From square; the outer face is the longer one, and drips.',
      (s) => s.lowerEdges === 'bevelled',
    ),
    15,
  ),
};

export const PIVOT_BELOW = length(
  'Pivots below the upper edge',
  12,
  80,
  25.4,
  'The axis on which the wall swings; both pivots at this height.',
  swings,
);
/** What belongs to a wall that swings: its play, its hardware, its lip, and where a side is split above it. */
export const SWING_SIZES = {
  ...playSizes(swings),
  ...hungSizes(swings),
  lip: since(
    length(
      'Lip of the wall that swings',
      0,
      25,
      0,
      'It hangs so far below its neighbours: water drips off, and there is something to pull by.',
      swings,
    ),
    0,
  ),
  splitAt: since(
    length(
      'Door’s upper edge above the floor',
      60,
      900,
      120,
      'Where the side is sawn in two: the door below, a fixed part above.',
      isSplit,
    ),
    120,
  ),
  slit: since(
    length(
      'Slit over the door',
      3,
      20,
      6,
      'To look for wasps through before it is opened.',
      isSplit,
    ),
    6,
  ),
};
export const TRAY_PLAY = since(
  length('Room round the tray', 0, 8, 2, 'So that it lifts out when it has swollen.', hasTray),
  2,
);
/** Scores and strips, within and without. */
export const CLIMB_SIZES = {
  ...GRIP_SIZES,
  scoreSpacing: { ...GRIP_SIZES.scoreSpacing, applies: isScored },
  scoreWidth: { ...GRIP_SIZES.scoreWidth, applies: isScored },
  rungSpacing: { ...GRIP_SIZES.rungSpacing, applies: isLaddered },
};
const isMounted = ({ mount }: Chosen): boolean => mount !== 'none';
export const MOUNT = oneOf(
  'Holes in the back to hang it by',
  [
    ['none', 'none', 'They are bored where it is hung.'],
    [
      'ends',
      'one above, one below',
      'In what the back stands out above the roof and below the walls.',
    ],
    [
      'rod',
      'one for a rod, one for a nail below',
      'A threaded rod through back and post, high inside; a nail in the back’s lower end steadies it.',
    ],
  ],
  { meant: 'none' },
);
export const MOUNT_SIZE = since(
  length('Hole to hang it by', 3, 16, 8, 'As thick as the rod or the screw.', isMounted),
  8,
);
/** Sizes that are the hardware’s or the hand’s: no layout is saved by trimming them. */
export const NOT_TRIMMED = [
  'pivotBelow',
  'play',
  'playOverFloor',
  'pivotSize',
  'latchSize',
  'latchAbove',
  'lip',
  'splitAt',
  'slit',
  'trayPlay',
  'scoreSpacing',
  'scoreWidth',
  'rungSpacing',
  'mountSize',
  'ventSize',
  'drainSize',
  'letIn',
] as const;
export const VENT_SIZE = length('Vent', 3, 25, 6.4, 'Height of a gap or diameter of a hole.');

export const SIZES = {
  ...SHELL_SIZES,
  ...ENTRANCE_SIZES,
  pivotBelow: PIVOT_BELOW,
  ...SWING_SIZES,
  trayPlay: TRAY_PLAY,
  ...CLIMB_SIZES,
  mountSize: MOUNT_SIZE,
  ventSize: VENT_SIZE,
};

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

const OUTSIDE = oneOf(
  'Outside under the entrance',
  [
    ['none', 'plain', 'Small birds fly in; what they could climb by serves others.'],
    ['notches', 'notches', 'Shallow kerfs across, for those that climb to their hole.'],
    ['ladder', 'strips', 'Thin strips as a ladder, for parrots.'],
  ],
  { meant: 'none' },
);

const SIDE_IN = oneOf(
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

const TRAY = oneOf(
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

const ACCESS = oneOf(
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

export const CHOICES = {
  ...about('Roof', {
    roof: ROOF,
    rearEdge: ROOF_REAR,
    slope: SLOPE_BY,
    roofGrain: ROOF_GRAIN,
    drip: DRIP,
  }),
  ...about('Walls', {
    walls: WALLS,
    corners: CORNERS,
    lowerEdges: LOWER_EDGES,
    measure: MEASURE,
    measureDepth: MEASURE_DEPTH,
    faces: ROUGH_FACE,
    vents: oneOf(
      'Vents',
      [VENTS['gap-sides'], VENTS['gap-front'], VENTS['gap-ends'], VENTS.holes],
      {
        picture: 'section',
      },
    ),
  }),
  ...about('Opening', {
    access: ACCESS,
    opensAt: OPENS_AT,
    sideIn: SIDE_IN,
    ...hungChoices(swings),
  }),
  ...about('Floor', { floor: DRAIN, floorAt: FLOOR_AT, tray: TRAY }),
  ...about('Entrance and grip', {
    entrance: entranceShape(['round', 'oval', 'arch', 'square', 'slot']),
    entranceTo: entranceTo(),
    grip: GRIP,
    gripBy: GRIP_BY,
    outside: OUTSIDE,
  }),
  ...about('Hanging', { mount: MOUNT }),
  ...about('Making', { ...COMMON_CHOICES }),
};

export const BODY_ROLES = {
  front: { label: 'Front' },
  back: { label: 'Back' },
  'side-left': { label: 'Left side' },
  'side-right': { label: 'Right side' },
  floor: { label: 'Floor' },
  roof: { label: 'Roof', kind: 'roof' },
} as const;

export const ROLES = {
  ...BODY_ROLES,
  batten: BATTEN_ROLE,
  'side-above': { label: 'Side above the door', applies: isSplit },
  tray: { label: 'Tray', applies: hasTray },
  ladder: LADDER_ROLE,
  'outer-ladder': {
    label: 'Strip outside',
    stick: [6, 12] as const,
    applies: (s: Chosen) => s.outside === 'ladder',
  },
};

export type SlantRoofPlan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;
type Answers = SlantRoofPlan['choices'];

/** What the walls, the floor and the roof of such a box are cut by; kinds of box that leave a question out answer it with none. */
export interface ShellPlan {
  sizes: Omit<SlantRoofPlan['sizes'], 'entranceWidth' | 'entranceUpright' | 'entranceHeight'>;
  angles: SlantRoofPlan['angles'];
  choices: Omit<
    Answers,
    'access' | 'vents' | 'grip' | 'gripBy' | 'entrance' | 'entranceTo' | 'fastening' | 'wide'
  > & {
    readonly access: Answers['access'] | 'none' | 'front-off';
    readonly vents: Answers['vents'] | 'none';
    readonly grip: Answers['grip'] | 'none';
  };
  wood: Readonly<Record<WallRole, PanelWood> & Partial<Record<FittedRole, PanelWood>>>;
}

/** Panels that every such box has, and those that a kind of box may leave out. */
type FittedRole = 'batten' | 'ladder' | 'outer-ladder' | 'tray' | 'side-above';
type WallRole = Exclude<keyof typeof ROLES, FittedRole>;

/** A box with nothing of what the common small box may have besides. */
export const PLAIN = {
  sizes: { lip: 0, splitAt: 0, slit: 0, trayPlay: 0, mountSize: 0 },
  choices: { sideIn: 'one', tray: 'none', outside: 'none', mount: 'none' },
} as const;
