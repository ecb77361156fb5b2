import { describe, expect, test } from '@jest/globals';
import { startFor } from '../../test/plans.js';
import { buildBox, FAMILIES, familyById } from '../families/index.js';
import { must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { measuresOf, type PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { plainText } from '../text/index.js';
import { dryFit, thicknessEffects } from './dry-fit.js';
import { planBuild } from './plan-build.js';

const boxOf = (plan: BoxPlan): PanelSet => {
  const built = buildBox(plan);
  if (!built.ok) throw new Error(JSON.stringify(built.refusals));
  return built.box;
};
const slant = startFor(must(familyById('slant-roof'), 'slant-roof'));

describe('the dry fit', () => {
  test.each(FAMILIES.map((family) => [family.id, family] as const))(
    '%s: speaks of panels that are there, and of what shows when they are wrong',
    (_id, family) => {
      const plan = startFor(family);
      const box = boxOf(plan);
      const ids = box.panels.map(({ id }) => id);
      const looks = dryFit(box, planBuild(plan, box, 1));
      expect(new Set(looks.map(({ id }) => id)).size).toBe(looks.length);
      for (const { panels, signs, tolerance } of looks) {
        for (const panel of panels) expect(ids).toContain(panel);
        expect(signs.length).toBeGreaterThan(0);
        expect(tolerance).toBeGreaterThan(0);
      }
    },
  );

  test('the floor’s diagonal, the gap and the pivots are those of this box', () => {
    const box = boxOf(slant);
    const looks = dryFit(box, planBuild(slant, box, 1));
    const said = (start: string) =>
      plainText(
        must(
          looks.find(({ id }) => id.startsWith(start)),
          start,
        ).look,
      );
    const floor = measuresOf(
      must(
        box.panels.find(({ id }) => id === 'floor'),
        'floor',
      ),
    );
    const across = Math.hypot(floor.blankLength, floor.blankWidth) / 320;
    expect(said('square-')).toContain(`${Math.round(across * 100) / 100} mm`);
    expect(said('gap-side-left')).toMatch(/stands [\d.]+ mm open/);
    expect(said('swing-')).toContain('side-right');
  });

  test('a millimetre less of wood moves the other panels by what trigonometry says', () => {
    const outside = { ...slant, choices: { ...slant.choices, measure: 'outside' } };
    const box = boxOf(outside);
    const effects = thicknessEffects(outside, box);
    const side = must(
      effects.find(({ role }) => role === 'side-left'),
      'side-left',
    );
    // The width outside is kept: the floor between the sides grows by what the side lost.
    const floor = must(
      side.changes.find(({ panel }) => panel === 'floor'),
      'floor',
    );
    expect(Math.abs(floor.after - floor.before)).toBe(fromMm(1));
    expect(effects.every(({ changes }) => changes.length > 0)).toBe(true);
  });
});
