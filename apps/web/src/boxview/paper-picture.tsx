import { type Drawing, extentOf, type Layer } from '@spare-knot/core/sheets';

import { useMemo } from 'react';

const LOOKS: Record<Layer, { stroke: string; width: number; fill: string; dash?: string }> = {
  board: { stroke: '#a98b5d', width: 0.8, fill: '#f8eedb' },
  defect: { stroke: '#7a5a30', width: 0.7, fill: 'none' },
  offcut: { stroke: '#a98b5d', width: 0.7, fill: 'none', dash: '6 3' },
  panel: { stroke: '#3b2a14', width: 1.3, fill: '#edd2ad' },
  cut: { stroke: '#3b2a14', width: 1.3, fill: '#edd2ad' },
  face: { stroke: '#3b2a14', width: 1, fill: '#edd2ad' },
  behind: { stroke: '#a98b5d', width: 0.8, fill: '#f8eedb' },
  'far-face': { stroke: '#3b2a14', width: 0.9, fill: 'none', dash: '5 3' },
  hole: { stroke: '#3b2a14', width: 1, fill: '#fcfaf4' },
  groove: { stroke: '#7a5a30', width: 0.7, fill: 'none', dash: '3 2' },
  mark: { stroke: '#1d5a96', width: 0.8, fill: 'none' },
  dimension: { stroke: '#1d5a96', width: 0.8, fill: 'none' },
  note: { stroke: 'none', width: 0, fill: '#1f2e27' },
};

interface Props {
  drawing: Drawing;
  width: number;
  /** Highest the picture may become; it shrinks to fit. */
  most: number;
  label: string;
}

/** A drawing on the screen: the same shapes that go into files. */
export function PaperPicture({ drawing, width, most, label }: Props) {
  const { scale, left, top, wide, high } = useMemo(() => {
    const [x0, y0, x1, y1] = extentOf(drawing);
    const fit = Math.min((width - 12) / (x1 - x0), (most - 12) / (y1 - y0));
    return {
      scale: fit,
      left: x0,
      top: y1,
      wide: (x1 - x0) * fit + 12,
      high: (y1 - y0) * fit + 12,
    };
  }, [drawing, width, most]);
  const x = (value: number) => (6 + (value - left) * scale).toFixed(1);
  const y = (value: number) => (6 + (top - value) * scale).toFixed(1);
  return (
    <svg width={wide} height={high} role="img" aria-label={label} className="block max-w-full">
      {drawing.shapes.map((shape, index) => {
        const look = LOOKS[shape.layer];
        const ink = {
          stroke: look.stroke,
          strokeWidth: look.width,
          fill: look.fill,
          ...(look.dash && { strokeDasharray: look.dash }),
        };
        if (shape.kind === 'circle')
          return (
            <circle
              key={index}
              cx={x(shape.centre[0])}
              cy={y(shape.centre[1])}
              r={Math.max(0.8, shape.radius * scale)}
              {...ink}
            />
          );
        if (shape.kind === 'path') {
          const points = shape.points.map((point) => `${x(point[0])},${y(point[1])}`).join(' ');
          return shape.closed ? (
            <polygon key={index} points={points} {...ink} strokeLinejoin="round" />
          ) : (
            <polyline key={index} points={points} {...ink} fill="none" />
          );
        }
        return (
          <text
            key={index}
            x={x(shape.at[0])}
            y={y(shape.at[1])}
            fontSize={Math.min(14, shape.height * scale)}
            textAnchor={shape.align}
            className="mono"
            fill={shape.layer === 'dimension' ? '#1d5a96' : look.fill}
            transform={
              shape.turn ? `rotate(${-shape.turn} ${x(shape.at[0])} ${y(shape.at[1])})` : undefined
            }
          >
            {shape.text}
          </text>
        );
      })}
    </svg>
  );
}
