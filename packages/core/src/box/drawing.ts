import { cross, dot, subtract, type Vec3 } from '../solid/vector.js';
import type { PanelInstance, PanelSet } from './panel-set.js';

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
}

const FRONT: View = { towards: [0, -1, 0], across: [1, 0, 0] };
/** Seen from the left, so that the front stands on the left of the paper. */
const FROM_LEFT: View = { towards: [-1, 0, 0], across: [0, 1, 0] };

const cornersOf = (instance: PanelInstance, face: readonly number[]): Vec3[] => face.map((index) => instance.solid.vertices[index]!);

function facesTowards(box: PanelSet, view: View, wanted: (panel: string) => boolean): Seen[] {
  const seen: Seen[] = [];
  for (const panel of box.panels) {
    if (!wanted(panel.id)) continue;
    for (const instance of panel.instances) {
      for (const face of instance.solid.faces) {
        const corners = cornersOf(instance, face);
        const normal = cross(subtract(corners[1]!, corners[0]!), subtract(corners[2]!, corners[1]!));
        if (dot(normal, view.towards) <= 1e-6 * Math.hypot(...normal)) continue;
        seen.push({
          panel: panel.id,
          points: corners.map((corner) => [dot(corner, view.across), corner[2]] as const),
          depth: corners.reduce((sum, corner) => sum + dot(corner, view.towards), 0) / corners.length,
        });
      }
    }
  }
  return seen.sort((a, b) => a.depth - b.depth);
}

/** The box from the front, farthest faces first, so that painting them in order hides what is hidden. */
export const frontView = (box: PanelSet): DrawnFace[] => facesTowards(box, FRONT, () => true);

/** The wood that a cut through the middle goes through, one polygon for each panel, seen from the left. */
export function middleSection(box: PanelSet): DrawnFace[] {
  const found: DrawnFace[] = [];
  for (const panel of box.panels) {
    for (const instance of panel.instances) {
      const points: [number, number][] = [];
      for (const face of instance.solid.faces) {
        face.forEach((index, at) => {
          const from = instance.solid.vertices[index]!;
          const to = instance.solid.vertices[face[(at + 1) % face.length]!]!;
          if (from[0] < 0 === to[0] < 0) return;
          const share = -from[0] / (to[0] - from[0]);
          points.push([from[1] + share * (to[1] - from[1]), from[2] + share * (to[2] - from[2])]);
        });
      }
      if (points.length >= 3) found.push({ panel: panel.id, points: inOrder(points) });
    }
  }
  return found;
}

/** What stands behind the cut. */
export const behindSection = (box: PanelSet): DrawnFace[] => {
  const cut = new Set(middleSection(box).map((face) => face.panel));
  const beyond = new Set(
    box.panels
      .filter(
        (panel) => !cut.has(panel.id) && panel.instances.every((instance) => instance.solid.vertices.every((vertex) => vertex[0] >= 0)),
      )
      .map((panel) => panel.id),
  );
  return facesTowards(box, FROM_LEFT, (panel) => beyond.has(panel));
};

function inOrder(points: readonly [number, number][]): [number, number][] {
  const [cx, cy] = [
    points.reduce((sum, point) => sum + point[0], 0) / points.length,
    points.reduce((sum, point) => sum + point[1], 0) / points.length,
  ];
  const sorted = [...points].sort((a, b) => Math.atan2(a[1] - cy, a[0] - cx) - Math.atan2(b[1] - cy, b[0] - cx));
  return sorted.filter((point, index) => {
    const before = sorted[(index + sorted.length - 1) % sorted.length]!;
    return Math.hypot(point[0] - before[0], point[1] - before[1]) > 0.5;
  });
}
