import { fromMm } from '@spare-knot/core/measure';
import type { PanelWood } from '@spare-knot/core/plan';

/** What a plan begins with until boards are chosen: three-quarter cedar, one face rough. */
export const STANDARD_WOOD: PanelWood = {
  thickness: fromMm(19.05),
  width: null,
  material: 'western-red-cedar',
  faceA: 'rough',
  faceB: 'planed',
};
