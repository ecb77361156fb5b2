import { describe, expect, test } from '@jest/globals';
import { board, planFor } from '../../test/boxes.js';
import { ANIMALS, animalById } from '../animals/index.js';
import { buildBox, checkBox, FAMILIES, familyById } from '../families/index.js';
import { must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import type { PanelSet } from '../panels/index.js';
import type { BoxPlan, PanelWood } from '../plan/index.js';
import { plainText } from '../text/index.js';
import type { Check } from './check.js';
import { GRAVITY } from './check-box.js';

const slant = must(familyById('slant-roof'), 'slant-roof');
const chickadee = must(animalById('black-capped-chickadee'), 'black-capped-chickadee');
const start = planFor(slant, chickadee, 19);

function built(plan: BoxPlan): PanelSet {
  const result = buildBox(plan);
  if (!result.ok)
    throw new Error(result.refusals.map(({ message }) => plainText(message)).join(' '));
  return result.box;
}
const checksOf = (plan: BoxPlan): Check[] => checkBox(plan, built(plan));
const checkOf = (plan: BoxPlan, id: string): Check =>
  must(
    checksOf(plan).find((check) => check.id === id),
    id,
  );
const with_ = (
  more: {
    sizes?: Record<string, number>;
    choices?: Record<string, string>;
    wood?: Record<string, Partial<PanelWood>>;
  },
  plan: BoxPlan = start,
): BoxPlan => ({
  ...plan,
  sizes: { ...plan.sizes, ...more.sizes },
  choices: { ...plan.choices, ...more.choices },
  wood: Object.fromEntries(
    Object.entries(plan.wood).map(([role, wood]) => [role, { ...wood, ...more.wood?.[role] }]),
  ),
});

/** Each rule broken, and by what. What kills an animal is a stop. */
const BROKEN: readonly (readonly [
  id: string,
  severity: Check['severity'],
  why: string,
  BoxPlan,
])[] = [
  ['entrance-size', 'stop', 'too large', with_({ sizes: { entranceWidth: fromMm(45) } })],
  ['entrance-size', 'stop', 'too small', with_({ sizes: { entranceWidth: fromMm(22) } })],
  [
    'entrance-height',
    'stop',
    'too low over the floor',
    with_({ sizes: { entranceHeight: fromMm(60) } }),
  ],
  [
    'grip',
    'stop',
    'planed on both faces',
    with_({ wood: { front: { faceA: 'planed', faceB: 'planed' } }, choices: { grip: 'rough' } }),
  ],
  [
    'grip',
    'warn',
    'promised only',
    with_({
      wood: { front: { faceA: 'planed', faceB: 'planed' } },
      choices: { grip: 'rough', gripBy: 'a rasp' },
    }),
  ],
  ['floor', 'warn', 'too small a floor', with_({ sizes: { width: fromMm(80) } })],
  ['recess', 'warn', 'a floor flush with the walls', with_({ choices: { floorAt: 'flush' } })],
  ['overhang', 'warn', 'a short roof', with_({ sizes: { overhangFront: fromMm(20) } })],
  [
    'pallet',
    'stop',
    'a pallet stamped MB',
    with_({ wood: { back: { material: 'pallet-wood', stamp: 'MB' } } }),
  ],
  [
    'pallet',
    'warn',
    'a pallet whose stamp nobody saw',
    with_({ wood: { back: { material: 'pallet-wood' } } }),
  ],
  ['walls', 'warn', 'walls of 9 mm', planFor(slant, chickadee, 9)],
];

describe('rules of a small box', () => {
  test('all are kept by the box that suits its animal', () => {
    for (const check of checksOf(start))
      expect([check.id, check.severity]).toEqual([check.id, 'kept']);
  });

  test.each(BROKEN)('%s is a %s for %s', (id, severity, _why, plan) => {
    expect(checkOf(plan, id).severity).toBe(severity);
  });

  test.each(BROKEN)(
    'what mends %s (%s, %s) gives a box in which it is broken no worse',
    (id, _severity, _why, plan) => {
      const check = checkOf(plan, id);
      for (const { apply } of check.remedies) {
        const mended = apply(plan);
        const after = checksOf(mended).find((each) => each.id === id && each.role === check.role);
        expect(GRAVITY[after?.severity ?? 'kept']).toBeLessThanOrEqual(GRAVITY[check.severity]);
      }
    },
  );

  test('the graver stand before the lesser', () => {
    const plan = with_({
      sizes: { entranceWidth: fromMm(45), overhangFront: fromMm(20) },
    });
    const gravity = checksOf(plan).map(({ severity }) => GRAVITY[severity]);
    expect(gravity).toEqual([...gravity].sort((a, b) => b - a));
    expect(gravity[0]).toBe(GRAVITY.stop);
  });

  test('an answer in words turns a stop into a warning that repeats them', () => {
    const plan = with_({
      wood: { front: { faceA: 'planed', faceB: 'planed' } },
      choices: { grip: 'rough' },
    });
    const ask = must(checkOf(plan, 'grip').ask, 'a question');
    const answered = checkOf(ask.answer(plan, '  coarse paper  '), 'grip');
    expect(answered.severity).toBe('warn');
    expect(plainText(answered.text)).toContain('“coarse paper”');
  });
});

describe('rules of every family', () => {
  test('hold a box to every animal that it is for', () => {
    for (const family of FAMILIES) {
      const animal = must(animalById(family.example), family.example);
      const plan = planFor(family, animal, 19);
      const alone = checksOf(plan);
      for (const check of alone) {
        expect(plainText(check.text).length).toBeGreaterThan(10);
        expect(check.source.length).toBeGreaterThan(3);
        expect(['P', 'M', 'C']).toContain(check.evidence);
      }
      const roles = family.roles.map(({ id }) => id);
      for (const { role } of alone) if (role !== null) expect(roles).toContain(role);
    }
  });

  test('a box for two animals keeps the rules of both', () => {
    const other = must(
      ANIMALS.find(
        ({ family, entranceSize, id }) =>
          family === 'slant-roof' && id !== chickadee.id && (entranceSize?.[0] ?? 0) > 40,
      ),
      'a larger animal',
    );
    const both: BoxPlan = { ...start, animals: [chickadee.id, other.id] };
    const stops = checksOf(both).filter(({ severity }) => severity === 'stop');
    expect(stops.map(({ id }) => id)).toContain(`entrance-size/${other.id}`);
    expect(
      checksOf({ ...both, animals: [] }).some(({ id }) => id.startsWith('entrance-size')),
    ).toBe(false);
  });

  test('a panel wider than its board is glued up, or is a stop where it must be whole', () => {
    const narrow = planFor(slant, chickadee, 19, board(19, { width: fromMm(90) }));
    const wide = (plan: BoxPlan) => checksOf(plan).filter(({ id }) => id.startsWith('wide-'));
    expect(wide(narrow).length).toBeGreaterThan(0);
    const whole = wide({ ...narrow, choices: { ...narrow.choices, wide: 'whole' } });
    expect(whole.every(({ severity }) => severity === 'stop')).toBe(true);
    expect(whole.every(({ remedies }) => remedies.length === 1)).toBe(true);
  });
});
