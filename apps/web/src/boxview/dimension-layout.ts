import type { DrawnDimension } from '@spare-knot/core/families';
import type { DrawnFace } from '@spare-knot/core/sheets';

/** The box round a view, in ticks. */
export interface Extent {
  left: number;
  right: number;
  low: number;
  high: number;
}

export function extentOf(faces: readonly DrawnFace[]): Extent {
  const all = faces.flatMap((face) => face.points);
  const xs = all.map((point) => point[0]);
  const ys = all.map((point) => point[1]);
  return {
    left: Math.min(...xs),
    right: Math.max(...xs),
    low: Math.min(...ys),
    high: Math.max(...ys),
  };
}

/** A dimension on paper, in pixels: its line, its witness lines and where its field stands. */
export interface PlacedDimension {
  size: string;
  from: readonly [number, number];
  to: readonly [number, number];
  at: readonly [number, number];
  witness: readonly (readonly [number, number, number, number])[];
}

const MARGIN = { left: 102, middle: 212, right: 108, top: 78, bottom: 62 };
/** Size of a field on the drawing, with a little air. */
export const FIELD = { wide: 98, high: 34 };

/** The dimensions with those whose fields would cover others moved a row further out. */
function apart(
  placed: readonly PlacedDimension[],
  sides: readonly DrawnDimension['side'][],
): { dimensions: PlacedDimension[]; rows: number } {
  const done: PlacedDimension[] = [];
  let rows = 0;
  placed.forEach((dimension, index) => {
    const side = sides[index];
    let moved = dimension;
    const covers = () =>
      done.some(
        ({ at }) =>
          Math.abs(at[0] - moved.at[0]) < FIELD.wide && Math.abs(at[1] - moved.at[1]) < FIELD.high,
      );
    for (let row = 1; side === 'below' && covers(); row += 1) {
      rows = Math.max(rows, row);
      const down = ([x, y]: readonly [number, number]) => [x, y + row * FIELD.high] as const;
      moved = {
        ...dimension,
        from: down(dimension.from),
        to: down(dimension.to),
        at: down(dimension.at),
        witness: dimension.witness.map(
          ([x1, y1, x2, y2]) => [x1, y1, x2, y2 + row * FIELD.high] as const,
        ),
      };
    }
    done.push(moved);
  });
  return { dimensions: done, rows };
}

/** Puts a dimension beside its view. */
function place(
  dimension: DrawnDimension,
  view: Extent,
  x: (value: number) => number,
  y: (value: number) => number,
): PlacedDimension {
  const { size, side, from, to, start } = dimension;
  if (side === 'below' || side === 'above') {
    const line = side === 'below' ? y(view.low) + 18 : y(view.high) - 8;
    const witness = [from, to].map((value) => [x(value), y(start), x(value), line] as const);
    return {
      size,
      from: [x(from), line],
      to: [x(to), line],
      at: [(x(from) + x(to)) / 2, line + (side === 'below' ? 16 : -16)],
      witness,
    };
  }
  if (side === 'leader') {
    const end = x(view.right) + 14;
    return {
      size,
      from: [x(start), y(from)],
      to: [end, y(from)],
      at: [end + 44, y(from)],
      witness: [],
    };
  }
  const line = side === 'left' ? x(view.left) - 52 : x(view.right) + 58;
  const witness = [from, to].map((value) => [x(start), y(value), line, y(value)] as const);
  return {
    size,
    from: [line, y(from)],
    to: [line, y(to)],
    at: [line, (y(from) + y(to)) / 2],
    witness,
  };
}

/** Narrower than this the section stands under the front view. */
const NARROW = 520;

/**
 * Front view and section side by side (one under the other on a narrow page), as large as they can be on a sheet of `width` × `height`
 * pixels with every size written beside them: the scale in pixels a tick, where each point goes, where each field and caption stands, and
 * the height that it takes. No field covers another.
 */
export function layOutDimensions(
  asked: readonly DrawnDimension[],
  a: Extent,
  b: Extent,
  width: number,
  height: number,
) {
  const [wideA, wideB, highA, highB] = [
    a.right - a.left,
    b.right - b.left,
    a.high - a.low,
    b.high - b.low,
  ];
  const stacked = width < NARROW;
  const sides = asked.map(({ side }) => side);
  /** All of it to the scale that leaves `rows` more rows of fields below each view. */
  const laidOut = (rows: number) => {
    const bottom = MARGIN.bottom + rows * FIELD.high;
    const free = width - MARGIN.left - MARGIN.right - (stacked ? 0 : MARGIN.middle);
    const wide = stacked ? Math.max(wideA, wideB) : wideA + wideB;
    const high = stacked
      ? Math.max(highA, highB)
      : Math.max(a.high, b.high) - Math.min(a.low, b.low);
    const scale = Math.min(free / wide, (height - MARGIN.top - bottom) / high);
    const slack = free - wide * scale;
    const left = {
      front: MARGIN.left + slack * (stacked ? 0.5 : 0.3),
      section: MARGIN.left + slack * (stacked ? 0.5 : 0.75),
    };
    if (!stacked) left.section += wideA * scale + MARGIN.middle;
    const top = {
      front: MARGIN.top,
      section: stacked ? 2 * MARGIN.top + highA * scale + bottom : MARGIN.top,
    };
    const upper = {
      front: stacked ? a.high : Math.max(a.high, b.high),
      section: stacked ? b.high : Math.max(a.high, b.high),
    };
    const frontX = (x: number) => left.front + (x - a.left) * scale;
    const frontY = (z: number) => top.front + (upper.front - z) * scale;
    const acrossX = (y: number) => left.section + (y - b.left) * scale;
    const acrossY = (z: number) => top.section + (upper.section - z) * scale;
    const placed = asked.map((dimension) =>
      dimension.view === 'front'
        ? place(dimension, a, frontX, frontY)
        : place(dimension, b, acrossX, acrossY),
    );
    return {
      frontX,
      frontY,
      acrossX,
      acrossY,
      scale,
      captions: {
        front: [frontX((a.left + a.right) / 2), top.front - MARGIN.top + 16] as const,
        section: [acrossX((b.left + b.right) / 2), top.section - MARGIN.top + 16] as const,
      },
      height: stacked ? top.section + highB * scale + bottom : height,
      ...apart(placed, sides),
    };
  };
  const first = laidOut(0);
  return first.rows > 0 ? laidOut(first.rows) : first;
}
