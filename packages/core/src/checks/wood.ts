import { plainName } from '../panels/index.js';
import type { BoxPlan, PanelWood } from '../plan/index.js';
import { plainText, type Text, text } from '../text/index.js';
import {
  type Assumed,
  factsOf,
  isAssumed,
  isSheet,
  stillAssumed,
  woodRefused,
} from '../wood/index.js';
import { type Check, COMMON, type Held, type Remedy, type Rule, setWood } from './check.js';

/** The wood of every role that the box has panels of. */
const woodInUse = ({ plan, box }: Held): (readonly [role: string, wood: PanelWood])[] =>
  Object.entries(plan.wood).filter(([role]) => box.panels.some((panel) => panel.role === role));

const namesOf = (roles: readonly string[]): string => roles.map(plainName).join(', ');

/** The plan with something of its wood confirmed. */
const confirm = (roles: readonly string[], fact: Assumed) =>
  setWood(roles, (wood) => {
    const assumed = stillAssumed(wood, fact);
    const { assumed: _before, ...rest } = wood;
    return { ...rest, ...(assumed.length > 0 && { assumed }) };
  });

/** Wood that no box is built of: a stop for each reason, and nothing takes its place by itself. */
function refusedChecks(held: Held): Check[] {
  const reasons = new Map<string, { why: Text; roles: string[] }>();
  for (const [role, wood] of woodInUse(held)) {
    const why = woodRefused(wood);
    if (!why) continue;
    const known = reasons.get(plainText(why)) ?? { why, roles: [] };
    known.roles.push(role);
    reasons.set(plainText(why), known);
  }
  return [...reasons.values()].map(({ why, roles }, index) => ({
    ...COMMON,
    id: index === 0 ? 'wood' : `wood-${index + 1}`,
    severity: 'stop',
    role: roles[0] ?? null,
    text: text`Not for a box: ${namesOf(roles)}. ${why} Take other wood.`,
    remedies: [],
  }));
}

/** Wood that is known, fit and untreated, or why it is not. */
export const woodRule: Rule = (held) => {
  const refused = refusedChecks(held);
  if (refused.length > 0) return refused;
  return [
    {
      ...COMMON,
      id: 'wood',
      severity: 'kept',
      role: null,
      text: text`Every panel is of a wood that boxes are built of, with no treatment named for it.`,
      remedies: [],
    },
  ];
};

const ASSUMPTIONS: readonly (readonly [Assumed, string, string])[] = [
  ['material', 'which wood it is', 'The wood is so'],
  ['treatment', 'that it is untreated', 'It is untreated'],
  ['faces', 'how its faces are', 'The faces are so'],
  ['width', 'how wide it is', 'The width is so'],
  ['size', 'what it measures', 'It measures so'],
];

/** What nobody has confirmed of the wood. */
export const assumedRule: Rule = (held) => {
  const open = ASSUMPTIONS.flatMap(([fact, words, label]) => {
    const roles = woodInUse(held)
      .filter(([, wood]) => isAssumed(wood, fact))
      .map(([role]) => role);
    return roles.length > 0 ? [{ fact, words, label, roles }] : [];
  });
  if (open.length === 0) return [];
  const said = open.map(({ words, roles }) => `${words} (${namesOf(roles)})`).join('; ');
  return [
    {
      ...COMMON,
      id: 'assumed',
      severity: 'warn',
      role: open[0]?.roles[0] ?? null,
      text: text`Assumed, and nobody has looked: ${said}.`,
      remedies: open.map(
        ({ label, roles, fact }): Remedy => ({ label, apply: confirm(roles, fact) }),
      ),
    },
  ];
};

/** Old paint flakes off inside, and may hold lead. */
export const oldPaintRule: Rule = (held) => {
  const painted = woodInUse(held).filter(([, wood]) => wood.oldPaint);
  if (painted.length === 0) return [];
  const roles = painted.map(([role]) => role);
  return [
    {
      ...COMMON,
      id: 'old-paint',
      severity: 'stop',
      role: roles[0] ?? null,
      text: text`Old paint on ${namesOf(roles)}: it flakes off inside and may hold lead. Test it, do not sand it; take bare wood, or plane it where dust is caught.`,
      remedies: [],
    },
  ];
};

export const greenRule: Rule = (held) => {
  const green = woodInUse(held).filter(
    ([, wood]) => !isSheet(wood.material) && /green|wet|unseasoned/i.test(wood.grade ?? ''),
  );
  if (green.length === 0) return [];
  const roles = green.map(([role]) => role);
  return [
    {
      ...COMMON,
      id: 'green-wood',
      severity: 'warn',
      role: roles[0] ?? null,
      text: text`Green wood (${namesOf(roles)}) shrinks, opens its joints and kicks in the saw. Let it dry, or build with dry boards.`,
      remedies: [],
    },
  ];
};

const withGrade = (grade: string) => (wood: PanelWood) => ({
  ...wood,
  ...factsOf({ ...wood, grade }),
});

/** The plan with the edges of its sheets sealed. */
const sealEdges = (plan: BoxPlan): BoxPlan => ({
  ...plan,
  finish: [...plan.finish, { where: 'edges', what: 'paint', base: 'water', shade: null }],
});

/** Sheets: their grade is known, and outdoors their edges are sealed. */
export const sheetRule: Rule = (held) => {
  const sheets = woodInUse(held).filter(([, wood]) => isSheet(wood.material));
  if (sheets.length === 0) return [];
  const unknown = sheets.filter(([, wood]) => !wood.grade).map(([role]) => role);
  const { place, finish } = held.plan;
  const isSealed = place.cover === 'under-cover' || finish.length > 0;
  const role = sheets[0]?.[0] ?? null;
  return [
    {
      ...COMMON,
      id: 'sheet-grade',
      severity: unknown.length > 0 ? 'warn' : 'kept',
      role: unknown[0] ?? role,
      text:
        unknown.length > 0
          ? text`Which grade of plywood is it (${namesOf(unknown)})? Only exterior or marine plywood holds outdoors.`
          : text`Plywood of a grade that holds outdoors.`,
      remedies:
        unknown.length > 0
          ? [
              { label: 'It is exterior grade', apply: setWood(unknown, withGrade('exterior')) },
              { label: 'It is marine grade', apply: setWood(unknown, withGrade('marine')) },
            ]
          : [],
    },
    {
      ...COMMON,
      id: 'sheet-edges',
      severity: isSealed ? 'kept' : 'warn',
      role,
      text: isSealed
        ? text`The plies’ edges stay dry: sealed, or under cover.`
        : text`Outdoors the edges of plywood drink water: seal them with exterior paint or caulk, or hang the box under cover.`,
      remedies: isSealed ? [] : [{ label: 'Seal the edges', apply: sealEdges }],
    },
  ];
};
