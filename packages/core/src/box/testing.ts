import { expect } from '@jest/globals';
import type { Animal } from '../animals/animal.js';
import { fromMm } from '../measure/ticks.js';
import { type ConvexSolid, common, cornersOf, sharedFaceArea, solidInside, volumeOf } from '../solid/convex-solid.js';
import { behind, distanceTo } from '../solid/half-space.js';
import { add, cross, dot, scale, subtract, unit, type Vec3 } from '../solid/vector.js';
import type { Family } from './family.js';
import { instanceVolume, polygonArea } from './measures.js';
import type { Feature, Panel, PanelInstance, PanelSet } from './panel-set.js';
import type { BoxPlan, PanelWood } from './plan.js';
import { startPlan } from './start-plan.js';

/** What every family's boxes must be, whatever the choices; for tests. */

/** The solid of an instance from its rounded corners, so that tests judge what is handed on. */
export const solidOf = ({ solid: { vertices, faces } }: PanelInstance): ConvexSolid =>
  solidInside(
    faces.map((face) => {
      // The widest corner triple: corners rounded to the tick turn a short edge far.
      let best: readonly [Vec3, Vec3, Vec3] | null = null;
      let size = 0;
      for (let i = 1; i + 1 < face.length; i += 1) {
        const triple = [vertices[face[0]!]!, vertices[face[i]!]!, vertices[face[i + 1]!]!] as const;
        const turn = cross(subtract(triple[1], triple[0]), subtract(triple[2], triple[0]));
        const area = Math.hypot(...turn);
        if (area > size) [best, size] = [triple, area];
      }
      const [a, b, c] = best!;
      return behind(cross(subtract(b, a), subtract(c, a)), a);
    }),
  )!;

/** Whether a point lies in the wood that a groove of the panel takes out, to within 0.1 mm. */
function inGroove(point: Vec3, panel: Panel, instance: PanelInstance, groove: Extract<Feature, { kind: 'groove' }>): boolean {
  const { origin, x } = instance.frame;
  const n = instance.outsideNormal;
  const y = cross(n, x);
  const rel = subtract(point, origin);
  const [u, v, depth] = [dot(rel, x), dot(rel, y), -dot(rel, n)];
  const into = groove.face === 'outside' ? depth : panel.thickness - depth;
  const run: readonly [number, number] = [groove.to[0] - groove.from[0], groove.to[1] - groove.from[1]];
  const length = Math.hypot(...run);
  // The groove leans towards greater x as it goes deeper.
  const lean = into * Math.tan(((groove.tilt ?? 0) * Math.PI) / 180);
  const along = ((u - lean - groove.from[0]) * run[0] + (v - groove.from[1]) * run[1]) / length;
  const off = Math.abs((u - lean - groove.from[0]) * run[1] - (v - groove.from[1]) * run[0]) / length;
  return into <= groove.depth + 32 && along >= -32 && along <= length + 32 && off <= groove.width / 2 + 32;
}

/** No two panels overlap but in a groove made for it, every declared joint shares a face, and outlines agree with the solids. */
export function expectSound(box: PanelSet): void {
  const all = box.panels.flatMap((panel) => panel.instances.map((instance) => ({ panel, instance, solid: solidOf(instance) })));
  for (const [index, a] of all.entries()) {
    for (const b of all.slice(index + 1)) {
      const overlap = common(a.solid, b.solid);
      if (!overlap) continue;
      // Corners are rounded to the tick, so a sliver thinner than 0.02 mm may stay.
      if (volumeOf(overlap) / 320 ** 3 < 0.02 * 300 * 600) continue;
      const made = [a, b].some(({ panel, instance }) =>
        panel.features.some(
          (feature) => feature.kind === 'groove' && cornersOf(overlap).every((corner) => inGroove(corner, panel, instance, feature)),
        ),
      );
      if (!made) throw new Error(`${a.panel.id} and ${b.panel.id} overlap by ${Math.round(volumeOf(overlap) / 320 ** 3)} mm³`);
    }
  }
  const copies = (id: string) => all.filter(({ panel }) => panel.id === id);
  for (const { between, kind } of box.joints) {
    const [a, b] = between.map(copies) as [typeof all, typeof all];
    const meets = (one: (typeof all)[number], others: typeof all) =>
      others.some((other) =>
        kind === 'let-in' ? common(one.solid, other.solid) !== null : sharedFaceArea(one.solid, other.solid) > 320 ** 2,
      );
    // One of a group of copies may stand where the joint is not; every joint is held by some pair.
    if (!a.some((one) => meets(one, b))) throw new Error(`${between.join(' and ')} do not meet`);
  }
  for (const panel of box.panels) expectOutline(panel);
}

