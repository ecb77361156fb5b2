import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { must } from '../lists/index.js';
import { fromMm, toMm } from '../measure/index.js';
import { FASTENERS, fastenerById, fastenerFor } from './fasteners.js';

const kinds = fc.constantFrom('screw' as const, 'nail' as const);
const thickness = fc.integer({ min: 60, max: 600 }).map((tenths) => fromMm(tenths / 10));

describe('the fastener for a joint', () => {
  test('never comes through, and says truly whether it bites six diameters (ANSI/AWC NDS, minimum penetration 6D, from memory [M])', () => {
    fc.assert(
      fc.property(kinds, thickness, thickness, (kind, through, depth) => {
        const chosen = fastenerFor(kind, through, depth);
        if (!chosen) {
          // None is short enough to keep 3 mm of wood over its point and long enough to reach the second panel.
          for (const each of FASTENERS.filter((one) => one.kind === kind))
            expect(each.length > through && each.length <= through + depth - fromMm(3)).toBe(false);
          return;
        }
        expect(chosen.fastener.kind).toBe(kind);
        expect(chosen.fastener.length).toBeLessThanOrEqual(through + depth - fromMm(3));
        expect(chosen.bite).toBe(chosen.fastener.length - through);
        expect(chosen.enough).toBe(chosen.bite >= 6 * chosen.fastener.diameter);
      }),
    );
  });

  test('one that bites deep enough is found wherever there is one, and a thin one only where no thicker one does', () => {
    fc.assert(
      fc.property(kinds, thickness, thickness, (kind, through, depth) => {
        const fits = FASTENERS.filter(
          (each) =>
            each.kind === kind &&
            each.length <= through + depth - fromMm(3) &&
            each.length - through >= 6 * each.diameter,
        );
        const chosen = fastenerFor(kind, through, depth);
        expect(chosen?.enough ?? false).toBe(fits.length > 0);
        if (kind === 'screw' && fits.some((each) => each.diameter >= fromMm(3.5)))
          expect(must(chosen, 'chosen').fastener.diameter).toBeGreaterThanOrEqual(fromMm(3.5));
      }),
    );
  });

  test('worked: three-quarter cedar on the edge of another takes 4 × 45; 15/32 ply on a 22 mm spacer a thin 3 × 30', () => {
    // 19.05 + 26 = 45: bites 26 mm, six times 4 mm is 24. 11.9 + 22 − 3 = 30.9 leaves room for 30: bites 18.1, six times 3 mm is 18.
    expect(fastenerFor('screw', fromMm(19.05), fromMm(140))?.fastener.id).toBe('screw-4x45');
    expect(fastenerFor('screw', fromMm(11.90625), fromMm(22))).toMatchObject({
      fastener: { id: 'screw-3x30' },
      enough: true,
    });
  });

  test('pilot holes are thinner than the shank, and every fastener is found by its name', () => {
    for (const each of FASTENERS) {
      expect(fastenerById(each.id)).toBe(each);
      expect(toMm(each.pilot)).toBeLessThan(toMm(each.diameter));
      expect(toMm(each.pilot)).toBeGreaterThan(toMm(each.diameter) * 0.5);
    }
    expect(new Set(FASTENERS.map((each) => each.id)).size).toBe(FASTENERS.length);
  });
});
