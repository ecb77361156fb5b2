import type { LetterMark } from '../building/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import type { Panel } from '../panels/index.js';
import { boundsOf, type Point } from '../plane/index.js';
import { type Drawing, type DrawingPoint, note } from './drawing.js';
import { featureOutline } from './feature-shapes.js';

/** A piece as it lies before the one who letters it, grain upright, its inside up unless told otherwise. */
export interface LetteredPiece {
  panel: Panel;
  face: 'inside' | 'outside';
  /** Letters of this copy on this face. */
  marks: readonly LetterMark[];
}

const LETTERS: Ticks = fromMm(14);

/** A piece with its letters where they are pencilled, to scale, in ticks; `letters` is how high they are drawn. */
export function letterDrawing(
  { panel, face, marks }: LetteredPiece,
  letters: Ticks = LETTERS,
): Drawing {
  const place = ([x, y]: Point): DrawingPoint => (face === 'outside' ? [-y, x] : [y, x]);
  const polygon = face === 'outside' ? panel.outline : panel.underside;
  const entrances = panel.features.filter(({ kind }) => kind === 'entrance');
  const [left, low, right] = boundsOf(polygon.map(place));
  return {
    name: panel.id,
    shapes: [
      { kind: 'path', layer: 'panel', points: polygon.map(place), closed: true },
      ...entrances.map((feature) => ({
        kind: 'path' as const,
        layer: 'hole' as const,
        points: featureOutline(feature).map(place),
        closed: true,
      })),
      ...marks.map(({ letter, at }) => {
        const [x, y] = place(at);
        return note([x, y - letters / 3], letter, { height: letters });
      }),
      note([(left + right) / 2, low - letters], face, { height: letters * 0.7 }),
    ],
  };
}
