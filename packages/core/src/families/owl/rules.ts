import { COMMON, type Rule } from '../../checks/index.js';
import { text } from '../../text/index.js';

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
