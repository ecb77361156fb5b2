import type { PanelWood } from '@spare-knot/core/box/plan.js';
import { fromMm } from '@spare-knot/core/measure/ticks.js';

/** What a plan begins with until boards are chosen: three-quarter cedar, one face rough. */
export const STANDARD_WOOD: PanelWood = {
  thickness: fromMm(19.05),
  width: null,
  material: 'western-red-cedar',
  faceA: 'rough',
  faceB: 'planed',
};
