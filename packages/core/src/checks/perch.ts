import { fromMm } from '../measure/index.js';
import { text } from '../text/index.js';
import { COMMON, type Rule } from './check.js';

/** An entrance up to here is a small cavity nester’s: common practice, no source. */
const SMALL = fromMm(80);
const PERCHES = ['platform', 'shelf', 'perch', 'landing'];

/** No perch, shelf or platform before the entrance of small cavity nesters. */
export const perchRule: Rule = ({ box }) => {
  const holes = box.panels.flatMap(({ features }) =>
    features.flatMap((feature) => {
      if (feature.kind !== 'entrance') return [];
      return [feature.shape === 'round' ? feature.diameter : feature.width];
    }),
  );
  if (holes.length === 0 || Math.max(...holes) > SMALL) return [];
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
      remedies: [],
    },
  ];
};
