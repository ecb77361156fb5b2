import { at } from '../lists/index.js';
import { cos, fromMm, printAngle, sin, type Ticks } from '../measure/index.js';
import { type Feature, holeSize, measuresOf, type Panel, type PanelSet } from '../panels/index.js';
import {
  behindSection,
  belowSection,
  type DrawnFace,
  frontView,
  levelSection,
  middleSection,
} from './views.js';

export type DrawingPoint = readonly [x: number, y: number];
/**
 * What a line is, and so what a machine may do along it. Wood: board, defect, offcut (kept), panel (its edge) and far-face (the edge on the
 * other face). Taken out: hole, groove. To read: mark (on the tape), dimension, note. Views of a box: face, behind, cut.
 */
export type Layer =
  | 'board'
  | 'defect'
  | 'offcut'
  | 'panel'
  | 'far-face'
  | 'hole'
  | 'groove'
  | 'mark'
  | 'dimension'
  | 'note'
  | 'face'
  | 'behind'
  | 'cut';

export type DrawingShape =
  | { kind: 'path'; layer: Layer; points: readonly DrawingPoint[]; closed: boolean }
  | { kind: 'circle'; layer: Layer; centre: DrawingPoint; radius: number }
  /** Letters `height` high; `turn` in degrees, anticlockwise. */
  | {
      kind: 'text';
      layer: Layer;
      at: DrawingPoint;
      text: string;
      height: number;
      align: 'middle' | 'start';
      turn?: number;
    };

/** A drawing to scale in ticks, y upwards, ready for any kind of file. */
export interface Drawing {
  name: string;
  shapes: readonly DrawingShape[];
}

/** Prints a length as the reader wants it, with its unit or without. */
export type SayLength = (ticks: Ticks) => string;

const TEXT = fromMm(4);
const AWAY = fromMm(12);

/** The box round a drawing, in ticks: `[left, bottom, right, top]`. */
export function extentOf({ shapes }: Drawing): readonly [number, number, number, number] {
  const points = shapes.flatMap((shape): DrawingPoint[] => {
    if (shape.kind === 'path') return [...shape.points];
    if (shape.kind === 'circle')
      return [
        [shape.centre[0] - shape.radius, shape.centre[1] - shape.radius],
        [shape.centre[0] + shape.radius, shape.centre[1] + shape.radius],
      ];
    const long = shape.text.length * shape.height * 0.62;
    const upright = Math.abs(shape.turn ?? 0) > 45;
    const [w, h] = upright ? [shape.height, long] : [long, shape.height];
    const [x, y] = shape.at;
    return shape.align === 'middle'
      ? [
          [x - w / 2, y - h / 2],
          [x + w / 2, y + h],
        ]
      : [
          [x, y - h / 2],
          [x + w, y + h],
        ];
  });
  const [xs, ys] = [points.map((point) => point[0]), points.map((point) => point[1])];
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
}

const arc = (cx: number, cy: number, radius: number, from: number, to: number): DrawingPoint[] =>
  Array.from({ length: 19 }, (_unused, index) => {
    const turn = from + ((to - from) * index) / 18;
    return [cx + radius * cos(turn), cy + radius * sin(turn)];
  });

/** The rim of a hole that is not round, in the panel's frame: height along x, width along y. */
function rimOf(feature: Extract<Feature, { shape: 'oval' | 'arch' | 'square' }>): DrawingPoint[] {
  const [x, y] = feature.centre;
  const [h, w] = [feature.height / 2, feature.width / 2];
  if (feature.shape === 'square')
    return [
      [x - h, y - w],
      [x + h, y - w],
      [x + h, y + w],
      [x - h, y + w],
    ];
  if (feature.shape === 'arch')
    return [[x - h, y - w], ...arc(x + h - w, y, w, -90, 90), [x - h, y + w]];
  const radius = Math.min(h, w);
  return h >= w
    ? [...arc(x + h - radius, y, radius, -90, 90), ...arc(x - h + radius, y, radius, 90, 270)]
    : [...arc(x, y + w - radius, radius, 0, 180), ...arc(x, y - w + radius, radius, 180, 360)];
}

