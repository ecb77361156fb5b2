import type { SpareRecord } from '@spare-knot/core/api';
import { boundsOf, type Point } from '@spare-knot/core/plane';

/** Room for the line that an outline is drawn with, in pixels. */
const EDGE = 2;

/** How large a panel is drawn, in ticks: both faces, as they lie. */
export function sizeOf({ drawing: { outline, underside } }: Pick<SpareRecord, 'drawing'>) {
  const [x0, y0, x1, y1] = boundsOf([...outline, ...underside]);
  return { x0, y0, long: x1 - x0, wide: y1 - y0 };
}

/** A panel of the bin as it stands in a box, grain upright, its outside seen: the far face a thin line, what is cut through dark. */
export function BinPanelDrawing({
  spare,
  scale,
}: {
  spare: Pick<SpareRecord, 'name' | 'drawing'>;
  scale: number;
}) {
  const { x0, y0, long, wide } = sizeOf(spare);
  const path = (points: readonly Point[]) =>
    `M${points
      // The grain runs along x: upright here.
      .map(
        ([x, y]) =>
          `${((y0 + wide - y) * scale).toFixed(2)} ${((x0 + long - x) * scale).toFixed(2)}`,
      )
      .join('L')}Z`;
  const { outline, underside, cuts } = spare.drawing;
  const [width, height] = [wide * scale + 2 * EDGE, long * scale + 2 * EDGE];
  return (
    <svg
      width={width}
      height={height}
      viewBox={`${-EDGE} ${-EDGE} ${width} ${height}`}
      role="img"
      aria-label={`${spare.name}, its outside`}
      className="block"
    >
      <path d={path(underside)} fill="#f7ead3" stroke="#a98b5d" strokeWidth={1} />
      <path d={path(outline)} fill="#edd2ad" stroke="#4d3414" strokeWidth={1.5} />
      <path d={path(underside)} fill="none" stroke="#8a6a3a" strokeWidth={0.8} />
      {cuts.map((cut, index) => (
        <path key={index} d={path(cut)} fill="#3a2a1a" />
      ))}
    </svg>
  );
}
