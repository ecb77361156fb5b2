import { about, length, oneOf, type PlanOf, type RoleDeclarations } from '../../plan/index.js';
import { COMMON_CHOICES } from '../common/choices.js';
import { DRAIN } from '../common/floor.js';
import { BATTEN_ROLE, CORNERS } from '../common/sheet-sticks.js';

export const SIZES = {
  width: length('Tray, wide', 110, 400, 200, 'Inside, along the wall that it hangs on.'),
  depth: length('Tray, deep', 100, 300, 150, 'Inside, out from that wall.'),
  frontAboveFloor: length(
    'Rim above the floor',
    10,
    120,
    30,
    'How far the rim stands up from the upper face of the floor on the two open edges.',
  ),
  wallsAboveFloor: length(
    'Walls above the floor',
    20,
    400,
    120,
    'How far the two boards against the corner’s walls stand up.',
  ),
  bracketHigh: length(
    'Brackets, high',
    50,
    300,
    110,
    'How far they reach down the wall under the floor.',
  ),
  bracketOut: length(
    'Brackets, out',
    50,
    300,
    120,
    'How far they reach out under the floor, from the board on the wall.',
  ),
  drainSize: length(
    'Drain',
    4,
    40,
    9.5,
    'Leg of a clipped corner, diameter of a hole, or width of a gap.',
  ),
};

export const CHOICES = {
  ...about('Walls', {
    corner: oneOf(
      'The other wall is',
      [
        ['left', 'on the left', 'Seen from in front; the rim goes round to the right.'],
        ['right', 'on the right', 'Seen from in front; the rim goes round to the left.'],
      ],
      { picture: 'front' },
    ),
  }),
  ...about('Floor', { floor: DRAIN }),
  ...about('Making', { corners: CORNERS, ...COMMON_CHOICES }),
};

export const ROLES = {
  floor: { label: 'Floor' },
  back: { label: 'Board on the wall' },
  side: { label: 'Board on the other wall' },
  front: { label: 'Front rim' },
  end: { label: 'End rim' },
  bracket: { label: 'Bracket' },
  batten: BATTEN_ROLE,
} as const satisfies RoleDeclarations;

export type ShelfPlan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;
