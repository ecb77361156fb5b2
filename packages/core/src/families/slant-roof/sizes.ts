import { angle, length, since } from '../../plan/index.js';
import { ENTRANCE_SIZES } from '../common/entrance.js';
import { FLOOR_SIZES } from '../common/floor.js';
import { GRIP_SIZES } from '../common/grip.js';
import { hungSizes } from '../common/hung-wall.js';
import { playSizes } from '../common/play.js';
import {
  hasTray,
  isAgainstBack,
  isLaddered,
  isMounted,
  isScored,
  isSplit,
  swings,
} from './when.js';

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
