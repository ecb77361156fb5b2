import { describe, expect, test } from '@jest/globals';
import { buildBox, familyById } from '@spare-knot/core/families';
import { STANDARD_SAW } from '@spare-knot/core/job';
import { must } from '@spare-knot/core/lists';
import { plainText } from '@spare-knot/core/text';
import { startFor } from '../../../../../packages/core/test/plans.js';
import { sawChecks } from './saw-checks';

describe('the saw, where the box is drawn', () => {
  test('a panel that it cannot cut is named with the angle and the saw’s own', () => {
    const start = startFor(must(familyById('ridge-roof'), 'the ridge roof'));
    const plan = { ...start, angles: { ...start.angles, pitch: 55 } };
    const built = buildBox(plan);
    if (!built.ok) throw new Error('not built');
    const names = new Map(built.box.panels.map(({ id }) => [id, id.toUpperCase()]));
    const limited = { ...STANDARD_SAW, maxMitre: 20, maxTilt: 20 };
    const found = sawChecks(plan, built.box, limited, names);
    expect(found.length).toBeGreaterThan(0);
    for (const { id, severity, text } of found) {
      expect(severity).toBe('stop');
      expect(plainText(text)).toMatch(/where this saw’s t(ilts|urns) to 20°/);
      expect(plainText(text)).toContain(id.replace('saw-', '').toUpperCase());
    }
    expect(
      sawChecks(plan, built.box, { ...STANDARD_SAW, maxMitre: 90, maxTilt: 90 }, names),
    ).toEqual([]);
  });
});
