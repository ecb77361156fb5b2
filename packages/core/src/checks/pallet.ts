import type { BoxPlan, PanelWood } from '../plan/index.js';
import { text } from '../text/index.js';
import type { Rule } from './check.js';

const isPallet = ({ material }: PanelWood): boolean => material === 'pallet-wood';

/** Every pallet board of the plan with its stamp seen. */
const stamp = (plan: BoxPlan): BoxPlan => ({
  ...plan,
  wood: Object.fromEntries(
    Object.entries(plan.wood).map(([role, wood]) => [
      role,
      isPallet(wood) ? { ...wood, stamp: 'HT' } : wood,
    ]),
  ),
});

/** Pallets are heat-treated, never fumigated, and their stamp says which. */
export const palletRule: Rule = ({ plan }) => {
  const pallets = Object.values(plan.wood).filter(isPallet);
  if (pallets.length === 0) return [];
  const from = {
    id: 'pallet',
    role: null,
    evidence: 'P',
    source: 'ISPM 15, marks HT and MB',
  } as const;
  if (pallets.some((wood) => wood.stamp === 'MB'))
    return [
      {
        ...from,
        severity: 'stop',
        text: text`Pallet wood stamped MB was treated with methyl bromide, a poison. Do not build with it.`,
        remedies: [],
      },
    ];
  const stamped = pallets.every((wood) => wood.stamp === 'HT');
  return [
    {
      ...from,
      severity: stamped ? 'kept' : 'warn',
      text: stamped
        ? text`Pallet wood with the HT stamp (heat-treated).`
        : text`Pallet wood: only from pallets stamped HT (heat-treated). Never MB (methyl bromide), never oily or smelling.`,
      remedies: stamped ? [] : [{ label: 'It is stamped HT', apply: stamp }],
    },
  ];
};
