import { fromMm } from '../measure/index.js';
import type { BoxPlan } from '../plan/index.js';
import { text } from '../text/index.js';
import { COMMON, type Remedy, type Rule, setChoice } from './check.js';

/** From here on an entrance is an owl’s, whose young walk out before they fly: common practice, no source. */
const LARGE = fromMm(120);
const PERCHES = ['platform', 'shelf', 'perch-rod', 'landing'];

/** Questions whose answer puts something before the entrance. */
const ASKED_BY = ['landing', 'platform', 'perch'];
const leftOff = ({ choices }: BoxPlan): Remedy[] =>
  ASKED_BY.filter((choice) => (choices[choice] ?? 'none') !== 'none').map((choice) => ({
    label: 'Leave it off',
    apply: setChoice(choice, 'none'),
  }));

/** No perch, shelf or platform before the entrance of small cavity nesters. */
export const perchRule: Rule = ({ plan, box }) => {
  const holes = box.panels.flatMap(({ features }) =>
    features.flatMap((feature) => {
      if (feature.kind !== 'entrance') return [];
      return [feature.shape === 'round' ? feature.diameter : feature.width];
    }),
  );
  if (holes.length === 0 || Math.max(...holes) >= LARGE) return [];
  const perch = box.panels.find(({ role }) => PERCHES.includes(role));
  return [
    {
      ...COMMON,
      id: 'perch',
      severity: perch ? 'warn' : 'kept',
      role: perch?.role ?? null,
      text: perch
        ? text`A shelf before so small an entrance serves those who rob the nest; small cavity nesters need none.`
        : text`No perch: small cavity nesters need none, and it serves those who rob them.`,
      remedies: perch ? leftOff(plan) : [],
    },
  ];
};
