import type { PanelSet } from '../panels/index.js';
import type { Drawing, DrawingShape, Layer } from './drawing.js';
import {
  behindSection,
  belowSection,
  type DrawnFace,
  frontView,
  levelSection,
  middleSection,
} from './views.js';

export type BoxViewName = 'front' | 'section' | 'plan';
export const VIEW_TITLES: Record<BoxViewName, string> = {
  front: 'Front',
  section: 'Cut through the middle',
  plan: 'Cut level, from above',
};

const paths = (faces: readonly DrawnFace[], layer: Layer): DrawingShape[] =>
  faces.map(({ points }) => ({ kind: 'path', layer, points, closed: true }));

/** Entrances in the front, seen from before it. */
const entrances = ({ openings }: PanelSet): DrawingShape[] =>
  openings
    .filter(({ kind, polygon }) => kind === 'entrance' && polygon.every(([, y]) => y <= 2))
    .map(({ polygon }) => ({
      kind: 'path',
      layer: 'hole',
      closed: true,
      points: polygon.map(([x, , z]) => [x, z] as const),
    }));

const shapesOf: Record<BoxViewName, (box: PanelSet) => DrawingShape[]> = {
  front: (box) => [...paths(frontView(box), 'face'), ...entrances(box)],
  section: (box) => [...paths(behindSection(box), 'behind'), ...paths(middleSection(box), 'cut')],
  plan: (box) => [...paths(belowSection(box), 'behind'), ...paths(levelSection(box), 'cut')],
};

/** A view of the whole box as a drawing: the front, the cut from front to back, or the level cut. */
export const viewDrawing = (box: PanelSet, view: BoxViewName): Drawing => ({
  name: VIEW_TITLES[view],
  shapes: shapesOf[view](box),
});