function expectOutline(panel: Panel): void {
  expect(polygonArea(panel.outline)).toBeGreaterThan(0);
  expect(polygonArea(panel.underside)).toBeGreaterThan(0);
  expect(panel.underside).toHaveLength(panel.outline.length);
  if (panel.fromLog) return;
  const between = panel.outline.map(
    (point, index) => [(point[0] + panel.underside[index]![0]) / 2, (point[1] + panel.underside[index]![1]) / 2] as const,
  );
  const mean = (polygonArea(panel.outline) + 4 * polygonArea(between) + polygonArea(panel.underside)) / 6;
  for (const instance of panel.instances) {
    const off = Math.abs((mean * panel.thickness) / instanceVolume(instance) - 1);
    if (off > 2e-3) throw new Error(`${panel.id}: outline and solid differ by ${(off * 100).toFixed(2)} %`);
  }
}

/** Where a ray meets the plane of a polygon inside it. */
function through(polygon: readonly Vec3[], from: Vec3, direction: Vec3): boolean {
  let normal: Vec3 = [0, 0, 0];
  for (let i = 1; i + 1 < polygon.length; i += 1)
    normal = add(normal, cross(subtract(polygon[i]!, polygon[0]!), subtract(polygon[i + 1]!, polygon[0]!)));
  if (Math.hypot(...normal) < 1) return false;
  normal = unit(normal);
  const rate = dot(normal, direction);
  if (Math.abs(rate) < 1e-9) return false;
  const at = dot(normal, subtract(polygon[0]!, from)) / rate;
  if (at < 0) return false;
  const point = add(from, scale(direction, at));
  // Rims are drawn as polygons inside the round: half a millimetre of leeway.
  return polygon.every((corner, index) => {
    const edge = subtract(polygon[(index + 1) % polygon.length]!, corner);
    return dot(normal, cross(unit(edge), subtract(point, corner))) >= -fromMm(0.5);
  });
}

/**
 * The rooms leak nowhere but through what was asked for: rays from the middle of each room in all directions end in wood, in another
 * room's air, or pass an opening. `seed` turns the bundle of rays, so that many boxes are searched from many sides.
 */
export function expectClosed(box: PanelSet, seed = 0, rays = 300): void {
  const solids = box.panels.flatMap((panel) => panel.instances.map(solidOf));
  const blocked = (from: Vec3, direction: Vec3): boolean =>
    solids.some((solid) => {
      let enter = Number.NEGATIVE_INFINITY;
      let leave = Number.POSITIVE_INFINITY;
      for (const { plane } of solid.faces) {
        // Seams between neighbours, a tick wide after rounding, are no leak.
        const distance = distanceTo(plane, from) - 3;
        const rate = dot(plane.normal, direction);
        if (Math.abs(rate) < 1e-12) {
          if (distance > 0) return false;
        } else if (rate > 0) leave = Math.min(leave, -distance / rate);
        else enter = Math.max(enter, -distance / rate);
      }
      return enter < leave && leave > 0;
    });
  for (const cavity of box.cavities) {
    const [ox, oy, oz] = cavity.origin;
    const shares = [0.5, 0.13, 0.87];
    for (const share of shares) {
      const from: Vec3 = [ox + (share - 0.5) * cavity.width * 0.8, oy + cavity.depth * 0.5, oz + cavity.heightFront * (0.25 + share * 0.5)];
      for (let index = 0; index < rays / shares.length; index += 1) {
        const z = 1 - (2 * (index + 0.5)) / (rays / shares.length);
        const turn = index * 2.399963 + seed;
        const flat = Math.sqrt(1 - z * z);
        const direction: Vec3 = [flat * Math.cos(turn), flat * Math.sin(turn), z];
        if (blocked(from, direction) && !box.openings.some((opening) => through(opening.polygon, from, direction))) continue;
        if (box.openings.some((opening) => through(opening.polygon, from, direction))) continue;
        throw new Error(
          `a leak from (${from.map((value) => Math.round(value / 320)).join(', ')}) towards (${direction.map((value) => value.toFixed(3)).join(', ')})`,
        );
      }
    }
  }
}

export const board = (mm: number, more: Partial<PanelWood> = {}): PanelWood => ({
  thickness: fromMm(mm),
  width: null,
  material: 'western-red-cedar',
  faceA: 'rough',
  faceB: 'rough',
  ...more,
});

/** A first plan with boards of one thickness and the usual sticks. */
export const planFor = (family: Family, animal: Animal, thickness = 19, more: Partial<PanelWood> = {}): BoxPlan =>
  startPlan(family, animal, board(thickness, more));
