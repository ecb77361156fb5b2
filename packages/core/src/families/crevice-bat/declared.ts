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
import { COMMON_CHOICES } from '../common/choices.js';
import { scoreSizes } from '../common/grip.js';
import { ROOST_SPACING_MM } from '../common/roost-scores.js';

const hasCheeks = ({ ends }: Chosen): boolean => ends !== 'spacers';
const byCheeks = (s: Chosen): boolean => hasCheeks(s) && s.creviceBy === 'cheeks';
const hasPartitions = ({ crevices }: Chosen): boolean => crevices !== '1';
const hasVents = ({ vents }: Chosen): boolean => vents !== 'none';

/** Written in millimetres. Figures without a source are common practice. */
export const SIZES = {
  width: length('Crevice wide', 120, 900, 360, 'Between the two cheeks.'),
  frontHeight: length(
    'Front high',
    250,
    1200,
    610,
    'From the lower edge to the roof, at the front.',
  ),
  crevice: length(
    'Crevice deep',
    12,
    32,
    20,
    'From one roosting face to the next: how bats press in.',
    (s) => hasCheeks(s) && !byCheeks(s),
  ),
  cheekWidth: since(
    length(
      'Cheeks, wide',
      40,
      450,
      97,
      'As they are ripped: what boards and partitions leave of it is shared among the crevices.',
      byCheeks,
    ),
    97,
  ),
  landing: length(
    'Landing below',
    50,
    300,
    120,
    'How far the back stands out below, to land on and crawl up.',
  ),
  slope: angle('Slope', 0, 35, 15, 'Of the roof, from level, falling to the front.'),
  overhangFront: length(
    'Roof out over the front',
    0,
    150,
    60,
    'Level distance from the front to the lower edge of the roof.',
  ),
  overhangSide: length(
    'Roof out over each side',
    0,
    150,
    30,
    'Level distance from a cheek to the edge of the roof.',
  ),
  passage: length(
    'Passage over the partitions',
    8,
    60,
    15,
    'So that bats can change crevice under the roof.',
    (s) => hasPartitions(s) && s.hang !== 'flush',
  ),
  unevenBy: since(
    length(
      'Each partition lower by',
      0,
      100,
      19,
      'Than the one before it, so that bats land at each and climb in.',
      (s) => hasPartitions(s) && s.hang === 'flush',
    ),
    19,
  ),
  ...scoreSizes(({ grip }) => grip === 'kerfs', ROOST_SPACING_MM),
  ventAbove: length(
    'Vent above the lower edge',
    80,
    600,
    200,
    'Lower edge of the slot across the front, or middle of the holes.',
    hasVents,
  ),
  ventSize: length('Vent', 8, 20, 13, 'Height of the slot, diameter of a hole.', hasVents),
};

export const CHOICES = {
  ...about('Walls', {
    columns: oneOf(
      'Strips stand',
      [
        ['ends', 'at both ends', 'Each crevice is one room.'],
        ['middle', 'at both ends and in the middle', 'Stiffer, and two rooms in each crevice.'],
      ],
      { applies: (s) => !hasCheeks(s), picture: 'plan', highlights: ['spacer'], meant: 'ends' },
    ),
    crevices: oneOf(
      'Crevices',
      [
        ['2', 'two', 'One partition: bats choose between warm and cool.'],
        ['1', 'one', 'The simplest, for a wall that keeps warm by itself.'],
        ['3', 'three', 'More room, and crevices that differ in warmth.'],
        ['4', 'four', 'For large colonies; heavy.'],
      ],
      { picture: 'section' },
    ),
    creviceBy: oneOf(
      'Crevices are given by',
      [
        ['crevice', 'their depth', 'The cheeks follow.'],
        ['cheeks', 'the cheeks', 'Ripped to a width from the board at hand; the crevices follow.'],
      ],
      { applies: hasCheeks, meant: 'crevice' },
    ),
    hang: oneOf(
      'Partitions hang',
      [
        ['passage', 'under a passage', 'Level below; bats change crevice under the roof.'],
        [
          'flush',
          'flush above, uneven below',
          'Each ends lower than the one before it, so that bats land and climb to each.',
        ],
      ],
      { applies: hasPartitions, picture: 'section', highlights: ['partition'], meant: 'passage' },
    ),
    ends: oneOf(
      'Ends are closed by',
      [
        ['cheeks', 'cheeks', 'Two boards over the edges of all the others.'],
        ['spacers', 'spacers', 'Strips between the boards: their thickness is the crevice.'],
      ],
      { picture: 'plan' },
    ),
    struts: oneOf(
      'Behind the back',
      [
        ['none', 'nothing', 'It hangs flat.'],
        ['two', 'two struts', 'They stand it off the wall and stiffen it.'],
      ],
      { picture: 'section', highlights: ['strut'], meant: 'none' },
    ),
    vents: oneOf(
      'Vent',
      [
        [
          'slot',
          'slot in the front',
          'The front is in two pieces, a slot between: cooler below, warm under the roof.',
        ],
        [
          'cheeks',
          'holes in the cheeks',
          'One into each crevice at either end, between the partitions.',
        ],
        ['none', 'none', 'For small boxes and cool summers.'],
      ],
      { picture: 'section' },
    ),
  }),
  ...about('Entrance and grip', {
    grip: oneOf('Roosting faces', [
      ['kerfs', 'scored', 'Shallow kerfs across every face that bats hang on.'],
      ['rough', 'rough sawn', 'Every roosting face is rough from the saw.'],
    ]),
  }),
  ...about('Making', { ...COMMON_CHOICES }),
};

export const ROLES = {
  front: { label: 'Front' },
  partition: { label: 'Partition', applies: (s) => s.crevices !== '1' },
  back: { label: 'Back' },
  'side-left': { label: 'Left cheek', applies: (s) => s.ends !== 'spacers' },
  'side-right': { label: 'Right cheek', applies: (s) => s.ends !== 'spacers' },
  spacer: { label: 'Spacer', stick: [22, 30], applies: (s) => s.ends === 'spacers' },
  roof: { label: 'Roof', kind: 'roof' },
  strut: { label: 'Strut', stick: [38, 38], applies: ({ struts }: Chosen) => struts === 'two' },
} as const satisfies RoleDeclarations;

export type CrevicePlan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;
