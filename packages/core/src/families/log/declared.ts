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
import { FASTENING } from '../common/choices.js';
import { ENTRANCE_SIZES, entranceShape, entranceTo } from '../common/entrance.js';
import { DRAIN, FLOOR_AT, FLOOR_SIZES } from '../common/floor.js';
import { GRIPS, scoreSizes } from '../common/grip.js';

const fromCore = ({ floorFrom }: Chosen): boolean => floorFrom === 'core';
const ofLog = ({ lidFrom }: Chosen): boolean => lidFrom === 'log';

export const SIZES = {
  diameter: length('Log, through', 140, 900, 230, 'Without bark, at its thinner end.'),
  wall: length('Wood left at the narrowest', 12, 80, 22, 'At the cavity’s corners.'),
  height: length(
    'Log, high at the front',
    150,
    1000,
    330,
    'From its lower end to the lid, at the front.',
  ),
  slope: angle('Slope', 0, 30, 10, 'At which the log’s upper end is sawn, falling to the front.'),
  overhangFront: length(
    'Lid out over the front',
    0,
    150,
    50,
    'Level distance from the log to the lid’s edge.',
  ),
  overhangSide: length(
    'Lid out over the sides',
    0,
    100,
    15,
    'Level distance from the log to the lid’s edge.',
  ),
  floorThick: since(length('Floor, thick', 15, 80, 30, 'A slice sawn off the core.', fromCore), 30),
  lidThick: since(length('Lid, thick', 15, 80, 30, 'A strip from the middle of a log.', ofLog), 30),
  ...FLOOR_SIZES,
  ...ENTRANCE_SIZES,
  ...scoreSizes(({ grip }) => grip === 'kerfs'),
  ventSize: length('Vent', 4, 20, 8, 'Diameter of a hole high in each side slab.'),
};

export const CHOICES = {
  ...about('Opening', {
    access: oneOf('Opens for cleaning by', [
      ['roof', 'the lid', 'The lid turns up on hinges and is hooked shut.'],
      [
        'lid',
        'the lid, screwed on',
        'Through a counterbore, last of all, after hanging: a 25 mm bit part way, then a 5 mm clearance hole.',
      ],
      ['screwed', 'the front slab', 'Held by screws alone, without glue.'],
    ]),
  }),
  ...about('Log', {
    floorFrom: oneOf(
      'The floor is',
      [
        ['board', 'of a board', 'A plug cut to the square room.'],
        ['core', 'a slice of the core', 'Sawn off the core that was taken out, end grain up.'],
      ],
      { meant: 'board' },
    ),
    lidFrom: oneOf(
      'The lid is',
      [
        ['board', 'of a board', 'From a wide board, or glued up.'],
        ['log', 'off a log', 'A strip sawn or cleft from the middle of another log.'],
      ],
      { meant: 'board' },
    ),
  }),
  ...about('Floor', { floor: DRAIN, floorAt: FLOOR_AT }),
  ...about('Entrance and grip', {
    entrance: entranceShape(['round', 'oval', 'arch']),
    entranceTo: entranceTo(),
    grip: oneOf('Grip under the entrance', [
      ['rough', 'split or sawn face', 'The core’s face is rough as it comes from saw or froe.'],
      GRIPS.kerfs,
    ]),
  }),
  ...about('Making', { fastening: FASTENING }),
};

export const ROLES = {
  'slab-front': { label: 'Front slab', offBoard: true },
  'slab-back': { label: 'Back slab', offBoard: true },
  'slab-left': { label: 'Left slab', offBoard: true },
  'slab-right': { label: 'Right slab', offBoard: true },
  floor: { label: 'Floor plug', applies: (s) => !fromCore(s) },
  roof: { label: 'Lid', kind: 'roof', applies: (s) => !ofLog(s) },
  'floor-core': { label: 'Floor, of the core', offBoard: true, applies: fromCore },
  'roof-strip': { label: 'Lid, of a log', offBoard: true, applies: ofLog },
} as const satisfies RoleDeclarations;

export type LogPlan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;
