import { at } from '../lists/index.js';
import { TICKS_PER_MM, type Ticks } from '../measure/index.js';
import type { BoxPlan } from '../plan/index.js';
import { chordAt } from '../plane/index.js';
import { cross, dot, subtract, type Vec3 } from '../solid/index.js';
import { materialDensity } from '../wood/index.js';
import type { Panel, PanelInstance, PanelSet } from './panel-set.js';

/** Length and width of the smallest blank, and the lengths from point to point that a maker marks. All in ticks. */
export interface PanelMeasures {
  blankLength: Ticks;
  blankWidth: Ticks;
  /** Longest and shortest length along the grain, over both faces. */
  longPoint: Ticks;
  shortPoint: Ticks;
}

const extent = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

/** Blank size and long and short points of a panel. */
export function measuresOf(panel: Panel): PanelMeasures {
  const both = [...panel.outline, ...panel.underside];
  const blankLength = extent(both.map((point) => point[0]));
  const blankWidth = extent(both.map((point) => point[1]));
  if (panel.outline.length !== 4)
    return { blankLength, blankWidth, longPoint: blankLength, shortPoint: blankLength };
  const lengths = [panel.outline, panel.underside].flatMap((face) => {
    const ys = face.map((point) => point[1]);
    return [chordAt(face, 0, Math.min(...ys)), chordAt(face, 0, Math.max(...ys))].map(Math.round);
  });
  return {
    blankLength,
    blankWidth,
    longPoint: Math.max(...lengths),
    shortPoint: Math.min(...lengths),
  };
}

/** Volume of one panel in cubic ticks, from its rounded corners. Holes are not taken off. */
export function instanceVolume(instance: PanelInstance): number {
  const { vertices, faces } = instance.solid;
  const apex = at(vertices, 0);
  let sixfold = 0;
  for (const face of faces) {
    const arm = (index: number): Vec3 => subtract(at(vertices, at(face, index)), apex);
    for (let i = 1; i + 1 < face.length; i += 1)
      sixfold += dot(arm(0), cross(subtract(arm(i), arm(0)), subtract(arm(i + 1), arm(0))));
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
