import { at, must } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import type { Panel, PanelInstance, PanelSet } from '../panels/index.js';
import { boundsOf, type Point } from '../plane/index.js';
import { add, cross, dot, scale, subtract, type Vec3 } from '../solid/index.js';
import { leavesOf, type NamedBoard, type NamedPiece } from './progress.js';
import type { Short } from './short-panel.js';

/** Which way a piece was measured on its board. */
export type Axis = 'along' | 'across';

/** One end of a panel in the direction in which it was measured: its edge, and the panels that it stands against. */
export interface End {
  edge: number;
  against: readonly string[];
}

/**
 * What a measure means. fits: within what a saw can do. long: sawn again at the same setting, it is right. cut off: nothing is lost, what
 * comes of it is measured from the sound end and the waste at its other end takes it up. thin: what comes of it has no waste to spare.
 * short: the panel stays short; at `ends` a gap opens, at either one or shared between them.
 */
export interface Verdict {
  is: 'fits' | 'long' | 'cut off' | 'thin' | 'short';
  /** How much longer than it should be; negative: shorter. */
  by: Ticks;
  should: Ticks;
  ends: readonly End[];
  /** The panel and what it is short of; null unless it is. */
  short: Short | null;
}

/** Nearer than this is as good as a saw and a tape are: half a millimetre. Common practice, no source. */
const FITS: Ticks = 160;

const bothFaces = ({ wood }: NamedPiece): Point[] => (wood ? [...wood.faceA, ...wood.faceB] : []);

/** How long or wide a piece is, over the face that reaches further. */
export function sizeOf(piece: NamedPiece, axis: Axis): Ticks {
  const [left, bottom, right, top] = boundsOf(bothFaces(piece));
  return Math.round(axis === 'along' ? right - left : top - bottom);
}

/** The waste at an end of a piece that is cut further, as far as it goes right across. */
function wasteAtEnds(board: NamedBoard, piece: NamedPiece, axis: Axis): Ticks {
  const [low, high] = axis === 'along' ? [0, 2] : [1, 3];
  const whole = boundsOf(bothFaces(piece));
  const parts = leavesOf(board, piece.id).filter(({ is, wood }) => is && is !== 'waste' && wood);
  const bounds = parts.map((leaf) => boundsOf(bothFaces(leaf)));
  if (bounds.length === 0) return sizeOf(piece, axis);
  const first = Math.min(...bounds.map((each) => each[low as 0]));
  const last = Math.max(...bounds.map((each) => each[high as 2]));
  return Math.max(first - whole[low as 0], whole[high as 2] - last);
}

/** A panel’s own directions in box space. */
const frameOf = ({ frame, outsideNormal }: PanelInstance) => ({
  origin: frame.origin,
  x: frame.x,
  y: cross(outsideNormal, frame.x),
});

/** Whether a point lies in a convex solid. */
const isIn = ({ vertices, faces }: PanelInstance['solid'], point: Vec3): boolean =>
  faces.every((face) => {
    const [a, b, c] = [0, 1, 2].map((corner) => at(vertices, at(face, corner)));
    if (!a || !b || !c) return false;
    const normal = cross(subtract(b, a), subtract(c, a));
    return dot(normal, subtract(point, a)) <= 0;
  });

/** So far beyond an edge is what stands against it: a millimetre, less than any gap that is meant. */
const BEYOND: Ticks = fromMm(1);

/** The panels that an edge stands against, in every copy of its panel. */
function standsAgainst(box: PanelSet, panel: Panel, edge: number): string[] {
  const { from, to } = at(panel.edges, edge);
  const [a, b] = [at(panel.outline, from), at(panel.outline, to)];
  const run = Math.hypot(b[0] - a[0], b[1] - a[1]);
  // The outline runs anticlockwise: outwards is to its right.
  const [ox, oy] = [(b[1] - a[1]) / run, -(b[0] - a[0]) / run];
  const found = new Set<string>();
  for (const instance of panel.instances) {
    const { origin, x, y } = frameOf(instance);
    for (const share of [0.15, 0.5, 0.85])
      for (const depth of [0.25, 0.75]) {
        const under = [at(panel.underside, from), at(panel.underside, to)] as const;
        const mix = (axis: 0 | 1) =>
          (a[axis] + (b[axis] - a[axis]) * share) * (1 - depth) +
          (under[0][axis] + (under[1][axis] - under[0][axis]) * share) * depth;
        const point = add(
          add(add(origin, scale(x, mix(0) + ox * BEYOND)), scale(y, mix(1) + oy * BEYOND)),
          scale(instance.outsideNormal, -panel.thickness * depth),
        );
        for (const other of box.panels)
          if (other !== panel && other.instances.some(({ solid }) => isIn(solid, point)))
            found.add(other.id);
      }
  }
  return [...found];
}

/** Edges of a panel that look one way or the other along an axis of its frame. */
function endsOf(box: PanelSet, panel: Panel, axis: 'x' | 'y'): End[] {
  return panel.edges.flatMap(({ from, to }, edge) => {
    const [a, b] = [at(panel.outline, from), at(panel.outline, to)];
    const [along, across] = [Math.abs(b[0] - a[0]), Math.abs(b[1] - a[1])];
    const looks = across > along ? 'x' : 'y';
    return looks === axis ? [{ edge, against: standsAgainst(box, panel, edge) }] : [];
  });
}

/** Whether a panel lies with its grain along the board, by its size. */
function axisOf(panel: Panel, piece: NamedPiece, axis: Axis): 'x' | 'y' {
  const [left, bottom, right, top] = boundsOf([...panel.outline, ...panel.underside]);
  const [long, wide] = [sizeOf(piece, 'along'), sizeOf(piece, 'across')];
  const straight = Math.abs(right - left - long) + Math.abs(top - bottom - wide);
  const turned = Math.abs(right - left - wide) + Math.abs(top - bottom - long);
  const isStraight = panel.grain === 'along' || straight <= turned;
  return isStraight === (axis === 'along') ? 'x' : 'y';
}

/**
 * What it means that a piece measures so much, in ticks: whether it fits, what later cuts take up, or where a gap opens in the box. Takes
 * a piece that is there, and the box that its panels are of.
 */
export function measured(
  box: PanelSet,
  board: NamedBoard,
  id: string,
  { axis, is: found }: { axis: Axis; is: Ticks },
): Verdict {
  const piece = must(
    board.pieces.find((each) => each.id === id),
    `the piece ${id}`,
  );
  const should = sizeOf(piece, axis);
  const by = found - should;
  const verdict = (is: Verdict['is']): Verdict => ({ is, by, should, ends: [], short: null });
  if (Math.abs(by) <= FITS) return verdict('fits');
  const { is } = piece;
  if (is === 'waste' || is === 'offcut') return verdict('cut off');
  if (by > 0) return verdict(is ? 'long' : 'cut off');
  if (!is) return verdict(wasteAtEnds(board, piece, axis) >= -by ? 'cut off' : 'thin');
  const panel = must(
    box.panels.find((each) => each.id === is.part),
    `the panel “${is.part}”`,
  );
  const own = axisOf(panel, piece, axis);
  const short = { panel: panel.id, axis: own, by: -by };
  return { ...verdict('short'), ends: endsOf(box, panel, own), short };
}
