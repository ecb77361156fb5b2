import { boardMarks } from '../cuts/index.js';
import type { LayoutJob } from '../job/index.js';
import { type LaidBoard, placePart } from '../layout/index.js';
import { at } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import type { Point, Zone } from '../plane/index.js';
import { DEFECT_NAMES } from '../wood/index.js';
import { type Drawing, type DrawingShape, type Layer, note, type SayLength } from './drawing.js';

/** The two faces are drawn apart where they differ by more than a tenth of a millimetre. */
const APART = 32;
const TICK = fromMm(4);

const rectangle = ([x, y]: Point, length: number, width: number): Point[] => [
  [x, y],
  [x + length, y],
  [x + length, y + width],
  [x, y + width],
];

function zoneShape(zone: Zone, layer: Layer): DrawingShape {
  if (zone.kind === 'circle')
    return { kind: 'circle', layer, centre: zone.centre, radius: zone.radius };
  const points =
    zone.kind === 'rect' ? rectangle(zone.corner, zone.width, zone.height) : zone.points;
  return { kind: 'path', layer, points, closed: true };
}

/**
 * One board of a layout in true scale, seen from its face A, its lower-left corner at the origin: every panel on both faces, what is cut
 * out of it, defects, offcuts that are kept, and the running tape marks. `nameOf` gives a part's name, `say` prints lengths.
 * Errors: a board that is not in the job's stock throws.
 */
export function boardDrawing(
  job: LayoutJob,
  laid: LaidBoard,
  name: string,
  nameOf: (part: string) => string,
  say: SayLength,
): Drawing {
  const board = job.stock.find((stock) => stock.id === laid.stock);
  if (!board) throw new Error(`the layout names a board that is not there: ${laid.stock}`);
  const shapes: DrawingShape[] = [
    {
      kind: 'path',
      layer: 'board',
      points: rectangle([0, 0], board.length, board.width),
      closed: true,
    },
  ];
  for (const { kind, zone } of board.defects) {
    shapes.push(zoneShape(zone, 'defect'));
    if (zone.kind === 'circle')
      shapes.push(note(zone.centre, DEFECT_NAMES[kind], { height: fromMm(3) }));
  }
  for (const placement of laid.placements) {
    const part = job.parts.find((each) => each.id === placement.part);
    if (!part) continue;
    const { faceA, faceB, cutAway, bounds } = placePart(part, placement);
    shapes.push({ kind: 'path', layer: 'panel', points: faceA, closed: true });
    if (
      faceA.some(
        (corner, index) =>
          Math.hypot(corner[0] - at(faceB, index)[0], corner[1] - at(faceB, index)[1]) > APART,
      )
    )
      shapes.push({ kind: 'path', layer: 'far-face', points: faceB, closed: true });
    shapes.push(...cutAway.map((zone) => zoneShape(zone, 'hole')));
    const words = placement.flipped
      ? `${nameOf(placement.part)}, face down`
      : nameOf(placement.part);
    shapes.push(note([(bounds[0] + bounds[2]) / 2, (bounds[1] + bounds[3]) / 2], words));
  }
  for (const { x, y, length, width } of laid.offcuts) {
    shapes.push({
      kind: 'path',
      layer: 'offcut',
      points: rectangle([x, y], length, width),
      closed: true,
    });
    shapes.push(note([x + length / 2, y + width / 2], `keep ${say(length)} × ${say(width)}`));
  }
  const mark = (x: Ticks, edge: Ticks, out: Ticks): DrawingShape[] => [
    {
      kind: 'path',
      layer: 'mark',
      points: [
        [x, edge],
        [x, edge + out],
      ],
      closed: false,
    },
    note([x, edge + (out > 0 ? 1.4 : 2.5) * out], say(x), { height: fromMm(3.5) }),
  ];
  // On the edge that a panel lies along, and on both where its end is sloped.
  for (const { near, far, row } of boardMarks(job, laid).marks) {
    if (row === 'near') shapes.push(...mark(near, 0, -TICK));
    if (row === 'far' || Math.abs(far - near) > APART) shapes.push(...mark(far, board.width, TICK));
  }
  return { name, shapes };
}
