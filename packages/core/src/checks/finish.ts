import type { BoxPlan, Finish } from '../plan/index.js';
import { text } from '../text/index.js';
import { type Check, COMMON, type Held, type Rule } from './check.js';

const isInside = ({ where }: Finish): boolean =>
  /\bin(side|ner|terior)?\b|\ball\b|every/i.test(where);
const isOily = ({ base, what }: Finish): boolean =>
  base === 'oil' || (what === 'oil' && base === null);

const withFinish =
  (change: (finish: readonly Finish[]) => readonly Finish[]) =>
  (plan: BoxPlan): BoxPlan => ({ ...plan, finish: change(plan.finish) });

const inside = ({ plan }: Held): Check[] =>
  plan.finish.some(isInside)
    ? [
        {
          ...COMMON,
          id: 'finish-inside',
          severity: 'stop',
          role: null,
          text: text`A finish inside: its fumes stay in the closed room, and nothing climbs on it. Outside only.`,
          remedies: [
            {
              label: 'Leave the inside bare',
              apply: withFinish((all) => all.filter((coat) => !isInside(coat))),
            },
          ],
        },
      ]
    : [];

/** Bats: nothing oily, dark where it is cold, pale where it is hot. */
function forBats({ plan, kind }: Held): Check[] {
  if (kind.guests !== 'bats') return [];
  const found: Check[] = [];
  if (plan.finish.some(isOily))
    found.push({
      id: 'finish-oil',
      severity: 'stop',
      role: null,
      text: text`An oil-based finish on a bat box: bats hang with their faces to the wood and breathe it. Water-based only.`,
      evidence: 'M',
      source: 'The Bat House Builder’s Handbook',
      remedies: [
        {
          label: 'Water-based stain instead',
          apply: withFinish((all) =>
            all.map((coat) => (isOily(coat) ? { ...coat, what: 'stain', base: 'water' } : coat)),
          ),
        },
      ],
    });
  const { climate } = plan.place;
  const has = (shade: Finish['shade']) => plan.finish.some((coat) => coat.shade === shade);
  const tooPale = has('pale') && (climate === 'cold' || climate === 'temperate');
  const tooDark = has('dark') && climate === 'hot';
  if (tooPale || tooDark)
    found.push({
      id: 'finish-shade',
      severity: 'warn',
      role: null,
      text: tooPale
        ? text`A pale bat box stays cold in this climate: dark holds the sun’s warmth, where the July mean is under 29 °C.`
        : text`A dark bat box overheats in a hot climate: pale, with afternoon shade.`,
      evidence: 'M',
      source: 'The Bat House Builder’s Handbook',
      remedies: [
        {
          label: tooPale ? 'Dark instead' : 'Pale instead',
          apply: withFinish((all) =>
            all.map((coat) => ({ ...coat, shade: tooPale ? 'dark' : 'pale' })),
          ),
        },
      ],
    });
  return found;
}

/** Where a finish goes, and of what it is. */
export const finishRule: Rule = (held) => [...inside(held), ...forBats(held)];
