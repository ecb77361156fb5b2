import { length, type PanelRole, type Parameter, type School, school } from '../../plan/index.js';
import { COMMON_SCHOOLS } from '../shared/common-choices.js';

/** Written in millimetres. Figures without a source are common practice. */
export const PARAMETERS: readonly Parameter[] = [
  length('width', 'Crevice wide', 120, 900, 360, 'Between the two cheeks.'),
  length(
    'frontHeight',
    'Front high',
    250,
    1200,
    610,
    'From the lower edge to the roof, at the front.',
  ),
  length(
    'crevice',
    'Crevice deep',
    12,
    32,
    20,
    'From one roosting face to the next: how bats press in.',
    (s) => s.ends !== 'spacers',
  ),
  length(
    'landing',
    'Landing below',
    50,
    300,
    120,
    'How far the back stands out below, to land on and crawl up.',
  ),
  {
    id: 'slope',
    label: 'Slope',
    kind: 'angle',
    least: 0,
    greatest: 35,
    standard: 15,
    help: 'Of the roof, from level, falling to the front.',
  },
  length(
    'overhangFront',
    'Roof out over the front',
    0,
    150,
    60,
    'Level distance from the front to the lower edge of the roof.',
  ),
  length(
    'overhangSide',
    'Roof out over each side',
    0,
    150,
    30,
    'Level distance from a cheek to the edge of the roof.',
  ),
  length(
    'passage',
    'Passage over the partitions',
    8,
    60,
    15,
    'So that bats can change crevice under the roof.',
    (s) => s.crevices !== '1',
  ),
  length(
    'ventAbove',
    'Vent above the lower edge',
    80,
    600,
    200,
    'Lower edge of the slot across the front.',
    (s) => s.vents === 'slot',
  ),
  length('ventSize', 'Vent', 8, 20, 13, 'Height of the slot.', (s) => s.vents === 'slot'),
];

export const SCHOOLS: readonly School[] = [
  {
    id: 'crevices',
    label: 'Crevices',
    picture: 'section',
    options: [
      { id: '2', label: 'two', reason: 'One partition: bats choose between warm and cool.' },
      { id: '1', label: 'one', reason: 'The simplest, for a wall that keeps warm by itself.' },
      { id: '3', label: 'three', reason: 'More room, and crevices that differ in warmth.' },
      { id: '4', label: 'four', reason: 'For large colonies; heavy.' },
    ],
  },
  {
    id: 'vents',
    label: 'Vent',
    picture: 'section',
    options: [
      {
        id: 'slot',
        label: 'slot in the front',
        reason: 'The front is in two pieces, a slot between: cooler below, warm under the roof.',
      },
      { id: 'none', label: 'none', reason: 'For small boxes and cool summers.' },
    ],
  },
  {
    id: 'grip',
    label: 'Roosting faces',
    options: [
      {
        id: 'kerfs',
        label: 'scored',
        reason: 'Shallow kerfs across every face that bats hang on.',
      },
      { id: 'rough', label: 'rough sawn', reason: 'Every roosting face is rough from the saw.' },
    ],
  },
  school(
    'ends',
    'Ends are closed by',
    [
      ['cheeks', 'cheeks', 'Two boards over the edges of all the others.'],
      ['spacers', 'spacers', 'Strips between the boards: their thickness is the crevice.'],
    ],
    { picture: 'plan' },
  ),
  ...COMMON_SCHOOLS,
];

export const ROLES: readonly PanelRole[] = [
  { id: 'front', label: 'Front' },
  { id: 'partition', label: 'Partition', applies: (s) => s.crevices !== '1' },
  { id: 'back', label: 'Back' },
  { id: 'side-left', label: 'Left cheek', applies: (s) => s.ends !== 'spacers' },
  { id: 'side-right', label: 'Right cheek', applies: (s) => s.ends !== 'spacers' },
  { id: 'spacer', label: 'Spacer', stick: [22, 30], applies: (s) => s.ends === 'spacers' },
  { id: 'roof', label: 'Roof' },
];
