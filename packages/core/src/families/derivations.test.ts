import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { inBraces, lengthsIn } from '../../test/texts.js';
import { animalById } from '../animals/index.js';
import { at, must } from '../lists/index.js';
import { fromMm, toMm } from '../measure/index.js';
import type { Derived } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { plainText } from '../text/index.js';
import { FAMILIES } from './list.js';
import { buildBox } from './registry.js';

/** Every derivation of every family, over its choices one at a time and over some thicknesses. */
function derivations(): { family: string; plan: BoxPlan; derived: Derived }[] {
  return FAMILIES.flatMap((family) =>
    [12, 19.05].flatMap((thickness) => {
      const start = planFor(family, must(animalById(family.example), 'animalById'), thickness);
      return family.choices.flatMap((choice) =>
        choice.options.flatMap((option) => {
          const plan = { ...start, choices: { ...start.choices, [choice.id]: option.id } };
          const built = buildBox(plan);
          return built.ok
            ? built.derived.map((derived) => ({ family: family.id, plan, derived }))
            : [];
        }),
      );
    }),
  );
}

/** What stands before an equals sign, worked out: numbers, + − × ÷, brackets, roots, squares, tan and cos; null for other words. */
function workedOut(words: string): number | null {
  // What belongs to the sum begins after the last colon or full stop, or the word `is`.
  const sum = at(words.split(/:\s|\.\s|;\s|\bis\s/), -1)
    .replace(/\{(-?[\d.]+)\}/g, '$1')
    .replace(/\b(outside|front|back|for|the|two|sides)\b/g, '');
  const code = sum
    .replace(/√\(/g, 'Math.sqrt(')
    .replace(/√2/g, 'Math.SQRT2')
    .replace(/²/g, '**2')
    .replace(
      /(tan|cos) ([\d.]+)°/g,
      (_all, name: string, degrees: string) => `Math.${name}(${(Number(degrees) * Math.PI) / 180})`,
    )
    .replaceAll('−', '-')
    .replaceAll('×', '*')
    .replaceAll('÷', '/');
  if (/[a-z,°]/i.test(code.replace(/Math\.\w+/g, '')) || !/\d/.test(code)) return null;
  return Number(new Function(`return (${code})`)());
}

describe('why a size is what it is', () => {
  const all = derivations();

  test('every sum that is written out comes to what it says, and ends in the size it explains', () => {
    let sums = 0;
    const kinds = new Set<string>();
    for (const { family, derived } of all) {
      for (const found of inBraces(derived.why).matchAll(/([^=]*) = \{([\d.]+)\}/g)) {
        const value = workedOut(at(found, 1));
        if (value === null) continue;
        sums += 1;
        kinds.add(`${family} ${derived.id}`);
        // Angles are written to a tenth of a degree, lengths to a hundredth of a millimetre.
        expect([
          family,
          inBraces(derived.why),
          Math.abs(value - Number(found[2])) < Math.max(0.06, Math.abs(value) * 0.006),
        ]).toEqual([family, inBraces(derived.why), true]);
      }
    }
    expect(sums).toBeGreaterThan(500);
    expect(kinds.size).toBeGreaterThan(20);
  });

  test('the size itself stands in its derivation, and no derivation names a size that is not there', () => {
    for (const { family, derived } of all) {
      expect(inBraces(derived.why).length).toBeGreaterThan(15);
      expect(inBraces(derived.why)).not.toMatch(/NaN|undefined|Infinity/);
      if (derived.kind !== 'length') continue;
      const named = lengthsIn(derived.why);
      const close = named.some((each) => Math.abs(each - toMm(derived.value)) < 0.01);
      // A height made of two parts is named by them.
      const sum = named.some((each, index) =>
        named.slice(0, index).some((other) => Math.abs(each + other - toMm(derived.value)) < 0.02),
      );
      expect([family, derived.id, inBraces(derived.why), close || sum]).toEqual([
        family,
        derived.id,
        inBraces(derived.why),
        true,
      ]);
    }
  });

  // Trade figures by plain trigonometry: 9 1/4 and 10 1/4 in over 5 1/2 in make 10.305°, not the 12° that is often stated.
  test('worked: an angle follows from its two heights', () => {
    const family = must(
      FAMILIES.find((each) => each.id === 'slant-roof'),
      'family',
    );
    const start = planFor(
      family,
      must(animalById('black-capped-chickadee'), 'black-capped-chickadee'),
      15.875,
    );
    const inch = fromMm(25.4);
    const built = buildBox({
      ...start,
      choices: {
        ...start.choices,
        measure: 'outside',
        walls: 'between',
        access: 'screwed',
        slope: 'heights',
      },
      sizes: {
        ...start.sizes,
        width: 5.5 * inch,
        depth: 5.5 * inch,
        frontHeight: 9.25 * inch,
        backHeight: 10.25 * inch,
      },
    });
    if (!built.ok) throw new Error(JSON.stringify(built.refusals));
    expect(
      must(
        built.derived.find((each) => each.id === 'slope'),
        'one of the derived',
      ).value,
    ).toBeCloseTo(10.305, 3);
    expect(
      plainText(
        must(
          built.derived.find((each) => each.id === 'slope'),
          'one of the derived',
        ).why,
      ),
    ).toContain('10.3°');
  });
});
