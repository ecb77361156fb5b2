import { toMm } from '../measure/index.js';
import type { PanelSet } from '../panels/index.js';
import { boundsOf } from '../plane/index.js';
import {
  behindSection,
  belowSection,
  type DrawnFace,
  frontView,
  levelSection,
  middleSection,
} from './views.js';

export type ViewName = 'front' | 'section' | 'plan';

/** A small drawing of a box, in millimetres, y downwards: SVG path data, and the box round it as a viewBox. */
export interface ViewPicture {
  box: [x: number, y: number, width: number, height: number];
  behind: string;
  cut: string;
}

const round = (ticks: number): number => Math.round(toMm(ticks) * 10) / 10;

/** Faces as SVG path data. */
export const pathOf = (faces: readonly DrawnFace[]): string =>
  faces
    .map(({ points }) => `M${points.map(([x, y]) => `${round(x)} ${round(-y)}`).join('L')}Z`)
    .join('');

/** The box round faces as a viewBox, in millimetres, y downwards. */
export function viewBoxOf(faces: readonly DrawnFace[]): ViewPicture['box'] {
  const [left, bottom, right, top] = boundsOf(faces.flatMap(({ points }) => points));
  return [round(left), round(-top), round(right - left), round(top - bottom)];
}

/** What is cut by a view and what stands behind it. */
export function facesOf(box: PanelSet, view: ViewName): { cut: DrawnFace[]; behind: DrawnFace[] } {
  if (view === 'section') return { cut: middleSection(box), behind: behindSection(box) };
  if (view === 'plan') return { cut: levelSection(box), behind: belowSection(box) };
  return { cut: frontView(box), behind: [] };
}

/** A view of a box small enough to be sent in a list. */
export function viewPicture(box: PanelSet, view: ViewName): ViewPicture {
  const { cut, behind } = facesOf(box, view);
  return {
    box: viewBoxOf([...cut, ...behind]),
    behind: pathOf(behind),
    cut: pathOf(cut),
  };
}
