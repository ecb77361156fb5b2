import { cos, fromMm, sin, type Ticks } from '../measure/index.js';
import type { Feature, Panel } from '../panels/index.js';
import { inscribed, rectangleAt } from '../plane/index.js';
import type { DrawingPoint, DrawingShape } from './drawing.js';

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

const path = (
  layer: DrawingShape['layer'],
  points: readonly DrawingPoint[],
  closed: boolean,
): DrawingShape => ({ kind: 'path', layer, points, closed });

function grooveCorners({ from, to, width }: Extract<Feature, { kind: 'groove' }>): DrawingPoint[] {
  const run = [to[0] - from[0], to[1] - from[1]] as const;
  const long = Math.hypot(...run) || 1;
  const side: DrawingPoint = [((-run[1] / long) * width) / 2, ((run[0] / long) * width) / 2];
  const corner = (of: DrawingPoint, sign: number): DrawingPoint => [
    of[0] + sign * side[0],
    of[1] + sign * side[1],
  ];
  return [corner(from, 1), corner(to, 1), corner(to, -1), corner(from, -1)];
}

/** Corners of a round hole where it is drawn as a polygon. */
const ROUND = 24;

/** What a feature takes from a face, as a convex polygon in the panel's frame. */
export function featureOutline(feature: Feature): DrawingPoint[] {
  if (feature.kind === 'mesh') return rectangleAt(...feature.corner, feature.height, feature.width);
  if (feature.kind === 'groove') return grooveCorners(feature);
  return feature.shape === 'round'
    ? inscribed(feature.centre, feature.diameter / 2, ROUND)
    : rimOf(feature);
}

/** The lines that cross in a hole's middle, a little longer than it. */
function crossAt([x, y]: DrawingPoint, size: Ticks): DrawingShape[] {
  const reach = size / 2 + fromMm(2);
  const level: DrawingPoint[] = [
    [x - reach, y],
    [x + reach, y],
  ];
  const upright: DrawingPoint[] = [
    [x, y - reach],
    [x, y + reach],
  ];
  return [path('hole', level, false), path('hole', upright, false)];
}

/** A hole, a groove or a piece of mesh as lines. */
export function featureShapes(feature: Feature): DrawingShape[] {
  if (feature.kind === 'mesh' || feature.kind === 'groove')
    return [path('groove', featureOutline(feature), true)];
  const { centre } = feature;
  if (feature.shape === 'round') {
    const radius = feature.diameter / 2;
    return [{ kind: 'circle', layer: 'hole', centre, radius }, ...crossAt(centre, 2 * radius)];
  }
  const size = Math.max(feature.width, feature.height);
  return [path('hole', featureOutline(feature), true), ...crossAt(centre, size)];
}

/** What is cut through a panel and seen from afar, in its own frame; screw holes are not. */
export const seenCuts = ({ features }: Pick<Panel, 'features'>): DrawingPoint[][] =>
  features
    .filter(({ kind }) => kind === 'entrance' || kind === 'vent')
    .map((feature) => [...featureOutline(feature)]);
