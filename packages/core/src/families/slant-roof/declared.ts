import type { Ticks } from '../../measure/index.js';
import { about, type Chosen, oneOf, type PanelWood, type PlanOf } from '../../plan/index.js';
import { COMMON_CHOICES, GRIP_BY, MEASURE, MEASURE_DEPTH } from '../common/choices.js';
import { entranceShape, entranceTo } from '../common/entrance.js';
import { DRAIN, FLOOR_AT } from '../common/floor.js';
import { GRIP, LADDER_ROLE } from '../common/grip.js';
import { hungChoices } from '../common/hung-wall.js';
import { BATTEN_ROLE, CORNERS } from '../common/sheet-sticks.js';
import {
  ACCESS,
  DRIP,
  LOWER_EDGES,
  MOUNT,
  OPENS_AT,
  OUTSIDE,
  ROOF,
  ROOF_GRAIN,
  ROOF_REAR,
  ROUGH_FACE,
  SIDE_IN,
  SLOPE_BY,
  TRAY,
  VENTS,
  WALLS,
} from './questions.js';
import type { SIZES } from './sizes.js';
import { hasTray, isSplit, swings } from './when.js';

/** How far the back stands out beside the box; it can only where it covers the sides' edges. */
export const backWider = ({ sizes, choices }: ShellPlan): Ticks =>
  choices.walls === 'over' ? sizes.backWider : 0;

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
