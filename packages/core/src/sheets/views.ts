import { at } from '../lists/index.js';
import type { Ticks } from '../measure/index.js';
import type { PanelInstance, PanelSet } from '../panels/index.js';
import { cross, dot, subtract, type Vec3 } from '../solid/index.js';

/** A flat polygon of a drawing, in ticks: across to the right, height upwards. */
export interface DrawnFace {
  panel: string;
  points: readonly (readonly [across: number, height: number])[];
}

interface Seen extends DrawnFace {
  depth: number;
}

/** How a view maps box space onto paper. */
interface View {
  /** Towards the eye. */
  towards: Vec3;
  across: Vec3;
  upwards: Vec3;
}

const FRONT: View = { towards: [0, -1, 0], across: [1, 0, 0], upwards: [0, 0, 1] };
/** Seen from the left, so that the front stands on the left of the paper. */
const FROM_LEFT: View = { towards: [-1, 0, 0], across: [0, 1, 0], upwards: [0, 0, 1] };
/** Seen from above, the front at the lower edge of the paper. */
const FROM_ABOVE: View = { towards: [0, 0, 1], across: [1, 0, 0], upwards: [0, 1, 0] };

const cornersOf = (instance: PanelInstance, face: readonly number[]): Vec3[] =>
  face.map((index) => at(instance.solid.vertices, index));

function facesTowards(
  box: PanelSet,
  view: View,
  wanted: (panel: string, instance: PanelInstance) => boolean,
): Seen[] {
  const seen: Seen[] = [];
  for (const panel of box.panels) {
    for (const instance of panel.instances) {
      if (!wanted(panel.id, instance)) continue;
      for (const face of instance.solid.faces) {
        const corners = cornersOf(instance, face);
        const normal = cross(
          subtract(at(corners, 1), at(corners, 0)),
          subtract(at(corners, 2), at(corners, 1)),
        );
        if (dot(normal, view.towards) <= 1e-6 * Math.hypot(...normal)) continue;
        seen.push({
          panel: panel.id,
          points: corners.map(
            (corner) => [dot(corner, view.across), dot(corner, view.upwards)] as const,
          ),
          depth:
            corners.reduce((sum, corner) => sum + dot(corner, view.towards), 0) / corners.length,
        });
      }
    }
  }
  return seen.sort((a, b) => a.depth - b.depth);
}

/** The box from the front, farthest faces first, so that painting them in order hides what is hidden. */
export const frontView = (box: PanelSet): DrawnFace[] => facesTowards(box, FRONT, () => true);

/** Where a box is cut from front to back: the middle of the room nearest to its middle. */
export const sectionX = (box: PanelSet): Ticks =>
  box.cavities.reduce(
    (best, { origin }) => (Math.abs(origin[0]) < Math.abs(best) ? origin[0] : best),
    at(box.cavities, 0).origin[0],
  );

/** Where a box is cut level: two thirds of the way from the floor of its lowest room to the entrance, or through a third of the room. */
export const planZ = (box: PanelSet): Ticks => {
  const room = at(box.cavities, 0);
  return Math.round(room.origin[2] + Math.min(room.heightFront, room.heightBack) * 0.33);
};

function cut(box: PanelSet, axis: 0 | 2, where: number): DrawnFace[] {
  const [across, upwards] = axis === 0 ? ([1, 2] as const) : ([0, 1] as const);
  const found: DrawnFace[] = [];
  for (const panel of box.panels) {
    for (const instance of panel.instances) {
      const points: [number, number][] = [];
      for (const face of instance.solid.faces) {
        face.forEach((index, corner) => {
          const from = at(instance.solid.vertices, index);
          const to = at(instance.solid.vertices, at(face, (corner + 1) % face.length));
          if (from[axis] < where === to[axis] < where) return;
          const share = (where - from[axis]) / (to[axis] - from[axis]);
          points.push([
            from[across] + share * (to[across] - from[across]),
            from[upwards] + share * (to[upwards] - from[upwards]),
          ]);
        });
      }
      if (points.length >= 3) found.push({ panel: panel.id, points: inOrder(points) });
    }
  }
  return found;
}

/** The wood that an upright cut from front to back goes through, one polygon for each panel, seen from the left. */
export const middleSection = (box: PanelSet, x = sectionX(box)): DrawnFace[] => cut(box, 0, x);

/** The wood that a level cut goes through, seen from above, the front below. */
export const levelSection = (box: PanelSet, z = planZ(box)): DrawnFace[] => cut(box, 2, z);

/** What stands behind the upright cut. */
export const behindSection = (box: PanelSet, x = sectionX(box)): DrawnFace[] =>
  facesTowards(box, FROM_LEFT, (_panel, instance) =>
    instance.solid.vertices.every((vertex) => vertex[0] >= x),
  );

/** What lies below the level cut. */
export const belowSection = (box: PanelSet, z = planZ(box)): DrawnFace[] =>
  facesTowards(box, FROM_ABOVE, (_panel, instance) =>
    instance.solid.vertices.every((vertex) => vertex[2] <= z),
  );

function inOrder(points: readonly [number, number][]): [number, number][] {
  const [cx, cy] = [
    points.reduce((sum, point) => sum + point[0], 0) / points.length,
    points.reduce((sum, point) => sum + point[1], 0) / points.length,
  ];
  const sorted = [...points].sort(
    (a, b) => Math.atan2(a[1] - cy, a[0] - cx) - Math.atan2(b[1] - cy, b[0] - cx),
  );
  return sorted.filter((point, index) => {
    const before = at(sorted, (index + sorted.length - 1) % sorted.length);
    return Math.hypot(point[0] - before[0], point[1] - before[1]) > 0.5;
  });
}
