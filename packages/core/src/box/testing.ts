import { expect } from '@jest/globals';
import { type ConvexSolid, common, sharedFaceArea, solidInside, volumeOf } from '../solid/convex-solid.js';
import { behind } from '../solid/half-space.js';
import { cross, subtract, type Vec3 } from '../solid/vector.js';
import { instanceVolume, polygonArea } from './measures.js';
import type { Panel, PanelSet } from './panel-set.js';

/** What every family's boxes must be, whatever the choices; for tests. */

/** The solid of a panel from its rounded corners, so that tests judge what is handed on. */
const solidOf = (of: Panel): ConvexSolid => {
  const { vertices, faces } = of.instances[0]!.solid;
  return solidInside(
    faces.map((face) => {
      const [a, b, c] = face.map((index) => vertices[index]!) as [Vec3, Vec3, Vec3];
      return behind(cross(subtract(b, a), subtract(c, a)), a);
    }),
  )!;
};

/** No two panels overlap, every declared joint shares a face, and each panel's two faces agree with its solid. */
export function expectSound(box: PanelSet): void {
  const { panels, joints } = box;
  const solids = new Map(panels.map((each) => [each.id, solidOf(each)]));
  const ids = [...solids.keys()];
  for (const [index, a] of ids.entries()) {
    for (const b of ids.slice(index + 1)) {
      const overlap = common(solids.get(a)!, solids.get(b)!);
      // Corners are rounded to the tick, so a sliver thinner than 0.02 mm may stay.
      if (overlap) expect(volumeOf(overlap) / 320 ** 3).toBeLessThan(0.02 * 300 * 600);
    }
  }
  for (const joint of joints) {
    const [a, b] = joint.between;
    expect(sharedFaceArea(solids.get(a)!, solids.get(b)!)).toBeGreaterThan(320 ** 2); // at least a square millimetre
  }
  for (const each of panels) {
    expect(polygonArea(each.outline)).toBeGreaterThan(0);
    expect(polygonArea(each.underside)).toBeGreaterThan(0);
    expect(each.underside).toHaveLength(each.outline.length);
    const between = each.outline.map(
      (point, index) => [(point[0] + each.underside[index]![0]) / 2, (point[1] + each.underside[index]![1]) / 2] as const,
    );
    const mean = (polygonArea(each.outline) + 4 * polygonArea(between) + polygonArea(each.underside)) / 6;
    expect(Math.abs((mean * each.thickness) / instanceVolume(each.instances[0]!) - 1)).toBeLessThan(1e-3);
  }
}
