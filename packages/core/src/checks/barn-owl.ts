import { at } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import type { BoxPlan } from '../plan/index.js';
import { ofLength, text } from '../text/index.js';
import { COMMON, ofMm, type Rule, setChoice, setSize } from './check.js';

/** From here on the young stay in until they fly: common practice, no source. */
const DEEP_MM = 700;

/** A platform no wider than the room, so that the front carries it. */
const addPlatform = (plan: BoxPlan): BoxPlan => {
  const { platformWide = 0, width = platformWide } = plan.sizes;
  const fitted = setSize('platformWide', Math.min(platformWide, width))(plan);
  return setChoice('platform', 'platform')(fitted);
};

/** Young barn owls of Europe walk out of a shallow box before they fly, and die below it, in whatever kind of box. */
export const barnOwlRule: Rule = ({ box, animals }) => {
  if (!animals.some(({ id }) => id === 'barn-owl-eu')) return [];
  const high = at(box.cavities, 0).heightFront;
  const has = box.panels.some(({ role }) => role === 'platform');
  const fine = has || high >= fromMm(DEEP_MM);
  const kept = has
    ? text`A platform level with the entrance: the young walk out before they fly.`
    : text`No platform: the room is ${ofLength(high)} deep, so that the young stay in until they fly.`;
  return [
    {
      ...COMMON,
      id: 'platform',
      severity: fine ? 'kept' : 'stop',
      role: has ? 'platform' : 'front',
      text: fine
        ? kept
        : text`The room is ${ofLength(high)} deep; under ${ofMm(DEEP_MM)} a barn owl’s box has an exercise platform level with the entrance, or the young fall before they fly.`,
      remedies: fine
        ? []
        : [
            { label: 'Add a platform', apply: addPlatform },
            { label: 'Make it deep', apply: setSize('frontHeight', fromMm(DEEP_MM)) },
          ],
    },
  ];
};
