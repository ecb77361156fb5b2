import type { Ticks } from '../../measure/ticks.js';
import { type Goals, woodWorth } from '../goals.js';
import type { Saw, Stock } from '../job.js';
import type { KeptOffcut } from '../layout.js';
import { type Obstacle, obstaclesOf } from './defects.js';
import type { Piece } from './fill-board.js';

/** A region's end beyond its last piece and the strip above its highest piece, whichever way they share the corner. */
function cornerRests(pieces: readonly Piece[], region: { left: Ticks; right: Ticks; bottom: Ticks; top: Ticks }, saw: Saw): KeptOffcut[][] {
  const reach = Math.ceil(Math.max(...pieces.map((piece) => piece.x + piece.shape.length))) + saw.kerf;
  const height = Math.ceil(Math.max(...pieces.map((piece) => piece.y + piece.shape.width))) + saw.kerf;
  const end: KeptOffcut = { x: reach, y: region.bottom, length: region.right - reach, width: region.top - region.bottom };
  if (!saw.rip) return [[end]];
  return [
    [end, { x: region.left, y: height, length: reach - saw.kerf - region.left, width: region.top - height }],
    [
      { x: reach, y: region.bottom, length: region.right - reach, width: height - saw.kerf - region.bottom },
      { x: region.left, y: height, length: region.right - region.left, width: region.top - height },
    ],
  ];
}

const offcutWorth = (offcut: KeptOffcut, goals: Goals): number => woodWorth(offcut.length, offcut.width, goals);

/** The largest part of a leftover beside every defect that must be cut away: what goes to the rack is clean. */
function cleanPart(offcut: KeptOffcut, obstacles: readonly Obstacle[], rip: boolean, goals: Goals): KeptOffcut {
  const { x, y, length, width } = offcut;
  const met = obstacles.find((each) => each.hard && each.left < x + length && each.right > x && each.bottom < y + width && each.top > y);
  if (!met) return offcut;
  const [left, right, bottom, top] = [Math.floor(met.left), Math.ceil(met.right), Math.floor(met.bottom), Math.ceil(met.top)];
  const beside: KeptOffcut[] = [
    { x, y, length: left - x, width },
    { x: right, y, length: x + length - right, width },
    ...(rip
      ? [
          { x, y, length, width: bottom - y },
          { x, y: top, length, width: y + width - top },
        ]
      : []),
  ].filter((each) => each.length > 0 && each.width > 0);
  const best = beside
    .map((each) => cleanPart(each, obstacles, rip, goals))
    .sort((a, b) => offcutWorth(b, goals) - offcutWorth(a, goals))[0];
  return best ?? { x, y, length: 0, width: 0 };
}

/** Groups of pieces that lie in lanes of their own, from the lower edge up: no piece reaches into the next group's height. */
function lanesOf(pieces: readonly Piece[]): Piece[][] {
  const lanes: { top: Ticks; pieces: Piece[] }[] = [];
  for (const piece of [...pieces].sort((p, q) => p.y - q.y)) {
    const last = lanes.at(-1);
    if (last && piece.y < last.top) {
      last.pieces.push(piece);
      last.top = Math.max(last.top, piece.y + piece.shape.width);
    } else lanes.push({ top: piece.y + piece.shape.width, pieces: [piece] });
  }
  return lanes.map((lane) => lane.pieces);
}

/** The leftovers worth keeping from one board: rectangles a kerf from every piece and from each other, freed by straight cuts. */
export function offcutsOf(pieces: readonly Piece[], stock: Stock, saw: Saw, goals: Goals): KeptOffcut[] {
  if (pieces.length === 0) return [];
  const obstacles = obstaclesOf(stock.defects);
  /** A kerf from every piece's bounding box: lanes may lie closer than that where their pieces are apart along the board. */
  const free = ({ x, y, length, width }: KeptOffcut) =>
    pieces.every(
      (piece) =>
        Math.max(piece.x - x - length, x - piece.x - piece.shape.length, piece.y - y - width, y - piece.y - piece.shape.width) >= saw.kerf,
    );
  const worthwhile = (offcuts: readonly KeptOffcut[]) =>
    offcuts.map((offcut) => cleanPart(offcut, obstacles, saw.rip, goals)).filter((offcut) => big(offcut) && free(offcut));
  const big = (offcut: KeptOffcut) =>
    offcut.length >= saw.keep.length && offcut.width >= saw.keep.width && offcut.length > 0 && offcut.width > 0;
  const worth = (offcuts: readonly KeptOffcut[]) => offcuts.reduce((sum, offcut) => sum + offcutWorth(offcut, goals), 0);
  const board = { left: saw.endTrim, right: stock.length - saw.endTrim, bottom: 0, top: stock.width };
  const choices = cornerRests(pieces, board, saw);
  const lanes = lanesOf(pieces);
  if (lanes.length > 1) {
    const rests = lanes.map((lane, index) => {
      const bottom = Math.min(...lane.map((piece) => piece.y));
      const next = lanes[index + 1];
      const top = next ? Math.min(...next.map((piece) => piece.y)) - saw.kerf : stock.width;
      return cornerRests(lane, { ...board, bottom, top }, saw)
        .map(worthwhile)
        .sort((a, b) => worth(b) - worth(a))[0]!;
    });
    choices.push(rests.flat());
  }
  return choices.map(worthwhile).sort((a, b) => worth(b) - worth(a))[0]!;
}
