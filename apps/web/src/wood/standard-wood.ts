import { fromMm } from '@spare-knot/core/measure';
import type { PanelWood } from '@spare-knot/core/plan';

/** What a plan is drawn with until boards are chosen: three-quarter cedar. Nobody said so, and it stands as assumed. */
export const STANDARD_WOOD: PanelWood = {
  thickness: fromMm(19.05),
  width: null,
  material: 'western-red-cedar',
  faceA: 'planed',
  faceB: 'planed',
  assumed: ['material', 'faces'],
};
