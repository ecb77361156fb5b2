import { must } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import { about, type Chosen, length, oneOf, type PlanOf, type Refusal } from '../../plan/index.js';
import { ofLength, type Text, text } from '../../text/index.js';
import { FASTENING, GRIP_BY } from '../common/choices.js';
import { ENTRANCE_SIZES, entranceShape, entranceTo, refusalsOf } from '../common/entrance.js';
import { DRAIN_NOT_CLIPPED, FLOOR_AT, FLOOR_SIZES } from '../common/floor.js';
import { GRIP, GRIP_SIZES, LADDER_ROLE } from '../common/grip.js';
import { hungChoices, hungSizes } from '../common/hung-wall.js';
import { BODY_ROLES, PLAIN, type ShellPlan } from '../slant-roof/declared.js';
import { FRONT_SWINGS, OPENS_AT, ROUGH_FACE, VENTS } from '../slant-roof/questions.js';
import { PIVOT_BELOW, SHELL_SIZES, VENT_SIZE } from '../slant-roof/sizes.js';

const swings = ({ access }: Chosen): boolean => access === 'front';

export const ROLES = { ...BODY_ROLES, ladder: LADDER_ROLE };

export const SIZES = {
  frontHeight: length(
    'Walls high',
    80,
    1200,
    230,
    'Length of every wall piece but the front, from the bottom to the roof.',
  ),
  overhangSide: SHELL_SIZES.overhangSide,
  ...FLOOR_SIZES,
  backBelow: SHELL_SIZES.backBelow,
  ...ENTRANCE_SIZES,
  pivotBelow: PIVOT_BELOW,
  ...hungSizes(swings),
  ...GRIP_SIZES,
  ventSize: VENT_SIZE,
};

export const CHOICES = {
  ...about('Walls', {
    faces: ROUGH_FACE,
    vents: oneOf('Vents', [VENTS['gap-front'], VENTS['gap-ends'], VENTS.holes], {
      picture: 'section',
    }),
  }),
  ...about('Opening', {
    access: oneOf('Opens for cleaning by', [
      ['screwed', 'screws', 'A side is held by screws alone, without glue.'],
      FRONT_SWINGS,
    ]),
    opensAt: OPENS_AT,
    ...hungChoices(swings),
  }),
  ...about('Floor', { floor: DRAIN_NOT_CLIPPED, floorAt: FLOOR_AT }),
  ...about('Entrance and grip', {
    entrance: entranceShape(['round', 'oval', 'arch', 'square']),
    entranceTo: entranceTo(),
    grip: GRIP,
    gripBy: GRIP_BY,
  }),
  ...about('Making', { fastening: FASTENING }),
};

export type SquareCutPlan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;
type Role = keyof typeof ROLES;

/** Boards of one width are the same to within half a millimetre. */
const SAME: Ticks = fromMm(0.5);
/** The least that a roof stands out over the front, and the least room. Common practice, no source. */
const LEAST_OVERHANG = fromMm(10);
const LEAST_ROOM = fromMm(60);
const WIDE: readonly Role[] = ['front', 'back', 'side-left', 'side-right', 'floor', 'roof'];

/** The boards' widths and the room between front and back. */
export function boardWidths({ wood }: SquareCutPlan) {
  const wide = (role: Role): Ticks => must(wood[role].width, `the width of the ${role}’s board`);
  return {
    wide,
    depth: wide('side-left') - wood.front.thickness - wood.back.thickness,
  };
}

/** Boards whose widths do not make a box, each with what would. */
export function widthFaults(plan: SquareCutPlan): Refusal[] {
  const unknown = WIDE.filter((role) => !plan.wood[role].width);
  if (unknown.length > 0)
    return unknown.map((role) => ({
      field: `wood.${role}`,
      message: text`Choose a board whose width is known: in this box the boards’ widths are the sizes.`,
    }));
  const { wide, depth } = boardWidths(plan);
  const shown = (role: Role) => ofLength(wide(role));
  const differs = (role: Role, as: Role) => Math.abs(wide(role) - wide(as)) > SAME;
  const fault = (role: Role, when: boolean, message: Text) => ({
    field: `wood.${role}`,
    when,
    message,
  });
  return refusalsOf([
    fault(
      'back',
      differs('back', 'front'),
      text`The back’s board is ${shown('back')} wide and the front’s ${shown('front')}: both fill the room’s width, so choose one width.`,
    ),
    fault(
      'floor',
      differs('floor', 'front'),
      text`The floor’s board is ${shown('floor')} wide and the front’s ${shown('front')}: it fills the room’s width too, so choose one width.`,
    ),
    fault(
      'side-right',
      differs('side-right', 'side-left'),
      text`Left and right side are of one width, or the box stands askew.`,
    ),
    fault(
      'roof',
      wide('roof') < wide('side-left') + LEAST_OVERHANG,
      text`The roof’s board, ${shown('roof')}, must be wider than the sides’, ${shown('side-left')}, to stand out over the front. Take the next width up.`,
    ),
    fault(
      'side-left',
      depth < LEAST_ROOM,
      text`Sides of ${shown('side-left')} leave ${ofLength(depth)} between front and back. Take wider boards for the sides.`,
    ),
  ]);
}

/** Walls, floor and flat roof as the boards' widths give them. */
export function shellOf(plan: SquareCutPlan): ShellPlan {
  const { wide, depth } = boardWidths(plan);
  return {
    wood: plan.wood,
    angles: { slope: 0, lowerBevel: 0 },
    choices: {
      ...plan.choices,
      ...PLAIN.choices,
      corners: 'edges',
      rearEdge: 'square',
      lowerEdges: 'square',
      roof: 'flat',
      slope: 'heights',
      walls: 'between',
      measure: 'inside',
      measureDepth: 'inside',
      roofGrain: 'across',
      drip: 'none',
    },
    sizes: {
      ...plan.sizes,
      ...PLAIN.sizes,
      // Nothing is ripped, so a front that swings is eased with a plane.
      play: 0,
      playOverFloor: 0,
      width: wide('front'),
      depth,
      backHeight: plan.sizes.frontHeight,
      overhangFront: wide('roof') - wide('side-left'),
      overhangRear: 0,
      letIn: 0,
      backAbove: 0,
      backWider: 0,
    },
  };
}
