import type { Part, Stock } from '@spare-knot/core/job';
import { fromMm, type Ticks } from '@spare-knot/core/measure';
import type { Point } from '@spare-knot/core/plane';

const THICKNESS: Ticks = fromMm(18);

/** A panel square through its thickness, which any face and any sound knot will do for. */
export const plainPart = (
  id: string,
  quantity: number,
  outline: readonly Point[],
  more: Partial<Part> = {},
): Part => ({
  id,
  quantity,
  thickness: THICKNESS,
  outline,
  underside: outline,
  grain: 'along',
  outside: 'any',
  inside: 'any',
  knots: 'sound',
  clear: [],
  cutAway: [],
  materials: null,
  ...more,
});

/** The corners of an upright rectangle. */
export const rectangleOf = (length: Ticks, width: Ticks): Point[] => [
  [0, 0],
  [length, 0],
  [length, width],
  [0, width],
];

/** Clean boards of spruce, planed. */
export const plainStock = (
  id: string,
  quantity: number,
  length: Ticks,
  width: Ticks,
  more: Partial<Stock> = {},
): Stock => ({
  id,
  quantity,
  material: 'spruce',
  thickness: THICKNESS,
  width,
  length,
  faceA: 'planed',
  faceB: 'planed',
  price: 500,
  offcut: false,
  grained: true,
  defects: [],
  ...more,
});