function featureShapes(feature: Feature): DrawingShape[] {
  if (feature.kind === 'mesh') {
    const [x, y] = feature.corner;
    const corners: DrawingPoint[] = [
      [x, y],
      [x + feature.height, y],
      [x + feature.height, y + feature.width],
      [x, y + feature.width],
    ];
    return [{ kind: 'path', layer: 'groove', points: corners, closed: true }];
  }
  if (feature.kind === 'groove') {
    const run = [feature.to[0] - feature.from[0], feature.to[1] - feature.from[1]] as const;
    const long = Math.hypot(...run) || 1;
    const side: DrawingPoint = [
      ((-run[1] / long) * feature.width) / 2,
      ((run[0] / long) * feature.width) / 2,
    ];
    const corner = (of: DrawingPoint, sign: number): DrawingPoint => [
      of[0] + sign * side[0],
      of[1] + sign * side[1],
    ];
    return [
      {
        kind: 'path',
        layer: 'groove',
        closed: true,
        points: [
          corner(feature.from, 1),
          corner(feature.to, 1),
          corner(feature.to, -1),
          corner(feature.from, -1),
        ],
      },
    ];
  }
  const [x, y] = feature.centre;
  const size =
    feature.shape === 'round' ? feature.diameter : Math.max(feature.width, feature.height);
  const reach = size / 2 + fromMm(2);
  const cross: DrawingShape[] = [
    {
      kind: 'path',
      layer: 'hole',
      closed: false,
      points: [
        [x - reach, y],
        [x + reach, y],
      ],
    },
    {
      kind: 'path',
      layer: 'hole',
      closed: false,
      points: [
        [x, y - reach],
        [x, y + reach],
      ],
    },
  ];
  return feature.shape === 'round'
    ? [
        { kind: 'circle', layer: 'hole', centre: feature.centre, radius: feature.diameter / 2 },
        ...cross,
      ]
    : [{ kind: 'path', layer: 'hole', points: rimOf(feature), closed: true }, ...cross];
}

const line = (from: DrawingPoint, to: DrawingPoint): DrawingShape => ({
  kind: 'path',
  layer: 'dimension',
  points: [from, to],
  closed: false,
});
/** Words on a drawing, 4 mm high unless told otherwise. */
export const note = (
  at: DrawingPoint,
  text: string,
  more: { turn?: number; align?: 'middle' | 'start'; height?: number } = {},
): DrawingShape => ({
  kind: 'text',
  layer: 'dimension',
  at,
  text,
  height: more.height ?? TEXT,
  align: more.align ?? 'middle',
  ...(more.turn !== undefined && { turn: more.turn }),
});

/** How far words along an edge are turned, in degrees, so that they are read from below or from the right. */
function alongEdge(from: DrawingPoint, to: DrawingPoint): number {
  const turn = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
  return turn <= -89.9 ? turn + 180 : turn > 90.1 ? turn - 180 : turn;
}

/** A measure along x (level) or y (upright) beside the panel, with witness lines. */
function measure(
  axis: 0 | 1,
  from: number,
  to: number,
  at: number,
  towards: number,
  text: string,
): DrawingShape[] {
  const point = (along: number, across: number): DrawingPoint =>
    axis === 0 ? [along, across] : [across, along];
  const tick = fromMm(1.5);
  return [
    line(point(from, at), point(to, at)),
    ...[from, to].flatMap((end) => [
      line(point(end, towards), point(end, at + Math.sign(at - towards) * tick)),
    ]),
    note(
      point((from + to) / 2, at + (axis === 0 ? fromMm(1.6) : -fromMm(1.6))),
      text,
      axis === 1 ? { turn: 90 } : {},
    ),
  ];
}

/**
 * One panel flat, seen from its outside, its grain level: both faces, every hole and groove, and all measures a maker marks. Lengths in
 * words by `say`.
 */
