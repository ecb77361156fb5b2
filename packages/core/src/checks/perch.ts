import { text } from '../text/index.js';
import { COMMON, type Rule } from './check.js';

/** No perch for small cavity nesters. */
export const perchRule: Rule = () => [
  {
    ...COMMON,
    id: 'perch',
    severity: 'kept',
    role: 'front',
    text: text`No perch: small cavity nesters need none, and it serves those who rob them.`,
    remedies: [],
  },
];
