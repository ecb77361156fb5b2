import { at } from '../lists/index.js';
import { fromMm, type Ticks, TOLERANCE } from '../measure/index.js';
import type { Panel } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { ofLength, text } from '../text/index.js';
import { COMMON, type Remedy, type Rule, setChoice, setSize } from './check.js';
import { swingingPanel } from './swing.js';

/** Left at each side of a wall that swings, so that it does not bind once the wood swells, and the least of it; common practice, no source. */
const USUAL_PLAY = fromMm(1.5);
const LEAST_PLAY = fromMm(1);

type Axis = 0 | 1 | 2;

const spanOf = (panel: Panel, axis: Axis): readonly [low: number, high: number] => {
  const along = at(panel.instances, 0).solid.vertices.map((corner) => corner[axis]);
  return [Math.min(...along), Math.max(...along)];
};

const overlap = (a: Panel, b: Panel, axis: Axis): boolean => {
  const [[lowA, highA], [lowB, highB]] = [spanOf(a, axis), spanOf(b, axis)];
  return Math.min(highA, highB) - Math.max(lowA, lowB) > TOLERANCE;
};

/** Room between the wall's upright edges and the panels that it lies between, in ticks; none where it covers their edges. */
function besideOf(wall: Panel, others: readonly Panel[], along: 0 | 1): Ticks[] {
  const [low, high] = spanOf(wall, along);
  return others
    .filter((other) => overlap(wall, other, along === 0 ? 1 : 0) && overlap(wall, other, 2))
    .map((other) => spanOf(other, along))
    .flatMap(([from, to]) => [from - high, low - to].filter((gap) => gap >= -TOLERANCE));
}

const remediesOf = ({ sizes }: BoxPlan): Remedy[] => [
  'play' in sizes
    ? { label: 'Leave play at its edges', apply: setSize('play', USUAL_PLAY) }
    : { label: 'Hold a side with screws instead', apply: setChoice('access', 'screwed') },
];

/** A wall that swings between two others, and is as wide as its opening, binds with the first rain. */
export const playRule: Rule = ({ plan, box }) => {
  const wall = swingingPanel(plan, box);
  if (!wall) return [];
  const others = box.panels.filter(({ id }) => id !== wall.id);
  const gaps = besideOf(wall, others, wall.id === 'front' ? 0 : 1);
  if (gaps.length === 0) return [];
  const least = Math.max(0, Math.round(Math.min(...gaps)));
  const isFree = least >= LEAST_PLAY;
  return [
    {
      ...COMMON,
      id: 'play',
      severity: isFree ? 'kept' : 'warn',
      role: wall.role,
      text: isFree
        ? text`It swings between its neighbours with ${ofLength(least)} to spare at each edge, so that it does not bind in the rain.`
        : text`It swings between its neighbours with ${ofLength(least)} to spare: it binds with the first rain. Leave ${ofLength(USUAL_PLAY)} at each edge, or plane that off before it is hung.`,
      remedies: isFree ? [] : remediesOf(plan),
    },
  ];
};
