import {
  Colors,
  DxfWriter,
  point2d,
  point3d,
  TextHorizontalAlignment,
  Units,
} from '@tarikjabiri/dxf';
import { toMm } from '../../measure/index.js';
import type { Drawing, Layer } from '../drawing.js';

const COLOURS: Record<Layer, number> = {
  board: Colors.Cyan,
  defect: Colors.Magenta,
  offcut: Colors.Cyan,
  panel: Colors.White,
  'far-face': Colors.Green,
  hole: Colors.Red,
  groove: Colors.Yellow,
  mark: Colors.Blue,
  dimension: Colors.Blue,
  face: Colors.White,
  behind: Colors.Cyan,
  cut: Colors.White,
  note: Colors.Blue,
};

/** A drawing as DXF in millimetres, a layer for each kind of line. */
export function drawingDxf(drawing: Drawing): string {
  const writer = new DxfWriter();
  writer.setUnits(Units.Millimeters);
  for (const layer of new Set(drawing.shapes.map((shape) => shape.layer)))
    writer.addLayer(layer, COLOURS[layer], 'CONTINUOUS');
  for (const shape of drawing.shapes) {
    const on = { layerName: shape.layer };
    if (shape.kind === 'circle')
      writer.addCircle(
        point3d(toMm(shape.centre[0]), toMm(shape.centre[1])),
        toMm(shape.radius),
        on,
      );
    else if (shape.kind === 'path') {
      writer.addLWPolyline(
        shape.points.map((point) => ({ point: point2d(toMm(point[0]), toMm(point[1])) })),
        { ...on, flags: shape.closed ? 1 : 0 },
      );
    } else {
      const at = point3d(toMm(shape.at[0]), toMm(shape.at[1]));
      writer.addText(at, toMm(shape.height), shape.text, {
        ...on,
        rotation: shape.turn ?? 0,
        ...(shape.align === 'middle' && {
          horizontalAlignment: TextHorizontalAlignment.Center,
          secondAlignmentPoint: at,
        }),
      });
    }
  }
  return writer.stringify();
}
