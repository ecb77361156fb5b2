import { toMm } from '../../measure/index.js';
import { type Drawing, extentOf, type Layer } from '../drawing.js';

const STROKES: Record<Layer, string> = {
  board: 'stroke="#888" stroke-width="0.2" fill="none"',
  defect: 'stroke="#888" stroke-width="0.2" fill="none"',
  offcut: 'stroke="#555" stroke-width="0.2" stroke-dasharray="3 2" fill="none"',
  panel: 'stroke="#000" stroke-width="0.4" fill="none"',
  cut: 'stroke="#000" stroke-width="0.4" fill="none"',
  face: 'stroke="#000" stroke-width="0.3" fill="#fff"',
  behind: 'stroke="#888" stroke-width="0.2" fill="none"',
  'far-face': 'stroke="#000" stroke-width="0.25" stroke-dasharray="2 1.5" fill="none"',
  hole: 'stroke="#000" stroke-width="0.3" fill="none"',
  groove: 'stroke="#555" stroke-width="0.2" stroke-dasharray="1 1" fill="none"',
  mark: 'stroke="#1d5a96" stroke-width="0.2" fill="none"',
  dimension: 'stroke="#1d5a96" stroke-width="0.2" fill="none"',
  note: 'fill="#000"',
};
const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
const MARGIN = 5;

/** A drawing as SVG in true scale: one user unit is one millimetre. */
export function drawingSvg(drawing: Drawing): string {
  const [left, bottom, right, top] = extentOf(drawing).map(toMm) as [
    number,
    number,
    number,
    number,
  ];
  const x = (ticks: number) => (toMm(ticks) - left + MARGIN).toFixed(3);
  const y = (ticks: number) => (top - toMm(ticks) + MARGIN).toFixed(3);
  const [wide, high] = [right - left + 2 * MARGIN, top - bottom + 2 * MARGIN];
  const body = drawing.shapes.map((shape) => {
    if (shape.kind === 'circle')
      return `<circle class="${shape.layer}" cx="${x(shape.centre[0])}" cy="${y(shape.centre[1])}" r="${toMm(shape.radius).toFixed(3)}" ${STROKES[shape.layer]}/>`;
    if (shape.kind === 'path') {
      const points = shape.points.map((point) => `${x(point[0])},${y(point[1])}`).join(' ');
      return `<${shape.closed ? 'polygon' : 'polyline'} class="${shape.layer}" points="${points}" ${STROKES[shape.layer]}/>`;
    }
    const turn = shape.turn
      ? ` transform="rotate(${-shape.turn} ${x(shape.at[0])} ${y(shape.at[1])})"`
      : '';
    return `<text x="${x(shape.at[0])}" y="${y(shape.at[1])}" font-size="${toMm(shape.height).toFixed(2)}" font-family="sans-serif" text-anchor="${shape.align}"${turn}>${escaped(shape.text)}</text>`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" width="${wide.toFixed(3)}mm" height="${high.toFixed(3)}mm" viewBox="0 0 ${wide.toFixed(3)} ${high.toFixed(3)}"><title>${escaped(drawing.name)}</title>\n${body.join('\n')}\n</svg>\n`;
}
