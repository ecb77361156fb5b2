import type { OpeningKind } from '../panels/index.js';
import { text } from '../text/index.js';
import { COMMON, type Rule } from './check.js';

const VENTS: readonly OpeningKind[] = ['vent-gap', 'vent-hole', 'open-front', 'crevice'];
const DRAINS: readonly OpeningKind[] = ['drain', 'crevice'];

/** At least one way in for air and one out for water, none through the roof. */
export const airRule: Rule = ({ box }) => {
  const has = (kinds: readonly OpeningKind[]) =>
    box.openings.some((opening) => kinds.includes(opening.kind));
  const vented = has(VENTS);
  const fine = vented && has(DRAINS);
  return [
    {
      ...COMMON,
      id: 'air',
      severity: fine ? 'kept' : 'warn',
      role: null,
      text: fine
        ? text`Air gets in under the roof and water out through the floor.`
        : text`No way ${vented ? 'out for water' : 'in for air'}.`,
      remedies: [],
    },
  ];
};
