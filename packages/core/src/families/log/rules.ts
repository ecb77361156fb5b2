import { COMMON, floorCheck, forEachAnimal, ofMm, type Rule, setSize } from '../../checks/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import { ofLength, text } from '../../text/index.js';
import type { LogPlan } from './declared.js';

export const slabGrip: Rule = () => [
  {
    ...COMMON,
    id: 'grip',
    severity: 'kept',
    role: 'slab-front',
    text: text`The core’s split or sawn face is rough enough to climb by.`,
    remedies: [],
  },
];

/** The room is square, so its side must be the longer of what is wanted. */
export const logRoom: Rule<LogPlan> = forEachAnimal(({ plan, box }, animal) => {
  const wanted = Math.max(animal.floorWidth ?? 0, animal.floorDepth ?? 0);
  const bigger = fromMm(Math.ceil(wanted * Math.SQRT2 + 2 * toMm(plan.sizes.wall)));
  return floorCheck(box, animal, [{ label: 'A thicker log', apply: setSize('diameter', bigger) }]);
});

export const slabWall: Rule<LogPlan> = ({ plan }) => {
  const { wall } = plan.sizes;
  const fine = wall >= fromMm(15);
  return [
    {
      ...COMMON,
      id: 'walls',
      severity: fine ? 'kept' : 'warn',
      role: 'slab-front',
      text: text`${ofLength(wall)} of wood at the narrowest; ${ofMm(15)} or more keeps heat and cold out.`,
      remedies: fine ? [] : [{ label: 'Leave more', apply: setSize('wall', fromMm(20)) }],
    },
  ];
};

export const dryLog: Rule = () => [
  {
    ...COMMON,
    id: 'log',
    severity: 'kept',
    role: null,
    text: text`Saw or split it green or dry, but screw it together dry: a round that dries afterwards opens at its joints.`,
    remedies: [],
  },
];
