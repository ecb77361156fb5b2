import { angle, length, oneOf, type PlanOf, type RoleDeclarations } from '../../plan/index.js';
import { COMMON_CHOICES } from '../common/choices.js';

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
    (s) => s.ends !== 'spacers',
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
    (s) => s.crevices !== '1',
  ),
  ventAbove: length(
    'Vent above the lower edge',
    80,
    600,
    200,
    'Lower edge of the slot across the front.',
    (s) => s.vents === 'slot',
  ),
  ventSize: length('Vent', 8, 20, 13, 'Height of the slot.', (s) => s.vents === 'slot'),
};

export const CHOICES = {
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
  vents: oneOf(
    'Vent',
    [
      [
        'slot',
        'slot in the front',
        'The front is in two pieces, a slot between: cooler below, warm under the roof.',
      ],
      ['none', 'none', 'For small boxes and cool summers.'],
    ],
    { picture: 'section' },
  ),
  grip: oneOf('Roosting faces', [
    ['kerfs', 'scored', 'Shallow kerfs across every face that bats hang on.'],
    ['rough', 'rough sawn', 'Every roosting face is rough from the saw.'],
  ]),
  ends: oneOf(
    'Ends are closed by',
    [
      ['cheeks', 'cheeks', 'Two boards over the edges of all the others.'],
      ['spacers', 'spacers', 'Strips between the boards: their thickness is the crevice.'],
    ],
    { picture: 'plan' },
  ),
  ...COMMON_CHOICES,
};

export const ROLES = {
  front: { label: 'Front' },
  partition: { label: 'Partition', applies: (s) => s.crevices !== '1' },
  back: { label: 'Back' },
  'side-left': { label: 'Left cheek', applies: (s) => s.ends !== 'spacers' },
  'side-right': { label: 'Right cheek', applies: (s) => s.ends !== 'spacers' },
  spacer: { label: 'Spacer', stick: [22, 30], applies: (s) => s.ends === 'spacers' },
  roof: { label: 'Roof', kind: 'roof' },
} as const satisfies RoleDeclarations;

export type CrevicePlan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;
