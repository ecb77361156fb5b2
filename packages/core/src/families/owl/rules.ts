import { COMMON, ofMm, type Rule, setChoice, setSize, wallRule } from '../../checks/index.js';
import { at } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import type { BoxPlan } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';
import type { OwlPlan } from './declared.js';

/** From here on the young stay in until they fly: common practice, no source. */
const DEEP_MM = 700;
/** A lid that stands out this far keeps the walls dry. */
const COVERED = fromMm(25);
const WALLS = ['front', 'back', 'side-left', 'side-right', 'roof'];

/** Under a lid that stands out, thinner plywood does. */
export const sheetWalls: Rule<OwlPlan> = ({ plan, ...held }) =>
  wallRule(WALLS, plan.sizes.overhangFront >= COVERED ? 9 : 12)({ ...held, plan });

/** A platform no wider than the room, so that the front carries it. */
const addPlatform = (plan: BoxPlan): BoxPlan => {
  const { platformWide = 0, width = platformWide } = plan.sizes;
  const fitted = setSize('platformWide', Math.min(platformWide, width))(plan);
  return setChoice('platform', 'platform')(fitted);
};

/** Barn owls of Europe in a shallow box need a platform. */
export const platformRule: Rule<OwlPlan> = ({ plan, box, animals }) => {
  const high = at(box.cavities, 0).heightFront;
  const has = plan.choices.platform === 'platform';
  const barnOwl = animals.some((animal) => animal.id === 'barn-owl-eu');
  const from = { ...COMMON, id: 'platform' };
  if (has)
    return [
      {
        ...from,
        severity: 'kept',
        role: 'platform',
        text: text`A platform level with the entrance: the young walk out before they fly.`,
        remedies: [],
      },
    ];
  if (!barnOwl || high >= fromMm(DEEP_MM))
    return [
      {
        ...from,
        severity: 'kept',
        role: 'front',
        text: text`No platform: deep enough that the young stay in until they fly, or none is asked for.`,
        remedies: [],
      },
    ];
  return [
    {
      ...from,
      severity: 'warn',
      role: 'front',
      text: text`The room is ${ofLength(high)} deep; under ${ofMm(DEEP_MM)} a barn owl’s box has an exercise platform level with the entrance.`,
      remedies: [
        { label: 'Add a platform', apply: addPlatform },
        { label: 'Make it deep', apply: setSize('frontHeight', fromMm(DEEP_MM)) },
      ],
    },
  ];
};

export const hoistRule: Rule = () => [
  {
    ...COMMON,
    id: 'hoist',
    severity: 'kept',
    role: null,
    text: text`A box this size is hoisted by two people and a rope; see its weight below.`,
    remedies: [],
  },
];
