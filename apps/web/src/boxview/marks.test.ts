import { describe, expect, test } from '@jest/globals';
import { animalById } from '@spare-knot/core/animals';
import { buildBox, FAMILIES } from '@spare-knot/core/families';
import { at, must } from '@spare-knot/core/lists';
import { cross, dot, subtract, unit, type Vec3 } from '@spare-knot/core/solid';
import { planFor } from '../../../../packages/core/test/boxes.js';
import { marksOf, OFF } from './marks';

/** How far a point is from the nearest face of a convex solid, outside it; below zero inside. */
function outsideBy(
  point: Vec3,
  solid: { vertices: readonly Vec3[]; faces: readonly (readonly number[])[] },
) {
  return Math.max(
    ...solid.faces.flatMap((face) => {
      const [a, b, c] = [0, 1, 2].map((index) => at(solid.vertices, at(face, index))) as [
        Vec3,
        Vec3,
        Vec3,
      ];
      const turn = cross(subtract(b, a), subtract(c, a));
      return Math.hypot(...turn) < 1000 ? [] : [dot(unit(turn), subtract(point, a))];
    }),
  );
}

describe('marks of holes in space', () => {
  test('of every family lie on the wood, not in the air beside it and not inside', () => {
    for (const family of FAMILIES) {
      const built = buildBox(planFor(family, must(animalById(family.example), family.example)));
      if (!built.ok) throw new Error(family.id);
      let drawn = 0;
      for (const panel of built.box.panels)
        for (const instance of panel.instances)
          for (const point of marksOf(panel, instance).flat()) {
            const out = outsideBy(point, instance.solid);
            expect(out).toBeGreaterThan(0);
            expect(out).toBeLessThan(OFF + 8);
            drawn += 1;
          }
      expect(drawn).toBeGreaterThan(20);
    }
  });
});
