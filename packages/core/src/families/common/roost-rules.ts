import { COMMON, ofMm, type Rule, setChoice, setSize } from '../../checks/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import type { BoxPlan } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';

/** Whether every roosting face can be hung on: scored, or rough from the saw. */
export const roostGrip =
  <P extends BoxPlan>(role: string, isRough: (plan: P) => boolean): Rule<P> =>
  ({ plan }) => {
    const holds = plan.choices.grip === 'kerfs' || isRough(plan);
    return [
      {
        ...COMMON,
        id: 'grip',
        severity: holds ? 'kept' : 'stop',
        role,
        text: holds
          ? text`Every roosting face can be hung on.`
          : text`Nothing to hang by: a roosting face would be planed. Bats slip off planed wood.`,
        remedies: holds ? [] : [{ label: 'Score every face', apply: setChoice('grip', 'kerfs') }],
      },
    ];
  };

/** Whether there is enough to land on below: so much of a panel stands out. */
export const landingRule =
  <P>(role: string, called: string, size: string, to: Ticks, of: (plan: P) => Ticks): Rule<P> =>
  ({ plan }) => {
    const out = of(plan);
    const enough = out >= fromMm(99);
    return [
      {
        id: 'landing',
        severity: enough ? 'kept' : 'warn',
        role,
        text: text`${called} stands out ${ofLength(out)} below to land on; ${ofMm(100)} or more is wanted.`,
        evidence: 'M',
        source: 'The Bat House Builder’s Handbook',
        remedies: enough ? [] : [{ label: 'Lengthen it', apply: setSize(size, to) }],
      },
    ];
  };
