import { TICKS_PER_MM, type Ticks } from '../measure/ticks.js';
import { cross, dot, lengthOf, subtract, type Vec3 } from '../solid/vector.js';
import type { Point } from '../wood/board.js';
import { materialDensity } from '../wood/material.js';
import type { Panel, PanelInstance, PanelSet } from './panel-set.js';
import type { BoxPlan } from './plan.js';

/** Length and width of the smallest blank, and the lengths from point to point that a maker marks. All in ticks. */
export interface PanelMeasures {
  blankLength: Ticks;
  blankWidth: Ticks;
  /** Longest and shortest length along the grain, over both faces. */
  longPoint: Ticks;
  shortPoint: Ticks;
}

const extent = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

/** Length of the polygon along x at height y; 0 where it does not reach. */
function chordAt(polygon: readonly Point[], y: number): number {
  const crossings: number[] = [];
  polygon.forEach((from, index) => {
    const to = polygon[(index + 1) % polygon.length]!;
    if (from[1] === y) crossings.push(from[0]);
    if ((from[1] - y) * (to[1] - y) < 0) crossings.push(from[0] + ((y - from[1]) * (to[0] - from[0])) / (to[1] - from[1]));
  });
  return crossings.length < 2 ? 0 : extent(crossings);
}

/** Blank size and long and short points of a panel. */
export function measuresOf(panel: Panel): PanelMeasures {
  const both = [...panel.outline, ...panel.underside];
  const blankLength = extent(both.map((point) => point[0]));
  const blankWidth = extent(both.map((point) => point[1]));
  if (panel.outline.length !== 4) return { blankLength, blankWidth, longPoint: blankLength, shortPoint: blankLength };
  const lengths = [panel.outline, panel.underside].flatMap((face) => {
    const ys = face.map((point) => point[1]);
    return [chordAt(face, Math.min(...ys)), chordAt(face, Math.max(...ys))].map(Math.round);
  });
  return { blankLength, blankWidth, longPoint: Math.max(...lengths), shortPoint: Math.min(...lengths) };
}

/** Area of a polygon in square ticks; anticlockwise is positive. */
export function polygonArea(polygon: readonly Point[]): number {
  return polygon.reduce((sum, [x, y], index) => {
    const [nextX, nextY] = polygon[(index + 1) % polygon.length]!;
    return sum + (x * nextY - nextX * y) / 2;
  }, 0);
}

/** Volume of one panel in cubic ticks, from its rounded corners. Holes are not taken off. */
export function instanceVolume(instance: PanelInstance): number {
  const { vertices, faces } = instance.solid;
  const apex = vertices[0]!;
  let sixfold = 0;
  for (const face of faces) {
    const at = (index: number): Vec3 => subtract(vertices[face[index]!]!, apex);
    for (let i = 1; i + 1 < face.length; i += 1) sixfold += dot(at(0), cross(subtract(at(i), at(0)), subtract(at(i + 1), at(0))));
  }
  return sixfold / 6;
}

/** Weight of the bare box in kilograms, by the density of each panel's wood. */
export function weightOf(plan: BoxPlan, box: PanelSet): number {
  const cubicMetre = (TICKS_PER_MM * 1000) ** 3;
  return box.panels.reduce(
    (sum, panel) =>
      sum +
      panel.instances.reduce((volume, instance) => volume + instanceVolume(instance), 0) *
        (materialDensity(plan.wood[panel.role]?.material ?? '') / cubicMetre),
    0,
  );
}

/** Length of the run from one corner to another, in ticks. */
export const distance = (a: Vec3, b: Vec3): number => lengthOf(subtract(a, b));
