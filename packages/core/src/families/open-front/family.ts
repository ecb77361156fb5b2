import {
  airRule,
  backJointRule,
  EVERY_BOX,
  openFrontRule,
  overhangRule,
  recessRule,
  roomRule,
  wallRule,
} from '../../checks/index.js';
import { at } from '../../lists/index.js';
import { fromInches, fromMm } from '../../measure/index.js';
import { about, length, middle, oneOf, type PlanOf } from '../../plan/index.js';
import { text } from '../../text/index.js';
import { NEST_CAUTIONS } from '../common/cautions.js';
import { COMMON_CHOICES, MEASURE, MEASURE_DEPTH } from '../common/choices.js';
import { DRAIN, FLOOR_AT } from '../common/floor.js';
import { NOT_HUNG } from '../common/hung-wall.js';
import { roomFor } from '../common/room.js';
import { BATTEN_ROLE, CORNERS } from '../common/sheet-sticks.js';
import { defineFamily } from '../define-family.js';
import { cutShell } from '../slant-roof/cut-shell.js';
import { BODY_ROLES, PLAIN, type ShellPlan } from '../slant-roof/declared.js';
import { heightsFor } from '../slant-roof/defaults-for.js';
import { shellDimensions } from '../slant-roof/dimensions.js';
import {
  DRIP,
  LOWER_EDGES,
  ROOF_FIXED,
  ROOF_GRAIN,
  ROOF_REAR,
  ROUGH_FACE_OPEN,
  SLOPE_BY,
  WALLS,
} from '../slant-roof/questions.js';
import { SHELL_SIZES } from '../slant-roof/sizes.js';

const SIZES = {
  ...SHELL_SIZES,
  frontAboveFloor: length(
    'Front above the floor',
    15,
    400,
    90,
    'How far the front stands up from the upper face of the floor; above it the box is open.',
  ),
};

/** An open front is its own entrance, vent and way in. */
const CHOICES = {
  ...about('Opening', {
    lowFront: oneOf(
      'The low front',
      [
        ['fixed', 'stays', 'The nest is taken out over it.'],
        ['screwed', 'comes off', 'Held by screws alone, without glue, for cleaning.'],
      ],
      { meant: 'fixed' },
    ),
  }),
  ...about('Roof', {
    roof: ROOF_FIXED,
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
    faces: ROUGH_FACE_OPEN,
  }),
  ...about('Floor', { floor: DRAIN, floorAt: FLOOR_AT }),
  ...about('Making', { ...COMMON_CHOICES }),
};

const ROLES = { ...BODY_ROLES, batten: BATTEN_ROLE };
type Plan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;

/** The same walls and roof, with the questions answered that an open front does not raise. */
const shellOf = (plan: Plan): ShellPlan => ({
  sizes: {
    ...plan.sizes,
    ...NOT_HUNG.sizes,
    ...PLAIN.sizes,
    scoreSpacing: 0,
    scoreWidth: 0,
    rungSpacing: 0,
    ventSize: 0,
    play: 0,
    playOverFloor: 0,
  },
  angles: plan.angles,
  choices: {
    ...plan.choices,
    ...NOT_HUNG.choices,
    ...PLAIN.choices,
    access: plan.choices.lowFront === 'screwed' ? 'front-off' : 'none',
    opensAt: 'right',
    vents: 'none',
    grip: 'none',
  },
  wood: plan.wood,
});

/** Like the slant-roof box, the front only part of the height: for wagtails, phoebes, and robins of both worlds. */
export const openFront = defineFamily({
  id: 'open-front',
  name: 'Open-front box',
  summary: 'A low front under a roof that stands well out.',
  about: text`A slant-roof box whose front goes only part of the way up, for birds that nest on ledges. It is hidden in cover, or under eaves, because it keeps nothing out.`,
  guests: 'birds',
  cautions: NEST_CAUTIONS,
  example: 'eastern-phoebe',
  sizes: SIZES,
  choices: CHOICES,
  roles: ROLES,
  notTrimmed: ['drainSize', 'letIn'],
  trimmedTogether: [['frontHeight', 'backHeight']],
  fromSheet: {
    fixed: { measure: 'inside', slope: 'heights' },
    varied: {
      roof: ['butt', 'over', 'flat'],
      walls: ['between', 'over'],
      floor: ['clipped', 'gap', 'gap-back'],
    },
    sizes: ['drainSize'],
  },
  build: (plan) => cutShell(shellOf(plan), { kind: 'open', above: plan.sizes.frontAboveFloor }),
  dimensions: (plan, box) => {
    const { sill, width } = at(box.cavities, 0);
    const isOwn = (size: string): size is keyof typeof SIZES => Object.hasOwn(SIZES, size);
    return [
      ...shellDimensions(shellOf(plan), box).flatMap(({ size, ...each }) =>
        isOwn(size) ? [{ ...each, size }] : [],
      ),
      {
        size: 'frontAboveFloor',
        view: 'front',
        side: 'left',
        from: 0,
        to: sill,
        start: -width / 2,
      },
    ];
  },
  rules: [
    openFrontRule,
    roomRule(),
    wallRule,
    recessRule,
    overhangRule,
    airRule,
    backJointRule,
    ...EVERY_BOX,
  ],
  defaultsFor(animal, start) {
    const sizes = { entranceWidth: fromMm(32), entranceUpright: 0, entranceHeight: fromMm(165) };
    const choices = { entrance: 'round', entranceTo: 'centre' } as const;
    const room = roomFor(animal, { sizes, choices }, ['round']);
    const { floorRecess } = start.sizes;
    const width = room.width ?? start.sizes.width;
    const depth = room.depth ?? start.sizes.depth;
    const heights = heightsFor(animal, room, { floorRecess, depth });
    const edge = middle(animal.entranceAboveFloor ?? [75, 110]);
    const frontAboveFloor =
      animal.region === 'na'
        ? fromInches(Math.round((edge / 25.4) * 8) / 8)
        : fromMm(Math.round(edge));
    return {
      ...start,
      sizes: { ...start.sizes, ...heights, width, depth, frontAboveFloor },
      choices: { ...start.choices, walls: 'between', faces: 'any' },
    };
  },
});