export function panelDrawing(panel: Panel, name: string, say: SayLength): Drawing {
  const { blankLength, blankWidth, longPoint, shortPoint } = measuresOf(panel);
  const far = panel.outline.some(
    (corner, index) =>
      Math.hypot(
        corner[0] - at(panel.underside, index)[0],
        corner[1] - at(panel.underside, index)[1],
      ) > 32,
  );
  const holes = panel.features.filter(
    (feature) => feature.kind !== 'groove' && feature.kind !== 'mesh' && feature.kind !== 'pilot',
  );
  const entrance = holes.find((feature) => feature.kind === 'entrance');
  const shapes: DrawingShape[] = [
    { kind: 'path', layer: 'panel', points: panel.outline, closed: true },
    ...(far
      ? [{ kind: 'path', layer: 'far-face', points: panel.underside, closed: true } as const]
      : []),
    ...panel.features.flatMap(featureShapes),
    ...measure(0, 0, blankLength, -AWAY, 0, say(blankLength)),
    ...measure(1, 0, blankWidth, -AWAY, 0, say(blankWidth)),
  ];
  if (Math.abs(longPoint - shortPoint) > 32)
    shapes.push(
      note(
        [blankLength / 2, -AWAY - fromMm(8)],
        `long point ${say(longPoint)}, short point ${say(shortPoint)}`,
      ),
    );
  if (entrance && 'centre' in entrance) {
    const [x, y] = entrance.centre;
    shapes.push(
      ...measure(0, 0, x, blankWidth + AWAY, y, say(x)),
      ...measure(1, 0, y, blankLength + AWAY, x, say(y)),
    );
    const size =
      entrance.shape === 'round'
        ? `ø ${say(entrance.diameter)}`
        : `${say(entrance.width)} wide, ${say(entrance.height)} high`;
    // Under the hole, clear of the lines to its measures.
    shapes.push(note([x, y - (holeSize(entrance)?.width ?? 0) / 2 - fromMm(6)], size));
  }
  for (const hole of holes) {
    if (hole === entrance || !('centre' in hole) || hole.shape !== 'round') continue;
    const [x, y] = hole.centre;
    shapes.push(
      note(
        [x + hole.diameter / 2 + fromMm(1), y + fromMm(1)],
        `${hole.kind} ø ${say(hole.diameter)}: ${say(x)}, ${say(y)}`,
        {
          align: 'start',
          height: fromMm(2.6),
        },
      ),
    );
  }
  panel.edges.forEach((edge) => {
    if (Math.abs(edge.tilt) < 0.05 && edge.mitre < 0.05) return;
    const [from, to] = [at(panel.outline, edge.from), at(panel.outline, edge.to)];
    const middle: DrawingPoint = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
    const words = [
      ...(Math.abs(edge.tilt) >= 0.05
        ? [
            `tilt ${printAngle(Math.abs(edge.tilt))}, ${edge.tilt > 0 ? 'inside' : 'outside'} longer`,
          ]
        : []),
      ...(edge.mitre >= 0.05 && edge.mitre < 89 ? [`mitre ${printAngle(edge.mitre)}`] : []),
    ];
    const run = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
    // Inside the panel, so that it stands clear of the other face and the measures.
    const out: DrawingPoint = [
      (-(to[1] - from[1]) / run) * fromMm(3),
      ((to[0] - from[0]) / run) * fromMm(3),
    ];
    if (run > fromMm(30))
      shapes.push(
        note([middle[0] + out[0], middle[1] + out[1]], words.join('; '), {
          height: fromMm(2.8),
          turn: alongEdge(from, to),
        }),
      );
  });
  shapes.push({
    kind: 'text',
    layer: 'note',
    at: [0, -AWAY - fromMm(18)],
    text: `${name}, ${say(panel.thickness)} thick, from outside, grain level`,
    height: fromMm(4.5),
    align: 'start',
  });
  return { name, shapes };
}

/** A panel at full size for pricking through: edges and holes, no measures. */
export function templateOf(panel: Panel, name: string): Drawing {
  const drawn = panelDrawing(panel, name, () => '');
  return {
    name,
    shapes: drawn.shapes.filter(
      (shape) =>
        shape.layer === 'panel' ||
        shape.layer === 'far-face' ||
        shape.layer === 'hole' ||
        shape.layer === 'groove',
    ),
  };
}

export type BoxViewName = 'front' | 'section' | 'plan';
export const VIEW_TITLES: Record<BoxViewName, string> = {
  front: 'Front',
  section: 'Cut through the middle',
  plan: 'Cut level, from above',
};

/** A view of the whole box as a drawing: the front, the cut from front to back, or the level cut. */
export function viewDrawing(box: PanelSet, view: BoxViewName): Drawing {
  const paths = (faces: readonly DrawnFace[], layer: Layer): DrawingShape[] =>
    faces.map(({ points }) => ({ kind: 'path', layer, points, closed: true }));
  if (view === 'front') {
    const entrances = box.openings
      .filter(
        (opening) => opening.kind === 'entrance' && opening.polygon.every((point) => point[1] <= 2),
      )
      .map(
        (opening): DrawingShape => ({
          kind: 'path',
          layer: 'hole',
          closed: true,
          points: opening.polygon.map((point) => [point[0], point[2]] as const),
        }),
      );
    return { name: VIEW_TITLES.front, shapes: [...paths(frontView(box), 'face'), ...entrances] };
  }
  return view === 'section'
    ? {
        name: VIEW_TITLES.section,
        shapes: [...paths(behindSection(box), 'behind'), ...paths(middleSection(box), 'cut')],
      }
    : {
        name: VIEW_TITLES.plan,
        shapes: [...paths(belowSection(box), 'behind'), ...paths(levelSection(box), 'cut')],
      };
}

/** A drawing moved by (dx, dy), for putting several on one sheet. */
export const moved = ({ name, shapes }: Drawing, dx: number, dy: number): Drawing => {
  const shift = ([x, y]: DrawingPoint): DrawingPoint => [x + dx, y + dy];
  return {
    name,
    shapes: shapes.map((shape) =>
      shape.kind === 'path'
        ? { ...shape, points: shape.points.map(shift) }
        : shape.kind === 'circle'
          ? { ...shape, centre: shift(shape.centre) }
          : { ...shape, at: shift(shape.at) },
    ),
  };
};

const GAP = fromMm(30);

/** Several drawings one under the other. */
export function stacked(name: string, drawings: readonly Drawing[]): Drawing {
  let top = 0;
  const shapes: DrawingShape[] = [];
  for (const drawing of drawings) {
    const [left, bottom, , upper] = extentOf(drawing);
    shapes.push(...moved(drawing, -left, top - upper).shapes);
    top -= upper - bottom + GAP;
  }
  return { name, shapes };
}
