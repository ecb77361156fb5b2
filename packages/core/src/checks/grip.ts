import type { BoxPlan } from '../plan/index.js';
import { type Text, text } from '../text/index.js';
import { COMMON, type Remedy, type Rule, setChoice } from './check.js';

const MADE: Readonly<Record<string, Text>> = {
  kerfs: text`Saw kerfs under the entrance to climb by.`,
  ladder: text`Strips under the entrance to climb by.`,
  mesh: text`Mesh under the entrance to climb by, its cut edges folded under.`,
};

const remedy = (option: string, label: string): Remedy => ({
  label,
  apply: setChoice('grip', option),
});
const REMEDIES: readonly Remedy[] = [
  remedy('kerfs', 'Score it with saw kerfs'),
  remedy('ladder', 'Put in strips'),
  remedy('mesh', 'Staple in mesh'),
];

const ASK = {
  prompt: 'Or say how the grip is made',
  answer: (current: BoxPlan, words: string) =>
    setChoice('gripBy', words.trim().slice(0, 60))(current),
};

/**
 * Something to climb by under the entrance. A planed front without it is a stop; only saying how the grip is made turns it into a
 * warning.
 */
export const gripRule: Rule = ({ plan }) => {
  const wood = plan.wood.front;
  const rough = wood?.faceA === 'rough' || wood?.faceB === 'rough';
  const made = MADE[plan.choices.grip ?? 'rough'];
  const said = plan.choices.gripBy;
  const from = { ...COMMON, id: 'grip', role: 'front' };
  if (made || rough) {
    const held = made ?? text`The front’s rough face looks in, to climb by.`;
    return [{ ...from, severity: 'kept', text: held, remedies: [] }];
  }
  const promised = text`The front is planed within; grip is to be made otherwise: “${said ?? ''}”. Do it before the box is closed.`;
  const nothing = text`Nothing to climb by: the front’s board is planed on both faces. Birds went in and died in such boxes.`;
  return [
    {
      ...from,
      severity: said ? 'warn' : 'stop',
      text: said ? promised : nothing,
      remedies: REMEDIES,
      ask: ASK,
    },
  ];
};
