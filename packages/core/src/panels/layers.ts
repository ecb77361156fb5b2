import { fromMm, type Ticks } from '../measure/index.js';
import type { Point } from '../plane/index.js';
import type { Face } from '../wood/index.js';
import { type Fastener, fastenerFor } from './fasteners.js';
import { measuresOf } from './measures.js';
import type { Panel } from './panel-set.js';

/** One sheet of a panel that is made of two, in the panel's own frame. */
export interface Layer {
  name: 'outer' | 'inner';
  thickness: Ticks;
  outline: readonly Point[];
  underside: readonly Point[];
  outside: Face | 'any';
  inside: Face | 'any';
}

/** Glue alone is not trusted to lie close: a screw in every square so wide, and one in each corner. Common practice, no source. */
const SCREW_EVERY: Ticks = fromMm(150);
const LEAST_SCREWS = 4;

/** A panel as two sheets of half its thickness, one on the other; its tilted edges run through both. */
export function layersOf(
  panel: Pick<Panel, 'thickness' | 'outline' | 'underside' | 'outside' | 'inside'>,
): readonly [outer: Layer, inner: Layer] {
  const { outline, underside, outside, inside } = panel;
  const middle = outline.map(([x, y], corner): Point => {
    const [u, v] = underside[corner] ?? [x, y];
    return [Math.round((x + u) / 2), Math.round((y + v) / 2)];
  });
  const thickness = Math.round(panel.thickness / 2);
  return [
    { name: 'outer', thickness, outline, underside: middle, outside, inside: 'any' },
    { name: 'inner', thickness, outline: middle, underside, outside: 'any', inside },
  ];
}

/** The screws that press two sheets together while the glue sets, for one panel; null where none is short enough and clamps have to do. */
export function layerScrews(panel: Panel): { fastener: Fastener; count: number } | null {
  const half = panel.thickness / 2;
  const chosen = fastenerFor('screw', half, half);
  const { blankLength, blankWidth } = measuresOf(panel);
  const squares = Math.ceil(blankLength / SCREW_EVERY) * Math.ceil(blankWidth / SCREW_EVERY);
  return chosen && { fastener: chosen.fastener, count: Math.max(LEAST_SCREWS, squares) };
}
