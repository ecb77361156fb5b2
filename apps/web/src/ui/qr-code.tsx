import { create } from 'qrcode';
import { useMemo } from 'react';

/** The dark squares of a QR code as one path, a square one unit wide, with the four units of white that readers want round it. */
export function qrPath(text: string): { path: string; size: number } {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const { size, data } = modules;
  const squares: string[] = [];
  for (let row = 0; row < size; row += 1)
    for (let column = 0; column < size; column += 1)
      if (data[row * size + column]) squares.push(`M${column + 4} ${row + 4}h1v1h-1z`);
  return { path: squares.join(''), size: size + 8 };
}

/** An address that a phone opens; printed black on white. */
export function QrCode({ text, side }: { text: string; side: string }) {
  const { path, size } = useMemo(() => qrPath(text), [text]);
  return (
    <svg
      viewBox={`0 0 ${size} ${size}`}
      style={{ width: side, height: side }}
      role="img"
      aria-label={`QR code of ${text}`}
      shapeRendering="crispEdges"
    >
      <rect width={size} height={size} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}
